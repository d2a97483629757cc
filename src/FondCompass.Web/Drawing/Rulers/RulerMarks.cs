using FondCompass.Core.Measures;
using FondCompass.Core.Wording;

namespace FondCompass.Web.Drawing.Rulers;

/// <summary>A count's mark on the ruler.</summary>
public sealed record Notch(double X, string Label, bool IsFine);

/// <summary>What lies on counts of the ruler.</summary>
public enum SpanKind
{
    Step,

    /// <summary>Nobody moves.</summary>
    Hold,

    /// <summary>Arms, hips or head alone.</summary>
    Body,

    /// <summary>The dancer's own.</summary>
    Free,
}

/// <summary>A step lying on its counts.</summary>
/// <param name="Called">What it is called; <see cref="Shown"/> as far as there is room.</param>
public sealed record StepSpan(
    double X,
    double Width,
    string Called,
    string Full,
    string Foot,
    int Row,
    int Count,
    bool HasError,
    SpanKind Kind = SpanKind.Step)
{
    /// <summary>What stands beside the name, in units.</summary>
    private const double Beside = 24;

    /// <summary>As much of the name as fits into so many units.</summary>
    public string Shown(double width) => RulerType.Fitted(Called, width - Beside);
}

/// <summary>How wide words are in the ruler's type.</summary>
public static class RulerType
{
    /// <summary>Units a letter takes: most, the narrow and the broad ones.</summary>
    private const double Letter = 7, Thin = 4, Broad = 10;

    /// <summary>Letters of a word that tell anything of it.</summary>
    private const int Telling = 3;

    /// <summary>As much as there is room for. Half an amount would be another, so that one is left out instead.</summary>
    public static string Fitted(string words, double room)
    {
        if (words.Sum(WidthOf) <= room)
        {
            return words;
        }

        var (used, letters, whole) = (Letter, 0, 0);
        while (letters < words.Length && used + WidthOf(words[letters]) <= room)
        {
            whole = words[letters] == ' ' ? letters : whole;
            used += WidthOf(words[letters++]);
        }

        var begun = whole == 0 ? 0 : whole + 1;
        var shown = letters < words.Length && words[letters] != ' ' && (letters - begun < Telling || char.IsAsciiDigit(words[begun]))
            ? whole
            : letters;
        return shown == 0 ? "" : words[..shown].TrimEnd() + "…";
    }

    private static double WidthOf(char c) =>
        c is 'i' or 'l' or 'j' or 't' or 'f' or 'r' or ' ' or '1' or '/' or ',' or '.' or '\'' ? Thin
            : c is 'm' or 'w' or 'M' or 'W' ? Broad
            : Letter;
}

/// <summary>One piece of the weight line.</summary>
/// <param name="Kind">solid, both, unknown or broken.</param>
public sealed record WeightStroke(string Kind, string Path);

/// <summary>A foot set down: filled when it takes the weight, hollow when it only touches.</summary>
public sealed record FootMark(double X, double Y, bool TakesWeight, string Title);

/// <summary>A turn on the ruler: where, and which way the dancer then faces.</summary>
public sealed record TurnMark(double X, int Degrees, string Title);

/// <summary>One line (eight) of a part, drawn.</summary>
public sealed record RulerLine(
    int Number, int Counts, bool IsOdd, IReadOnlyList<Notch> Notches, IReadOnlyList<StepSpan> Spans, IReadOnlyList<WeightStroke> Weight,
    IReadOnlyList<FootMark> Feet, IReadOnlyList<TurnMark> Turns, string EndWeight, Facing EndFacing, string Summary)
{
    /// <summary>In a ring which way one faces at its end, in place of a clock; else empty.</summary>
    public string InRing { get; init; } = "";

    /// <summary>Drawing units from one count to the next.</summary>
    public double NotchWidth { get; init; }

    public RulerPaper Paper { get; init; } = RulerPaper.Wide;

    /// <summary>Counts of the part's longest line, by which all of them are folded.</summary>
    public int Widest { get; init; }

    /// <summary>Its rows on the paper, in order.</summary>
    public IReadOnlyList<RulerRow> Rows
    {
        get
        {
            var inRow = Paper.CountsInRow(Widest);
            var rows = Math.Max(1, (Math.Max(Counts, 1) + inRow - 1) / inRow);
            return [.. Enumerable.Range(0, rows)
                .Select(i => new RulerRow(
                    (i * inRow) + 1,
                    RulerPaper.Gutter + (i * inRow * NotchWidth),
                    RulerPaper.Gutter + ((i + 1) * inRow * NotchWidth),
                    i == 0,
                    i == rows - 1))];
        }
    }

    /// <summary>What arms, hips, hands and the rest do besides.</summary>
    public IReadOnlyList<LayerMark> Layers { get; init; } = [];

    /// <summary>The name the instructor gave the line; empty when none.</summary>
    public string Name { get; init; } = "";

    public IReadOnlyList<HungMark> Hung { get; init; } = [];

    public IReadOnlyList<RulerFlag> Flags { get; init; } = [];

    /// <summary>Errors and warnings that stand here.</summary>
    public IReadOnlyList<Core.Findings.Finding> Told { get; init; } = [];
}

/// <summary>A layer on its counts.</summary>
public sealed record LayerMark(double X, double Width, LayerKind Kind, string Words);

/// <summary>What hangs on a count of a line: a cue, note, caution or trouble spot, or another way to dance some counts.</summary>
public sealed record HungMark(string Kind, string Count, string Words, int Row);
