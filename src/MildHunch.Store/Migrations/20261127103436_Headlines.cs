using System;
using Microsoft.EntityFrameworkCore.Migrations;
using MildHunch.Core.Checks;
using MildHunch.Core.Diagnosis.Verdict;

#nullable disable

namespace MildHunch.Store.Migrations
{
    /// <inheritdoc />
    public partial class Headlines : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Type",
                table: "Pumps",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<DateTime>(
                name: "Headline_ChangedAt",
                table: "Cases",
                type: "TEXT",
                nullable: false,
                defaultValue: new DateTime(1, 1, 1, 0, 0, 0, 0, DateTimeKind.Unspecified));

            migrationBuilder.AddColumn<string>(
                name: "Headline_Closed",
                table: "Cases",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<DateTime>(
                name: "Headline_ClosedAt",
                table: "Cases",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Headline_Complaint",
                table: "Cases",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<int>(
                name: "Headline_Entries",
                table: "Cases",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<string>(
                name: "Headline_Hunch",
                table: "Cases",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Headline_Leader",
                table: "Cases",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Headline_LeaderName",
                table: "Cases",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "Headline_Probability",
                table: "Cases",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Headline_Stage",
                table: "Cases",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.CreateIndex(
                name: "IX_Pumps_Type",
                table: "Pumps",
                column: "Type");

            migrationBuilder.CreateIndex(
                name: "IX_Cases_Headline_ChangedAt",
                table: "Cases",
                column: "Headline_ChangedAt");

            migrationBuilder.CreateIndex(
                name: "IX_Cases_Headline_Closed_Headline_ChangedAt",
                table: "Cases",
                columns: new[] { "Headline_Closed", "Headline_ChangedAt" });

            // Cases that are there already get their line from what stands in them.
            migrationBuilder.Sql(
                $"""
                UPDATE Pumps SET Type = coalesce(json_extract(PumpJson, '$.arrangement'), 'crank-plunger') || '-' || coalesce(json_extract(PumpJson, '$.cylinders'), '');
                UPDATE Cases SET
                    Headline_ChangedAt = coalesce((SELECT max(At) FROM Changes WHERE CaseId = Cases.Id), OpenedAt),
                    Headline_Complaint = coalesce({Fact("complaint", "e.Value")}, ''),
                    Headline_Stage = coalesce({Fact("stage", "e.Value")}, 'ask'),
                    Headline_Closed = {Fact("closed", "e.Value")},
                    Headline_ClosedAt = {Fact("closed", "a.At")},
                    Headline_Entries = (SELECT count(*) {Standing("Readings")}) + (SELECT count(*) {Standing("Cues")}),
                    Headline_Leader = {Verdict("Leader")},
                    Headline_LeaderName = {Verdict("LeaderName")},
                    Headline_Probability = {Verdict("Probability")},
                    Headline_Hunch = {Verdict("Hunch")};
                """);
        }

        // Entries of a case that stand: not undone, and not taken back by a change that is not.
        private static string Standing(string table) =>
            $"""
            FROM {table} e JOIN Changes a ON a.CaseId = e.CaseId AND a.Number = e.AddedBy
            WHERE e.CaseId = Cases.Id AND NOT a.Undone AND (e.RemovedBy IS NULL
                OR EXISTS (SELECT 1 FROM Changes r WHERE r.CaseId = e.CaseId AND r.Number = e.RemovedBy AND r.Undone))
            """;

        private static string Fact(string name, string what) =>
            $"(SELECT {what} {Standing("Facts")} AND e.Name = '{name}' ORDER BY e.AddedBy DESC, e.Id DESC LIMIT 1)";

        private static string Verdict(string what) => $"(SELECT {what} FROM Verdicts WHERE CaseId = Cases.Id ORDER BY Id DESC LIMIT 1)";

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_Pumps_Type",
                table: "Pumps");

            migrationBuilder.DropIndex(
                name: "IX_Cases_Headline_ChangedAt",
                table: "Cases");

            migrationBuilder.DropIndex(
                name: "IX_Cases_Headline_Closed_Headline_ChangedAt",
                table: "Cases");

            migrationBuilder.DropColumn(
                name: "Type",
                table: "Pumps");

            migrationBuilder.DropColumn(
                name: "Headline_ChangedAt",
                table: "Cases");

            migrationBuilder.DropColumn(
                name: "Headline_Closed",
                table: "Cases");

            migrationBuilder.DropColumn(
                name: "Headline_ClosedAt",
                table: "Cases");

            migrationBuilder.DropColumn(
                name: "Headline_Complaint",
                table: "Cases");

            migrationBuilder.DropColumn(
                name: "Headline_Entries",
                table: "Cases");

            migrationBuilder.DropColumn(
                name: "Headline_Hunch",
                table: "Cases");

            migrationBuilder.DropColumn(
                name: "Headline_Leader",
                table: "Cases");

            migrationBuilder.DropColumn(
                name: "Headline_LeaderName",
                table: "Cases");

            migrationBuilder.DropColumn(
                name: "Headline_Probability",
                table: "Cases");

            migrationBuilder.DropColumn(
                name: "Headline_Stage",
                table: "Cases");
        }
    }
}
