using FondCompass.Data.Records;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Data;

/// <summary>What boards tell of one instructor's lessons.</summary>
public sealed class LessonEvents(FondCompassContext context, Guid ownerId)
{
    /// <summary>
    /// Keeps what is new of these, in their order. Null when the lesson is nobody's or anybody else's; false when it would have more events than
    /// are kept, and then nothing is.
    /// </summary>
    public async Task<bool?> Keep(Guid lesson, IReadOnlyCollection<LessonEventRecord> events, CancellationToken cancel = default)
    {
        if (!await context.Lessons.AnyAsync(l => l.Id == lesson && l.OwnerId == ownerId, cancel))
        {
            return null;
        }

        if (await context.LessonEvents.CountAsync(e => e.LessonId == lesson, cancel) + events.Count > LessonEventRecord.Most)
        {
            var known = events.Select(e => e.Id).ToList();
            var fresh = known.Count - await context.LessonEvents.CountAsync(e => e.LessonId == lesson && known.Contains(e.Id), cancel);
            if (fresh > 0)
            {
                return false;
            }
        }

        await using var work = await context.Database.BeginTransactionAsync(cancel);
        foreach (var e in events)
        {
            // Two boards, or one that asks twice, write the same event at once: it is there once.
            await context.Database.ExecuteSqlAsync(
                $"""
                insert into "LessonEvents" ("LessonId", "Id", "Board", "Number", "Opened", "Since", "Kind", "Block", "Bite", "Value", "Words", "Undoes")
                values ({lesson}, {e.Id}, {e.Board}, {e.Number}, {e.Opened}, {e.Since}, {e.Kind}, {e.Block}, {e.Bite}, {e.Value}, {e.Words}, {e.Undoes})
                on conflict do nothing
                """, cancel);
        }

        await work.CommitAsync(cancel);
        return true;
    }

    /// <summary>All events of a lesson as they arrived; none of anybody else's.</summary>
    public async Task<IReadOnlyList<LessonEventRecord>> Of(Guid lesson, CancellationToken cancel = default) =>
        await context.LessonEvents.AsNoTracking().Where(e => e.LessonId == lesson && context.Lessons.Any(l => l.Id == lesson && l.OwnerId == ownerId)).OrderBy(e => e.Arrived).ToListAsync(cancel);

    /// <summary>All events of the lessons held with a group, by lesson.</summary>
    public async Task<ILookup<Guid, LessonEventRecord>> OfGroup(Guid group, CancellationToken cancel = default) =>
        (await context.LessonEvents.AsNoTracking().Where(e => context.Lessons.Any(l => l.Id == e.LessonId && l.GroupId == group && l.OwnerId == ownerId)).OrderBy(e => e.Arrived).ToListAsync(cancel)).ToLookup(e => e.LessonId);
}
