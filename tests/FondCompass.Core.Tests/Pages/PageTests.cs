using FondCompass.Core.Calling;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Runs.Fitting;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Courses;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Teaching.Rooms;
using FondCompass.Core.Tests.Tables;
using FondCompass.Core.Wording.Fits;
using Xunit;

namespace FondCompass.Core.Tests.Pages;

/// <summary>
/// What an instructor would print and put on the music stand: dances by their eights, call sheets, plans, fits, rooms. Each is approved
/// by reading it; there are thirty at the most, and the rules behind them have tables of their own in each folder.
/// </summary>
public class PageTests
{
    private const int MostPages = 30;

    private static Analysis Read(string dance) => Analysis.Analyse(Dances.Demo[dance]);

    private static double TempoOf(Analysis dance) => dance.Dance.Header.Tempo?.Value ?? 112;

    private static (string Title, Song Song) SongNamed(string begins) =>
        PresetSongs.All.Where(s => s.Title.StartsWith(begins, StringComparison.Ordinal))
            .Select(s => (s.Title, SongText.Read(s.Text, new Bpm(112)).Song))
            .First();

    [Fact]
    public void There_are_thirty_at_the_most() =>
        Assert.InRange(
            Directory.GetFiles(Path.Combine(Dances.Root(), "tests", "FondCompass.Core.Tests", "Pages"), "*.txt").Length,
            1,
            MostPages);

    [Theory]
    [InlineData("slack-tide-stroll")]
    [InlineData("low-water-waltz")]
    [InlineData("coopers-clatter")]
    [InlineData("gangway-loop")]
    [InlineData("two-ferries-harbour")]
    [InlineData("winch-and-windlass")]
    public void A_dance_by_its_eights(string name)
    {
        var (page, dance) = (new Page(), Read(name));
        var trace = dance.Trace;
        page.Head($"{dance.Dance.Header.Title}: {trace.TotalCounts} counts, walls {string.Join(' ', trace.WallOrder)}, ends on "
            + $"{trace.EndWeight.ToString().ToLowerInvariant()} facing {trace.EndFacing}");
        foreach (var part in trace.Parts)
        {
            page.Head($"{part.Part.Name}, {part.Part.Counts} counts");
            foreach (var line in part.Actions.GroupBy(a => a.Action.Line))
            {
                page.Line($"{line.Key}. {Script.Deeds([.. line], isLong: false)}");
            }
        }

        page.Head("Told of it");
        foreach (var finding in dance.WithTriedFixes().Findings)
        {
            page.Line($"{finding.Code} row {finding.Place.Row}: {finding.Message}{(finding.Fix is { } fix ? $" [{fix.Label}]" : "")}");
        }

        page.Check($"dance-{name}");
    }

    [Theory]
    [InlineData("slack-tide-stroll", "Lamp Street, steady")]
    [InlineData("low-water-waltz", "Low Water")]
    [InlineData("coopers-clatter", "Rope Reel")]
    [InlineData("gangway-loop", "Two Tides")]
    [InlineData("two-ferries-harbour", "Fog Bell")]
    public void A_call_sheet(string name, string song)
    {
        var (page, dance) = (new Page(), Read(name));
        var run = RunUnroller.Unroll(dance.Trace, SongNamed(song).Song, dance.Dance.Header.Intro);
        foreach (var (rate, lead, most) in new[] { (100, 2.0, 48), (60, 4.0, 12) })
        {
            page.Head($"{dance.Dance.Header.Title} to {SongNamed(song).Title} at {rate} %, called {lead} counts before");
            foreach (var cue in CueSheet.Write(run, new CallSettings(new Rate(rate), lead, 4)).Take(most))
            {
                page.Line($"{Page.Number(cue.At),6} s  {(cue.Words.Length == 0 ? "(nothing)" : cue.Words)}"
                    + $"{(cue.Step.Length > 0 ? $" – for {cue.Step}" : "")} at {Page.Number(cue.StepAt)} s"
                    + $"{(cue.Part.Length > 0 ? $", repeat {cue.Repeat}, {cue.Part} {cue.Line} count {cue.Count}" : "")}: {cue.Why}"
                    + $"{(cue.IsShortened ? $" (with time: {cue.Best})" : "")}{(cue.IsLate ? " LATE" : "")}");
            }
        }

        page.Check($"calls-{name}");
    }

