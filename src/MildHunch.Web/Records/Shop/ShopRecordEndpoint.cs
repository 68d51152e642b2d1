using System.ComponentModel;
using Microsoft.EntityFrameworkCore;
using MildHunch.Core;
using MildHunch.Core.Faults;
using MildHunch.Core.Records.Outcomes;
using MildHunch.Core.Service.Findings;
using MildHunch.Store;
using MildHunch.Web.Expectation;
using MildHunch.Web.Records.Life;
using MildHunch.Web.Shared;
using MildHunch.Web.Shared.Door;

namespace MildHunch.Web.Records.Shop;

/// <summary>How often something was found, and what that took.</summary>
public sealed record FoundOnRecordDto(string Id, string Name, int Times, double? Cost, double? Minutes);

/// <summary>A pump by what it cost.</summary>
public sealed record PumpOnRecordDto(string Id, string Tag, int Cases, double? Cost, double? Minutes, string? Mostly);

/// <summary>A finding that tells a cause.</summary>
public sealed record CauseOnRecordDto(string Finding, string Cause, int Times);

/// <summary>Hunches of about one strength and how many were right; the band is of 90 %.</summary>
public sealed record HunchBinDto(double From, double To, int Cases, int Right, double Claimed, double Low, double High);

/// <summary>The record of the shop over some time.</summary>
public sealed record ShopRecordResponse(
    DateOnly From, DateOnly To, int Cases, double? Cost, string Currency, IReadOnlyList<FoundOnRecordDto> Found,
    IReadOnlyList<PumpOnRecordDto> Pumps, IReadOnlyList<CauseOnRecordDto> Causes,
    [property: Description("minutes planned and taken of cases gone through step by step")] double MinutesPlanned, double MinutesTaken,
    int Timed, IReadOnlyList<HunchBinDto> Hunches, int LedByTheRight, int Judged, IReadOnlyList<PatternDto> Patterns,
    [property: Description("pumps left out because their record cannot be read, and why")] IReadOnlyList<UnreadPump> Unread);

/// <summary>What failed most, what it cost, and how often the hunch was right.</summary>
public static class ShopRecordEndpoint
{
    private const int UsualDays = 731;
    private const int MostOfEach = 30;

    public static void Map(IEndpointRouteBuilder routes)
    {
        routes.MapGet("/api/record", Show).WithTags("Record").WithSummary("What failed most, what it cost, how often the hunch was right.");
        routes.MapGet("/api/record.csv", Table).WithTags("Record").WithSummary("Every closed case of it as CSV.")
            .Produces(StatusCodes.Status200OK, contentType: Csv.MediaType);
    }

