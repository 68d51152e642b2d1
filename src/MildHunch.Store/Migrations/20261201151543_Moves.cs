using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MildHunch.Store.Migrations
{
    /// <inheritdoc />
    public partial class Moves : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<bool>(
                name: "Elsewhere",
                table: "Reports",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "Seal",
                table: "Reports",
                type: "TEXT",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "Moves",
                columns: table => new
                {
                    CaseId = table.Column<string>(type: "TEXT", nullable: false),
                    Version = table.Column<int>(type: "INTEGER", nullable: false),
                    Change = table.Column<int>(type: "INTEGER", nullable: false),
                    Key = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Moves", x => new { x.CaseId, x.Version });
                    table.ForeignKey(
                        name: "FK_Moves_Cases_CaseId",
                        column: x => x.CaseId,
                        principalTable: "Cases",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Sent",
                columns: table => new
                {
                    Key = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Location = table.Column<string>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Sent", x => x.Key);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Sent_At",
                table: "Sent",
                column: "At");

            // What was done before is known as far as it can be, the same way in every copy of a case (OlderCases.Moves).
            migrationBuilder.Sql(
                """
                INSERT INTO Moves (CaseId, Version, Change, Key)
                SELECT CaseId, row_number() OVER (PARTITION BY CaseId ORDER BY Undoing, Number), Number,
                    CaseId || '-' || Number || CASE Undoing WHEN 1 THEN '-undone' ELSE '' END
                FROM (SELECT CaseId, Number, 0 AS Undoing FROM Changes UNION ALL SELECT CaseId, Number, 1 FROM Changes WHERE Undone);
                """);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Moves");

            migrationBuilder.DropTable(
                name: "Sent");

            migrationBuilder.Sql("ALTER TABLE Reports DROP COLUMN Elsewhere; ALTER TABLE Reports DROP COLUMN Seal;");
        }
    }
}
