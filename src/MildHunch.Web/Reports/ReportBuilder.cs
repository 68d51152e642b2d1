using System.Globalization;
using MildHunch.Core.Diagnosis.Verdict;
using MildHunch.Core.Faults;
using MildHunch.Core.Quantities;
using MildHunch.Core.Records.Outcomes;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Findings;
using MildHunch.Store;
using MildHunch.Web.Cases;
using MildHunch.Web.Cases.Prove;
using MildHunch.Web.Cases.Work;
using MildHunch.Web.Service;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Reports;

/// <summary>Writes down what a case came to: one page to read, then everything behind it.</summary>
public sealed partial class ReportBuilder(
    CaseView view, CaseWork work, ProofView proof, FindingCatalogue findings, Catalogue catalogue, ShopNow terms,
    ShopDay day)
{
    // One report is reckoned with the terms of one moment.
    private readonly ShopTerms shop = terms.Terms;

    private const double Worth = 0.02;
    private const int MostReasons = 6;

    /// <summary>The report of a case as it stands.</summary>
    public async Task<ReportContentDto> Of(CaseEntity entity, DateTime now, CancellationToken stop)
    {
        var shown = await view.Show(entity, stop);
        var rounds = new List<Told>();
        foreach (var round in entity.Rounds())
            rounds.Add(new Told(
                entity, shown with { Work = round.Work().Judged(shown.Pump.Sheet), Proof = round.Proof() },
                await view.Show(entity.BeforeMend(round.Round()), stop), work.Planned(round), proof.Of(round, now), round.Round()));
        var (at, first) = (rounds[^1], rounds[0]);
        ReportSectionDto?[] sections =
        [
            Pump(at), Readings(first), Water(first), Verdict(first), Seen(at),
            .. rounds.SelectMany(r => new[] { r == first ? null : Verdict(r), Found(r), Parts(r), Torques(r), Proof(r), Setting(r) }
                .Select(s => rounds.Count > 1 ? InRound(s, r) : s)),
            Hours(at), Costs(rounds), Due(at), Who(rounds),
        ];
        return new ReportContentDto(
            shop.Name, $"Service report {shown.Pump.Tag}",
            string.Join(
                " · ", new[] { shown.Pump.Name, shown.Pump.Duty, $"reported {Day(entity.OpenedAt)}", ClosedOn(entity) }
                    .OfType<string>().Where(t => t.Length > 0)),
            [.. Summary(rounds)],
            [.. sections.OfType<ReportSectionDto>().Where(s =>
                s.Lines.Count + s.Photos.Count + s.Pictures.Count > 0 || s.Table is { Rows.Count: > 0 })],
            [.. shop.Letterhead.Split('\n', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)], day.Zone.Id);
    }

    private static ReportSectionDto? InRound(ReportSectionDto? section, Told at) => section is null
        ? null
        : section with { Id = $"{section.Id}-{at.Round}", Title = $"Round {at.Round}: {section.Title.ToLowerInvariant()}" };

    private IEnumerable<string> Summary(IReadOnlyList<Told> rounds)
    {
        var at = rounds[^1];
        yield return $"Complaint: {at.Shown.Complaint}";
        if (Closed(at.Shown) is { } closed)
            yield return $"Found: {closed}.";
        else if (at.Before.Diagnosis?.Suspects[0] is { } leader)
            yield return $"Most likely: {leader.Name.ToLowerInvariant()}, {HunchWords.Percent(leader.Probability)}.";
        foreach (var cause in rounds.SelectMany(Causes).Distinct())
            yield return $"Cause: {cause}";
        foreach (var round in rounds)
        {
            var which = rounds.Count > 1 ? $"Round {round.Round}: " : "";
            foreach (var line in Done(round))
                yield return which.Length > 0 ? which + char.ToLowerInvariant(line[0]) + line[1..] : line;
        }

        if (at.Shown.Pump.Sheet.Interval is { } interval)
            yield return $"Next due: {Interval(interval)}.";
        if (Cost(rounds) is { } cost)
            yield return cost;
    }

    private static IEnumerable<string> Done(Told at)
    {
        if (at.Plan is { } plan && LaidParts.Of(plan, at.Shown.Work) is { Count: > 0 } laid)
            yield return $"Renewed: {string.Join(", ", laid.Select(l => l.Says))}.";
        foreach (var change in at.Proved.Changed.Where(c => c.Before is not null && c.After is not null))
            yield return $"{change.Name}: {Said(change.Before!)} before, {Said(change.After!)} after.";
        yield return at.Shown.Proof.Verdict is { } verdict
            ? $"Proof: {OutcomeWords(verdict.Outcome)}, {verdict.By}{(verdict.Remark is { Length: > 0 } remark ? $". {remark}" : "")}."
            : "Not proved yet.";
    }

    private IEnumerable<string> Causes(Told at) => at.Shown.Work.Found.Values
        .Select(f => findings.All.FirstOrDefault(x => x.Id == f.Finding)?.Cause).OfType<string>().Distinct();

    // Two faults at once are both named; an end of an intensifier is left or right.
    private string? Closed(CaseResource shown)
    {
        if (Outcome.Read(shown.Closed) is not { } found)
            return null;
        var names = string.Join(" and ", found.Faults.Select((f, i) => catalogue.Fault(f) is { } known
            ? i == 0 ? known.Name : char.ToLowerInvariant(known.Name[0]) + known.Name[1..]
            : f));
        if (found.Cylinder is not { } cylinder)
            return names;
        return shown.Pump.Pump.Arrangement == "intensifier"
            ? $"{names}, {(cylinder == 1 ? "left" : "right")} end"
            : $"{names}, cylinder {cylinder}";
    }

    private string? ClosedOn(CaseEntity entity) =>
        entity.Headline is { Closed: not null, ClosedAt: { } at } ? $"closed {Day(at)}" : null;

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

    private string Day(DateTime at) => day.At(at).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    private static string Said(QuantityDto q) => $"{Quantity.Digits(q.Value)} {q.Unit}";

    private static string? Maybe(QuantityDto? q) => q is null ? null : Said(q);

    private static ReportSectionDto Section(
        string id, string title, IReadOnlyList<string>? lines = null, ReportTableDto? table = null,
        IReadOnlyList<ReportPictureDto>? pictures = null, IReadOnlyList<ReportPhotoDto>? photos = null, bool inner = false) =>
        new(id, title, inner, lines ?? [], table, pictures ?? [], photos ?? []);

    private sealed record Told(
        CaseEntity Entity, CaseResource Shown, CaseResource Before, ServicePlan? Plan, ProofViewResponse Proved, int Round);
}
