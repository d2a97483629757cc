using System.Globalization;
using FondCompass.Core.Wording.Texts.Dances;

namespace FondCompass.Core.Measures;

/// <summary>Tempo in counts per minute; from the slowest to the fastest that is accepted.</summary>
public readonly record struct Bpm
{
    /// <summary>Slowest and fastest tempo that are accepted, counts per minute.</summary>
    public const double Slowest = 0.01, Fastest = 100_000;

    public Bpm(double value)
    {
        if (!IsValid(value))
        {
            throw new ArgumentOutOfRangeException(
                nameof(value),
                value,
                StepTexts.TempoOutOfRange(Slowest, Fastest));
        }

        Value = value;
    }

    public double Value { get; }

    public double SecondsPerCount => 60 / Value;

    public static bool IsValid(double value) => double.IsFinite(value) && value is >= Slowest and <= Fastest;

    /// <summary>This tempo at a rate: 1 is full speed, 0.8 four fifths of it.</summary>
    public Bpm At(double rate) => new(Value * rate);

    public static bool TryParse(string? text, out Bpm bpm)
    {
        bpm = default;
        if (!double.TryParse(text, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value) || !IsValid(value))
        {
            return false;
        }

        bpm = new Bpm(value);
        return true;
    }

    public static Bpm Parse(string text) =>
        TryParse(text, out var bpm) ? bpm : throw new FormatException(StepTexts.NoTempo(text));

    public override string ToString() => Value.ToString("0.###", CultureInfo.InvariantCulture);
}
