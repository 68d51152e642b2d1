using MildHunch.Core;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Expectation;

/// <param name="PumpFlow">What the pump sends forward at that pressure.</param>
/// <param name="ShaftKilowatt">Taken from the driver if it worked there.</param>
public sealed record CurvePointDto(
    double Pressure, double PumpFlow, double NozzleFlow, double PumpLow, double PumpHigh, double ShaftKilowatt);

/// <summary>What changes with speed: margin over the head required at the inlet, and where it runs then.</summary>
public sealed record SpeedPointDto(double Rpm, double MarginMetres, double Pressure, double Flow);

/// <summary>Flow within a turn, over its mean.</summary>
public sealed record TurnPointDto(double Degrees, double FlowOverMean);

public sealed record CurvesResponse(
    string PressureUnit, string FlowUnit, IReadOnlyList<CurvePointDto> Points, CurvePointDto Operating, double? Setting,
    IReadOnlyList<SpeedPointDto> BySpeed, SpeedPointDto OperatingSpeed, IReadOnlyList<TurnPointDto> Turn);

/// <summary>The curves a pump follows.</summary>
public static class CurvesEndpoint
{
    private const int CurvePoints = 61;
    private const int SpeedPoints = 21;
    private const int TurnPoints = 181;

    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapPost("/api/curves", (ExpectationRequest request, Catalogue catalogue) => Compute(request, catalogue))
            .Costly("curves").WithTags("Computation")
            .WithSummary("Flow and power against pressure, suction margin against speed, ripple within a turn, and where the pump runs.");

    private static CurvesResponse Compute(ExpectationRequest request, Catalogue catalogue)
    {
        var pump = request.Pump.ToCore();
        var setup = request.Setup.ToCore();
        var condition = FaultLoad.Lay(catalogue, pump, setup, FaultLoads.ToCore(request.Faults));
        var solver = new OperatingPointSolver(pump, setup);
        var soft = OutletCompliance.Typical(setup);
        var at = solver.Solve(condition, 1, 1, soft);
        var top = 1.3 * Math.Max(at.PressurePa, Math.Max(setup.ControlSetting?.Si ?? 0, pump.RatedPressure.Si));
        var points = Enumerable.Range(0, CurvePoints).Select(i => Point(top * i / (CurvePoints - 1))).ToArray();
        var speeds = Enumerable.Range(1, SpeedPoints).Select(i => Speed(setup.Speed.Si * 1.3 * i / SpeedPoints)).OfType<SpeedPointDto>()
            .ToArray();
        var here = Speed(at.SpeedHz > 0 ? at.SpeedHz : setup.Speed.Si) ?? new SpeedPointDto(0, 0, 0, 0);
        return new CurvesResponse(
            Pressure.Symbol, Flow.Symbol, points, Point(at.PressurePa) with { NozzleFlow = Shown(at.NozzleFlow) },
            setup.ControlSetting?.In(Pressure), speeds, here, Turn(pump, setup, condition));

        CurvePointDto Point(double pa)
        {
            var flow = solver.DeliveredAt(condition, pa);
            var spread = 2 * Math.Sqrt(Math.Pow(PumpExpectation.BelievedSpeedSigma, 2) + Math.Pow(Delivery.SlipSigma, 2));
            var outlet = setup.Nozzle.FlowAt(new GaugePressure(pa)).Si * condition.NozzleFactor;
            return new CurvePointDto(
                Math.Round(Pressure.FromSi(pa), 3), Shown(flow), Shown(outlet), Shown(flow * (1 - spread)), Shown(flow * (1 + spread)),
                Math.Round(PowerRules.Shaft(pa * flow) / 1000, 4));
        }

        // At a speed at which the pump could not run the curve simply ends.
        SpeedPointDto? Speed(double hertz)
        {
            try
            {
                var there = new OperatingPointSolver(pump, setup.At(new RotationalSpeed(hertz)));
                var point = there.Solve(condition, 1, 1, soft);
                var head = Suction.Of(
                    pump, setup, condition, Math.Max(point.SupplyFlow, 1e-12), hertz,
                    solver.InletLoss * point.SupplyFlow * point.SupplyFlow);
                return new SpeedPointDto(
                    Math.Round(hertz * 60, 2), Math.Round(head.Margin, 3), Math.Round(Pressure.FromSi(point.PressurePa), 3),
                    Shown(point.NozzleFlow));
            }
            catch (ImpossibleInputException)
            {
                return null;
            }
        }
    }

    private static IReadOnlyList<TurnPointDto> Turn(ReciprocatingPump pump, Setup setup, Condition condition)
    {
        var motion = PumpMotion.Of(pump, setup.Speed.Si).WithoutSlip();
        var mean = motion.MeanFlow;
        return [.. Enumerable.Range(0, TurnPoints).Select(i =>
        {
            var theta = 2 * Math.PI * i / (TurnPoints - 1);
            var flow = Enumerable.Range(0, motion.Chambers)
                .Sum(k => motion.AreaShare(k) * (1 - condition.Unfilled(k))
                    * motion.Delivered(k, theta - motion.Phase(k), condition.ForwardLeak(k), condition.ReturnLeak(k)));
            return new TurnPointDto(Math.Round(360.0 * i / (TurnPoints - 1), 1), Math.Round(flow / mean, 4));
        })];
    }

    // In the units of whoever reads.
    private static Unit Pressure => Units.Preferred(QuantityKind.GaugePressure);

    private static Unit Flow => Units.Preferred(QuantityKind.VolumeFlow);

    private static double Shown(double flow) => Math.Round(Flow.FromSi(flow), 3);
}
