using System.Collections.Frozen;
using System.Text.Json;

namespace MildHunch.Core.Pumps;

/// <summary>How the pump is built (docs/trade.md, Pumps).</summary>
public enum Arrangement
{
    /// <summary>Plungers on a crank, pushed to discharge.</summary>
    CrankPlunger,

    /// <summary>The inlet valve rides on the plunger.</summary>
    FlowThrough,

    /// <summary>Swash or wobble plate.</summary>
    Axial,

    /// <summary>Two pistons with cups in sleeves.</summary>
    TwinPiston,

    /// <summary>Oil on a big piston, water on two small plungers.</summary>
    Intensifier,
}

/// <summary>What keeps the pump from dead-heading when the outlet closes.</summary>
public enum ControlKind
{
    /// <summary>Nothing regulates the pressure.</summary>
    None,
    /// <summary>Sends everything round a bypass once the outlet shuts.</summary>
    Unloader,
    /// <summary>Spills what is too much.</summary>
    Regulator,
    /// <summary>Stops the motor once the outlet shuts.</summary>
    AutoStop,
    /// <summary>A relief valve only.</summary>
    Relief,
}

/// <summary>How the head of a crank-driven plunger pump is built: it decides what opens what.</summary>
public enum HeadLayout
{
    /// <summary>A cap over every valve.</summary>
    SixCaps,
    /// <summary>Inlet valve below the discharge valve in one bore, under one plug.</summary>
    StackedBore,
    /// <summary>Caps over the discharge valves, the inlet valves behind a bolted cover.</summary>
    InletCover,
    /// <summary>Caps over the discharge valves, the inlet valves screwed into the head from behind.</summary>
    InletScrewed,
    /// <summary>Two plates bolted together, the valves between them.</summary>
    TwoPiece,
    /// <summary>A heavy plate over stacks of valves.</summary>
    ValvePlate,
    /// <summary>An inlet and a discharge manifold with the packing between them.</summary>
    SplitManifold,
}

/// <summary>Where water goes that passes the high-pressure seal.</summary>
public enum SealReturn
{
    /// <summary>Back to the inlet.</summary>
    Inlet,
    /// <summary>Out at the weep.</summary>
    Weep,
}

/// <summary>What keeps the water behind a plunger.</summary>
public enum SealKind
{
    /// <summary>One lip under pressure and one behind it.</summary>
    Lip,
    /// <summary>A stack of rings that is drawn up, and drips a little when it is right.</summary>
    Packing,
}

/// <summary>What stands between pump and nozzle: it decides how much the pressure swings.</summary>
public enum OutletLine
{
    /// <summary>Nobody said.</summary>
    Unknown,
    /// <summary>A hose: soft.</summary>
    Hose,
    /// <summary>Rigid pipe: stiff.</summary>
    Rigid,
}

/// <summary>Inlet or discharge side of a cylinder.</summary>
public enum Side
{
    /// <summary>The inlet side.</summary>
    Inlet,
    /// <summary>The discharge side.</summary>
    Discharge,
}

/// <summary>Options by the names they have in data.</summary>
public static class OptionNames
{
    /// <summary>The name in kebab-case: "crank-plunger".</summary>
    public static string Named<T>(this T option)
        where T : struct, Enum => Names<T>.Of[option];

    private static class Names<T>
        where T : struct, Enum
    {
        public static readonly FrozenDictionary<T, string> Of =
            Enum.GetValues<T>().Distinct().ToFrozenDictionary(v => v, v => JsonNamingPolicy.KebabCaseLower.ConvertName(v.ToString()));
    }
}
