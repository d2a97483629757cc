using System;
using Microsoft.EntityFrameworkCore.Migrations;
using Npgsql.EntityFrameworkCore.PostgreSQL.Metadata;

#nullable disable

namespace FondCompass.Data.Migrations
{
    /// <inheritdoc />
    public partial class LessonEvents : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "ClassCode",
                table: "Lessons",
                type: "character varying(12)",
                maxLength: 12,
                nullable: true);

            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "ClassCodeUntil",
                table: "Lessons",
                type: "timestamp with time zone",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "Heads",
                table: "Lessons",
                type: "integer",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "Running",
                table: "Lessons",
                type: "boolean",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<double>(
                name: "GatherFactor",
                table: "Groups",
                type: "double precision",
                nullable: false,
                defaultValue: 1.0);

            migrationBuilder.AddColumn<string>(
                name: "HeldFast",
                table: "Groups",
                type: "character varying(40)",
                maxLength: 40,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<double>(
                name: "WalkFactor",
                table: "Groups",
                type: "double precision",
                nullable: false,
                defaultValue: 1.0);

            migrationBuilder.CreateTable(
                name: "LessonEvents",
                columns: table => new
                {
                    LessonId = table.Column<Guid>(type: "uuid", nullable: false),
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    Arrived = table.Column<long>(type: "bigint", nullable: false)
                        .Annotation("Npgsql:ValueGenerationStrategy", NpgsqlValueGenerationStrategy.IdentityAlwaysColumn),
                    Board = table.Column<Guid>(type: "uuid", nullable: false),
                    Number = table.Column<int>(type: "integer", nullable: false),
                    Opened = table.Column<double>(type: "double precision", nullable: false),
                    Since = table.Column<double>(type: "double precision", nullable: false),
                    Kind = table.Column<string>(type: "character varying(20)", maxLength: 20, nullable: false),
                    Block = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    Bite = table.Column<string>(type: "character varying(100)", maxLength: 100, nullable: false),
                    Value = table.Column<double>(type: "double precision", nullable: true),
                    Words = table.Column<string>(type: "character varying(2000)", maxLength: 2000, nullable: false),
                    Undoes = table.Column<Guid>(type: "uuid", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_LessonEvents", x => new { x.LessonId, x.Id });
                    table.ForeignKey(
                        name: "FK_LessonEvents_Lessons_LessonId",
                        column: x => x.LessonId,
                        principalTable: "Lessons",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Lessons_ClassCode",
                table: "Lessons",
                column: "ClassCode",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_LessonEvents_LessonId_Arrived",
                table: "LessonEvents",
                columns: new[] { "LessonId", "Arrived" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "LessonEvents");

            migrationBuilder.DropIndex(
                name: "IX_Lessons_ClassCode",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "ClassCode",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "ClassCodeUntil",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "Heads",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "Running",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "GatherFactor",
                table: "Groups");

            migrationBuilder.DropColumn(
                name: "HeldFast",
                table: "Groups");

            migrationBuilder.DropColumn(
                name: "WalkFactor",
                table: "Groups");
        }
    }
}
