using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MildHunch.Store.Migrations
{
    /// <inheritdoc />
    public partial class Drips : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "DripsWhen",
                table: "Cues",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "SeenAt",
                table: "Cues",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "Stream",
                table: "Cues",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "DripsWhen",
                table: "Cues");

            migrationBuilder.DropColumn(
                name: "SeenAt",
                table: "Cues");

            migrationBuilder.DropColumn(
                name: "Stream",
                table: "Cues");
        }
    }
}
