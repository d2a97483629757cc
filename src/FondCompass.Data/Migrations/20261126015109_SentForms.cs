using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace FondCompass.Data.Migrations
{
    /// <inheritdoc />
    public partial class SentForms : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<Guid>(
                name: "Sent",
                table: "Lessons",
                type: "uuid",
                nullable: true);

            migrationBuilder.CreateIndex(
                name: "IX_Lessons_OwnerId_Sent",
                table: "Lessons",
                columns: new[] { "OwnerId", "Sent" },
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_Lessons_OwnerId_Sent",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "Sent",
                table: "Lessons");
        }
    }
}
