using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Evidence.Jot;

/// <summary>A reading of a clause, in the unit it was written in.</summary>
internal sealed record ReadingSaid(JotQuantity What, double Value, Unit Unit);

/// <summary>
/// What a number is the reading of: by the place that is named with it, else by its unit; refused where neither settles it.
/// </summary>
internal sealed class ReadingRules(ReciprocatingPump pump, JotUnits units)
{
    private const double MostOverUsual = 3;
    private const double LeastSpeedShare = 0.05;
    private static readonly string[] Above = [TakenQuantities.AtRest, "swing"];

    /// <summary>The readings a value is, most often one; null with the reason where it is asked back.</summary>
    public IReadOnlyList<ReadingSaid>? Resolve(
        IReadOnlyList<WordToken> words, JotValue value, Func<Token, string> text, IReadOnlyDictionary<QuantityKind, Unit> last,
        out string? problem)
    {
        problem = null;
        if (words.FirstOrDefault(w => !w.Is(MeaningKind.Label) && !w.Is(MeaningKind.Bucket)) is { } stranger)
            return Ask(
                stranger.Is(MeaningKind.Elsewhere)
                    ? $"what is read at “{text(stranger)}” is not noted here"
                    : $"what was measured at “{text(stranger)}”?",
                out problem);
        var (what, why) = What(words, value);
        if (what is null)
            return Ask(why!, out problem);
        if (!Catalogue.Fits(Readable.Of(what.Id), pump, (Fitting)~0))
            return Ask($"not on this pump: {Readable.Of(what.Id).Instead}", out problem);
        var unit = value.Unit ?? last.GetValueOrDefault(what.Kind) ?? units.For(what.Kind);
        if (unit is null)
            return Ask("write the unit", out problem);

        // A fraction is mostly of an inch, and then again not.
        if (value.Unit is null && what.Kind == QuantityKind.Length && text(value.First).AsSpan().ContainsAny("/¼½¾⅛⅜⅝⅞"))
            return Ask("of an inch? Write the unit", out problem);
        if (value.Unit is null && !Plausible(what, unit.ToSi(value.Middle)))
            return Ask($"{Quantity.Digits(value.Middle)} {unit.Symbol}? Write the unit", out problem);
        return Made(what, value, unit, string.Join(' ', words.Select(text)), out problem);
    }

    private static IReadOnlyList<ReadingSaid>? Ask(string why, out string? problem)
    {
        problem = why;
        return null;
    }

    private (JotQuantity? What, string? Problem) What(IReadOnlyList<WordToken> words, JotValue value)
    {
        var kind = value.Unit?.Kind;
        if (words.All(w => !w.Is(MeaningKind.Label)))
            return ByUnit(value.Unit, words.Any(w => w.Is(MeaningKind.Bucket)));
        var labels = words.SelectMany(w => w.Of(MeaningKind.Label)).Select(l => (Label: l, What: JotQuantity.Find(l.Id)!)).ToArray();
        var fitting = labels.Where(l => kind is null || l.What.Kind == kind).ToArray();

        // Every name must be able to stand for what was read; of "pressure at the gun" the gun says which.
        if (words.Any(w => w.Is(MeaningKind.Label)
            && !w.Of(MeaningKind.Label).Any(l => fitting.Any(f => f.What.Kind == JotQuantity.Find(l.Id)!.Kind))))
            return (null, kind is null ? "write the unit" : $"no {Quantity.Name(kind.Value)} is noted for that place");
        var ids = fitting.Where(f => !f.Label.Generic).Select(f => f.What).DistinctBy(w => w.Id).ToArray();
        if (ids.Length == 0)
            ids = [.. fitting.Select(f => f.What).DistinctBy(w => w.Id)];
        if (ids.Length > 1 && Above.Select(a => ids.FirstOrDefault(i => i.Id == a)).FirstOrDefault(i => i is not null) is { } above)
            ids = [above];
        if (ids.Length == 1)
            return (ids[0], null);
        if (ids.Select(i => i.Kind).Distinct().Count() > 1)
            return (null, "write the unit");
        var names = ids.Select(i => ReadingNames.Full(i.Id, pump.Arrangement).ToLowerInvariant());
        return (null, $"which is it: {string.Join(" or ", names)}?");
    }

