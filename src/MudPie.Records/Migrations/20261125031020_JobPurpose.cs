using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MudPie.Records.Migrations
{
    /// <inheritdoc />
    public partial class JobPurpose : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            // What was put out before had its purpose from its batch. A migration of its own: SQLite rebuilds the table at the end of the one before.
            migrationBuilder.Sql("UPDATE Applications SET Purpose = (SELECT Purpose FROM Batches WHERE Batches.Id = Applications.BatchId) WHERE BatchId IS NOT NULL;");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {

        }
    }
}
