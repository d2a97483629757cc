using FondCompass.Core.Actions;
using FondCompass.Core.Calling.Phrases;
using FondCompass.Core.Measures;
using FondCompass.Core.Notation;
using FondCompass.Core.Swaps;
using FondCompass.Core.Tracing;
using FondCompass.Core.Wording;

namespace FondCompass.Core.Teaching.Material;

/// <summary>How a bite stands to what was taught before it (rules, section 7); the first that holds.</summary>
public enum BiteRelation
{
    New,

    /// <summary>Danced as an earlier one: recalled, not taught.</summary>
    Same,

    /// <summary>The mirror image of an earlier one.</summary>
    OtherSide,

    /// <summary>As an earlier one but for at most its last quarter.</summary>
    OtherEnding,
}

/// <summary>What is taught at once: a line of a part, unless the instructor joined or split lines.</summary>
/// <param name="Dance">The counts it takes, as a line of its own; its number is that of the first line it has.</param>
/// <param name="LastLine">Of joined lines the last one.</param>
/// <param name="Time">1 for the part as it is first danced; 2 where the order calls it again with another ending, and so on.</param>
/// <param name="Name">The line's own name, else its steps.</param>
/// <param name="SameAs">The earlier bite it is like; null for a new one.</param>
public sealed record Bite(PartTrace Pattern, DanceLine Dance, int LastLine, int Time, string Name, BiteRelation Relation, Bite? SameAs)
{
    /// <summary>From 1; of joined lines the first.</summary>
    public int Line => Dance.Number;

    public IEnumerable<int> Lines => Enumerable.Range(Line, LastLine - Line + 1);

    /// <summary>The count of its line with which it begins; 1 unless the line is split.</summary>
    public int FromCount => (Dance.Start - Pattern.Part.Lines[Line - 1].Start).Value / Tick.PerCount + 1;

    public string Part => Pattern.Part.Name;

    /// <summary>Stays as it is when other bites come or go: "A:2".</summary>
    public string Key => $"{Part}:{Line}{(FromCount > 1 ? $".{FromCount}" : "")}{(Time == 1 ? "" : $":{Time}")}";

    public int Counts => Dance.Counts;

    /// <summary>Its single actions, in order of time.</summary>
    public required IReadOnlyList<TracedAction> Actions { get; init; }

    /// <summary>Actions that an other ending changes; all of any other bite.</summary>
    public required IReadOnlyList<TracedAction> Changed { get; init; }

    /// <summary>How new each of <see cref="Changed"/> is, 0 to 1.</summary>
    public required IReadOnlyList<double> Novelties { get; init; }

    /// <summary>The dance it is of.</summary>
    public string DanceTitle { get; init; } = "";

    public required Difficulty Difficulty { get; init; }

    /// <summary>
    /// Share of the class that is expected to lose it, by its difficulty at a tempo that is the same for all, so that a faster track
    /// changes no order.
    /// </summary>
    public required double Loss { get; init; }

    /// <summary>How new it is to them on average: 1 all new, 0.25 all known.</summary>
    public required double Novelty { get; init; }

    /// <summary>What is danced on top of the feet.</summary>
    public required IReadOnlyList<WordedLayer> Layers { get; init; }

    /// <summary>Trouble spots and traps that are declared or found in it, in words.</summary>
    public required IReadOnlyList<string> Watch { get; init; }

    /// <summary>The same, with the counts that the class hears.</summary>
    /// <param name="asked">How the lesson is counted; as the line or the dance says when null.</param>
    public IEnumerable<string> WatchIn(CountStyle? asked) => Watch.Select(w => SpokenCounts.InWords(w, asked ?? Counting, CountsOfLine));

    /// <summary>How its line is counted, and the counts of that line.</summary>
    public CountStyle Counting { get; init; }

    public int CountsOfLine { get; init; } = 8;

    /// <summary>Weight on which it begins, and with which it ends.</summary>
    public required (Weight Begins, Weight Ends) Feet { get; init; }

    /// <summary>Actions of the feet, for the effort of it.</summary>
    public required int Footed { get; init; }

    /// <summary>Arms over the head, or knees bent deep.</summary>
    public bool IsHeavy { get; init; }

    /// <summary>It leaves the floor.</summary>
    public required bool Jumps { get; init; }

    /// <summary>The stretch of the part that is danced when this bite is.</summary>
    public Stretch Stretch => new(Pattern, Dance.Start.Value / Tick.PerCount, Dance.End.Value / Tick.PerCount, false);

    private readonly bool?[] _beginsOn = new bool?[Enum.GetValues<Weight>().Length];

    /// <summary>Whether it can be danced from that weight; danced through once for each.</summary>
    public bool CanBeginOn(Weight weight) => _beginsOn[(int)weight] ??= Stretch.CanBeginOn(weight);
}
