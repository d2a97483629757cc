using System.Globalization;

namespace FondCompass.Application;

/// <summary>Reads what was typed into a form's field.</summary>
public static class Typed
{
    /// <summary>Without spaces around it, and without the one character that PostgreSQL does not hold.</summary>
    public static string Clean(string? text) => (text ?? "").Replace("\0", "", StringComparison.Ordinal).Trim();

    /// <summary>A whole number in a range; null for anything else.</summary>
    public static int? Whole(string? text, int least, int most) =>
        int.TryParse(Clean(text), NumberStyles.None, CultureInfo.InvariantCulture, out var number) && number >= least && number <= most
            ? number
            : null;

    /// <summary>A number in a range, with a point before its fraction; null for anything else.</summary>
    public static double? Number(string? text, double least, double most) =>
        double.TryParse(Clean(text), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var number)
            && number >= least
            && number <= most
            ? number
            : null;
}
