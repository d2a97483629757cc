using System.Collections;
using System.ComponentModel.DataAnnotations;
using System.Globalization;
using System.Reflection;
using FondCompass.Core.Measures;
using FondCompass.Core.Wording.Texts.Pages;

namespace FondCompass.Web.Api.Bodies;

/// <summary>A number from one to another, both of them allowed.</summary>
internal sealed class FromToAttribute(double least, double most) : RangeAttribute(least, most)
{
    protected override ValidationResult? IsValid(object? value, ValidationContext validationContext) =>
        IsValid(value) ? ValidationResult.Success : new ValidationResult(
            ApiTexts.GoesFromTo(Numbers.Of(value), Numbers.Of(Minimum), Numbers.Of(Maximum)));
}

/// <summary>A number above 0, up to another.</summary>
internal sealed class AboveToAttribute : RangeAttribute
{
    public AboveToAttribute(double most)
        : base(0, most) => MinimumIsExclusive = true;

    protected override ValidationResult? IsValid(object? value, ValidationContext validationContext) =>
        IsValid(value) ? ValidationResult.Success : new ValidationResult(ApiTexts.IsAboveTo(Numbers.Of(value), Numbers.Of(Maximum)));
}

/// <summary>Counts a minute, as a song may have them.</summary>
internal sealed class TempoAttribute() : RangeAttribute(Bpm.Slowest, Bpm.Fastest)
{
    protected override ValidationResult? IsValid(object? value, ValidationContext validationContext) =>
        value is null || Bpm.IsValid(Numbers.Of(value))
            ? ValidationResult.Success
            : new ValidationResult(ApiTexts.TempoGoesFromTo(Numbers.Of(value), Bpm.Slowest, Bpm.Fastest));
}

/// <summary>A list of so many at the most.</summary>
internal sealed class AtMostAttribute(int most) : MaxLengthAttribute(most)
{
    protected override ValidationResult? IsValid(object? value, ValidationContext validationContext) =>
        value is ICollection { Count: var sent } && sent > Length
            ? new ValidationResult(ApiTexts.MostSent(sent, Length))
            : ValidationResult.Success;
}

/// <summary>Rates to practise at, in percent.</summary>
internal sealed class LadderAttribute() : MaxLengthAttribute(WayAsked.MostRungs)
{
    protected override ValidationResult? IsValid(object? value, ValidationContext validationContext) =>
        value is IReadOnlyList<double> rungs && (rungs.Count > Length || !rungs.All(Rate.IsValid))
            ? new ValidationResult(ApiTexts.LadderSent(Length, Rate.Slowest, Rate.Fastest))
            : ValidationResult.Success;
}

/// <summary>One of the words of a list, in any case.</summary>
/// <param name="owner">The type that has the list.</param>
/// <param name="list">A static member of it: a dictionary from the words to what they mean.</param>
internal sealed class WordAttribute(Type owner, string list) : ValidationAttribute
{
    private readonly IReadOnlyList<string> _words = WordsOf(owner, list);

    protected override ValidationResult? IsValid(object? value, ValidationContext validationContext) =>
        value is not string said || _words.Contains(said.Trim().ToLowerInvariant())
            ? ValidationResult.Success
            : new ValidationResult(ApiTexts.IsOneOf(said, string.Join(", ", _words)));

    private static List<string> WordsOf(Type owner, string list)
    {
        const BindingFlags Anywhere = BindingFlags.Static | BindingFlags.Public | BindingFlags.NonPublic;
        var words = owner.GetProperty(list, Anywhere)?.GetValue(null) ?? owner.GetField(list, Anywhere)?.GetValue(null);
        return [.. ((IDictionary)(words ?? throw new InvalidOperationException($"{owner.Name} has no list {list}."))).Keys.Cast<string>()];
    }
}

internal static class Numbers
{
    public static double Of(object? value) => Convert.ToDouble(value, CultureInfo.InvariantCulture);
}

internal static class Words
{
    /// <summary>What a word that was validated means; null where none was sent.</summary>
    public static T? Meant<T>(this IReadOnlyDictionary<string, T> words, string? said)
        where T : struct =>
        said is null ? null : words[said.Trim().ToLowerInvariant()];
}
