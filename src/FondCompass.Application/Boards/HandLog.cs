using FondCompass.Application.Lessons;
using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Data.Dances;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;

namespace FondCompass.Application.Boards;

/// <summary>A lesson as somebody logs it by hand.</summary>
/// <param name="Group">The group's name; a new one is added to the groups.</param>
/// <param name="Went">How its dances went, the page's own first.</param>
/// <param name="Sent">The form that wrote it: one that arrives twice writes once.</param>
public sealed record LoggedByHand(string Group, DateOnly Day, IReadOnlyList<DanceHeld> Went, string Note, Guid? Sent);

/// <summary>Logs lessons by hand.</summary>
public sealed class HandLog(DanceShelf shelf, LessonBook book, TrackBook tracks, InstructorClock clock)
{
    /// <summary>Logs onto the lesson planned for that group, when there is one; else as a lesson of its own.</summary>
    /// <param name="dance">The dance of the page, as it is danced to its track.</param>
    public async Task Keep(Guid id, LessonDance dance, LoggedByHand logged, CancellationToken cancel)
    {
        var groups = await book.Groups(cancel);
        var group = groups.FirstOrDefault(g => string.Equals(g.Name, logged.Group, StringComparison.OrdinalIgnoreCase))
            ?? await book.AddGroup(logged.Group, "", LessonAsked.UsualMinutes, cancel);
        var written = await book.WrittenBy(logged.Sent, cancel);
        var planned = written ?? await book.Planned(id, cancel);
        var lesson = planned?.GroupId == group.Id || written is not null ? planned! : new LessonRecord { DanceId = id };
        (lesson.GroupId, lesson.Date) = (group.Id, logged.Day);
        lesson.HeldPlan = ReferenceEquals(lesson, planned) && (!lesson.Held || lesson.HeldPlan is null)
            ? await PlanOf(id, dance, lesson, group, cancel)
            : lesson.HeldPlan;
        (lesson.Held, lesson.Running, lesson.Sent, lesson.Note) = (true, false, logged.Sent, logged.Note);
        foreach (var went in logged.Went.Where(w => lesson.Dances.Contains(w.DanceId)))
        {
            lesson.Went(went);
        }

        if (ReferenceEquals(lesson, planned))
        {
            await book.Save(cancel);
        }
        else
        {
            await book.Add(lesson, cancel);
        }
    }

    /// <summary>The plan as it stands when the lesson is logged: it is kept as it was, whatever becomes of the dance.</summary>
    private async Task<string> PlanOf(Guid id, LessonDance dance, LessonRecord lesson, GroupRecord group, CancellationToken cancel)
    {
        var layout = await LessonLayout.Lay(
            (id, dance),
            TaughtClass.StateOf(lesson),
            TaughtClass.WeekOf(lesson),
            group,
            shelf,
            book,
            tracks,
            lesson.Id,
            clock,
            cancel);
        return HeldBlock.Written(layout.Plan(lesson.Asked, lesson.Rest), layout.Dances, layout.UsualPace(lesson.Asked));
    }
}
