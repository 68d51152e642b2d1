namespace MildHunch.Core.Quantities;

/// <summary>The two sets of units in which the trade speaks.</summary>
public enum UnitSystem
{
    /// <summary>bar, L/min, °C, mm, N·m.</summary>
    Si,

    /// <summary>psi, gpm, °F, in, ft·lbf.</summary>
    UsTrade,
}

/// <summary>
/// The units of whoever reads what is being computed. They belong to a piece of work, not to the program: each request
/// sets its own, and what it starts inherits them. Only words and figures to show depend on them, never a result.
/// </summary>
public static class UnitChoice
{
    private static readonly AsyncLocal<UnitSystem> Chosen = new();

    /// <summary>SI until something else is set.</summary>
    public static UnitSystem Current
    {
        get => Chosen.Value;
        set => Chosen.Value = value;
    }
}
