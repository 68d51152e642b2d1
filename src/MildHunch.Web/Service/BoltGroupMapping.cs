using MildHunch.Core.Expectation.Everyday;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Drawing;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Service;

/// <summary>A group of bolts with its torque: the maker's, the bolt's ceiling for want of it, or none.</summary>
internal static class BoltGroupMapping
{
    private static readonly string[] TorqueUnits = ["N·m", "ft·lbf", "in·lbf"];

    public static BoltGroupDto ToDto(this BoltGroup group, PumpSheetDto own)
    {
        var field = $"sheet.torques.{group.Id}";
        var told = own.Torques?.GetValueOrDefault(group.Id);
        var make = own.Bolts?.GetValueOrDefault(group.Id).ToCore();
        var torque = told.Maybe<Torque>(field);
        var basis = torque is null ? TorqueBasis.None : TorqueBasis.Sheet;
        if (torque is null && group.Ceiling && make is not null && BoltCeiling.Of(make) is { } ceiling)
        {
            // To whole newton metres: it is an estimate.
            (torque, basis) = (new Torque(Math.Max(1, Math.Round(ceiling.Si))), TorqueBasis.Estimate);
            told = Amount.Of(torque.Value).ToDto(Units.Find(QuantityKind.Torque, TorqueUnits[0])!);
        }

        return new BoltGroupDto(
            group.Id, group.Name, group.Ceiling, group.Pattern, [.. group.Places.Places.Select(p => new BoltPlaceDto(p.Number, p.X, p.Y))],
            group.ToLoosen, group.ToStart, group.ToSnug, group.ToTighten,
            [.. group.Passes.Select(share => new BoltPassDto(share, Share(torque, share, told), InAllUnits(torque, share)))],
            told, basis.Named(), InAllUnits(torque, 1),
            torque is { } asked ? TorqueDoubts.About(group, asked, told!, make, field)?.Says : null, group.Note,
            own.Bolts?.GetValueOrDefault(group.Id)?.Dressing, BoltDrawing.Of(group).ToDto());
    }

    private static IReadOnlyList<string> InAllUnits(Torque? torque, double share) => torque is { } whole
        ? [.. TorqueUnits.Select(u => Amount.Of(new Torque(whole.Si * share)).Text(Units.Find(QuantityKind.Torque, u)!))]
        : [];

    // In the unit in which the maker's sheet has it.
    private static QuantityDto? Share(Torque? torque, double share, QuantityDto? told) => torque is { } whole && told?.Unit is { } unit
        ? Amount.Of(new Torque(whole.Si * share)).ToDto(Quantity.UnitNamed(QuantityKind.Torque, unit, "unit"))
        : null;
}
