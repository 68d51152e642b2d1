using MildHunch.Core.Fluids;
using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Expectation.Everyday;

/// <summary>Sums about flow, nozzles and leaks.</summary>
internal static class FlowSums
{
    private const string NozzleRule = "Nozzle rule of the trade: size is US gal/min at 4000 psi";
    private const string OrificeRule = "Orifice equation with a discharge coefficient of 0.92";
    private const double DropM3 = 1e-6 / 20;
    private const double LitrePerMinute = 1e-3 / 60;
    private static readonly double SizeOne = Nozzle.FromSize(1).Coefficient;

    public static readonly EverydaySum Bucket = new(
        "bucket", "Bucket and watch", "Flow from a measured volume and the time it took.",
        [
            new("volume", "Volume caught", QuantityKind.Volume, "L") { Least = 1e-6, Most = 100, Sigma = 0.02 },
            new("time", "Time it took", QuantityKind.Duration, "s") { Least = 0.5, Most = 36_000, Sigma = 0.02 },
        ],
        v => [new(
            "flow", "Flow", QuantityKind.VolumeFlow, v["volume"] / v["time"], "Q = V / t", "Volume over time", "nozzle-flow", "bypass-flow",
            "supply-flow")])
    { Hazards = ["jet"] };

    public static readonly EverydaySum NozzleSize = new(
        "nozzle-size", "Nozzle: size and orifice",
        "What size passes a flow at a pressure, how wide it is, and what it passes at another pressure.",
        [
            new("flow", "Flow", QuantityKind.VolumeFlow, "L/min") { Least = 1e-9, Most = 1, Sigma = Nozzle.SigmaByNumber },
            new("at", "At", QuantityKind.GaugePressure, "bar") { Least = 1e4, Most = 6.5e8 },
            new("wanted", "Pressure to know it at", QuantityKind.GaugePressure, "bar") { Optional = true, Least = 1e4, Most = 6.5e8 },
            new("nozzles", "Nozzles side by side", QuantityKind.Count, "") { Usual = 1, Least = 1, Most = 10_000 },
        ],
        SizeLines,
        (pump, setup) => setup.Nozzle.OpensAtPa is null
            ? [("flow", setup.Nozzle.FlowAt(pump.RatedPressure).Si), ("at", pump.RatedPressure.Si), ("nozzles", setup.Nozzle.Count)]
            : []);

    public static readonly EverydaySum NozzleWear = new(
        "nozzle-wear", "Nozzle: wear", "How much a nozzle has grown, from what it passes now, and what that does to the pressure.",
        [
            new("newFlow", "Passed when new", QuantityKind.VolumeFlow, "L/min") { Least = 1e-9, Most = 1, Sigma = 0.01 },
            new("newAt", "At", QuantityKind.GaugePressure, "bar") { Least = 1e4, Most = 6.5e8 },
            new("flow", "Passes now", QuantityKind.VolumeFlow, "L/min") { Least = 1e-9, Most = 1, Sigma = 0.03 },
            new("at", "At", QuantityKind.GaugePressure, "bar") { Least = 1e4, Most = 6.5e8, Sigma = 0.016 },
        ],
        WearLines,
        (pump, setup) => setup.Nozzle.OpensAtPa is null
            ? [("newFlow", setup.Nozzle.FlowAt(pump.RatedPressure).Si), ("newAt", pump.RatedPressure.Si)]
            : []);

    public static readonly EverydaySum Drips = new(
        "drips", "Drips", "What drops add up to, and how little that is beside the pump's flow.",
        [
            new("drops", "Drops", QuantityKind.VolumeFlow, "drops/min") { Least = 0, Most = 1e-4, Sigma = 0.1 },
            new("flow", "Flow of the pump", QuantityKind.VolumeFlow, "L/min") { Optional = true, Least = 1e-9, Most = 1 },
        ],
        DripLines,
        (pump, setup) => [("flow", Delivery.TheoreticalFlow(pump, setup.Speed.Si))])
    { Hazards = ["trapped-pressure"] };

