using MildHunch.Core.Quantities;

namespace MildHunch.Core.Expectation;

/// <summary>What is read beside the observables: it becomes an answer, or puts a reading right.</summary>
public static class TakenQuantities
{
    /// <summary>The gauge with the outlet vented.</summary>
    public const string AtRest = "gauge-at-rest";

    /// <summary>Seconds that a stroke of an end takes.</summary>
    public const string StrokeLeft = "stroke-left";
    /// <summary>The same of the right end.</summary>
    public const string StrokeRight = "stroke-right";

    /// <summary>
    /// Strokes a minute of an end, as they were once entered. The ends alternate, so the two are always equal: they count as nothing.
    /// </summary>
    public const string StrokesLeft = "strokes-left";
    /// <summary>The same of the right end.</summary>
    public const string StrokesRight = "strokes-right";
    /// <summary>How far the hose side falls in a minute with the outlet shut.</summary>
    public const string Fall = "pressure-fall";
    /// <summary>Current of the motor.</summary>
    public const string Amps = "amps";
    /// <summary>Temperature of the supply.</summary>
    public const string SupplyTemperature = "supply-temperature";

    /// <summary>Things read that no operating point predicts, and what kind of number each is.</summary>
    public static readonly IReadOnlyList<(string Id, string Name, QuantityKind Kind, string Place)> All =
    [
        (AtRest, "Gauge at rest, vented", QuantityKind.GaugePressure, "gauge"),
        (Fall, "Fall of the hose side in a minute, outlet closed", QuantityKind.GaugePressure, "gauge"),
        (Amps, "Current of the motor", QuantityKind.Current, "crank"),
        (SupplyTemperature, "Temperature of the supply", QuantityKind.Temperature, "supply"),
        (StrokeLeft, "A stroke of the left end", QuantityKind.Duration, "crank"),
        (StrokeRight, "A stroke of the right end", QuantityKind.Duration, "crank"),
        (StrokesLeft, "Strokes a minute of the left end", QuantityKind.RotationalSpeed, "crank"),
        (StrokesRight, "Strokes a minute of the right end", QuantityKind.RotationalSpeed, "crank"),
    ];

    /// <summary>True for what is still accepted and readable but no longer asked for.</summary>
    public static bool Retired(string id) => id is StrokesLeft or StrokesRight;
}
