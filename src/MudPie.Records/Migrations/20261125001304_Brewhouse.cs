using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MudPie.Records.Migrations
{
    /// <inheritdoc />
    public partial class Brewhouse : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "FK_Photos_Batches_BatchId",
                table: "Photos");

            migrationBuilder.AddColumn<string>(
                name: "AirJson",
                table: "Vessels",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "PhotoId",
                table: "Strips",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "BatteryHours",
                table: "Pumps",
                type: "REAL",
                nullable: true);

            migrationBuilder.AlterColumn<int>(
                name: "BatchId",
                table: "Photos",
                type: "INTEGER",
                nullable: true,
                oldClrType: typeof(int),
                oldType: "INTEGER");

            migrationBuilder.AddColumn<double>(
                name: "Price",
                table: "Inputs",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "WatchExpectedShare",
                table: "Holdings",
                type: "REAL",
                nullable: false,
                defaultValue: 0.5);

            migrationBuilder.AddColumn<double>(
                name: "WatchGraceMinutes",
                table: "Holdings",
                type: "REAL",
                nullable: false,
                defaultValue: 30.0);

            migrationBuilder.AddColumn<double>(
                name: "WatchNoReadingH",
                table: "Holdings",
                type: "REAL",
                nullable: false,
                defaultValue: 4.0);

            migrationBuilder.AddColumn<string>(
                name: "LearntJson",
                table: "Batches",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "RecipeVersionId",
                table: "Batches",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "SourceInputId",
                table: "Batches",
                type: "INTEGER",
                nullable: true);

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
                name: "SourceChecks",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    InputId = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    AnswersJson = table.Column<string>(type: "TEXT", nullable: false)
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
                    TallyJson = table.Column<string>(type: "TEXT", nullable: false)
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
                name: "RecipeVersions",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    RecipeId = table.Column<int>(type: "INTEGER", nullable: false),
                    Number = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    Json = table.Column<string>(type: "TEXT", nullable: false)
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

            migrationBuilder.CreateIndex(
                name: "IX_Strips_PhotoId",
                table: "Strips",
                column: "PhotoId");

            migrationBuilder.CreateIndex(
                name: "IX_Batches_RecipeVersionId",
                table: "Batches",
                column: "RecipeVersionId");

            migrationBuilder.CreateIndex(
                name: "IX_Batches_SourceInputId",
                table: "Batches",
                column: "SourceInputId");

            migrationBuilder.CreateIndex(
                name: "IX_BedChecks_BedId_At",
                table: "BedChecks",
                columns: new[] { "BedId", "At" });

            migrationBuilder.CreateIndex(
                name: "IX_Cleanings_VesselId_At",
                table: "Cleanings",
                columns: new[] { "VesselId", "At" });

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
                name: "IX_Tallies_BatchId",
                table: "Tallies",
                column: "BatchId");

            migrationBuilder.CreateIndex(
                name: "IX_Tallies_InputId",
                table: "Tallies",
                column: "InputId");

            migrationBuilder.AddForeignKey(
                name: "FK_Batches_Inputs_SourceInputId",
                table: "Batches",
                column: "SourceInputId",
                principalTable: "Inputs",
                principalColumn: "Id");

            migrationBuilder.AddForeignKey(
                name: "FK_Batches_RecipeVersions_RecipeVersionId",
                table: "Batches",
                column: "RecipeVersionId",
                principalTable: "RecipeVersions",
                principalColumn: "Id");

            migrationBuilder.AddForeignKey(
                name: "FK_Photos_Batches_BatchId",
                table: "Photos",
                column: "BatchId",
                principalTable: "Batches",
                principalColumn: "Id");

            migrationBuilder.AddForeignKey(
                name: "FK_Strips_Photos_PhotoId",
                table: "Strips",
                column: "PhotoId",
                principalTable: "Photos",
                principalColumn: "Id");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "FK_Batches_Inputs_SourceInputId",
                table: "Batches");

            migrationBuilder.DropForeignKey(
                name: "FK_Batches_RecipeVersions_RecipeVersionId",
                table: "Batches");

            migrationBuilder.DropForeignKey(
                name: "FK_Photos_Batches_BatchId",
                table: "Photos");

            migrationBuilder.DropForeignKey(
                name: "FK_Strips_Photos_PhotoId",
                table: "Strips");

            migrationBuilder.DropTable(
                name: "BedChecks");

            migrationBuilder.DropTable(
                name: "Cleanings");

            migrationBuilder.DropTable(
                name: "Notices");

            migrationBuilder.DropTable(
                name: "ProbeEvents");

            migrationBuilder.DropTable(
                name: "ProbeReadings");

            migrationBuilder.DropTable(
                name: "RecipeVersions");

            migrationBuilder.DropTable(
                name: "SourceChecks");

            migrationBuilder.DropTable(
                name: "Tallies");

            migrationBuilder.DropTable(
                name: "Probes");

            migrationBuilder.DropTable(
                name: "Recipes");

            migrationBuilder.DropIndex(
                name: "IX_Strips_PhotoId",
                table: "Strips");

            migrationBuilder.DropIndex(
                name: "IX_Batches_RecipeVersionId",
                table: "Batches");

            migrationBuilder.DropIndex(
                name: "IX_Batches_SourceInputId",
                table: "Batches");

            migrationBuilder.DropColumn(
                name: "AirJson",
                table: "Vessels");

            migrationBuilder.DropColumn(
                name: "PhotoId",
                table: "Strips");

            migrationBuilder.DropColumn(
                name: "BatteryHours",
                table: "Pumps");

            migrationBuilder.DropColumn(
                name: "Price",
                table: "Inputs");

            migrationBuilder.DropColumn(
                name: "WatchExpectedShare",
                table: "Holdings");

            migrationBuilder.DropColumn(
                name: "WatchGraceMinutes",
                table: "Holdings");

            migrationBuilder.DropColumn(
                name: "WatchNoReadingH",
                table: "Holdings");

            migrationBuilder.DropColumn(
                name: "LearntJson",
                table: "Batches");

            migrationBuilder.DropColumn(
                name: "RecipeVersionId",
                table: "Batches");

            migrationBuilder.DropColumn(
                name: "SourceInputId",
                table: "Batches");

            migrationBuilder.AlterColumn<int>(
                name: "BatchId",
                table: "Photos",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0,
                oldClrType: typeof(int),
                oldType: "INTEGER",
                oldNullable: true);

            migrationBuilder.AddForeignKey(
                name: "FK_Photos_Batches_BatchId",
                table: "Photos",
                column: "BatchId",
                principalTable: "Batches",
                principalColumn: "Id",
                onDelete: ReferentialAction.Cascade);
        }
    }
}
