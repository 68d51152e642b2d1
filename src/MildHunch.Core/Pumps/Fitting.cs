using System.Collections.Frozen;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Pumps;

/// <summary>
/// What stands on and around a pump, as far as faults, questions and checks ask for it. Named in the catalogue in kebab-case,
/// such as "seal-to-weep".
/// </summary>
[Flags]
public enum Fitting
{
    /// <summary>Nothing that anybody asks for.</summary>
    None = 0,
    /// <summary>A pulsation dampener.</summary>
    Dampener = 1 << 0,
    /// <summary>A chemical injector.</summary>
    Injector = 1 << 1,

    /// <summary>A nozzle rather than a process such as membranes.</summary>
    Nozzle = 1 << 2,

    /// <summary>A relief valve with a setting on record, beside the control.</summary>
    Relief = 1 << 3,

    /// <summary>A way round for the water: control or relief.</summary>
    Bypass = 1 << 4,

    /// <summary>An electric motor, or a driver that nobody described.</summary>
    Motor = 1 << 5,

    /// <summary>A belt, or a drive of a shaft that nobody described.</summary>
    Belt = 1 << 6,

    /// <summary>Fed above atmospheric pressure: what is open at the inlet drips.</summary>
    Pressurised = 1 << 7,

    /// <summary>Not fed above atmospheric pressure: what is open at the inlet draws air.</summary>
    Lifting = 1 << 8,

    /// <summary>What passes a high-pressure seal comes out at the weep.</summary>
    SealToWeep = 1 << 9,

    /// <summary>What passes a high-pressure seal goes back to the inlet.</summary>
    SealToInlet = 1 << 10,

    /// <summary>An unloader or a stop switch: with the outlet shut, the pump and what is downstream are two rooms.</summary>
    ShutsOff = 1 << 11,

    /// <summary>Neither: with the outlet shut, the head is one room with what is downstream.</summary>
    OneRoom = 1 << 12,

    /// <summary>Caps or plugs over valves.</summary>
    Caps = 1 << 13,

    /// <summary>A shaft of its own that comes out through a seal: not on intensifiers, nor on axial pumps built onto their motor.</summary>
    Shaft = 1 << 14,

    /// <summary>A start valve.</summary>
    StartValve = 1 << 15,

    /// <summary>Packings in place of lip seals.</summary>
    Packing = 1 << 16,

    /// <summary>A case with oil in it: everything but an intensifier.</summary>
    Crankcase = 1 << 17,

    /// <summary>A chemical injector behind the pump.</summary>
    InjectorAfter = 1 << 18,
}

/// <summary>Fittings of a pump and by name.</summary>
public static class Fittings
{
    // A tenth of a bar at the source (common practice, no source).
    private const double PressurisedPa = 1e4;

    private static readonly FrozenDictionary<string, Fitting> ByName =
        Enum.GetValues<Fitting>().Where(f => f != Fitting.None).ToFrozenDictionary(f => f.Named());

    /// <summary>Everything that may be named.</summary>
    public static IEnumerable<string> Names => ByName.Keys.Order(StringComparer.Ordinal);

    /// <summary>The fitting of that name; null for a name nobody knows.</summary>
    public static Fitting? Find(string name) => ByName.TryGetValue(name, out var fitting) ? fitting : null;

    /// <summary>True where all of these are there; a name nobody knows is not.</summary>
    public static bool HasAll(this Fitting fittings, IReadOnlyList<string> names) =>
        names.All(name => Find(name) is { } needed && (fittings & needed) != 0);

    /// <summary>The names of all that is there.</summary>
    public static IReadOnlyList<string> NamesOf(Fitting fittings) =>
        [.. ByName.Where(f => (fittings & f.Value) != 0).Select(f => f.Key).Order(StringComparer.Ordinal)];

    /// <summary>What this pump, run like this, has.</summary>
    public static Fitting Of(ReciprocatingPump pump, Setup setup)
    {
        var apart = pump.Control is ControlKind.Unloader or ControlKind.AutoStop;
        // An axial pump of which nobody says how it is driven is built onto its motor, as most are (common practice, no source).
        var shaft = pump.Arrangement != Arrangement.Intensifier
            && (pump.Arrangement != Arrangement.Axial || setup.Drive is { Pulleys: not null } or { Kind: DriveKind.Engine });
        var source = setup.SupplyPressure.Si
            + (setup.Liquid.Density(setup.Temperature).Si * PhysicalConstants.Gravity * (setup.Inlet?.Level.Si ?? 0));
        return If(setup.Dampener is not null, Fitting.Dampener)
            | If(setup.Injector is not null, Fitting.Injector)
            | If(setup.Injector == InjectorPlace.Outlet, Fitting.InjectorAfter)
            | If(setup.Nozzle.OpensAtPa is null, Fitting.Nozzle)
            | If(setup.Relief is not null, Fitting.Relief)
            | If(setup.Relief is not null || pump.Control != ControlKind.None, Fitting.Bypass)
            | If(setup.Drive is not { Kind: DriveKind.Engine }, Fitting.Motor)
            | If(shaft && (setup.Drive is null or { Pulleys: not null }), Fitting.Belt)
            | If(source > PressurisedPa, Fitting.Pressurised)
            | If(source <= PressurisedPa, Fitting.Lifting)
            | If(pump.SealReturn == SealReturn.Weep, Fitting.SealToWeep)
            | If(pump.SealReturn == SealReturn.Inlet, Fitting.SealToInlet)
            | If(apart, Fitting.ShutsOff)
            | If(!apart, Fitting.OneRoom)
            | If(pump.CapSides().Count > 0, Fitting.Caps)
            | If(shaft, Fitting.Shaft)
            | If(pump.Arrangement != Arrangement.Intensifier, Fitting.Crankcase)
            | If(pump.StartValve, Fitting.StartValve)
            | If(pump.Seals == SealKind.Packing, Fitting.Packing);
    }

    private static Fitting If(bool there, Fitting fitting) => there ? fitting : Fitting.None;
}
