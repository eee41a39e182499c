using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MudPie.Records.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(HoldingDb))]
    [Migration("20261130032523_WhoChanged")]
    public partial class WhoChanged : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int>(
                name: "ChangedIn",
                table: "Zones",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "ChangedIn",
                table: "Works",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "ChangedIn",
                table: "Waters",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "ChangedIn",
                table: "Walks",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "ChangedIn",
                table: "Vessels",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "ChangedIn",
                table: "Trials",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "ChangedIn",
                table: "Sprayers",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "ChangedIn",
                table: "Rounds",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "ChangedIn",
                table: "Pumps",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "ChangedIn",
                table: "Plantings",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "ChangedIn",
                table: "Pegs",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "ChangedIn",
                table: "Mixes",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "ChangedIn",
                table: "Labs",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "ChangedIn",
                table: "Inputs",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "ChangedIn",
                table: "Holdings",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "ChangedIn",
                table: "Heaps",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "ChangedIn",
                table: "Goals",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "ChangedIn",
                table: "Givings",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "ChangedIn",
                table: "Diffusers",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "ChangedIn",
                table: "Beds",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "ChangedIn",
                table: "Batches",
                type: "INTEGER",
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "ChangedIn",
                table: "Zones");

            migrationBuilder.DropColumn(
                name: "ChangedIn",
                table: "Works");

            migrationBuilder.DropColumn(
                name: "ChangedIn",
                table: "Waters");

            migrationBuilder.DropColumn(
                name: "ChangedIn",
                table: "Walks");

            migrationBuilder.DropColumn(
                name: "ChangedIn",
                table: "Vessels");

            migrationBuilder.DropColumn(
                name: "ChangedIn",
                table: "Trials");

            migrationBuilder.DropColumn(
                name: "ChangedIn",
                table: "Sprayers");

            migrationBuilder.DropColumn(
                name: "ChangedIn",
                table: "Rounds");

            migrationBuilder.DropColumn(
                name: "ChangedIn",
                table: "Pumps");

            migrationBuilder.DropColumn(
                name: "ChangedIn",
                table: "Plantings");

            migrationBuilder.DropColumn(
                name: "ChangedIn",
                table: "Pegs");

            migrationBuilder.DropColumn(
                name: "ChangedIn",
                table: "Mixes");

            migrationBuilder.DropColumn(
                name: "ChangedIn",
                table: "Labs");

            migrationBuilder.DropColumn(
                name: "ChangedIn",
                table: "Inputs");

            migrationBuilder.DropColumn(
                name: "ChangedIn",
                table: "Holdings");

            migrationBuilder.DropColumn(
                name: "ChangedIn",
                table: "Heaps");

            migrationBuilder.DropColumn(
                name: "ChangedIn",
                table: "Goals");

            migrationBuilder.DropColumn(
                name: "ChangedIn",
                table: "Givings");

            migrationBuilder.DropColumn(
                name: "ChangedIn",
                table: "Diffusers");

            migrationBuilder.DropColumn(
                name: "ChangedIn",
                table: "Beds");

            migrationBuilder.DropColumn(
                name: "ChangedIn",
                table: "Batches");
        }
    }
}
