using MildHunch.Core.Fluids;
using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Expectation.Everyday;

/// <summary>The inlet: velocity, friction, acceleration head and what is left.</summary>
internal static class InletSums
{

    public static readonly EverydaySum Inlet = new(
        "inlet", "Inlet and acceleration head", "Whether the suction hose is short and wide enough for this pump.",
        [
            new("flow", "Flow", QuantityKind.VolumeFlow, "L/min") { Least = 1e-9, Most = 1, Sigma = 0.03 },
            new("speed", "Crank speed", QuantityKind.RotationalSpeed, "rpm") { Least = 0.01, Most = 100, Sigma = 0.02 },
            new("cylinders", "Arrangement", QuantityKind.Count, "")
            {
                Choices = [
                    ("3", "three cylinders"), ("1", "one cylinder"), ("2", "two cylinders"), ("4", "four cylinders"),
                    ("5", "five cylinders"), ("6", "six cylinders"), ("7", "seven cylinders"), ("axial", "three pistons, swash plate"),
                    ("1d", "one, double acting"), ("2d", "two, double acting")],
            },
            new("length", "Length of the run", QuantityKind.Length, "m") { Least = 0.01, Most = 2000 },
            new("bore", "Bore", QuantityKind.Length, "mm") { Least = 1e-3, Most = 0.5, Sigma = 0.01 },
            FlowSums.Material,
            new("fittings", "Strainer and fittings, in velocity heads", QuantityKind.Count, "") { Usual = 3, Least = 0, Most = 500 },
            new("level", "Source above the pump", QuantityKind.Length, "m") { Usual = 0, Least = -9, Most = 100 },
            new("pressure", "Pressure at the source", QuantityKind.GaugePressure, "bar") { Usual = 0, Least = -9e4, Most = 2e6 },
            FlowSums.Temperature,
        ],
        Lines,
        (pump, setup) =>
        [
            .. Running(pump, setup), ("temperature", setup.Temperature.Si), ("pressure", setup.SupplyPressure.Si),
            .. setup.Inlet is { } inlet
                ? new[] {
                    ("length", inlet.Run.Length.Si), ("bore", inlet.Run.Bore.Si), ("level", inlet.Level.Si),
                    ("fittings", inlet.Run.FittingLoss + inlet.Strainer) }
                : [],
        ]);

    // What it draws under its load, not what it would without.
    private static (string Field, double Si)[] Running(ReciprocatingPump pump, Setup setup)
    {
        var point = EverydaySum.AsItRuns(pump, setup);
        return [("flow", point.SupplyFlow), ("speed", point.SpeedHz)];
    }

    private static IEnumerable<SumLine> Lines(SumValues v)
    {
        var run = FlowSums.Run(v);
        var warm = new Temperature(v["temperature"]);
        var liquid = Liquid.PlainWater;
        var weight = liquid.Density(warm).Si * PhysicalConstants.Gravity;
        var velocity = v["flow"] / (Math.PI / 4 * run.Bore.Si * run.Bore.Si);
        var friction = PipeFlow.Resistance(run, liquid, warm, v["flow"]) * v["flow"] * v["flow"] / weight;
        var (constant, motion) = Arrangement(v.Pick("cylinders"));
        var below = FlowRipple.Of(motion).BelowMean;
        var acceleration = Suction.AccelerationHead(
            run.Length.Si, velocity, v["speed"], constant, liquid.AccelerationDivisor, run.WaveSpeed, below);
        var source = (v["pressure"] + AbsolutePressure.StandardAir.Si - liquid.VapourPressure(warm).Si) / weight;
        yield return new(
            "velocity", "Velocity", QuantityKind.Velocity, velocity, "v = 4Q / (πD²)",
            "0.3 to 0.6 m/s in fixed pipework (common practice)");
        yield return new(
            "friction", "Friction", QuantityKind.Length, friction, "h = (f·L/D + ΣK) · v²/2g",
            "Darcy-Weisbach, Colebrook's factor")
        { Unit = "m" };
        yield return new(
            "acceleration", "Acceleration head", QuantityKind.Length, acceleration,
            $"h = L·V·N·C/(K·g), C = {Quantity.Digits(constant)}, at most c·δ·V/g",
            "Form of the Hydraulic Institute; limited by the pressure wave in soft runs")
        { Unit = "m" };
        yield return new(
            "available", "Head left above boiling", QuantityKind.Length, source + v["level"] - friction - acceleration,
            "NPSHa = (p − pv)/ρg + level − friction − acceleration", "IAPWS-IF97 vapour pressure")
        { Unit = "m" };
        yield return new(
            "fill", "Supply that is enough", QuantityKind.VolumeFlow, 1.5 * v["flow"], "1.5 · Q into a bucket", "Common practice");
    }

