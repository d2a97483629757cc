using FondCompass.Core.Notation;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Wording.Texts;

namespace FondCompass.Core.Actions.Placing;

/// <summary>
/// The lines and parts of a dance by the names the instructor gave them, so that a row may call them (reading, section 6).
/// </summary>
internal sealed class LineTable
{
    private readonly Dictionary<string, IReadOnlyList<PartEntry>> _byName = new(StringComparer.OrdinalIgnoreCase);

    public LineTable(Dance dance)
    {
        var names = dance.Parts.SelectMany(p => p.Entries.OfType<LineEntry>().Select(l => l.Name).Append(p.Name)).Where(n => n.Length > 0)
            .ToHashSet(StringComparer.OrdinalIgnoreCase);
        bool Calls(PartEntry entry) => entry is StepEntry { Counts: null } row && names.Contains(RowOpeners.TimesAtEnd(row.Wording).Name);
        foreach (var part in dance.Parts)
        {
            for (var i = 0; i < part.Entries.Count; i++)
            {
                if (part.Entries[i] is LineEntry { Name.Length: > 0 } line)
                {
                    // Its own rows: a call under them is the next line, so that no line contains itself.
                    var end = i + 1;
                    while (end < part.Entries.Count && part.Entries[end] is not (LineEntry or AgainEntry) && !Calls(part.Entries[end]))
                    {
                        end++;
                    }

                    if (end > i + 1)
                    {
                        _byName.TryAdd(line.Name, [.. part.Entries.Skip(i + 1).Take(end - i - 1)]);
                    }
                }
            }
        }

        // "line quay", and under it only "pier": the rows of that line under another name.
        foreach (var (line, called) in dance.Parts.SelectMany(p => p.Entries.Zip(p.Entries.Skip(1)))
            .Select(p => (p.First as LineEntry, p.Second as StepEntry))
            .Where(p => p.Item1 is { Name.Length: > 0 } && p.Item2 is not null && Calls(p.Item2)).ToList())
        {
            if (_byName.TryGetValue(RowOpeners.TimesAtEnd(called!.Wording).Name, out var rows) && !_byName.ContainsKey(line!.Name))
            {
                _byName.Add(line.Name, rows);
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
    public sealed record Call(string Name, IReadOnlyList<PartEntry> Entries, int Times, bool Mirrored, Sentence? Problem);

    /// <summary>
    /// What a row calls: the entries danced, how often, and whether on the other foot; null when it is no call. A row is read once, however
    /// often it is danced.
    /// </summary>
    /// <param name="within">The part it stands in, which does not call itself.</param>
    public Call? Find(StepEntry row, string within)
    {
        if (!_calls.TryGetValue(row, out var call))
        {
            var (name, times, mirrored) = RowOpeners.TimesAtEnd(row.Wording);
            call = _calls[row] = row.Counts is null && _byName.TryGetValue(name, out var entries)
                ? new Call(name, entries, times, mirrored, RowOpeners.TimesProblem(row.Wording))
                : null;
        }

        return string.Equals(call?.Name, within, StringComparison.OrdinalIgnoreCase) ? null : call;
    }
}
