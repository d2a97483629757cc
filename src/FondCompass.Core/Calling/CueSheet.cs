using FondCompass.Core.Calling.Phrases;
using FondCompass.Core.Measures;
using FondCompass.Core.Runs;
using FondCompass.Core.Steps;

namespace FondCompass.Core.Calling;

/// <summary>
/// All that is said over a run (calls, sections 1 to 3): what changes within the eight before, own cues always, names before their phrases,
/// sides
/// that mean ways, and the beat in what that leaves free. Board, class window, sheet and the API read this one timetable.
/// </summary>
public sealed partial class CueSheet
{
    /// <summary>Counts before its phrase that a call may begin where its words are long.</summary>
    private const double LongLead = 4;

    /// <summary>Counts before it comes that a structural change is told where nothing stands in the way.</summary>
    private const double ChangeLead = 4;

    private readonly DanceRun _run;
    private readonly CallSettings _settings;
    private readonly List<RunStretch> _stretches;
    private readonly List<CallPhrase> _phrases = [];
    private readonly List<Entry> _entries = [];
    private readonly PhraseWorth _worth;
    private readonly CountIns _countIns;
    private readonly LayerCalls _layers;

    /// <summary>Where a stretch's first movement sounds, by the song count at which it begins.</summary>
    private readonly Dictionary<int, double> _begins = [];
    private readonly int _eight;

    /// <summary>What an item of the timetable is about.</summary>
    /// <param name="Best">What would be said with all the time there is; empty where silence is best.</param>
    private sealed record Entry(
        CallItem Item,
        RunStretch Stretch,
        int Line,
        string Count,
        string Step,
        double From,
        double To,
        string Why,
        string Best,
        bool IsMissed)
    {
        /// <summary>The kind of a layer; empty for what the feet do.</summary>
        public string Layer { get; init; } = "";
    }

    private readonly StepLexicon _lexicon;
    private readonly CallTongue _tongue;
    private readonly CallWords _words;
    private readonly Speech _speech;

    private CueSheet(DanceRun run, CallSettings settings, StepLexicon lexicon)
    {
        _lexicon = lexicon;
        _tongue = settings.Tongue ?? CallTongue.For(run.Trace.Dance, lexicon);
        _words = new CallWords(_tongue);
        _speech = settings.Speech ?? new Speech(_tongue.Rate);
        _run = run;
        _settings = settings;
        _stretches = [.. run.Stretches.TakeWhile(s => s.Repeat <= settings.Repeats)];
        _countIns = new CountIns(run, settings);
        _layers = new LayerCalls(settings);
        _eight = run.Trace.Dance.Header.LineCounts;
        _worth = new PhraseWorth(settings, !run.Trace.Dance.IsPhrased);
    }

    /// <param name="run">What is danced, over its song.</param>
    /// <param name="settings">How it is called.</param>
    /// <param name="lexicon">The steps known; the shipped ones when left out.</param>
    /// <param name="cancel">Ends it where nobody waits any more.</param>
    /// <returns>In order of time.</returns>
    public static IReadOnlyList<SheetCue> Write(
        DanceRun run,
        CallSettings settings,
        StepLexicon? lexicon = null,
        CancellationToken cancel = default) =>
        new CueSheet(run, settings, lexicon ?? StepLexicon.Shipped).Cues(cancel);

    private double Deadline(double from) => Time(_countIns.Deadline(from));

    private double Begins(double from, double lead) => Time(_countIns.Earliest(from, lead));

    private double Time(double count) => _run.Song.Time.SecondsAt(new SongCount(count));

    private double Takes(string words) => Takes(Speech.Syllables(words));

    private double Takes(int syllables) => _speech.Seconds(syllables) * _settings.Rate.Share;

    private IReadOnlyList<SheetCue> Cues(CancellationToken cancel)
    {
        var cutter = new PhraseCutter(_run.Trace.Dance.Header, _lexicon, _tongue);
        foreach (var (stretch, actions) in RunTimeline.ByStretch(_run, _stretches))
        {
            cancel.ThrowIfCancellationRequested();
            AddStretch(stretch, cutter.Cut(stretch, actions));
        }

        foreach (var change in _settings.Rule == CallRule.CountsOnly ? [] : new RunChanges(_tongue).Of(_run, _stretches))
        {
            AddChange(change);
        }

        // What begins with a pick-up is called behind what tells of it.
        var entries = _entries.OrderBy(e => Math.Max(e.From, e.Item.AheadFrom is null ? e.Stretch.FromCount : 0))
            .ThenBy(e => e.Item.AheadFrom is null)
            .ThenBy(e => e.Line == 0 ? 0 : e.Layer.Length == 0 ? 1 : 2)
            .ToList();
        var (laid, said) = LayerCalls.SaidOnce(
            entries,
            e => e.Layer.Length > 0 ? e.Best : "",
            some => Timetable.Fill([.. some.Select(e => e.Item)], cancel));
        var calls = Told(laid, said);
        var beat = _settings.Rule == CallRule.ChangesOnly || !_settings.WithBeat
            ? []
            : new BeatTrack(
                _run,
                _settings,
                _speech,
                _stretches,
                _phrases).Between([.. calls.Where(c => c.Words.Length > 0).OrderBy(c => c.At)]);
        return [.. calls.Concat(beat).OrderBy(c => c.At).ThenBy(c => c.Until).ThenBy(c => c.StepAt)];
    }

    private readonly Dictionary<string, (string First, string Last)> _met = new(StringComparer.OrdinalIgnoreCase);
}
