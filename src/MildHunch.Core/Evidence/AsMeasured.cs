using MildHunch.Core.Expectation;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Evidence;

/// <summary>
/// What a sound pump should show at the speed and with the nozzle that were measured: a reading of either overrides what
/// was believed. Low pressure with a nozzle found large is then as expected, and the nozzle is what stands out.
/// </summary>
public static class AsMeasured
{
    /// <summary>What the pump should show at the speed and with the nozzle that were measured, where they were.</summary>
    public static PumpExpectation Expect(ReciprocatingPump pump, Setup setup, CaseEvidence evidence, Condition? condition = null)
    {
        var instruments = new Instruments(pump, setup, evidence);
        if (evidence.Combined(Observables.NozzleOrifice, instruments.ReadSigma) is { } orifice)
            setup = setup.With(setup.Nozzle.Measured(new Length(orifice.Value), setup.Liquid.Density(setup.Temperature)));
        return PumpExpectation.Of(
            pump, setup, evidence.Combined(Observables.Speed, instruments.ReadSigma) is { } speed ? new RotationalSpeed(speed.Value) : null,
            condition);
    }
}
