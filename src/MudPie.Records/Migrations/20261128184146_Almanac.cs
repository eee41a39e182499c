using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MudPie.Records.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(HoldingDb))]
    [Migration("20261128184146_Almanac")]
    public partial class Almanac : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<double>(
                name: "MarkEast",
                table: "Works",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "MarkNorth",
                table: "Works",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Preparation",
                table: "Works",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Colour",
                table: "WorkLog",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "Count",
                table: "WorkLog",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Smell",
                table: "WorkLog",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Texture",
                table: "WorkLog",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "ControlCost",
                table: "PestCounts",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "Counted",
                table: "PestCounts",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "CropPrice",
                table: "PestCounts",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Enemy",
                table: "PestCounts",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "EnemyEach",
                table: "PestCounts",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "KillShare",
                table: "PestCounts",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "LossByOne",
                table: "PestCounts",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "Units",
                table: "PestCounts",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "SowingDays",
                table: "Holdings",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<int>(
                name: "WorkEntryId",
                table: "Applications",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.CreateIndex(
                name: "IX_Applications_WorkEntryId",
                table: "Applications",
                column: "WorkEntryId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_Applications_WorkEntryId",
                table: "Applications");

            migrationBuilder.DropColumn(
                name: "MarkEast",
                table: "Works");

            migrationBuilder.DropColumn(
                name: "MarkNorth",
                table: "Works");

            migrationBuilder.DropColumn(
                name: "Preparation",
                table: "Works");

            migrationBuilder.DropColumn(
                name: "Colour",
                table: "WorkLog");

            migrationBuilder.DropColumn(
                name: "Count",
                table: "WorkLog");

            migrationBuilder.DropColumn(
                name: "Smell",
                table: "WorkLog");

            migrationBuilder.DropColumn(
                name: "Texture",
                table: "WorkLog");

            migrationBuilder.DropColumn(
                name: "ControlCost",
                table: "PestCounts");

            migrationBuilder.DropColumn(
                name: "Counted",
                table: "PestCounts");

            migrationBuilder.DropColumn(
                name: "CropPrice",
                table: "PestCounts");

            migrationBuilder.DropColumn(
                name: "Enemy",
                table: "PestCounts");

            migrationBuilder.DropColumn(
                name: "EnemyEach",
                table: "PestCounts");

            migrationBuilder.DropColumn(
                name: "KillShare",
                table: "PestCounts");

            migrationBuilder.DropColumn(
                name: "LossByOne",
                table: "PestCounts");

            migrationBuilder.DropColumn(
                name: "Units",
                table: "PestCounts");

            migrationBuilder.DropColumn(
                name: "SowingDays",
                table: "Holdings");

            migrationBuilder.DropColumn(
                name: "WorkEntryId",
                table: "Applications");
        }
    }
}