    private static (JotQuantity? What, string? Problem) ByUnit(Unit? unit, bool bucket) => unit switch
    {
        { Kind: QuantityKind.GaugePressure } when !bucket => (JotQuantity.Find(Observables.Pressure.Id), null),
        { Kind: QuantityKind.VolumeFlow } when !JotValues.OfDrops(unit) || bucket => (JotQuantity.Find(Observables.NozzleFlow.Id), null),
        { Kind: QuantityKind.RotationalSpeed, Symbol: "rpm" } => (JotQuantity.Find(Observables.Speed.Id), null),
        { Kind: QuantityKind.Current } => (JotQuantity.Find(TakenQuantities.Amps), null),
        null => (null, "a unit or a name is missing"),
        _ => (null, "what was measured?"),
    };

    // A number without a unit is believed where this pump could show it.
    private bool Plausible(JotQuantity what, double si) => what.Kind switch
    {
        QuantityKind.GaugePressure => Math.Abs(si) <= MostOverUsual * pump.RatedPressure.Si,
        QuantityKind.RotationalSpeed => si >= LeastSpeedShare * pump.RatedSpeed.Si && si <= MostOverUsual * pump.RatedSpeed.Si,
        QuantityKind.VolumeFlow => si <= MostOverUsual * Delivery.TheoreticalFlow(pump, pump.RatedSpeed.Si),
        _ => true,
    };

    private IReadOnlyList<ReadingSaid>? Made(JotQuantity what, JotValue value, Unit unit, string named, out string? problem)
    {
        var pressure = JotQuantity.Find(Observables.Pressure.Id)!;
        var swing = JotQuantity.Find(Observables.Swing.Id)!;
        if (value.Half is { } half)
            return what.Id == pressure.Id
                ? Checked([new(pressure, value.Low, unit), new(swing, 2 * half, unit)], out problem)
                : Ask("± is noted for the pressure at the head only", out problem);
        if (what.Id == swing.Id && value.High is not null && !value.Between)
            return Ask(
                "does it swing between the two, or by between the two? Write “between 28 and 46 bar” or “swing 18 bar”",
                out problem);
        if (value.High < value.Low)
            return Ask("did it fall from the one to the other? Write what it is now, or the smaller number first for a range", out problem);
        if (value.High is { } high && (what.Id == pressure.Id || what.Id == swing.Id))
            return Checked([new(pressure, value.Middle, unit), new(swing, Math.Abs(high - value.Low), unit)], out problem);
        var number = value.Middle;
        if (named.Contains("vacuum", StringComparison.OrdinalIgnoreCase))
            number = -Math.Abs(number);
        else if (named.Contains("suction", StringComparison.OrdinalIgnoreCase) && number > 0)
            return Ask(
                $"above or below atmosphere? Write inlet {Quantity.Digits(number)} or inlet −{Quantity.Digits(number)} {unit.Symbol}",
                out problem);
        if (what.Id == TakenQuantities.Fall && pump.Control is ControlKind.Unloader or ControlKind.AutoStop
            && !named.Contains("hose", StringComparison.OrdinalIgnoreCase))
            return Ask("which gauge? Behind an unloader the head’s fall is healthy; write “hose side fell 5 bar”", out problem);
        return Checked([new(what, number, unit)], out problem);
    }

    private static IReadOnlyList<ReadingSaid>? Checked(IReadOnlyList<ReadingSaid> said, out string? problem)
    {
        problem = null;
        try
        {
            foreach (var one in said)
                if (Observables.Find(one.What.Id) is { } observable)
                    AcceptedReadings.Check(new Reading(observable, new Amount(one.What.Kind, one.Unit.ToSi(one.Value))), one.What.Id);
        }
        catch (ImpossibleInputException e)
        {
            problem = $"not possible; accepted: {e.Accepted}";
            return null;
        }

        return said;
    }
}
