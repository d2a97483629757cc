using System.Text.Json;
using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Blocks;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Data;
using FondCompass.Data.Dances;
using FondCompass.Data.Lessons;
using FondCompass.Data.Records;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata;

namespace FondCompass.Tests.Databases;

/// <summary>
/// A studio in whose every field stands a text that wants to be markup, as a script received from somebody else may hold it. Nothing that
/// it makes may become an element or an
/// attribute of any page. The fields are found by the model of the database, so that a new one is among them or is told.
/// </summary>
internal static class HostileStudio
{
    /// <summary>The word by which whatever the text made is known.</summary>
    public const string Mark = "fondcanary";

    /// <summary>Ends a quoted value of either kind, a tag and an element, then is an element that sends itself.</summary>
    public const string Text = $"x\"' {Mark}=1 ></textarea></title></script><b {Mark}=2 hx-post=/{Mark} hx-trigger=load onclick={Mark}()>";

    /// <summary>The same where a field holds few letters.</summary>
    public const string Short = $"\"' {Mark}=1 ><b {Mark}>";

    /// <summary>As part of an address: a value that ends it.</summary>
    private static string Asked(string name) => $"{name}={Uri.EscapeDataString(Text)}";

    /// <summary>A name of a part, a tag or a version: one word as the script has them, that ends an attribute all the same.</summary>
    private const string Name = $"A\"'><b_{Mark}=1_onclick={Mark}()>";

    /// <summary>Dances with the text in every place of a script.</summary>
    public static IReadOnlyList<string> Scripts { get; } =
    [
        $"""
        title {Text}
        by {Text}
        from {Text}
        level {Short}
        start weight L facing 12
        tempo 112
        intro 16
        step {Name.ToLowerInvariant()} = step R across, step L across
        part A {Text}
        line {Text}
        1-4 vine R + {Text}
        5-8 vine L, {Text}
        cue 1 {Text}
        note 2 {Text}
        caution {Text}
        trouble 3 {Text}
        + 5,7 {Text}
        ? 1-4 {Text}
        1-4 rocking chair R
        easier "{Text}" 1-4 walk R
        {Text} 5-8 jazz box R
        5-8 jazz box R, turn 1/4 right
        tag T {Text}
        1-4 sway R, sway L, sway R, sway L
        after 2 T
        check weight {Text}
        # {Text}
        {Text}
        """,
        $"""
        title Phrased {Short}
        start weight L facing 12
        tempo 112
        part {Name}
        1-4 vine R
        5-8 vine L
        1-8 weave R
        part B{Mark}"'
        1-4 vine R
        5-8 vine L, turn 1/4 left
        tag "'>{Mark}
        1-4 sway R, sway L, sway R, sway L
        order {Name} B{Mark}"' "'>{Mark} {Name} B{Mark}"'
        {Name} on chorus
        from 2 version {Name}
        """,
        $"""
        title Versions {Short}
        part A
        1-4 vine R
        easier 1-4 walk R
        showier 1-4 rolling vine R
        5-8 touch R side, touch R beside, touch R side, step R beside
        easier 5-8 march L
        """,
    ];

    /// <summary>A song with the text in the names of its passages.</summary>
    public const string Song =
        $"intro\"'><b_{Mark}=1> 16 @112\n! verse {Short} 32\n! chorus\" {Mark}=1 ' 32\nbridge 20\n! chorus\" {Mark}=1 ' 32\noutro 8\n";

    /// <summary>A plan that was held, as it is kept, with the text in its words.</summary>
    private static string Plan { get; } = JsonSerializer.Serialize(new[]
    {
        new
        {
            id = Text,
            kind = "walk",
            title = Text,
            from = 0.0,
            seconds = 60.0,
            repeats = (int?)null,
            rate = (double?)null,
            layer = (string?)Text,
            walls = new[] { Text },
            dance = (int?)0,
            bites = new[] { new { key = Short, name = Text, part = Text, line = 1, lastLine = 1 } },
            usual = 60.0
        },
        new
        {
            id = "dance:A:1",
            kind = "dance",
            title = Text,
            from = 60.0,
            seconds = 60.0,
            repeats = (int?)2,
            rate = (double?)75.0,
            layer = (string?)null,
            walls = new[] { Text },
            dance = (int?)0,
            bites = new[] { new { key = Short, name = Text, part = Text, line = 1, lastLine = 1 } },
            usual = 15.0
        },
    }, JsonSerializerOptions.Web);

    /// <summary>The page that changed the plans in the making last: what it sends has seen them.</summary>
    public static readonly Guid Sheet = new("5ea5ca1e-0000-4000-8000-000000000001");

