using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace FondCompass.Data.Migrations
{
    /// <inheritdoc />
    public partial class KindsAndMarks : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int[]>(
                name: "CleanLines",
                table: "Lessons",
                type: "integer[]",
                nullable: false,
                defaultValue: new int[0]);

            migrationBuilder.AddColumn<double>(
                name: "TalkFactor",
                table: "Groups",
                type: "double precision",
                nullable: false,
                defaultValue: 1.0);

            // What was reached and not marked as lost was taken as clean until now; what is kept by it stays so.
            migrationBuilder.Sql(
                """
                update "Lessons" set "CleanLines" = array(select n from generate_series(1, "ReachedLine") n where n <> all("WeakLines")) where "Held" and "ReachedLine" > 0;
                update "Lessons" set "Further" = (
                    select jsonb_agg(f || jsonb_build_object('CleanLines', (
                        select coalesce(jsonb_agg(n), '[]'::jsonb) from generate_series(1, (f->>'ReachedLine')::int) n
                        where not coalesce(f->'WeakLines', '[]'::jsonb) @> to_jsonb(n))))
                    from jsonb_array_elements("Further"::jsonb) f)
                where "Held" and jsonb_typeof("Further"::jsonb) = 'array' and jsonb_array_length("Further"::jsonb) > 0;
                update "Groups" set "TalkFactor" = "WalkFactor";
                """);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "CleanLines",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "TalkFactor",
                table: "Groups");
        }
    }
}
