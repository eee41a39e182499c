using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MudPie.Records.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(HoldingDb))]
    [Migration("20261129103659_Deeds")]
    public partial class Deeds : Migration
    {
        private static readonly string[] Tables =
        [
            "Zones", "Works", "WorkLog", "Waters", "WaterTests", "Washes",
            "Walks", "Vessels", "Trials", "TrialTreatment", "TrialReadings", "TrialPlots",
            "TrialPhotos", "TrialMeasure", "TrialEvent", "Tallies", "Strips", "StockEntries",
            "Sprayers", "SourceChecks", "Rounds", "Recipes", "RecipeVersions", "Pumps",
            "Programmes", "Probes", "ProbeEvents", "Plantings", "Photos", "PestCounts",
            "Pegs", "PegPhotos", "PatchTests", "PatchLeaves", "Patch", "OwnWaits",
            "OwnMaterials", "Observations", "Notices", "Mixes", "MixRules", "MixLog",
            "MeterZero", "Lots", "Log", "Labs", "Inputs", "Holdings",
            "Heaps", "HeapLog", "Harvests", "GroundChecks", "Goals", "GoalThings",
            "Givings", "ForkChoices", "FieldLog", "Diffusers", "Cleanings", "Claims",
            "ClaimFindings", "Calibrations", "BrixVisits", "BrixReading", "BrixMeters", "Beds",
            "BedChecks", "Batches", "BatchBed", "Applications", "ApplicationItems", "ApplicationBed",
            "AcrossSets", "AcrossResult"
        ];

        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            foreach (var table in Tables)
            {
                migrationBuilder.AddColumn<int>(name: "WrittenIn", table: table, type: "INTEGER", nullable: true);
            }

            migrationBuilder.CreateTable(
                name: "Deeds",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    By = table.Column<string>(type: "TEXT", nullable: true),
                    Device = table.Column<string>(type: "TEXT", nullable: true),
                    Request = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Deeds", x => x.Id);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Deeds_At",
                table: "Deeds",
                column: "At");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(name: "Deeds");
            foreach (var table in Tables)
            {
                migrationBuilder.DropColumn(name: "WrittenIn", table: table);
            }
        }
    }
}
