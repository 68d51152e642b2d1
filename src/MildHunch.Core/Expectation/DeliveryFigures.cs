using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Quantities;
using static MildHunch.Core.Expectation.FigureContext;

namespace MildHunch.Core.Expectation;

/// <summary>What the pump moves, where it goes, and at what pressure: one definition a figure.</summary>
internal sealed class DeliveryFigures(FigureContext c)
{
    // A needle or transducer follows a swing poorly.
    private const double SwingShare = 0.25;

    public Figure TheoreticalFlow() => c.Flow("theoretical-flow", "Theoretical flow", c.TheoreticalFlow, new Working(
        "Theoretical flow", "Qt = n · A · S · N",
        [c.Cylinders(), Input("A", "plunger area", Area.OfCircle(c.Pump.PlungerDiameter), "mm²"), c.Stroke(), c.Speed()],
        Displacement));

    public Figure VolumetricEfficiency() => c.Of(
        "volumetric-efficiency", "Volumetric efficiency", QuantityKind.Ratio, p => p.DisplacedFlow / c.TheoreticalFlow(p), new Working(
            "Volumetric efficiency", "ηv = 1 − c · p/β − s",
            [
                new("c", "clearance over swept volume", Quantity.Digits(c.Pump.Clearance)), c.Pressure(), BulkModulus(),
                new("s", "valve slip when healthy", Percent(c.Pump.Slip))],
            Displacement));

    public Figure Displaced() => c.Flow("displaced-flow", "Displaced by a healthy pump", p => p.DisplacedFlow, new Working(
        "Displaced flow", "Qd = Qt · ηv",
        [
            Flow("Qt", "theoretical flow", c.TheoreticalFlow(c.Point)),
            new("ηv", "volumetric efficiency", Percent(c.Point.DisplacedFlow / c.TheoreticalFlow(c.Point)))],
        Displacement));

    public Figure Pressure() => c.Of(
        "discharge-pressure", "Pressure at the head", QuantityKind.GaugePressure, p => p.PressurePa, new Working(
            "Nozzle and control solved with the pump", "Σ qₖ(p) = Kn · √(p/F) + bypass(p)",
            [
                Flow("Σ qₖ", "delivered", c.Point.SupplyFlow), c.Nozzle(), .. c.Setting(),
                new("F", "mean of a pulsating pressure over a steady one", Quantity.Digits(MeanFactor(c.Point), 4))],
            Orifice));

    public Figure Swing() => c.Of("swing", "Swing of the pressure, peak to peak", QuantityKind.GaugePressure, p => p.SwingPa, new Working(
        "One-volume pressure cycle", "C · dp/dt = Q(θ) − Kn · √p",
        [
            new("C", "softness of the outlet", $"{c.Setup.Line.ToString().ToLowerInvariant()} line, {Softness()}"),
            c.Nozzle(), c.Cylinders(), c.RodRatio(), c.Speed()],
        Kinematics), new Widening(SwingShare, "a needle follows a swing poorly"));

    public Figure Nozzle() => c.Flow("nozzle-flow", "Flow at the nozzle", p => p.NozzleFlow, new Working(
        "Nozzle rule", "Q = Kn · √(p/F)", [c.Nozzle(), c.Pressure()], Orifice));

    public Figure Bypass() => c.Flow("bypass-flow", "Flow in the bypass", p => p.BypassFlow, new Working(
        "Control balance", "bypass = delivered − nozzle",
        [Flow("", "delivered", c.Point.SupplyFlow), Flow("", "nozzle", c.Point.NozzleFlow), .. c.Setting()], Orifice));

    public Figure Supply() => c.Flow("supply-flow", "Drawn from the supply", p => p.SupplyFlow, new Working(
        "Water balance", "supply = nozzle + bypass + outside",
        [Flow("", "nozzle", c.Point.NozzleFlow), Flow("", "bypass", c.Point.BypassFlow)], Displacement));

    public Figure Speed() => c.Of("speed", "Crank speed", QuantityKind.RotationalSpeed, p => p.SpeedHz, new Working(
        "As set up", "N", [c.Speed()], "The pump's set-up"));

    public Figure CylinderShare() => c.Flow("cylinder-share", "One cylinder's share", p => p.DisplacedFlow / c.Pump.Cylinders, new Working(
        "Cylinder share", "Qd / n", [Flow("Qd", "displaced", c.Point.DisplacedFlow), c.Cylinders()], Displacement));

    public Figure RippleAbove() => Ripple("ripple-above", "Healthy ripple above the mean", c.Ripple.AboveMean);

    public Figure RippleBelow() => Ripple("ripple-below", "Healthy ripple below the mean", c.Ripple.BelowMean);

    public Figure PressureAtNozzle() => c.Of(
        "gun-pressure", "Pressure at the nozzle", QuantityKind.GaugePressure, p => p.GunPa, new Working(
            "Loss in the line", "p gun = p − R · Q²", [c.Pressure(), Flow("Q", "through the line", c.Point.NozzleFlow), Line()],
            "Darcy-Weisbach with Colebrook's factor"));

    public Figure Outside() => c.Flow("outside-flow", "Runs out at weeps and leaks", p => p.OutsideFlow, new Working(
        "Leaks to the outside", "Σ g · √p", [c.Pressure()], Displacement));

    public Figure Inner() => c.Flow("inner-flow", "Goes round inside the pump", p => p.InnerFlow, new Working(
        "Leaks inside", "Σ lost shares of the strokes", [c.Pressure()], Displacement));

    public Figure Strokes() => c.Of(
        "strokes", "Strokes of both ends together", QuantityKind.RotationalSpeed, p => 2 * p.SpeedHz, new Working(
            "Strokes", "N = Q / (n · A · S · ηv) where the oil supply holds back",
            [Flow("Q", "delivered", c.Point.SupplyFlow), c.Cylinders(), c.Stroke()], Displacement));

    private WorkingInput BulkModulus() => new(
        "β", $"bulk modulus of {c.Setup.Liquid.Name}", $"{Quantity.Digits(c.Setup.Liquid.BulkModulus(c.Setup.Temperature) / 1e9)} GPa");

    private string Softness() => new Amount(QuantityKind.Compliance, OutletCompliance.Typical(c.Setup)).Text(2);

    private WorkingInput Line() => c.Setup.Outlet is { } run
        ? new("line", "bore and length", $"{run.Bore.Format(Units.Millimetre)}, {run.Length.Format(Units.Find(QuantityKind.Length, "m")!)}")
        : new("line", "not noted", "no loss taken");

    private static double MeanFactor(OperatingPoint p)
    {
        var root = p.NozzleCoefficient / Math.Max(p.NozzleFlow, 1e-12);
        return p.PressurePa * (root * root);
    }

    private Figure Ripple(string id, string name, double value)
    {
        var amount = new Amount(QuantityKind.Ratio, value);
        return new Figure(id, name, amount, amount, amount, [], new Working(
            "Flow ripple from the kinematics", "Σ max(0, v(θ − 2πk/n)) about its mean", [c.Cylinders(), c.RodRatio()], Kinematics));
    }
}
