using System.Collections.Frozen;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Expectation;

/// <summary>What a reading is called: in full in sentences and editors, short on a label, and by the words of its own pump.</summary>
public static class ReadingNames
{
    private static readonly FrozenDictionary<string, string> ShortNames = new Dictionary<string, string>
    {
        [Observables.Pressure.Id] = "Head",
        [Observables.Swing.Id] = "Swing",
        [Observables.NozzleFlow.Id] = "Nozzle",
        [Observables.BypassFlow.Id] = "Bypass",
        ["supply-flow"] = "Draws",
        [Observables.Speed.Id] = "Speed",
        ["inlet-pressure"] = "Inlet",
        ["gun-pressure"] = "Gun",
        [Observables.NozzleOrifice.Id] = "Orifice",
        [TakenQuantities.AtRest] = "At rest",
        [TakenQuantities.Fall] = "Falls",
        [TakenQuantities.Amps] = "Current",
        [TakenQuantities.SupplyTemperature] = "Warmth",
        [TakenQuantities.StrokeLeft] = "Left",
        [TakenQuantities.StrokeRight] = "Right",
        [TakenQuantities.StrokesLeft] = "Left",
        [TakenQuantities.StrokesRight] = "Right",
    }.ToFrozenDictionary();

    /// <summary>The full name; an intensifier has strokes, no crank. Without an arrangement: of any pump.</summary>
    public static string Full(string id, Arrangement? arrangement = null) =>
        HasStrokes(id, arrangement)
            ? "Strokes, there and back"
            : Observables.Find(id)?.Name ?? TakenQuantities.All.First(b => b.Id == id).Name;

    /// <summary>One word for a label, such as "Head".</summary>
    public static string Short(string id, Arrangement? arrangement = null) =>
        HasStrokes(id, arrangement) ? "Strokes" : ShortNames.GetValueOrDefault(id) ?? Full(id, arrangement);

    private static bool HasStrokes(string id, Arrangement? arrangement) =>
        id == Observables.Speed.Id && arrangement == Arrangement.Intensifier;
}
