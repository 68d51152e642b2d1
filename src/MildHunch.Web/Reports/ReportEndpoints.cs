using System.Globalization;
using Microsoft.EntityFrameworkCore;
using MildHunch.Core;
using MildHunch.Store;
using MildHunch.Web.Cases;
using MildHunch.Web.Reports.Pdf;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Reports;

/// <summary>The report of a case: to read, to print, to sign. A signed one stays as it was signed.</summary>
public sealed class ReportEndpoints(MildHunchDb db, CaseStore store, ReportBuilder builder, ReportPdf pdf)
{
    private const int LongestName = 60;

    public static void Map(IEndpointRouteBuilder routes)
    {
        var cases = routes.MapGroup("/api/cases/{id}").WithTags("Reports");
        cases.MapGet(
            "/report",
            (string id, string? copy, int? revision, ReportEndpoints reports, CancellationToken stop) =>
                reports.Shown(id, copy, revision, stop))
            .WithSummary("The report of a case; copy=customer leaves out the reasoning, revision asks for a signed one.");
        cases.MapGet(
            "/report.pdf",
            async (string id, string? copy, int? revision, string? paper, ReportEndpoints reports, CancellationToken stop) =>
            {
                var on = paper switch
                {
                    null or "a4" => Paper.A4,
                    "letter" => Paper.Letter,
                    _ => throw new ImpossibleInputException("paper", $"“{paper}”", "a4 or letter"),
                };
                var shown = await reports.Shown(id, copy, revision, stop);
                return TypedResults.File(
                    reports.Printed(shown, on), "application/pdf", $"{shown.Content.Title.Replace(' ', '-')}.pdf");
            })
            .Produces(StatusCodes.Status200OK, contentType: "application/pdf").Costly("pdf")
            .WithSummary("The same as PDF on A4 or Letter.");
        cases.MapPost(
            "/report/sign",
            (string id, SignReportRequest request, ReportEndpoints reports, HttpRequest http, CancellationToken stop) =>
                reports.Sign(id, request, http, stop))
            .WithSummary("Signs the report as it stands: a new revision, frozen; needs If-Match.");
    }

    private byte[] Printed(ReportResponse shown, Paper on) => pdf.Write(shown.Content, shown.Signed, on);

    private async Task<ReportResponse> Shown(string id, string? copy, int? revision, CancellationToken stop)
    {
        if (copy is not (null or "customer"))
            throw new ImpossibleInputException("copy", $"“{copy}”", "customer, or nothing for all of it");
        var entity = await store.Load(id, stop);
        var signed = await db.Reports.AsNoTracking().Where(r => r.CaseId == id).OrderBy(r => r.Revision).ToListAsync(stop);
        var last = signed.LastOrDefault();
        var asked = revision is { } number
            ? signed.FirstOrDefault(r => r.Revision == number)
                ?? throw RefusalException.NotFound("revision", number.ToString(CultureInfo.InvariantCulture))
            : last?.CaseVersion == entity.Version ? last : null;
        var content = asked is null ? await builder.Of(entity, store.Now(), stop) : Stored.Read<ReportContentDto>(asked.ContentJson);
        if (copy is not null)
            content = content with { Sections = [.. content.Sections.Where(s => !s.Inner)] };
        return new ReportResponse(
            content, asked is null ? null : Of(asked), [.. signed.Select(Of)], last is not null && last.CaseVersion != entity.Version,
            entity.Version);
    }

    private async Task<ReportResponse> Sign(string id, SignReportRequest request, HttpRequest http, CancellationToken stop)
    {
        var by = Name(request.By, "by") ?? throw new ImpossibleInputException("by", "nothing", "your name");
        var entity = await store.Load(id, stop);
        ETags.Require(http, entity.Version);
        var content = await builder.Of(entity, store.Now(), stop);
        var before = await db.Reports.Where(r => r.CaseId == id).Select(r => (int?)r.Revision).MaxAsync(stop) ?? 0;
        var report = new ReportEntity
        {
            CaseId = id,
            Revision = before + 1,
            At = store.Now(),
            CaseVersion = entity.Version,
            By = by,
            Witness = Name(request.Witness, "witness"),
            Gauge = Name(request.Gauge, "gauge"),
            Wrench = Name(request.Wrench, "wrench"),
            ContentJson = Stored.Write(content),
        };
        report.Seal = Seal.Of(report);
        db.Reports.Add(report);
        await db.SaveOrRefuse(stop);
        return await Shown(id, null, null, stop);
    }

    private static string? Name(string? text, string field)
    {
        var trimmed = text?.Trim() ?? "";
        return trimmed.Length > LongestName
            ? throw new ImpossibleInputException(field, $"{trimmed.Length} characters", $"at most {LongestName} characters")
            : trimmed.Length == 0 ? null : trimmed;
    }

    private static SignedReportDto Of(ReportEntity r) => new(
        r.Revision, r.At, r.By, r.Witness, r.Gauge, r.Wrench, r.Seal ?? Seal.Of(r), r.Elsewhere, Seal.Holds(r));
}