    /// <summary>Values that are kept whole, with the text in all of their words.</summary>
    private static readonly Dictionary<Type, object> Values = new()
    {
        [typeof(FitKept)] = new FitKept { Passages = Song, Changes = [$"after 1 {Name}\n{Text}", Text] },
        [typeof(ClassCues)] = new ClassCues { Cues = [new ClassCue("A", 1, "1", Text), new ClassCue(Text, 1, Text, Text)] },
        [typeof(TeachingHabit)] = new TeachingHabit(new WayAsked { Order = TeachingOrder.Pairs }),
        [typeof(CourseSettled)] = CourseSettled.Nothing.With(1, 0, 2),
        [typeof(LessonAsked)] = Lesson,
        [typeof(PlanState)] = new PlanState(Lesson, []),
        [typeof(PlanPast)] = new PlanPast([new PlanState(Lesson, [])]),
        [typeof(PlanShown)] = new PlanShown([new ShownBlock(Text, Text, 60, 2), new ShownBlock("walk:A:1", Text, 60)]),
    };

    private static LessonAsked Lesson => new()
    {
        Way = new WayAsked { Order = TeachingOrder.Pairs },
        Version = Text,
        WarmUp = [Text, Short],
        CoolDown = [Text],
        Changes = new BlockChanges
        {
            Pins = [new BlockPin(Text, 60), new BlockPin($"walk:{Short}", null, 2)],
            Added = [new OwnBlock("own:1", Text, 60), new OwnBlock("own:2", Text, 60, 0, Text)],
            Moves = [new BlockMove("own:1", Text), new BlockMove(Text, Text)],
            Removed = [Short, Text],
            Split = [Text],
        },
        Cuts = [new BiteCut(0, Text, 1)],
    };

    /// <summary>Fields that are read as something, with a text of that kind that holds the hostile one.</summary>
    private static readonly Dictionary<string, string> Formed = new()
    {
        ["DanceRecord.Script"] = "",
        ["DanceRecord.Title"] = "",
        ["DanceRecord.Finds"] = "",
        ["DanceRecord.Level"] = "",
        ["DanceRecord.Genre"] = "",
        ["DanceRecord.Lines"] = "", // made of the script
        ["DanceRevision.Script"] = "",
        ["TrackRecord.Passages"] = Song,
        ["LessonRecord.HeldPlan"] = Plan,
        ["LessonRecord.Times"] = """{"seconds":60,"walks":[[60,70]],"gathers":[]}""",
        ["GroupRecord.Room"] = $"width=11&depth=9&{Asked("layout")}&{Asked("obstacles")}",
        ["GroupRecord.Level"] = "beginner",
        ["GroupRecord.HeldFast"] = Short,
        ["ClassCuesRecord.Text"] = $"A\t1\t1\t{Text}\n{Text}\t1\t2\t{Text}",
        ["WordsRecord.Text"] =
            $"step {Name.ToLowerInvariant()} = step R across, step L across\nalias {Short} = vine\nrename vine = grape{Mark}\"'>\n{Text}",
        ["DanceRevision.Words"] = $"alias {Short} = vine\n{Text}",
        ["LessonEventRecord.Kind"] = "",
        ["ClassShownRecord.State"] = JsonSerializer.Serialize(new { block = Text, now = Text, next = Text, words = Text, title = Text }),
        ["LessonRecord.ClassCode"] = "",
        ["Instructor.TimeZone"] = "Europe/Oslo",
        // The account's own, which no page shows but as they were checked at the door.
        ["Instructor.Email"] = "",
        ["Instructor.UserName"] = "",
        ["Instructor.NormalizedEmail"] = "",
        ["Instructor.NormalizedUserName"] = "",
        ["Instructor.PasswordHash"] = "",
        ["Instructor.SecurityStamp"] = "",
        ["Instructor.ConcurrencyStamp"] = "",
        ["Instructor.PhoneNumber"] = "",
    };

