namespace FondCompass.Web.Drawing;

/// <summary>Numbers in drawings.</summary>
public static class Svg
{
    private static readonly string[] Tenths = new string[1 << 14];

    /// <summary>With one decimal at the most, "12.5"; a drawing holds thousands of them, and the same again and again.</summary>
    public static string N(double value)
    {
        var tenths = Math.Round(value * 10, MidpointRounding.AwayFromZero);
        return tenths >= 0 && tenths < Tenths.Length
            ? Tenths[(int)tenths] ??= Text(tenths)
            : Text(tenths);
    }

    private static string Text(double tenths) => (tenths / 10).ToString("0.#", System.Globalization.CultureInfo.InvariantCulture);
}
