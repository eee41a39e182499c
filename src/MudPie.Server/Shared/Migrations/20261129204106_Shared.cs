using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MudPie.Server.Shared.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(SharedDb))]
    [Migration("20261129204106_Shared")]
    public partial class Shared : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "Shared_Vessels",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Mark = table.Column<Guid>(type: "TEXT", nullable: false),
                    Holding = table.Column<string>(type: "TEXT", nullable: false),
                    Called = table.Column<string>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Shape = table.Column<string>(type: "TEXT", nullable: false),
                    TotalL = table.Column<double>(type: "REAL", nullable: false),
                    WorkingL = table.Column<double>(type: "REAL", nullable: false),
                    DepthM = table.Column<double>(type: "REAL", nullable: false),
                    Air = table.Column<string>(type: "TEXT", nullable: true),
                    OfferedBy = table.Column<string>(type: "TEXT", nullable: false),
                    OfferedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    EndedAt = table.Column<long>(type: "INTEGER", nullable: true),
                    Key = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Shared_Vessels", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Shared_Bookings",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    SharedVesselId = table.Column<int>(type: "INTEGER", nullable: false),
                    Holding = table.Column<string>(type: "TEXT", nullable: false),
                    Called = table.Column<string>(type: "TEXT", nullable: false),
                    From = table.Column<long>(type: "INTEGER", nullable: false),
                    Until = table.Column<long>(type: "INTEGER", nullable: false),
                    By = table.Column<string>(type: "TEXT", nullable: false),
                    MadeAt = table.Column<long>(type: "INTEGER", nullable: false),
                    OffAt = table.Column<long>(type: "INTEGER", nullable: true),
                    OffBy = table.Column<string>(type: "TEXT", nullable: true),
                    Key = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Shared_Bookings", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Shared_Bookings_Shared_Vessels_SharedVesselId",
                        column: x => x.SharedVesselId,
                        principalTable: "Shared_Vessels",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Shared_Counts",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    SharedVesselId = table.Column<int>(type: "INTEGER", nullable: false),
                    Called = table.Column<string>(type: "TEXT", nullable: false),
                    By = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    Before = table.Column<string>(type: "TEXT", nullable: false),
                    After = table.Column<string>(type: "TEXT", nullable: false),
                    Key = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Shared_Counts", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Shared_Counts_Shared_Vessels_SharedVesselId",
                        column: x => x.SharedVesselId,
                        principalTable: "Shared_Vessels",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Shared_Handings",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    SharedVesselId = table.Column<int>(type: "INTEGER", nullable: false),
                    From = table.Column<string>(type: "TEXT", nullable: false),
                    FromCalled = table.Column<string>(type: "TEXT", nullable: false),
                    To = table.Column<string>(type: "TEXT", nullable: false),
                    ToCalled = table.Column<string>(type: "TEXT", nullable: false),
                    GivenAt = table.Column<long>(type: "INTEGER", nullable: false),
                    GivenBy = table.Column<string>(type: "TEXT", nullable: false),
                    Steps = table.Column<string>(type: "TEXT", nullable: false),
                    ReceivedAt = table.Column<long>(type: "INTEGER", nullable: true),
                    ReceivedBy = table.Column<string>(type: "TEXT", nullable: true),
                    FoundClean = table.Column<bool>(type: "INTEGER", nullable: true),
                    FoundWhat = table.Column<string>(type: "TEXT", nullable: true),
                    KeptAt = table.Column<long>(type: "INTEGER", nullable: true),
                    Key = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Shared_Handings", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Shared_Handings_Shared_Vessels_SharedVesselId",
                        column: x => x.SharedVesselId,
                        principalTable: "Shared_Vessels",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Shared_Bookings_Key",
                table: "Shared_Bookings",
                column: "Key",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_Shared_Bookings_SharedVesselId_Until",
                table: "Shared_Bookings",
                columns: new[] { "SharedVesselId", "Until" });

            migrationBuilder.CreateIndex(
                name: "IX_Shared_Counts_Key",
                table: "Shared_Counts",
                column: "Key",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_Shared_Counts_SharedVesselId",
                table: "Shared_Counts",
                column: "SharedVesselId");

            migrationBuilder.CreateIndex(
                name: "IX_Shared_Handings_Key",
                table: "Shared_Handings",
                column: "Key",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_Shared_Handings_SharedVesselId",
                table: "Shared_Handings",
                column: "SharedVesselId");

            migrationBuilder.CreateIndex(
                name: "IX_Shared_Vessels_Key",
                table: "Shared_Vessels",
                column: "Key",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_Shared_Vessels_Mark",
                table: "Shared_Vessels",
                column: "Mark",
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Shared_Bookings");

            migrationBuilder.DropTable(
                name: "Shared_Counts");

            migrationBuilder.DropTable(
                name: "Shared_Handings");

            migrationBuilder.DropTable(
                name: "Shared_Vessels");
        }
    }
}