    private static (double Constant, PumpMotion Motion) Arrangement(string pick)
    {
        var (cylinders, doubleActing, axial) = pick switch
        {
            "axial" => (3, false, true),
            "1d" => (1, true, false),
            "2d" => (2, true, false),
            _ => (int.Parse(pick, System.Globalization.CultureInfo.InvariantCulture), false, false),
        };
        var pump = ReciprocatingPump.Create(
            cylinders, new Length(0.02), new Length(0.02), new RotationalSpeed(10), new GaugePressure(1e7),
            arrangement: axial ? Pumps.Arrangement.Axial : Pumps.Arrangement.CrankPlunger,
            rodDiameter: doubleActing ? new Length(0.005) : null);
        return (Suction.AccelerationConstant(pump), PumpMotion.Of(pump, 10));
    }
}

/// <summary>The dampener.</summary>
internal static class DampenerSums
{
    public static readonly EverydaySum Charge = new(
        "dampener", "Dampener charge", "What to charge a dampener to, how soft it then is, and what that does to the swing.",
        [
            new("pressure", "Working pressure", QuantityKind.GaugePressure, "bar") { Least = 1e5, Most = 5e8 },
            new("gas", "Gas volume", QuantityKind.Volume, "mL") { Least = 1e-6, Most = 1 },
            new("charge", "Charge found", QuantityKind.GaugePressure, "bar") { Optional = true, Least = 0, Most = 5e8, Sigma = 0.016 },
            new("swept", "Swept by one plunger", QuantityKind.Volume, "mL") { Optional = true, Least = 1e-8, Most = 0.1 },
            new("cylinders", "Cylinders", QuantityKind.Count, "") { Usual = 3, Least = 1, Most = 7 },
        ],
        Lines,
        (pump, setup) => [
            (
                "pressure",
                setup.Nozzle.OpensAtPa is null
                    ? Math.Min(pump.RatedPressure.Si, setup.ControlSetting?.Si ?? pump.RatedPressure.Si)
                    : pump.RatedPressure.Si),
            ("swept", pump.SweptVolume.Si), ("cylinders", pump.Cylinders),
            .. setup.Dampener is { } d ? new[] { ("gas", d.Gas.Si), ("charge", d.Charge.Si) } : []])
    { Hazards = ["trapped-pressure"] };

    private static IEnumerable<SumLine> Lines(SumValues v)
    {
        var wanted = 0.65 * v["pressure"];
        var charge = v.Maybe("charge") ?? wanted;
        var soft = charge <= 0
            ? 0
            : Dampener.Create(new Volume(v["gas"]), new GaugePressure(Math.Max(charge, 1e4))).ComplianceM3Pa(v["pressure"]);
        yield return new(
            "wanted", "Charge to give it", QuantityKind.GaugePressure, wanted, "0.65 · p, within 0.6 to 0.7",
            "Common practice; the maker's figure comes first");
        yield return new(
            "softness", "Softness at working pressure", QuantityKind.Compliance, soft, "C = V₀·p₀ / (γ·p²), γ = 1.4, absolute",
            "Boyle for the mean, adiabatic for the pulsation");
        if (v.Maybe("swept") is not { } swept || soft <= 0)
            yield break;
        var ripple = FlowRipple.Of(new PumpMotion((int)Math.Round(v["cylinders"]), ReciprocatingPump.UsualRodRatio, 0, 0, null));
        yield return new(
            "swing", "Swing left with it alone", QuantityKind.GaugePressure, ripple.VolumeSwing * swept / soft,
            "Δp = (volume swing) · A · S / C", "Crank kinematics; ripple as pump handbooks tabulate it");
    }
}
