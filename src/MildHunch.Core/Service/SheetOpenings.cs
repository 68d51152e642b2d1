using System.Collections.Concurrent;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Service;

/// <summary>What the checks of the diagnosis open, by the sheet of the pump: the least that reaches every part they look at.</summary>
public sealed class SheetOpenings(ServiceSheets sheets) : IOpenings
{
    // Common practice, no source: a look at one part.
    private const double LookMinutes = 0.5;

    private readonly ConcurrentDictionary<Built, Opened?> known = new();

    /// <inheritdoc/>
    public Check On(Check check, ReciprocatingPump pump, Setup setup)
    {
        if (check.Reaches.Count == 0)
            return check;
        var fittings = Fittings.Of(pump, setup);
        var opened = known.GetOrAdd(
            new Built(check.Id, pump.Arrangement, pump.HeadLayout, pump.Control, pump.Cylinders, fittings),
            _ => Open(check, pump, fittings));
        return opened is null
            ? check
            : check with { Minutes = opened.Minutes, PutBackMinutes = opened.PutBack, Opens = opened.Words };
    }

    private Opened? Open(Check check, ReciprocatingPump pump, Fitting fittings)
    {
        foreach (var sheet in sheets.For(pump, fittings).Take(1).Concat(sheets.Beside(pump, fittings)).Select(s => sheets.As(s, [])))
        {
            PartAt[] looked = [.. sheet.Parts.Where(p => p.Serves.Any(check.Reaches.Contains))
                .SelectMany(p => p.Per.On(pump).Select(at => new PartAt(p, at))).Where(p => Meant(check, p))];
            if (looked.Length == 0)
                continue;
            var off = Disassembly.Least(sheet, pump, looked);
            return new Opened(
                Math.Round(off.Sum(p => p.Part.Minutes.Off) + (LookMinutes * looked.Length)), Math.Round(off.Sum(p => p.Part.Minutes.On)),
                Outermost(off));
        }

        return null;
    }

    // A part of both sides is looked at on the side that the check is about.
    private static bool Meant(Check check, PartAt part) =>
        part.Place.Side is not { } side || !check.Reaches.Any(a => a is "inlet-valves" or "discharge-valves")
        || check.Reaches.Contains($"{side.Named()}-valves");

    private static string Outermost(IReadOnlyList<PartAt> off)
    {
        var parts = off.Where(o => o.Part.Under.Count == 0).GroupBy(o => o.Part).Select(g => (g.Key.Name, Count: g.Count())).ToArray();
        return string.Join(", ", parts.Select(p => p.Count == 1 ? p.Name.ToLowerInvariant() : $"{p.Count} x {p.Name.ToLowerInvariant()}"));
    }

    private sealed record Opened(double Minutes, double PutBack, string Words);

    private readonly record struct Built(
        string Check, Arrangement Arrangement, HeadLayout Head, ControlKind Control, int Cylinders, Fitting Fittings);
}
