using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MudPie.Records.Migrations
{
    /// <inheritdoc />
    public partial class First : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "Acknowledgements",
                columns: table => new
                {
                    Key = table.Column<string>(type: "TEXT", nullable: false),
                    Request = table.Column<string>(type: "TEXT", nullable: false),
                    Body = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Acknowledgements", x => x.Key);
                });

            migrationBuilder.CreateTable(
                name: "Beds",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    AreaM2 = table.Column<double>(type: "REAL", nullable: false),
                    AreaTyped = table.Column<string>(type: "TEXT", nullable: false),
                    Crop = table.Column<string>(type: "TEXT", nullable: false),
                    Growing = table.Column<string>(type: "TEXT", nullable: false),
                    SoilPh = table.Column<double>(type: "REAL", nullable: true),
                    Version = table.Column<Guid>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Beds", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Diffusers",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    LossKPa = table.Column<double>(type: "REAL", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Diffusers", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "ForkChoices",
                columns: table => new
                {
                    ForkId = table.Column<string>(type: "TEXT", nullable: false),
                    SchoolId = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_ForkChoices", x => x.ForkId);
                });

            migrationBuilder.CreateTable(
                name: "Holdings",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Latitude = table.Column<double>(type: "REAL", nullable: false),
                    Longitude = table.Column<double>(type: "REAL", nullable: false),
                    AltitudeM = table.Column<double>(type: "REAL", nullable: false),
                    Zone = table.Column<string>(type: "TEXT", nullable: false),
                    Units = table.Column<string>(type: "TEXT", nullable: false),
                    IsDemo = table.Column<bool>(type: "INTEGER", nullable: false),
                    CreatedAt = table.Column<long>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Holdings", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Inputs",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Lot = table.Column<string>(type: "TEXT", nullable: true),
                    UnfitWhy = table.Column<string>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Inputs", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Pumps",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    OpenLpm = table.Column<double>(type: "REAL", nullable: false),
                    ShutOffKPa = table.Column<double>(type: "REAL", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Pumps", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Vessels",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Shape = table.Column<string>(type: "TEXT", nullable: false),
                    TotalL = table.Column<double>(type: "REAL", nullable: false),
                    WorkingL = table.Column<double>(type: "REAL", nullable: false),
                    DepthM = table.Column<double>(type: "REAL", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Vessels", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Waters",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Chloramine = table.Column<bool>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Waters", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Batches",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    State = table.Column<string>(type: "TEXT", nullable: false),
                    Making = table.Column<string>(type: "TEXT", nullable: false),
                    Purpose = table.Column<string>(type: "TEXT", nullable: false),
                    VesselId = table.Column<int>(type: "INTEGER", nullable: false),
                    PumpId = table.Column<int>(type: "INTEGER", nullable: false),
                    DiffuserId = table.Column<int>(type: "INTEGER", nullable: false),
                    WaterSourceId = table.Column<int>(type: "INTEGER", nullable: false),
                    BrewJson = table.Column<string>(type: "TEXT", nullable: false),
                    StepsJson = table.Column<string>(type: "TEXT", nullable: false),
                    BrewL = table.Column<double>(type: "REAL", nullable: false),
                    BrewHours = table.Column<double>(type: "REAL", nullable: false),
                    PlannedStart = table.Column<long>(type: "INTEGER", nullable: false),
                    UseAt = table.Column<long>(type: "INTEGER", nullable: false),
                    StartedAt = table.Column<long>(type: "INTEGER", nullable: true),
                    AirOffAt = table.Column<long>(type: "INTEGER", nullable: true),
                    StripWaiver = table.Column<string>(type: "TEXT", nullable: true),
                    IsDemo = table.Column<bool>(type: "INTEGER", nullable: false),
                    Version = table.Column<Guid>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Batches", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Batches_Diffusers_DiffuserId",
                        column: x => x.DiffuserId,
                        principalTable: "Diffusers",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_Batches_Pumps_PumpId",
                        column: x => x.PumpId,
                        principalTable: "Pumps",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_Batches_Vessels_VesselId",
                        column: x => x.VesselId,
                        principalTable: "Vessels",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_Batches_Waters_WaterSourceId",
                        column: x => x.WaterSourceId,
                        principalTable: "Waters",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Strips",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    WaterSourceId = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    MgPerL = table.Column<double>(type: "REAL", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Strips", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Strips_Waters_WaterSourceId",
                        column: x => x.WaterSourceId,
                        principalTable: "Waters",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Applications",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    BatchId = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    RecordedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    Dilution = table.Column<string>(type: "TEXT", nullable: false),
                    OneIn = table.Column<double>(type: "REAL", nullable: false),
                    TeaL = table.Column<double>(type: "REAL", nullable: false),
                    WaterL = table.Column<double>(type: "REAL", nullable: false),
                    Tool = table.Column<string>(type: "TEXT", nullable: false),
                    TankL = table.Column<double>(type: "REAL", nullable: false),
                    Fitness = table.Column<string>(type: "TEXT", nullable: false),
                    OverrideWhy = table.Column<string>(type: "TEXT", nullable: true),
                    CautionsSeen = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Applications", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Applications_Batches_BatchId",
                        column: x => x.BatchId,
                        principalTable: "Batches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "BatchBed",
                columns: table => new
                {
                    BatchId = table.Column<int>(type: "INTEGER", nullable: false),
                    BedId = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_BatchBed", x => new { x.BatchId, x.BedId });
                    table.ForeignKey(
                        name: "FK_BatchBed_Batches_BatchId",
                        column: x => x.BatchId,
                        principalTable: "Batches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_BatchBed_Beds_BedId",
                        column: x => x.BedId,
                        principalTable: "Beds",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Photos",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    BatchId = table.Column<int>(type: "INTEGER", nullable: false),
                    Jpeg = table.Column<byte[]>(type: "BLOB", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Photos", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Photos_Batches_BatchId",
                        column: x => x.BatchId,
                        principalTable: "Batches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "ApplicationBed",
                columns: table => new
                {
                    ApplicationId = table.Column<int>(type: "INTEGER", nullable: false),
                    BedId = table.Column<int>(type: "INTEGER", nullable: false),
                    TeaL = table.Column<double>(type: "REAL", nullable: false),
                    TotalL = table.Column<double>(type: "REAL", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_ApplicationBed", x => new { x.ApplicationId, x.BedId });
                    table.ForeignKey(
                        name: "FK_ApplicationBed_Applications_ApplicationId",
                        column: x => x.ApplicationId,
                        principalTable: "Applications",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_ApplicationBed_Beds_BedId",
                        column: x => x.BedId,
                        principalTable: "Beds",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "BrixVisits",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    BedId = table.Column<int>(type: "INTEGER", nullable: false),
                    ApplicationId = table.Column<int>(type: "INTEGER", nullable: true),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    RecordedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    LeafPosition = table.Column<string>(type: "TEXT", nullable: false),
                    Sky = table.Column<string>(type: "TEXT", nullable: false),
                    MeterCorrects = table.Column<bool>(type: "INTEGER", nullable: false),
                    TemperatureC = table.Column<double>(type: "REAL", nullable: true),
                    IsDemo = table.Column<bool>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_BrixVisits", x => x.Id);
                    table.ForeignKey(
                        name: "FK_BrixVisits_Applications_ApplicationId",
                        column: x => x.ApplicationId,
                        principalTable: "Applications",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_BrixVisits_Beds_BedId",
                        column: x => x.BedId,
                        principalTable: "Beds",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Log",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    BatchId = table.Column<int>(type: "INTEGER", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    RecordedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    Number = table.Column<double>(type: "REAL", nullable: true),
                    Text = table.Column<string>(type: "TEXT", nullable: true),
                    Source = table.Column<string>(type: "TEXT", nullable: false),
                    CorrectsId = table.Column<int>(type: "INTEGER", nullable: true),
                    PhotoId = table.Column<int>(type: "INTEGER", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Log", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Log_Batches_BatchId",
                        column: x => x.BatchId,
                        principalTable: "Batches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_Log_Log_CorrectsId",
                        column: x => x.CorrectsId,
                        principalTable: "Log",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_Log_Photos_PhotoId",
                        column: x => x.PhotoId,
                        principalTable: "Photos",
                        principalColumn: "Id");
                });

            migrationBuilder.CreateTable(
                name: "BrixReading",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    BrixVisitId = table.Column<int>(type: "INTEGER", nullable: false),
                    AsRead = table.Column<double>(type: "REAL", nullable: false),
                    At20 = table.Column<double>(type: "REAL", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_BrixReading", x => x.Id);
                    table.ForeignKey(
                        name: "FK_BrixReading_BrixVisits_BrixVisitId",
                        column: x => x.BrixVisitId,
                        principalTable: "BrixVisits",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Acknowledgements_At",
                table: "Acknowledgements",
                column: "At");

            migrationBuilder.CreateIndex(
                name: "IX_ApplicationBed_BedId",
                table: "ApplicationBed",
                column: "BedId");

            migrationBuilder.CreateIndex(
                name: "IX_Applications_At",
                table: "Applications",
                column: "At");

            migrationBuilder.CreateIndex(
                name: "IX_Applications_BatchId",
                table: "Applications",
                column: "BatchId");

            migrationBuilder.CreateIndex(
                name: "IX_BatchBed_BedId",
                table: "BatchBed",
                column: "BedId");

            migrationBuilder.CreateIndex(
                name: "IX_Batches_DiffuserId",
                table: "Batches",
                column: "DiffuserId");

            migrationBuilder.CreateIndex(
                name: "IX_Batches_PumpId",
                table: "Batches",
                column: "PumpId");

            migrationBuilder.CreateIndex(
                name: "IX_Batches_State_UseAt",
                table: "Batches",
                columns: new[] { "State", "UseAt" });

            migrationBuilder.CreateIndex(
                name: "IX_Batches_VesselId",
                table: "Batches",
                column: "VesselId");

            migrationBuilder.CreateIndex(
                name: "IX_Batches_WaterSourceId",
                table: "Batches",
                column: "WaterSourceId");

            migrationBuilder.CreateIndex(
                name: "IX_Beds_Name",
                table: "Beds",
                column: "Name",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_BrixReading_BrixVisitId",
                table: "BrixReading",
                column: "BrixVisitId");

            migrationBuilder.CreateIndex(
                name: "IX_BrixVisits_ApplicationId",
                table: "BrixVisits",
                column: "ApplicationId");

            migrationBuilder.CreateIndex(
                name: "IX_BrixVisits_BedId_At",
                table: "BrixVisits",
                columns: new[] { "BedId", "At" });

            migrationBuilder.CreateIndex(
                name: "IX_Log_BatchId_At",
                table: "Log",
                columns: new[] { "BatchId", "At" });

            migrationBuilder.CreateIndex(
                name: "IX_Log_CorrectsId",
                table: "Log",
                column: "CorrectsId");

            migrationBuilder.CreateIndex(
                name: "IX_Log_PhotoId",
                table: "Log",
                column: "PhotoId");

            migrationBuilder.CreateIndex(
                name: "IX_Photos_BatchId",
                table: "Photos",
                column: "BatchId");

            migrationBuilder.CreateIndex(
                name: "IX_Strips_WaterSourceId_At",
                table: "Strips",
                columns: new[] { "WaterSourceId", "At" });

            migrationBuilder.CreateIndex(
                name: "IX_Vessels_Name",
                table: "Vessels",
                column: "Name",
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Acknowledgements");

            migrationBuilder.DropTable(
                name: "ApplicationBed");

            migrationBuilder.DropTable(
                name: "BatchBed");

            migrationBuilder.DropTable(
                name: "BrixReading");

            migrationBuilder.DropTable(
                name: "ForkChoices");

            migrationBuilder.DropTable(
                name: "Holdings");

            migrationBuilder.DropTable(
                name: "Inputs");

            migrationBuilder.DropTable(
                name: "Log");

            migrationBuilder.DropTable(
                name: "Strips");

            migrationBuilder.DropTable(
                name: "BrixVisits");

            migrationBuilder.DropTable(
                name: "Photos");

            migrationBuilder.DropTable(
                name: "Applications");

            migrationBuilder.DropTable(
                name: "Beds");

            migrationBuilder.DropTable(
                name: "Batches");

            migrationBuilder.DropTable(
                name: "Diffusers");

            migrationBuilder.DropTable(
                name: "Pumps");

            migrationBuilder.DropTable(
                name: "Vessels");

            migrationBuilder.DropTable(
                name: "Waters");
        }
    }
}
