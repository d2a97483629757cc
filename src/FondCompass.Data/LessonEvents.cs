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

        var e = events.ToList();
        // Two boards, or one that asks twice, write the same event at once: it is there once. All of them, or none, in their order.
        await context.Database.ExecuteSqlAsync(
            $"""
            insert into "LessonEvents" ("LessonId", "Id", "Board", "Number", "Opened", "Since", "Kind", "Block", "Bite", "Value", "Words", "Undoes")
            select {lesson}, t.* from unnest({e.ConvertAll(x => x.Id)}, {e.ConvertAll(x => x.Board)}, {e.ConvertAll(x => x.Number)}, {e.ConvertAll(x => x.Opened)}, {e.ConvertAll(x => x.Since)}, {e.ConvertAll(x => x.Kind)},
                {e.ConvertAll(x => x.Block)}, {e.ConvertAll(x => x.Bite)}, {e.ConvertAll(x => x.Value)}, {e.ConvertAll(x => x.Words)}, {e.ConvertAll(x => x.Undoes)}) as t
            on conflict do nothing
            """, cancel);
        return true;
    }

    /// <summary>All events of a lesson as they arrived; none of anybody else's.</summary>
    public async Task<IReadOnlyList<LessonEventRecord>> Of(Guid lesson, CancellationToken cancel = default) =>
        await context.LessonEvents.AsNoTracking().Where(e => e.LessonId == lesson && context.Lessons.Any(l => l.Id == lesson && l.OwnerId == ownerId)).OrderBy(e => e.Arrived).ToListAsync(cancel);

    /// <summary>All events of the lessons held with a group, by lesson.</summary>
    public async Task<ILookup<Guid, LessonEventRecord>> OfGroup(Guid group, CancellationToken cancel = default) =>
        (await context.LessonEvents.AsNoTracking().Where(e => context.Lessons.Any(l => l.Id == e.LessonId && l.GroupId == group && l.OwnerId == ownerId)).OrderBy(e => e.Arrived).ToListAsync(cancel)).ToLookup(e => e.LessonId);
}
