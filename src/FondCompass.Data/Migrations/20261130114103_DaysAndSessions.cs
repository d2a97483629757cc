using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace FondCompass.Data.Migrations
{
    /// <inheritdoc />
    public partial class DaysAndSessions : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_Lessons_GroupId",
                table: "Lessons");

            migrationBuilder.AddColumn<bool>(
                name: "IsLogDue",
                table: "Lessons",
                type: "boolean",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "Times",
                table: "Lessons",
                type: "text",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "IsStale",
                table: "Dances",
                type: "boolean",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "Lines",
                table: "Dances",
                type: "text",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "TimeZone",
                table: "AspNetUsers",
                type: "character varying(64)",
                maxLength: 64,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<int>(
                name: "WeekBegins",
                table: "AspNetUsers",
                type: "integer",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "Sessions",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    AccountId = table.Column<Guid>(type: "uuid", nullable: false),
                    Began = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    Seen = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    Until = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    Stays = table.Column<bool>(type: "boolean", nullable: false),
                    From = table.Column<string>(type: "character varying(64)", maxLength: 64, nullable: false),
                    Browser = table.Column<string>(type: "character varying(120)", maxLength: 120, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Sessions", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Sessions_AspNetUsers_AccountId",
                        column: x => x.AccountId,
                        principalTable: "AspNetUsers",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Lessons_GroupId_Held_Date",
                table: "Lessons",
                columns: new[] { "GroupId", "Held", "Date" });

            migrationBuilder.CreateIndex(
                name: "IX_Lessons_LogDue",
                table: "Lessons",
                column: "OwnerId",
                filter: "\"IsLogDue\" or \"Times\" = ''");

            migrationBuilder.CreateIndex(
                name: "IX_Dances_Stale",
                table: "Dances",
                column: "OwnerId",
                filter: "\"IsStale\"");

            migrationBuilder.CreateIndex(
                name: "IX_Sessions_AccountId_Began",
                table: "Sessions",
                columns: new[] { "AccountId", "Began" });

            // What is counted for all instances together. Not logged: it is written at every try, and after a crash of the database everybody begins anew.
            migrationBuilder.Sql(
                """
                create unlogged table "Tries" ("Key" bytea primary key, "Count" integer not null, "Until" timestamp with time zone not null);
                create unlogged table "Rates" ("Key" bytea primary key, "Level" double precision not null, "At" timestamp with time zone not null);
                create unlogged table "ClassScreens" ("LessonId" uuid not null, "Instance" text not null, "Screens" integer not null, "At" timestamp with time zone not null, primary key ("LessonId", "Instance"));
                """);
            // What is kept of each dance's lines, and of what each lesson's blocks took, is worked out behind the first pages.
            migrationBuilder.Sql(
                """
                update "Dances" set "IsStale" = true;
                update "Lessons" l set "Times" = '' where exists (select from "LessonEvents" e where e."LessonId" = l."Id");
                """);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Sql("""drop table "Tries", "Rates", "ClassScreens";""");

            migrationBuilder.DropTable(
                name: "Sessions");

            migrationBuilder.DropIndex(
                name: "IX_Lessons_GroupId_Held_Date",
                table: "Lessons");

            migrationBuilder.DropIndex(
                name: "IX_Lessons_LogDue",
                table: "Lessons");

            migrationBuilder.DropIndex(
                name: "IX_Dances_Stale",
                table: "Dances");

            migrationBuilder.DropColumn(
                name: "IsLogDue",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "Times",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "IsStale",
                table: "Dances");

            migrationBuilder.DropColumn(
                name: "Lines",
                table: "Dances");

            migrationBuilder.DropColumn(
                name: "TimeZone",
                table: "AspNetUsers");

            migrationBuilder.DropColumn(
                name: "WeekBegins",
                table: "AspNetUsers");

            migrationBuilder.CreateIndex(
                name: "IX_Lessons_GroupId",
                table: "Lessons",
                column: "GroupId");
        }
    }
}
