using System;
using Microsoft.EntityFrameworkCore.Migrations;

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
                """
                UPDATE Pumps SET Type = coalesce(json_extract(PumpJson, '$.arrangement'), 'crank-plunger') || '-' || coalesce(json_extract(PumpJson, '$.cylinders'), '');
                UPDATE Cases SET
                    Headline_ChangedAt = coalesce((SELECT max(At) FROM Changes WHERE CaseId = Cases.Id), OpenedAt),
                    Headline_Complaint = coalesce((SELECT f.Value FROM Facts f JOIN Changes a ON a.CaseId = f.CaseId AND a.Number = f.AddedBy
                        WHERE f.CaseId = Cases.Id AND f.Name = 'complaint' AND NOT a.Undone
                        AND (f.RemovedBy IS NULL OR EXISTS (SELECT 1 FROM Changes r WHERE r.CaseId = f.CaseId AND r.Number = f.RemovedBy AND r.Undone))
                        ORDER BY f.AddedBy DESC, f.Id DESC LIMIT 1), ''),
                    Headline_Stage = coalesce((SELECT f.Value FROM Facts f JOIN Changes a ON a.CaseId = f.CaseId AND a.Number = f.AddedBy
                        WHERE f.CaseId = Cases.Id AND f.Name = 'stage' AND NOT a.Undone
                        AND (f.RemovedBy IS NULL OR EXISTS (SELECT 1 FROM Changes r WHERE r.CaseId = f.CaseId AND r.Number = f.RemovedBy AND r.Undone))
                        ORDER BY f.AddedBy DESC, f.Id DESC LIMIT 1), 'ask'),
                    Headline_Closed = (SELECT f.Value FROM Facts f JOIN Changes a ON a.CaseId = f.CaseId AND a.Number = f.AddedBy
                        WHERE f.CaseId = Cases.Id AND f.Name = 'closed' AND NOT a.Undone
                        AND (f.RemovedBy IS NULL OR EXISTS (SELECT 1 FROM Changes r WHERE r.CaseId = f.CaseId AND r.Number = f.RemovedBy AND r.Undone))
                        ORDER BY f.AddedBy DESC, f.Id DESC LIMIT 1),
                    Headline_ClosedAt = (SELECT a.At FROM Facts f JOIN Changes a ON a.CaseId = f.CaseId AND a.Number = f.AddedBy
                        WHERE f.CaseId = Cases.Id AND f.Name = 'closed' AND NOT a.Undone
                        AND (f.RemovedBy IS NULL OR EXISTS (SELECT 1 FROM Changes r WHERE r.CaseId = f.CaseId AND r.Number = f.RemovedBy AND r.Undone))
                        ORDER BY f.AddedBy DESC, f.Id DESC LIMIT 1),
                    Headline_Entries = (SELECT count(*) FROM Readings e JOIN Changes a ON a.CaseId = e.CaseId AND a.Number = e.AddedBy
                        WHERE e.CaseId = Cases.Id AND NOT a.Undone
                        AND (e.RemovedBy IS NULL OR EXISTS (SELECT 1 FROM Changes r WHERE r.CaseId = e.CaseId AND r.Number = e.RemovedBy AND r.Undone)))
                        + (SELECT count(*) FROM Cues e JOIN Changes a ON a.CaseId = e.CaseId AND a.Number = e.AddedBy
                        WHERE e.CaseId = Cases.Id AND NOT a.Undone
                        AND (e.RemovedBy IS NULL OR EXISTS (SELECT 1 FROM Changes r WHERE r.CaseId = e.CaseId AND r.Number = e.RemovedBy AND r.Undone))),
                    Headline_Leader = (SELECT Leader FROM Verdicts WHERE CaseId = Cases.Id ORDER BY Id DESC LIMIT 1),
                    Headline_LeaderName = (SELECT LeaderName FROM Verdicts WHERE CaseId = Cases.Id ORDER BY Id DESC LIMIT 1),
                    Headline_Probability = (SELECT Probability FROM Verdicts WHERE CaseId = Cases.Id ORDER BY Id DESC LIMIT 1),
                    Headline_Hunch = (SELECT Hunch FROM Verdicts WHERE CaseId = Cases.Id ORDER BY Id DESC LIMIT 1);
                """);
        }

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
