using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Data.Dances;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;

namespace FondCompass.Application.Courses;

/// <summary>What an instructor does with courses. Each is saved as a whole or not at all.</summary>
public sealed class CourseDesk(LessonBook book, DanceShelf shelf)
{
    /// <summary>Begins a course.</summary>
    /// <param name="groups">That may be chosen.</param>
    /// <returns>The course, or why there is none.</returns>
    public async Task<(CourseRecord? Course, string? Problem)> Begin(
        CourseAsked asked,
        IReadOnlyList<GroupRecord> groups,
        CancellationToken cancel)
    {
        var course = new CourseRecord();
        return await asked.Into(course, groups, shelf, cancel) is { } problem
            ? (null, problem)
            : (await book.Add(course, cancel), null);
    }

    /// <summary>Changes what a course is.</summary>
    /// <inheritdoc cref="Begin"/>
    /// <returns>Why nothing was changed; null when it was.</returns>
    public async Task<string?> Change(
        CourseRecord course,
        CourseAsked asked,
        IReadOnlyList<GroupRecord> groups,
        CancellationToken cancel)
    {
        var problem = await asked.Into(course, groups, shelf, cancel);
        if (problem is null)
        {
            await book.Save(cancel);
        }

        return problem;
    }

    /// <summary>Settles how many bites of a dance are new in a week.</summary>
    /// <param name="week">From 1; a week or a dance that the course has not changes nothing.</param>
    /// <param name="bites">Null lets it go.</param>
    public async Task Settle(CourseRecord course, int week, Guid dance, int? bites, CancellationToken cancel)
    {
        var place = Array.IndexOf(course.Dances, dance);
        if (place >= 0 && week >= 1 && week <= course.Weeks)
        {
            course.Settled = course.Settled.With(week, place, bites is { } number ? Math.Clamp(number, 0, LessonPlanner.MostBites) : null);
            await book.Save(cancel);
        }
    }

    /// <summary>Lets go all that was settled by hand.</summary>
    public async Task Free(CourseRecord course, CancellationToken cancel)
    {
        course.Settled = CourseSettled.Nothing;
        await book.Save(cancel);
    }
}
