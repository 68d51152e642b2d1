using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Evidence;

/// <summary>On which pumps something can be read.</summary>
/// <param name="Instead">What to say where it cannot.</param>
public sealed record Readable(string Instead) : IOnlyWhere
{
    private static readonly Readable Anywhere = new("this can be read on every pump");
    private static readonly Readable Ends = new("strokes of an end are an intensifier's") { Arrangements = ["intensifier"] };
    private static readonly Readable Orifice = new("a process such as membranes has no orifice; measure its flow and pressure")
    {
        Fitted = ["nozzle"],
    };
    private static readonly Readable Bypass = new("without control and relief valve there is no bypass") { Fitted = ["bypass"] };
    private static readonly Readable Motor = new("only a motor takes a current; this pump has an engine") { Fitted = ["motor"] };

    /// <inheritdoc/>
    public IReadOnlyList<string> Requires { get; init; } = [];

    /// <inheritdoc/>
    public IReadOnlyList<string> Arrangements { get; init; } = [];

    /// <inheritdoc/>
    public IReadOnlyList<string> Fitted { get; init; } = [];

    /// <summary>Where a quantity can be read.</summary>
    public static Readable Of(string quantity) => quantity switch
    {
        TakenQuantities.StrokeLeft or TakenQuantities.StrokeRight or TakenQuantities.StrokesLeft or TakenQuantities.StrokesRight => Ends,
        "nozzle-orifice" => Orifice,
        "bypass-flow" => Bypass,
        TakenQuantities.Amps => Motor,
        _ => Anywhere,
    };

    /// <summary>True where it can be read on this pump, run like this.</summary>
    public static bool On(string quantity, ReciprocatingPump pump, Setup setup) => Catalogue.Fits(Of(quantity), pump, setup);
}
