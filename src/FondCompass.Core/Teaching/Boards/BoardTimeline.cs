using FondCompass.Core.Actions;
using FondCompass.Core.Calling;
using FondCompass.Core.Calling.Phrases;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Notation;
using FondCompass.Core.Runs;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording;

namespace FondCompass.Core.Teaching.Boards;

/// <summary>One click of the call board.</summary>
/// <param name="At">Seconds of the song at full rate; the count-in may lie before its count 0.</param>
/// <param name="Label">What is counted: 1 to 8 or down from it, the name of a step that begins, an "&amp;" on which a step moves, or the
/// count-in's words.</param>
/// <param name="IsHalf">Between two counts: shown, and not clicked.</param>
/// <param name="Where">The part as it is called, and the line by its name or number.</param>
/// <param name="Wall">"wall 2 of 4"; in a tag the tag's name, off the walls the way everybody faces.</param>
/// <param name="Part">The part that is danced; empty in a count-in.</param>
/// <param name="Line">Its line, from 1, and the count in it, from 1; 0 in a count-in.</param>
public sealed record BoardClick(
    double At,
    string Label,
    bool IsCountIn,
    bool IsFirst,
    bool IsHalf,
    int Repeat,
    string Where,
    string Wall,
    string Part = "",
    int Line = 0,
    int Count = 0);

/// <summary>One step called on the board.</summary>
/// <param name="Name">As the instructor calls it, with its way and its turn; the foot stands apart.</param>
/// <param name="Foot">The foot that moves, L or R; empty where no single foot does.</param>
/// <param name="Starts">A step begins; else it goes on with another foot.</param>
/// <param name="Deed">What this one action is, for who walks it: "step behind".</param>
/// <param name="Step">Where a step begins, the name by which its parts are found; else empty.</param>
public sealed record BoardStep(
    double At,
    bool Starts,
    string Name,
    string Foot,
    string Free,
    string Facing,
    int Degrees,
    string Deed,
    string Step);

/// <summary>How a step goes, one level at a time.</summary>
public sealed record BoardParts(string Step, IReadOnlyList<StepPart> Parts);

/// <summary>Words to be said.</summary>
/// <param name="At">When they begin.</param>
/// <param name="Until">When they have been said.</param>
/// <param name="For">The moment they are for.</param>
/// <param name="Layer">Of what arms, hips or head do, its kind: it is not said where that level is left out; else empty.</param>
public sealed record BoardSay(double At, double Until, double For, string Words, bool IsOwn, string Layer);

/// <summary>How a block is called and counted.</summary>
/// <param name="Counting">As the dance says when null.</param>
public sealed record BoardCalls(CountStyle? Counting = null, CallerWay Way = CallerWay.Names, CallRule Rule = CallRule.All)
{
    public static readonly BoardCalls Usual = new();

    /// <summary>How a block of a lesson is called: by its own rule, with what is danced in it and what has been called before.</summary>
    public static BoardCalls For(LessonBlock block, CountStyle? counting, CallerWay way) =>
        new(counting, way, block.Rule) { FeetOnly = block.FeetOnly, Layers = block.Layers, Heard = block.Heard };

    /// <summary>Parts that are danced without arms, hips and the like.</summary>
    public IReadOnlyList<string> FeetOnly { get; init; } = [];

    /// <summary>The kinds of layers that are danced; all when null.</summary>
    public IReadOnlyList<LayerKind>? Layers { get; init; }

    /// <summary>How often each name was called in its place in blocks before.</summary>
    public HeardNames Heard { get; init; } = HeardNames.None;
}

/// <summary>What stands on the board for a while: what arms, hips or head do, a caution, a trouble spot, a note.</summary>
/// <param name="From">It is shown from here, well before it is danced.</param>
public sealed record BoardMark(double From, double At, double Until, string Kind, string Words);

/// <summary>Something that comes, told ahead: a tag, a restart, another part, a pause.</summary>
/// <param name="From">From when it is told.</param>
public sealed record BoardEvent(double From, double At, string Words);