    public static readonly EverydaySum PressureFall = new(
        "pressure-fall", "Pressure fall, outlet closed",
        "How much leaks, from how fast a closed line loses pressure. The stretch of the hose decides, so the band is wide.",
        [
            new("fall", "Pressure fell by", QuantityKind.GaugePressure, "bar") { Least = 1e3, Most = 6.5e8, Sigma = 0.03 },
            new("time", "In", QuantityKind.Duration, "s") { Least = 0.1, Most = 360_000, Sigma = 0.02 },
            new("length", "Length of the line", QuantityKind.Length, "m") { Least = 0.01, Most = 2000 },
            new("bore", "Bore", QuantityKind.Length, "mm") { Least = 1e-3, Most = 0.5 },
            Material,
            new("trapped", "Other water shut in", QuantityKind.Volume, "L") { Usual = 0, Least = 0, Most = 10 },
        ],
        v =>
        {
            var beta = Liquid.PlainWater.BulkModulus(Quantity.From<Temperature>(20, Units.Celsius));
            var softness = Run(v).ComplianceM3Pa(beta) + (v["trapped"] / beta);
            var leak = softness * v["fall"] / v["time"];
            return
            [
                new(
                    "leak", "Leak", QuantityKind.VolumeFlow, leak, "leak = C · |dp/dt|, C = V · (stretch + 1/β)",
                    "Compressibility of water by IAPWS-IF97; hose stretch common practice, a third either way") { Unit = "mL/min" },
                new("drops", "In drops", QuantityKind.VolumeFlow, leak, "20 drops are 1 mL", "Common practice") { Unit = "drops/min" },
                new(
                    "softness", "Softness of the line", QuantityKind.Compliance, softness, "C = V · (stretch + 1/β)",
                    "Compressibility of water by IAPWS-IF97; hose stretch common practice"),
            ];
        },
        (_, setup) => setup.Outlet is { } run ? [("length", run.Length.Si), ("bore", run.Bore.Si)] : [])
    { Hazards = ["trapped-pressure", "overpressure"] };

    public static readonly EverydaySum HoseLoss = new(
        "hose-loss", "Hose and pipe loss", "Pressure lost in a run, and how fast the water goes in it.",
        [
            new("flow", "Flow", QuantityKind.VolumeFlow, "L/min") { Least = 1e-9, Most = 1, Sigma = 0.03 },
            new("length", "Length", QuantityKind.Length, "m") { Least = 0.01, Most = 2000 },
            new("bore", "Bore", QuantityKind.Length, "mm") { Least = 1e-3, Most = 0.5, Sigma = 0.01 },
            Material,
            new("fittings", "Fittings, in velocity heads", QuantityKind.Count, "") { Usual = 0, Least = 0, Most = 500 },
            Temperature,
        ],
        LossLines,
        (pump, setup) =>
        [
            ("flow", EverydaySum.AsItRuns(pump, setup).NozzleFlow),
            .. setup.Outlet is { } run ? new[] { ("length", run.Length.Si), ("bore", run.Bore.Si), ("fittings", run.FittingLoss) } : [],
        ]);

    public static SumField Material =>
        new("material", "Made of", QuantityKind.Count, "")
        {
            Choices = [
            ("hose", "hose"), ("steel", "steel pipe"), ("plastic", "plastic pipe")]
        };

    public static SumField Temperature =>
        new("temperature", "Water temperature", QuantityKind.Temperature, "°C") { Usual = 293.15, Least = 273.15, Most = 372.15 };

    public static LineRun Run(SumValues v) => LineRun.Create(
        new Length(v["length"]), new Length(v["bore"]), Enum.Parse<LineMaterial>(v.Pick("material"), true), v.Maybe("fittings") ?? 0);

