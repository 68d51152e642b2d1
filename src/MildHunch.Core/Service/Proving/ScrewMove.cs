namespace MildHunch.Core.Service.Proving;

/// <summary>What came out of the bypass with the outlet open.</summary>
public enum BypassSeen
{
    /// <summary>Nothing.</summary>
    None,

    /// <summary>Some of the flow.</summary>
    Some,

    /// <summary>Most of the flow.</summary>
    Most,
}

/// <summary>What was read after a turn of the screw, water flowing, the outlet shut and opened once.</summary>
/// <param name="Turns">Turned in since the first reading, in all; below 0 for out.</param>
/// <param name="RunningPa">Pressure with the outlet open, Pa gauge.</param>
/// <param name="SpikePa">Highest pressure as the outlet was shut, Pa gauge; null where nobody saw it.</param>
/// <param name="Bypass">What came out of the bypass; null where nobody looked.</param>
public sealed record ScrewMove(double Turns, double RunningPa, double? SpikePa = null, BypassSeen? Bypass = null);
