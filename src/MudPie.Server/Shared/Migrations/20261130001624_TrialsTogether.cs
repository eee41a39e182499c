using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MudPie.Server.Shared.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(SharedDb))]
    [Migration("20261130001624_TrialsTogether")]
    public partial class TrialsTogether : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "Shared_Protocols",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Mark = table.Column<Guid>(type: "TEXT", nullable: false),
                    Holding = table.Column<string>(type: "TEXT", nullable: false),
                    Told = table.Column<string>(type: "TEXT", nullable: false),
                    By = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    EndedAt = table.Column<long>(type: "INTEGER", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Shared_Protocols", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Shared_Results",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Protocol = table.Column<Guid>(type: "TEXT", nullable: false),
                    Garden = table.Column<Guid>(type: "TEXT", nullable: false),
                    Holding = table.Column<string>(type: "TEXT", nullable: false),
                    Told = table.Column<string>(type: "TEXT", nullable: false),
                    By = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    EndedAt = table.Column<long>(type: "INTEGER", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Shared_Results", x => x.Id);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Shared_Protocols_Mark",
                table: "Shared_Protocols",
                column: "Mark");

            migrationBuilder.CreateIndex(
                name: "IX_Shared_Results_Protocol",
                table: "Shared_Results",
                column: "Protocol");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Shared_Protocols");

            migrationBuilder.DropTable(
                name: "Shared_Results");
        }
    }
}