    [Theory]
    [InlineData("slack-tide-stroll", LessonKind.Hall, 60, ClassLevel.Beginner)]
    [InlineData("slack-tide-stroll", LessonKind.Hall, 25, ClassLevel.Regular)]
    [InlineData("nine-lanterns", LessonKind.Song, 50, ClassLevel.Improver)]
    [InlineData("coopers-clatter", LessonKind.Breakdown, 20, ClassLevel.Improver)]
    [InlineData("gangway-loop", LessonKind.Fitness, 45, ClassLevel.Regular)]
    [InlineData("low-water-waltz", LessonKind.Party, 12, ClassLevel.Beginner)]
    public void A_plan(string name, LessonKind kind, int minutes, ClassLevel level)
    {
        var dance = Read(name);
        var plan = LessonPlanner.Plan(new LessonBrief(
            minutes,
            [new LessonDance(dance, TempoOf(dance))],
            LessonKinds.RulesOf(kind).Way(dance.Dance.IsPhrased),
            new ClassKnowledge(StepLexicon.Shipped, level))
        { Kind = kind });
        var page = new Page();
        page.Head($"{dance.Dance.Header.Title} in {minutes} minutes, {kind} with a class of {level}");
        Write(page, plan);
        page.Check($"plan-{name}-{kind}-{minutes}".ToLowerInvariant());
    }

    private static void Write(Page page, LessonPlan plan)
    {
        page.Line($"{Page.Clock(plan.TotalSeconds)} of {Page.Clock(plan.LessonSeconds)}, {Page.Clock(plan.LeastSeconds)} at the least"
            + $"{(plan.Over > 0 ? $", {Page.Clock(plan.Over)} too long" : "")}");
        foreach (var block in plan.Blocks)
        {
            page.Line($"{Page.Clock(block.From),5} for {Page.Clock(block.Seconds)}  {block.Named}"
                + $"{(block is { Repeats: { } times, Counts: { } counts } ? $", {times} × {counts} counts at {block.Rate}" : "")}: "
                    + $"{block.Why}"
                + $"{(block.Say.Count > 0 ? $" Say: {string.Join("; ", block.Say)}" : "")}"
                + $"{(block.Watch.Count > 0 ? $" Watch: {string.Join("; ", block.Watch)}" : "")}");
        }

        foreach (var way in plan.Gives)
        {
            page.Line($"or: {way.What} saves {Page.Clock(way.SavesSeconds)}");
        }

        foreach (var caution in plan.Cautions)
        {
            page.Line($"{caution.Code}: {caution.Message}");
        }
    }

    [Theory]
    [InlineData("slack-tide-stroll", "Lamp Street, steady")]
    [InlineData("nine-lanterns", "Lamp Street, for learning")]
    [InlineData("low-water-waltz", "Low Water")]
    [InlineData("two-ferries-island", "Fog Bell")]
    [InlineData("winch-and-windlass", "Rope Reel")]
    public void A_fit(string name, string title)
    {
        var (page, dance, (called, song)) = (new Page(), Read(name), SongNamed(title));
        var run = RunUnroller.Unroll(dance.Trace, song, dance.Dance.Header.Intro);
        page.Head($"{dance.Dance.Header.Title} to {called}, from count {run.Start}");
        foreach (var repeat in run.Repeats)
        {
            page.Line($"{repeat.Index}. {repeat.Called}, counts {repeat.FromCount} to {repeat.ToCount}, {Page.Clock(repeat.StartSeconds)}, "
                + $"{repeat.StartFacing} to {repeat.EndFacing}{(repeat.Cut ? ", cut short" : "")}");
        }

        foreach (var happens in run.Events)
        {
            page.Line($"{happens.Kind} after repeat {happens.AfterRepeat} at {Page.Clock(happens.Seconds.Value)}, facing {happens.Facing}");
        }

        page.Head("Passages");
        var meetings = PartMeetings.Judge(run);
        foreach (var passage in meetings.All)
        {
            page.Line($"{passage.Passage} {passage.Which} at count {passage.Count}{(passage.Counts ? "" : " (does not count)")}: "
                + $"{(passage.Meets is { } meets ? $"meets {meets}" : $"{passage.Off} counts from a beginning")}"
                + $"{(passage.IsWrong ? $", wants {passage.Right}" : "")}");
        }

        page.Line(meetings.Fits ? "It fits." : "It does not fit.");
        page.Head("Ways to make it fit");
        foreach (var fit in PhraseFit.Ranked(dance.Trace, song, run.Start, new FitConstraints()))
        {
            page.Line($"{fit.OffBefore} counts off become {fit.OffAfter}: {string.Join(' ', fit.Changes.Select(FitWording.InList))}"
                + $" [{FitRows.Write(fit.Changes)}]");
        }

        page.Head("The end, the tempo, and what is told");
        page.Line(run.Ending is { } end
            ? $"The music ends on count {end.Count} of {end.Part}, facing {end.Facing}. {FitWording.Say(end)}"
            : "");
        foreach (var past in TempoLimits.Past(run))
        {
            page.Line($"{Page.Clock(past.Seconds.Value)}: {FitWording.Say(past)}");
        }

        foreach (var finding in run.Findings)
        {
            page.Line($"{finding.Code} row {finding.Place.Row}: {finding.Message}");
        }

        page.Check($"fit-{name}");
    }

