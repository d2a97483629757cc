using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Blocks;
using FondCompass.Core.Teaching.Material;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Core.Teaching.Plans;
using FondCompass.Tests.Databases;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Xunit;

namespace FondCompass.Data.Tests;

/// <summary>
/// What was kept as query strings and little texts is carried over into values: nothing that was read is lost, and what nobody could read
/// breaks nothing.
/// </summary>
public class KeptAsValuesTests
{
    private const string Before = "20261201114034_KindsAndMarks";

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    /// <summary>A way, pins and minutes as they were kept, and what they say.</summary>
    private static readonly (string Way, string Pins, LessonAsked Says)[] Lessons =
    [
        ("", "", new LessonAsked { Minutes = 60 }),
        ("kind=breakdown&pace=quick&order=last-part-first&show=no&layers=all-at-once&ladder=50%2075%20110&walls=alike&music=early&cues=steady&counting=down-fours&mistakes=stop&progress=one-run&countin=0&until=2",
            "",
            new LessonAsked
            {
                Minutes = 60,
                Kind = LessonKind.Breakdown,
                Way = new WayAsked
                {
                    Pace = PaceName.Quick,
                        Order = TeachingOrder.LastPartFirst,
                        Demonstration = false,
                        Layers = LayerSchool.AllAtOnce,
                        Ladder = [new Rate(50), new Rate(75), new Rate(110)],
                        Walls = WallSchool.Alike,
                    Music = MusicSchool.Early,
                        Cues = CueSchool.Steady,
                        Counting = Core.Notation.CountStyle.DownFours,
                        Mistakes = MistakeSchool.Stop,
                        Progress = ProgressSchool.OneRun,
                        CountIn = 0,
                        Until = 2,
                },
            }),
        ("order=upside-down&show=maybe&ladder=fast&countin=65&until=0&walls=&recaps=no&variant=easier%20%C3%A9%2B%26", "",
            new LessonAsked { Minutes = 60, WithoutRecaps = true, Version = "easier é+&" }),
        ("ladder=none&warmup=march,%20heel%20digs;sway&cooldown=slow%20sways&also=x&class=y", "",
            new LessonAsked
            {
                Minutes = 60,
                Way = new WayAsked { Ladder = [] },
                WarmUp = ["march", "heel digs", "sway"],
                CoolDown = ["slow sways"]
            }),
        ("span=0.2-4,1.3-,x,2.1&bites=A%3A1%2B%3BChorus%2520B%3A2%2F4%7CA%3A3%2B%3Brubbish", "",
            new LessonAsked
            {
                Minutes = 60,
                Spans = [new BiteSpan(0, 2, 4), new BiteSpan(1, 3)],
                Cuts = [new BiteCut(0, "A", 1), new BiteCut(0, "Chorus B", 2, 4), new BiteCut(1, "A", 3)]
            }),
        ("order=pairs",
            "walk%3AA%3A1=240s;dance%3AA%3A1=7x;walk%3AA%3A1=60s;show!;whole%3A75/;own%3A1+Lanterns%3B%20out%20%C3%BC%20%2F*0*A%3A2;own%3A1=90s;own%3A1>warm-up;dance%3AA%3A1>",
            new LessonAsked
            {
                Minutes = 60,
                Way = new WayAsked { Order = TeachingOrder.Pairs },
                Changes = new BlockChanges
                {
                    Pins = [new BlockPin("dance:A:1", null, 7), new BlockPin("walk:A:1", 60)],
                    Added = [new OwnBlock("own:1", "Lanterns; out ü /", 90, 0, "A:2")],
                    Moves = [new BlockMove("own:1", "warm-up"), new BlockMove("dance:A:1", "")],
                    Removed = ["show"],
                    Split = ["whole:75"],
                },
            }),
        ("%", "=60s;;!;x;own:1+;talk+Hello;own:2+%20;walk:A:1=1e9s;walk:A:1=s;own:3+Talk;b=100x;c=0x",
            new LessonAsked
            {
                Minutes = 60,
                Changes = new BlockChanges
                {
                    Pins = [new BlockPin("b", null, 99), new BlockPin("c", null, 1)],
                    Added = [new OwnBlock("own:3", "Talk", 120)]
                }
            }),
    ];

