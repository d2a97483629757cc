using System.Globalization;
using FondCompass.Application.Lessons;
using FondCompass.Core.Teaching.Courses;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Dances;
using FondCompass.Data.Records;

namespace FondCompass.Application.Courses;

/// <summary>A course as its form says it; all of it as it was typed, so that nothing typed is lost.</summary>
public sealed record CourseAsked
{
    public string? Name { get; init; }

    public Guid Group { get; init; }

    public string? First { get; init; }

    public string? Weeks { get; init; }

    public string? Minutes { get; init; }

    /// <summary>Titles, a row each, in the order in which they are begun.</summary>
    public string? Dances { get; init; }

    /// <summary>The way it is taught, field by field, as <see cref="WayForm"/> reads it.</summary>
    public Dictionary<string, string?> Way { get; init; } = [];

    public static CourseAsked From(CourseRecord course, IReadOnlyDictionary<Guid, string> titles)
    {
        return new CourseAsked
        {
            Name = course.Name,
            Group = course.GroupId,
            First = course.First.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
            Weeks = course.Weeks.ToString(CultureInfo.InvariantCulture),
            Minutes = course.Minutes.ToString(CultureInfo.InvariantCulture),
            Dances = string.Join('\n', course.Dances.Select(d => titles.GetValueOrDefault(d)).OfType<string>()),
            Way = WayForm.FieldsOf(course.Way),
        };
    }

    /// <summary>Writes it into the course; what is wrong, in words, when something is, and then nothing is written.</summary>
    public async Task<string?> Into(CourseRecord course, IReadOnlyList<GroupRecord> groups, DanceShelf shelf, CancellationToken cancel)
    {
        if (Typed.Clean(Name).Length is 0 or > CourseRecord.LongestName)
        {
            return LessonPageTexts.GiveCourseAName(CourseRecord.LongestName);
        }

        if (groups.FirstOrDefault(g => g.Id == Group) is not { } group)
        {
            return LessonPageTexts.ChooseTheGroup;
        }

        if (!LessonDay.TryRead(First, out var day))
        {
            return LessonDay.Problem(First, LessonPageTexts.TheFirstLesson);
        }

        if (Typed.Whole(Weeks, 1, CourseBrief.MostWeeks) is not { } weeks)
        {
            return LessonPageTexts.NoNumberOfWeeks(Typed.Clean(Weeks), CourseBrief.MostWeeks);
        }

        if (Typed.Whole(Minutes, LessonAsked.LeastMinutes, (int)LessonBrief.Longest) is not { } minutes)
        {
            return LessonPageTexts.NoLengthOfLesson(Typed.Clean(Minutes), LessonAsked.LeastMinutes, LessonBrief.Longest);
        }

        var titles = Typed.Clean(Dances)
            .Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
            .Distinct(StringComparer.OrdinalIgnoreCase)
            .ToList();
        if (titles.Count is 0 or > CourseBrief.MostDances)
        {
            return LessonPageTexts.WriteTheTitles(CourseBrief.MostDances);
        }

        var ids = new List<Guid>();
        foreach (var title in titles)
        {
            if (await shelf.ByTitle(title, cancel) is not { } dance)
            {
                return LessonPageTexts.NoSuchDanceInRows(title);
            }

            ids.Add(dance.Id);
        }

        var (way, unread) = WayForm.Read(key => Way.TryGetValue(key, out var said) ? Typed.Clean(said) : null, course.Way);
        if (unread.Length > 0)
        {
            return unread;
        }

        // What was settled stands for a place; a dance that moved takes it along, one that went leaves none.
        course.Settled = course.Settled.Reordered(course.Dances, ids, weeks);
        (course.Name, course.GroupId, course.Group, course.First, course.Weeks, course.Minutes, course.Dances, course.Way) =
            (Typed.Clean(Name), group.Id, null, day, weeks, minutes, [.. ids], way);
        return null;
    }
}
