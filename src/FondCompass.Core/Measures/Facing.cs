using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Measures;

/// <summary>
/// Where a dancer faces, told by the clock: 12:00 is the front at the start, then clockwise in eighths
/// 1:30, 3:00 … 10:30 (rules, section 3). <see cref="Index"/> is 0 to 7.
/// </summary>
public readonly record struct Facing
{
    private static readonly string[] Names = ["12:00", "1:30", "3:00", "4:30", "6:00", "7:30", "9:00", "10:30"];

    public static readonly Facing Front;

    public Facing(int eighthsFromFront) => Index = ((eighthsFromFront % Eighths.Full) + Eighths.Full) % Eighths.Full;

    public int Index { get; }

    /// <summary>True at 1:30, 4:30, 7:30 and 10:30.</summary>
    public bool IsCorner => Index % 2 == 1;

    /// <summary>Degrees clockwise from the front, 0 to 315.</summary>
    public int Degrees => Index * 45;

    public static Facing operator +(Facing facing, Eighths turn) => new(facing.Index + turn.Value);

    /// <summary>The smallest turn to the right, 0 to 7 eighths, from <paramref name="from"/> to <paramref name="to"/>.</summary>
    public static Eighths operator -(Facing to, Facing from) => new(new Facing(to.Index - from.Index).Index);

    /// <summary>Reads "12", "12:00", "1:30", "front", "back", "3 o'clock" and the like.</summary>
    public static bool TryParse(string? text, out Facing facing)
    {
        var word = text?.Trim().ToLowerInvariant().Replace("o'clock", "").Trim() ?? "";
        var index = word switch
        {
            "12" or "12:00" or "0" or "front" => 0,
            "1:30" or "1.30" => 1,
            "3" or "3:00" => 2,
            "4:30" or "4.30" => 3,
            "6" or "6:00" or "back" => 4,
            "7:30" or "7.30" => 5,
            "9" or "9:00" => 6,
            "10:30" or "10.30" => 7,
            _ => -1,
        };
        facing = new Facing(Math.Max(0, index));
        return index >= 0;
    }

    public static Facing Parse(string text) =>
        TryParse(text, out var facing) ? facing : throw new FormatException(StepTexts.NoFacing(text));

    public override string ToString() => Names[Index];
}

/// <summary>Walls in the order in which they are danced.</summary>
public static class WallOrders
{
    /// <summary>The place of a facing among the walls, from 1; null when it is none of them.</summary>
    public static int? PlaceOf(this IReadOnlyList<Facing> walls, Facing facing)
    {
        for (var i = 0; i < walls.Count; i++)
        {
            if (walls[i] == facing)
            {
                return i + 1;
            }
        }

        return null;
    }
}