/// <summary>
/// All the call board shows, with its moments in seconds of the song at full rate; only what can be said depends on the rate.
/// </summary>
public sealed record BoardTimeline(
    int RatePercent, double Bpm, double End, string FirstWall, IReadOnlyList<BoardClick> Clicks, IReadOnlyList<BoardStep> Steps,
    IReadOnlyList<BoardSay> Says, IReadOnlyList<BoardMark> Marks, IReadOnlyList<BoardEvent> Events, IReadOnlyList<BoardParts> Parts)
{
    /// <summary>It is danced in a ring, beside which no clock stands.</summary>
    public bool IsRing { get; init; }

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
        { IsRing = FacingWords.IsRing(header) };
    }

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
                $"the board ends here: no more than {shown} of the {block.Repeats} repeats can be shown")
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
                "wait through the intro",
                wall));

    private static string WallOf(DanceRun run, RunStretch stretch) =>
        stretch.IsTag ? stretch.Called
        : run.WallOf(run.Repeats[stretch.Repeat - 1]) is { Wall: { } wall, Of: > 1 and var walls } ? $"wall {wall} of {walls}"
        : FacingWords.IsRing(run.Trace.Dance.Header) ? "" : $"to {stretch.StartFacing}";

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

    private static IEnumerable<BoardClick> ClicksOf(
        DanceRun run,
        RunStretch stretch,
        Func<DanceLine, double, int, string> counted,
        Dictionary<double, RunAction> halves,
        string wall)
    {
        var part = stretch.Stretch.Pattern.Part;
        var name = stretch.Called;
        foreach (var line in part.Lines)
        {
            for (var i = 0; i < line.Counts; i++)
            {
                var count = (line.Start.Value / Tick.PerCount) + i;
                if (count < stretch.Stretch.From || count >= stretch.Stretch.To)
                {
                    continue;
                }

                var at = stretch.FromCount - stretch.Stretch.From + count;
                var where = run.Trace.Dance.IsPhrased || stretch.IsTag
                    ? $"{name} · {PartWording.Name(line)}"
                    : $"repeat {stretch.Repeat}, {PartWording.Name(part, line, several: true)}";
                yield return new BoardClick(
                    run.Song.Time.SecondsAt(at),
                    counted(line, at, i + 1),
                    false,
                    i == 0,
                    false,
                    stretch.Repeat,
                    where,
                    wall,
                    stretch.Part,
                    line.Number,
                    i + 1);
                foreach (var share in Shares)
                {
                    if (halves.TryGetValue(Math.Round(at + share.Part, 6), out var moved) && moved.Repeat == stretch.Repeat)
                    {
                        yield return new BoardClick(
                            moved.Seconds,
                            share.Letter,
                            false,
                            false,
                            true,
                            stretch.Repeat,
                            where,
                            wall,
                            stretch.Part,
                            line.Number,
                            i + 1);
                    }
                }
            }
        }
    }

    private static readonly (double Part, string Letter)[] Shares = [(0.25, "e"), (0.5, "&"), (2 / 3.0, "&"), (0.75, "a")];

    private static List<BoardStep> StepsOf(DanceHeader header, IReadOnlyList<RunAction> actions)
    {
        var steps = new List<BoardStep>();
        foreach (var action in actions)
        {
            // The free foot and the facing follow every action; the name stays until the next call.
            var name = action.Wording?.Called ?? (steps.Count > 0 ? steps[^1].Name : "");
            var foot = action.Foot.IsSingle() ? action.Foot.Letter() : "";
            steps.Add(new BoardStep(
                action.Seconds,
                action.Wording is not null,
                name,
                action.Wording is { Letter.Length: > 0 } own ? own.Letter : foot,
                action.Weight.FreeFoot() is var free && free.IsSingle() ? free.Letter() : "",
                FacingWords.Say(header, action.Facing),
                action.Facing.Degrees,
                action.Deed,
                action.Wording is null ? "" : action.Step));
        }

        return steps;
    }

    private static List<BoardParts> PartsOf(DanceRun run, IReadOnlyList<RunAction> actions, StepLexicon lexicon)
    {
        var parts = new StepParts(run.Trace.Dance, lexicon);
        return [.. actions.Where(a => a.Wording is not null)
            .Select(a => a.Step)
            .Distinct()
            .Select(s => new BoardParts(s, parts.Of(s)))
            .Where(p => p.Parts.Count > 0)];
    }

    private static CallSettings SettingsOf(BlockRun block, double rate, int repeats, BoardCalls calls) =>
        new(new Rate(rate * 100), Speech.DefaultLead, repeats)
        {
            Way = calls.Way,
            Rule = calls.Rule,
            Counting = calls.Counting,
            FeetOnly = calls.FeetOnly,
            Layers = calls.Layers,
            Heard = calls.Heard,
            Starts = block.Starts,
            CountIn = block.Starts.Count > 0 ? block.CountIn : 0,
            WithBeat = false,
        };

    private static List<BoardSay> SaysOf(DanceRun run, CallSettings settings, StepLexicon lexicon) =>
        settings.Rule == CallRule.CountsOnly ? []
        : [.. CueSheet.Write(run, settings, lexicon)
            .Where(c => c.Words.Length > 0 && !c.IsBeat)
            .Select(c => new BoardSay(c.At, c.Until, c.StepAt, c.Words, c.IsOwn, c.Layer))];

    private static IEnumerable<BoardEvent> EventsOf(DanceRun run, List<RunStretch> stretches, int repeats)
    {
        var time = run.Song.Time;
        string Facing(Facing facing) => $"facing {FacingWords.Say(run.Trace.Dance.Header, facing)}";
        BoardEvent Event(SongCount count, int ahead, string words) =>
            new(time.SecondsAt(count.After(-ahead)), time.SecondsAt(count), words);
        foreach (var happens in run.Events.Where(e => e.Kind != RunEventKind.Ending && e.AfterRepeat <= repeats))
        {
            var tag = run.Stretches.FirstOrDefault(s => s.IsTag && s.FromCount == happens.AtCount);
            yield return Event(
                happens.AtCount,
                AheadOfChange,
                happens.Kind == RunEventKind.Tag
                    ? $"{tag?.Called ?? "tag"}, {Facing(happens.Facing)}"
                    : $"restart from the top, {Facing(happens.Facing)}");
        }

        var told = run.Events.Where(e => e.Kind == RunEventKind.Restart).Select(e => e.AtCount).ToHashSet();
        foreach (var (before, next) in stretches.Zip(stretches.Skip(1)))
        {
            if (next.IsTag || told.Contains(next.FromCount))
            {
                continue;
            }

            var words = run.IsExcerpt
                ? next.Repeat == before.Repeat ? $"next: {next.Called}" : next == run.Stretches.First(s =>
                    s.Repeat == run.Stretches[^1].Repeat) ? "last one" : "again"
                : run.Trace.Dance.IsPhrased
                    ? $"{(next.Part == before.Part && next.Stretch.From <= before.Stretch.From ? "again: " : "next: ")}{next.Called}"
                : next.Stretch.Mirrored != before.Stretch.Mirrored && !before.IsTag ? "from the top, other side" : "from the top";
            yield return Event(next.FromCount, AheadOfPart, $"{words}, {Facing(next.StartFacing)}");
        }

        for (var i = 0; i < run.Song.Passages.Count; i++)
        {
            var passage = run.Song.Passages[i];
            var before = i > 0 ? run.Song.Passages[i - 1].Feel : CountingFeel.AsPlayed;
            if (passage.Rest is { } rest)
            {
                yield return Event(run.Song.Starts[i], AheadOfPart, $"the music stops for {rest:0.#} s");
            }
            else if (passage.Feel != before)
            {
                yield return Event(
                    run.Song.Starts[i],
                    AheadOfPart,
                    passage.Feel switch
                    {
                        CountingFeel.HalfTime => "half time",
                        CountingFeel.DoubleTime => "double time",
                        _ => "at its own pace again"
                    });
            }

            if (passage.Note is { Length: > 0 } reminder)
            {
                yield return Event(run.Song.Starts[i], AheadOfPart, reminder);
            }
        }
    }
}
