using MildHunch.Core.Quantities;

namespace MildHunch.Core.Expectation;

/// <summary>One input of a working, as it is shown.</summary>
public sealed record WorkingInput(string Symbol, string Name, string Value);

/// <summary>How a figure comes about: the formula by name, what went in, and who says so.</summary>
public sealed record Working(string Formula, string Equation, IReadOnlyList<WorkingInput> Inputs, string Source);

/// <summary>One cause of a tolerance band and the half-width it alone would give, in the figure's unit.</summary>
public sealed record BandPart(string Cause, Amount HalfWidth);

/// <summary>What a sound pump should show: value, two-sigma band, where the band comes from, and the working.</summary>
public sealed record Figure(string Id, string Name, Amount Value, Amount Low, Amount High, IReadOnlyList<BandPart> Band, Working Working)
{
    /// <summary>Unit it is best shown in; the preferred one of its kind when null.</summary>
    public string? Unit { get; init; }

    /// <summary>
    /// False where there is nothing to divide by, such as the efficiency of a pump that stands: such a figure is not shown.
    /// </summary>
    internal bool IsFinite =>
        double.IsFinite(Value.Si) && double.IsFinite(Low.Si) && double.IsFinite(High.Si) && Band.All(b => double.IsFinite(b.HalfWidth.Si));
}
