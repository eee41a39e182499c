using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MudPie.Records.Migrations
{
    /// <inheritdoc />
    public partial class Judging : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int>(
                name: "CorrectsId",
                table: "BrixVisits",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "Dry",
                table: "BrixVisits",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<int>(
                name: "MeterId",
                table: "BrixVisits",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "PairKind",
                table: "BrixVisits",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "PairWithId",
                table: "BrixVisits",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "SamePlants",
                table: "BrixVisits",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "Stage",
                table: "BrixVisits",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Stress",
                table: "BrixVisits",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Weed",
                table: "BrixVisits",
                type: "TEXT",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "AcrossSets",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Unit = table.Column<string>(type: "TEXT", nullable: false),
                    WorthHaving = table.Column<double>(type: "REAL", nullable: true),
                    IsDemo = table.Column<bool>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_AcrossSets", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "BrixMeters",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Corrects = table.Column<bool>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_BrixMeters", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "PatchTests",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    BedId = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    AreaM2 = table.Column<double>(type: "REAL", nullable: false),
                    WaterMlPerM2 = table.Column<double>(type: "REAL", nullable: false),
                    Seed = table.Column<int>(type: "INTEGER", nullable: false),
                    MeterCorrects = table.Column<bool>(type: "INTEGER", nullable: false),
                    PutOnAt = table.Column<long>(type: "INTEGER", nullable: true),
                    IsDemo = table.Column<bool>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_PatchTests", x => x.Id);
                    table.ForeignKey(
                        name: "FK_PatchTests_Beds_BedId",
                        column: x => x.BedId,
                        principalTable: "Beds",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "PestCounts",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    BedId = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    RecordedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    Pest = table.Column<string>(type: "TEXT", nullable: false),
                    Count = table.Column<double>(type: "REAL", nullable: false),
                    Per = table.Column<string>(type: "TEXT", nullable: false),
                    Threshold = table.Column<double>(type: "REAL", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_PestCounts", x => x.Id);
                    table.ForeignKey(
                        name: "FK_PestCounts_Beds_BedId",
                        column: x => x.BedId,
                        principalTable: "Beds",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Trials",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Question = table.Column<string>(type: "TEXT", nullable: false),
                    Crop = table.Column<string>(type: "TEXT", nullable: false),
                    Season = table.Column<string>(type: "TEXT", nullable: false),
                    Displaces = table.Column<string>(type: "TEXT", nullable: true),
                    Design = table.Column<string>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Liquid = table.Column<bool>(type: "INTEGER", nullable: false),
                    FactorsJson = table.Column<string>(type: "TEXT", nullable: false),
                    NoControlWhy = table.Column<string>(type: "TEXT", nullable: true),
                    NoWaterWhy = table.Column<string>(type: "TEXT", nullable: true),
                    Replicates = table.Column<int>(type: "INTEGER", nullable: false),
                    Noise = table.Column<double>(type: "REAL", nullable: true),
                    WorthHaving = table.Column<double>(type: "REAL", nullable: true),
                    MoneyJson = table.Column<string>(type: "TEXT", nullable: true),
                    PlacesJson = table.Column<string>(type: "TEXT", nullable: false),
                    Seed = table.Column<int>(type: "INTEGER", nullable: false),
                    Blind = table.Column<bool>(type: "INTEGER", nullable: false),
                    State = table.Column<string>(type: "TEXT", nullable: false),
                    CreatedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    StartedAt = table.Column<long>(type: "INTEGER", nullable: true),
                    CodesOpenedAt = table.Column<long>(type: "INTEGER", nullable: true),
                    EndedAt = table.Column<long>(type: "INTEGER", nullable: true),
                    TemplateId = table.Column<string>(type: "TEXT", nullable: true),
                    ByLot = table.Column<bool>(type: "INTEGER", nullable: false),
                    IsDemo = table.Column<bool>(type: "INTEGER", nullable: false),
                    Version = table.Column<Guid>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Trials", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "MeterZero",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    BrixMeterId = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    Showed = table.Column<double>(type: "REAL", nullable: false),
                    Note = table.Column<string>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_MeterZero", x => x.Id);
                    table.ForeignKey(
                        name: "FK_MeterZero_BrixMeters_BrixMeterId",
                        column: x => x.BrixMeterId,
                        principalTable: "BrixMeters",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Patch",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    PatchTestId = table.Column<int>(type: "INTEGER", nullable: false),
                    Order = table.Column<int>(type: "INTEGER", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Role = table.Column<string>(type: "TEXT", nullable: false),
                    InputId = table.Column<int>(type: "INTEGER", nullable: true),
                    RatePerHa = table.Column<double>(type: "REAL", nullable: true),
                    RateUnit = table.Column<string>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Patch", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Patch_Inputs_InputId",
                        column: x => x.InputId,
                        principalTable: "Inputs",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_Patch_PatchTests_PatchTestId",
                        column: x => x.PatchTestId,
                        principalTable: "PatchTests",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "AcrossResult",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    AcrossSetId = table.Column<int>(type: "INTEGER", nullable: false),
                    Label = table.Column<string>(type: "TEXT", nullable: false),
                    Difference = table.Column<double>(type: "REAL", nullable: false),
                    Variance = table.Column<double>(type: "REAL", nullable: false),
                    TrialId = table.Column<int>(type: "INTEGER", nullable: true),
                    Source = table.Column<string>(type: "TEXT", nullable: true),
                    AddedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    OutWhy = table.Column<string>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_AcrossResult", x => x.Id);
                    table.ForeignKey(
                        name: "FK_AcrossResult_AcrossSets_AcrossSetId",
                        column: x => x.AcrossSetId,
                        principalTable: "AcrossSets",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_AcrossResult_Trials_TrialId",
                        column: x => x.TrialId,
                        principalTable: "Trials",
                        principalColumn: "Id");
                });

            migrationBuilder.CreateTable(
                name: "TrialEvent",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    TrialId = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Text = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_TrialEvent", x => x.Id);
                    table.ForeignKey(
                        name: "FK_TrialEvent_Trials_TrialId",
                        column: x => x.TrialId,
                        principalTable: "Trials",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "TrialMeasure",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    TrialId = table.Column<int>(type: "INTEGER", nullable: false),
                    Order = table.Column<int>(type: "INTEGER", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Unit = table.Column<string>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Low = table.Column<double>(type: "REAL", nullable: false),
                    High = table.Column<double>(type: "REAL", nullable: false),
                    LowerIsBetter = table.Column<bool>(type: "INTEGER", nullable: false),
                    OutOf = table.Column<double>(type: "REAL", nullable: true),
                    Dates = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_TrialMeasure", x => x.Id);
                    table.ForeignKey(
                        name: "FK_TrialMeasure_Trials_TrialId",
                        column: x => x.TrialId,
                        principalTable: "Trials",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "TrialTreatment",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    TrialId = table.Column<int>(type: "INTEGER", nullable: false),
                    Order = table.Column<int>(type: "INTEGER", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    LevelsJson = table.Column<string>(type: "TEXT", nullable: false),
                    Role = table.Column<string>(type: "TEXT", nullable: false),
                    InputId = table.Column<int>(type: "INTEGER", nullable: true),
                    RatePerM2 = table.Column<double>(type: "REAL", nullable: true),
                    RateTyped = table.Column<string>(type: "TEXT", nullable: true),
                    WaterLPerM2 = table.Column<double>(type: "REAL", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_TrialTreatment", x => x.Id);
                    table.ForeignKey(
                        name: "FK_TrialTreatment_Inputs_InputId",
                        column: x => x.InputId,
                        principalTable: "Inputs",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_TrialTreatment_Trials_TrialId",
                        column: x => x.TrialId,
                        principalTable: "Trials",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "PatchLeaves",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    PatchId = table.Column<int>(type: "INTEGER", nullable: false),
                    Phase = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    TemperatureC = table.Column<double>(type: "REAL", nullable: true),
                    AsReadJson = table.Column<string>(type: "TEXT", nullable: false),
                    At20Json = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_PatchLeaves", x => x.Id);
                    table.ForeignKey(
                        name: "FK_PatchLeaves_Patch_PatchId",
                        column: x => x.PatchId,
                        principalTable: "Patch",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "TrialPlots",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    TrialId = table.Column<int>(type: "INTEGER", nullable: false),
                    Number = table.Column<int>(type: "INTEGER", nullable: false),
                    Code = table.Column<string>(type: "TEXT", nullable: false),
                    TreatmentId = table.Column<int>(type: "INTEGER", nullable: false),
                    Block = table.Column<string>(type: "TEXT", nullable: true),
                    WholePlot = table.Column<string>(type: "TEXT", nullable: true),
                    Place = table.Column<string>(type: "TEXT", nullable: false),
                    X = table.Column<double>(type: "REAL", nullable: false),
                    Y = table.Column<double>(type: "REAL", nullable: false),
                    Length = table.Column<double>(type: "REAL", nullable: false),
                    Width = table.Column<double>(type: "REAL", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_TrialPlots", x => x.Id);
                    table.ForeignKey(
                        name: "FK_TrialPlots_TrialTreatment_TreatmentId",
                        column: x => x.TreatmentId,
                        principalTable: "TrialTreatment",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_TrialPlots_Trials_TrialId",
                        column: x => x.TrialId,
                        principalTable: "Trials",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "TrialPhotos",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    TrialId = table.Column<int>(type: "INTEGER", nullable: false),
                    PlotId = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    PhotoId = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_TrialPhotos", x => x.Id);
                    table.ForeignKey(
                        name: "FK_TrialPhotos_Photos_PhotoId",
                        column: x => x.PhotoId,
                        principalTable: "Photos",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_TrialPhotos_TrialPlots_PlotId",
                        column: x => x.PlotId,
                        principalTable: "TrialPlots",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "TrialReadings",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    TrialId = table.Column<int>(type: "INTEGER", nullable: false),
                    PlotId = table.Column<int>(type: "INTEGER", nullable: false),
                    MeasureId = table.Column<int>(type: "INTEGER", nullable: false),
                    On = table.Column<long>(type: "INTEGER", nullable: false),
                    RecordedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    Value = table.Column<double>(type: "REAL", nullable: true),
                    OutOf = table.Column<double>(type: "REAL", nullable: true),
                    MissingWhy = table.Column<string>(type: "TEXT", nullable: true),
                    KeptAnyway = table.Column<bool>(type: "INTEGER", nullable: false),
                    CorrectsId = table.Column<int>(type: "INTEGER", nullable: true),
                    CorrectionWhy = table.Column<string>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_TrialReadings", x => x.Id);
                    table.ForeignKey(
                        name: "FK_TrialReadings_TrialMeasure_MeasureId",
                        column: x => x.MeasureId,
                        principalTable: "TrialMeasure",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_TrialReadings_TrialPlots_PlotId",
                        column: x => x.PlotId,
                        principalTable: "TrialPlots",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_TrialReadings_TrialReadings_CorrectsId",
                        column: x => x.CorrectsId,
                        principalTable: "TrialReadings",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_TrialReadings_Trials_TrialId",
                        column: x => x.TrialId,
                        principalTable: "Trials",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_BrixVisits_CorrectsId",
                table: "BrixVisits",
                column: "CorrectsId");

            migrationBuilder.CreateIndex(
                name: "IX_BrixVisits_MeterId",
                table: "BrixVisits",
                column: "MeterId");

            migrationBuilder.CreateIndex(
                name: "IX_BrixVisits_PairWithId",
                table: "BrixVisits",
                column: "PairWithId");

            migrationBuilder.CreateIndex(
                name: "IX_AcrossResult_AcrossSetId",
                table: "AcrossResult",
                column: "AcrossSetId");

            migrationBuilder.CreateIndex(
                name: "IX_AcrossResult_TrialId",
                table: "AcrossResult",
                column: "TrialId");

            migrationBuilder.CreateIndex(
                name: "IX_BrixMeters_Name",
                table: "BrixMeters",
                column: "Name",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_MeterZero_BrixMeterId",
                table: "MeterZero",
                column: "BrixMeterId");

            migrationBuilder.CreateIndex(
                name: "IX_Patch_InputId",
                table: "Patch",
                column: "InputId");

            migrationBuilder.CreateIndex(
                name: "IX_Patch_PatchTestId",
                table: "Patch",
                column: "PatchTestId");

            migrationBuilder.CreateIndex(
                name: "IX_PatchLeaves_PatchId",
                table: "PatchLeaves",
                column: "PatchId");

            migrationBuilder.CreateIndex(
                name: "IX_PatchTests_BedId",
                table: "PatchTests",
                column: "BedId");

            migrationBuilder.CreateIndex(
                name: "IX_PestCounts_BedId_At",
                table: "PestCounts",
                columns: new[] { "BedId", "At" });

            migrationBuilder.CreateIndex(
                name: "IX_TrialEvent_TrialId",
                table: "TrialEvent",
                column: "TrialId");

            migrationBuilder.CreateIndex(
                name: "IX_TrialMeasure_TrialId",
                table: "TrialMeasure",
                column: "TrialId");

            migrationBuilder.CreateIndex(
                name: "IX_TrialPhotos_PhotoId",
                table: "TrialPhotos",
                column: "PhotoId");

            migrationBuilder.CreateIndex(
                name: "IX_TrialPhotos_PlotId",
                table: "TrialPhotos",
                column: "PlotId");

            migrationBuilder.CreateIndex(
                name: "IX_TrialPlots_TreatmentId",
                table: "TrialPlots",
                column: "TreatmentId");

            migrationBuilder.CreateIndex(
                name: "IX_TrialPlots_TrialId_Number",
                table: "TrialPlots",
                columns: new[] { "TrialId", "Number" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_TrialReadings_CorrectsId",
                table: "TrialReadings",
                column: "CorrectsId");

            migrationBuilder.CreateIndex(
                name: "IX_TrialReadings_MeasureId",
                table: "TrialReadings",
                column: "MeasureId");

            migrationBuilder.CreateIndex(
                name: "IX_TrialReadings_PlotId",
                table: "TrialReadings",
                column: "PlotId");

            migrationBuilder.CreateIndex(
                name: "IX_TrialReadings_TrialId_MeasureId_On",
                table: "TrialReadings",
                columns: new[] { "TrialId", "MeasureId", "On" });

            migrationBuilder.CreateIndex(
                name: "IX_TrialTreatment_InputId",
                table: "TrialTreatment",
                column: "InputId");

            migrationBuilder.CreateIndex(
                name: "IX_TrialTreatment_TrialId",
                table: "TrialTreatment",
                column: "TrialId");

            migrationBuilder.AddForeignKey(
                name: "FK_BrixVisits_BrixMeters_MeterId",
                table: "BrixVisits",
                column: "MeterId",
                principalTable: "BrixMeters",
                principalColumn: "Id");

            migrationBuilder.AddForeignKey(
                name: "FK_BrixVisits_BrixVisits_CorrectsId",
                table: "BrixVisits",
                column: "CorrectsId",
                principalTable: "BrixVisits",
                principalColumn: "Id");

            migrationBuilder.AddForeignKey(
                name: "FK_BrixVisits_BrixVisits_PairWithId",
                table: "BrixVisits",
                column: "PairWithId",
                principalTable: "BrixVisits",
                principalColumn: "Id");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "FK_BrixVisits_BrixMeters_MeterId",
                table: "BrixVisits");

            migrationBuilder.DropForeignKey(
                name: "FK_BrixVisits_BrixVisits_CorrectsId",
                table: "BrixVisits");

            migrationBuilder.DropForeignKey(
                name: "FK_BrixVisits_BrixVisits_PairWithId",
                table: "BrixVisits");

            migrationBuilder.DropTable(
                name: "AcrossResult");

            migrationBuilder.DropTable(
                name: "MeterZero");

            migrationBuilder.DropTable(
                name: "PatchLeaves");

            migrationBuilder.DropTable(
                name: "PestCounts");

            migrationBuilder.DropTable(
                name: "TrialEvent");

            migrationBuilder.DropTable(
                name: "TrialPhotos");

            migrationBuilder.DropTable(
                name: "TrialReadings");

            migrationBuilder.DropTable(
                name: "AcrossSets");

            migrationBuilder.DropTable(
                name: "BrixMeters");

            migrationBuilder.DropTable(
                name: "Patch");

            migrationBuilder.DropTable(
                name: "TrialMeasure");

            migrationBuilder.DropTable(
                name: "TrialPlots");

            migrationBuilder.DropTable(
                name: "PatchTests");

            migrationBuilder.DropTable(
                name: "TrialTreatment");

            migrationBuilder.DropTable(
                name: "Trials");

            migrationBuilder.DropIndex(
                name: "IX_BrixVisits_CorrectsId",
                table: "BrixVisits");

            migrationBuilder.DropIndex(
                name: "IX_BrixVisits_MeterId",
                table: "BrixVisits");

            migrationBuilder.DropIndex(
                name: "IX_BrixVisits_PairWithId",
                table: "BrixVisits");

            migrationBuilder.DropColumn(
                name: "CorrectsId",
                table: "BrixVisits");

            migrationBuilder.DropColumn(
                name: "Dry",
                table: "BrixVisits");

            migrationBuilder.DropColumn(
                name: "MeterId",
                table: "BrixVisits");

            migrationBuilder.DropColumn(
                name: "PairKind",
                table: "BrixVisits");

            migrationBuilder.DropColumn(
                name: "PairWithId",
                table: "BrixVisits");

            migrationBuilder.DropColumn(
                name: "SamePlants",
                table: "BrixVisits");

            migrationBuilder.DropColumn(
                name: "Stage",
                table: "BrixVisits");

            migrationBuilder.DropColumn(
                name: "Stress",
                table: "BrixVisits");

            migrationBuilder.DropColumn(
                name: "Weed",
                table: "BrixVisits");
        }
    }
}
