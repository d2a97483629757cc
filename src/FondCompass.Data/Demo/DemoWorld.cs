using FondCompass.Core.Measures;
using FondCompass.Core.Music;
using FondCompass.Data.Dances;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Data.Demo;

/// <summary>The world of Kittiwake Quay: the demo studio with its dances, groups and lessons. All of it is invented.</summary>
public static class DemoWorld
{
    private const long LoadLock = 5080;

    public const string UserName = "demo@kittiwake-quay.invalid";

    /// <summary>Loads the demo studio when the database holds no account yet.</summary>
    public static async Task LoadIfEmpty(
        FondCompassContext context,
        UserManager<Instructor> users,
        InstructorClock clock,
        CancellationToken cancel = default)
    {
        await using var transaction = await context.Database.BeginTransactionAsync(cancel);
        // Two starts over one empty database wait for each other here.
        await context.Database.ExecuteSqlAsync($"select pg_advisory_xact_lock({LoadLock})", cancel);
        if (await context.Users.AnyAsync(cancel))
        {
            return;
        }

        var owner = new Instructor { Id = Guid.CreateVersion7(), UserName = UserName, Email = UserName };
        var created = await users.CreateAsync(owner);
        if (!created.Succeeded)
        {
            throw new InvalidOperationException("The demo studio could not be made: "
                + string.Join(" ", created.Errors.Select(e => e.Description)));
        }

        var shelf = new DanceShelf(context, owner.Id, clock);
        var dances = new Dictionary<string, DanceRecord>();
        foreach (var (name, script) in Scripts())
        {
            dances[name] = await shelf.Add(script, cancel);
        }

        var book = new TrackBook(context, owner.Id);
        foreach (var (name, title, passages) in Tracks)
        {
            var track = await book.Add(title, passages, cancel);
            await book.Choose(dances[name].Id, track.Id, cancel);
        }

        foreach (var preset in PresetSongs.All)
        {
            await book.Add(preset.Title, preset.Text, cancel);
        }

        await AddLessons(new LessonBook(context, owner.Id, clock), new LessonEvents(context, owner.Id), dances, clock, cancel);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>The demo dances by file name without its ending.</summary>
    public static IEnumerable<(string Name, string Script)> Scripts()
    {
        var assembly = typeof(DemoWorld).Assembly;
        foreach (var resource in assembly.GetManifestResourceNames()
            .Where(n => n.EndsWith(".dance", StringComparison.Ordinal))
            .Order(StringComparer.Ordinal))
        {
            using var reader = new StreamReader(assembly.GetManifestResourceStream(resource)!);
            yield return (resource.Split('.')[^2], reader.ReadToEnd());
        }
    }

    /// <summary>Invented tracks: one that drifts from the stroll, one in passages, one that gathers speed.</summary>
    private static readonly (string Dance, string Title, string Passages)[] Tracks =
    [
        ("slack-tide-stroll",
            "Quay Lights",
            "intro 16 @112\nverse 32\n! chorus 32\nverse 32\nbridge 16\n! chorus 32\n! chorus 32\noutro 8\n"),
        ("nine-lanterns",
            "Nine for the Regatta",
            "intro 16 @104\nverse 48\n! chorus 32\nverse, the short one 24\n! chorus 32\nbridge 20\nverse 48\n! chorus 32\nending 8\n"),
        ("winch-and-windlass", "Haul Away Slowly", "intro 8 @96\n! slack 64\ncapstan 4\n! hauling 64 @96-132\n! full strain 64 @132-160\n"),
    ];

    /// <summary>What the beginners learn for the regatta, in the order in which it begins.</summary>
    private static readonly string[] Autumn =
    [
        "two-ferries-island", "low-water-waltz", "winch-and-windlass", "nine-lanterns", "bell-buoy-ring", "fog-signal"
    ];

    private static async Task AddLessons(
        LessonBook book,
        LessonEvents events,
        Dictionary<string, DanceRecord> dances,
        InstructorClock clock,
        CancellationToken cancel)
    {
        var stroll = dances["slack-tide-stroll"];
        var beginners = await book.AddGroup("Slipway beginners", "Thursdays in the Net Loft, rows", 60, cancel);
        (beginners.Size, beginners.Knows, beginners.Seen) = (18, "vine, rocking chair, step touch", "jazz box");
        var hour = await book.AddGroup("Breakwater hour", "Saturdays, dance-fitness in loops", 50, cancel);
        (hour.Size, hour.Level, hour.Knows) = (24, "mixed", "march, step touch, grapevine, knee lift");
        var regulars = await book.AddGroup("Loft regulars", "Tuesdays, phrased dances and percussive steps", 75, cancel);
        (regulars.Size, regulars.Level) = (12, "regular");
        await book.Save(cancel);
        var today = clock.Today;
        var thursday = today.AddDays(((int)DayOfWeek.Thursday - (int)today.DayOfWeek + 7) % 7);
        await book.Add(new LessonRecord
        {
            DanceId = stroll.Id,
            GroupId = beginners.Id,
            Date = thursday.AddDays(-14),
            Held = true,
            ReachedLine = 2,
            RatePercent = 75,
            WeakLines = [2],
            CleanLines = [1],
            Note = "Lock steps crossed over on the left. Two newcomers. Floor still sticky by the stove.",
        }, cancel);
        var held = await book.Add(new LessonRecord
        {
            DanceId = stroll.Id,
            GroupId = beginners.Id,
            Date = thursday.AddDays(-7),
            Held = true,
            ReachedLine = 3,
            RatePercent = 90,
            WeakLines = [3],
            CleanLines = [1, 2],
            Note = "The two pivots came apart: half first, then the quarter. Danced two walls to the band.",
            HeldPlan = HeldLesson.Plan,
            Heads = 16,
        }, cancel);
        await events.Keep(held!.Id, [.. HeldLesson.Events(held.Date, clock)], cancel);
        await book.Add(new LessonRecord { DanceId = stroll.Id, GroupId = beginners.Id, Date = thursday }, cancel);
        (beginners.WalkFactor, beginners.GatherFactor) = HeldLesson.Pace;
        beginners.Gentle = "knees: no deep bends";
        beginners.Room = "width=11&depth=9&margin=1&dancers=18&layout=Rows&obstacles=0%200%201.2%200.8";
        await book.Save(cancel);
        await book.Add(new CourseRecord
        {
            Name = "Ready for the Lantern Regatta",
            GroupId = beginners.Id,
            First = thursday.AddDays(7),
            Weeks = 10,
            Minutes = 60,
            Dances = [.. Autumn.Select(d => dances[d].Id)],
        }, cancel);
    }
}
