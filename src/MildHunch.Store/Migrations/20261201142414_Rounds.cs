using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MildHunch.Store.Migrations
{
    /// <inheritdoc />
    public partial class Rounds : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int>(
                name: "Mends",
                table: "Readings",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<int>(
                name: "Round",
                table: "Facts",
                type: "INTEGER",
                nullable: false,
                defaultValue: 1);

            migrationBuilder.AddColumn<int>(
                name: "Mends",
                table: "Cues",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            // Planned more than once, there may have been several openings: which is worked out case by case.
            migrationBuilder.Sql(
                """
                UPDATE Readings SET Mends = 1 WHERE ReadAt = 'after';
                UPDATE Cues SET Mends = 1 WHERE SeenAt = 'after';
                UPDATE Facts SET Round = 0 WHERE CaseId IN
                    (SELECT CaseId FROM Facts WHERE Name = 'work/plan' GROUP BY CaseId HAVING COUNT(*) > 1);
                """);

            Drop(migrationBuilder, "Readings", "ReadAt");
            Drop(migrationBuilder, "Cues", "SeenAt");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "ReadAt",
                table: "Readings",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "SeenAt",
                table: "Cues",
                type: "TEXT",
                nullable: true);

            migrationBuilder.Sql(
                """
                UPDATE Readings SET ReadAt = 'after' WHERE Mends > 0;
                UPDATE Cues SET SeenAt = 'after' WHERE Mends > 0;
                """);

            Drop(migrationBuilder, "Readings", "Mends");
            Drop(migrationBuilder, "Facts", "Round");
            Drop(migrationBuilder, "Cues", "Mends");
        }

        // SQLite’s own way: within the transaction, so that a start that is killed leaves all of it or nothing.
        private static void Drop(MigrationBuilder migrationBuilder, string table, string column) =>
            migrationBuilder.Sql($"ALTER TABLE {table} DROP COLUMN {column};");
    }
}
