using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace FondCompass.Data.Migrations
{
    /// <inheritdoc />
    public partial class GroupsAndWays : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Pins",
                table: "Lessons",
                type: "character varying(8000)",
                maxLength: 8000,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Way",
                table: "Lessons",
                type: "character varying(400)",
                maxLength: 400,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<bool>(
                name: "Archived",
                table: "Groups",
                type: "boolean",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<double>(
                name: "CoolDown",
                table: "Groups",
                type: "double precision",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Knows",
                table: "Groups",
                type: "character varying(8000)",
                maxLength: 8000,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Level",
                table: "Groups",
                type: "character varying(20)",
                maxLength: 20,
                nullable: false,
                defaultValue: "beginner");

            migrationBuilder.AddColumn<double>(
                name: "SecondsPerAction",
                table: "Groups",
                type: "double precision",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Seen",
                table: "Groups",
                type: "character varying(8000)",
                maxLength: 8000,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<int>(
                name: "Size",
                table: "Groups",
                type: "integer",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "TalkPerBite",
                table: "Groups",
                type: "double precision",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "WarmUp",
                table: "Groups",
                type: "double precision",
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "Pins",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "Way",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "Archived",
                table: "Groups");

            migrationBuilder.DropColumn(
                name: "CoolDown",
                table: "Groups");

            migrationBuilder.DropColumn(
                name: "Knows",
                table: "Groups");

            migrationBuilder.DropColumn(
                name: "Level",
                table: "Groups");

            migrationBuilder.DropColumn(
                name: "SecondsPerAction",
                table: "Groups");

            migrationBuilder.DropColumn(
                name: "Seen",
                table: "Groups");

            migrationBuilder.DropColumn(
                name: "Size",
                table: "Groups");

            migrationBuilder.DropColumn(
                name: "TalkPerBite",
                table: "Groups");

            migrationBuilder.DropColumn(
                name: "WarmUp",
                table: "Groups");
        }
    }
}
