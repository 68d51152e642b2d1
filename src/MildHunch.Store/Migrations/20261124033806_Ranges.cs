using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MildHunch.Store.Migrations
{
    /// <inheritdoc />
    public partial class Ranges : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "ReadAt",
                table: "Readings",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "UpTo",
                table: "Readings",
                type: "REAL",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "HistoryResets",
                columns: table => new
                {
                    PumpType = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<DateTime>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_HistoryResets", x => x.PumpType);
                });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "HistoryResets");

            migrationBuilder.DropColumn(
                name: "ReadAt",
                table: "Readings");

            migrationBuilder.DropColumn(
                name: "UpTo",
                table: "Readings");
        }
    }
}
