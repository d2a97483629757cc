using System.Text.Json.Serialization;

namespace FondCompass.Core.Teaching.Planning;

/// <summary>What is kept of how a dance is fitted to its music; what is null is as the script or the track has it.</summary>
public sealed record FitKept
{
    /// <summary>Tempi, counts a minute, in which somebody dances.</summary>
    public const double Slowest = 20, Fastest = 400;

    /// <summary>Most counts that are waited, and most repeats of a steady track.</summary>
    public const int LongestIntro = 10_000, MostRepeats = 500;

    public static readonly FitKept Nothing = new();

    /// <summary>Counts a minute of a steady track; the script's tempo when null.</summary>
    public double? Tempo { get; init; }

    /// <summary>Song count at which repeat 1 begins; as the dance says, else behind an intro of the song, when null.</summary>
    public int? Intro { get; init; }

    /// <summary>Repeats on a steady track of the dance's own.</summary>
    public int? Repeats { get; init; }

    /// <summary>Passages as text, one a row ("verse 32 @112"); a steady track when empty. A track of the library has its own.</summary>
    public string Passages { get; init; } = "";

    /// <summary>
    /// What holds for this track alone, each as the script rows that say it: tags, restarts, changes of the order, endings.
    /// </summary>
    public IReadOnlyList<string> Changes { get; init; } = [];

    /// <summary>Letters of the changes together.</summary>
    [JsonIgnore]
    public int ChangesLength => Changes.Sum(c => c.Length + 2);

    /// <summary>The script with what holds for this track below it.</summary>
    public string Under(string script) => Changes.Count == 0 ? script : $"{script.TrimEnd()}\n{string.Join("\n\n", Changes)}";

    /// <summary>With one change more; rows divided by an empty one are several.</summary>
    public FitKept With(string rows) => this with { Changes = [.. Changes, .. Parted(rows)] };

    /// <summary>Without the change of a number, from 1, or without the last.</summary>
    public FitKept Without(int? number) => this with { Changes = [.. Changes.Where((_, i) => i != (number ?? Changes.Count) - 1)] };

    private static string[] Parted(string rows) =>
        rows.ReplaceLineEndings("\n").Split("\n\n", StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
}
