using FondCompass.Core.Teaching.Boards;
using Xunit;

namespace FondCompass.Core.Tests.Teaching.Boards;

/// <summary>The log of a lesson, reckoned from what boards told.</summary>
public class LessonLogTests
{
    private static readonly Guid Board = Guid.CreateVersion7();

    private readonly List<LessonEvent> _told = [];

    private LessonEvent Told(
        double since,
        LessonEventKind kind,
        string block = "",
        string bite = "",
        double? value = null,
        Guid? undoes = null,
        Guid? board = null,
        double opened = 1000,
        string words = "")
    {
        var own = board ?? Board;
        var told = new LessonEvent(Guid.CreateVersion7(), own, _told.Count(e => e.Board == own) + 1, opened, since, kind, block)
        {
            Bite = bite,
            Value = value,
            Undoes = undoes,
            Words = words
        };
        _told.Add(told);
        return told;
    }

    private LessonLog Log => LessonLog.Read(_told);

    [Fact]
    public void What_was_told_before_a_lesson_was_begun_anew_does_not_hold_unless_that_is_taken_back()
    {
        Told(0, LessonEventKind.Enter, "walk:A:1");
        Told(60, LessonEventKind.Done, "walk:A:1");
        Told(61, LessonEventKind.Heads, value: 12);
        Told(62, LessonEventKind.Close);
        Assert.True(Log.IsClosed);
        var anew = Told(100, LessonEventKind.Anew);
        Assert.Equal((0, null, false, 0), (Log.Blocks.Count, Log.Heads, Log.IsClosed, Log.Seconds));
        Told(120, LessonEventKind.Enter, "walk:A:1");
        Told(150, LessonEventKind.Done, "walk:A:1");
        Assert.Equal(30, Log.BlockOf("walk:A:1")!.Seconds);
        Told(151, LessonEventKind.Undo, undoes: anew.Id);
        Assert.Equal(90, Log.BlockOf("walk:A:1")!.Seconds);
        Assert.Equal((12, true), (Log.Heads, Log.IsClosed));
    }

    [Fact]
    public void Blocks_have_the_seconds_until_the_next_and_what_was_danced_in_them()
    {
        Told(0, LessonEventKind.Enter, "walk:A:1");
        Told(100, LessonEventKind.Done, "walk:A:1");
        Told(100, LessonEventKind.Enter, "dance:A:1");
        Told(110, LessonEventKind.Play, "dance:A:1", value: 60);
        Told(130, LessonEventKind.Repeat, "dance:A:1", value: 60);
        Told(150, LessonEventKind.Repeat, "dance:A:1", value: 75);
        Told(151, LessonEventKind.Repeat, "dance:A:1", value: 75);
        Told(160, LessonEventKind.Pause, "dance:A:1");
        Told(165, LessonEventKind.Done, "dance:A:1");
        // What lies between a block that is done and the next belongs to neither.
        Told(180, LessonEventKind.Close);
        var walk = Log.BlockOf("walk:A:1")!;
        Assert.Equal((100, 0, true, false, 0), (walk.Seconds, walk.Dancing, walk.IsDone, walk.IsSkipped, walk.CleanRate));
        var dance = Log.BlockOf("dance:A:1")!;
        Assert.Equal((65, 50, 3, 75), (dance.Seconds, dance.Dancing, dance.Repeats, dance.CleanRate));
        Assert.Equal([(60, 1), (75, 2)], dance.Rates);
        Assert.Equal(165, Log.Seconds);
        Assert.True(Log.IsClosed);
    }

    [Fact]
    public void What_arrives_twice_is_one_and_what_is_taken_back_is_none()
    {
        Told(0, LessonEventKind.Enter, "b");
        var slip = Told(5, LessonEventKind.Trouble, "b", "A:1");
        Told(6, LessonEventKind.Trouble, "b", "A:2");
        var undo = Told(7, LessonEventKind.Undo, "b", undoes: slip.Id);
        _told.AddRange([.. _told]);
        Assert.Equal([("A:2", 1)], Log.BlockOf("b")!.Trouble);
        Assert.Equal(0, Log.BlockOf("b")!.CleanRate);
        // The taking back can be taken back.
        Told(8, LessonEventKind.Undo, "b", undoes: undo.Id);
        Assert.Equal([("A:1", 1), ("A:2", 1)], Log.BlockOf("b")!.Trouble);
    }

    [Fact]
    public void The_last_of_done_and_left_out_holds()
    {
        Told(0, LessonEventKind.Enter, "b");
        var done = Told(9, LessonEventKind.Done, "b");
        Told(10, LessonEventKind.Undo, undoes: done.Id);
        Told(12, LessonEventKind.Skip, "b");
        Assert.Equal((false, true), (Log.BlockOf("b")!.IsDone, Log.BlockOf("b")!.IsSkipped));
        Assert.False(Log.IsClosed);
    }

    [Fact]
    public void Two_boards_at_once_are_one_lesson_and_their_order_is_their_own()
    {
        var other = Guid.CreateVersion7();
        Told(0, LessonEventKind.Enter, "b");
        Told(0, LessonEventKind.Enter, "b", board: other, opened: 1030);
        Told(60, LessonEventKind.Done, "b");
        Told(50, LessonEventKind.Done, "b", board: other, opened: 1030);
        // From 1000 to 1060 and from 1030 to 1080.
        Assert.Equal(80, Log.BlockOf("b")!.Seconds);
        // Told in any order of arrival: each board's own numbers count.
        _told.Reverse();
        Assert.Equal(80, Log.BlockOf("b")!.Seconds);
        Assert.True(Log.BlockOf("b")!.IsDone);
    }

    [Fact]
    public void A_clock_set_back_while_a_board_is_open_changes_nothing()
    {
        // The opening is told once; since then only a clock counts that nobody sets.
        Told(0, LessonEventKind.Enter, "b", opened: 9000);
        Told(300, LessonEventKind.Done, "b", opened: 9000);
        var reopened = Guid.CreateVersion7();
        Told(0, LessonEventKind.Enter, "c", board: reopened, opened: 9000 + 310 - 3600);
        Told(40, LessonEventKind.Done, "c", board: reopened, opened: 9000 + 310 - 3600);
        Assert.Equal((300, 40, 340), (Log.BlockOf("b")!.Seconds, Log.BlockOf("c")!.Seconds, Log.Seconds));
    }

    [Fact]
    public void Heads_notes_calls_and_taps_are_told()
    {
        Told(1, LessonEventKind.Heads, value: 12);
        Told(2, LessonEventKind.Heads, value: 14);
        Told(3, LessonEventKind.Note, words: "a knee");
        Told(4, LessonEventKind.Call, words: "vine");
        Told(5, LessonEventKind.Tap, value: 118.5);
        Assert.Equal(14, Log.Heads);
        Assert.Equal(["a knee"], Log.Notes.Select(n => n.Words));
        Assert.Equal(["vine"], Log.Calls);
        Assert.Equal([118.5], Log.Taps);
        Assert.Empty(Log.Blocks);
    }
}
