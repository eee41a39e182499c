using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MudPie.Records.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(HoldingDb))]
    [Migration("20261127211050_OwnWriting")]
    public partial class OwnWriting : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Currency",
                table: "Holdings",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<bool>(
                name: "Hours12",
                table: "Holdings",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<bool>(
                name: "MonthFirst",
                table: "Holdings",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<bool>(
                name: "PlaceKnown",
                table: "Holdings",
                type: "INTEGER",
                nullable: false,
                defaultValue: true);

            // as dates were read of such a holding before it could choose
            migrationBuilder.Sql("UPDATE Holdings SET MonthFirst = 1 WHERE Units = 'usCustomary'");

            migrationBuilder.AddColumn<int>(
                name: "RoundId",
                table: "Batches",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "RunsForward",
                table: "Batches",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.CreateTable(
                name: "Rounds",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    BatchId = table.Column<int>(type: "INTEGER", nullable: false),
                    Every = table.Column<string>(type: "TEXT", nullable: false),
                    StoppedAt = table.Column<long>(type: "INTEGER", nullable: true),
                    Version = table.Column<Guid>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Rounds", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Rounds_Batches_BatchId",
                        column: x => x.BatchId,
                        principalTable: "Batches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Batches_RoundId",
                table: "Batches",
                column: "RoundId");

            migrationBuilder.CreateIndex(
                name: "IX_Rounds_BatchId",
                table: "Rounds",
                column: "BatchId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Rounds");

            migrationBuilder.DropIndex(
                name: "IX_Batches_RoundId",
                table: "Batches");

            migrationBuilder.DropColumn(
                name: "Currency",
                table: "Holdings");

            migrationBuilder.DropColumn(
                name: "Hours12",
                table: "Holdings");

            migrationBuilder.DropColumn(
                name: "MonthFirst",
                table: "Holdings");

            migrationBuilder.DropColumn(
                name: "PlaceKnown",
                table: "Holdings");

            migrationBuilder.DropColumn(
                name: "RoundId",
                table: "Batches");

            migrationBuilder.DropColumn(
                name: "RunsForward",
                table: "Batches");
        }
    }
}
