using System.Globalization;
using FondCompass.Core.Wording.Texts.Lessons;

namespace FondCompass.Application.Lessons;

/// <summary>
/// Days of lessons as forms and addresses send them, "2026-11-26"; what is no such day, or so far away that nobody teaches then, is told.
/// </summary>
public static class LessonDay
{
    private const int FirstYear = 1900, LastYear = 2200;

    public static bool TryRead(string? text, out DateOnly day) =>
        DateOnly.TryParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out day)
            && day.Year is >= FirstYear and <= LastYear;

    /// <summary>What is wrong with a text that is none, and what to do.</summary>
    public static string Problem(string? text, string what) =>
        DeskTexts.NoDay(text, FirstYear, LastYear, what);

    /// <summary>So many days later, or the last day there is; lessons were once kept on any.</summary>
    public static DateOnly After(DateOnly day, int days) =>
        DateOnly.FromDayNumber(Math.Min(day.DayNumber + days, DateOnly.MaxValue.DayNumber));
}