    private static async Task<ShopRecordResponse> Show(
        DateOnly? from, DateOnly? to, [Description("true to see patterns that are not told, too")] bool? untold, MildHunchDb db,
        ShopMemory memory, Catalogue catalogue, FindingCatalogue findings, ShopNow shop,
        CancellationToken stop)
    {
        var known = await memory.All(stop);
        var (first, last) = Span(from, to, known.Day);
        var outcomes = await db.Outcomes.Where(o => o.On >= first && o.On <= last)
            .Select(o => new Told(o.PumpId, o.Found, o.Leader, o.Probability, o.MinutesPlanned, o.MinutesTaken, o.Cost)).ToListAsync(stop);
        ReadOutcome[] read = [.. outcomes.Select(o => new ReadOutcome(o, Outcome.Read(o.Found)!.Faults))];
        var causes = await db.PartChanges.AsNoTracking().Where(c => c.On >= first && c.On <= last && c.Finding != null)
            .GroupBy(c => c.Finding!).Select(g => new { Finding = g.Key, Times = g.Count() }).ToListAsync(stop);
        Hunch[] hunches = [.. read.Where(r => r.Case is { Leader: not null, Probability: not null })
            .Select(r => new Hunch(r.Case.Probability!.Value, r.Faults.Contains(r.Case.Leader)))];
        var timed = outcomes.Where(o => o is { MinutesTaken: not null, MinutesPlanned: not null }).ToArray();
        string Name(string fault) => catalogue.Fault(fault)?.Name ?? fault;
        return new ShopRecordResponse(
            first, last, outcomes.Count, Sum(outcomes.Select(o => o.Cost)), shop.Terms.Currency,
            [
                .. read.SelectMany(r => r.Faults.Select(f => (Fault: f, r.Case))).GroupBy(f => f.Fault)
                    .Select(g => new FoundOnRecordDto(
                        g.Key, Name(g.Key), g.Count(), Sum(g.Select(f => f.Case.Cost)), Sum(g.Select(f => f.Case.MinutesPlanned))))
                    .OrderByDescending(f => f.Times).ThenBy(f => f.Name, StringComparer.Ordinal).Take(MostOfEach),
            ],
            [
                .. read.GroupBy(r => r.Case.PumpId).Where(g => known.Pumps.ContainsKey(g.Key)).Select(g => new PumpOnRecordDto(
                    g.Key, known.Pumps[g.Key].Record.Tag, g.Count(), Sum(g.Select(r => r.Case.Cost)),
                    Sum(g.Select(r => r.Case.MinutesPlanned)),
                    g.SelectMany(r => r.Faults).GroupBy(f => f).MaxBy(f => f.Count()) is { } most
                        ? Name(most.Key)
                        : null))
                    .OrderByDescending(p => p.Cost ?? 0).ThenByDescending(p => p.Cases).Take(MostOfEach),
            ],
            [
                .. causes.Select(c => (c, Known: findings.All.FirstOrDefault(f => f.Id == c.Finding)))
                    .Where(c => c.Known?.Cause is not null)
                    .Select(c => new CauseOnRecordDto(c.Known!.Name, c.Known.Cause!, c.c.Times)).OrderByDescending(c => c.Times),
            ],
            timed.Sum(o => o.MinutesPlanned!.Value), timed.Sum(o => o.MinutesTaken!.Value), timed.Length,
            [.. Calibration.Of(hunches).Select(b => new HunchBinDto(
                b.From, b.To, b.Cases, b.Right, Math.Round(b.Claimed, 3), Math.Round(b.Low, 3), Math.Round(b.High, 3)))],
            hunches.Count(h => h.Right), hunches.Length,
            [.. known.Patterns.Where(p => p.Told || untold == true).Select(p => p.ToDto(known))], known.Unread);
    }

    // What was found, read once for all that is counted of it.
    private sealed record ReadOutcome(Told Case, IReadOnlyList<string> Faults);

    // What is counted of a closed case: ten years have many thousands of them.
    private sealed record Told(
        string PumpId, string Found, string? Leader, double? Probability, double? MinutesPlanned, double? MinutesTaken, double? Cost);

    private static async Task<IResult> Table(DateOnly? from, DateOnly? to, MildHunchDb db, ShopMemory memory, CancellationToken stop)
    {
        var known = await memory.All(stop);
        var (first, last) = Span(from, to, known.Day);
        var outcomes = await db.Outcomes.AsNoTracking().Where(o => o.On >= first && o.On <= last).OrderBy(o => o.On).ToListAsync(stop);
        return Csv.Table(
            "record.csv", ["on", "pump", "found", "led", "probability", "minutes planned", "minutes taken", "cost"],
            outcomes.Select(o => new object[]
            {
                $"{o.On:yyyy-MM-dd}", known.Pumps.GetValueOrDefault(o.PumpId)?.Record.Tag ?? "", o.Found, o.Leader ?? "",
                (object?)o.Probability ?? "", (object?)o.MinutesPlanned ?? "", (object?)o.MinutesTaken ?? "", (object?)o.Cost ?? "",
            }));
    }

    private static (DateOnly First, DateOnly Last) Span(DateOnly? from, DateOnly? to, DateOnly today)
    {
        var (first, last) = (
            RecordYears.Need(from ?? today.AddDays(-UsualDays), "from"), RecordYears.Need(to ?? today, "to"));
        return first <= last
            ? (first, last)
            : throw new ImpossibleInputException("to", $"{last:yyyy-MM-dd}", $"a day from {first:yyyy-MM-dd} on");
    }

    private static double? Sum(IEnumerable<double?> values) => values.OfType<double>().ToArray() is { Length: > 0 } known
        ? Math.Round(known.Sum(), 2)
        : null;
}
