using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MudPie.Records.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(HoldingDb))]
    [Migration("20261128042049_Heaps")]
    public partial class Heaps : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Sql("ALTER TABLE \"StockEntries\" ADD COLUMN \"HeapEntryId\" INTEGER NULL REFERENCES \"HeapLog\" (\"Id\");");

            migrationBuilder.Sql("ALTER TABLE \"Lots\" ADD COLUMN \"HeapId\" INTEGER NULL REFERENCES \"Heaps\" (\"Id\");");

            migrationBuilder.CreateTable(
                name: "Heaps",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Version = table.Column<Guid>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Asked = table.Column<string>(type: "TEXT", nullable: false),
                    BuiltAt = table.Column<long>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Heaps", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "OwnMaterials",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    MaterialId = table.Column<string>(type: "TEXT", nullable: true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Carbon = table.Column<double>(type: "REAL", nullable: false),
                    Nitrogen = table.Column<double>(type: "REAL", nullable: false),
                    Moisture = table.Column<double>(type: "REAL", nullable: false),
                    KgPerL = table.Column<double>(type: "REAL", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_OwnMaterials", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "HeapLog",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    HeapId = table.Column<int>(type: "INTEGER", nullable: false),
                    Step = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    RecordedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    Celsius = table.Column<double>(type: "REAL", nullable: true),
                    Litres = table.Column<double>(type: "REAL", nullable: true),
                    Typed = table.Column<string>(type: "TEXT", nullable: true),
                    Note = table.Column<string>(type: "TEXT", nullable: true),
                    CorrectsId = table.Column<int>(type: "INTEGER", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_HeapLog", x => x.Id);
                    table.ForeignKey(
                        name: "FK_HeapLog_HeapLog_CorrectsId",
                        column: x => x.CorrectsId,
                        principalTable: "HeapLog",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_HeapLog_Heaps_HeapId",
                        column: x => x.HeapId,
                        principalTable: "Heaps",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_StockEntries_HeapEntryId",
                table: "StockEntries",
                column: "HeapEntryId");

            migrationBuilder.CreateIndex(
                name: "IX_Lots_HeapId",
                table: "Lots",
                column: "HeapId");

            migrationBuilder.CreateIndex(
                name: "IX_HeapLog_CorrectsId",
                table: "HeapLog",
                column: "CorrectsId");

            migrationBuilder.CreateIndex(
                name: "IX_HeapLog_HeapId_At",
                table: "HeapLog",
                columns: new[] { "HeapId", "At" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "FK_Lots_Heaps_HeapId",
                table: "Lots");

            migrationBuilder.DropForeignKey(
                name: "FK_StockEntries_HeapLog_HeapEntryId",
                table: "StockEntries");

            migrationBuilder.DropTable(
                name: "HeapLog");

            migrationBuilder.DropTable(
                name: "OwnMaterials");

            migrationBuilder.DropTable(
                name: "Heaps");

            migrationBuilder.DropIndex(
                name: "IX_StockEntries_HeapEntryId",
                table: "StockEntries");

            migrationBuilder.DropIndex(
                name: "IX_Lots_HeapId",
                table: "Lots");

            migrationBuilder.DropColumn(
                name: "HeapEntryId",
                table: "StockEntries");

            migrationBuilder.DropColumn(
                name: "HeapId",
                table: "Lots");
        }
    }
}
