using FondCompass.Core.Findings;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation.Counting;
using FondCompass.Core.Notation.Rows;
using FondCompass.Core.Wording.Texts.Dances;

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
                    NotationTexts.TooManyRows(MostRows)));
                break;
            }

            ReadRow(i + 1, _rows[i]);
            if (_parts.Count > MostParts)
            {
                _parts.RemoveAt(MostParts);
                _findings.Add(NotationFindings.TooMuch.At(
                    i + 1,
                    NotationTexts.TooManyParts(MostParts)));
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
                NotationTexts.NoStepsYet));
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
            _findings.Add(NotationFindings.OddCharacter.At(row, NotationTexts.ControlCharacter));
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
                NotationTexts.RowTooLong(content.Length, LongestRow)));
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
                NotationTexts.SettingSaidTwice(word)));
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
}
