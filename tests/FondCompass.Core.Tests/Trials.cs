using System.Globalization;

namespace FondCompass.Core.Tests;

/// <summary>
/// How often something random is tried: few enough that the whole is quick; <c>FOND_TRIALS=20 ./test core</c> tries twenty times as many.
/// </summary>
internal static class Trials
{
    private static readonly double Share = double.TryParse(
        Environment.GetEnvironmentVariable("FOND_TRIALS"),
        CultureInfo.InvariantCulture,
        out var share)
        && share > 0
        ? share
        : 1;

    public static int Of(int often) => Math.Max(1, (int)(often * Share));
}
