using System.Globalization;

namespace FondCompass.Core.Measures;

/// <summary>A place in a part by its count from 1 on through all lines, with e, &amp; or a behind it: "23", "23&amp;".</summary>
public static class PartCount
{
    /// <summary>The count, and the last of e, &amp; and a that is not past; a pick-up before the part has a count below 1.</summary>
    public static string Label(Tick at)
    {
        var count = Math.Floor(at.InCounts);
        var sign = (int)Math.Floor((at.InCounts - count) * 4) switch { 1 => "e", 2 => "&", 3 => "a", _ => "" };
        return string.Create(CultureInfo.InvariantCulture, $"{count + 1:0}{sign}");
    }
}
