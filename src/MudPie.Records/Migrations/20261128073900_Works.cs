using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MudPie.Records.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(HoldingDb))]
    [Migration("20261128073900_Works")]
    public partial class Works : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Sql("ALTER TABLE \"StockEntries\" ADD COLUMN \"WorkEntryId\" INTEGER NULL REFERENCES \"WorkLog\" (\"Id\");");

            migrationBuilder.Sql("ALTER TABLE \"Lots\" ADD COLUMN \"WorkId\" INTEGER NULL REFERENCES \"Works\" (\"Id\");");

            migrationBuilder.CreateTable(
                name: "Works",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Version = table.Column<Guid>(type: "TEXT", nullable: false),
                    Kind = table.Column<int>(type: "INTEGER", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Worms = table.Column<string>(type: "TEXT", nullable: true),
                    Burn = table.Column<string>(type: "TEXT", nullable: true),
                    Sheet = table.Column<string>(type: "TEXT", nullable: true),
                    BegunAt = table.Column<long>(type: "INTEGER", nullable: false),
                    BedId = table.Column<int>(type: "INTEGER", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Works", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Works_Beds_BedId",
                        column: x => x.BedId,
                        principalTable: "Beds",
                        principalColumn: "Id");
                });

            migrationBuilder.CreateTable(
                name: "WorkLog",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    WorkId = table.Column<int>(type: "INTEGER", nullable: false),
                    Step = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    RecordedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    Tray = table.Column<string>(type: "TEXT", nullable: true),
                    What = table.Column<string>(type: "TEXT", nullable: true),
                    Grams = table.Column<double>(type: "REAL", nullable: true),
                    Litres = table.Column<double>(type: "REAL", nullable: true),
                    BackL = table.Column<double>(type: "REAL", nullable: true),
                    Figure = table.Column<double>(type: "REAL", nullable: true),
                    Share = table.Column<double>(type: "REAL", nullable: true),
                    Damp = table.Column<string>(type: "TEXT", nullable: true),
                    Heat = table.Column<int>(type: "INTEGER", nullable: true),
                    Typed = table.Column<string>(type: "TEXT", nullable: true),
                    Note = table.Column<string>(type: "TEXT", nullable: true),
                    CorrectsId = table.Column<int>(type: "INTEGER", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_WorkLog", x => x.Id);
                    table.ForeignKey(
                        name: "FK_WorkLog_WorkLog_CorrectsId",
                        column: x => x.CorrectsId,
                        principalTable: "WorkLog",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_WorkLog_Works_WorkId",
                        column: x => x.WorkId,
                        principalTable: "Works",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_StockEntries_WorkEntryId",
                table: "StockEntries",
                column: "WorkEntryId");

            migrationBuilder.CreateIndex(
                name: "IX_Lots_WorkId",
                table: "Lots",
                column: "WorkId");

            migrationBuilder.CreateIndex(
                name: "IX_WorkLog_CorrectsId",
                table: "WorkLog",
                column: "CorrectsId");

            migrationBuilder.CreateIndex(
                name: "IX_WorkLog_WorkId_At",
                table: "WorkLog",
                columns: new[] { "WorkId", "At" });

            migrationBuilder.CreateIndex(
                name: "IX_Works_BedId",
                table: "Works",
                column: "BedId");

            migrationBuilder.CreateIndex(
                name: "IX_Works_Name",
                table: "Works",
                column: "Name",
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "FK_Lots_Works_WorkId",
                table: "Lots");

            migrationBuilder.DropForeignKey(
                name: "FK_StockEntries_WorkLog_WorkEntryId",
                table: "StockEntries");

            migrationBuilder.DropTable(
                name: "WorkLog");

            migrationBuilder.DropTable(
                name: "Works");

            migrationBuilder.DropIndex(
                name: "IX_StockEntries_WorkEntryId",
                table: "StockEntries");

            migrationBuilder.DropIndex(
                name: "IX_Lots_WorkId",
                table: "Lots");

            migrationBuilder.DropColumn(
                name: "WorkEntryId",
                table: "StockEntries");

            migrationBuilder.DropColumn(
                name: "WorkId",
                table: "Lots");
        }
    }
}
