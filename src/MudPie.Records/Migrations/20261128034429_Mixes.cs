using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MudPie.Records.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(HoldingDb))]
    [Migration("20261128034429_Mixes")]
    public partial class Mixes : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Sql("ALTER TABLE \"StockEntries\" ADD COLUMN \"MixEntryId\" INTEGER NULL REFERENCES \"MixLog\" (\"Id\");");

            migrationBuilder.Sql("ALTER TABLE \"Lots\" ADD COLUMN \"MixId\" INTEGER NULL REFERENCES \"Mixes\" (\"Id\");");

            migrationBuilder.CreateTable(
                name: "Mixes",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Version = table.Column<Guid>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Asked = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Mixes", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "MixLog",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    MixId = table.Column<int>(type: "INTEGER", nullable: false),
                    Step = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    RecordedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    Damp = table.Column<string>(type: "TEXT", nullable: true),
                    Text = table.Column<string>(type: "TEXT", nullable: false),
                    Note = table.Column<string>(type: "TEXT", nullable: true),
                    BedId = table.Column<int>(type: "INTEGER", nullable: true),
                    CorrectsId = table.Column<int>(type: "INTEGER", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_MixLog", x => x.Id);
                    table.ForeignKey(
                        name: "FK_MixLog_Beds_BedId",
                        column: x => x.BedId,
                        principalTable: "Beds",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_MixLog_MixLog_CorrectsId",
                        column: x => x.CorrectsId,
                        principalTable: "MixLog",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_MixLog_Mixes_MixId",
                        column: x => x.MixId,
                        principalTable: "Mixes",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_StockEntries_MixEntryId",
                table: "StockEntries",
                column: "MixEntryId");

            migrationBuilder.CreateIndex(
                name: "IX_Lots_MixId",
                table: "Lots",
                column: "MixId");

            migrationBuilder.CreateIndex(
                name: "IX_MixLog_BedId",
                table: "MixLog",
                column: "BedId");

            migrationBuilder.CreateIndex(
                name: "IX_MixLog_CorrectsId",
                table: "MixLog",
                column: "CorrectsId");

            migrationBuilder.CreateIndex(
                name: "IX_MixLog_MixId_At",
                table: "MixLog",
                columns: new[] { "MixId", "At" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "FK_Lots_Mixes_MixId",
                table: "Lots");

            migrationBuilder.DropForeignKey(
                name: "FK_StockEntries_MixLog_MixEntryId",
                table: "StockEntries");

            migrationBuilder.DropTable(
                name: "MixLog");

            migrationBuilder.DropTable(
                name: "Mixes");

            migrationBuilder.DropIndex(
                name: "IX_StockEntries_MixEntryId",
                table: "StockEntries");

            migrationBuilder.DropIndex(
                name: "IX_Lots_MixId",
                table: "Lots");

            migrationBuilder.DropColumn(
                name: "MixEntryId",
                table: "StockEntries");

            migrationBuilder.DropColumn(
                name: "MixId",
                table: "Lots");
        }
    }
}
