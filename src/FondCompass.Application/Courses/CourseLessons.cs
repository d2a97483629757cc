using FondCompass.Core.Teaching.Planning;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;

namespace FondCompass.Application.Courses;

/// <summary>The lessons of a course: its weeks, planned.</summary>
public sealed class CourseLessons(LessonBook book)
{
    /// <summary>
    /// Plans every week that is not held yet as a lesson, once each; one that is planned already follows the table, unless it was changed
    /// by hand.
    /// </summary>
    /// <returns>How many were planned or changed, and how many stay as they were changed by hand.</returns>
    public async Task<(int Changed, int ByHand)> Plan(CourseTable table, CancellationToken cancel)
    {
        var (course, lessons) = (table.Record, await book.LessonsOf(table.Record.Id, cancel));
        var (changed, byHand) = (0, 0);
        foreach (var week in table.Plan.Weeks)
        {
            var there = lessons.FirstOrDefault(l => l.Week == week.Number);
            if (table.Asked(week) is not var (first, state) || there is { Held: true })
            {
                continue;
            }

            if (there is not null && IsByHand(there, course))
            {
                byHand++;
                continue;
            }

            var day = course.DayOf(week.Number);
            if (there is not null
                && (there.DanceId, there.Date) == (first, day)
                && there.Also.SequenceEqual(state.Also)
                && KeptJson.Write(there.Asked) == KeptJson.Write(state.Asked))
            {
                continue;
            }

            var lesson = there ?? new LessonRecord { CourseId = course.Id, Week = week.Number };
            (lesson.DanceId, lesson.Also, lesson.GroupId, lesson.Date, lesson.Asked) =
                (first, [.. state.Also], course.GroupId, day, state.Asked);
            if (there is null)
            {
                await book.Add(lesson, cancel);
            }

            changed++;
        }

        await book.Save(cancel);
        return (changed, byHand);
    }

    /// <summary>
    /// Whether a lesson has something that no course writes into it: blocks or bites changed, a version, or another way than the course's.
    /// </summary>
    private static bool IsByHand(LessonRecord lesson, CourseRecord course) =>
        KeptJson.Write(lesson.Asked) != KeptJson.Write(new LessonAsked
        {
            Kind = course.Way.Kind,
            Way = course.Way.Way,
            Minutes = lesson.Minutes,
            Spans = lesson.Asked.Spans
        });
}
