using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Core.Teaching.Boards;

/// <summary>What a block took against what was planned for it.</summary>
/// <param name="Planned">Seconds by the group's constants as they are before anything is learned, more than 0.</param>
/// <param name="Actual">Seconds taken.</param>
public readonly record struct TimeTaken(double Planned, double Actual)
{
    /// <summary>A block that took under half or over twice its time tells of something else than the pace.</summary>
    public const double Least = 0.5, Most = 2;

    public double Factor => Math.Clamp(Actual / Planned, Least, Most);
}

/// <summary>One constant of a group, before and after what its log says.</summary>
/// <param name="Name">What it is, in words.</param>
/// <param name="Blocks">Logged blocks that say something of it.</param>
/// <param name="IsHeld">The instructor holds it fast: nothing is learned.</param>
/// <param name="IsGiven">The instructor gave the number; it beats what is learned.</param>
public sealed record LearnedConstant(string Name, double Before, double Factor, int Blocks, bool IsHeld, bool IsGiven = false)
{
    public double After => IsHeld || IsGiven ? Before : Before * Factor;

    public string Why => Blocks == 0 ? BoardTexts.NoBlockLogged
        : BoardTexts.BlocksTook(
            Blocks,
            Whole,
            Factor,
            IsHeld ? BoardTexts.YouHoldItFast : IsGiven ? BoardTexts.YouGaveTheNumber : Sentence.None);

    /// <summary>The mean ratio itself, with nothing held back.</summary>
    private double Whole => Math.Pow(Factor, (Blocks + PaceLearning.Doubt) / (double)Math.Max(1, Blocks));
}

/// <summary>How a group's constants are learned from its log (rules, section 7).</summary>
public static class PaceLearning
{
    /// <summary>Blocks' worth of doubt: so many unlogged blocks are taken to have gone as planned.</summary>
    public const int Doubt = 3;

    /// <summary>m = exp(Σ ln clamp(actual ÷ planned, ½, 2) / (n + 3)); 1 where nothing is logged.</summary>
    public static double Factor(IReadOnlyCollection<TimeTaken> logged) =>
        Math.Exp(logged.Sum(t => Math.Log(t.Factor)) / (logged.Count + Doubt));

    public static LearnedConstant Of(
        string name,
        double before,
        IReadOnlyCollection<TimeTaken> logged,
        bool isHeld = false,
        bool isGiven = false) =>
        new(name, before, Factor(logged), logged.Count, isHeld, isGiven);
}