    /// <summary>Fills a studio. Its groups, lessons and dances are there already; what is missing is made.</summary>
    /// <returns>Its dances, a group, lessons planned and held, and a course.</returns>
    public static async Task<(IReadOnlyList<Guid> Dances, Guid Group, Guid Planned, Guid Held, Guid Course)> Fill(
        FondCompassContext context,
        Guid owner,
        TimeProvider time,
        CancellationToken cancel)
    {
        var clock = new InstructorClock(time, TimeZoneInfo.Utc);
        var (shelf, book, tracks) = (new DanceShelf(
            context,
            owner,
            clock), new LessonBook(context, owner, clock), new TrackBook(context, owner));
        var dances = new List<Guid>();
        foreach (var script in Scripts)
        {
            var dance = await shelf.Add(script, cancel);
            await shelf.Save(dance.Id, 1, $"{script}\n# once more", cancel);
            await shelf.SetMarks(dance.Id, Short, cancel);
            dances.Add(dance.Id);
        }

        var binned = await shelf.Add(Scripts[2], cancel);
        await shelf.Delete(binned.Id, cancel);
        var track = await tracks.Add(Text, Song, cancel);
        await tracks.Choose(dances[1], track.Id, cancel);
        context.KeptFits.Add(new KeptFit { DanceId = dances[0], TrackId = track.Id });
        var group = await book.AddGroup(Short, Text, 60, cancel);
        await book.KeepCues(group.Id, dances[0], ClassCues.None, cancel);
        var course = (await book.Add(
            new CourseRecord { Name = Text, GroupId = group.Id, First = clock.Today, Weeks = 3, Dances = [.. dances] },
            cancel))!;
        var planned = (await book.Add(
            new LessonRecord
            {
                DanceId = dances[0],
                Also = [dances[1]],
                GroupId = group.Id,
                Date = clock.Today,
                ClassCode = "canary22",
                ClassCodeUntil = clock.Now.AddHours(1)
            },
            cancel))!;
        var held = (await book.Add(
            new LessonRecord
            {
                DanceId = dances[0],
                Also = [dances[1]],
                GroupId = group.Id,
                Date = clock.Today.AddDays(-1),
                Held = true,
                ReachedLine = 1,
                RatePercent = 75,
                WeakLines = [1],
                CourseId = course.Id,
                Week = 1
            },
            cancel))!;
        var gone = (await book.Add(new LessonRecord { DanceId = dances[0], GroupId = group.Id, Date = clock.Today.AddDays(-2) }, cancel))!;
        await book.TakeOut(gone.Id, cancel);
        var board = Guid.NewGuid();
        var opened = clock.Now.AddDays(-1).ToUnixTimeSeconds();
        (string Kind, string Block, string Bite, double? Value)[] told =
        [
            ("enter", "dance:A:1", "", null), ("repeat", "dance:A:1", "", 75), ("trouble", "dance:A:1", Short, null),
            ("trouble", Text, Text, null), ("note", "", "", null), ("call", "", "", null), ("tap", "", "", 112),
            ("done", "dance:A:1", "", null), ("close", "", "", null)
        ];
        await new LessonEvents(context, owner).Keep(
            held.Id,
            [.. told.Select((t, i) => new LessonEventRecord
            {
                Id = Guid.NewGuid(),
                Board = board,
                Number = i + 1,
                Opened = opened,
                Since = i * 5,
                Kind = t.Kind,
                Block = t.Block,
                Bite = Core.Text.Letters.Cut(t.Bite, LessonEventRecord.LongestBite),
                Value = t.Value,
                Words = Text
            })],
            cancel);
        foreach (var lesson in (Guid?[])[null, planned.Id])
        {
            await new DraftBook(context, owner, clock).Keep(
                new PlanDraft { DanceId = dances[0], LessonId = lesson },
                new PlanState(LessonAsked.Usual, []),
                new PlanPast([]),
                new PlanShown([]),
                Sheet,
                cancel);
        }

        context.ClassShown.Add(new ClassShownRecord { LessonId = planned.Id });
        context.Words.Add(new WordsRecord { OwnerId = owner, Version = 1 });
        context.AccountEvents.Add(new AccountEvent { AccountId = owner, At = clock.Now });
        context.Sessions.Add(new SessionRecord
        {
            Id = Guid.NewGuid(),
            AccountId = owner,
            Began = clock.Now,
            Seen = clock.Now,
            Until = clock.Now.AddDays(1)
        });
        await context.SaveChangesAsync(cancel);
        foreach (var entity in context.Model.GetEntityTypes()
            .Where(e => !e.IsOwned() && e.ClrType != typeof(SigningKey) && e.ClrType.Namespace == typeof(Instructor).Namespace))
        {
            await Overwrite(context, owner, entity, cancel);
        }

        return (dances, group.Id, planned.Id, held.Id, course.Id);
    }

