using MildHunch.Core.Expectation.Everyday;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Drawing;
using MildHunch.Core.Service.Sheets;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Service;

/// <summary>A group of bolts with its torque: the maker's, the bolt's ceiling for want of it, or none.</summary>
internal static class BoltGroupMapping
{
    private static readonly string[] TorqueUnits = ["N·m", "ft·lbf", "in·lbf"];

    public static BoltGroupDto ToDto(this BoltGroup group, PumpSheetDto own)
    {
        var (torque, told, basis) = TorqueOf(group, own);
        var field = $"sheet.torques.{group.Id}";
        var make = own.Bolts?.GetValueOrDefault(group.Id).ToCore();
        return new BoltGroupDto(
            group.Id, group.Name, group.Ceiling, group.Pattern, [.. group.Places.Places.Select(p => new BoltPlaceDto(p.Number, p.X, p.Y))],
            group.ToLoosen, group.ToStart, group.ToSnug, group.ToTighten,
            [.. group.Passes.Select(share => new BoltPassDto(share, Share(torque, share, told), InAllUnits(torque, share)))],
            told, basis.Named(), InAllUnits(torque, 1),
            torque is { } asked ? TorqueDoubts.About(group, asked, told!, make, field)?.Says : null, group.Note,
            own.Bolts?.GetValueOrDefault(group.Id)?.Dressing, BoltDrawing.Of(group).ToDto(), group.Steps.Named(),
            group.Wrench, group.Drive);
    }

    // The maker's, or the bolt's ceiling to whole newton metres: it is an estimate.
    private static TorqueOfGroup TorqueOf(BoltGroup group, PumpSheetDto own)
    {
        var told = own.Torques?.GetValueOrDefault(group.Id);
        if (told.Maybe<Torque>($"sheet.torques.{group.Id}") is { } noted)
            return new TorqueOfGroup(noted, told, TorqueBasis.Sheet);
        if (!group.Ceiling || own.Bolts?.GetValueOrDefault(group.Id).ToCore() is not { } make || BoltCeiling.Of(make) is not { } ceiling)
            return new TorqueOfGroup(null, null, TorqueBasis.None);
        var estimate = new Torque(Math.Max(1, Math.Round(ceiling.Si)));
        return new TorqueOfGroup(
            estimate, Amount.Of(estimate).ToDto(Units.Find(QuantityKind.Torque, TorqueUnits[0])!), TorqueBasis.Estimate);
    }

    private sealed record TorqueOfGroup(Torque? Torque, QuantityDto? Told, TorqueBasis Basis);

    /// <summary>Round by round over the bolts of a step, with what the wrench is set to.</summary>
    public static IReadOnlyList<BoltRoundDto> Rounds(this ServiceStep step, PumpSheetDto own)
    {
        if (step.Bolts is not { } group)
            return [];
        var torque = TorqueOf(group, own).Torque;
        return [.. step.Rounds.Select(r => new BoltRoundDto(r.Name, r.Order, r.Share is { } share ? InAllUnits(torque, share) : []))];
    }

    private static IReadOnlyList<string> InAllUnits(Torque? torque, double share) => torque is { } whole
        ? [.. TorqueUnits.Select(u => Amount.Of(new Torque(whole.Si * share)).Text(Units.Find(QuantityKind.Torque, u)!))]
        : [];

    // In the unit in which the maker's sheet has it.
    private static QuantityDto? Share(Torque? torque, double share, QuantityDto? told) => torque is { } whole && told?.Unit is { } unit
        ? Amount.Of(new Torque(whole.Si * share)).ToDto(Quantity.UnitNamed(QuantityKind.Torque, unit, "unit"))
        : null;
}
