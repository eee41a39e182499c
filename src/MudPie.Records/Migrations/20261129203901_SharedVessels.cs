using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MudPie.Records.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(HoldingDb))]
    [Migration("20261129203901_SharedVessels")]
    public partial class SharedVessels : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<long>(
                name: "CameUncleanAt",
                table: "Vessels",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "HandedTo",
                table: "Vessels",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "SharedAs",
                table: "Vessels",
                type: "TEXT",
                nullable: true);

            migrationBuilder.CreateIndex(
                name: "IX_Vessels_SharedAs",
                table: "Vessels",
                column: "SharedAs",
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_Vessels_SharedAs",
                table: "Vessels");

            migrationBuilder.DropColumn(
                name: "CameUncleanAt",
                table: "Vessels");

            migrationBuilder.DropColumn(
                name: "HandedTo",
                table: "Vessels");

            migrationBuilder.DropColumn(
                name: "SharedAs",
                table: "Vessels");
        }
    }
}
