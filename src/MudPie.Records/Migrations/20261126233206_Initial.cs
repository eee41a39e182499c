using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MudPie.Records.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(HoldingDb))]
    [Migration("20261126233206_Initial")]
    public partial class Initial : Migration
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
                    Sent = table.Column<string>(type: "TEXT", nullable: false),
                    Body = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Acknowledgements", x => x.Key);
                });

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
                    Eaten = table.Column<string>(type: "TEXT", nullable: false),
                    ShapeJson = table.Column<string>(type: "TEXT", nullable: true),
                    Version = table.Column<Guid>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Beds", x => x.Id);
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
                name: "Diffusers",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Version = table.Column<Guid>(type: "TEXT", nullable: false),
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
                    WatchNoReadingH = table.Column<double>(type: "REAL", nullable: false),
                    WatchGraceMinutes = table.Column<double>(type: "REAL", nullable: false),
                    WatchExpectedShare = table.Column<double>(type: "REAL", nullable: false),
                    HourlyWage = table.Column<double>(type: "REAL", nullable: true),
                    IsDemo = table.Column<bool>(type: "INTEGER", nullable: false),
                    CreatedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    Own = table.Column<Guid>(type: "TEXT", nullable: false),
                    Version = table.Column<Guid>(type: "TEXT", nullable: false)
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
                    Version = table.Column<Guid>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Lot = table.Column<string>(type: "TEXT", nullable: true),
                    UnfitWhy = table.Column<string>(type: "TEXT", nullable: true),
                    Price = table.Column<double>(type: "REAL", nullable: true),
                    Unit = table.Column<string>(type: "TEXT", nullable: true),
                    Density = table.Column<double>(type: "REAL", nullable: true),
                    Species = table.Column<string>(type: "TEXT", nullable: true),
                    LabelPer = table.Column<string>(type: "TEXT", nullable: true),
                    LabelRate = table.Column<double>(type: "REAL", nullable: true),
                    LabelBasis = table.Column<string>(type: "TEXT", nullable: true),
                    LabelRates = table.Column<string>(type: "TEXT", nullable: true),
                    LabelTyped = table.Column<string>(type: "TEXT", nullable: true),
                    LabelEveryDays = table.Column<double>(type: "REAL", nullable: true),
                    LabelWaitDays = table.Column<double>(type: "REAL", nullable: true),
                    NShare = table.Column<double>(type: "REAL", nullable: true),
                    PShare = table.Column<double>(type: "REAL", nullable: true),
                    KShare = table.Column<double>(type: "REAL", nullable: true),
                    Ph = table.Column<double>(type: "REAL", nullable: true),
                    Notes = table.Column<string>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Inputs", x => x.Id);
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
                name: "Pumps",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Version = table.Column<Guid>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    OpenLpm = table.Column<double>(type: "REAL", nullable: false),
                    ShutOffKPa = table.Column<double>(type: "REAL", nullable: false),
                    BatteryHours = table.Column<double>(type: "REAL", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Pumps", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Recipes",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Name = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Recipes", x => x.Id);
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
                    Factors = table.Column<string>(type: "TEXT", nullable: false),
                    NoControlWhy = table.Column<string>(type: "TEXT", nullable: true),
                    NoWaterWhy = table.Column<string>(type: "TEXT", nullable: true),
                    Replicates = table.Column<int>(type: "INTEGER", nullable: false),
                    Noise = table.Column<double>(type: "REAL", nullable: true),
                    WorthHaving = table.Column<double>(type: "REAL", nullable: true),
                    Money = table.Column<string>(type: "TEXT", nullable: true),
                    Places = table.Column<string>(type: "TEXT", nullable: false),
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
                name: "Vessels",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Version = table.Column<Guid>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Shape = table.Column<string>(type: "TEXT", nullable: false),
                    TotalL = table.Column<double>(type: "REAL", nullable: false),
                    WorkingL = table.Column<double>(type: "REAL", nullable: false),
                    DepthM = table.Column<double>(type: "REAL", nullable: false),
                    Air = table.Column<string>(type: "TEXT", nullable: true)
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
                    Version = table.Column<Guid>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Chloramine = table.Column<bool>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Waters", x => x.Id);
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
                    GustMps = table.Column<double>(type: "REAL", nullable: true),
                    LeafWet = table.Column<bool>(type: "INTEGER", nullable: true),
                    Source = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Weather", x => x.At);
                });

            migrationBuilder.CreateTable(
                name: "BedChecks",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    BedId = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    RecordedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Figure = table.Column<double>(type: "REAL", nullable: false),
                    Weeks = table.Column<double>(type: "REAL", nullable: true),
                    BuriedAt = table.Column<long>(type: "INTEGER", nullable: true),
                    Life = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_BedChecks", x => x.Id);
                    table.ForeignKey(
                        name: "FK_BedChecks_Beds_BedId",
                        column: x => x.BedId,
                        principalTable: "Beds",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

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
                name: "Programmes",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    BedId = table.Column<int>(type: "INTEGER", nullable: false),
                    Start = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Harvest = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Stages = table.Column<string>(type: "TEXT", nullable: true)
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
                name: "SourceChecks",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    InputId = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    Answers = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_SourceChecks", x => x.Id);
                    table.ForeignKey(
                        name: "FK_SourceChecks_Inputs_InputId",
                        column: x => x.InputId,
                        principalTable: "Inputs",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "RecipeVersions",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    RecipeId = table.Column<int>(type: "INTEGER", nullable: false),
                    Number = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    File = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_RecipeVersions", x => x.Id);
                    table.ForeignKey(
                        name: "FK_RecipeVersions_Recipes_RecipeId",
                        column: x => x.RecipeId,
                        principalTable: "Recipes",
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
                    Measured = table.Column<string>(type: "TEXT", nullable: false),
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
                    Levels = table.Column<string>(type: "TEXT", nullable: false),
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
                name: "Cleanings",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    VesselId = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    RecordedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    Step = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Cleanings", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Cleanings_Vessels_VesselId",
                        column: x => x.VesselId,
                        principalTable: "Vessels",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

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
                    RateUnit = table.Column<string>(type: "TEXT", nullable: true),
                    CarrierName = table.Column<string>(type: "TEXT", nullable: true)
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
                    Brew = table.Column<string>(type: "TEXT", nullable: false),
                    Steps = table.Column<string>(type: "TEXT", nullable: false),
                    BrewL = table.Column<double>(type: "REAL", nullable: false),
                    BrewHours = table.Column<double>(type: "REAL", nullable: false),
                    PlannedStart = table.Column<long>(type: "INTEGER", nullable: false),
                    UseAt = table.Column<long>(type: "INTEGER", nullable: false),
                    StartedAt = table.Column<long>(type: "INTEGER", nullable: true),
                    AirOffAt = table.Column<long>(type: "INTEGER", nullable: true),
                    StripWaiver = table.Column<string>(type: "TEXT", nullable: true),
                    RecipeVersionId = table.Column<int>(type: "INTEGER", nullable: true),
                    SourceInputId = table.Column<int>(type: "INTEGER", nullable: true),
                    SecondSourceInputId = table.Column<int>(type: "INTEGER", nullable: true),
                    Race = table.Column<string>(type: "TEXT", nullable: true),
                    Learnt = table.Column<string>(type: "TEXT", nullable: true),
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
                        name: "FK_Batches_Inputs_SecondSourceInputId",
                        column: x => x.SecondSourceInputId,
                        principalTable: "Inputs",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_Batches_Inputs_SourceInputId",
                        column: x => x.SourceInputId,
                        principalTable: "Inputs",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_Batches_Pumps_PumpId",
                        column: x => x.PumpId,
                        principalTable: "Pumps",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_Batches_RecipeVersions_RecipeVersionId",
                        column: x => x.RecipeVersionId,
                        principalTable: "RecipeVersions",
                        principalColumn: "Id");
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
                name: "PatchLeaves",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    PatchId = table.Column<int>(type: "INTEGER", nullable: false),
                    Phase = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    TemperatureC = table.Column<double>(type: "REAL", nullable: true),
                    Read = table.Column<string>(type: "TEXT", nullable: false)
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
                name: "Applications",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    BatchId = table.Column<int>(type: "INTEGER", nullable: true),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    RecordedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    Purpose = table.Column<string>(type: "TEXT", nullable: false),
                    Dilution = table.Column<string>(type: "TEXT", nullable: false),
                    OneIn = table.Column<double>(type: "REAL", nullable: false),
                    TeaL = table.Column<double>(type: "REAL", nullable: false),
                    WaterL = table.Column<double>(type: "REAL", nullable: false),
                    SpareL = table.Column<double>(type: "REAL", nullable: false),
                    Tool = table.Column<string>(type: "TEXT", nullable: false),
                    SprayerId = table.Column<int>(type: "INTEGER", nullable: true),
                    TankL = table.Column<double>(type: "REAL", nullable: false),
                    Fitness = table.Column<string>(type: "TEXT", nullable: false),
                    OverrideWhy = table.Column<string>(type: "TEXT", nullable: true),
                    MixWhy = table.Column<string>(type: "TEXT", nullable: true),
                    CautionsSeen = table.Column<string>(type: "TEXT", nullable: false),
                    Who = table.Column<string>(type: "TEXT", nullable: true),
                    Why = table.Column<string>(type: "TEXT", nullable: true),
                    Weather = table.Column<string>(type: "TEXT", nullable: true),
                    FoodWaiting = table.Column<string>(type: "TEXT", nullable: true),
                    Asked = table.Column<string>(type: "TEXT", nullable: true),
                    CorrectsId = table.Column<int>(type: "INTEGER", nullable: true),
                    CorrectionWhy = table.Column<string>(type: "TEXT", nullable: true),
                    Strikes = table.Column<bool>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Applications", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Applications_Applications_CorrectsId",
                        column: x => x.CorrectsId,
                        principalTable: "Applications",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_Applications_Batches_BatchId",
                        column: x => x.BatchId,
                        principalTable: "Batches",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_Applications_Sprayers_SprayerId",
                        column: x => x.SprayerId,
                        principalTable: "Sprayers",
                        principalColumn: "Id");
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
                name: "Notices",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    BatchId = table.Column<int>(type: "INTEGER", nullable: false),
                    Key = table.Column<string>(type: "TEXT", nullable: false),
                    Rule = table.Column<string>(type: "TEXT", nullable: false),
                    Tone = table.Column<string>(type: "TEXT", nullable: false),
                    Title = table.Column<string>(type: "TEXT", nullable: false),
                    Todo = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    FiredAt = table.Column<long>(type: "INTEGER", nullable: false),
                    PutOffUntil = table.Column<long>(type: "INTEGER", nullable: true),
                    DoneAt = table.Column<long>(type: "INTEGER", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Notices", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Notices_Batches_BatchId",
                        column: x => x.BatchId,
                        principalTable: "Batches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Photos",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    BatchId = table.Column<int>(type: "INTEGER", nullable: true),
                    Jpeg = table.Column<byte[]>(type: "BLOB", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Photos", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Photos_Batches_BatchId",
                        column: x => x.BatchId,
                        principalTable: "Batches",
                        principalColumn: "Id");
                });

            migrationBuilder.CreateTable(
                name: "Probes",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    BatchId = table.Column<int>(type: "INTEGER", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Host = table.Column<string>(type: "TEXT", nullable: false),
                    Port = table.Column<int>(type: "INTEGER", nullable: false),
                    Simulated = table.Column<bool>(type: "INTEGER", nullable: false),
                    AttachedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    DetachedAt = table.Column<long>(type: "INTEGER", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Probes", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Probes_Batches_BatchId",
                        column: x => x.BatchId,
                        principalTable: "Batches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Tallies",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    BatchId = table.Column<int>(type: "INTEGER", nullable: true),
                    InputId = table.Column<int>(type: "INTEGER", nullable: true),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    RecordedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    Stage = table.Column<string>(type: "TEXT", nullable: false),
                    Tally = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Tallies", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Tallies_Batches_BatchId",
                        column: x => x.BatchId,
                        principalTable: "Batches",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_Tallies_Inputs_InputId",
                        column: x => x.InputId,
                        principalTable: "Inputs",
                        principalColumn: "Id");
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
                    MeterId = table.Column<int>(type: "INTEGER", nullable: true),
                    Crop = table.Column<string>(type: "TEXT", nullable: true),
                    Stage = table.Column<string>(type: "TEXT", nullable: true),
                    Stress = table.Column<string>(type: "TEXT", nullable: true),
                    Weed = table.Column<string>(type: "TEXT", nullable: true),
                    Dry = table.Column<int>(type: "INTEGER", nullable: false),
                    PairKind = table.Column<string>(type: "TEXT", nullable: true),
                    PairWithId = table.Column<int>(type: "INTEGER", nullable: true),
                    SamePlants = table.Column<bool>(type: "INTEGER", nullable: false),
                    CorrectsId = table.Column<int>(type: "INTEGER", nullable: true),
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
                    table.ForeignKey(
                        name: "FK_BrixVisits_BrixMeters_MeterId",
                        column: x => x.MeterId,
                        principalTable: "BrixMeters",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_BrixVisits_BrixVisits_CorrectsId",
                        column: x => x.CorrectsId,
                        principalTable: "BrixVisits",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_BrixVisits_BrixVisits_PairWithId",
                        column: x => x.PairWithId,
                        principalTable: "BrixVisits",
                        principalColumn: "Id");
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
                name: "Strips",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    WaterSourceId = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    MgPerL = table.Column<double>(type: "REAL", nullable: false),
                    PhotoId = table.Column<int>(type: "INTEGER", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Strips", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Strips_Photos_PhotoId",
                        column: x => x.PhotoId,
                        principalTable: "Photos",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_Strips_Waters_WaterSourceId",
                        column: x => x.WaterSourceId,
                        principalTable: "Waters",
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
                name: "ProbeEvents",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    ProbeLinkId = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Text = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_ProbeEvents", x => x.Id);
                    table.ForeignKey(
                        name: "FK_ProbeEvents_Probes_ProbeLinkId",
                        column: x => x.ProbeLinkId,
                        principalTable: "Probes",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "ProbeReadings",
                columns: table => new
                {
                    Id = table.Column<long>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    ProbeLinkId = table.Column<int>(type: "INTEGER", nullable: false),
                    Sequence = table.Column<long>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    MgPerL = table.Column<double>(type: "REAL", nullable: false),
                    TemperatureC = table.Column<double>(type: "REAL", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_ProbeReadings", x => x.Id);
                    table.ForeignKey(
                        name: "FK_ProbeReadings_Probes_ProbeLinkId",
                        column: x => x.ProbeLinkId,
                        principalTable: "Probes",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
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
                name: "IX_AcrossResult_AcrossSetId",
                table: "AcrossResult",
                column: "AcrossSetId");

            migrationBuilder.CreateIndex(
                name: "IX_AcrossResult_TrialId",
                table: "AcrossResult",
                column: "TrialId");

            migrationBuilder.CreateIndex(
                name: "IX_ApplicationBed_BedId",
                table: "ApplicationBed",
                column: "BedId");

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
                name: "IX_Applications_At",
                table: "Applications",
                column: "At");

            migrationBuilder.CreateIndex(
                name: "IX_Applications_BatchId",
                table: "Applications",
                column: "BatchId");

            migrationBuilder.CreateIndex(
                name: "IX_Applications_CorrectsId",
                table: "Applications",
                column: "CorrectsId");

            migrationBuilder.CreateIndex(
                name: "IX_Applications_SprayerId",
                table: "Applications",
                column: "SprayerId");

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
                name: "IX_Batches_RecipeVersionId",
                table: "Batches",
                column: "RecipeVersionId");

            migrationBuilder.CreateIndex(
                name: "IX_Batches_SecondSourceInputId",
                table: "Batches",
                column: "SecondSourceInputId");

            migrationBuilder.CreateIndex(
                name: "IX_Batches_SourceInputId",
                table: "Batches",
                column: "SourceInputId");

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
                name: "IX_BedChecks_BedId_At",
                table: "BedChecks",
                columns: new[] { "BedId", "At" });

            migrationBuilder.CreateIndex(
                name: "IX_Beds_Name",
                table: "Beds",
                column: "Name",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_BrixMeters_Name",
                table: "BrixMeters",
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
                name: "IX_Calibrations_SprayerId",
                table: "Calibrations",
                column: "SprayerId");

            migrationBuilder.CreateIndex(
                name: "IX_Cleanings_VesselId_At",
                table: "Cleanings",
                columns: new[] { "VesselId", "At" });

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
                name: "IX_Lots_InputId_Mark",
                table: "Lots",
                columns: new[] { "InputId", "Mark" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_MeterZero_BrixMeterId",
                table: "MeterZero",
                column: "BrixMeterId");

            migrationBuilder.CreateIndex(
                name: "IX_Notices_BatchId_Key",
                table: "Notices",
                columns: new[] { "BatchId", "Key" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_Notices_DoneAt",
                table: "Notices",
                column: "DoneAt");

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
                name: "IX_Photos_BatchId",
                table: "Photos",
                column: "BatchId");

            migrationBuilder.CreateIndex(
                name: "IX_ProbeEvents_ProbeLinkId",
                table: "ProbeEvents",
                column: "ProbeLinkId");

            migrationBuilder.CreateIndex(
                name: "IX_ProbeReadings_ProbeLinkId_At",
                table: "ProbeReadings",
                columns: new[] { "ProbeLinkId", "At" });

            migrationBuilder.CreateIndex(
                name: "IX_ProbeReadings_ProbeLinkId_Sequence",
                table: "ProbeReadings",
                columns: new[] { "ProbeLinkId", "Sequence" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_Probes_BatchId",
                table: "Probes",
                column: "BatchId");

            migrationBuilder.CreateIndex(
                name: "IX_Programmes_BedId",
                table: "Programmes",
                column: "BedId");

            migrationBuilder.CreateIndex(
                name: "IX_RecipeVersions_RecipeId_Number",
                table: "RecipeVersions",
                columns: new[] { "RecipeId", "Number" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_Recipes_Name",
                table: "Recipes",
                column: "Name",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_SourceChecks_InputId_At",
                table: "SourceChecks",
                columns: new[] { "InputId", "At" });

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
                name: "IX_Strips_PhotoId",
                table: "Strips",
                column: "PhotoId");

            migrationBuilder.CreateIndex(
                name: "IX_Strips_WaterSourceId_At",
                table: "Strips",
                columns: new[] { "WaterSourceId", "At" });

            migrationBuilder.CreateIndex(
                name: "IX_Tallies_BatchId",
                table: "Tallies",
                column: "BatchId");

            migrationBuilder.CreateIndex(
                name: "IX_Tallies_InputId",
                table: "Tallies",
                column: "InputId");

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

            migrationBuilder.CreateIndex(
                name: "IX_Vessels_Name",
                table: "Vessels",
                column: "Name",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_Washes_ApplicationId",
                table: "Washes",
                column: "ApplicationId");

            migrationBuilder.CreateIndex(
                name: "IX_Washes_SprayerId_At",
                table: "Washes",
                columns: new[] { "SprayerId", "At" });

            migrationBuilder.CreateIndex(
                name: "IX_WaterTests_WaterSourceId_At",
                table: "WaterTests",
                columns: new[] { "WaterSourceId", "At" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Acknowledgements");

            migrationBuilder.DropTable(
                name: "AcrossResult");

            migrationBuilder.DropTable(
                name: "ApplicationBed");

            migrationBuilder.DropTable(
                name: "ApplicationItems");

            migrationBuilder.DropTable(
                name: "BatchBed");

            migrationBuilder.DropTable(
                name: "BedChecks");

            migrationBuilder.DropTable(
                name: "BrixReading");

            migrationBuilder.DropTable(
                name: "Calibrations");

            migrationBuilder.DropTable(
                name: "Cleanings");

            migrationBuilder.DropTable(
                name: "ForkChoices");

            migrationBuilder.DropTable(
                name: "Givings");

            migrationBuilder.DropTable(
                name: "Harvests");

            migrationBuilder.DropTable(
                name: "Holdings");

            migrationBuilder.DropTable(
                name: "Log");

            migrationBuilder.DropTable(
                name: "MeterZero");

            migrationBuilder.DropTable(
                name: "MixRules");

            migrationBuilder.DropTable(
                name: "Notices");

            migrationBuilder.DropTable(
                name: "Observations");

            migrationBuilder.DropTable(
                name: "OwnWaits");

            migrationBuilder.DropTable(
                name: "PatchLeaves");

            migrationBuilder.DropTable(
                name: "PestCounts");

            migrationBuilder.DropTable(
                name: "ProbeEvents");

            migrationBuilder.DropTable(
                name: "ProbeReadings");

            migrationBuilder.DropTable(
                name: "SourceChecks");

            migrationBuilder.DropTable(
                name: "StockEntries");

            migrationBuilder.DropTable(
                name: "Strips");

            migrationBuilder.DropTable(
                name: "Tallies");

            migrationBuilder.DropTable(
                name: "TrialEvent");

            migrationBuilder.DropTable(
                name: "TrialPhotos");

            migrationBuilder.DropTable(
                name: "TrialReadings");

            migrationBuilder.DropTable(
                name: "Washes");

            migrationBuilder.DropTable(
                name: "WaterTests");

            migrationBuilder.DropTable(
                name: "Weather");

            migrationBuilder.DropTable(
                name: "AcrossSets");

            migrationBuilder.DropTable(
                name: "BrixVisits");

            migrationBuilder.DropTable(
                name: "Programmes");

            migrationBuilder.DropTable(
                name: "Patch");

            migrationBuilder.DropTable(
                name: "Probes");

            migrationBuilder.DropTable(
                name: "Lots");

            migrationBuilder.DropTable(
                name: "Photos");

            migrationBuilder.DropTable(
                name: "TrialMeasure");

            migrationBuilder.DropTable(
                name: "TrialPlots");

            migrationBuilder.DropTable(
                name: "Applications");

            migrationBuilder.DropTable(
                name: "BrixMeters");

            migrationBuilder.DropTable(
                name: "PatchTests");

            migrationBuilder.DropTable(
                name: "TrialTreatment");

            migrationBuilder.DropTable(
                name: "Batches");

            migrationBuilder.DropTable(
                name: "Sprayers");

            migrationBuilder.DropTable(
                name: "Beds");

            migrationBuilder.DropTable(
                name: "Trials");

            migrationBuilder.DropTable(
                name: "Diffusers");

            migrationBuilder.DropTable(
                name: "Inputs");

            migrationBuilder.DropTable(
                name: "Pumps");

            migrationBuilder.DropTable(
                name: "RecipeVersions");

            migrationBuilder.DropTable(
                name: "Vessels");

            migrationBuilder.DropTable(
                name: "Waters");

            migrationBuilder.DropTable(
                name: "Recipes");
        }
    }
}