    private static IEnumerable<SumLine> SizeLines(SumValues v)
    {
        var each = v["flow"] / v["nozzles"];
        var k = each / Math.Sqrt(v["at"]);
        yield return new("size", "Size number", QuantityKind.Count, k / SizeOne, "size = Q / √(p / 4000 psi), US gal/min", NozzleRule);
        yield return new(
            "orifice", "Orifice", QuantityKind.Length, Nozzle.OrificeOfCoefficient(k, 998.2), "d = √(4·Q / (π·Cd·√(2p/ρ)))",
            OrificeRule,
            "nozzle-orifice");
        if (v.Maybe("wanted") is { } wanted)
            yield return new(
                "at-wanted", "Flow at that pressure", QuantityKind.VolumeFlow, v["flow"] * Math.Sqrt(wanted / v["at"]),
                "Q₂ = Q₁ · √(p₂/p₁)", NozzleRule);
    }

    private static IEnumerable<SumLine> WearLines(SumValues v)
    {
        var (fresh, now) = (v["newFlow"] / Math.Sqrt(v["newAt"]), v["flow"] / Math.Sqrt(v["at"]));
        var growth = (now / fresh) - 1;
        yield return new("growth", "Area grown by", QuantityKind.Ratio, growth, "w = (Q₂/√p₂) / (Q₁/√p₁) − 1", NozzleRule);
        yield return new(
            "pressure", "Pressure it gives at the flow it was made for", QuantityKind.GaugePressure,
            v["newAt"] / ((1 + growth) * (1 + growth)), "p = p₁ / (1 + w)²", NozzleRule);
        yield return new(
            "orifice", "Orifice now", QuantityKind.Length, Nozzle.OrificeOfCoefficient(now, 998.2), "d = √(4·Q / (π·Cd·√(2p/ρ)))",
            OrificeRule, "nozzle-orifice");
    }

    private static IEnumerable<SumLine> DripLines(SumValues v)
    {
        yield return new(
            "hourly", "In an hour", QuantityKind.VolumeFlow, v["drops"], "20 drops are 1 mL", "Common practice")
        { Unit = "L/h" };
        yield return new(
            "per-minute", "In drops", QuantityKind.VolumeFlow, v["drops"], $"one drop is {DropM3 * 1e6:0.00} mL",
            "Common practice")
        { Unit = "drops/min" };
        if (v.Maybe("flow") is { } flow)
        {
            yield return new(
                "share", "Of the pump's flow", QuantityKind.Ratio, v["drops"] / flow, "leak / Q",
                "What leaks outside rarely explains lost pressure");
            yield return new(
                "one-percent", "One per cent of the flow would be", QuantityKind.VolumeFlow, 0.01 * flow, "0.01 · Q",
                "A stream, not a drip")
            { Unit = flow > 100 * LitrePerMinute ? "L/min" : "L/h" };
        }
    }

    private static IEnumerable<SumLine> LossLines(SumValues v)
    {
        var run = Run(v);
        var warm = new Temperature(v["temperature"]);
        var liquid = Liquid.PlainWater;
        var area = Math.PI / 4 * run.Bore.Si * run.Bore.Si;
        var velocity = v["flow"] / area;
        var reynolds = liquid.Density(warm).Si * velocity * run.Bore.Si / liquid.Viscosity(warm);
        yield return new(
            "loss", "Pressure lost", QuantityKind.GaugePressure, PipeFlow.Resistance(run, liquid, warm, v["flow"]) * v["flow"] * v["flow"],
            "Δp = (f·L/D + ΣK) · ρv²/2", "Darcy-Weisbach, Colebrook's factor");
        yield return new(
            "velocity", "Velocity", QuantityKind.Velocity, velocity, "v = 4Q / (πD²)",
            "In fixed pipework 0.3 to 0.6 m/s on the inlet, 1 to 1.5 m/s on the outlet (common practice)");
        yield return new("reynolds", "Reynolds number", QuantityKind.Count, reynolds, "Re = ρvD/μ", "Laminar below 2300");
        yield return new(
            "friction", "Friction factor", QuantityKind.Count, PipeFlow.FrictionFactor(reynolds, run.Roughness.Si / run.Bore.Si),
            "1/√f = −2·log₁₀(ε/3.7D + 2.51/(Re√f))", "Colebrook");
    }
}
