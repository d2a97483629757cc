namespace FondCompass.Core.Teaching.Boards;

/// <summary>What a board tells of a lesson while it is held.</summary>
public enum LessonEventKind
{
    /// <summary>A block is shown.</summary>
    Enter,

    /// <summary>It begins to be danced; the value is the rate in percent.</summary>
    Play,

    /// <summary>The counting stops.</summary>
    Pause,

    /// <summary>One repeat was danced to its end; the value is the rate in percent.</summary>
    Repeat,

    /// <summary>The bite was lost by many.</summary>
    Trouble,

    /// <summary>What the block covers was clean, but for what is marked as lost; the value is the rate in percent.</summary>
    Clean,

    /// <summary>The block is done.</summary>
    Done,

    /// <summary>The block was left out.</summary>
    Skip,

    /// <summary>Dancers counted; the last one holds.</summary>
    Heads,

    /// <summary>Words to be remembered.</summary>
    Note,

    /// <summary>The beat of music from elsewhere was tapped; the value is counts a minute.</summary>
    Tap,

    /// <summary>A move was called.</summary>
    Call,

    /// <summary>Levels danced from here on, by their names.</summary>
    Levels,

    /// <summary>Another event was a slip, and does not hold.</summary>
    Undo,

    /// <summary>The lesson is over.</summary>
    Close,

    /// <summary>The lesson is begun anew: nothing that was told before holds.</summary>
    Anew,
}

/// <summary>One thing that happened in a lesson. Events are the source of truth; the log is reckoned from them.</summary>
/// <param name="Id">Its own, made by the board: what arrives twice is one event.</param>
/// <param name="Board">The opening of a board that told it; events of one board are in order.</param>
/// <param name="Number">Its place among those of its board, from 1.</param>
/// <param name="Opened">Seconds since 1970 at which the board was opened, by its own clock; the same in all its events.</param>
/// <param name="Since">Seconds since then, by a clock that nobody can set back.</param>
/// <param name="Block">The block's id; empty where it is about none.</param>
public sealed record LessonEvent(Guid Id, Guid Board, int Number, double Opened, double Since, LessonEventKind Kind, string Block)
{
    /// <summary>The bite's key, as "A:2"; empty for none.</summary>
    public string Bite { get; init; } = "";

    public double? Value { get; init; }

    public string Words { get; init; } = "";

    /// <summary>The event that does not hold.</summary>
    public Guid? Undoes { get; init; }
}
