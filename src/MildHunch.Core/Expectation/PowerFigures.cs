using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Quantities;
using static MildHunch.Core.Expectation.FigureContext;

namespace MildHunch.Core.Expectation;

/// <summary>Where the power comes from and where it goes: one definition a figure.</summary>
internal sealed class PowerFigures(FigureContext c)
{
    private const string PowerSource = "Power of a pump is p · Q; the efficiency is common practice";
    private const string SplitSource = "Power is pressure times flow; mechanical efficiency 0.85 to 0.92";

    // Of a motor whose efficiency and power factor nobody knows.
    private const double MotorShare = 0.06;

    /// <summary>At the middle of all that is uncertain.</summary>
    public PowerSplit Split { get; } = PowerSplit.Of(c.Point);

    public Figure HydraulicPower() => c.Of("hydraulic-power", "Hydraulic power", QuantityKind.Power, Pressed, new Working(
        "Hydraulic power", "Ph = p · Q, with what leaks inside",
        [c.Pressure(), Flow("Q", "delivered", c.Point.SupplyFlow), Power("", "lost in leaks", c.Point.LeakPower)], PowerSource));

    public Figure ShaftPower() => c.Of("shaft-power", "Shaft power", QuantityKind.Power, Shaft, new Working(
        "Shaft power", "P = Ph / ηm",
        [
            Power("Ph", "hydraulic power", Pressed(c.Point)),
            new("ηm", "mechanical efficiency, 0.85 to 0.92", Percent(PowerRules.MechanicalEfficiency))],
        PowerSource),
        new Widening(PowerRules.MechanicalEfficiencySigma / PowerRules.MechanicalEfficiency, "mechanical efficiency 0.85 to 0.92"));

    /// <summary>Where the voltage is known.</summary>
    public Figure MotorCurrent(Voltage volts) => c.Of(
        "motor-current", "Motor current", QuantityKind.Current, p => PowerRules.ThreePhaseCurrent(Shaft(p), volts.Si), new Working(
            "Three-phase current", "I = P / (√3 · U · η · cos φ)",
            [
                Power("P", "shaft power", Shaft(c.Point)), Input("U", "between phases", volts, "V"),
                new("η", "motor efficiency", Percent(PowerRules.MotorEfficiency)),
                new("cos φ", "power factor", Quantity.Digits(PowerRules.PowerFactor))],
            "Three-phase power; motor figures are common practice"),
        new Widening(MotorShare, "motor efficiency and power factor not known"));

    public Figure Nozzle() => Part("nozzle-power", "Power in the jet", "p gun · Q", s => s.Nozzle);

    public Figure Line() => Part("line-power", "Power lost in the line", "(p − p gun) · Q", s => s.Line);

    public Figure Bypass() => Part("bypass-power", "Power in the bypass", "p · Q bypass", s => s.Bypass);

    public Figure Leaks() => Part("leak-power", "Power lost in leaks", "Σ leak · pressure across it", s => s.Leaks);

    public Figure Friction() => Part("friction-power", "Power lost in friction", "P − Ph", s => s.Friction);

    private Figure Part(string id, string name, string equation, Func<PowerSplit, double> read) => c.Of(
        id, name, QuantityKind.Power, p => read(PowerSplit.Of(p)), new Working(
            "Power split", equation, [c.Pressure(), Power("P", "shaft power", Split.Shaft)], SplitSource));

    private static double Pressed(OperatingPoint p) => PowerSplit.Of(p).Pressed;

    private static double Shaft(OperatingPoint p) => PowerRules.Shaft(Pressed(p));
}
