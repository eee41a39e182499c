using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MudPie.Server.People.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(PeopleDb))]
    [Migration("20261129172755_Box")]
    public partial class Box : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Home",
                table: "People_Users",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Holding",
                table: "People_JoinCodes",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Holding",
                table: "People_Happenings",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Holding",
                table: "People_Devices",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.CreateIndex(
                name: "IX_People_Happenings_Holding",
                table: "People_Happenings",
                column: "Holding");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_People_Happenings_Holding",
                table: "People_Happenings");

            migrationBuilder.DropColumn(
                name: "Home",
                table: "People_Users");

            migrationBuilder.DropColumn(
                name: "Holding",
                table: "People_JoinCodes");

            migrationBuilder.DropColumn(
                name: "Holding",
                table: "People_Happenings");

            migrationBuilder.DropColumn(
                name: "Holding",
                table: "People_Devices");
        }
    }
}
