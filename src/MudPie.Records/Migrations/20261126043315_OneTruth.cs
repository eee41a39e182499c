using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MudPie.Records.Migrations
{
    /// <inheritdoc />
    public partial class OneTruth : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "LabelRatesJson",
                table: "Inputs",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Crop",
                table: "BrixVisits",
                type: "TEXT",
                nullable: true);

            // What stood there then was not kept: the bed's own crop now is the nearest that is known.
            migrationBuilder.Sql("UPDATE BrixVisits SET Crop = (SELECT Crop FROM Beds WHERE Beds.Id = BrixVisits.BedId);");

            migrationBuilder.AddColumn<string>(
                name: "CarrierName",
                table: "Patch",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "LabelTyped",
                table: "Inputs",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Eaten",
                table: "Beds",
                type: "TEXT",
                nullable: false,
                defaultValue: "Touches");

            // What was not eaten raw may still be eaten: the more cautious reading, and the grower may change it.
            migrationBuilder.Sql("UPDATE Beds SET Eaten = CASE WHEN EatenRaw = 1 THEN 'Touches' WHEN Growing = 'grass' THEN 'Grazed' ELSE 'Clear' END;");

            migrationBuilder.DropColumn(
                name: "EatenRaw",
                table: "Beds");

            migrationBuilder.AddColumn<double>(
                name: "GustMps",
                table: "Weather",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "LeafWet",
                table: "Weather",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "StagesJson",
                table: "Programmes",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<long>(
                name: "BuriedAt",
                table: "BedChecks",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "RaceJson",
                table: "Batches",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "SecondSourceInputId",
                table: "Batches",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "WaterTests",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    WaterSourceId = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    RecordedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    EColiPer100Ml = table.Column<double>(type: "REAL", nullable: false),
                    By = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_WaterTests", x => x.Id);
                    table.ForeignKey(
                        name: "FK_WaterTests_Waters_WaterSourceId",
                        column: x => x.WaterSourceId,
                        principalTable: "Waters",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Batches_SecondSourceInputId",
                table: "Batches",
                column: "SecondSourceInputId");

            migrationBuilder.CreateIndex(
                name: "IX_WaterTests_WaterSourceId_At",
                table: "WaterTests",
                columns: new[] { "WaterSourceId", "At" });

            migrationBuilder.AddForeignKey(
                name: "FK_Batches_Inputs_SecondSourceInputId",
                table: "Batches",
                column: "SecondSourceInputId",
                principalTable: "Inputs",
                principalColumn: "Id");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "FK_Batches_Inputs_SecondSourceInputId",
                table: "Batches");

            migrationBuilder.DropTable(
                name: "WaterTests");

            migrationBuilder.DropIndex(
                name: "IX_Batches_SecondSourceInputId",
                table: "Batches");

            migrationBuilder.DropColumn(
                name: "LabelRatesJson",
                table: "Inputs");

            migrationBuilder.DropColumn(
                name: "Crop",
                table: "BrixVisits");

            migrationBuilder.DropColumn(
                name: "CarrierName",
                table: "Patch");

            migrationBuilder.DropColumn(
                name: "LabelTyped",
                table: "Inputs");

            migrationBuilder.DropColumn(
                name: "GustMps",
                table: "Weather");

            migrationBuilder.DropColumn(
                name: "LeafWet",
                table: "Weather");

            migrationBuilder.DropColumn(
                name: "StagesJson",
                table: "Programmes");

            migrationBuilder.DropColumn(
                name: "Eaten",
                table: "Beds");

            migrationBuilder.DropColumn(
                name: "BuriedAt",
                table: "BedChecks");

            migrationBuilder.DropColumn(
                name: "RaceJson",
                table: "Batches");

            migrationBuilder.DropColumn(
                name: "SecondSourceInputId",
                table: "Batches");

            migrationBuilder.AddColumn<bool>(
                name: "EatenRaw",
                table: "Beds",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);
        }
    }
}
