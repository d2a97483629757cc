using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Data.Records;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Data.Lessons;

/// <summary>When a dance was danced last, and with which group.</summary>
public sealed record LastDanced(DateOnly Date, string Group);

/// <summary>One instructor's groups and lessons, planned and held.</summary>
public sealed class LessonBook(FondCompassContext context, Guid ownerId, InstructorClock clock)
{
    public async Task<IReadOnlyList<GroupRecord>> Groups(CancellationToken cancel = default) =>
        await context.Groups.AsNoTracking().Where(g => g.OwnerId == ownerId).OrderBy(g => g.Name).ToListAsync(cancel);

    /// <exception cref="QuotaException">There are as many as may be.</exception>
    public async Task<GroupRecord> AddGroup(string name, string meets, int minutes, CancellationToken cancel = default)
    {
        await Quota.Groups.Check(context.Groups, ownerId, cancel);
        var group = new GroupRecord { Id = Guid.CreateVersion7(), OwnerId = ownerId, Name = name, Meets = meets, LessonMinutes = minutes };
        context.Groups.Add(group);
        await context.SaveChangesAsync(cancel);
        return group;
    }

    /// <summary>A group to be changed; null for nobody's and anybody else's.</summary>
    public Task<GroupRecord?> Group(Guid id, CancellationToken cancel = default) =>
        context.Groups.FirstOrDefaultAsync(g => g.Id == id && g.OwnerId == ownerId, cancel);

    /// <summary>Lessons on one page of them.</summary>
    public const int PageSize = 100;

    /// <summary>Lessons, newest first; of one dance when it is given.</summary>
    /// <param name="skip">So many are on pages before.</param>
    public async Task<IReadOnlyList<LessonRecord>> Lessons(Guid? danceId = null, int skip = 0, CancellationToken cancel = default) =>
        await Of(danceId).OrderByDescending(l => l.Date).ThenByDescending(l => l.Id).Skip(skip).Take(PageSize).ToListAsync(cancel);

    /// <summary>The lesson that is led now, else the next that is planned; null for none.</summary>
    public Task<LessonRecord?> Tonight(DateOnly today, CancellationToken cancel = default) =>
        Of(null)
            .Where(l => (l.Running && l.Date >= today.AddDays(-1)) || (!l.Held && l.Date >= today))
            .OrderByDescending(l => l.Running)
            .ThenBy(l => l.Date)
            .ThenBy(l => l.Id)
            .FirstOrDefaultAsync(cancel);

    /// <summary>How many lessons were held with each group, and when the last was.</summary>
    public Task<Dictionary<Guid, (int Held, DateOnly Last)>> HeldCounts(CancellationToken cancel = default) =>
        Of(null)
            .Where(l => l.Held)
            .GroupBy(l => l.GroupId)
            .Select(g => new { g.Key, Held = g.Count(), Last = g.Max(l => l.Date) })
            .ToDictionaryAsync(g => g.Key, g => (g.Held, g.Last), cancel);

    public Task<int> CountOf(Guid? danceId = null, CancellationToken cancel = default) => Of(danceId).CountAsync(cancel);

    private IQueryable<LessonRecord> Of(Guid? danceId) => context.Lessons.AsNoTracking().Include(l => l.Group)
        .Where(l => l.OwnerId == ownerId && (danceId == null || l.DanceId == danceId || l.Also.Contains(danceId.Value)));

    /// <summary>Lessons that were taken out, the latest first.</summary>
    public async Task<IReadOnlyList<LessonRecord>> TakenOut(CancellationToken cancel = default) =>
        await context.Lessons.IgnoreQueryFilters()
            .AsNoTracking()
            .Include(l => l.Group)
            .Where(l => l.OwnerId == ownerId && l.DeletedAt != null)
            .OrderByDescending(l => l.DeletedAt).Take(PageSize).ToListAsync(cancel);

    /// <summary>Takes a lesson out, with whatever was told of it; it can be put back.</summary>
    public async Task<bool> TakeOut(Guid id, CancellationToken cancel = default) =>
        await context.Lessons.Where(l => l.Id == id && l.OwnerId == ownerId)
            .ExecuteUpdateAsync(l => l.SetProperty(x => x.DeletedAt, clock.Now).SetProperty(x => x.Sent, (Guid?)null), cancel) > 0;

    public async Task<bool> PutBack(Guid id, CancellationToken cancel = default) =>
        await context.Lessons.IgnoreQueryFilters()
            .Where(l => l.Id == id && l.OwnerId == ownerId && l.DeletedAt != null)
            .ExecuteUpdateAsync(l => l.SetProperty(x => x.DeletedAt, (DateTimeOffset?)null), cancel) > 0;

    /// <summary>Lessons held with a group in which one of these dances was danced, newest first.</summary>
    public async Task<IReadOnlyList<LessonRecord>> HeldWith(
        Guid group,
        IReadOnlyCollection<Guid> dances,
        CancellationToken cancel = default) =>
        await context.Lessons.AsNoTracking()
            .Where(l => l.OwnerId == ownerId
                && l.GroupId == group
                && l.Held
                && (dances.Contains(l.DanceId) || l.Also.Any(d => dances.Contains(d))))
            .OrderByDescending(l => l.Date).ThenByDescending(l => l.Id).ToListAsync(cancel);

