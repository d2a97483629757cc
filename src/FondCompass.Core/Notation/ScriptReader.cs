using FondCompass.Core.Counts;
using FondCompass.Core.Findings;

namespace FondCompass.Core.Notation;

/// <summary>
/// Reads a dance script (docs/script.md) into a <see cref="Dance"/>. Never throws for what somebody wrote: whatever
/// cannot be read becomes a finding and the rest is read all the same.
/// </summary>
public sealed partial class ScriptReader
{
    private readonly string[] _rows;
    private readonly string[] _breaks;
    private readonly List<Finding> _findings = [];
    private readonly List<(DancePart Part, List<PartEntry> Entries)> _parts = [];
    private readonly HashSet<string> _partNames = new(StringComparer.OrdinalIgnoreCase);
    private readonly HashSet<string> _definedNames = [];
    private readonly HashSet<string> _stated = [];
    private readonly List<OrderCall> _order = [];
    private readonly List<TagAfter> _tags = [];
    private readonly List<RestartAfter> _restarts = [];
    private readonly List<VersionAt> _versions = [];
    private readonly List<StepDefinition> _definitions = [];
    private readonly List<(int Row, string Text)> _orderRows = [];
    private bool _orderLoops;
    private bool _orderFree;
    private DanceHeader _header = new();
    private Beat? _lastBeat;
    private CountSpec? _lastCounts;
    private int? _ending;
    private Beat? _endingLast;

    private ScriptReader(string script) => (_rows, _breaks) = RowText.SplitRows(script);

    public static Dance Read(string script) => new ScriptReader(script).ReadAll();

    private Dance ReadAll()
    {
        for (var i = 0; i < _rows.Length; i++)
        {
            ReadRow(i + 1, _rows[i]);
        }

        var callReader = new CallReader(_parts.ConvertAll(p => (p.Part.Name, p.Part.IsTag)), _findings);
        foreach (var (row, text) in _orderRows)
        {
            ReadCall(callReader, row, text);
        }

        if (_parts.TrueForAll(p => !p.Entries.Exists(e => e is not NoteEntry)))
        {
            _findings.Add(NotationFindings.Empty.At(
                Math.Max(1, _rows.Length),
                "There are no steps yet. Write counts and a step on a row, for instance '1-4 vine R'."));
        }

        return new Dance
        {
            Header = HeaderReader.WithPresets(_header, _stated),
            Parts = _parts.ConvertAll(p => p.Part with { Entries = p.Entries }),
            Order = _order,
            OrderLoops = _orderLoops,
            IsFree = _orderFree,
            Tags = _tags,
            Restarts = _restarts,
            Versions = _versions,
            Definitions = _definitions,
            Rows = _rows,
            Breaks = _breaks,
            Findings = _findings,
        };
    }

    private void ReadRow(int row, string raw)
    {
        var text = RowText.WithoutComment(raw).Replace('\u00a0', ' ').Replace('\t', ' ');
        if (RowText.HasControlCharacters(text))
        {
            _findings.Add(NotationFindings.OddCharacter.At(row, "This row holds a character that does not print; it is read as a space."));
            text = RowText.WithoutControlCharacters(text);
        }

        if (text.Length == 0)
        {
            return;
        }

        var (word, rest) = RowText.FirstWord(text);
        if (word is "part" or "tag" && rest.Length > 0)
        {
            StartPart(row, rest, word == "tag");
        }
        else if (word is "order" or "after" or "restart")
        {
            _orderRows.Add((row, text));
        }
        else if (word is "from" or "repeat" && RowKinds.VersionAt(row, text) is { } version)
        {
            _versions.Add(version);
        }
        else if (word == "check")
        {
            ReadCheck(row, rest);
        }
        else if (word == "step" && rest.Contains('='))
        {
            ReadDefinition(row, rest);
        }
        else if (word is "note" or "cue" or "caution" or "trouble")
        {
            ReadNote(row, word, rest);
        }
        else if (_parts.Count > 0 && ReadSpecial(row, word, rest, text, raw))
        {
            return;
        }
        else if (HeaderReader.Knows(word) && HeaderReader.LooksLikeSetting(word, rest))
        {
            var read = HeaderReader.Read(_header, word, rest);
            _header = read.Header;
            _stated.Add(word == "start" && !rest.Contains("weight", StringComparison.OrdinalIgnoreCase) ? "facing" : word);
            if (read.Problem is { } problem)
            {
                _findings.Add(NotationFindings.BadSetting.At(row, problem));
            }
        }
        else
        {
            ReadSteps(row, text, raw);
        }
    }

    private void StartPart(int row, string name, bool isTag)
    {
        var read = RowKinds.PartName(name.TrimEnd(':').Trim(), of => _partNames.Contains(of));
        if (!_partNames.Add(read.Name))
        {
            _findings.Add(NotationFindings.SamePart.At(
                row, $"There is a part called {read.Name} already. Give this one a name of its own; until then only the first can be called."));
        }

        _parts.Add((new DancePart(read.Name, isTag, row, [], read.Times, read.Mirrored, read.VariantOf, read.Label), []));
        (_lastBeat, _lastCounts, _ending, _endingLast) = (null, null, null, null);
    }

