using FondCompass.Core.Teaching.Boards;
using FondCompass.Data.Records;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Data.Lessons;

/// <summary>What became of events that a board sent.</summary>
public enum EventsKept
{
    Kept,

    /// <summary>They are kept, and the lesson has no plan yet that it is held with.</summary>
    KeptFirst,

    /// <summary>The lesson is nobody's, or anybody else's.</summary>
    NoLesson,

    /// <summary>It would have more events than are kept; none of these was.</summary>
    TooMany,
}

/// <summary>What boards tell of one instructor's lessons.</summary>
public sealed class LessonEvents(FondCompassContext context, Guid ownerId)
{
    /// <summary>
    /// Keeps what is new of these, in their order, and writes into the lesson what each by itself says: that it is led or over, and how
    /// many danced. The rest of its
    /// log is worked out when somebody looks at it (<see cref="LessonRecord.IsLogDue"/>).
    /// </summary>
    public async Task<EventsKept> Keep(Guid lesson, IReadOnlyCollection<LessonEventRecord> events, CancellationToken cancel = default)
    {
        var there = await context.Lessons.Where(l => l.Id == lesson && l.OwnerId == ownerId)
            .Select(l => new { IsPlanned = l.HeldPlan != null, l.Running, Events = context.LessonEvents.Count(e => e.LessonId == lesson) })
            .FirstOrDefaultAsync(cancel);
        if (there is null)
        {
            return EventsKept.NoLesson;
        }

        if (there.Events + events.Count > LessonEventRecord.Most)
        {
            var known = events.Select(e => e.Id).ToList();
            var fresh = known.Count - await context.LessonEvents.CountAsync(e => e.LessonId == lesson && known.Contains(e.Id), cancel);
            if (fresh > 0)
            {
                return EventsKept.TooMany;
            }
        }

        var e = events.ToList();
        // Two boards, or one that asks twice, write the same event at once: it is there once. All of them, or none, in their order; and the
        // lesson with them.
        await context.Database.ExecuteSqlAsync(
            $"""
            with kept as (
              insert into "LessonEvents" ("LessonId", "Id", "Board", "Number",
                "Opened", "Since", "Kind", "Block", "Bite", "Value", "Words", "Undoes")
              select {lesson}, t.* from unnest(
                {e.ConvertAll(x => x.Id)}, {e.ConvertAll(x => x.Board)}, {e.ConvertAll(x => x.Number)},
                {e.ConvertAll(x => x.Opened)}, {e.ConvertAll(x => x.Since)}, {e.ConvertAll(x => x.Kind)},
                {e.ConvertAll(x => x.Block)}, {e.ConvertAll(x => x.Bite)}, {e.ConvertAll(x => x.Value)},
                {e.ConvertAll(x => x.Words)}, {e.ConvertAll(x => x.Undoes)}) as t
              on conflict do nothing
              returning "Arrived", "Kind", "Value"),
            said as (
              select count(*) as all_of_them, bool_or("Kind" = {Leading}) as led, bool_or("Kind" = {Closing}) as closed,
                (array_agg("Value" order by "Arrived" desc) filter (where "Kind" = {Counting}))[1] as heads
              from kept)
            update "Lessons" l set "IsLogDue" = true, "Heads" = coalesce(said.heads::int, l."Heads"),
              "Running" = case when said.closed then false when l."Running" then true
                else said.led and not exists (select from "LessonEvents" o where o."LessonId" = {lesson} and o."Kind" = {Closing}
                  and o."Arrived" > coalesce((select max(a."Arrived") from "LessonEvents" a
                    where a."LessonId" = {lesson} and a."Kind" = {Anew}), 0)) end
            from said where l."Id" = {lesson} and said.all_of_them > 0
            """, cancel);
        return there.IsPlanned ? EventsKept.Kept : EventsKept.KeptFirst;
    }

    /// <summary>Kinds that tell that a board leads, that it is over, how many danced, and that all begins anew.</summary>
    private static readonly string Leading =
        Word(LessonEventKind.Enter), Closing = Word(LessonEventKind.Close), Counting = Word(LessonEventKind.Heads),
        Anew = Word(LessonEventKind.Anew);

    /// <summary>Whether any of these begins the lesson anew and is not kept yet.</summary>
    public async Task<bool> BeginAnew(Guid lesson, IReadOnlyCollection<LessonEventRecord> events, CancellationToken cancel = default)
    {
        var anew = events.Where(e => e.Kind == Anew).Select(e => e.Id).ToList();
        return anew.Count > 0
            && anew.Count > await context.LessonEvents.CountAsync(e => e.LessonId == lesson && anew.Contains(e.Id), cancel);
    }

    /// <summary>A kind as it is kept.</summary>
    public static string Word(LessonEventKind kind) => kind.ToString().ToLowerInvariant();

    /// <summary>All events of a lesson as they arrived; none of anybody else's.</summary>
    public async Task<IReadOnlyList<LessonEventRecord>> Of(Guid lesson, CancellationToken cancel = default) =>
        await context.LessonEvents.AsNoTracking()
            .Where(e => e.LessonId == lesson && context.Lessons.Any(l => l.Id == lesson && l.OwnerId == ownerId))
            .OrderBy(e => e.Arrived)
            .ToListAsync(cancel);
}
