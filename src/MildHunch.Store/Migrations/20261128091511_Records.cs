using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MildHunch.Store.Migrations
{
    /// <inheritdoc />
    public partial class Records : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "RunningJson",
                table: "Pumps",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Serial",
                table: "Pumps",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.CreateTable(
                name: "Meters",
                columns: table => new
                {
                    Id = table.Column<string>(type: "TEXT", nullable: false),
                    PumpId = table.Column<string>(type: "TEXT", nullable: false),
                    On = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Hours = table.Column<double>(type: "REAL", nullable: false),
                    NewMeter = table.Column<bool>(type: "INTEGER", nullable: false),
                    Strokes = table.Column<double>(type: "REAL", nullable: true),
                    By = table.Column<string>(type: "TEXT", nullable: true),
                    CaseId = table.Column<string>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Meters", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Meters_Pumps_PumpId",
                        column: x => x.PumpId,
                        principalTable: "Pumps",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "Outcomes",
                columns: table => new
                {
                    CaseId = table.Column<string>(type: "TEXT", nullable: false),
                    PumpId = table.Column<string>(type: "TEXT", nullable: false),
                    On = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Found = table.Column<string>(type: "TEXT", nullable: false),
                    Leader = table.Column<string>(type: "TEXT", nullable: true),
                    Probability = table.Column<double>(type: "REAL", nullable: true),
                    MinutesPlanned = table.Column<double>(type: "REAL", nullable: true),
                    MinutesTaken = table.Column<double>(type: "REAL", nullable: true),
                    Cost = table.Column<double>(type: "REAL", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Outcomes", x => x.CaseId);
                    table.ForeignKey(
                        name: "FK_Outcomes_Pumps_PumpId",
                        column: x => x.PumpId,
                        principalTable: "Pumps",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "PartChanges",
                columns: table => new
                {
                    Id = table.Column<string>(type: "TEXT", nullable: false),
                    PumpId = table.Column<string>(type: "TEXT", nullable: false),
                    Part = table.Column<string>(type: "TEXT", nullable: false),
                    Cylinder = table.Column<int>(type: "INTEGER", nullable: true),
                    Side = table.Column<string>(type: "TEXT", nullable: true),
                    On = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    OutWhy = table.Column<string>(type: "TEXT", nullable: true),
                    Finding = table.Column<string>(type: "TEXT", nullable: true),
                    GoodOn = table.Column<DateOnly>(type: "TEXT", nullable: true),
                    PutIn = table.Column<bool>(type: "INTEGER", nullable: false),
                    By = table.Column<string>(type: "TEXT", nullable: true),
                    Kit = table.Column<string>(type: "TEXT", nullable: true),
                    Batch = table.Column<string>(type: "TEXT", nullable: true),
                    Warranty = table.Column<DateOnly>(type: "TEXT", nullable: true),
                    Note = table.Column<string>(type: "TEXT", nullable: true),
                    CaseId = table.Column<string>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_PartChanges", x => x.Id);
                    table.ForeignKey(
                        name: "FK_PartChanges_Pumps_PumpId",
                        column: x => x.PumpId,
                        principalTable: "Pumps",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "ReadingsOnRecord",
                columns: table => new
                {
                    Id = table.Column<string>(type: "TEXT", nullable: false),
                    PumpId = table.Column<string>(type: "TEXT", nullable: false),
                    CaseId = table.Column<string>(type: "TEXT", nullable: false),
                    On = table.Column<DateOnly>(type: "TEXT", nullable: false),
                    Quantity = table.Column<string>(type: "TEXT", nullable: false),
                    Value = table.Column<double>(type: "REAL", nullable: false),
                    Expected = table.Column<double>(type: "REAL", nullable: false),
                    After = table.Column<bool>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_ReadingsOnRecord", x => x.Id);
                    table.ForeignKey(
                        name: "FK_ReadingsOnRecord_Pumps_PumpId",
                        column: x => x.PumpId,
                        principalTable: "Pumps",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "Stock",
                columns: table => new
                {
                    Id = table.Column<string>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    InStock = table.Column<double>(type: "REAL", nullable: false),
                    ReorderAt = table.Column<double>(type: "REAL", nullable: false),
                    Shelf = table.Column<string>(type: "TEXT", nullable: true),
                    Version = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Stock", x => x.Id);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Meters_PumpId_On",
                table: "Meters",
                columns: new[] { "PumpId", "On" });

            migrationBuilder.CreateIndex(
                name: "IX_Outcomes_On",
                table: "Outcomes",
                column: "On");

            migrationBuilder.CreateIndex(
                name: "IX_Outcomes_PumpId_On",
                table: "Outcomes",
                columns: new[] { "PumpId", "On" });

            migrationBuilder.CreateIndex(
                name: "IX_PartChanges_CaseId",
                table: "PartChanges",
                column: "CaseId");

            migrationBuilder.CreateIndex(
                name: "IX_PartChanges_PumpId_On",
                table: "PartChanges",
                columns: new[] { "PumpId", "On" });

            migrationBuilder.CreateIndex(
                name: "IX_ReadingsOnRecord_PumpId_On",
                table: "ReadingsOnRecord",
                columns: new[] { "PumpId", "On" });

            migrationBuilder.CreateIndex(
                name: "IX_Stock_Name",
                table: "Stock",
                column: "Name",
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Meters");

            migrationBuilder.DropTable(
                name: "Outcomes");

            migrationBuilder.DropTable(
                name: "PartChanges");

            migrationBuilder.DropTable(
                name: "ReadingsOnRecord");

            migrationBuilder.DropTable(
                name: "Stock");

            migrationBuilder.DropColumn(
                name: "RunningJson",
                table: "Pumps");

            migrationBuilder.DropColumn(
                name: "Serial",
                table: "Pumps");
        }
    }
}
