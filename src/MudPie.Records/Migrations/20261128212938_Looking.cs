using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MudPie.Records.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(HoldingDb))]
    [Migration("20261128212938_Looking")]
    public partial class Looking : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<byte[]>(
                name: "Small",
                table: "Photos",
                type: "BLOB",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "KeepsFullDose",
                table: "Beds",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.CreateTable(
                name: "Goals",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Measure = table.Column<string>(type: "TEXT", nullable: false),
                    Check = table.Column<string>(type: "TEXT", nullable: true),
                    InputId = table.Column<int>(type: "INTEGER", nullable: true),
                    BedId = table.Column<int>(type: "INTEGER", nullable: true),
                    BaselineOn = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Baseline = table.Column<double>(type: "REAL", nullable: false),
                    BaselineFrom = table.Column<string>(type: "TEXT", nullable: true),
                    TargetOn = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Target = table.Column<double>(type: "REAL", nullable: false),
                    Met = table.Column<string>(type: "TEXT", nullable: true),
                    IfMissed = table.Column<string>(type: "TEXT", nullable: true),
                    EndedAt = table.Column<long>(type: "INTEGER", nullable: true),
                    Version = table.Column<Guid>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Goals", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Goals_Beds_BedId",
                        column: x => x.BedId,
                        principalTable: "Beds",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_Goals_Inputs_InputId",
                        column: x => x.InputId,
                        principalTable: "Inputs",
                        principalColumn: "Id");
                });

            migrationBuilder.CreateTable(
                name: "Plantings",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    BedId = table.Column<int>(type: "INTEGER", nullable: false),
                    Crop = table.Column<string>(type: "TEXT", nullable: false),
                    Variety = table.Column<string>(type: "TEXT", nullable: true),
                    From = table.Column<long>(type: "INTEGER", nullable: true),
                    To = table.Column<long>(type: "INTEGER", nullable: true),
                    Growing = table.Column<string>(type: "TEXT", nullable: false),
                    Eaten = table.Column<string>(type: "TEXT", nullable: false),
                    Version = table.Column<Guid>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Plantings", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Plantings_Beds_BedId",
                        column: x => x.BedId,
                        principalTable: "Beds",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Walks",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    HungOn = table.Column<string>(type: "TEXT", nullable: true),
                    Plan = table.Column<string>(type: "TEXT", nullable: false),
                    EndedAt = table.Column<long>(type: "INTEGER", nullable: true),
                    Version = table.Column<Guid>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Walks", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Zones",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    BedId = table.Column<int>(type: "INTEGER", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Texture = table.Column<string>(type: "TEXT", nullable: true),
                    Shape = table.Column<string>(type: "TEXT", nullable: true),
                    Yield = table.Column<string>(type: "TEXT", nullable: true),
                    EndedAt = table.Column<long>(type: "INTEGER", nullable: true),
                    Version = table.Column<Guid>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Zones", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Zones_Beds_BedId",
                        column: x => x.BedId,
                        principalTable: "Beds",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "GoalThings",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    GoalId = table.Column<int>(type: "INTEGER", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    ThingId = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_GoalThings", x => x.Id);
                    table.ForeignKey(
                        name: "FK_GoalThings_Goals_GoalId",
                        column: x => x.GoalId,
                        principalTable: "Goals",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "FieldLog",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    BedId = table.Column<int>(type: "INTEGER", nullable: true),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    RecordedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    Deed = table.Column<string>(type: "TEXT", nullable: false),
                    Mm = table.Column<double>(type: "REAL", nullable: true),
                    Litres = table.Column<double>(type: "REAL", nullable: true),
                    DepthCm = table.Column<double>(type: "REAL", nullable: true),
                    Crop = table.Column<string>(type: "TEXT", nullable: true),
                    Variety = table.Column<string>(type: "TEXT", nullable: true),
                    Typed = table.Column<string>(type: "TEXT", nullable: true),
                    Note = table.Column<string>(type: "TEXT", nullable: true),
                    PlantingId = table.Column<int>(type: "INTEGER", nullable: true),
                    CorrectsId = table.Column<int>(type: "INTEGER", nullable: true),
                    Strikes = table.Column<bool>(type: "INTEGER", nullable: false),
                    Why = table.Column<string>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_FieldLog", x => x.Id);
                    table.ForeignKey(
                        name: "FK_FieldLog_Beds_BedId",
                        column: x => x.BedId,
                        principalTable: "Beds",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_FieldLog_FieldLog_CorrectsId",
                        column: x => x.CorrectsId,
                        principalTable: "FieldLog",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_FieldLog_Plantings_PlantingId",
                        column: x => x.PlantingId,
                        principalTable: "Plantings",
                        principalColumn: "Id");
                });

            migrationBuilder.CreateTable(
                name: "Pegs",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    BedId = table.Column<int>(type: "INTEGER", nullable: false),
                    ZoneId = table.Column<int>(type: "INTEGER", nullable: true),
                    MarkEast = table.Column<double>(type: "REAL", nullable: true),
                    MarkNorth = table.Column<double>(type: "REAL", nullable: true),
                    Paces = table.Column<string>(type: "TEXT", nullable: true),
                    BesideId = table.Column<int>(type: "INTEGER", nullable: true),
                    Differs = table.Column<string>(type: "TEXT", nullable: true),
                    EndedAt = table.Column<long>(type: "INTEGER", nullable: true),
                    Version = table.Column<Guid>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Pegs", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Pegs_Beds_BedId",
                        column: x => x.BedId,
                        principalTable: "Beds",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_Pegs_Pegs_BesideId",
                        column: x => x.BesideId,
                        principalTable: "Pegs",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_Pegs_Zones_ZoneId",
                        column: x => x.ZoneId,
                        principalTable: "Zones",
                        principalColumn: "Id");
                });

            migrationBuilder.CreateTable(
                name: "GroundChecks",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    PegId = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    RecordedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    Asked = table.Column<string>(type: "TEXT", nullable: false),
                    Figure = table.Column<double>(type: "REAL", nullable: false),
                    Lower = table.Column<double>(type: "REAL", nullable: true),
                    Upper = table.Column<double>(type: "REAL", nullable: true),
                    Life = table.Column<string>(type: "TEXT", nullable: true),
                    Shown = table.Column<string>(type: "TEXT", nullable: false),
                    Wet = table.Column<string>(type: "TEXT", nullable: true),
                    RainHours = table.Column<double>(type: "REAL", nullable: true),
                    RainMm = table.Column<double>(type: "REAL", nullable: true),
                    Who = table.Column<string>(type: "TEXT", nullable: true),
                    CorrectsId = table.Column<int>(type: "INTEGER", nullable: true),
                    Strikes = table.Column<bool>(type: "INTEGER", nullable: false),
                    Why = table.Column<string>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_GroundChecks", x => x.Id);
                    table.ForeignKey(
                        name: "FK_GroundChecks_GroundChecks_CorrectsId",
                        column: x => x.CorrectsId,
                        principalTable: "GroundChecks",
                        principalColumn: "Id");
                    table.ForeignKey(
                        name: "FK_GroundChecks_Pegs_PegId",
                        column: x => x.PegId,
                        principalTable: "Pegs",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "PegPhotos",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    PegId = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    RecordedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    PhotoId = table.Column<int>(type: "INTEGER", nullable: false),
                    Way = table.Column<bool>(type: "INTEGER", nullable: false),
                    Above = table.Column<bool>(type: "INTEGER", nullable: false),
                    Toward = table.Column<string>(type: "TEXT", nullable: true),
                    HeightM = table.Column<double>(type: "REAL", nullable: true),
                    Latitude = table.Column<double>(type: "REAL", nullable: true),
                    Longitude = table.Column<double>(type: "REAL", nullable: true),
                    Drawn = table.Column<bool>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_PegPhotos", x => x.Id);
                    table.ForeignKey(
                        name: "FK_PegPhotos_Pegs_PegId",
                        column: x => x.PegId,
                        principalTable: "Pegs",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_PegPhotos_Photos_PhotoId",
                        column: x => x.PhotoId,
                        principalTable: "Photos",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_FieldLog_BedId_At",
                table: "FieldLog",
                columns: new[] { "BedId", "At" });

            migrationBuilder.CreateIndex(
                name: "IX_FieldLog_CorrectsId",
                table: "FieldLog",
                column: "CorrectsId");

            migrationBuilder.CreateIndex(
                name: "IX_FieldLog_Deed_At",
                table: "FieldLog",
                columns: new[] { "Deed", "At" });

            migrationBuilder.CreateIndex(
                name: "IX_FieldLog_PlantingId",
                table: "FieldLog",
                column: "PlantingId");

            migrationBuilder.CreateIndex(
                name: "IX_GoalThings_GoalId_Kind_ThingId",
                table: "GoalThings",
                columns: new[] { "GoalId", "Kind", "ThingId" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_Goals_BedId",
                table: "Goals",
                column: "BedId");

            migrationBuilder.CreateIndex(
                name: "IX_Goals_InputId",
                table: "Goals",
                column: "InputId");

            migrationBuilder.CreateIndex(
                name: "IX_GroundChecks_CorrectsId",
                table: "GroundChecks",
                column: "CorrectsId");

            migrationBuilder.CreateIndex(
                name: "IX_GroundChecks_Kind_At",
                table: "GroundChecks",
                columns: new[] { "Kind", "At" });

            migrationBuilder.CreateIndex(
                name: "IX_GroundChecks_PegId_Kind_At",
                table: "GroundChecks",
                columns: new[] { "PegId", "Kind", "At" });

            migrationBuilder.CreateIndex(
                name: "IX_PegPhotos_PegId_At",
                table: "PegPhotos",
                columns: new[] { "PegId", "At" });

            migrationBuilder.CreateIndex(
                name: "IX_PegPhotos_PhotoId",
                table: "PegPhotos",
                column: "PhotoId");

            migrationBuilder.CreateIndex(
                name: "IX_Pegs_BedId",
                table: "Pegs",
                column: "BedId");

            migrationBuilder.CreateIndex(
                name: "IX_Pegs_BesideId",
                table: "Pegs",
                column: "BesideId");

            migrationBuilder.CreateIndex(
                name: "IX_Pegs_ZoneId",
                table: "Pegs",
                column: "ZoneId");

            migrationBuilder.CreateIndex(
                name: "IX_Plantings_BedId_From",
                table: "Plantings",
                columns: new[] { "BedId", "From" });

            migrationBuilder.CreateIndex(
                name: "IX_Zones_BedId_Name",
                table: "Zones",
                columns: new[] { "BedId", "Name" });

            // What each bed is said to grow is a planting now, since before it was written down.
            migrationBuilder.Sql("""
                INSERT INTO "Plantings" ("BedId", "Crop", "Growing", "Eaten", "Version")
                SELECT "Id", "Crop", "Growing", "Eaten", upper(hex(randomblob(4)) || '-' || hex(randomblob(2)) || '-4'
                    || substr(hex(randomblob(2)), 2) || '-A' || substr(hex(randomblob(2)), 2) || '-' || hex(randomblob(6)))
                FROM "Beds" WHERE "Crop" <> 'nothing yet';
                """);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "FieldLog");

            migrationBuilder.DropTable(
                name: "GoalThings");

            migrationBuilder.DropTable(
                name: "GroundChecks");

            migrationBuilder.DropTable(
                name: "PegPhotos");

            migrationBuilder.DropTable(
                name: "Walks");

            migrationBuilder.DropTable(
                name: "Plantings");

            migrationBuilder.DropTable(
                name: "Goals");

            migrationBuilder.DropTable(
                name: "Pegs");

            migrationBuilder.DropTable(
                name: "Zones");

            migrationBuilder.DropColumn(
                name: "Small",
                table: "Photos");

            migrationBuilder.DropColumn(
                name: "KeepsFullDose",
                table: "Beds");
        }
    }
}