    /// <summary>All lessons held with a group, newest first.</summary>
    public async Task<IReadOnlyList<LessonRecord>> HeldWith(Guid group, CancellationToken cancel = default) =>
        await context.Lessons.AsNoTracking()
            .Where(l => l.OwnerId == ownerId && l.GroupId == group && l.Held)
            .OrderByDescending(l => l.Date)
            .ThenByDescending(l => l.Id)
            .ToListAsync(cancel);

    /// <summary>Of each of these dances that was danced: on which day last, and with whom.</summary>
    public async Task<IReadOnlyDictionary<Guid, LastDanced>> LastHeld(IReadOnlyCollection<Guid> dances, CancellationToken cancel = default)
    {
        var ids = dances.ToArray();
        var last = await context.Database.SqlQuery<LastDancedRow>(
            $"""
            select distinct on (d."DanceId") d."DanceId", d."Date", g."Name" as "Group" from (
              select l."DanceId", l."Date", l."Id", l."GroupId" from "Lessons" l
                where l."OwnerId" = {ownerId} and l."Held" and l."DeletedAt" is null and l."DanceId" = any({ids})
              union all
              select a.dance, l."Date", l."Id", l."GroupId" from "Lessons" l, unnest(l."Also") as a(dance)
                where l."OwnerId" = {ownerId} and l."Held" and l."DeletedAt" is null and l."Also" && {ids} and a.dance = any({ids})) d
            join "Groups" g on g."Id" = d."GroupId"
            order by d."DanceId", d."Date" desc, d."Id" desc
            """).ToListAsync(cancel);
        return last.ToDictionary(l => l.DanceId, l => new LastDanced(l.Date, l.Group));
    }

    private sealed record LastDancedRow(Guid DanceId, DateOnly Date, string Group);

    /// <summary>Whether a lesson is there and this owner's.</summary>
    public Task<bool> Has(Guid id, CancellationToken cancel = default) =>
        context.Lessons.AnyAsync(l => l.Id == id && l.OwnerId == ownerId, cancel);

    /// <summary>Lessons whose log is not worked out yet from what boards told, the latest first, some of them.</summary>
    public async Task<IReadOnlyList<Guid>> LogDue(int most, CancellationToken cancel = default) =>
        await context.Lessons.Where(l => l.OwnerId == ownerId && l.IsLogDue)
            .OrderByDescending(l => l.Date)
            .ThenByDescending(l => l.Id)
            .Select(l => l.Id)
            .Take(most)
            .ToListAsync(cancel);

    /// <summary>What the blocks of the lessons held with a group took.</summary>
    public async Task<IReadOnlyList<LessonTimes>> TimesOf(Guid group, CancellationToken cancel = default) =>
        [.. (await context.Lessons.Where(l => l.OwnerId == ownerId && l.GroupId == group && l.Held && l.Times != null && l.Times != "")
            .OrderBy(l => l.Date)
            .ThenBy(l => l.Id)
            .Select(l => l.Times!)
            .ToListAsync(cancel)).Select(t => LessonTimes.Read(t)!)];

    public Task<LessonRecord?> Find(Guid id, CancellationToken cancel = default) =>
        context.Lessons.Include(l => l.Group).FirstOrDefaultAsync(l => l.Id == id && l.OwnerId == ownerId, cancel);

    /// <summary>The dance's next planned lesson, or null.</summary>
    public Task<LessonRecord?> Planned(Guid danceId, CancellationToken cancel = default) =>
        context.Lessons.Include(l => l.Group)
            .Where(l => l.OwnerId == ownerId && l.DanceId == danceId && !l.Held)
            .OrderBy(l => l.Date).ThenBy(l => l.Id).FirstOrDefaultAsync(cancel);

    /// <summary>The lesson that is planned with this dance for a group on a day, by itself and not held yet; null for none.</summary>
    public Task<LessonRecord?> PlannedOn(Guid danceId, Guid group, DateOnly day, CancellationToken cancel = default) =>
        context.Lessons.Include(l => l.Group)
            .FirstOrDefaultAsync(
                l => l.OwnerId == ownerId
                    && l.DanceId == danceId
                    && l.GroupId == group
                    && l.Date == day
                    && !l.Held
                    && !l.Running
                    && l.CourseId == null,
                cancel);

    /// <summary>The next planned lesson that begins with another dance and teaches this one too, or null.</summary>
    public Task<LessonRecord?> PlannedBeside(Guid danceId, CancellationToken cancel = default) =>
        context.Lessons.Include(l => l.Group)
            .Where(l => l.OwnerId == ownerId && l.Also.Contains(danceId) && !l.Held)
            .OrderBy(l => l.Date).ThenBy(l => l.Id).FirstOrDefaultAsync(cancel);

