using MildHunch.Core.Expectation;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

using static MildHunch.Core.Expectation.TakenQuantities;

namespace MildHunch.Core.Evidence;

/// <summary>A number as it was taken, before anything is made of it.</summary>
/// <param name="What">Name of an observable, or of something read beside them: <see cref="TakenQuantities.All"/>.</param>
/// <param name="To">Upper end, where a range was read: "28 to 46".</param>
/// <param name="Mends">How many mends lay behind the pump when it was read.</param>
/// <param name="Source">What it is called by whoever entered it.</param>
/// <param name="Field">The field to name in a refusal, where that is not the source.</param>
public sealed record TakenReading(
    string What, Amount Value, Amount? To, double? Sigma, Unit Unit, int Mends, string Source, string? Field = null)
{
    /// <summary>Middle of a range, SI; the value itself where none was read.</summary>
    public double Middle => To is { } to ? (Value.Si + to.Si) / 2 : Value.Si;
}

/// <summary>
/// Readings as they are really taken become evidence: a range is a mean and a swing, a gauge off zero is corrected and
/// noted, strokes left and right say which end is fast.
/// </summary>
public static class AsTaken
{
    // A tenth of the pressure lost in a minute is more than a hose gives back by itself (common practice, no source).
    private const double BleedsShare = 0.1;
    private const double Clear = 2;

    // A stroke by the watch, several timed in a row (common practice, no source).
    private const double WatchShare = 0.03;

    // A supply is warmer than noted by more than a thermometer and the day make of it; a motor's efficiency and power factor
    // at part load are known to a quarter (both common practice, no source).
    private const double WarmerK = 8;
    private const double LoadShare = 0.25;
    private const double AirPa = 1e5;
    private static readonly double FlatSpread = Math.Sqrt(12);

    /// <summary>What was taken between two mends, as evidence.</summary>
    public static CaseEvidence Evidence(
        ReciprocatingPump pump, Setup setup, IReadOnlyList<TakenReading> taken, IReadOnlyList<CueFact> cues, IReadOnlyList<string> contexts)
    {
        foreach (var one in taken)
        {
            AcceptedReadings.CheckThere(one.What, pump, setup, $"{one.Field ?? one.Source}.quantity");
            Refuse(one);
        }

        TakenReading[] inForce = [.. taken];
        var instruments = new Instruments(pump, setup, CaseEvidence.None);
        var dial = instruments.SigmaAt(Observables.Pressure, 0);
        double? rest = inForce.Any(t => t.What == AtRest) ? inForce.Where(t => t.What == AtRest).Average(t => t.Middle) : null;
        var readings = new List<Reading>();
        foreach (var one in inForce)
        {
            if (Observables.Find(one.What) is { } what)
                readings.AddRange(Of(one, what, rest, dial));
        }

        var evidence = new CaseEvidence(readings, [.. cues, .. Said(pump, setup, inForce, cues, rest, dial)], contexts);
        if (rest is { } shown && Math.Abs(shown) > Clear * dial)
            evidence = Widened(evidence, new Instruments(pump, setup, evidence), dial);
        return evidence with { Notes = [.. Notes(setup, inForce, rest, dial)] };
    }

    private static IEnumerable<EvidenceNote> Notes(Setup setup, TakenReading[] taken, double? rest, double dial)
    {
        if (rest is { } off && Math.Abs(off) > Clear * dial && taken.Last(t => t.What == AtRest) is var gauge)
            yield return new EvidenceNote(
                gauge.Source,
                $"The gauge shows {gauge.Value.Text(gauge.Unit)} with nothing in it: it lies everywhere else too. Change it before "
                    + "anything else; its readings are counted less that.");
        if (taken.LastOrDefault(t => Retired(t.What)) is { } strokes)
            yield return new EvidenceNote(
                strokes.Source,
                "Strokes a minute of an end say nothing: the ends alternate, so both are always equal. Time one stroke of each end in "
                    + "seconds.");
        if (setup.Voltage is null && taken.LastOrDefault(t => t.What == Amps) is { } amps)
            yield return new EvidenceNote(
                amps.Source, $"{amps.Value.Text(amps.Unit)} say nothing yet: tell the voltage of the motor with the pump.");
    }

    // What no pump of the trade can show (common practice, no source).
    private static void Refuse(TakenReading one)
    {
        var (least, most, accepted) = one.What switch
        {
            AtRest => (-1e5, 6.5e8, "−1 to 6500 bar"),
            Fall => (0, 6.5e8, "0 to 6500 bar"),
            StrokeLeft or StrokeRight => (0.02, 3600, "0.02 to 3600 s"),
            StrokesLeft or StrokesRight => (0, 100.0, "0 to 6000 a minute"),
            Amps => (0, 5000, "0 to 5000 A"),
            SupplyTemperature => (253.15, 473.15, "−20 to 200 °C"),
            _ => (double.NegativeInfinity, double.PositiveInfinity, ""),
        };
        var what = TakenQuantities.All.FirstOrDefault(b => b.Id == one.What).Name?.ToLowerInvariant();
        Guard.Within($"{one.Field ?? one.Source}.value", one.Value.Si, least, most, one.Value.Text(one.Unit), $"{what} of {accepted}");
        if (one.To is { } to)
            Guard.Within($"{one.Field ?? one.Source}.to", to.Si, least, most, to.Text(one.Unit), $"{what} of {accepted}");
    }

