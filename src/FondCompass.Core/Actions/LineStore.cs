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

    private readonly Dictionary<StepEntry, Call?> _calls = new(ReferenceEqualityComparer.Instance);

    /// <summary>What a row calls.</summary>
    /// <param name="Name">As the row writes it.</param>
    /// <param name="Problem">What is wrong with how often it says; null when nothing is.</param>
    public sealed record Call(string Name, IReadOnlyList<PartEntry> Entries, int Times, bool Mirrored, string? Problem);

    /// <summary>What a row calls: the entries danced, how often, and whether on the other foot; null when it is no call. A row is read once, however often it is danced.</summary>
    /// <param name="within">The part it stands in, which does not call itself.</param>
    public Call? Find(StepEntry row, string within)
    {
        if (!_calls.TryGetValue(row, out var call))
        {
            var (name, times, mirrored) = RowOpeners.TimesAtEnd(row.Wording);
            call = _calls[row] = row.Counts is null && _byName.TryGetValue(name, out var entries) ? new Call(name, entries, times, mirrored, RowOpeners.TimesProblem(row.Wording)) : null;
        }

        return string.Equals(call?.Name, within, StringComparison.OrdinalIgnoreCase) ? null : call;
    }
}
