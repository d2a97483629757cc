using System.Globalization;
using FondCompass.Core.Findings;

namespace FondCompass.Web.Drawing.Rulers;

/// <summary>A finding's flag on the ruler, at its count.</summary>
public sealed record RulerFlag(double X, Severity Severity, string Title);

/// <summary>Puts the findings of a line at their counts.</summary>
public static class RulerFlags
{
    /// <summary>Flags and findings told at one line at the most.</summary>
    private const int Most = 12;

    public static RulerLine On(RulerLine line, IReadOnlyList<Finding> findings) => line with
    {
        Flags = findings.OrderBy(f => f.Severity)
            .Take(Most)
            .Select(f => new RulerFlag(At(line, f.Place.Count), f.Severity, $"{f.Code} {f.Message}"))
            .ToList(),
        Told = findings.Where(f => f.Severity != Severity.Info || f.IsDoubt).OrderBy(f => f.Severity).Take(Most).ToList(),
    };

    /// <summary>Where a count's label ("5", "7a") stands; the line's top when it names none.</summary>
    private static double At(RulerLine line, string? label)
    {
        var digits = string.Concat((label ?? "").Where(char.IsAsciiDigit));
        if (!int.TryParse(digits, NumberStyles.None, CultureInfo.InvariantCulture, out var count))
        {
            return RulerPaper.Gutter;
        }

        var part = label!.Contains('e') ? 0.25 : label.Contains('&') ? 0.5 : label.Contains('a') ? 0.75 : 0;
        // "&1" is the half before the 1, "1&" the half after it.
        var isPickUp = !char.IsAsciiDigit(label[0]);
        return Math.Max(RulerPaper.Gutter, RulerPaper.Gutter + ((count - 1 + part - (isPickUp ? 1 : 0)) * line.NotchWidth));
    }
}
