using FondCompass.Core.Actions;
using FondCompass.Core.Calling.Phrases;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Notation;
using FondCompass.Core.Runs;
using FondCompass.Core.Steps;
using FondCompass.Core.Wording;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Boards;

/// <summary>
/// All the call board shows, with its moments in seconds of the song at full rate; only what can be said depends on the rate.
/// </summary>
public sealed partial record BoardTimeline(
    int RatePercent, double Bpm, double End, string FirstWall, IReadOnlyList<BoardClick> Clicks, IReadOnlyList<BoardStep> Steps,
    IReadOnlyList<BoardSay> Says, IReadOnlyList<BoardMark> Marks, IReadOnlyList<BoardEvent> Events, IReadOnlyList<BoardParts> Parts)
{
    /// <summary>It is danced in a ring, beside which no clock stands.</summary>
    public bool IsRing { get; init; }

    /// <summary>
    /// Its words for the ways of the room, for a class that faces otherwise than it is written; none in a ring, which has no walls.
    /// </summary>
    public IReadOnlyList<TurnedWords> Turned { get; init; } = [];

    /// <summary>Quarter turns, fewer than the whole.</summary>
    private const int Quarters = 4;

    /// <summary>Steps, notes and layers that are shown in all; a hundred repeats of a long dance have as many.</summary>
    private const int MostMoments = 40_000;

    /// <summary>Counts ahead that a tag or a restart is told, another part or the top, and what arms and cautions a step brings.</summary>
    private const int AheadOfChange = 16, AheadOfPart = 8, AheadOfMark = 2;

    /// <param name="rate">Share of full tempo at which it is taught.</param>
    /// <param name="lexicon">The steps known, for their cues; the shipped ones when left out.</param>
    public static BoardTimeline Build(
        Analysis analysis,
        DanceRun run,
        double rate,
        int repeats,
        StepLexicon? lexicon = null,
        BoardCalls? calls = null) =>
        Build(new BlockRun(run, [run.Start], analysis.Dance.Header.CountIn, repeats, 1), rate, lexicon, calls);

    /// <summary>One pass of a block.</summary>
    /// <param name="calls">How it is called and counted; by names, and as the dance says, when left out.</param>
    public static BoardTimeline Build(BlockRun block, double rate, StepLexicon? lexicon = null, BoardCalls? calls = null)
    {
        var (run, repeats) = (block.Run, ShownOf(block));
        var header = run.Trace.Dance.Header;
        var style = calls?.Counting ?? header.CountStyle;
        var time = run.Song.Time;
        var first = run.Start;
        var stretches = run.Stretches.TakeWhile(s => s.Repeat <= repeats).ToList();
        var opening = stretches.Count > 0 ? WallOf(run, stretches[0]) : "";
        var clicks = block.Starts.SelectMany(start => CountIn(
            header,
            style,
            start,
            block.CountIn,
            time,
            stretches.Find(s => s.FromCount >= start) is { } next ? WallOf(run, next) : opening))
            .ToList();
        var actions = RunTimeline.ActionsOf(run, repeats);
        var halves = actions.Where(a => !double.IsInteger(Math.Round(a.SongCount, 6)))
            .GroupBy(a => Math.Round(a.SongCount, 6))
            .ToDictionary(g => g.Key, g => g.First());
        clicks.AddRange(block.IsSong ? IntroOf(first, block.CountIn, time, opening) : []);
        foreach (var stretch in stretches)
        {
            clicks.AddRange(ClicksOf(run, stretch, LabelsOf(calls?.Counting, header.CountStyle, actions), halves, WallOf(run, stretch)));
        }

        var notes = RunTimeline.Notes(run, repeats);
        var settings = SettingsOf(block, rate, repeats, calls ?? BoardCalls.Usual);
        var end = stretches.Count > 0 ? stretches[^1].ToCount : first;
        return new BoardTimeline(
            (int)Math.Round(rate * 100),
            time.BpmAt(first) * rate,
            block.IsSong ? run.Song.Seconds : time.SecondsAt(end),
            opening,
            [.. clicks.OrderBy(c => c.At)],
            StepsOf(header, actions), SaysOf(run, settings, lexicon ?? StepLexicon.Shipped),
            [.. notes.Where(n => n.Kind != "cue" && LayerCalls.IsDanced(n, settings))
                .Select(n => new BoardMark(time.SecondsAt(n.SongCount.After(-AheadOfMark)), n.Seconds, n.Until, n.Kind, n.Text))],
            [.. EventsOf(run, stretches, repeats).Concat(EndOf(block, repeats, time, end)).OrderBy(e => e.At)],
            PartsOf(run, actions, lexicon ?? StepLexicon.Shipped))
        {
            IsRing = FacingWords.IsRing(header),
            Turned = FacingWords.IsRing(header) ? [] : [.. WallsTurned(run, stretches), .. FacingsTurned(header)]
        };
    }

    private static IEnumerable<TurnedWords> WallsTurned(DanceRun run, IEnumerable<RunStretch> stretches) =>
        stretches.Where(s => !s.IsTag)
            .DistinctBy(s => WallOf(run, s))
            .Select(s => new TurnedWords(WallOf(run, s), Turn(turn => WallOf(run, s, turn))));

    private static IEnumerable<TurnedWords> FacingsTurned(DanceHeader header) =>
        Enumerable.Range(0, Eighths.Full)
            .Select(i => new Facing(i))
            .Select(f => new TurnedWords(FacingWords.Say(header, f), Turn(turn => FacingWords.Say(header, f + turn))));

    /// <summary>The same words by one quarter to the right, by two and by three.</summary>
    private static IReadOnlyList<string> Turn(Func<Eighths, string> words) =>
        [.. Enumerable.Range(1, Quarters - 1).Select(q => words(new Eighths(q * Eighths.Full / Quarters)))];

    /// <summary>
    /// Repeats that are shown: those wished for, as long as all that happens in them is not more than the board can show.
    /// </summary>
    private static int ShownOf(BlockRun block)
    {
        var moments = 0L;
        foreach (var stretch in block.Run.Stretches.TakeWhile(s => s.Repeat <= block.Repeats))
        {
            var pattern = stretch.Stretch.Pattern;
            moments += pattern.Steps.Count + pattern.Part.Notes.Count + pattern.Part.Layers.Count + pattern.Part.Variants.Count;
            if (moments > MostMoments && stretch.Repeat > 1)
            {
                return stretch.Repeat - 1;
            }
        }

        return block.Repeats;
    }

    /// <summary>Where the board ends before the block does, it says so.</summary>
    private static IEnumerable<BoardEvent> EndOf(BlockRun block, int shown, TimeMap time, int end) => shown == block.Repeats ? []
        : [
            new BoardEvent(
                time.SecondsAt(new SongCount(end).After(-AheadOfChange)),
                time.SecondsAt(end),
                BoardTexts.BoardEndsHere(shown, block.Repeats))
        ];

    /// <summary>
    /// The counts that lead to a start, at the tempo it begins with; before a song's first count where it begins with it.
    /// </summary>
    private static IEnumerable<BoardClick> CountIn(DanceHeader header, CountStyle style, int start, int counts, TimeMap time, string wall)
    {
        var beat = 60 / time.BpmAt(start);
        return Enumerable.Range(0, counts)
            .Select(i => new BoardClick(
                time.SecondsAt(start) - ((counts - i) * beat),
                SpokenCounts.InLabel(header, style, i, counts),
                true,
                false,
                false,
                0,
                "",
                wall));
    }

    /// <summary>The counts of a song before the class is counted in: how many are still to wait, shown and not clicked.</summary>
    private static IEnumerable<BoardClick> IntroOf(int start, int countIn, TimeMap time, string wall) =>
        Enumerable.Range(0, Math.Max(0, start - countIn))
            .Select(at => new BoardClick(
                time.SecondsAt(at),
                (start - at).ToString(System.Globalization.CultureInfo.InvariantCulture),
                true,
                false,
                true,
                0,
                BoardTexts.WaitThroughIntro,
                wall));

    private static string WallOf(DanceRun run, RunStretch stretch, Eighths turned = default) =>
        stretch.IsTag ? stretch.Called
        : run.WallOf(run.Repeats[stretch.Repeat - 1], turned) is { Wall: { } wall, Of: > 1 and var walls } ? BoardTexts.WallOf(wall, walls)
        : FacingWords.IsRing(run.Trace.Dance.Header) ? "" : BoardTexts.ToWall($"{stretch.StartFacing + turned}");

    /// <summary>
    /// What is counted aloud on a count of a line: up or down; the step's name where one begins, or slow and quick, and the number where
    /// nothing begins.
    /// </summary>
    /// <param name="wanted">How the lesson counts; as the line or the dance says when null.</param>
    private static Func<DanceLine, double, int, string> LabelsOf(CountStyle? wanted, CountStyle usual, IReadOnlyList<RunAction> actions)
    {
        var (names, rhythm) = (new Lazy<Dictionary<int, string>>(() => SpokenCounts.Words(
            CountStyle.Names,
            actions)), new Lazy<Dictionary<int, string>>(() => SpokenCounts.Words(CountStyle.Rhythm, actions)));
        return (line, at, count) => (wanted ?? line.Counting ?? usual) is var style
            && (style == CountStyle.Names ? names
                : style == CountStyle.Rhythm ? rhythm
                : null)?.Value.GetValueOrDefault((int)Math.Round(at)) is { } word
            ? word : SpokenCounts.Label(style, count, line.Counts);
    }
}
