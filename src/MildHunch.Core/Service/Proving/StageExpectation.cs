using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Service.Proving;

/// <summary>How a reading stands to what was expected.</summary>
public enum Standing
{
    /// <summary>Within two sigma.</summary>
    AsExpected,

    /// <summary>Between two and three sigma.</summary>
    Doubtful,

    /// <summary>Further away.</summary>
    Off,
}

/// <summary>What a sound pump shows at the pressure of a stage.</summary>
/// <param name="What">What is read.</param>
/// <param name="Value">SI.</param>
/// <param name="Low">Two sigma below.</param>
/// <param name="High">Two sigma above.</param>
/// <param name="Sigma">One sigma of what is expected, whatever bound cuts its band off.</param>
public sealed record StageFigure(Observable What, double Value, double Low, double High, double Sigma);

/// <summary>
/// A sound pump held at a pressure: by its control where that has a screw, by more outlet where it has none; everything else as it is set
/// up (docs/trade.md, Proving).
/// </summary>
public sealed class StageExpectation
{
    private const double Sigmas = 2;
    private static readonly Observable[] Compared = [Observables.NozzleFlow, Observables.BypassFlow, Observables.Swing];
    private readonly ReciprocatingPump pump;
    private readonly Setup held;

    private StageExpectation(ReciprocatingPump pump, Setup held, IReadOnlyList<StageFigure> figures) =>
        (this.pump, this.held, Figures) = (pump, held, figures);

    /// <summary>Flow at the nozzle, flow in the bypass where there is one, swing.</summary>
    public IReadOnlyList<StageFigure> Figures { get; }

    /// <summary>What the pump runs at when all is well and all is set, Pa.</summary>
    public static double WorkingPa(ReciprocatingPump pump, Setup setup) => new OperatingPointSolver(pump, setup).HealthyPa;

    /// <summary>The expectation at a pressure at the head.</summary>
    /// <exception cref="ImpossibleInputException">A pressure that is none, or a set-up that cannot run.</exception>
    public static StageExpectation At(ReciprocatingPump pump, Setup setup, GaugePressure pressure)
    {
        Guard.Within("pressure", pressure.Si, 1e4, 7e8, pressure.Format(Units.Bar), "a pressure of 0.1 to 7000 bar");
        var held = Held(pump, setup, pressure);
        var expected = PumpExpectation.Of(pump, held);

        // The pressure itself is read on a gauge.
        var nearby = PumpExpectation.Of(
            pump, Held(pump, setup, new GaugePressure(pressure.Si + Instruments.DialSigma(pump, setup))));
        var compared = Compared.Where(w => Readable.On(w.Id, pump, setup));
        return new StageExpectation(pump, held, [.. compared.Select(w => Of(w, expected, nearby)).OfType<StageFigure>()]);
    }

    /// <summary>How a reading stands to its figure, model and instrument together; null where nothing is expected of it.</summary>
    public Standing? Judge(Reading reading)
    {
        if (Figures.FirstOrDefault(f => f.What == reading.What) is not { } figure)
            return null;
        if (reading.Value.Si >= figure.Low && reading.Value.Si <= figure.High)
            return Standing.AsExpected;
        var instrument = new Instruments(pump, held, CaseEvidence.None).SigmaOf(reading);
        var off = Math.Abs(reading.Value.Si - figure.Value) / Math.Sqrt((figure.Sigma * figure.Sigma) + (instrument * instrument));
        return off <= Sigmas ? Standing.AsExpected : off <= Sigmas + 1 ? Standing.Doubtful : Standing.Off;
    }

    private static StageFigure? Of(Observable what, PumpExpectation expected, PumpExpectation nearby)
    {
        if (expected.Figures.FirstOrDefault(f => f.Id == what.Id) is not { } figure)
            return null;
        var gauge = Sigmas * Math.Abs(nearby.Figures.FirstOrDefault(f => f.Id == what.Id)?.Value.Si - figure.Value.Si ?? 0);
        double Wider(double half) => Math.Sqrt((half * half) + (gauge * gauge));

        // Where nothing is the least that can be, the side above says how far it may lie off.
        var (below, above) = (Wider(figure.Value.Si - figure.Low.Si), Wider(figure.High.Si - figure.Value.Si));
        return new StageFigure(
            what, figure.Value.Si, Math.Max(0, figure.Value.Si - below), figure.Value.Si + above, Math.Max(below, above) / Sigmas);
    }

    private static Setup Held(ReciprocatingPump pump, Setup setup, GaugePressure pressure)
    {
        if (pump.Control is ControlKind.Unloader or ControlKind.Regulator)
        {
            // A control holds a little more than its setting: once round is enough.
            var first = new OperatingPointSolver(pump, setup.SetTo(pressure)).HealthyPa;
            return first < pressure.Si ? setup.SetTo(pressure) : setup.SetTo(new GaugePressure(pressure.Si * pressure.Si / first));
        }

        var sent = new OperatingPointSolver(pump, setup.Uncontrolled()).DeliveredAt(new Condition(), pressure.Si);
        return setup.Uncontrolled().With(Nozzle.FromPoint(new VolumeFlow(sent), pressure));
    }
}
