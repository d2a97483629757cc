using BenchmarkDotNet.Attributes;
using FondCompass.Core;
using FondCompass.Core.Calling;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Notation;
using FondCompass.Core.Runs;
using FondCompass.Core.Steps;
using FondCompass.Core.Swaps;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Courses;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Teaching.Rooms;
using FondCompass.Core.Tracing;

namespace FondCompass.Benchmarks;

/// <summary>Planning an hour, searching steps, saying cues and placing a class, beside tracing the whole lexicon once.</summary>
public class LessonBenchmarks
{
    private static readonly Analysis Loop = Analysis.Analyse(AnalyseBenchmarks.Script(32));
    private static readonly Analysis Phrased =
        Analysis.Analyse(
            "part V\n1-4 weave R\n5-8 rocking chair R\n1-4 vine L\n5-8 jazz box R\n1-4 k step R\n5-8 k step R\npart C\n1-4 vine R\n5-8 "
                + "vine L\n1-4 monterey 1/4 right\n5-8 v step R\npart B\n1-8 march R\norder V C V C B C");
    private static readonly LessonDance[] Three =
    [
        new(Loop, 112),
        new(Phrased, 116),
        new(Analysis.Analyse(AnalyseBenchmarks.Script(64)), 120)
    ];
    private static readonly ClassKnowledge Beginners = new(StepLexicon.Shipped, ClassLevel.Beginner);
    private static readonly DanceHeader Header = Loop.Dance.Header;
    private static readonly DanceRun Run = RunUnroller.Unroll(Loop.Trace, Song.Steady(400, new Bpm(112)), 16);

    [Benchmark(Description = "plan an hour with three dances")]
    public double Plan() => LessonPlanner.Plan(new LessonBrief(60, Three, new TeachingWay(), Beginners)).TotalSeconds;

    [Benchmark(Description = "a course of 12 weeks with 8 dances")]
    public int Course() =>
        CoursePlanner.Plan(new CourseBrief(12, 60, [.. Three, .. Three, .. Three[..2]], new TeachingWay(), Beginners)).Weeks.Count;

    [Benchmark(Description = "swaps of four counts with a turn")]
    public int Swaps() => SwapSearch.Find(Loop.Trace, Loop.Trace.Parts[0], 3, 5, 8, SwapAim.Any, 112, StepLexicon.Shipped).Count;

    [Benchmark(Description = "complete four counts with a quarter left")]
    public int Complete() =>
        LineCompletion.Find(
            Header,
            TraceState.Start(Weight.Left, Facing.Front),
            1,
            new Gap(4, Weight.Right, null) { Turn = new Eighths(-2) },
            StepLexicon.Shipped,
            20).Count;

    [Benchmark(Description = "  yardstick: trace each step of the lexicon once")]
    public int Yardstick() =>
        StepChoices.For(StepLexicon.Shipped, Header, withTurns: true)
            .Count(c => StepChoices.From(Header, c, Loop.Trace.Parts[0].Start) is not null);

    [Benchmark(Description = "cue sheet of a song of 400 counts")]
    public int Cues() => CueSheet.Write(Run, new CallSettings(Rate.Full, 2, 99)).Count;

    [Benchmark(Description = "place 24 dancers in a hall")]
    public int Room() => RoomPlan.Lay(Loop.Trace, new RoomWish(new Hall(9, 12), 24, RoomLayout.Staggered)).Most;
}