    private static IEnumerable<Reading> Of(TakenReading one, Observable what, double? rest, double dial)
    {
        var sigma = one.Sigma;
        var value = one.Value.Si;
        if (one.To is { } to)
        {
            value = (value + to.Si) / 2;
            var width = Math.Abs(to.Si - one.Value.Si);
            if (what == Observables.Pressure)
                yield return new Reading(Observables.Swing, new Amount(what.Kind, width), null, one.Unit, one.Source);
            else
                sigma = Math.Max(sigma ?? 0, width / FlatSpread);
        }

        // What the gauge shows with nothing in it, it shows on top of everything else.
        if (what == Observables.Pressure && rest is { } off && Math.Abs(off) > Clear * dial)
            value = Corrected(one, value, off);
        yield return new Reading(what, new Amount(what.Kind, value), sigma, one.Unit, one.Source);
    }

    // Read and correction each have the error of the dial; the swing's part is in the reading's own.
    private static CaseEvidence Widened(CaseEvidence evidence, Instruments instruments, double dial) => evidence with
    {
        Readings = [.. evidence.Readings.Select(r => r.What == Observables.Pressure && r.Sigma is null
            ? r with { Sigma = Math.Sqrt(Math.Pow(instruments.SigmaOf(r), 2) + (dial * dial)) }
            : r)],
    };

    private static double Corrected(TakenReading one, double value, double off) => value - off >= -AirPa
        ? value - off
        : throw new ImpossibleInputException(
            one.Field ?? one.Source,
            $"{one.Value.Text(one.Unit)} on a gauge that shows {new Amount(one.Value.Kind, off).Text(one.Unit)} at rest",
            "no less than what the gauge shows at rest");

    // What a number says of a question, where nobody answered that question in words.
    private static IEnumerable<CueFact> Said(
        ReciprocatingPump pump, Setup setup, TakenReading[] taken, IReadOnlyList<CueFact> cues, double? rest, double dial)
    {
        bool Open(string cue) => cues.All(c => c.Cue != cue);
        TakenReading? Last(string what) => taken.LastOrDefault(t => t.What == what);

        // A gauge that is off is no longer a suspect: it is known, corrected and said.
        if (rest is { } off && Math.Abs(off) <= Clear * dial && Open("gauge-after-venting"))
            yield return new CueFact("gauge-after-venting", "zero", Source: Last(AtRest)!.Source);
        if (Last(Fall) is { } fall && Open("closed-outlet"))
        {
            var stood = taken.LastOrDefault(t => t.What == Observables.Pressure.Id)?.Middle ?? 0;
            yield return new CueFact(
                "closed-outlet", fall.Middle > Math.Max(Clear * dial, BleedsShare * stood) ? "bleeds-down" : "holds", Source: fall.Source);
        }

        if (Last(SupplyTemperature) is { } warm && Open("supply-temperature-felt"))
            yield return new CueFact(
                "supply-temperature-felt", warm.Middle - setup.Temperature.Si > WarmerK ? "warmer" : "as-told", Source: warm.Source);
        if (Last(Amps) is { } amps && Open("motor-load") && Load(pump, setup, taken, rest ?? 0) is { } load)
            yield return new CueFact(
                "motor-load", amps.Middle > load * (1 + LoadShare) ? "more" : amps.Middle < load * (1 - LoadShare) ? "less" : "fits",
                Source: amps.Source);
        if (Last(StrokeLeft) is { } left && Last(StrokeRight) is { } right && Open("stroke-timing"))
        {
            // The end that needs less time is the fast one.
            var ratio = right.Middle / left.Middle;
            var apart = Clear * Math.Sqrt(2) * WatchShare;
            yield return Math.Abs(Math.Log(ratio)) <= apart
                ? new CueFact("stroke-timing", "alike", Source: left.Source)
                : new CueFact("stroke-timing", "fast", ratio > 1 ? 1 : 2, Source: ratio > 1 ? left.Source : right.Source);
        }
    }

    // The current that this pressure asks for with the flow that was measured, or that the pump makes; null without voltage or pressure.
    private static double? Load(ReciprocatingPump pump, Setup setup, TakenReading[] taken, double rest)
    {
        if (setup.Voltage is not { } volts || taken.LastOrDefault(t => t.What == Observables.Pressure.Id) is not { } gauge)
            return null;
        var pressure = gauge.Middle - rest;
        var flow = taken.LastOrDefault(t => t.What == Observables.NozzleFlow.Id)?.Middle
            ?? PumpExpectation.Of(pump, setup).Point.SupplyFlow;
        return pressure > 0 ? PowerRules.ThreePhaseCurrent(PowerRules.Shaft(PowerRules.Hydraulic(pressure, flow)), volts.Si) : null;
    }
}