    /// <summary>Writes the text into every field of every row of a kind that is this owner's.</summary>
    private static async Task Overwrite(FondCompassContext context, Guid owner, IEntityType entity, CancellationToken cancel)
    {
        context.ChangeTracker.Clear();
        var dances = context.Dances.Where(d => d.OwnerId == owner).Select(d => d.Id);
        var lessons = context.Lessons.IgnoreQueryFilters().Where(l => l.OwnerId == owner).Select(l => l.Id);
        List<object> rows = entity.ClrType.Name switch
        {
            nameof(DanceRecord) => [.. await context.Dances.Where(d => d.OwnerId == owner).ToListAsync(cancel)],
            nameof(DanceRevision) => [.. await context.Revisions.Where(r => dances.Contains(r.DanceId)).ToListAsync(cancel)],
            nameof(TrackRecord) => [.. await context.Tracks.Where(t => t.OwnerId == owner).ToListAsync(cancel)],
            nameof(KeptFit) => [.. await context.KeptFits.Where(f => dances.Contains(f.DanceId)).ToListAsync(cancel)],
            nameof(WordsRecord) => [.. await context.Words.Where(w => w.OwnerId == owner).ToListAsync(cancel)],
            nameof(GroupRecord) => [.. await context.Groups.Where(g => g.OwnerId == owner).ToListAsync(cancel)],
            nameof(PlanDraft) => [.. await context.PlanDrafts.Where(d => d.OwnerId == owner).ToListAsync(cancel)],
            nameof(ClassCuesRecord) => [.. await context.ClassCues.Where(c => dances.Contains(c.DanceId)).ToListAsync(cancel)],
            nameof(CourseRecord) => [.. await context.Courses.Where(c => c.OwnerId == owner).ToListAsync(cancel)],
            nameof(LessonRecord) => [.. await context.Lessons.IgnoreQueryFilters().Where(l => l.OwnerId == owner).ToListAsync(cancel)],
            nameof(LessonEventRecord) => [.. await context.LessonEvents.Where(e => lessons.Contains(e.LessonId)).ToListAsync(cancel)],
            nameof(ClassShownRecord) => [.. await context.ClassShown.Where(s => lessons.Contains(s.LessonId)).ToListAsync(cancel)],
            nameof(AccountEvent) => [.. await context.AccountEvents.Where(e => e.AccountId == owner).ToListAsync(cancel)],
            nameof(SessionRecord) => [.. await context.Sessions.Where(s => s.AccountId == owner).ToListAsync(cancel)],
            nameof(Instructor) => [await context.Users.SingleAsync(u => u.Id == owner, cancel)],
            _ => throw new InvalidOperationException($"Nobody says yet how {entity.ShortName()} is filled with hostile text; add it here."),
        };
        if (rows.Count == 0)
        {
            throw new InvalidOperationException($"There is no {entity.ShortName()} to fill with hostile text; make one above.");
        }

        foreach (var row in rows)
        {
            Write(row, entity.ClrType.Name, entity.GetProperties());
            foreach (var part in entity.GetComplexProperties())
            {
                Write(part.PropertyInfo!.GetValue(row)!, part.ComplexType.ClrType.Name, part.ComplexType.GetProperties());
            }
        }

        await context.SaveChangesAsync(cancel);
    }

    private static void Write(object row, string kind, IEnumerable<IProperty> fields)
    {
        foreach (var field in fields.Where(f => f.PropertyInfo is { CanWrite: true } && Values.ContainsKey(f.ClrType)))
        {
            // The states of drafts keep the group and the dances that they are of.
            field.PropertyInfo!.SetValue(
                row,
                row is PlanDraft draft && field.Name == nameof(PlanDraft.State)
                    ? draft.State with { Asked = Lesson }
                    : Values[field.ClrType]);
        }

        foreach (var field in fields.Where(f => f.PropertyInfo is { CanWrite: true } p
            && (p.PropertyType == typeof(string) || p.PropertyType == typeof(string[]))))
        {
            var most = field.GetMaxLength() ?? int.MaxValue;
            var text = Formed.TryGetValue($"{kind}.{field.Name}", out var formed) ? formed : most < Text.Length ? Short : Text;
            if (text.Length > most)
            {
                throw new InvalidOperationException($"{kind}.{field.Name} holds {most} letters, fewer than the text for it.");
            }

            // Empty is for what is made of something else, or is filled above.
            if (text.Length > 0
                && !(kind == nameof(LessonRecord) && row is LessonRecord { Held: false } && field.Name is "HeldPlan" or "Times")
                && !(kind == nameof(LessonEventRecord) && field.Name is "Block" or "Bite"))
            {
                field.PropertyInfo!.SetValue(
                    row,
                    field.PropertyInfo.PropertyType == typeof(string) ? text : new[] { text.Length > 30 ? Short : text });
            }
        }
    }
}
