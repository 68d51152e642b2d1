using MildHunch.Core;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Sheets;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Service;

/// <summary>What a request for a plan asks: the pump, its sheet as it is built, and parts at places.</summary>
internal sealed record ServiceQuestion(
    ReciprocatingPump Pump, ServiceSheet Sheet, IReadOnlyList<ServiceSheet> All, IReadOnlyList<ServiceTarget> Targets, ServiceScope Scope,
    PumpSheetDto Own)
{
    /// <summary>Reads it; a refusal names the field and what is accepted.</summary>
    public static ServiceQuestion From(ServicePlanRequest request, ServiceSheets sheets, Catalogue catalogue)
    {
        var pump = request.Pump.ToCore();
        var own = request.Sheet ?? new PumpSheetDto();
        var fittings = FittingsOf(pump, request.Setup);
        var (main, beside) = (sheets.For(pump, fittings), sheets.Beside(pump, fittings));
        PumpSheetRules.Check(own, [.. main, .. beside]);
        var all = Built(main, beside, own, sheets);
        var targets = request.Targets is { Count: > 0 } told
            ? told
            : throw Mapping.Missing("targets", "at least one part or fault");
        var read = targets.Select((t, k) => t is null
            ? throw Mapping.Missing($"targets[{k}]", "a part or a fault")
            : ImpossibleInputException.Under($"targets[{k}]", () => Read(t, all, pump, catalogue, sheets.Common))).ToArray();

        // In the order in which they are worked, whatever the order asked.
        var sheet = ServiceSheet.Together([.. all.Where(s => read.Any(r => r.Sheet == s))]);
        return new ServiceQuestion(
            pump, sheet, all, [.. read.SelectMany(r => r.Parts)], Mapping.Choice(request.Scope, "scope", ServiceScope.WhatFailed), own);
    }

    /// <summary>The pump's own sheet and those of what stands beside it, as they are on this pump.</summary>
    public static IReadOnlyList<ServiceSheet> Sheets(ReciprocatingPump pump, SetupDto? setup, PumpSheetDto own, ServiceSheets sheets)
    {
        var fittings = FittingsOf(pump, setup);
        return Built(sheets.For(pump, fittings), sheets.Beside(pump, fittings), own, sheets);
    }

    private static ServiceSheet[] Built(
        IReadOnlyList<ServiceSheet> main, IReadOnlyList<ServiceSheet> beside, PumpSheetDto own, ServiceSheets sheets) =>
        [.. beside.Prepend(TheSheet(main, own.Id)).Select(s => sheets.As(s, own.Choices ?? []).With(own.Bolts))];

    /// <summary>Every sheet by which it might be opened, in all versions: what may be noted of it.</summary>
    public static IReadOnlyList<ServiceSheet> Possible(ReciprocatingPump pump, SetupDto? setup, ServiceSheets sheets)
    {
        var fittings = FittingsOf(pump, setup);
        return [.. sheets.For(pump, fittings), .. sheets.Beside(pump, fittings)];
    }

    private static Fitting FittingsOf(ReciprocatingPump pump, SetupDto? setup) =>
        setup is null ? Fitting.None : Fittings.Of(pump, setup.ToCore());

    private static ServiceSheet TheSheet(IReadOnlyList<ServiceSheet> known, string? id) => id is null
        ? known[0]
        : known.FirstOrDefault(s => s.Id == id)
            ?? throw new ImpossibleInputException("sheet.id", $"“{id}”", string.Join(", ", known.Select(s => s.Id)));

    private static Wanted Read(
        ServiceTargetDto target, IReadOnlyList<ServiceSheet> sheets, ReciprocatingPump pump, Catalogue catalogue, CommonActs common)
    {
        if (target.Part is null == target.Fault is null)
            throw new ImpossibleInputException("part", target.Part is null ? "nothing" : "a part and a fault", "a part or a fault");
        var place = Place(target, pump);
        var wanted = target.Fault is null
            ? OfPart(target, place, sheets, pump, common)
            : OfFault(target.Fault, place, sheets, pump, catalogue);
        return target.Mend is null ? wanted : wanted with { Parts = [.. wanted.Parts.Select(t => Mended(t, target.Mend, common))] };
    }

    private static ServiceTarget Mended(ServiceTarget target, string told, CommonActs common)
    {
        var mend = Mapping.Choice(told, "mend", Mend.Renew);
        return mend is Mend.Renew or Mend.Refit || common.MendOf(mend, target.At.Part) is not null
            ? target with { Mend = mend }
            : throw new ImpossibleInputException(
                "mend", $"“{told}”", $"what can be done to {target.At.Part.Name.ToLowerInvariant()}: renew or refit");
    }

    private static Wanted OfPart(
        ServiceTargetDto target, ServicePlace place, IReadOnlyList<ServiceSheet> sheets, ReciprocatingPump pump, CommonActs common)
    {
        var name = target.Part!;
        if (sheets.FirstOrDefault(s => s.Part(name) is not null) is { } sheet)
        {
            ServiceTarget[] parts = [.. ServiceTargets.At(sheet.Part(name)!, pump, place).Select(ServiceTarget.Of)];
            return parts.Length > 0
                ? new Wanted(sheet, parts)
                : throw new ImpossibleInputException("side", target.Side ?? "nothing", "a side on which that part is");
        }

        return sheets.Select(s => new Wanted(s, ServiceTargets.Named(s, common, pump, name, place))).FirstOrDefault(w => w.Parts.Count > 0)
            ?? throw new ImpossibleInputException(
                "part", $"“{name}”",
                string.Join(", ", sheets.SelectMany(s => s.Parts).Select(p => p.Id).Concat(common.Names.Keys).Distinct()));
    }

    private static Wanted OfFault(
        string id, ServicePlace place, IReadOnlyList<ServiceSheet> sheets, ReciprocatingPump pump, Catalogue catalogue)
    {
        var fault = catalogue.Fault(id) ?? throw new ImpossibleInputException("fault", $"“{id}”", "a fault of the catalogue");
        return sheets.Select(s => new Wanted(s, ServiceTargets.Of(s, pump, fault, place))).FirstOrDefault(w => w.Parts.Count > 0)
            ?? throw new ImpossibleInputException("fault", $"“{id}”", "a fault that can be mended at this pump, or beside it");
    }

    private sealed record Wanted(ServiceSheet Sheet, IReadOnlyList<ServiceTarget> Parts);

    private static ServicePlace Place(ServiceTargetDto target, ReciprocatingPump pump)
    {
        var cylinder = target.End switch
        {
            null => target.Cylinder,
            "left" when pump.Arrangement == Arrangement.Intensifier => 1,
            "right" when pump.Arrangement == Arrangement.Intensifier => 2,
            _ => throw new ImpossibleInputException("end", $"“{target.End}”", "left or right, on an intensifier"),
        };
        if (cylinder is { } k && (k < 1 || k > pump.Cylinders))
            throw new ImpossibleInputException("cylinder", $"{k}", $"1 to {pump.Cylinders}");
        return new ServicePlace(cylinder, target.Side is null ? null : Mapping.Choice(target.Side, "side", Side.Discharge));
    }
}
