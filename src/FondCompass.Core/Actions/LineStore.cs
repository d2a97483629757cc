using FondCompass.Core.Notation;

namespace FondCompass.Core.Actions;

/// <summary>The lines and parts of a dance by the names the instructor gave them, so that a row may call them (reading, section 6).</summary>
internal sealed class LineStore
{
    private readonly Dictionary<string, IReadOnlyList<PartEntry>> _byName = new(StringComparer.OrdinalIgnoreCase);

    public LineStore(Dance dance)
    {
        foreach (var part in dance.Parts)
        {
            for (var i = 0; i < part.Entries.Count; i++)
            {
                if (part.Entries[i] is LineEntry { Name.Length: > 0 } line)
                {
                    var end = i + 1;
                    while (end < part.Entries.Count && part.Entries[end] is not (LineEntry or AgainEntry))
                    {
                        end++;
                    }

                    _byName.TryAdd(line.Name, [.. part.Entries.Skip(i + 1).Take(end - i - 1)]);
                }
            }
        }

        foreach (var part in dance.Parts)
        {
            _byName.TryAdd(part.Name, part.Entries);
        }
    }

    /// <summary>What a row calls: the entries danced, how often, and whether on the other foot; null when it is no call.</summary>
    public (IReadOnlyList<PartEntry> Entries, int Times, bool Mirrored)? Find(string wording, string within)
    {
        var (name, times, mirrored) = RowOpeners.TimesAtEnd(wording);
        return _byName.TryGetValue(name, out var entries) && !string.Equals(name, within, StringComparison.OrdinalIgnoreCase) ? (entries, times, mirrored) : null;
    }
}