    [Fact]
    public void Rooms()
    {
        var (page, dance) = (new Page(), Read("slack-tide-stroll"));
        RoomWish[] wishes =
        [
            new(new Hall(12, 15), 24, RoomLayout.Rows),
            new(new Hall(9, 9), 20, RoomLayout.Staggered, Repeats: 3),
            new(new Hall(14, 14), 16, RoomLayout.Circle),
            new(new Hall(8, 6), 40, RoomLayout.Rows, Spacing: 1.6, Allowance: 0.2),
        ];
        foreach (var wish in wishes)
        {
            var room = RoomPlan.Lay(dance.Trace, wish);
            page.Head($"{wish.Dancers} dancers in {wish.Layout}, hall {Page.Number(wish.Hall.Width)} by {Page.Number(wish.Hall.Depth)} m");
            page.Line($"{(room.Fits ? "They fit" : "They do not fit")}: {room.Most} at the most, {room.Rows} rows of {room.Columns}, "
                + $"{Page.Number(room.Spacing)} m apart");
            page.Line($"In front, row or column: {string.Join(", ", room.FrontRow.Select(f => $"{f.Key} number {f.Value}"))}");
            page.Line($"Places: {string.Join(' ', room.Places.Select(p => $"{Page.Number(p.X)},{Page.Number(p.Y)}"))}");
            foreach (var instead in room.Insteads)
            {
                page.Line($"or: {instead}");
            }
        }

        page.Check("rooms");
    }

    [Fact]
    public void A_course()
    {
        var (stroll, waltz) = (Read("slack-tide-stroll"), Read("low-water-waltz"));
        var course = CoursePlanner.Plan(new CourseBrief(
            6,
            45,
            [new LessonDance(stroll, TempoOf(stroll)), new LessonDance(waltz, TempoOf(waltz))],
            new TeachingWay(),
            new ClassKnowledge(StepLexicon.Shipped, ClassLevel.Beginner)));
        var page = new Page();
        page.Head("Two dances in six weeks of 45 minutes, beginners");
        foreach (var week in course.Weeks)
        {
            page.Line($"week {week.Number}: {string.Join("; ", week.Cells.Select(c => $"{(c.Dance == 0 ? "Stroll" : "Waltz")} bites "
                + $"{c.From} to {c.Until}{(c.RecapSeconds > 0 ? $", recap {Page.Clock(c.RecapSeconds)}" : "")}"
                + $"{(c.IsWhole ? ", whole" : "")}{(c.IsPutOff ? ", put off" : "")}, kept {Page.Number(c.Kept ?? 0)}"))}; "
                + $"{Page.Clock(week.Plan.TotalSeconds)}");
        }

        page.Line($"ready in week {course.ReadyIn(0)} and {course.ReadyIn(1)}");
        page.Head("The third week");
        Write(page, course.Weeks[2].Plan);
        page.Check("course");
    }
}