    /// <summary>What a group is told otherwise in a dance; nothing for anybody else's group.</summary>
    public async Task<ClassCues> CuesFor(Guid group, Guid dance, CancellationToken cancel = default) =>
        await context.ClassCues.AsNoTracking()
            .Where(c => c.GroupId == group && c.DanceId == dance && context.Groups.Any(g => g.Id == group && g.OwnerId == ownerId))
            .Select(c => c.Told)
            .FirstOrDefaultAsync(cancel)
            ?? ClassCues.None;

    /// <summary>Keeps what a group is told otherwise; false when the group or the dance is not this owner's.</summary>
    public async Task<bool> KeepCues(Guid group, Guid dance, ClassCues told, CancellationToken cancel = default)
    {
        if (!await context.Groups.AnyAsync(g => g.Id == group && g.OwnerId == ownerId, cancel) || !await Owns([dance], cancel))
        {
            return false;
        }

        var kept = KeptJson.Write(told);
        // Two windows that keep the first words at once both succeed; the later one stands.
        await context.Database.ExecuteSqlAsync(
            $"""
            insert into "ClassCues" ("GroupId", "DanceId", "Told") values ({group}, {dance}, {kept}::jsonb)
            on conflict ("GroupId", "DanceId") do update set "Told" = excluded."Told"
            """,
            cancel);
        return true;
    }

    /// <summary>Courses, the latest first.</summary>
    public async Task<IReadOnlyList<CourseRecord>> Courses(CancellationToken cancel = default) =>
        await context.Courses.AsNoTracking()
            .Include(c => c.Group)
            .Where(c => c.OwnerId == ownerId)
            .OrderByDescending(c => c.First)
            .ThenByDescending(c => c.Id)
            .ToListAsync(cancel);

    /// <summary>A course to be changed; null for nobody's and anybody else's.</summary>
    public Task<CourseRecord?> Course(Guid id, CancellationToken cancel = default) =>
        context.Courses.Include(c => c.Group).FirstOrDefaultAsync(c => c.Id == id && c.OwnerId == ownerId, cancel);

    /// <summary>Adds a course; null when the group or a dance is not this owner's.</summary>
    public async Task<CourseRecord?> Add(CourseRecord course, CancellationToken cancel = default)
    {
        if (!await context.Groups.AnyAsync(g => g.Id == course.GroupId && g.OwnerId == ownerId, cancel)
            || !await Owns(course.Dances, cancel))
        {
            return null;
        }

        await Quota.Courses.Check(context.Courses, ownerId, cancel);
        (course.Id, course.OwnerId, course.CreatedAt) = (Guid.CreateVersion7(), ownerId, clock.Now);
        context.Courses.Add(course);
        await context.SaveChangesAsync(cancel);
        return course;
    }

    /// <summary>Deletes a course; its lessons stay, as lessons by themselves.</summary>
    public async Task<bool> DeleteCourse(Guid id, CancellationToken cancel = default) =>
        await context.Courses.Where(c => c.Id == id && c.OwnerId == ownerId).ExecuteDeleteAsync(cancel) > 0;

    /// <summary>The lessons of a course, by week.</summary>
    public async Task<IReadOnlyList<LessonRecord>> LessonsOf(Guid course, CancellationToken cancel = default) =>
        await context.Lessons.Where(l => l.OwnerId == ownerId && l.CourseId == course).OrderBy(l => l.Week).ToListAsync(cancel);

    private async Task<bool> Owns(IReadOnlyCollection<Guid> dances, CancellationToken cancel)
    {
        var own = dances.Distinct().ToList();
        return await context.Dances.CountAsync(d => own.Contains(d.Id) && d.OwnerId == ownerId, cancel) == own.Count;
    }

    /// <summary>
    /// The lesson a form has written already, when its answer was lost and it was sent again, or was gone back to and corrected; else null.
    /// </summary>
    public Task<LessonRecord?> WrittenBy(Guid? sent, CancellationToken cancel = default) =>
        context.Lessons.Include(l => l.Group).FirstOrDefaultAsync(l => l.OwnerId == ownerId && l.Sent != null && l.Sent == sent, cancel);

    /// <summary>Adds a lesson; null when the dance or the group is not this owner's.</summary>
    public async Task<LessonRecord?> Add(LessonRecord lesson, CancellationToken cancel = default)
    {
        var isOwn = await Owns([lesson.DanceId, .. lesson.Also], cancel)
            && await context.Groups.AnyAsync(g => g.Id == lesson.GroupId && g.OwnerId == ownerId, cancel);
        if (!isOwn)
        {
            return null;
        }

        await Quota.Lessons.Check(context.Lessons.IgnoreQueryFilters(), ownerId, cancel);
        lesson.Id = Guid.CreateVersion7();
        lesson.OwnerId = ownerId;
        context.Lessons.Add(lesson);
        await context.SaveChangesAsync(cancel);
        return lesson;
    }

    public async Task Save(CancellationToken cancel = default) => await context.SaveChangesAsync(cancel);
}
