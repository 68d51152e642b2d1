using System.Globalization;
using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Expectation;

/// <summary>What widens a band beyond what the balance itself leaves open.</summary>
/// <param name="Share">One sigma over the value.</param>
/// <param name="Cause">In words; empty where no share is added.</param>
/// <param name="LeastHalfWidth">The band reaches at least this far to either side, in SI units.</param>
internal readonly record struct Widening(double Share, string Cause, double LeastHalfWidth = 0)
{
    public static Widening None => new(0, "");

    public static Widening AtLeast(double halfWidth) => new(0, "", halfWidth);
}

/// <summary>What a figure is computed from, and the inputs that many workings share.</summary>
internal sealed class FigureContext(
    ReciprocatingPump pump, Setup setup, PumpExpectation.Spread spread, Condition state, double inletLoss)
{
    public const string Displacement = "Displacement and delivery of a plunger pump, as pump handbooks give it";
    public const string Orifice = "Orifice rule of the trade, with the pressure cycle of docs/reasoning.md";
    public const string Kinematics = "Crank kinematics; ripple as pump handbooks tabulate it";

    public ReciprocatingPump Pump => pump;

    public Setup Setup => setup;

    /// <summary>The pump in the middle of all that is uncertain.</summary>
    public OperatingPoint Point => spread.Middle;

    public FlowRipple Ripple { get; } = FlowRipple.Of(PumpMotion.Of(pump, setup.Speed.Si));

    public double TheoreticalFlow(OperatingPoint p) => Delivery.TheoreticalFlow(pump, p.SpeedHz);

    public SuctionHead Head(OperatingPoint p) =>
        Suction.Of(pump, setup, state, Math.Max(p.SupplyFlow, 1e-12), p.SpeedHz, inletLoss * p.SupplyFlow * p.SupplyFlow);

    public Figure Flow(string id, string name, Func<OperatingPoint, double> read, Working working) =>
        Of(id, name, QuantityKind.VolumeFlow, read, working, Widening.None);

    public Figure Of(string id, string name, QuantityKind kind, Func<OperatingPoint, double> read, Working working) =>
        Of(id, name, kind, read, working, Widening.None);

    public Figure Of(string id, string name, QuantityKind kind, Func<OperatingPoint, double> read, Working working, Widening more)
    {
        var (low, high, parts) = spread.Band(kind, read, more.Share, more.Cause);
        var value = read(Point);
        if (more.LeastHalfWidth > 0)
        {
            low = new Amount(kind, Math.Min(low.Si, value - more.LeastHalfWidth));
            high = new Amount(kind, Math.Max(high.Si, value + more.LeastHalfWidth));
        }

        // Only at the inlet can something be below nothing: a vacuum, or a head that is not there.
        if (id != "inlet-pressure" && !id.StartsWith("npsh", StringComparison.Ordinal))
            low = new Amount(kind, Math.Max(0, low.Si));
        return new Figure(id, name, new Amount(kind, value), low, high, parts, working);
    }

    public WorkingInput Cylinders() => new("n", "cylinders", pump.Cylinders.ToString(CultureInfo.InvariantCulture));

    public WorkingInput RodRatio() => new("λ", "crank radius over rod length", Quantity.Digits(pump.RodRatio));

    public WorkingInput Stroke() => Input("S", "stroke", pump.Stroke, "mm");

    public WorkingInput Speed() => Input("N", "speed", setup.Speed, "rpm");

    public WorkingInput Pressure() => new("p", "pressure at the head", new Amount(QuantityKind.GaugePressure, Point.PressurePa).Text());

    public WorkingInput Nozzle() => new("Kn", "nozzle", setup.Nozzle.Source);

    /// <summary>The setting of the control, where it has one that is known.</summary>
    public WorkingInput[] Setting() =>
        setup.ControlSetting is { } set && pump.Control != ControlKind.None
            ? [Input("set", $"{pump.Control.ToString().ToLowerInvariant()} setting", set, "bar")]
            : [];

    public static WorkingInput Input<T>(string symbol, string name, T quantity, string unit)
        where T : struct, IQuantity<T> =>
        new(symbol, name, quantity.Format(Units.Find(T.Kind, unit)!, 4));

    public static WorkingInput Flow(string symbol, string name, double si) =>
        new(symbol, name, new Amount(QuantityKind.VolumeFlow, si).Text());

    public static WorkingInput Power(string symbol, string name, double si) =>
        new(symbol, name, new Amount(QuantityKind.Power, si).Text());

    public static WorkingInput Metres(string symbol, string name, double metres) => new(symbol, name, $"{Quantity.Digits(metres)} m");

    public static string Percent(double share) => $"{Quantity.Digits(share * 100)} %";
}
