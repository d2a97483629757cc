using FondCompass.Core.Teaching.Blocks;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Plans;

namespace FondCompass.Core.Teaching.Planning;

/// <summary>What can be pressed on a block of a plan.</summary>
public enum BlockPress
{
    OnceLess,
    OnceMore,
    MinuteLess,
    MinuteMore,

    /// <summary>As long as it is now, whatever becomes of the others.</summary>
    KeepSo,

    /// <summary>As the formula has it again.</summary>
    LetGo,
    Earlier,
    Later,
    InTwo,
    InOne,
    TakeOut,
    PutBack,

    /// <summary>Its bite and the next line are one bite.</summary>
    WithNextLine,

    /// <summary>Its line is two bites.</summary>
    AsTwoBites,

    /// <summary>Its last line, or its half of a line, is a bite as it is written.</summary>
    AsWritten,
}

/// <summary>A block as it stood when something was pressed on it.</summary>
/// <param name="Block">Its id.</param>
/// <param name="Seconds">Its length.</param>
/// <param name="Repeats">Null where nothing is repeated.</param>
/// <param name="AfterIfEarlier">The block it comes after once it is put before the one in front of it; empty for the lesson's
/// begin.</param>
/// <param name="AfterIfLater">The block behind it; null for the last.</param>
/// <param name="Bite">What is taught in it, of a walk.</param>
public sealed record BlockSeen(
    string Block,
    double Seconds = 0,
    int? Repeats = null,
    string? AfterIfEarlier = null,
    string? AfterIfLater = null,
    BiteSeen? Bite = null);

/// <summary>A bite as it was cut when something was pressed.</summary>
/// <param name="Dance">Its dance's place in the lesson, from 0.</param>
/// <param name="Line">Its first line, from 1.</param>
/// <param name="LastLine">Its last.</param>
/// <param name="Counts">Its length.</param>
public sealed record BiteSeen(int Dance, string Part, int Line, int LastLine, int Counts);

/// <summary>What a press makes of what is asked.</summary>
public static class BlockPresses
{
    private const double Minute = 60;

    /// <summary>What is asked once it was pressed; as before where the press has nothing to act on.</summary>
    public static LessonAsked With(this LessonAsked asked, BlockPress press, BlockSeen seen)
    {
        var changes = asked.Changes;
        LessonAsked By(BlockChanges changed) => asked with { Changes = changed };
        var minutes = Math.Round(seen.Seconds / Minute) * Minute;
        return press switch
        {
            BlockPress.OnceLess when seen.Repeats is { } times => By(changes.Settled(seen.Block, null, Math.Max(1, times - 1))),
            BlockPress.OnceMore when seen.Repeats is { } times =>
                By(changes.Settled(seen.Block, null, Math.Min(LessonPlanner.MostPinnedRepeats, times + 1))),
            BlockPress.MinuteLess => By(changes.Settled(seen.Block, Math.Max(0, minutes - Minute), null)),
            BlockPress.MinuteMore => By(changes.Settled(seen.Block, Math.Min(LessonBrief.Longest * Minute, minutes + Minute), null)),
            BlockPress.KeepSo => By(changes.Settled(seen.Block, Math.Round(seen.Seconds), null)),
            BlockPress.LetGo => By(changes.Settled(seen.Block, null, null)),
            BlockPress.Earlier when seen.AfterIfEarlier is { } after => By(changes.Moved(seen.Block, after)),
            BlockPress.Later when seen.AfterIfLater is { } after => By(changes.Moved(seen.Block, after)),
            BlockPress.InTwo => By(changes.Halved(seen.Block, true)),
            BlockPress.InOne => By(changes.Halved(seen.Block, false)),
            BlockPress.TakeOut => By(changes.TakenOut(seen.Block)),
            BlockPress.PutBack => By(changes.PutBack(seen.Block)),
            BlockPress.WithNextLine when seen.Bite is { } bite =>
                asked.WithCut(bite.Dance, bite.Part, bite.LastLine, new BiteCut(bite.Dance, bite.Part, bite.LastLine)),
            BlockPress.AsTwoBites when seen.Bite is { Counts: > 1 } bite =>
                asked.WithCut(bite.Dance, bite.Part, bite.Line, new BiteCut(bite.Dance, bite.Part, bite.Line, bite.Counts / 2)),
            BlockPress.AsWritten when seen.Bite is { } bite =>
                asked.WithCut(bite.Dance, bite.Part, bite.LastLine > bite.Line ? bite.LastLine - 1 : bite.Line, null),
            _ => asked,
        };
    }
}
