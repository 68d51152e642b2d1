using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Expectation.Everyday;

/// <summary>Sums about the driver.</summary>
internal static class DriveSums
{
    private const double RuleOfThumb = 1714.0 / 1460;

    public static readonly EverydaySum Pulley = new(
        "pulley", "Pulley and speed", "Crank speed from the motor's poles and frequency, or the driver's speed, and the pulleys.",
        [
            new(
                "driver", "Driver speed, if measured", QuantityKind.RotationalSpeed,
                "rpm") { Optional = true, Least = 0.1, Most = 150, Sigma = 0.002 },
            new("poles", "Poles of the motor", QuantityKind.Count, "") { Usual = 4, Least = 2, Most = 12 },
            new("frequency", "Frequency", QuantityKind.RotationalSpeed, "Hz") { Usual = 50, Least = 5, Most = 120 },
            new("slip", "Slip under load", QuantityKind.Ratio, "%") { Usual = 0.03, Least = 0, Most = 0.15 },
            new("driverPulley", "Pulley on the driver", QuantityKind.Length, "mm") { Least = 0.02, Most = 2, Sigma = 0.005 },
            new("pumpPulley", "Pulley on the pump", QuantityKind.Length, "mm") { Least = 0.02, Most = 2, Sigma = 0.005 },
        ],
        v =>
        {
            var driver = v.Maybe("driver") ?? (2 * v["frequency"] / v["poles"] * (1 - v["slip"]));
            var ratio = v["pumpPulley"] / v["driverPulley"];
            return
            [
                new(
                    "speed", "Crank speed", QuantityKind.RotationalSpeed, driver / ratio * (1 - Drive.BeltCreep),
                    "N = N driver · d₁/d₂ · (1 − creep)", "Synchronous speed 2f/poles; belt creep 1 to 2 % (common practice)",
                    "speed"),
                new(
                    "driver-speed", "Driver speed", QuantityKind.RotationalSpeed, driver,
                    v.Maybe("driver") is null ? "N = 2f/poles · (1 − slip)" : "as measured", "Three-phase motors"),
            ];
        },
        (pump, setup) =>
        {
            var speed = EverydaySum.AsItRuns(pump, setup).SpeedHz;
            var driver = ("driver", speed * (setup.Drive?.Ratio ?? 1));
            return setup.Drive?.Pulleys is { } p ? [driver, ("driverPulley", p.Driver.Si), ("pumpPulley", p.Pump.Si)] : [driver];
        })
    { Hazards = ["rotating"] };

    public static readonly EverydaySum Power = new(
        "power", "Power and current", "What the pump takes at a pressure and flow, and what the motor draws.",
        [
            new("pressure", "Pressure", QuantityKind.GaugePressure, "bar") { Least = 0, Most = 6.5e8, Sigma = 0.016 },
            new("flow", "Flow", QuantityKind.VolumeFlow, "L/min") { Least = 0, Most = 1, Sigma = 0.03 },
            new("efficiency", "Mechanical efficiency", QuantityKind.Ratio, "%") {
                Usual = PowerRules.MechanicalEfficiency, Least = 0.3, Most = 1, Sigma = 0.02 },
            new("voltage", "Between phases", QuantityKind.Voltage, "V") { Optional = true, Least = 24, Most = 1000 },
        ],
        PowerLines,
        (pump, setup) =>
        {
            var point = EverydaySum.AsItRuns(pump, setup);
            return [
                ("pressure", point.PressurePa), ("flow", point.SupplyFlow),
                .. setup.Voltage is { } volts ? new[] { ("voltage", volts.Si) } : []];
        });

    private static IEnumerable<SumLine> PowerLines(SumValues v)
    {
        var hydraulic = PowerRules.Hydraulic(v["pressure"], v["flow"]);
        var shaft = hydraulic / v["efficiency"];
        yield return new(
            "hydraulic", "Hydraulic power", QuantityKind.Power, hydraulic, "Ph = p · Q  (bar · L/min / 600 = kW; psi · gpm / 1714 = hp)",
            "Definition of power");
        yield return new(
            "shaft", "Shaft power", QuantityKind.Power, shaft, "P = Ph / ηm", "Mechanical efficiency of plunger pumps 0.85 to 0.92");
        yield return new(
            "motor", "Motor by the rule of thumb", QuantityKind.Power, hydraulic * RuleOfThumb, "hp = psi · gpm / 1460",
            "Common practice")
        { Unit = "hp" };
        if (v.Maybe("voltage") is { } volts)
            yield return new(
                "current", "Line current", QuantityKind.Current, PowerRules.ThreePhaseCurrent(shaft, volts),
                "I = P / (√3 · U · η · cos φ)",
                "Three-phase power; η 0.88 and cos φ 0.84 are common practice");
    }
}
