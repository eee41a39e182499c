using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MudPie.Records.Migrations
{
    /// <inheritdoc />
    public partial class ShelfAndBook : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "FK_Applications_Batches_BatchId",
                table: "Applications");

            migrationBuilder.AddColumn<double>(
                name: "Density",
                table: "Inputs",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "KShare",
                table: "Inputs",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "LabelBasis",
                table: "Inputs",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "LabelEveryDays",
                table: "Inputs",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "LabelPer",
                table: "Inputs",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "LabelRate",
                table: "Inputs",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "LabelWaitDays",
                table: "Inputs",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "NShare",
                table: "Inputs",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Notes",
                table: "Inputs",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "PShare",
                table: "Inputs",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "Ph",
                table: "Inputs",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "SpeciesJson",
                table: "Inputs",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Unit",
                table: "Inputs",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "HourlyWage",
                table: "Holdings",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "EatenRaw",
                table: "Beds",
                type: "INTEGER",
                nullable: false,
                defaultValue: true);

            migrationBuilder.AddColumn<string>(
                name: "ShapeJson",
                table: "Beds",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AlterColumn<int>(
                name: "BatchId",
                table: "Applications",
                type: "INTEGER",
                nullable: true,
                oldClrType: typeof(int),
                oldType: "INTEGER");

            migrationBuilder.AddColumn<string>(
                name: "AskedJson",
                table: "Applications",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "CorrectionWhy",
                table: "Applications",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "CorrectsId",
                table: "Applications",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "FoodWaiting",
                table: "Applications",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "MixWhy",
                table: "Applications",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Purpose",
                table: "Applications",
                type: "TEXT",
                nullable: false,
                defaultValue: "leaf");

            migrationBuilder.AddColumn<double>(
                name: "SpareL",
                table: "Applications",
                type: "REAL",
                nullable: false,
                defaultValue: 0.0);

            migrationBuilder.AddColumn<int>(
                name: "SprayerId",
                table: "Applications",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "Strikes",
                table: "Applications",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "Weather",
                table: "Applications",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Who",
                table: "Applications",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Why",
                table: "Applications",
                type: "TEXT",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "Harvests",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    BedId = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    RecordedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    Crop = table.Column<string>(type: "TEXT", nullable: false),
                    Kg = table.Column<double>(type: "REAL", nullable: false),
                    Note = table.Column<string>(type: "TEXT", nullable: true),
                    CorrectsId = table.Column<int>(type: "INTEGER", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Harvests", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Harvests_Beds_BedId",
                        column: x => x.BedId,
                        principalTable: "Beds",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_Harvests_Harvests_CorrectsId",
                        column: x => x.CorrectsId,
                        principalTable: "Harvests",
                        principalColumn: "Id");
                });

            migrationBuilder.CreateTable(
                name: "Lots",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    InputId = table.Column<int>(type: "INTEGER", nullable: false),
                    Mark = table.Column<string>(type: "TEXT", nullable: false),
                    Origin = table.Column<string>(type: "TEXT", nullable: false),
                    From = table.Column<long>(type: "INTEGER", nullable: false),
                    Expires = table.Column<long>(type: "INTEGER", nullable: true),
                    Place = table.Column<string>(type: "TEXT", nullable: true),
                    KeptC = table.Column<double>(type: "REAL", nullable: true),
                    Paid = table.Column<double>(type: "REAL", nullable: true),
                    Minutes = table.Column<double>(type: "REAL", nullable: true),
                    Notes = table.Column<string>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Lots", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Lots_Inputs_InputId",
                        column: x => x.InputId,
                        principalTable: "Inputs",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "MixRules",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    A = table.Column<string>(type: "TEXT", nullable: false),
                    B = table.Column<string>(type: "TEXT", nullable: false),
                    Together = table.Column<bool>(type: "INTEGER", nullable: false),
                    WaitDays = table.Column<double>(type: "REAL", nullable: false),
                    Why = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    EndedAt = table.Column<long>(type: "INTEGER", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_MixRules", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Observations",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    BedId = table.Column<int>(type: "INTEGER", nullable: true),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    RecordedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    Text = table.Column<string>(type: "TEXT", nullable: false),
                    CorrectsId = table.Column<int>(type: "INTEGER", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Observations", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Observations_Beds_BedId",
                        column: x => x.BedId,
                        principalTable: "Beds",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_Observations_Observations_CorrectsId",
                        column: x => x.CorrectsId,
                        principalTable: "Observations",
                        principalColumn: "Id");
                });

            migrationBuilder.CreateTable(
                name: "OwnWaits",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Days = table.Column<double>(type: "REAL", nullable: false),
                    Why = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_OwnWaits", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Programmes",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    BedId = table.Column<int>(type: "INTEGER", nullable: false),
                    Start = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Harvest = table.Column<DateOnly>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Programmes", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Programmes_Beds_BedId",
                        column: x => x.BedId,
                        principalTable: "Beds",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Sprayers",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    TankL = table.Column<double>(type: "REAL", nullable: false),
                    Past = table.Column<string>(type: "TEXT", nullable: false),
                    ClearedWhy = table.Column<string>(type: "TEXT", nullable: true),
                    ClearedAt = table.Column<long>(type: "INTEGER", nullable: true),
                    MeshUm = table.Column<double>(type: "REAL", nullable: true),
                    PressureBar = table.Column<double>(type: "REAL", nullable: true),
                    Ratio = table.Column<double>(type: "REAL", nullable: true),
                    Version = table.Column<Guid>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Sprayers", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Weather",
                columns: table => new
                {
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    TemperatureC = table.Column<double>(type: "REAL", nullable: false),
                    WindMps = table.Column<double>(type: "REAL", nullable: false),
                    RainMm = table.Column<double>(type: "REAL", nullable: false),
                    CloudShare = table.Column<double>(type: "REAL", nullable: false),
                    HumidityShare = table.Column<double>(type: "REAL", nullable: false),
                    Source = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Weather", x => x.At);
                });

            migrationBuilder.CreateTable(
                name: "ApplicationItems",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    ApplicationId = table.Column<int>(type: "INTEGER", nullable: false),
                    InputId = table.Column<int>(type: "INTEGER", nullable: true),
                    LotId = table.Column<int>(type: "INTEGER", nullable: true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Lot = table.Column<string>(type: "TEXT", nullable: true),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Amount = table.Column<double>(type: "REAL", nullable: false),
                    Unit = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_ApplicationItems", x => x.Id);
                    table.ForeignKey(
                        name: "FK_ApplicationItems_Applications_ApplicationId",
                        column: x => x.ApplicationId,
                        principalTable: "Applications",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_ApplicationItems_Inputs_InputId",
                        column: x => x.InputId,
                        principalTable: "Inputs",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_ApplicationItems_Lots_LotId",
                        column: x => x.LotId,
                        principalTable: "Lots",
                        principalColumn: "Id");
                });

            migrationBuilder.CreateTable(
                name: "StockEntries",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    LotId = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    RecordedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    Amount = table.Column<double>(type: "REAL", nullable: false),
                    Reason = table.Column<string>(type: "TEXT", nullable: false),
                    BatchId = table.Column<int>(type: "INTEGER", nullable: true),
                    ApplicationId = table.Column<int>(type: "INTEGER", nullable: true),
                    Note = table.Column<string>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_StockEntries", x => x.Id);
                    table.ForeignKey(
                        name: "FK_StockEntries_Applications_ApplicationId",
                        column: x => x.ApplicationId,
                        principalTable: "Applications",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_StockEntries_Batches_BatchId",
                        column: x => x.BatchId,
                        principalTable: "Batches",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_StockEntries_Lots_LotId",
                        column: x => x.LotId,
                        principalTable: "Lots",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Givings",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    ProgrammeId = table.Column<int>(type: "INTEGER", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    InputId = table.Column<int>(type: "INTEGER", nullable: true),
                    On = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Purpose = table.Column<string>(type: "TEXT", nullable: false),
                    OneIn = table.Column<double>(type: "REAL", nullable: true),
                    ApplicationId = table.Column<int>(type: "INTEGER", nullable: true),
                    Version = table.Column<Guid>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Givings", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Givings_Applications_ApplicationId",
                        column: x => x.ApplicationId,
                        principalTable: "Applications",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_Givings_Inputs_InputId",
                        column: x => x.InputId,
                        principalTable: "Inputs",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_Givings_Programmes_ProgrammeId",
                        column: x => x.ProgrammeId,
                        principalTable: "Programmes",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Calibrations",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    SprayerId = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    RecordedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    MeasuredJson = table.Column<string>(type: "TEXT", nullable: false),
                    LPerHa = table.Column<double>(type: "REAL", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Calibrations", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Calibrations_Sprayers_SprayerId",
                        column: x => x.SprayerId,
                        principalTable: "Sprayers",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Washes",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    SprayerId = table.Column<int>(type: "INTEGER", nullable: false),
                    ApplicationId = table.Column<int>(type: "INTEGER", nullable: true),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    RecordedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    Note = table.Column<string>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Washes", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Washes_Applications_ApplicationId",
                        column: x => x.ApplicationId,
                        principalTable: "Applications",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_Washes_Sprayers_SprayerId",
                        column: x => x.SprayerId,
                        principalTable: "Sprayers",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Applications_CorrectsId",
                table: "Applications",
                column: "CorrectsId");

            migrationBuilder.CreateIndex(
                name: "IX_Applications_SprayerId",
                table: "Applications",
                column: "SprayerId");

            migrationBuilder.CreateIndex(
                name: "IX_ApplicationItems_ApplicationId",
                table: "ApplicationItems",
                column: "ApplicationId");

            migrationBuilder.CreateIndex(
                name: "IX_ApplicationItems_InputId",
                table: "ApplicationItems",
                column: "InputId");

            migrationBuilder.CreateIndex(
                name: "IX_ApplicationItems_LotId",
                table: "ApplicationItems",
                column: "LotId");

            migrationBuilder.CreateIndex(
                name: "IX_Calibrations_SprayerId",
                table: "Calibrations",
                column: "SprayerId");

            migrationBuilder.CreateIndex(
                name: "IX_Givings_ApplicationId",
                table: "Givings",
                column: "ApplicationId");

            migrationBuilder.CreateIndex(
                name: "IX_Givings_InputId",
                table: "Givings",
                column: "InputId");

            migrationBuilder.CreateIndex(
                name: "IX_Givings_On",
                table: "Givings",
                column: "On");

            migrationBuilder.CreateIndex(
                name: "IX_Givings_ProgrammeId",
                table: "Givings",
                column: "ProgrammeId");

            migrationBuilder.CreateIndex(
                name: "IX_Harvests_BedId_At",
                table: "Harvests",
                columns: new[] { "BedId", "At" });

            migrationBuilder.CreateIndex(
                name: "IX_Harvests_CorrectsId",
                table: "Harvests",
                column: "CorrectsId");

            migrationBuilder.CreateIndex(
                name: "IX_Lots_InputId_Mark",
                table: "Lots",
                columns: new[] { "InputId", "Mark" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_Observations_At",
                table: "Observations",
                column: "At");

            migrationBuilder.CreateIndex(
                name: "IX_Observations_BedId",
                table: "Observations",
                column: "BedId");

            migrationBuilder.CreateIndex(
                name: "IX_Observations_CorrectsId",
                table: "Observations",
                column: "CorrectsId");

            migrationBuilder.CreateIndex(
                name: "IX_Programmes_BedId",
                table: "Programmes",
                column: "BedId");

            migrationBuilder.CreateIndex(
                name: "IX_Sprayers_Name",
                table: "Sprayers",
                column: "Name",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_StockEntries_ApplicationId",
                table: "StockEntries",
                column: "ApplicationId");

            migrationBuilder.CreateIndex(
                name: "IX_StockEntries_BatchId",
                table: "StockEntries",
                column: "BatchId");

            migrationBuilder.CreateIndex(
                name: "IX_StockEntries_LotId_At",
                table: "StockEntries",
                columns: new[] { "LotId", "At" });

            migrationBuilder.CreateIndex(
                name: "IX_Washes_ApplicationId",
                table: "Washes",
                column: "ApplicationId");

            migrationBuilder.CreateIndex(
                name: "IX_Washes_SprayerId_At",
                table: "Washes",
                columns: new[] { "SprayerId", "At" });

            migrationBuilder.AddForeignKey(
                name: "FK_Applications_Applications_CorrectsId",
                table: "Applications",
                column: "CorrectsId",
                principalTable: "Applications",
                principalColumn: "Id");

            migrationBuilder.AddForeignKey(
                name: "FK_Applications_Batches_BatchId",
                table: "Applications",
                column: "BatchId",
                principalTable: "Batches",
                principalColumn: "Id");

            migrationBuilder.AddForeignKey(
                name: "FK_Applications_Sprayers_SprayerId",
                table: "Applications",
                column: "SprayerId",
                principalTable: "Sprayers",
                principalColumn: "Id");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "FK_Applications_Applications_CorrectsId",
                table: "Applications");

            migrationBuilder.DropForeignKey(
                name: "FK_Applications_Batches_BatchId",
                table: "Applications");

            migrationBuilder.DropForeignKey(
                name: "FK_Applications_Sprayers_SprayerId",
                table: "Applications");

            migrationBuilder.DropTable(
                name: "ApplicationItems");

            migrationBuilder.DropTable(
                name: "Calibrations");

            migrationBuilder.DropTable(
                name: "Givings");

            migrationBuilder.DropTable(
                name: "Harvests");

            migrationBuilder.DropTable(
                name: "MixRules");

            migrationBuilder.DropTable(
                name: "Observations");

            migrationBuilder.DropTable(
                name: "OwnWaits");

            migrationBuilder.DropTable(
                name: "StockEntries");

            migrationBuilder.DropTable(
                name: "Washes");

            migrationBuilder.DropTable(
                name: "Weather");

            migrationBuilder.DropTable(
                name: "Programmes");

            migrationBuilder.DropTable(
                name: "Lots");

            migrationBuilder.DropTable(
                name: "Sprayers");

            migrationBuilder.DropIndex(
                name: "IX_Applications_CorrectsId",
                table: "Applications");

            migrationBuilder.DropIndex(
                name: "IX_Applications_SprayerId",
                table: "Applications");

            migrationBuilder.DropColumn(
                name: "Density",
                table: "Inputs");

            migrationBuilder.DropColumn(
                name: "KShare",
                table: "Inputs");

            migrationBuilder.DropColumn(
                name: "LabelBasis",
                table: "Inputs");

            migrationBuilder.DropColumn(
                name: "LabelEveryDays",
                table: "Inputs");

            migrationBuilder.DropColumn(
                name: "LabelPer",
                table: "Inputs");

            migrationBuilder.DropColumn(
                name: "LabelRate",
                table: "Inputs");

            migrationBuilder.DropColumn(
                name: "LabelWaitDays",
                table: "Inputs");

            migrationBuilder.DropColumn(
                name: "NShare",
                table: "Inputs");

            migrationBuilder.DropColumn(
                name: "Notes",
                table: "Inputs");

            migrationBuilder.DropColumn(
                name: "PShare",
                table: "Inputs");

            migrationBuilder.DropColumn(
                name: "Ph",
                table: "Inputs");

            migrationBuilder.DropColumn(
                name: "SpeciesJson",
                table: "Inputs");

            migrationBuilder.DropColumn(
                name: "Unit",
                table: "Inputs");

            migrationBuilder.DropColumn(
                name: "HourlyWage",
                table: "Holdings");

            migrationBuilder.DropColumn(
                name: "EatenRaw",
                table: "Beds");

            migrationBuilder.DropColumn(
                name: "ShapeJson",
                table: "Beds");

            migrationBuilder.DropColumn(
                name: "AskedJson",
                table: "Applications");

            migrationBuilder.DropColumn(
                name: "CorrectionWhy",
                table: "Applications");

            migrationBuilder.DropColumn(
                name: "CorrectsId",
                table: "Applications");

            migrationBuilder.DropColumn(
                name: "FoodWaiting",
                table: "Applications");

            migrationBuilder.DropColumn(
                name: "MixWhy",
                table: "Applications");

            migrationBuilder.DropColumn(
                name: "Purpose",
                table: "Applications");

            migrationBuilder.DropColumn(
                name: "SpareL",
                table: "Applications");

            migrationBuilder.DropColumn(
                name: "SprayerId",
                table: "Applications");

            migrationBuilder.DropColumn(
                name: "Strikes",
                table: "Applications");

            migrationBuilder.DropColumn(
                name: "Weather",
                table: "Applications");

            migrationBuilder.DropColumn(
                name: "Who",
                table: "Applications");

            migrationBuilder.DropColumn(
                name: "Why",
                table: "Applications");

            migrationBuilder.AlterColumn<int>(
                name: "BatchId",
                table: "Applications",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0,
                oldClrType: typeof(int),
                oldType: "INTEGER",
                oldNullable: true);

            migrationBuilder.AddForeignKey(
                name: "FK_Applications_Batches_BatchId",
                table: "Applications",
                column: "BatchId",
                principalTable: "Batches",
                principalColumn: "Id",
                onDelete: ReferentialAction.Cascade);
        }
    }
}
