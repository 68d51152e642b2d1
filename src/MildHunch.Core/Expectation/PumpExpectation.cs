using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Expectation;

/// <summary>What a sound pump of this kind should show as it is set up (docs/trade.md, Delivery).</summary>
public sealed class PumpExpectation
{
    /// <summary>One sigma of a speed that nobody measured: pulley arithmetic or a nameplate (docs/trade.md, Instruments).</summary>
    public const double BelievedSpeedSigma = 0.02;

    /// <summary>One sigma of a tachometer (docs/trade.md, Instruments).</summary>
    public const double MeasuredSpeedSigma = 0.002;

    private const double BandSigmas = 2;

    private PumpExpectation(OperatingPoint point, IReadOnlyList<Figure> figures, PowerSplit power)
    {
        Point = point;
        Figures = figures;
        Power = power;
    }

    /// <summary>The operating point of the sound pump.</summary>
    public OperatingPoint Point { get; }

    /// <summary>Every figure, with its band and working.</summary>
    public IReadOnlyList<Figure> Figures { get; }

    /// <summary>Where the power goes.</summary>
    public PowerSplit Power { get; }

    /// <summary>The figure of that id.</summary>
    public Figure this[string id] => Figures.First(f => f.Id == id);

    /// <summary>
    /// Computes every figure, of a sound pump or of one in a given condition. A measured speed replaces the believed one
    /// and narrows the bands.
    /// </summary>
    public static PumpExpectation Of(
        ReciprocatingPump pump, Setup setup, RotationalSpeed? measuredSpeed = null, Condition? condition = null)
    {
        if (measuredSpeed is { } speed)
            setup = setup.At(speed);
        var solver = new OperatingPointSolver(pump, setup);
        var state = condition ?? new Condition();
        var spread = new Spread(
            solver, setup, state, measuredSpeed is null ? BelievedSpeedSigma : MeasuredSpeedSigma, measuredSpeed is null);
        var sheet = new FigureSheet(new FigureContext(pump, setup, spread, state, solver.InletLoss));
        return new PumpExpectation(spread.Middle, [.. sheet.Figures().Where(f => f.IsFinite)], sheet.Power);
    }

    /// <summary>The pump solved once in the middle and once a step away for each thing that is uncertain.</summary>
    internal sealed class Spread
    {
        private readonly List<SpreadPart> parts = [];

        public Spread(OperatingPointSolver solver, Setup setup, in Condition sound, double speedSigma, bool believed)
        {
            var state = sound;
            var nodes = OutletCompliance.Nodes(setup);
            var soft = OutletCompliance.Typical(setup);
            Middle = solver.Solve(sound, 1, 1, soft);
            Add($"valve slip {Quantity.Digits(solver.Pump.Slip * 100)} ± 1 %", Delivery.SlipSigma * BandSigmas);
            Add(believed ? "speed believed, ± 2 %" : "speed measured, ± 0.2 %", speedSigma * BandSigmas, true);
            var kn = setup.Nozzle.RelativeSigma * BandSigmas;
            parts.Add(new SpreadPart(
                $"nozzle by {setup.Nozzle.Source}, ± {Quantity.Digits(setup.Nozzle.RelativeSigma * 100)} %",
                solver.Solve(sound, 1, 1 - kn, soft), solver.Solve(sound, 1, 1 + kn, soft)));
            parts.Add(new SpreadPart(
                setup.Line == OutletLine.Unknown && setup.Outlet is null
                    ? "outlet line not noted, soft to rigid"
                    : "softness of the outlet line",
                solver.Solve(sound, 1, 1, nodes[0]), solver.Solve(sound, 1, 1, nodes[^1])));

            void Add(string cause, double share, bool speed = false)
            {
                var low = solver.Solve(state, 1 - share, 1, soft);
                var high = solver.Solve(state, 1 + share, 1, soft);
                if (speed)
                {
                    low.SpeedHz *= 1 - share;
                    high.SpeedHz *= 1 + share;
                }

                parts.Add(new SpreadPart(cause, low, high));
            }
        }

        /// <summary>The pump with one thing a step below and a step above what is believed.</summary>
        private sealed record SpreadPart(string Cause, OperatingPoint Low, OperatingPoint High);

        public OperatingPoint Middle { get; }

        /// <summary>A figure's band: each cause alone, and all of them in quadrature.</summary>
        public FigureBand Band(
            QuantityKind kind, Func<OperatingPoint, double> read, double extraShare = 0, string extraCause = "")
        {
            var middle = read(Middle);
            var band = new List<BandPart>();
            var sum = 0.0;
            foreach (var (cause, low, high) in parts)
                Take(cause, Math.Abs(read(high) - read(low)) / 2);
            if (extraShare > 0)
                Take(extraCause, BandSigmas * extraShare * middle);
            var half = Math.Sqrt(sum);
            return new FigureBand(new Amount(kind, middle - half), new Amount(kind, middle + half), band);

            void Take(string cause, double width)
            {
                sum += width * width;
                if (width > 1e-4 * Math.Abs(middle))
                    band.Add(new BandPart(cause, new Amount(kind, width)));
            }
        }
    }
}

/// <summary>Two sigma to either side of a figure, and what each cause alone would give.</summary>
internal sealed record FigureBand(Amount Low, Amount High, IReadOnlyList<BandPart> Parts);
