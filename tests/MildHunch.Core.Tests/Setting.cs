using MildHunch.Core.Checks;
using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Tests;

/// <summary>Pumps of the demo setting and short ways to say what was seen.</summary>
internal static class Setting
{
    public static readonly Catalogue Known = Catalogue.BuiltIn();

    private static readonly Diagnoser Diagnoser = new(Known);

    public static Verdict Judge(ReciprocatingPump pump, Setup setup, CaseEvidence evidence) => Diagnoser.Diagnose(pump, setup, evidence);

    public static ReciprocatingPump Fog2 { get; } = Triplex();

    public static T Q<T>(double value, string unit)
        where T : struct, IQuantity<T> => Quantity.From<T>(value, unit);

    public static ReciprocatingPump Triplex(
        int cylinders = 3, ControlKind control = ControlKind.Unloader, HeadLayout layout = HeadLayout.SixCaps, double lambda = 0.2,
        SealReturn seal = SealReturn.Inlet) => ReciprocatingPump.Create(
        cylinders, Q<Length>(18, "mm"), Q<Length>(18, "mm"), Q<RotationalSpeed>(1450, "rpm"), Q<GaugePressure>(100, "bar"), control, layout,
        seal, lambda);

    /// <summary>FOG-2's nozzle gives 70 bar when all is well.</summary>
    public static Setup Fog2Setup(OutletLine line = OutletLine.Hose) => Setup.Create(
        Q<RotationalSpeed>(1450, "rpm"), Nozzle.FromPoint(Q<VolumeFlow>(19.17, "L/min"), Q<GaugePressure>(70, "bar")),
        Q<GaugePressure>(85, "bar"), line);

    public static Reading Read(string what, double value, string unit)
    {
        var observable = Observables.Find(what)!;
        return new Reading(observable, new Amount(observable.Kind, Quantity.UnitNamed(observable.Kind, unit, what).ToSi(value)));
    }

    /// <summary>A sound pump but for leaks of one chamber, G on the forward and on the return stroke.</summary>
    public static Condition Leaking(double forward = 0, double back = 0, int chamber = 0)
    {
        var condition = new Condition();
        if (forward > 0)
            condition.LeakForward(chamber, forward);
        if (back > 0)
            condition.LeakBack(chamber, back);
        return condition;
    }

    /// <summary>Motion of a single-acting crank pump whose valves close in time.</summary>
    public static PumpMotion Crank(int cylinders, double lambda = 0.2) => new(cylinders, lambda, 0, 0, null);

    public static CaseEvidence Saw(Reading[] readings, params CueFact[] cues) => new(readings, cues, []);

    public static double Of(this Verdict verdict, string fault) => verdict.Suspects.First(s => s.Fault.Id == fault).Probability;
}
