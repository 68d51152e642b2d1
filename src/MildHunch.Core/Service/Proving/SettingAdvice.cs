namespace MildHunch.Core.Service.Proving;

/// <summary>What to do next at the screw.</summary>
public enum SettingAct
{
    /// <summary>Turn it, water flowing.</summary>
    Turn,

    /// <summary>Leave it; shut the outlet and open it once, then read again.</summary>
    Reseat,

    /// <summary>Turn it out again: too far, or in vain.</summary>
    Back,

    /// <summary>Leave it: what was wanted cannot be had.</summary>
    Stop,

    /// <summary>It stands where it was wanted.</summary>
    Done,
}

/// <summary>Where the next reading should come to lie.</summary>
public sealed record PressureBand(double ValuePa, double LowPa, double HighPa);

/// <summary>Pressure against turns as far as it is known.</summary>
/// <param name="PerTurnPa">Pa a turn; null while too little was read.</param>
/// <param name="SigmaPa">One sigma of a reading.</param>
/// <param name="KneeTurns">Turns at which the nozzle takes over; null while that was not seen.</param>
/// <param name="KneePa">Running pressure there.</param>
/// <param name="HeldPa">What the control holds as its screw stands, shut or open; null while that is not known to a twentieth.</param>
public sealed record SettingCurve(double? PerTurnPa, double SigmaPa, double? KneeTurns, double? KneePa, double? HeldPa = null);

/// <summary>What to do next, and why.</summary>
/// <param name="Do">What to do.</param>
/// <param name="Turns">Signed, in is above 0, at most a quarter; null where the screw is left.</param>
/// <param name="Expected">What the gauge should then read; null where nothing can be said.</param>
/// <param name="Why">In trade words.</param>
public sealed record SettingAdvice(SettingAct Do, double? Turns, PressureBand? Expected, string Why)
{
    /// <summary>True where the next reading is wanted with the outlet shut: its spike.</summary>
    public bool Shut { get; init; }

    /// <summary>What is known of it so far.</summary>
    public SettingCurve Curve { get; init; } = new(null, 0, null, null);

    /// <summary>What must not be passed and lies nearest.</summary>
    public required PressureLimit Nearest { get; init; }
}
