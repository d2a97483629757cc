using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace FondCompass.Data.Migrations
{
    /// <inheritdoc />
    public partial class KeptAsValues : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            // What was kept as query strings and little texts becomes values, each as the core writes them, in format 1.
            migrationBuilder.Sql(Readers);
            migrationBuilder.Sql(Carried);

            migrationBuilder.CreateTable(
                name: "PlanDrafts",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    OwnerId = table.Column<Guid>(type: "uuid", nullable: false),
                    DanceId = table.Column<Guid>(type: "uuid", nullable: false),
                    LessonId = table.Column<Guid>(type: "uuid", nullable: true),
                    CourseId = table.Column<Guid>(type: "uuid", nullable: true),
                    Week = table.Column<int>(type: "integer", nullable: false),
                    State = table.Column<string>(type: "jsonb", nullable: false),
                    Past = table.Column<string>(type: "jsonb", nullable: false),
                    Shown = table.Column<string>(type: "jsonb", nullable: false),
                    Number = table.Column<int>(type: "integer", nullable: false),
                    Page = table.Column<Guid>(type: "uuid", nullable: false),
                    ChangedAt = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_PlanDrafts", x => x.Id);
                    table.ForeignKey(
                        name: "FK_PlanDrafts_AspNetUsers_OwnerId",
                        column: x => x.OwnerId,
                        principalTable: "AspNetUsers",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_PlanDrafts_Courses_CourseId",
                        column: x => x.CourseId,
                        principalTable: "Courses",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_PlanDrafts_Dances_DanceId",
                        column: x => x.DanceId,
                        principalTable: "Dances",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_PlanDrafts_Lessons_LessonId",
                        column: x => x.LessonId,
                        principalTable: "Lessons",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_PlanDrafts_CourseId",
                table: "PlanDrafts",
                column: "CourseId");

            migrationBuilder.CreateIndex(
                name: "IX_PlanDrafts_DanceId",
                table: "PlanDrafts",
                column: "DanceId");

            migrationBuilder.CreateIndex(
                name: "IX_PlanDrafts_LessonId",
                table: "PlanDrafts",
                column: "LessonId");

            migrationBuilder.CreateIndex(
                name: "IX_PlanDrafts_OwnerId_DanceId_LessonId_CourseId_Week",
                table: "PlanDrafts",
                columns: new[] { "OwnerId", "DanceId", "LessonId", "CourseId", "Week" },
                unique: true)
                .Annotation("Npgsql:NullsDistinct", false);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder) =>
            throw new NotSupportedException("What is kept as values is not written back as texts. Restore a backup that was made before (scripts/restore).");

        /// <summary>Functions of this session that read the texts as they were read until now: what nobody could read is left out.</summary>
        private const string Readers =
            """
            create function pg_temp.decoded(said text) returns text language plpgsql as $$
            declare
              bytes bytea := '';
              i int := 1;
            begin
              said := replace(said, '%00', '');
              while i <= length(said) loop
                if substr(said, i, 3) ~ '^%[0-9A-Fa-f]{2}$' then
                  bytes := bytes || decode(substr(said, i + 1, 2), 'hex');
                  i := i + 3;
                else
                  bytes := bytes || convert_to(substr(said, i, 1), 'UTF8');
                  i := i + 1;
                end if;
              end loop;
              return convert_from(bytes, 'UTF8');
            exception when others then
              return said;
            end $$;

            -- A query string as an object of its words.
            create function pg_temp.said(way text) returns jsonb language sql as $$
              select coalesce(jsonb_object_agg(pg_temp.decoded(split_part(p, '=', 1)), pg_temp.decoded(replace(substr(p, strpos(p, '=') + 1), '+', ' '))), '{}')
              from unnest(string_to_array(ltrim(way, '?'), '&')) p where strpos(p, '=') > 1
            $$;

            create function pg_temp.one_of(word text, variadic words text[]) returns text language sql as $$ select case when word = any(words) then word end $$;

            create function pg_temp.whole(word text, most int) returns int language sql as $$
              select case when word ~ '^[0-9]{1,8}$' and word::int <= most then word::int end
            $$;

            create function pg_temp.ladder(said text) returns jsonb language plpgsql as $$
            declare
              rungs text[] := array_remove(regexp_split_to_array(coalesce(said, ''), '[ ,;%]+'), '');
            begin
              if lower(btrim(coalesce(said, ''))) = 'none' then
                return '[]';
              end if;
              if cardinality(rungs) = 0 or cardinality(rungs) > 12 or exists (select from unnest(rungs) r where r !~ '^[0-9]{1,4}([.][0-9]{1,6})?$' or r::numeric not between 10 and 200) then
                return null;
              end if;
              return (select jsonb_agg(r order by r) from (select distinct x::numeric r from unnest(rungs) x) d);
            end $$;

            create function pg_temp.way(s jsonb) returns jsonb language sql as $$
              select jsonb_strip_nulls(jsonb_build_object(
                'pace', pg_temp.one_of(s->>'pace', 'quick', 'brisk', 'unhurried'),
                'order', pg_temp.one_of(s->>'order', 'add-on', 'pairs', 'last-part-first', 'parts', 'follow-along', 'layer-rounds', 'move-by-move', 'pool'),
                'demonstration', case s->>'show' when 'yes' then true when 'no' then false end,
                'layers', pg_temp.one_of(s->>'layers', 'feet-first', 'all-at-once'),
                'ladder', pg_temp.ladder(s->>'ladder'),
                'walls', pg_temp.one_of(s->>'walls', 'weighted', 'alike', 'first-only'),
                'music', pg_temp.one_of(s->>'music', 'late', 'early'),
                'cues', pg_temp.one_of(s->>'cues', 'fading', 'steady'),
                'counting', pg_temp.one_of(s->>'counting', 'up', 'down', 'names', 'fours', 'down-fours', 'rhythm'),
                'mistakes', pg_temp.one_of(s->>'mistakes', 'run-on', 'stop'),
                'progress', pg_temp.one_of(s->>'progress', 'look-back', 'runs-only', 'one-run'),
                'countIn', pg_temp.whole(s->>'countin', 64),
                'until', nullif(pg_temp.whole(s->>'until', 100000), 0)))
            $$;

            create function pg_temp.kind(s jsonb) returns text language sql as $$ select pg_temp.one_of(s->>'kind', 'hall', 'breakdown', 'fitness', 'song', 'party', 'circle') $$;

            create function pg_temp.habit(kept text) returns jsonb language sql as $$
              select jsonb_strip_nulls(jsonb_build_object('format', 1, 'kind', pg_temp.kind(pg_temp.said(kept)))) || jsonb_build_object('way', pg_temp.way(pg_temp.said(kept)))
            $$;

            create function pg_temp.moves(list text) returns jsonb language sql as $$
              select coalesce(jsonb_agg(btrim(m) order by n), '[]') from regexp_split_to_table(coalesce(list, ''), '[,;\n]') with ordinality l(m, n) where btrim(m) <> ''
            $$;

            create function pg_temp.cuts(bites text) returns jsonb language sql as $$
              select coalesce(jsonb_agg(jsonb_strip_nulls(jsonb_build_object('dance', d - 1, 'part', pg_temp.decoded(m[1]), 'line', m[2]::int, 'splitAt', m[4]::int)) order by d, n), '[]')
              from unnest(string_to_array(coalesce(bites, ''), '|')) with ordinality dances(cuts, d),
                   unnest(string_to_array(cuts, ';')) with ordinality entries(entry, n),
                   regexp_match(entry, '^(.+):([0-9]{1,6})([+]|/([0-9]{1,6}))$') m
              where m is not null
            $$;

            create function pg_temp.spans(said text) returns jsonb language sql as $$
              select coalesce(jsonb_agg(jsonb_strip_nulls(jsonb_build_object('dance', m[1]::int, 'from', m[2]::int, 'until', m[3]::int)) order by n), '[]')
              from unnest(string_to_array(coalesce(said, ''), ',')) with ordinality spans(span, n), regexp_match(span, '^([0-9]{1,4})[.]([0-9]{1,6})-([0-9]{1,6})?$') m
              where m is not null
            $$;

            -- Changes by hand, one behind the other: "walk:A:2=240s;dance:A:1=7x;walk:A:3!;dance:A:2/;own:1+Lanterns*0*A:2;own:1>walk:A:2".
            create function pg_temp.changes(pins text) returns jsonb language sql as $$
              with entries as materialized (
                select n, pg_temp.decoded(m[1]) as block, m[2] as sign, m[3] as rest
                from unnest(string_to_array(coalesce(pins, ''), ';')) with ordinality e(entry, n), regexp_match(entry, '^([^=!/>+]+)([=!/>+])(.*)$') m
                where m is not null),
              settled as (select distinct on (block) n, block, rest from entries where sign = '=' and rest ~ '^[0-9]{1,8}[xs]$' order by block, n desc),
              added as (
                select distinct on (block) n, block, left(btrim(pg_temp.decoded(split_part(rest, '*', 1))), 80) as title, pg_temp.whole(split_part(rest, '*', 2), 1000) as dance, pg_temp.decoded(split_part(rest, '*', 3)) as bite
                from entries where sign = '+' and block ~ '^own:[0-9]{1,8}$' and btrim(pg_temp.decoded(split_part(rest, '*', 1))) <> '' order by block, n desc)
              select jsonb_build_object(
                'pins', (select coalesce(jsonb_agg(case right(rest, 1) when 'x' then jsonb_build_object('block', block, 'repeats', least(99, greatest(1, rtrim(rest, 'x')::int)))
                    else jsonb_build_object('block', block, 'seconds', least(32400, rtrim(rest, 's')::int)) end order by n), '[]')
                  from settled where right(rest, 1) = 'x' or block not in (select block from added)),
                'added', (select coalesce(jsonb_agg(jsonb_strip_nulls(jsonb_build_object('id', a.block, 'title', a.title, 'seconds', coalesce((
                    select least(32400, rtrim(s.rest, 's')::int) from settled s where s.block = a.block and right(s.rest, 1) = 's'), 120),
                    'dance', case when a.bite <> '' then a.dance end, 'bite', case when a.dance is not null then nullif(a.bite, '') end)) order by a.n), '[]') from added a),
                'moves', (select coalesce(jsonb_agg(jsonb_build_object('block', block, 'after', pg_temp.decoded(rest)) order by n), '[]') from entries where sign = '>'),
                'removed', (select coalesce(jsonb_agg(block order by block), '[]') from (select distinct block from entries where sign = '!') r),
                'split', (select coalesce(jsonb_agg(block order by block), '[]') from (select distinct block from entries where sign = '/') h))
            $$;

            create function pg_temp.asked(minutes int, kept text, pins text) returns jsonb language sql as $$
              select jsonb_strip_nulls(jsonb_build_object('format', 1, 'kind', pg_temp.kind(s))) || jsonb_build_object(
                'minutes', least(540, greatest(5, minutes)), 'way', pg_temp.way(s), 'version', coalesce(s->>'variant', ''), 'withoutRecaps', coalesce(s->>'recaps' = 'no', false),
                'warmUp', pg_temp.moves(s->>'warmup'), 'coolDown', pg_temp.moves(s->>'cooldown'), 'changes', pg_temp.changes(pins), 'cuts', pg_temp.cuts(s->>'bites'), 'spans', pg_temp.spans(s->>'span'))
              from (select pg_temp.said(kept) s) w
            $$;

            create function pg_temp.settled(kept text) returns jsonb language sql as $$
              select jsonb_build_object('format', 1, 'cells', (
                select coalesce(jsonb_agg(jsonb_build_object('week', week, 'dance', dance, 'bites', bites) order by week, dance), '[]')
                from (select distinct on (m[1]::int, m[2]::int) m[1]::int week, m[2]::int dance, m[3]::int bites
                      from unnest(string_to_array(kept, ';')) with ordinality e(entry, n), regexp_match(entry, '^([0-9]{1,4})[.]([0-9]{1,4})=([0-9]{1,6})$') m
                      where m is not null and m[1]::int >= 1 order by m[1]::int, m[2]::int, n desc) c))
            $$;

            create function pg_temp.told(kept text) returns jsonb language sql as $$
              select jsonb_build_object('format', 1, 'cues', (
                select coalesce(jsonb_agg(jsonb_build_object('part', split_part(cue, E'\t', 1), 'line', pg_temp.whole(split_part(cue, E'\t', 2), 1000000), 'count', split_part(cue, E'\t', 3), 'words', split_part(cue, E'\t', 4)) order by n), '[]')
                from unnest(string_to_array(kept, E'\n')) with ordinality r(cue, n)
                where cardinality(string_to_array(cue, E'\t')) = 4 and pg_temp.whole(split_part(cue, E'\t', 2), 1000000) is not null))
            $$;

            create function pg_temp.fit(tempo double precision, intro int, repeats int, passages text, exceptions text) returns jsonb language sql as $$
              select jsonb_strip_nulls(jsonb_build_object('format', 1, 'tempo', tempo, 'intro', intro, 'repeats', repeats)) || jsonb_build_object('passages', passages, 'changes', (
                select coalesce(jsonb_agg(btrim(block, E' \n\t') order by n), '[]')
                from regexp_split_to_table(replace(replace(exceptions, E'\r\n', E'\n'), E'\r', E'\n'), E'\n\n') with ordinality b(block, n) where btrim(block, E' \n\t') <> ''))
            $$;
            """;

        /// <summary>The columns that hold the values, filled from those before, which then go.</summary>
        private const string Carried =
            """
            alter table "Lessons" add "Asked" jsonb;
            update "Lessons" set "Asked" = pg_temp.asked("Minutes", "Way", "Pins");
            alter table "Lessons" alter "Asked" set not null, drop "Minutes", drop "Way", drop "Pins";

            alter table "Groups" alter "Habits" drop default;
            alter table "Groups" alter "Habits" type jsonb using pg_temp.habit("Habits");

            alter table "Courses" alter "Way" type jsonb using pg_temp.habit("Way");
            alter table "Courses" alter "Settled" type jsonb using pg_temp.settled("Settled");

            alter table "ClassCues" add "Told" jsonb;
            update "ClassCues" set "Told" = pg_temp.told("Text");
            alter table "ClassCues" alter "Told" set not null, drop "Text";

            alter table "Dances" add "Fit_Kept" jsonb;
            update "Dances" set "Fit_Kept" = pg_temp.fit("Fit_Tempo", "Fit_Intro", "Fit_Repeats", "Fit_Passages", "Fit_Exceptions");
            alter table "Dances" alter "Fit_Kept" set not null, drop "Fit_Tempo", drop "Fit_Intro", drop "Fit_Repeats", drop "Fit_Passages", drop "Fit_Exceptions";

            alter table "KeptFits" add "Kept" jsonb;
            update "KeptFits" set "Kept" = pg_temp.fit(null, "Intro", null, '', "Exceptions");
            alter table "KeptFits" alter "Kept" set not null, drop "Intro", drop "Exceptions";
            """;
    }
}
