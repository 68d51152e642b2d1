namespace MildHunch.Core.Pumps;

/// <summary>How the pump is built (docs/trade.md, Pumps).</summary>
public enum Arrangement
{
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
    None,
    Unloader,
    Regulator,
    AutoStop,
    Relief,
}

/// <summary>What opens what: with six caps each valve has its own, on a stacked bore one plug covers both.</summary>
public enum HeadLayout
{
    SixCaps,
    StackedBore,
}

/// <summary>Where water goes that passes the high-pressure seal.</summary>
public enum SealReturn
{
    Inlet,
    Weep,
}

/// <summary>What stands between pump and nozzle: it decides how much the pressure swings.</summary>
public enum OutletLine
{
    Unknown,
    Hose,
    Rigid,
}

/// <summary>Inlet or discharge side of a cylinder.</summary>
public enum Side
{
    Inlet,
    Discharge,
}

/// <summary>Options by the names they have in data.</summary>
public static class OptionNames
{
    private static readonly string[] Arrangements = [.. Enum.GetValues<Arrangement>()
        .Select(a => System.Text.Json.JsonNamingPolicy.KebabCaseLower.ConvertName(a.ToString()))];

    /// <summary>The name in kebab-case: "crank-plunger".</summary>
    public static string Named(this Arrangement arrangement) => Arrangements[(int)arrangement];
}