    private List<PartEntry> Entries(int row)
    {
        if (_parts.Count == 0)
        {
            _findings.Add(NotationFindings.StepsBeforePart.At(row, "No part has been named yet, so these steps are read as part A."));
            _partNames.Add("A");
            _parts.Add((new DancePart("A", false, row, []), []));
        }

        return _parts[^1].Entries;
    }

    private void ReadSteps(int row, string text, string raw)
    {
        var outcome = CountsReader.TryRead(text, _header.LineCounts, _lastBeat, out var counts, out var length);
        if (outcome == CountsOutcome.Impossible)
        {
            _findings.Add(NotationFindings.ImpossibleCounts.At(
                row,
                $"'{text[..length].Trim()}' cannot be counted: counts go up from 1, no higher than {Beat.Largest}, each later than the one before. Write for instance 1-4, 5&6 or 7.",
                part: _parts.Count > 0 ? _parts[^1].Part.Name : null));
            Entries(row).Add(new UnreadableEntry(row, text));
            return;
        }

        var wording = text[length..].Trim();
        if (counts is not null)
        {
            EndEnding(counts);
            (_lastBeat, _lastCounts) = (counts.Last, counts);
        }

        if (wording.Length == 0)
        {
            _findings.Add(NotationFindings.Unreadable.At(row, "There are counts here but no step. Write the step after them, or 'hold'."));
            Entries(row).Add(new UnreadableEntry(row, text));
            return;
        }

        var column = Math.Max(0, raw.IndexOf(wording, Math.Min(raw.Length, ColumnAfterCounts(raw, text, length)), StringComparison.Ordinal));
        var (steps, layers) = RowText.SplitLayers(wording, _header.LineCounts);
        var (first, rest) = RowText.FirstWord(steps);
        if (first.TrimEnd(',') == "free" && counts is not null && FactReader.TryRead(rest, out var weight, out var facing))
        {
            Entries(row).Add(new FreeEntry(row, counts, weight, facing));
            return;
        }

        var pieces = counts is null ? [(counts, steps, new Text.TextSpan(0, steps.Length))] : CountedPieces.Split(steps, _header.LineCounts, counts);
        for (var i = 0; i < pieces.Count; i++)
        {
            var (own, words, span) = pieces[i];
            Entries(row).Add(new StepEntry(row, own, words, column + span.Start, i == pieces.Count - 1 ? layers : []));
            if (own is not null)
            {
                (_lastBeat, _lastCounts) = (own.Last, own);
            }
        }
    }

    /// <summary>Where a row's wording can begin: behind its counts, so that a digit in them is never taken for it.</summary>
    private static int ColumnAfterCounts(string raw, string text, int length) => Math.Max(0, raw.IndexOf(text, StringComparison.Ordinal)) + length;

    /// <summary>An ending holds for its row and the rows whose counts go on from it.</summary>
    private void EndEnding(CountSpec counts)
    {
        if (_ending is null)
        {
            return;
        }

        if (_endingLast is { } last && counts.First <= last)
        {
            Entries(0).Add(new EndingEntry(0, null));
            (_ending, _endingLast) = (null, null);
            return;
        }

        _endingLast = counts.Last;
    }

    private void ReadCheck(int row, string rest)
    {
        if (_parts.Count > 0 && FactReader.TryRead(rest, out var weight, out var facing) && (weight is not null || facing is not null))
        {
            Entries(row).Add(new CheckEntry(row, weight, facing));
            return;
        }

        _findings.Add(NotationFindings.BadFact.At(
            row, $"'check {rest}' cannot be read. Write what should be so after the row above: 'check weight R facing 6'."));
    }

    private void ReadDefinition(int row, string rest)
    {
        var equals = rest.IndexOf('=');
        var name = rest[..equals].Trim().ToLowerInvariant();
        var meaning = rest[(equals + 1)..].Trim();
        if (name.Length == 0 || meaning.Length == 0)
        {
            _findings.Add(NotationFindings.BadDefinition.At(row, "Write the step's name, '=', and what it is made of: 'step rope walk = step R across, step L across'."));
            return;
        }

        if (!_definedNames.Add(name))
        {
            _findings.Add(NotationFindings.SameDefinition.At(row, $"'{name}' is defined twice; the first one counts."));
            return;
        }

        _definitions.Add(new StepDefinition(name, meaning, row));
    }

    private void ReadCall(CallReader reader, int row, string text)
    {
        var (word, rest) = RowText.FirstWord(text);
        switch (word)
        {
            case "order":
                var order = reader.ReadOrder(row, rest);
                _order.AddRange(order.Calls);
                _orderLoops |= order.Loops;
                _orderFree |= order.IsFree;
                break;
            case "after" when reader.ReadTag(row, rest) is { } tag:
                _tags.Add(tag);
                break;
            case "restart" when reader.ReadRestart(row, rest) is { } restart:
                _restarts.Add(restart);
                break;
        }
    }
}
