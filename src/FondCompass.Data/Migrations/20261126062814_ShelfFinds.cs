using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace FondCompass.Data.Migrations
{
    /// <inheritdoc />
    public partial class ShelfFinds : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_Lessons_DanceId",
                table: "Lessons");

            migrationBuilder.AddColumn<string>(
                name: "Genre",
                table: "Dances",
                type: "character varying(20)",
                maxLength: 20,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Level",
                table: "Dances",
                type: "character varying(60)",
                maxLength: 60,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string[]>(
                name: "Marks",
                table: "Dances",
                type: "text[]",
                nullable: false,
                defaultValue: new string[0]);

            migrationBuilder.AddColumn<int>(
                name: "Tags",
                table: "Dances",
                type: "integer",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<double>(
                name: "Tempo",
                table: "Dances",
                type: "double precision",
                nullable: true);

            migrationBuilder.CreateIndex(
                name: "IX_Lessons_DanceId_Held_Date",
                table: "Lessons",
                columns: new[] { "DanceId", "Held", "Date" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_Lessons_DanceId_Held_Date",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "Genre",
                table: "Dances");

            migrationBuilder.DropColumn(
                name: "Level",
                table: "Dances");

            migrationBuilder.DropColumn(
                name: "Marks",
                table: "Dances");

            migrationBuilder.DropColumn(
                name: "Tags",
                table: "Dances");

            migrationBuilder.DropColumn(
                name: "Tempo",
                table: "Dances");

            migrationBuilder.CreateIndex(
                name: "IX_Lessons_DanceId",
                table: "Lessons",
                column: "DanceId");
        }
    }
}
