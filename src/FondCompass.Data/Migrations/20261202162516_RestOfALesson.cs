using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace FondCompass.Data.Migrations
{
    /// <inheritdoc />
    public partial class RestOfALesson : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Rest",
                table: "Lessons",
                type: "jsonb",
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "Rest",
                table: "Lessons");
        }
    }
}
