using FondCompass.Data.Records;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Data;

/// <summary>One instructor's groups and lessons, planned and held.</summary>
public sealed class LessonBook(FondCompassContext context, Guid ownerId)
{
    public async Task<IReadOnlyList<GroupRecord>> Groups(CancellationToken cancel = default) =>
        await context.Groups.AsNoTracking().Where(g => g.OwnerId == ownerId).OrderBy(g => g.Name).ToListAsync(cancel);

    public async Task<GroupRecord> AddGroup(string name, string meets, int minutes, CancellationToken cancel = default)
    {
        var group = new GroupRecord { Id = Guid.CreateVersion7(), OwnerId = ownerId, Name = name, Meets = meets, LessonMinutes = minutes };
        context.Groups.Add(group);
        await context.SaveChangesAsync(cancel);
        return group;
    }

    /// <summary>Lessons, newest first; of one dance when it is given.</summary>
    public async Task<IReadOnlyList<LessonRecord>> Lessons(Guid? danceId = null, CancellationToken cancel = default) =>
        await context.Lessons.AsNoTracking().Include(l => l.Group)
            .Where(l => l.OwnerId == ownerId && (danceId == null || l.DanceId == danceId))
            .OrderByDescending(l => l.Date).ThenByDescending(l => l.Id).Take(100).ToListAsync(cancel);

    /// <summary>The last lesson held of each dance that has one.</summary>
    public async Task<IReadOnlyDictionary<Guid, LessonRecord>> LastHeld(CancellationToken cancel = default)
    {
        var held = context.Lessons.AsNoTracking().Where(l => l.OwnerId == ownerId && l.Held);
        var last = await held.GroupBy(l => l.DanceId).Select(g => g.OrderByDescending(l => l.Date).ThenByDescending(l => l.Id).First().Id).ToListAsync(cancel);
        return await held.Where(l => last.Contains(l.Id)).Include(l => l.Group).ToDictionaryAsync(l => l.DanceId, cancel);
    }

    public Task<LessonRecord?> Find(Guid id, CancellationToken cancel = default) =>
        context.Lessons.Include(l => l.Group).FirstOrDefaultAsync(l => l.Id == id && l.OwnerId == ownerId, cancel);

    /// <summary>The dance's next planned lesson, or null.</summary>
    public Task<LessonRecord?> Planned(Guid danceId, CancellationToken cancel = default) =>
        context.Lessons.Include(l => l.Group)
            .Where(l => l.OwnerId == ownerId && l.DanceId == danceId && !l.Held)
            .OrderBy(l => l.Date).FirstOrDefaultAsync(cancel);

    /// <summary>The lesson a form has written already, when its answer was lost and it was sent again, or was gone back to and corrected; else null.</summary>
    public Task<LessonRecord?> WrittenBy(Guid? sent, CancellationToken cancel = default) =>
        context.Lessons.Include(l => l.Group).FirstOrDefaultAsync(l => l.OwnerId == ownerId && l.Sent != null && l.Sent == sent, cancel);

    /// <summary>Adds a lesson; null when the dance or the group is not this owner's.</summary>
    public async Task<LessonRecord?> Add(LessonRecord lesson, CancellationToken cancel = default)
    {
        var isOwn = await context.Dances.AnyAsync(d => d.Id == lesson.DanceId && d.OwnerId == ownerId, cancel)
            && await context.Groups.AnyAsync(g => g.Id == lesson.GroupId && g.OwnerId == ownerId, cancel);
        if (!isOwn)
        {
            return null;
        }

        lesson.Id = Guid.CreateVersion7();
        lesson.OwnerId = ownerId;
        context.Lessons.Add(lesson);
        await context.SaveChangesAsync(cancel);
        return lesson;
    }

    public async Task Save(CancellationToken cancel = default) => await context.SaveChangesAsync(cancel);
}