    [Fact]
    public async Task Everything_that_was_kept_is_kept_as_values()
    {
        using var database = new TestDatabase();
        FondCompassContext Context() => new(new DbContextOptionsBuilder<FondCompassContext>().UseNpgsql(database.Connection).Options);
        var (owner, dance, track, group, course) = (Guid.NewGuid(), Guid.NewGuid(), Guid.NewGuid(), Guid.NewGuid(), Guid.NewGuid());
        await using (var before = Context())
        {
            await before.GetService<IMigrator>().MigrateAsync(Before, Cancel);
            await before.Database.ExecuteSqlAsync(
                $"""insert into "AspNetUsers" ("Id", "EmailConfirmed", "PhoneNumberConfirmed", "TwoFactorEnabled", "LockoutEnabled", "AccessFailedCount") values ({owner}, false, false, false, false, 0)""",
                Cancel);
            await before.Database.ExecuteSqlAsync(
                $"""insert into "Tracks" ("Id", "OwnerId", "Title", "Passages") values ({track}, {owner}, 'Quay Lights', 'verse 32')""",
                Cancel);
            await before.Database.ExecuteSqlAsync(
                $"""
                insert into "Dances" ("Id", "OwnerId", "Script", "Title", "Finds", "Counts", "Walls", "State", "Level", "Genre", "Tempo", "Tags", "Marks", "Version", "ChangedAt", "Fit_Tempo", "Fit_Intro", "Fit_Repeats", "Fit_Passages", "Fit_Exceptions", "Fit_TrackId", "IsStale")
                values ({dance}, {owner}, 'part A', 'Kittiwake', '', 0, 1, 'Clear', '', '', null, 0, array[]::text[], 1, now(), 112.5, 16, 4, {"verse 32 @112\n! chorus 32\n"}, {"restart 2 after 16\r\n\r\nafter 4\ntag\n1-4 sway R\n\n\n"}, {track}, false)
                """, Cancel);
            await before.Database.ExecuteSqlAsync(
                $"""insert into "KeptFits" ("DanceId", "TrackId", "Intro", "Exceptions") values ({dance}, {track}, null, '')""",
                Cancel);
            await before.Database.ExecuteSqlAsync(
                $"""
                insert into "Groups" ("Id", "OwnerId", "Name", "Meets", "LessonMinutes", "Level", "Knows", "Seen", "Habits", "Gentle", "Room", "WalkFactor", "TalkFactor", "GatherFactor", "HeldFast", "Archived")
                values ({group}, {owner}, 'Harbour ring', '', 60, 'beginner', '', '', 'kind=fitness&order=pairs&ladder=60%2075', '', '', 1, 1, 1, '', false)
                """, Cancel);
            await before.Database.ExecuteSqlAsync(
                $"""
                insert into "Courses" ("Id", "OwnerId", "GroupId", "Name", "First", "Weeks", "Minutes", "Dances", "Way", "Settled", "CreatedAt")
                values ({course}, {owner}, {group}, 'Autumn', '2026-12-03', 8, 50, array[{dance}]::uuid[], '', '3.2=0;1.0=1;1.0=2;0.0=1;x;1.1;1.a=2;;=;', now())
                """, Cancel);
            await before.Database.ExecuteSqlAsync(
                $"""insert into "ClassCues" ("GroupId", "DanceId", "Text") values ({group}, {dance}, {"A\t1\t3&\tto the quay\nrubbish\nB\tx\t1\tno\nA\t2\t1\tlanterns, é"})""",
                Cancel);
            for (var i = 0; i < Lessons.Length; i++)
            {
                await before.Database.ExecuteSqlAsync(
                    $"""
                    insert into "Lessons" ("Id", "OwnerId", "DanceId", "Also", "GroupId", "Date", "Minutes", "Way", "Pins", "Held", "ReachedLine", "RatePercent", "WeakLines", "CleanLines", "Further", "Note", "Running", "Week", "IsLogDue")
                    values (gen_random_uuid(), {owner}, {dance}, array[]::uuid[], {group}, {new DateOnly(2026, 1, 1).AddDays(i)}, 60, {Lessons[i].Way}, {Lessons[i].Pins}, false, 0, 0, array[]::int[], array[]::int[], '[]', '', false, 0, false)
                    """, Cancel);
            }

            await before.GetService<IMigrator>().MigrateAsync(cancellationToken: Cancel);
        }

        await using var context = Context();
        var lessons = await context.Lessons.OrderBy(l => l.Date).ToListAsync(Cancel);
        for (var i = 0; i < Lessons.Length; i++)
        {
            Assert.Equal(KeptJson.Write(Sorted(Lessons[i].Says)), KeptJson.Write(Sorted(lessons[i].Asked)));
        }

        Assert.Equal(
            KeptJson.Write(new TeachingHabit(
                new WayAsked { Order = TeachingOrder.Pairs, Ladder = [new Rate(60), new Rate(75)] },
                LessonKind.Fitness)),
            KeptJson.Write((await context.Groups.SingleAsync(Cancel)).Habits));
        var kept = await context.Courses.SingleAsync(Cancel);
        Assert.Equal(TeachingHabit.AsSuggested, kept.Way);
        Assert.Equal([new SettledCell(1, 0, 2), new SettledCell(3, 2, 0)], kept.Settled.Cells);
        Assert.Equal(
            [new ClassCue("A", 1, "3&", "to the quay"), new ClassCue("A", 2, "1", "lanterns, é")],
            (await context.ClassCues.SingleAsync(Cancel)).Told.Cues);
        var fit = (await context.Dances.SingleAsync(Cancel)).Fit;
        Assert.Equal(
            (track, 112.5, 16, 4, "verse 32 @112\n! chorus 32\n"),
            (fit.TrackId, fit.Kept.Tempo, fit.Kept.Intro, fit.Kept.Repeats, fit.Kept.Passages));
        Assert.Equal(["restart 2 after 16", "after 4\ntag\n1-4 sway R"], fit.Kept.Changes);
        Assert.Equal(
            (null, 0),
            ((await context.KeptFits.SingleAsync(Cancel)).Kept.Intro, (await context.KeptFits.SingleAsync(Cancel)).Kept.Changes.Count));
        // It is written anew as it was read.
        lessons[5].Asked = lessons[5].Asked with { Minutes = 75 };
        await context.SaveChangesAsync(Cancel);
        await using var again = Context();
        Assert.Equal(
            KeptJson.Write(lessons[5].Asked),
            KeptJson.Write((await again.Lessons.SingleAsync(l => l.Id == lessons[5].Id, Cancel)).Asked));
    }

    /// <summary>Blocks that are settled, left out or halved have no order among them.</summary>
    private static LessonAsked Sorted(LessonAsked asked) => asked with
    {
        Changes = asked.Changes with
        {
            Pins = [.. asked.Changes.Pins.OrderBy(p => p.Block, StringComparer.Ordinal)],
            Removed = [.. asked.Changes.Removed.Order(StringComparer.Ordinal)],
            Split = [.. asked.Changes.Split.Order(StringComparer.Ordinal)]
        },
    };
}
