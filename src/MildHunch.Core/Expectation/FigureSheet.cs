using System.Globalization;
using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Expectation;

/// <summary>Writes every expected figure down with its working.</summary>
internal sealed partial class FigureSheet(
    ReciprocatingPump pump, Setup setup, PumpExpectation.Spread spread, Condition state, double inletLoss)
{
    private const string Displacement = "Displacement and delivery of a plunger pump, as pump handbooks give it";
    private readonly OperatingPoint point = spread.Middle;
    private readonly FlowRipple ripple = FlowRipple.Of(PumpMotion.Of(pump, setup.Speed.Si));

    public IReadOnlyList<Figure> Figures()
    {
        var figures = new List<Figure>
        {
            Flow("theoretical-flow", "Theoretical flow", p => Delivery.TheoreticalFlow(pump, p.SpeedHz), new Working(
                "Theoretical flow", "Qt = n · A · S · N",
                [N(), In("A", "plunger area", Area.OfCircle(pump.PlungerDiameter), "mm²"), In("S", "stroke", pump.Stroke, "mm"), Speed()],
                Displacement)),
            Ratio(
                "volumetric-efficiency", "Volumetric efficiency", p => p.DisplacedFlow / Delivery.TheoreticalFlow(pump, p.SpeedHz),
                new Working(
                "Volumetric efficiency", "ηv = 1 − c · p/β − s",
                [
                    new("c", "clearance over swept volume", Quantity.Digits(pump.Clearance)), Pressure(),
                    new(
                        "β", $"bulk modulus of {setup.Liquid.Name}",
                        $"{Quantity.Digits(setup.Liquid.BulkModulus(setup.Temperature) / 1e9)} GPa"),
                    new("s", "valve slip when healthy", Percent(pump.Slip))], Displacement)),
            Flow("displaced-flow", "Displaced by a healthy pump", p => p.DisplacedFlow, new Working(
                "Displaced flow", "Qd = Qt · ηv",
                [
                    Flow("Qt", "theoretical flow", Delivery.TheoreticalFlow(pump, point.SpeedHz)),
                    new("ηv", "volumetric efficiency", Percent(point.DisplacedFlow / Delivery.TheoreticalFlow(pump, point.SpeedHz)))],
                Displacement)),
            Of("discharge-pressure", "Pressure at the head", QuantityKind.GaugePressure, p => p.PressurePa, new Working(
                "Nozzle and control solved with the pump", "Σ qₖ(p) = Kn · √(p/F) + bypass(p)",
                [
                    Flow("Σ qₖ", "delivered", point.SupplyFlow), Nozzle(), .. Setting(),
                    new(
                        "F", "mean of a pulsating pressure over a steady one",
                        Quantity.Digits(point.PressurePa * Square(point.NozzleCoefficient / Math.Max(point.NozzleFlow, 1e-12)), 4))],
                "Orifice rule of the trade, with the pressure cycle of docs/reasoning.md")),
            Of("swing", "Swing of the pressure, peak to peak", QuantityKind.GaugePressure, p => p.SwingPa, new Working(
                "One-volume pressure cycle", "C · dp/dt = Q(θ) − Kn · √p",
                [
                    new(
                        "C", "softness of the outlet",
                        $"{setup.Line.ToString().ToLowerInvariant()} line, {Compliance(OutletCompliance.Typical(setup))}"),
                    Nozzle(), N(), Lambda(), Speed()],
                "Crank kinematics; ripple as pump handbooks tabulate it"), 0.25, "a needle follows a swing poorly"),
            Flow(
                "nozzle-flow", "Flow at the nozzle", p => p.NozzleFlow,
                new Working(
                    "Nozzle rule", "Q = Kn · √(p/F)", [Nozzle(), Pressure()],
                    "Orifice rule of the trade, with the pressure cycle of docs/reasoning.md")),
            Flow("bypass-flow", "Flow in the bypass", p => p.BypassFlow, new Working(
                "Control balance", "bypass = delivered − nozzle",
                [Flow("", "delivered", point.SupplyFlow), Flow("", "nozzle", point.NozzleFlow), .. Setting()],
                "Orifice rule of the trade, with the pressure cycle of docs/reasoning.md")),
            Flow(
                "supply-flow", "Drawn from the supply", p => p.SupplyFlow,
                new Working(
                    "Water balance", "supply = nozzle + bypass + outside",
                    [Flow("", "nozzle", point.NozzleFlow), Flow("", "bypass", point.BypassFlow)], Displacement)),
            Of(
                "speed", "Crank speed", QuantityKind.RotationalSpeed, p => p.SpeedHz,
                new Working("As set up", "N", [Speed()], "The pump's set-up")),
            Of("inlet-pressure", "Pressure at the inlet while running", QuantityKind.GaugePressure, p => p.InletPa, new Working(
                "Inlet loss", "p = p source − R · Q²",
                [In("p source", "at the source, gauge", setup.SupplyPressure, "bar"), Flow("Q", "drawn", point.SupplyFlow), InletSize()],
                "Loss with the square of the flow; its size is common practice where nobody measured the inlet"), 0, "", 5e3),
            Of(
                "hydraulic-power", "Hydraulic power", QuantityKind.Power, Hydraulic,
                new Working(
                    "Hydraulic power", "Ph = p · Q, with what leaks inside",
                    [
                        Pressure(), Flow("Q", "delivered", point.SupplyFlow),
                        new("", "lost in leaks", new Amount(QuantityKind.Power, point.LeakPower).Text())],
                    "Power of a pump is p · Q; the efficiency is common practice")),
            Of("shaft-power", "Shaft power", QuantityKind.Power, p => PowerRules.Shaft(Hydraulic(p)), new Working(
                "Shaft power", "P = Ph / ηm",
                [
                    new("Ph", "hydraulic power", new Amount(QuantityKind.Power, Hydraulic(point)).Text()),
                    new("ηm", "mechanical efficiency, 0.85 to 0.92", Percent(PowerRules.MechanicalEfficiency))],
                "Power of a pump is p · Q; the efficiency is common practice"),
                PowerRules.MechanicalEfficiencySigma / PowerRules.MechanicalEfficiency, "mechanical efficiency 0.85 to 0.92"),
            Plain("ripple-above", "Healthy ripple above the mean", ripple.AboveMean),
            Plain("ripple-below", "Healthy ripple below the mean", ripple.BelowMean),
            Flow(
                "cylinder-share", "One cylinder's share", p => p.DisplacedFlow / pump.Cylinders,
                new Working("Cylinder share", "Qd / n", [Flow("Qd", "displaced", point.DisplacedFlow), N()], Displacement)),
        };
        figures.AddRange(Surroundings());
        if (setup.Voltage is { } volts)
        {
            figures.Add(Of(
                "motor-current", "Motor current", QuantityKind.Current,
                p => PowerRules.ThreePhaseCurrent(PowerRules.Shaft(Hydraulic(p)), volts.Si), new Working(
                "Three-phase current", "I = P / (√3 · U · η · cos φ)",
                [
                    new("P", "shaft power", new Amount(QuantityKind.Power, PowerRules.Shaft(Hydraulic(point))).Text()),
                    In("U", "between phases", volts, "V"), new("η", "motor efficiency", Percent(PowerRules.MotorEfficiency)),
                    new("cos φ", "power factor", Quantity.Digits(PowerRules.PowerFactor))],
                "Three-phase power; motor figures are common practice"), 0.06, "motor efficiency and power factor not known"));
        }

        return figures;
    }

    private WorkingInput InletSize() => setup.Inlet is { } inlet
        ? new(
            "R", "friction and strainer of the inlet run",
            $"{inlet.Run.Length.Format(Units.Find(QuantityKind.Length, "m")!)} of {inlet.Run.Bore.Format(Units.Millimetre)}")
        : new("R", "sized so that cavitation would begin at 3 times the theoretical flow", "common practice");

    private static double Hydraulic(OperatingPoint p) => PowerSplit.Of(p).Pressed;

    private static double Square(double x) => x * x;

    private static string Percent(double share) => $"{Quantity.Digits(share * 100)} %";

    private static string Compliance(double si) => new Amount(QuantityKind.Compliance, si).Text(2);

    private static WorkingInput In<T>(string symbol, string name, T quantity, string unit)
        where T : struct, IQuantity<T> =>
        new(symbol, name, quantity.Format(Units.Find(T.Kind, unit)!, 4));

    private static WorkingInput Flow(string symbol, string name, double si) =>
        new(symbol, name, new Amount(QuantityKind.VolumeFlow, si).Text());

    private WorkingInput N() => new("n", "cylinders", pump.Cylinders.ToString(CultureInfo.InvariantCulture));

    private WorkingInput Lambda() => new("λ", "crank radius over rod length", Quantity.Digits(pump.RodRatio));

    private WorkingInput Speed() => In("N", "speed", setup.Speed, "rpm");

    private WorkingInput Pressure() => new("p", "pressure at the head", new Amount(QuantityKind.GaugePressure, point.PressurePa).Text());

    private WorkingInput Nozzle() => new("Kn", "nozzle", setup.Nozzle.Source);

    private WorkingInput[] Setting() =>
        setup.ControlSetting is { } set && pump.Control != ControlKind.None
            ? [In("set", $"{pump.Control.ToString().ToLowerInvariant()} setting", set, "bar")]
            : [];

    private Figure Flow(string id, string name, Func<OperatingPoint, double> read, Working working) =>
        Of(id, name, QuantityKind.VolumeFlow, read, working);

    private Figure Ratio(string id, string name, Func<OperatingPoint, double> read, Working working) =>
        Of(id, name, QuantityKind.Ratio, read, working);

    private Figure Plain(string id, string name, double value)
    {
        var amount = new Amount(QuantityKind.Ratio, value);
        return new Figure(id, name, amount, amount, amount, [], new Working(
            "Flow ripple from the kinematics", "Σ max(0, v(θ − 2πk/n)) about its mean", [N(), Lambda()],
            "Crank kinematics; ripple as pump handbooks tabulate it"));
    }

    private Figure Of(
        string id, string name, QuantityKind kind, Func<OperatingPoint, double> read, Working working, double extraShare = 0,
        string extraCause = "", double leastHalfWidth = 0)
    {
        var (low, high, parts) = spread.Band(kind, read, extraShare, extraCause);
        var value = read(point);
        if (leastHalfWidth > 0)
        {
            low = new Amount(kind, Math.Min(low.Si, value - leastHalfWidth));
            high = new Amount(kind, Math.Max(high.Si, value + leastHalfWidth));
        }

        // Only at the inlet can something be below nothing: a vacuum, or a head that is not there.
        if (id != "inlet-pressure" && !id.StartsWith("npsh", StringComparison.Ordinal))
            low = new Amount(kind, Math.Max(0, low.Si));
        return new Figure(id, name, new Amount(kind, value), low, high, parts, working);
    }
}
