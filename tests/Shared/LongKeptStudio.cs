using Npgsql;

namespace FondCompass.Tests.Databases;

/// <summary>A studio as it is after years: made of what an account has by now, so many dances, lessons and events of it.</summary>
internal static class LongKeptStudio
{
    /// <summary>Groups that the lessons are held with, those that are there among them.</summary>
    public const int Groups = 8;

    /// <summary>A word that stands in a few of the dances only, and how many dances have one of these each.</summary>
    public const string RareWord = "kedge turn";

    public const int RareIn = 800;

    /// <param name="owner">Has a dance at least, and a group.</param>
    /// <param name="today">Lessons lie before it, a few behind.</param>
    public static async Task Fill(
        string connection,
        Guid owner,
        DateOnly today,
        int dances,
        int lessons,
        int eventsEach,
        CancellationToken cancel = default)
    {
        await using var source = NpgsqlDataSource.Create(connection);
        await Run(
            """
            insert into "Groups" ("Id", "OwnerId", "Name", "Meets", "LessonMinutes", "Level", "Knows", "Seen", "Habits", "Gentle", "Room", "WalkFactor", "GatherFactor", "HeldFast", "Archived")
            select gen_random_uuid(), $1, 'Ring ' || n, 'Mondays', 60, 'improver', 'vine, rocking chair', '', '{"format":1,"way":{}}'::jsonb, '', '', 1, 1, '', false
            from generate_series(1, $2 - (select count(*)::int from "Groups" where "OwnerId" = $1)) n
            """, owner, Groups);
        await Run(
            """
            insert into "Dances" ("Id", "OwnerId", "Script", "Title", "Finds", "Counts", "Walls", "State", "Level", "Genre", "Tempo", "Tags", "Marks", "Version", "ChangedAt", "Fit_Kept", "Lines", "IsStale")
            select gen_random_uuid(), $1, replace(d."Script", d."Title", t.title) || case when n % $3 = 0 then E'\n1-4 kedge turn R\n' else '' end, t.title,
              replace(d."Finds", lower(d."Title"), lower(t.title)) || case when n % $3 = 0 then ' kedge turn' else '' end, d."Counts", d."Walls", d."State", d."Level", d."Genre", d."Tempo", d."Tags",
              case when n % 50 = 0 then array['autumn'] else '{}' end, 1, now() - n * interval '1 hour', '{"format":1,"passages":"","changes":[]}'::jsonb, d."Lines", false
            from generate_series(1, $2) n
            join (select *, row_number() over (order by "Id") - 1 as place, count(*) over () as all_of_them from "Dances" where "OwnerId" = $1 and "DeletedAt" is null) d on d.place = n % d.all_of_them
            cross join lateral (select 'Reel ' || n || ' of the ' || md5(n::text) as title) t
            """, owner, dances, RareIn);
        await Run(
            """
            insert into "Revisions" ("DanceId", "Version", "Script", "Words", "SavedAt", "Kept")
            select "Id", "Version", "Script", '', "ChangedAt", false from "Dances" d where "OwnerId" = $1 and not exists (select from "Revisions" r where r."DanceId" = d."Id")
            """, owner);
        await Run(
            """
            insert into "Lessons" ("Id", "OwnerId", "DanceId", "Also", "GroupId", "Date", "HeldPlan", "Asked", "Held", "ReachedLine", "RatePercent", "WeakLines", "Further", "Note", "Running", "Week", "IsLogDue", "Times", "Heads")
            select gen_random_uuid(), $1, d."Id", array[e."Id"], g."Id", $3 - n, p.plan, '{"format":1,"minutes":60}'::jsonb, true, 3, 75 + 5 * (n % 6), array[1 + n % 3], '[]', 'The second eight came apart.', false, 0, false,
              '{"seconds":3300,"walks":[[60,70],[120,150]],"gathers":[[15,20],[15,14]]}', 12
            from generate_series(1, $2) n
            join (select "Id", row_number() over (order by "Id") - 1 as place, count(*) over () as all_of_them from "Dances" where "OwnerId" = $1 and "DeletedAt" is null) d on d.place = (n * 7919) % d.all_of_them
            join (select "Id", row_number() over (order by "Id") - 1 as place, count(*) over () as all_of_them from "Dances" where "OwnerId" = $1 and "DeletedAt" is null) e on e.place = (n * 104729 + 1) % e.all_of_them
            join (select "Id", row_number() over (order by "Id") - 1 as place, count(*) over () as all_of_them from "Groups" where "OwnerId" = $1) g on g.place = n % g.all_of_them
            cross join (select jsonb_agg(jsonb_build_object('id', 'dance:A:' || b, 'kind', case when b % 2 = 0 then 'walk' else 'dance' end, 'title', 'Dance vine R, vine L (A ' || b || ')', 'from', b * 60, 'seconds', 60, 'repeats', case when b % 2 = 1 then 3 end,
              'rate', case when b % 2 = 1 then 75 end, 'walls', jsonb_build_array('12:00'), 'dance', 0, 'usual', 15,
              'bites', jsonb_build_array(jsonb_build_object('key', 'A:' || (1 + b % 4), 'name', 'vine R, vine L', 'part', 'A', 'line', 1 + b % 4, 'lastLine', 1 + b % 4))))::text as plan from generate_series(1, 24) b) p
            """, owner, lessons, today);
        await Run(
            """
            insert into "LessonEvents" ("LessonId", "Id", "Board", "Number", "Opened", "Since", "Kind", "Block", "Bite", "Value", "Words")
            select l."Id", gen_random_uuid(), l."Id", n, extract(epoch from l."Date"::timestamp) + 64800, n * 16,
              case n % 8 when 0 then 'done' when 1 then 'enter' when 2 then 'play' when 6 then 'pause' when 7 then case when n % 24 = 7 then 'trouble' when n % 24 = 15 then 'note' else 'heads' end else 'repeat' end,
              case when n % 24 = 15 then '' else 'dance:A:' || (1 + (n / 8) % 24) end, case when n % 24 = 7 then 'A:2' else '' end, case n % 8 when 7 then 12 else 75 end, case when n % 24 = 15 then 'mind the stove side' else '' end
            from "Lessons" l cross join generate_series(1, $2) n where l."OwnerId" = $1 and l."HeldPlan" is not null and not exists (select from "LessonEvents" e where e."LessonId" = l."Id")
            """, owner, eventsEach);
        await Run("""analyze "Dances"; """);
        await Run("""analyze "Lessons"; """);
        await Run("""analyze "LessonEvents"; """);

        async Task Run(string words, params object[] values)
        {
            await using var command = source.CreateCommand(words);
            command.CommandTimeout = 600;
            command.Parameters.AddRange(values.Select(v => new NpgsqlParameter { Value = v }).ToArray());
            await command.ExecuteNonQueryAsync(cancel);
        }
    }
}
