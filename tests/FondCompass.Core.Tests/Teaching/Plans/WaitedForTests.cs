using FondCompass.Core.Calling;
using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Core.Runs;
using FondCompass.Core.Runs.Fitting;
using FondCompass.Core.Steps;
using FondCompass.Core.Teaching.Classes;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Teaching.Rooms;
using Xunit;

namespace FondCompass.Core.Tests.Teaching.Plans;

/// <summary>What takes long ends where nobody waits for it any more.</summary>
public class WaitedForTests
{
    private static readonly Analysis Dance = Analysis.Analyse(Dances.Demo["slack-tide-stroll"]);

    private static readonly Song Song = SongText.Read(
        "intro 16 @112\nverse 32\n! chorus 32\nverse 32\nbridge 16\n! chorus 32\n! chorus 32\noutro 8\n",
        new Bpm(112)).Song;

    private static readonly DanceRun Run = RunUnroller.Unroll(Dance.Trace, Song, 16);

    public static TheoryData<string> Works => ["run", "fit", "plan", "cues", "room"];

    private static object Do(string work, CancellationToken cancel) => work switch
    {
        "run" => RunUnroller.Unroll(Dance.Trace, Song, 16, cancel),
        "fit" => PhraseFit.Solve(Run, new FitConstraints(NoMoves: true), cancel),
        "plan" =>
            LessonPlanner.Plan(
                new LessonBrief(
                    20,
                    [new LessonDance(Dance, 112)],
                    new TeachingWay(),
                    new ClassKnowledge(StepLexicon.Shipped, ClassLevel.Beginner)),
                null,
                cancel),
        "cues" => CueSheet.Write(Run, new CallSettings(new Rate(100), 2, 4), null, cancel),
        _ => RoomPlan.Lay(Dance.Trace, new RoomWish(new Hall(9, 12, 1), 400, RoomLayout.Rows, 6), cancel),
    };

    [Theory]
    [MemberData(nameof(Works))]
    public void It_ends_where_nobody_waits_and_is_the_same_where_somebody_does(string work)
    {
        Assert.NotNull(Do(work, CancellationToken.None));
        using var gone = new CancellationTokenSource();
        gone.Cancel();
        Assert.Throws<OperationCanceledException>(() => Do(work, gone.Token));
    }
}
