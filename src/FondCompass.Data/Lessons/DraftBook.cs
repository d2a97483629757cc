using FondCompass.Core.Measures;
using FondCompass.Data.Records;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Data.Lessons;

/// <summary>Which plan in the making: of a dance, of a lesson that is planned already, or of a week of a course.</summary>
/// <param name="Lesson">The lesson that is changed; null while there is none.</param>
/// <param name="Week">Of the course, from 1; 0 for a lesson by itself.</param>
public readonly record struct DraftOf(Guid Dance, Guid? Lesson, Guid? Course, int Week);

/// <summary>One instructor's plans in the making.</summary>
public sealed class DraftBook(FondCompassContext context, Guid ownerId, InstructorClock clock)
{
    /// <summary>The plan in the making; null where nothing was changed yet.</summary>
    public Task<PlanDraft?> Find(DraftOf which, CancellationToken cancel = default) =>
        context.PlanDrafts.AsNoTracking().FirstOrDefaultAsync(
        d => d.OwnerId == ownerId
            && d.DanceId == which.Dance
            && d.LessonId == which.Lesson
            && d.CourseId == which.Course
            && d.Week == which.Week,
        cancel);

    /// <summary>Keeps a change of a plan; false where another window changed it meanwhile, and then nothing is kept.</summary>
    /// <param name="draft">As it was found, or a new one.</param>
    public async Task<bool> Keep(
        PlanDraft draft,
        PlanState state,
        PlanPast past,
        PlanShown shown,
        Guid page,
        CancellationToken cancel = default)
    {
        var isNew = draft.Number == 0;
        if (isNew)
        {
            (draft.Id, draft.OwnerId) = (Guid.CreateVersion7(), ownerId);
            context.PlanDrafts.Add(draft);
        }
        else
        {
            context.PlanDrafts.Attach(draft);
        }

        (draft.State, draft.Past, draft.Shown, draft.Page, draft.ChangedAt) = (state, past, shown, page, clock.Now);
        draft.Number++;
        try
        {
            await context.SaveChangesAsync(cancel);
            return true;
        }
        catch (DbUpdateException conflict) when (Conflicts.Is(conflict))
        {
            return false;
        }
        finally
        {
            context.Entry(draft).State = EntityState.Detached;
        }
    }

    /// <summary>Forgets a plan in the making, once it is a lesson, or nobody wants it.</summary>
    public Task Forget(Guid draft, CancellationToken cancel = default) =>
        context.PlanDrafts.Where(d => d.Id == draft && d.OwnerId == ownerId).ExecuteDeleteAsync(cancel);
}
