using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MudPie.Records.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(HoldingDb))]
    [Migration("20261128101157_Solids")]
    public partial class Solids : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Byproduct",
                table: "Works",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "LotId",
                table: "Works",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "Hours",
                table: "WorkLog",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Runs",
                table: "WorkLog",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Setting",
                table: "WorkLog",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "StarterG",
                table: "WorkLog",
                type: "REAL",
                nullable: true);

            migrationBuilder.Sql("ALTER TABLE \"HeapLog\" ADD COLUMN \"WorkEntryId\" INTEGER NULL REFERENCES \"WorkLog\" (\"Id\");");

            migrationBuilder.AddColumn<bool>(
                name: "Solid",
                table: "Applications",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "Spread",
                table: "Applications",
                type: "TEXT",
                nullable: true);

            migrationBuilder.CreateIndex(
                name: "IX_Works_LotId",
                table: "Works",
                column: "LotId");

            // A sheet kept in its form which lot it is of; where that lot is still there, the row says so too.
            migrationBuilder.Sql("UPDATE Works SET LotId = json_extract(Sheet, '$.is.lotId') WHERE json_extract(Sheet, '$.is.lotId') IN (SELECT Id FROM Lots);");

            migrationBuilder.CreateIndex(
                name: "IX_HeapLog_WorkEntryId",
                table: "HeapLog",
                column: "WorkEntryId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "FK_HeapLog_WorkLog_WorkEntryId",
                table: "HeapLog");

            migrationBuilder.DropIndex(
                name: "IX_Works_LotId",
                table: "Works");

            migrationBuilder.DropIndex(
                name: "IX_HeapLog_WorkEntryId",
                table: "HeapLog");

            migrationBuilder.DropColumn(
                name: "Byproduct",
                table: "Works");

            migrationBuilder.DropColumn(
                name: "LotId",
                table: "Works");

            migrationBuilder.DropColumn(
                name: "Hours",
                table: "WorkLog");

            migrationBuilder.DropColumn(
                name: "Runs",
                table: "WorkLog");

            migrationBuilder.DropColumn(
                name: "Setting",
                table: "WorkLog");

            migrationBuilder.DropColumn(
                name: "StarterG",
                table: "WorkLog");

            migrationBuilder.DropColumn(
                name: "WorkEntryId",
                table: "HeapLog");

            migrationBuilder.DropColumn(
                name: "Solid",
                table: "Applications");

            migrationBuilder.DropColumn(
                name: "Spread",
                table: "Applications");
        }
    }
}
