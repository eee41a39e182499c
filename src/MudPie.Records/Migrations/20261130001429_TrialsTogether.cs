using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MudPie.Records.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(HoldingDb))]
    [Migration("20261130001429_TrialsTogether")]
    public partial class TrialsTogether : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<Guid>(
                name: "Garden",
                table: "Trials",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "ProtocolId",
                table: "Trials",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "Protocols",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Mark = table.Column<Guid>(type: "TEXT", nullable: false),
                    Told = table.Column<string>(type: "TEXT", nullable: false),
                    Ours = table.Column<bool>(type: "INTEGER", nullable: false),
                    Source = table.Column<string>(type: "TEXT", nullable: false),
                    AddedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    WrittenIn = table.Column<int>(type: "INTEGER", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Protocols", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "HeldResult",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    HeldProtocolId = table.Column<int>(type: "INTEGER", nullable: false),
                    Garden = table.Column<Guid>(type: "TEXT", nullable: false),
                    Told = table.Column<string>(type: "TEXT", nullable: false),
                    AddedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    OutWhy = table.Column<string>(type: "TEXT", nullable: true),
                    WrittenIn = table.Column<int>(type: "INTEGER", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_HeldResult", x => x.Id);
                    table.ForeignKey(
                        name: "FK_HeldResult_Protocols_HeldProtocolId",
                        column: x => x.HeldProtocolId,
                        principalTable: "Protocols",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Trials_Garden",
                table: "Trials",
                column: "Garden",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_Trials_ProtocolId",
                table: "Trials",
                column: "ProtocolId");

            migrationBuilder.CreateIndex(
                name: "IX_HeldResult_HeldProtocolId_Garden",
                table: "HeldResult",
                columns: new[] { "HeldProtocolId", "Garden" });

            migrationBuilder.CreateIndex(
                name: "IX_Protocols_Mark",
                table: "Protocols",
                column: "Mark",
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "HeldResult");

            migrationBuilder.DropTable(
                name: "Protocols");

            migrationBuilder.DropIndex(
                name: "IX_Trials_Garden",
                table: "Trials");

            migrationBuilder.DropIndex(
                name: "IX_Trials_ProtocolId",
                table: "Trials");

            migrationBuilder.DropColumn(
                name: "Garden",
                table: "Trials");

            migrationBuilder.DropColumn(
                name: "ProtocolId",
                table: "Trials");
        }
    }
}
