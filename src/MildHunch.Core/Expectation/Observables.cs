using System.Collections.Frozen;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Expectation;

/// <summary>Something with a number that can be read at the pump.</summary>
/// <param name="Id">Name in requests.</param>
/// <param name="Name">In words.</param>
/// <param name="Kind">What is measured.</param>
/// <param name="Read">What a pump at this operating point shows, the gauge being out by a factor.</param>
/// <param name="Place">Where on the drawing it is entered.</param>
public sealed record Observable(
    int Index, string Id, string Name, QuantityKind Kind, string Place, Func<OperatingPoint, double, double> Read);

/// <summary>Every reading that counts as evidence.</summary>
public static class Observables
{
    /// <summary>In the order of their index.</summary>
    public static readonly IReadOnlyList<Observable> All = Number(
        ("discharge-pressure", "Pressure at the head", QuantityKind.GaugePressure, "gauge", (p, gauge) => p.PressurePa * gauge),
        ("swing", "Swing of the needle", QuantityKind.GaugePressure, "gauge", (p, gauge) => p.SwingPa * gauge),
        ("nozzle-flow", "Flow at the nozzle", QuantityKind.VolumeFlow, "nozzle", (p, _) => p.NozzleFlow),
        ("bypass-flow", "Flow in the bypass", QuantityKind.VolumeFlow, "bypass", (p, _) => p.BypassFlow),
        ("supply-flow", "Drawn from the supply", QuantityKind.VolumeFlow, "supply", (p, _) => p.SupplyFlow),
        ("speed", "Crank speed", QuantityKind.RotationalSpeed, "crank", (p, _) => p.SpeedHz),
        ("inlet-pressure", "Pressure at the inlet", QuantityKind.GaugePressure, "inlet", (p, _) => p.InletPa),
        ("gun-pressure", "Pressure at the gun", QuantityKind.GaugePressure, "nozzle", (p, _) => p.GunPa),
        ("nozzle-orifice", "Orifice of the nozzle", QuantityKind.Length, "nozzle", (p, _) => p.NozzleCoefficient));

    private static readonly FrozenDictionary<string, Observable> ById = All.ToFrozenDictionary(o => o.Id);

    /// <summary>How many there are.</summary>
    public static int Count => All.Count;

    /// <summary>Pressure at the head.</summary>
    public static Observable Pressure => All[0];

    /// <summary>Swing of the needle at the head.</summary>
    public static Observable Swing => All[1];

    /// <summary>Flow at the nozzle.</summary>
    public static Observable NozzleFlow => All[2];

    /// <summary>Flow in the bypass.</summary>
    public static Observable BypassFlow => All[3];

    /// <summary>Speed of the crank.</summary>
    public static Observable Speed => All[5];

    /// <summary>Orifice of the nozzle, compared as the Kn it has.</summary>
    public static Observable NozzleOrifice => All[8];

    /// <summary>The observable of that id; null for one nobody knows.</summary>
    public static Observable? Find(string id) => ById.GetValueOrDefault(id);

    private static IReadOnlyList<Observable> Number(params (
        string Id, string Name, QuantityKind Kind, string Place, Func<OperatingPoint, double, double> Read)[] rows) =>
        [.. rows.Select((r, i) => new Observable(i, r.Id, r.Name, r.Kind, r.Place, r.Read))];
}
