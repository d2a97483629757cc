using System.Globalization;

namespace FondCompass.Core.Wording.Texts;

/// <summary>
/// Lets a text choose a word by a whole number: "{0} {0:count|counts}", and "{0:крок|кроки|кроків}" where a language has three forms; # in
/// a form is the number itself. Forms
/// stand in the order of the plural rules of the Unicode CLDR: one, few, many or other.
/// </summary>
internal sealed class PluralFormat(CultureInfo numbers, CultureInfo language) : IFormatProvider, ICustomFormatter
{
    public object? GetFormat(Type? formatType) =>
        formatType == typeof(ICustomFormatter) ? this : numbers.GetFormat(formatType);

    public string Format(string? format, object? arg, IFormatProvider? formatProvider) =>
        format?.Contains('|', StringComparison.Ordinal) == true && arg is int or long
            ? Choose(format.Split('|'), Convert.ToInt64(arg, CultureInfo.InvariantCulture))
            : arg is IFormattable formattable ? formattable.ToString(format, numbers) : arg?.ToString() ?? "";

    private string Choose(string[] forms, long number) =>
        forms[Math.Min(forms.Length - 1, FormOf(Math.Abs(number)))]
            .Replace("#", number.ToString(numbers), StringComparison.Ordinal);

    /// <summary>The form's place: of the languages that are spoken here, the others have one and other as English has.</summary>
    private int FormOf(long number) => language.Name.Split('-')[0] switch
    {
        "ko" => 0,
        "uk" => (number % 10, number % 100) switch
        {
            (1, not 11) => 0,
            ( >= 2 and <= 4, not (>= 12 and <= 14)) => 1,
            _ => 2,
        },
        _ => number == 1 ? 0 : 1,
    };
}
