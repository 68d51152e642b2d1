using System.ComponentModel;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using MildHunch.Core.Expectation.Everyday;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Findings;
using MildHunch.Core.Service.Sheets;
using MildHunch.Store;
using MildHunch.Web.Expectation;
using MildHunch.Web.Service;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Pumps;

/// <param name="Sheet">The figures as a whole.</param>
public sealed record PumpSheetRequest(
    PumpSheetDto? Sheet,
    [property: Description("true where a torque that was asked back is really so")] bool? Sure = null);

/// <summary>One sheet by which a pump is opened: versions, bolts with their torque or what stands in for it, parts.</summary>
public sealed record SheetOfPump(
    string Id, string Name, bool Beside, IReadOnlyList<SheetVersionDto> Versions, IReadOnlyList<BoltGroupDto> Groups,
    IReadOnlyList<SheetPartDto> Parts);

public sealed record SheetVersionDto(string Id, string Name, IReadOnlyList<PartNameDto> Choices);

public sealed record SheetPartDto(
    string Part, string Name, [property: Description("how many this pump has")] int Count, bool Renewed,
    [property: Description("what is measured at it")] IReadOnlyList<string> Measured,
    [property: Description("what can be done to it: renew, refit, clean, lap; the first is usual")] IReadOnlyList<string> Mends);

/// <summary>What can be noted of a pump: its sheets, and choices between them where there are several.</summary>
public sealed record SheetsOfPumpResponse(
    IReadOnlyList<PartNameDto> Choices, IReadOnlyList<SheetOfPump> Sheets, IReadOnlyList<string> Sizes, IReadOnlyList<string> Grades,
    string Currency,
    [property: Description("what was noted and no longer fits this pump or these sheets: kept, and left out until it fits")]
    IReadOnlyList<string> LeftOut);

/// <summary>The maker's figures and the shop's own for the service of a pump.</summary>
public static class PumpSheetEndpoints
{
    public static void Map(IEndpointRouteBuilder routes)
    {
        var pumps = routes.MapGroup("/api/pumps").WithTags("Pumps");
        pumps.MapGet("/{id}/sheets", Shown).WithSummary("Sheets by which a pump is opened, with bolts, parts and versions.");
        pumps.MapPut("/{id}/sheet", Change).WithSummary("Notes the maker's figures and the shop's own; needs If-Match.");
    }

    private static async Task<SheetsOfPumpResponse> Shown(
        string id, MildHunchDb db, ServiceSheets sheets, FindingCatalogue findings, ShopNow shop,
        CancellationToken stop)
    {
        var stored = await db.Pumps.AsNoTracking().FirstOrDefaultAsync(p => p.Id == id, stop)
            ?? throw RefusalException.NotFound("pump", id);
        var shown = stored.ToResource();
        var (pump, setup) = (shown.Pump.ToCore(), shown.Setup);
        var fitted = SheetFit.Of(shown.Sheet, pump, setup, sheets);
        shown = shown with { Sheet = fitted.Own };
        var all = ServiceQuestion.Sheets(pump, setup, shown.Sheet, sheets);
        return new SheetsOfPumpResponse(
            [.. sheets.For(pump, Fittings.Of(pump, setup.ToCore())).Select(s => new PartNameDto(s.Id, s.Name))],
            [.. all.Select(s => new SheetOfPump(
                s.Id, s.Name, s.Fits.Beside,
                [.. s.Versions.Select(v => new SheetVersionDto(v.Id, v.Name, [.. v.Choices.Select(c => new PartNameDto(c.Id, c.Name))]))],
                [.. s.Groups.Select(g => g.ToDto(shown.Sheet))],
                [.. s.Parts.Select(p => new SheetPartDto(p.Id, p.Name, p.Count * p.Per.On(pump).Count, p.Fit != Fit.Again,
                    findings.Kind(p.Kind)?.Measured ?? [], [.. MendsOf(p, sheets.Common)]))]))],
            BoltCeiling.Sizes, BoltCeiling.Grades, shop.Terms.Currency, fitted.LeftOut);
    }

    private static IEnumerable<string> MendsOf(SheetPart part, CommonActs common)
    {
        Mend[] usual = part.InPlace ? [Mend.Refit] : part.Fit == Fit.Again ? [Mend.Refit, Mend.Renew] : [Mend.Renew, Mend.Refit];
        return usual.Concat(new[] { Mend.Clean, Mend.Lap }.Where(m => common.MendOf(m, part) is not null)).Select(m => m.Named());
    }

    private static async Task<Ok<PumpResource>> Change(
        string id, PumpSheetRequest request, MildHunchDb db, ServiceSheets sheets, HttpRequest http, HttpResponse response,
        CancellationToken stop)
    {
        var stored = await db.Pumps.FirstOrDefaultAsync(p => p.Id == id, stop) ?? throw RefusalException.NotFound("pump", id);
        ETags.Require(http, stored.Version);
        var sheet = request.Sheet ?? throw Mapping.Missing("sheet", "the figures as a whole");
        var shown = stored.ToResource();
        var pump = shown.Pump.ToCore();
        var possible = ServiceQuestion.Possible(pump, shown.Setup, sheets);

        // What stands there already and no longer fits is kept with the rest; anything else has to be of this pump.
        var told = SheetFit.Of(sheet, pump, shown.Setup, sheets);
        if (told.LeftOut.Except(SheetFit.Of(shown.Sheet, pump, shown.Setup, sheets).LeftOut).Any())
        {
            PumpSheetRules.Check(sheet, possible);
            ServiceQuestion.Sheets(pump, shown.Setup, sheet, sheets);
        }

        if (request.Sure != true)
            AskBack(told.Own, possible);
        stored.SheetJson = Stored.Write(sheet);
        stored.Version++;
        await db.SaveOrRefuse(stop);
        ETags.Show(response, stored.Version);
        return TypedResults.Ok(stored.ToResource());
    }

    // A torque that looks like another unit is asked back before it counts.
    private static void AskBack(PumpSheetDto sheet, IReadOnlyList<ServiceSheet> all)
    {
        DoubtDto[] doubts =
        [
            .. (sheet.Torques ?? new Dictionary<string, QuantityDto>()).Select(t =>
            {
                var field = $"sheet.torques.{t.Key}";
                var group = all.SelectMany(s => s.Groups).First(g => g.Id == t.Key);
                var make = sheet.Bolts?.GetValueOrDefault(t.Key).ToCore();
                return TorqueDoubts.About(group, t.Value.Need<Torque>(field), t.Value, make, field);
            }).OfType<DoubtDto>(),
        ];
        if (doubts.Length > 0)
            throw new DoubtException(doubts);
    }
}
