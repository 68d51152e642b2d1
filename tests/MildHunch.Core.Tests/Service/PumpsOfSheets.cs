using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Service.Sheets;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Service;

/// <summary>For every sheet a pump that is opened by it.</summary>
internal static class PumpsOfSheets
{
    /// <summary>As if everything stood round each of them.</summary>
    public const Fitting Everything = (Fitting)~0;

    /// <summary>Everything that can stand round this one: caps, packings, a shaft and a start valve only where it can have them.</summary>
    public static Fitting Round(ReciprocatingPump pump)
    {
        var without = pump.CapSides().Count > 0 ? Fitting.None : Fitting.Caps;
        if (pump.Arrangement is not (Arrangement.CrankPlunger or Arrangement.FlowThrough))
            without |= Fitting.Packing;
        if (pump.Arrangement == Arrangement.Intensifier)
            without |= Fitting.StartValve | Fitting.Shaft | Fitting.Belt;
        return Everything & ~without;
    }

    public static IReadOnlyList<ReciprocatingPump> All { get; } =
    [
        .. Enum.GetValues<HeadLayout>().Select(head => Crank(ControlKind.Unloader, head)), Crank(ControlKind.Regulator, HeadLayout.SixCaps),
        Every.FlowThrough(25, 700), Every.Axial(12, 2800, ControlKind.AutoStop), Every.Twin(36, 420, ControlKind.Relief),
        Every.Intensifier(),
    ];

    public static ReciprocatingPump For(ServiceSheet sheet) => All.First(p => sheet.IsFor(p, Everything));

    private static ReciprocatingPump Crank(ControlKind control, HeadLayout head) => ReciprocatingPump.Create(
        3, Q<Length>(18, "mm"), Q<Length>(18, "mm"), Q<RotationalSpeed>(1450, "rpm"), Q<GaugePressure>(100, "bar"), control, head);
}
