using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MildHunch.Store.Migrations
{
    /// <inheritdoc />
    public partial class Counting : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateIndex(
                name: "IX_PartChanges_On_Finding",
                table: "PartChanges",
                columns: new[] { "On", "Finding" });

            migrationBuilder.CreateIndex(
                name: "IX_Cases_ArchivedAt",
                table: "Cases",
                column: "ArchivedAt",
                filter: "ArchivedAt IS NOT NULL");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_PartChanges_On_Finding",
                table: "PartChanges");

            migrationBuilder.DropIndex(
                name: "IX_Cases_ArchivedAt",
                table: "Cases");
        }
    }
}
