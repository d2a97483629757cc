using System.Globalization;
using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Text;

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
    private readonly List<OrderChange> _changes = [];
    private readonly List<PartOnPassage> _meetings = [];
    private FinishChange? _finish;
    private readonly List<StepDefinition> _definitions = [];
    private readonly List<(int Row, string Text)> _orderRows = [];
    private bool _orderLoops;
    private bool _orderFree;
    private DanceHeader _header = new();
    private Beat? _lastBeat;
    private CountSpec? _lastCounts;
    private int? _ending;
    private Beat? _endingLast;

    /// <summary>Rows that are read, those without words left out, and letters of one row. No dance that is danced is longer.</summary>
    public const int MostRows = 5_000, LongestRow = 2_000;

    /// <summary>Parts and tags that are read; an order cannot call more.</summary>
    public const int MostParts = 240;

    private ScriptReader(string script) => (_rows, _breaks) = RowText.SplitRows(script);

    public static Dance Read(string script) => WhileWaited(script, CancellationToken.None);

    /// <summary>The same as long as somebody waits for it; then it ends with <see cref="OperationCanceledException"/>.</summary>
    public static Dance WhileWaited(string script, CancellationToken cancel) => new ScriptReader(script).ReadAll(cancel);

    private Dance ReadAll(CancellationToken cancel)
    {
        var read = 0;
        for (var i = 0; i < _rows.Length; i++)
        {
            cancel.ThrowIfCancellationRequested();
            if (RowText.Content(_rows[i]).Length > 0 && ++read > MostRows)
            {
                _findings.Add(NotationFindings.TooMuch.At(
                    i + 1,
                    string.Create(
                        CultureInfo.InvariantCulture,
                        $"{MostRows:N0} rows are read; this one and what is behind it are not. Part it into several dances, or write "
                            + $"what repeats once and call it in an order.")));
                break;
            }

            ReadRow(i + 1, _rows[i]);
            if (_parts.Count > MostParts)
            {
                _parts.RemoveAt(MostParts);
                _findings.Add(NotationFindings.TooMuch.At(
                    i + 1,
                    string.Create(
                        CultureInfo.InvariantCulture,
                        $"A dance may have {MostParts:N0} parts and tags; this one and what is behind it are not read. Part it into "
                            + $"several dances, or call what repeats in an order.")));
                break;
            }
        }

        var callReader = new CallReader(_parts.ConvertAll(p => (p.Part.Name, p.Part.IsTag)), _findings);
        foreach (var (row, text) in _orderRows)
        {
            ReadCall(callReader, row, text);
        }

        // A dance that waits for its title has just been opened: nothing is wrong with it yet.
        if (_parts.TrueForAll(p => !p.Entries.Exists(e => e is not NoteEntry))
            && !(_parts.Count > 0 && Array.Exists(_rows, r => r.Trim() == "title")))
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
            OrderChanges = _changes,
            Meetings = _meetings,
            Finish = _finish,
            Definitions = _definitions,
            Rows = _rows,
            Breaks = _breaks,
            Findings = _findings,
        };
    }

    private void ReadRow(int row, string raw)
    {
        var text = RowText.Plain(raw);
        var content = RowText.Content(text);
        if (RowText.HasControlCharacters(RowText.WithoutComment(raw)))
        {
            _findings.Add(NotationFindings.OddCharacter.At(row, "This row holds a character that does not print; it is read as a space."));
        }

        if (content.Length == 0)
        {
            return;
        }

        // Talk that is kept as a note may be as long as it is.
        if (content.Length > LongestRow && RowText.FirstWord(content.In(text)).Word != "note")
        {
            _findings.Add(NotationFindings.TooMuch.At(
                row,
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"This row has {content.Length:N0} letters; one of more than {LongestRow:N0} is not read. Write each step on a row "
                        + $"of its own.")));
            return;
        }

        var said = content.In(text);
        var opened = RowKinds.Open(said, _parts.Count > 0);
        var at = opened.Rest.From(content.Start);
        var rest = at.In(text);
        switch (opened.Kind.Sort)
        {
            case RowSort.Part:
                StartPart(row, rest[..PlusAt(rest)].TrimEnd(), opened.Word == "tag");
                AddLayersBehind(row, text, at);
                break;
            case RowSort.Call or RowSort.Meeting:
                _orderRows.Add((row, said));
                break;
            case RowSort.Change:
                _changes.Add(RowOpeners.Change(row, said)!);
                break;
            case RowSort.Finish:
                _finish = RowOpeners.Finish(row, said);
                break;
            case RowSort.Version:
                _versions.Add(RowOpeners.VersionAt(row, said)!);
                break;
            case RowSort.Check:
                ReadCheck(row, rest);
                break;
            case RowSort.Definition:
                ReadDefinition(row, rest);
                break;
            case RowSort.Note:
                ReadNote(row, opened.Word, text, at);
                break;
            case RowSort.Layers:
                AddLayers(row, text, at);
                break;
            case RowSort.Parked:
                Park(row, text, at);
                break;
            case RowSort.Line:
                Entries(row).Add(RowOpeners.Line(row, rest[..PlusAt(rest)].TrimEnd()));
                CheckTimes(row, rest[..PlusAt(rest)].TrimEnd());
                AddLayersBehind(row, text, at);
                _lastBeat = null;
                break;
            case RowSort.Again:
                Entries(row).Add(RowOpeners.Again(row, said)!);
                CheckTimes(row, said);
                _lastBeat = null;
                break;
            case RowSort.Ending:
                ReadEnding(row, RowOpeners.Ending(said)!.Value.Time, text, at);
                break;
            case RowSort.Variant:
                ReadVariant(row, RowOpeners.Variant(said)!.Value.Label, text, at);
                break;
            case RowSort.Setting when opened.Word == "counting" && HeaderReader.CountingOf(rest) is { } style && HeadingAbove() is { } lies:
                Entries(row).Add(new CountingEntry(row, style, lies));
                break;
            case RowSort.Setting:
                ReadSetting(row, opened.Word, rest);
                break;
            default:
                ReadSteps(row, text, at);
                break;
        }
    }

    /// <summary>"line out + hips sway", "part A + arms loose": where the layer begins; the text's end where there is none.</summary>
    private static int PlusAt(string rest) => rest.IndexOf(" +", StringComparison.Ordinal) is > 0 and var at ? at : rest.Length;

    private void AddLayersBehind(int row, string text, TextSpan at)
    {
        if (PlusAt(at.In(text)) is var plus && plus < at.Length)
        {
            AddLayers(row, text, new TextSpan(at.Start + plus + 1, at.Length - plus - 1));
        }
    }

    /// <summary>Under the name of a line or a part a layer lies on all of it, else on the row above.</summary>
    private void AddLayers(int row, string text, TextSpan at)
    {
        var entries = Entries(row);
        entries.Add(new LayerEntry(row, RowParts.Read(text, at, _header.LineCounts, null).LayerTexts, HeadingAbove() ?? LayerSpan.Row));
    }

    /// <summary>
    /// Whether the row stands directly under the name of a part or a line, other such rows between; null where steps stand above.
    /// </summary>
    private LayerSpan? HeadingAbove() => _parts.Count == 0 ? null : _parts[^1].Entries is not [.., var last] ? LayerSpan.Part : last switch
    {
        LineEntry => LayerSpan.Line,
        LayerEntry { Lies: not LayerSpan.Row } layer => layer.Lies,
        CountingEntry counting => counting.Lies,
        _ => null,
    };

    private void ReadSetting(int row, string word, string rest)
    {
        var read = HeaderReader.Read(_header, word, rest);
        // A line's length may change from part to part, and what was changed is a list.
        if (!_stated.Add(word == "start" && !rest.Contains("weight", StringComparison.OrdinalIgnoreCase) ? "facing" : word)
            && word is not ("line" or "changed")
            && read.Header != _header)
        {
            _findings.Add(NotationFindings.SettingTwice.At(
                row,
                $"Another '{word}' stands above; the last one counts, this one. Take one of the two out."));
        }

        _header = read.Header;
        if (read.Problem is { } problem)
        {
            _findings.Add(NotationFindings.BadSetting.At(row, problem));
        }
    }

    private void CheckTimes(int row, string text)
    {
        if (RowOpeners.TimesProblem(text) is { } problem)
        {
            _findings.Add(NotationFindings.ImpossibleCounts.At(row, problem));
        }
    }

    private void StartPart(int row, string name, bool isTag)
    {
        CheckTimes(row, name.TrimEnd(':').Trim());
        var read = RowOpeners.PartName(name.TrimEnd(':').Trim(), of => _partNames.Contains(of));
        if (!_partNames.Add(read.Name))
        {
            _findings.Add(NotationFindings.SamePart.At(
                row,
                $"There is a part called {read.Name} already. Give this one a name of its own; until then only the first can be called."));
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

    /// <param name="at">The columns of counts and steps.</param>
    private void ReadSteps(int row, string text, TextSpan at)
    {
        var read = RowParts.Read(text, at, _header.LineCounts, _lastBeat);
        if (read.Outcome == CountsOutcome.Impossible)
        {
            _findings.Add(NotationFindings.ImpossibleCounts.At(
                row,
                $"'{read.CountsAt.In(text).Trim()}' cannot be counted: counts go up from 1, no higher than {Beat.Largest}, each later "
                    + "than the one before. Write for instance 1-4, 5&6 or 7.",
                part: _parts.Count > 0 ? _parts[^1].Part.Name : null));
            Entries(row).Add(new UnreadableEntry(row, at.In(text)));
            return;
        }

        if (read.Counts is { } counts)
        {
            EndEnding(counts);
            (_lastBeat, _lastCounts) = (counts.Last, counts);
        }

        if (read.Words.Length == 0)
        {
            _findings.Add(NotationFindings.Unreadable.At(row, "There are counts here but no step. Write the step after them, or 'hold'."));
            Entries(row).Add(new UnreadableEntry(row, at.In(text)));
            return;
        }

        if (read.Steps is [{ Counts: { } free } only]
            && RowText.FirstWord(only.Wording) is var (first, rest)
            && first.TrimEnd(',') == "free"
            && FactReader.TryRead(rest, out var weight, out var facing))
        {
            Entries(row).Add(new FreeEntry(row, free, weight, facing));
            return;
        }

        // Layers alone lie on counts in which the feet rest.
        IReadOnlyList<CountedPiece> steps = read.Steps.Count > 0
            ? read.Steps
            : [new CountedPiece(read.Counts, default, "hold", read.Words with { Length = 0 })];
        for (var i = 0; i < steps.Count; i++)
        {
            Entries(row).Add(new StepEntry(
                row,
                steps[i].Counts,
                steps[i].Wording,
                steps[i].Span.Start,
                i == steps.Count - 1 ? read.LayerTexts : []));
            if (steps[i].Counts is { } own)
            {
                (_lastBeat, _lastCounts) = (own.Last, own);
            }
        }
    }

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
            _findings.Add(NotationFindings.BadDefinition.At(
                row,
                "Write the step's name, '=', and what it is made of: 'step rope walk = step R across, step L across'."));
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
                if (_restarts.Find(r => r.Repeat == restart.Repeat) is { } first && first.AfterCount != restart.AfterCount)
                {
                    _findings.Add(NotationFindings.BadException.At(
                        row,
                        $"Repeat {first.Repeat} is cut after {first.AfterCount} counts already, by row {first.Row}, and that counts. "
                            + "Take one of the two out."));
                }

                _restarts.Add(restart);
                break;
            case "order" or "after" or "restart":
                break;
            default:
                var meeting = RowOpeners.Meeting(row, text)!;
                if (reader.Knows(row, text, meeting.Part))
                {
                    _meetings.Add(meeting);
                }

                break;
        }
    }
}
