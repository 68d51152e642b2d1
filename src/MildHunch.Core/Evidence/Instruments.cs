using MildHunch.Core.Expectation;
using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Evidence;

/// <summary>How well each thing can be read: one sigma by instrument (docs/trade.md, Instruments).</summary>
internal sealed class Instruments(ReciprocatingPump pump, Setup setup, CaseEvidence evidence)
{
    /// <summary>Bucket and watch, 3 % of the flow.</summary>
    public const double BucketShare = 0.03;

    /// <summary>Tachometer, 0.2 %.</summary>
    public const double TachometerShare = 0.002;

    private const double DialClass = 0.016;
    private const double SpanOverRating = 1.6;
    private const double LeastFlowShare = 0.005;
    private const double OrificeShare = 0.02;
    private const double InletGaugePa = 5e3;

    private readonly SwingSeen swing = SwingSeen.In(evidence);

    /// <summary>One sigma of a reading, in the SI unit of what the model predicts for it.</summary>
    public double SigmaOf(Reading reading)
    {
        if (reading.Sigma is { } given)
            return reading.What == Observables.NozzleOrifice ? Math.Max(2 * given / reading.Value.Si, 1e-4) * Modelled(reading) : given;
        var value = Math.Abs(reading.Value.Si);
        return reading.What.Id switch
        {
            "discharge-pressure" => Dial(HeadSpan, swing.At(value)),
            "gun-pressure" => Dial(UsualSpan, swing.At(value)),
            "swing" => Math.Sqrt(2) * Dial(HeadSpan, 0),
            "speed" => Math.Max(TachometerShare * value, 1e-4),
            "inlet-pressure" => InletGaugePa,
            "nozzle-orifice" => OrificeShare * Modelled(reading),
            _ => Math.Max(BucketShare * value, LeastFlowShare * Delivery.TheoreticalFlow(pump, setup.Speed.Si)),
        };
    }

    /// <summary>One sigma in the unit that was read, also where the model compares something derived from it.</summary>
    public double ReadSigma(Reading reading) => reading.What == Observables.NozzleOrifice
        ? reading.Sigma ?? (SigmaOf(reading) / Modelled(reading) / 2 * reading.Value.Si)
        : SigmaOf(reading);

    /// <summary>The reading as the model predicts it: an orifice becomes the Kn it would have.</summary>
    public double Modelled(Reading reading) =>
        reading.What == Observables.NozzleOrifice
            ? setup.Nozzle.CoefficientOf(reading.Value.Si, setup.Liquid.Density(setup.Temperature).Si)
            : reading.Value.Si;

    /// <summary>Sigma that a reading yet to be taken would have, around a predicted value.</summary>
    public double SigmaAt(Observable what, double modelled) => what == Observables.NozzleOrifice
        ? OrificeShare * modelled
        : SigmaOf(new Reading(what, new Quantities.Amount(what.Kind, modelled)));

    /// <summary>One sigma of the gauge at the head while its needle stands still, Pa.</summary>
    public static double DialSigma(ReciprocatingPump pump, Setup setup) => Dial(SpanAtHead(pump, setup), 0);

    private double UsualSpan => SpanOverRating * pump.RatedPressure.Si;

    private double HeadSpan => SpanAtHead(pump, setup);

    // The span that was entered is the head gauge's; whoever reads the outlet's reads another.
    private static double SpanAtHead(ReciprocatingPump pump, Setup setup) => setup.GaugeSpan?.Si ?? SpanOverRating * pump.RatedPressure.Si;

    private static double Dial(double span, double swing) => Math.Sqrt(Math.Pow(DialClass * span / 2, 2) + Math.Pow(swing / 6, 2));

    /// <summary>How far the needle swung: as read, or as a share of the pressure where it was only described.</summary>
    private readonly record struct SwingSeen(double? Pa, double Share)
    {
        private const double Swings = 0.5;
        private const double Hunts = 0.15;

        public static SwingSeen In(CaseEvidence evidence)
        {
            var swings = evidence.Of(Observables.Swing).Select(r => r.Value.Si).ToArray();
            if (swings.Length > 0)
                return new SwingSeen(swings.Average(), 0);
            var needle = evidence.Cues.FirstOrDefault(c => c.Cue == "needle")?.Answer;
            return new SwingSeen(null, needle switch { "swings" => Swings, "hunts" => Hunts, _ => 0 });
        }

        public double At(double pressurePa) => Pa ?? (Share * pressurePa);
    }
}
