using System.Globalization;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Measures;

/// <summary>A share of full tempo, in percent: a rung of the tempo ladder.</summary>
public readonly record struct Rate
{
    public const double Slowest = 10, Fastest = 200;

    public static readonly Rate Full = new(100);

    public Rate(double percent)
    {
        if (!IsValid(percent))
        {
            throw new ArgumentOutOfRangeException(nameof(percent), percent, StepTexts.RateOutOfRange);
        }

        Percent = percent;
    }

    public double Percent { get; }

    /// <summary>1 is full tempo.</summary>
    public double Share => Percent / 100;

    public static bool IsValid(double percent) => percent is >= Slowest and <= Fastest;

    public override string ToString() => string.Create(CultureInfo.InvariantCulture, $"{Percent:0.##} %");
}
