using FondCompass.Core.Measures;

namespace FondCompass.Core.Notation;

/// <summary>How counts are called to the class (craft, section 5).</summary>
public enum CountStyle
{
    Up,
    Down,

    /// <summary>By the steps' names on the beat.</summary>
    Names,

    /// <summary>1 to 4, over and over.</summary>
    Fours,

    /// <summary>4 to 1, over and over.</summary>
    DownFours,

    /// <summary>In rhythm words: slow for what lasts two counts or more, quick for what lasts one.</summary>
    Rhythm,
}

/// <summary>What a genre settles when the dance does not (craft, section 2, "habits by genre").</summary>
/// <param name="Lead">The foot that goes first.</param>
/// <param name="CountIn">Counts called before the first step.</param>
public sealed record GenrePreset(Foot Lead, bool Swing, int LineCounts, CountStyle CountStyle, int CountIn)
{
    public static GenrePreset For(Genre genre) => genre switch
    {
        Genre.Percussive => new(Foot.Left, false, 8, CountStyle.Names, 4),
        Genre.Fitness => new(Foot.Right, false, 8, CountStyle.Down, 4),
        Genre.Jazz => new(Foot.Right, true, 8, CountStyle.Up, 4),
        Genre.Circle => new(Foot.Right, false, 8, CountStyle.Up, 2),
        _ => new(Foot.Right, false, 8, CountStyle.Up, 4),
    };
}
