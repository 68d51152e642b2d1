using System.Globalization;
using MildHunch.Core.Diagnosis.Verdict;
using MildHunch.Core.Faults;
using MildHunch.Core.Quantities;
using MildHunch.Core.Service.Sheets;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Findings;
using MildHunch.Store;
using MildHunch.Web.Cases;
using MildHunch.Web.Cases.Prove;
using MildHunch.Web.Cases.Work;
using MildHunch.Web.Expectation;
using MildHunch.Web.Service;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Reports;

/// <summary>Writes down what a case came to: one page to read, then everything behind it.</summary>
public sealed partial class ReportBuilder(
    CaseView view, CaseWork work, ProofView proof, FindingCatalogue findings, Catalogue catalogue, ShopPrices shop)
{
    private const double Worth = 0.02;
    private const int MostReasons = 6;

    /// <summary>The report of a case as it stands.</summary>
    public async Task<ReportContentDto> Of(CaseEntity entity, DateTime now, CancellationToken stop)
    {
        var shown = await view.Show(entity, stop);
        var before = await view.ShowBefore(entity, stop);
        var plan = work.Planned(entity);
        var proved = proof.Of(entity, now);
        var at = new Told(entity, shown, before, plan, proved);
        var sections = new[]
        {
            Pump(at), Readings(at), Water(at), Verdict(at), Seen(at), Found(at), Parts(at), Torques(at), Proof(at), Setting(at), Hours(at),
            Costs(at), Due(at), Who(at),
        };
        return new ReportContentDto(
            shop.Name, $"Service report {shown.Pump.Tag}",
            string.Join(
                " · ", new[] { shown.Pump.Name, shown.Pump.Duty, $"reported {Day(entity.OpenedAt)}", ClosedOn(entity) }
                    .OfType<string>().Where(t => t.Length > 0)),
            [.. Summary(at)],
            [.. sections.OfType<ReportSectionDto>().Where(s =>
                s.Lines.Count + s.Photos.Count + s.Pictures.Count > 0 || s.Table is { Rows.Count: > 0 })]);
    }

    private IEnumerable<string> Summary(Told at)
    {
        yield return $"Complaint: {at.Shown.Complaint}";
        if (Closed(at.Shown.Closed) is { } closed)
            yield return $"Found: {closed}.";
        else if (at.Before.Diagnosis?.Suspects[0] is { } leader)
            yield return $"Most likely: {leader.Name.ToLowerInvariant()}, {HunchWords.Percent(leader.Probability)}.";
        foreach (var cause in Causes(at))
            yield return $"Cause: {cause}";
        if (at.Plan is { } plan && Laid(at, plan) is { Length: > 0 } laid)
            yield return $"Renewed: {string.Join(", ", laid.Select(l => $"{l.Count} x {l.Part.Name.ToLowerInvariant()}"))}.";
        foreach (var change in at.Proved.Changed.Where(c => c.Before is not null && c.After is not null))
            yield return $"{change.Name}: {Said(change.Before!)} before, {Said(change.After!)} after.";
        yield return at.Shown.Proof.Verdict is { } verdict
            ? $"Proof: {OutcomeWords(verdict.Outcome)}, {verdict.By}{(verdict.Remark is { Length: > 0 } remark ? $". {remark}" : "")}."
            : "Not proved yet.";
        if (at.Shown.Pump.Sheet.Interval is { } interval)
            yield return $"Next due: {Interval(interval)}.";
        if (Cost(at) is { } cost)
            yield return cost;
    }

    private IEnumerable<string> Causes(Told at) => at.Shown.Work.Found.Values
        .Select(f => findings.All.FirstOrDefault(x => x.Id == f.Finding)?.Cause).OfType<string>().Distinct();

    private string? Closed(string? closed)
    {
        if (string.IsNullOrEmpty(closed))
            return null;
        var parts = closed.Split('@');
        var name = catalogue.Fault(parts[0])?.Name ?? parts[0];
        return parts.Length > 1 ? $"{name}, cylinder {parts[1]}" : name;
    }

    private static string? ClosedOn(CaseEntity entity) =>
        entity.Headline is { Closed: not null, ClosedAt: { } at } ? $"closed {Day(at)}" : null;

    private static string PlaceOf(PartAt at) =>
        at.Place == ServicePlace.Whole ? at.Part.Name : $"{at.Part.Name} {at.Place.Key.Replace('.', ' ')}";

    private static string OutcomeWords(string outcome) => outcome switch
    {
        "pass" => "passed",
        "pass-with-remark" => "passed with a remark",
        _ => "sent back to the suspects",
    };

    private static string Interval(IntervalDto interval) => string.Join(
        ", or ", new[]
        {
            interval.Hours is { } hours ? $"after {Quantity.Digits(hours)} hours" : null,
            interval.SealChanges is { } changes ? $"after {changes} changes of the seals" : null,
        }.OfType<string>());

    private string Money(double amount) => $"{amount.ToString("0.00", CultureInfo.InvariantCulture)} {shop.Currency}";

    private static string Day(DateTime at) => at.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    private static string Said(QuantityDto q) => $"{Quantity.Digits(q.Value)} {q.Unit}";

    private static string? Maybe(QuantityDto? q) => q is null ? null : Said(q);

    private static ReportSectionDto Section(
        string id, string title, IReadOnlyList<string>? lines = null, ReportTableDto? table = null,
        IReadOnlyList<ReportPictureDto>? pictures = null, IReadOnlyList<ReportPhotoDto>? photos = null, bool inner = false) =>
        new(id, title, inner, lines ?? [], table, pictures ?? [], photos ?? []);

    private sealed record Told(
        CaseEntity Entity, CaseResource Shown, CaseResource Before, ServicePlan? Plan, ProofViewResponse Proved);
}
