using FondCompass.Core.Measures;

namespace FondCompass.Core.Teaching.Boards;

/// <summary>What a board goes by while it runs, wherever it runs (calls, section 5).</summary>
public static class BoardRules
{
    /// <summary>Rates that the keys for slower and faster go through, in percent; the first and the last are the limits.</summary>
    public static IReadOnlyList<int> Ladder { get; } = [50, 60, 75, 90, 100, 110];

    /// <summary>The slowest and the fastest rate of a board, in percent.</summary>
    public static int Slowest => Ladder[0];

    /// <inheritdoc cref="Slowest"/>
    public static int Fastest => Ladder[^1];

    /// <summary>Minutes behind the plan, or ahead of it, from which that is said.</summary>
    public const int LateFromMinutes = 2;

    /// <summary>Repeats of a dance that a board plays at the most.</summary>
    public const int MostRepeats = 99;

    /// <summary>What is danced where moves are called: the weight is on the left, so that the right foot begins.</summary>
    public static Weight LiveWeight => Weight.Left;

    /// <summary>Levels of the body that may be danced, feet first, by the names of what is written on top of the feet.</summary>
    public static IReadOnlyList<string> Levels { get; } = ["feet", "hips", "arms", "head", "sounds", "body"];

    /// <summary>Counts of the count-in before moves that are called: half an eight.</summary>
    /// <param name="eight">Counts after which a call may change.</param>
    public static int LiveCountIn(int eight) => Math.Max(2, (eight + 1) / 2);
}
