using CsCheck;
using MildHunch.Core.Expectation.Everyday;
using MildHunch.Core.Quantities;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Expectation.Everyday;

public class EverydaySumTests
{
    private static readonly Dictionary<string, string> NoPicks = [];

    private static IReadOnlyDictionary<string,
    SumResult> Work(string id, Dictionary<string, string>? picks, params (string Field, double Value, string Unit)[] noted)
    {
        var sum = EverydaySums.Find(id)!;
        var entries = noted.ToDictionary(t => t.Field, t =>
        {
            var kind = sum.Fields.Single(f => f.Id == t.Field).Kind;
            return new Amount(kind, Quantity.UnitNamed(kind, t.Unit, t.Field).ToSi(t.Value));
        });
        return sum.Work(entries, picks ?? NoPicks).ToDictionary(r => r.Figure.Id);
    }

    private static double In(SumResult result, string unit) =>
        result.Figure.Value.In(Quantity.UnitNamed(result.Figure.Value.Kind, unit, "unit"));

    [Fact]
    public void A_bucket_of_ten_litres_in_48_seconds()
    {
        var flow = Work("bucket", null, ("volume", 10, "L"), ("time", 48, "s"))["flow"];
        In(flow, "L/min").ShouldBe(12.5, 1e-9);
        flow.Readings.ShouldContain("nozzle-flow");

        // Two per cent each of volume and time: four times √2 between the ends of the two-sigma band.
        (flow.Figure.High.Si - flow.Figure.Low.Si).ShouldBe(4 * Math.Sqrt(2) * 0.02 * flow.Figure.Value.Si, 0.01 * flow.Figure.Value.Si);
        flow.Figure.Band.Count.ShouldBe(2);
    }

    /// <summary>Size 4 is 4 US gal/min at 4000 psi (definition of the trade number).</summary>
    [Fact]
    public void Nozzle_size()
    {
        var results = Work("nozzle-size", null, ("flow", 4, "US gal/min"), ("at", 4000, "psi"), ("wanted", 1000, "psi"));
        In(results["size"], "").ShouldBe(4, 1e-9);
        In(results["at-wanted"], "US gal/min").ShouldBe(2, 1e-9);
    }

    /// <summary>Area grown by a fifth: 1/1.44 of the pressure at the same flow (docs/trade.md, Nozzle).</summary>
    [Fact]
    public void Nozzle_wear()
    {
        var results = Work("nozzle-wear", null, ("newFlow", 10, "L/min"), ("newAt", 100, "bar"), ("flow", 12, "L/min"), ("at", 100, "bar"));
        In(results["growth"], "%").ShouldBe(20, 1e-9);
        In(results["pressure"], "bar").ShouldBe(100 / 1.44, 1e-9);
    }

    /// <summary>30 drops a minute are 0.09 L/h; 1 % of 12 L/min is 7.2 L/h (docs/trade.md, Drips; common practice).</summary>
    [Fact]
    public void Drips()
    {
        var results = Work("drips", null, ("drops", 30, "drops/min"), ("flow", 12, "L/min"));
        In(results["hourly"], "L/h").ShouldBe(0.09, 1e-9);
        In(results["one-percent"], "L/h").ShouldBe(7.2, 1e-9);
    }

    /// <summary>
    /// Check pairs of docs/trade.md, Bolts: 10 N·m = 88.51 in·lbf = 7.376 ft·lbf; 30 = 265.5 = 22.13; 100 = 885.1 = 73.76.
    /// </summary>
    [Theory]
    [InlineData(10, 88.51, 7.376)]
    [InlineData(30, 265.5, 22.13)]
    [InlineData(100, 885.1, 73.76)]
    public void Torque(double newtonMetres, double inchPounds, double footPounds)
    {
        var results = Work("torque", null, ("torque", newtonMetres, "N·m"));
        In(results["inlb"], "in·lbf").ShouldBe(inchPounds, 1e-4 * inchPounds);
        In(results["ftlb"], "ft·lbf").ShouldBe(footPounds, 2e-4 * footPounds);
    }

    /// <summary>8.8, dry: M8 25, M10 50, M12 88, M16 219 N·m (docs/trade.md, Bolts; ISO 898-1 from memory).</summary>
    [Theory]
    [InlineData("M8", 25)]
    [InlineData("M10", 50)]
    [InlineData("M12", 88)]
    [InlineData("M16", 219)]
    public void Bolt_ceiling(string size, double newtonMetres) =>
        In(Work("bolt", new() { ["size"] = size, ["grade"] = "8.8", ["thread"] = "dry" })["ceiling"], "N·m").ShouldBe(newtonMetres, 0.6);

    /// <summary>bar · L/min / 600 = kW; psi · gpm / 1714 = hp; motor psi · gpm / 1460 (common practice).</summary>
    [Fact]
    public void Power()
    {
        In(Work("power", null, ("pressure", 100, "bar"), ("flow", 60, "L/min"))["hydraulic"], "kW").ShouldBe(10, 1e-9);
        var american = Work("power", null, ("pressure", 1000, "psi"), ("flow", 10, "US gal/min"));
        In(american["hydraulic"], "hp").ShouldBe(10_000.0 / 1714, 0.002);
        In(american["motor"], "hp").ShouldBe(10_000.0 / 1460, 0.003);
    }

    /// <summary>Four poles, 50 Hz: 1500 rpm without slip; pulleys 100 to 250; creep 1.5 %.</summary>
    [Fact]
    public void Pulley() =>
        In(
            Work(
                "pulley", null, ("poles", 4, ""), ("frequency", 50, "Hz"), ("slip", 0, "%"), ("driverPulley", 100, "mm"),
                ("pumpPulley", 250, "mm"))["speed"],
            "rpm").ShouldBe(600 * 0.985, 1e-6);

    /// <summary>Water in 50 mm: v = 4Q/πD²; head lost as Darcy and Weisbach have it with the factor shown.</summary>
    [Fact]
    public void Hose_loss()
    {
        var results = Work(
            "hose-loss", new() { ["material"] = "steel" }, ("flow", 100, "L/min"), ("length", 20, "m"), ("bore", 50, "mm"),
            ("temperature", 20, "°C"));
        var v = In(results["velocity"], "m/s");
        v.ShouldBe(0.1 / 60 / (Math.PI / 4 * 0.0025), 1e-6);
        In(results["loss"], "Pa").ShouldBe(In(results["friction"], "") * 20 / 0.05 * 998.2 * v * v / 2, 0.5);
    }

    /// <summary>A litre of rigid water losing 22 bar a second leaks V/β·dp/dt, 1 mL/s (β about 2.2 GPa).</summary>
    [Fact]
    public void Pressure_fall()
    {
        var results = Work(
            "pressure-fall", new() { ["material"] = "steel" }, ("fall", 22, "bar"), ("time", 1, "s"), ("length", 0.01, "m"),
            ("bore", 1, "mm"), ("trapped", 1, "L"));
        In(results["leak"], "mL/min").ShouldBe(60, 1.5);
    }

    /// <summary>Within 0.6 to 0.7 of the working pressure (common practice); swing falls as softness grows.</summary>
    [Fact]
    public void Dampener_charge()
    {
        var small = Work("dampener", null, ("pressure", 60, "bar"), ("gas", 100, "mL"), ("swept", 22, "mL"));
        var large = Work("dampener", null, ("pressure", 60, "bar"), ("gas", 400, "mL"), ("swept", 22, "mL"));
        In(small["wanted"], "bar").ShouldBeInRange(36, 42);
        (In(small["swing"], "bar") / In(large["swing"], "bar")).ShouldBe(4, 1e-6);
    }

    /// <summary>
    /// The example of the gas processors' handbook once more, as a technician would type it: 3.88 ft at K 1.4, so 3.62 at water's 1.5.
    /// </summary>
    [Fact]
    public void Inlet()
    {
        var results = Work(
            "inlet", new() { ["material"] = "steel" }, ("flow", 73, "US gal/min"), ("speed", 360, "rpm"), ("length", 4, "ft"),
            ("bore", 4.026, "in"), ("temperature", 20, "°C"));
        In(results["velocity"], "ft/s").ShouldBe(1.84, 0.01);
        In(results["acceleration"], "ft").ShouldBe(3.88 * 1.4 / 1.5, 0.03);
    }

    [Fact]
    public void Every_sum_is_filled_by_a_pump_and_then_works()
    {
        foreach (var sum in EverydaySums.All.Where(s => s.FromPump is not null))
        {
            var filled = sum.FromPump!(Fog2, Fog2Setup())
                .ToDictionary(f => f.Field, f => new Amount(sum.Fields.Single(x => x.Id == f.Field).Kind, f.Si));
            foreach (var field in sum.Fields.Where(f => !f.Optional && f.Usual is null && f.Choices.Count == 0
                && !filled.ContainsKey(f.Id)))
                filled[field.Id] = new Amount(
                    field.Kind, Math.Clamp(Units.Find(field.Kind, field.Unit)!.ToSi(10), field.Least, field.Most));
            foreach (var result in sum.Work(filled, NoPicks))
            {
                double.IsFinite(result.Figure.Value.Si).ShouldBeTrue($"{sum.Id}: {result.Figure.Id}");
                result.Figure.Working.Equation.ShouldNotBeNullOrWhiteSpace();
                result.Figure.Working.Source.ShouldNotBeNullOrWhiteSpace();
            }
        }
    }

    [Fact]
    public void No_valid_entry_gives_anything_but_finite_figures() =>
        Gen.Select(Gen.Int[0, EverydaySums.All.Count - 1], Gen.Double[0, 1].Array[12], Gen.Int[0, 30]).Sample(
        (which, shares, pick) =>
        {
            var sum = EverydaySums.All[which];
            var entries = new Dictionary<string, Amount>();
            var picks = new Dictionary<string, string>();
            for (var i = 0; i < sum.Fields.Count; i++)
            {
                var field = sum.Fields[i];
                if (field.Choices.Count > 0)
                    picks[field.Id] = field.Choices[pick % field.Choices.Count].Id;
                else
                    entries[field.Id] = new Amount(field.Kind, field.Least + (shares[i] * (Math.Min(field.Most, 1e9) - field.Least)));
            }

            foreach (var result in sum.Work(entries, picks))
                double.IsFinite(result.Figure.Value.Si).ShouldBeTrue($"{sum.Id}: {result.Figure.Id}");
        },
        iter: 2000);

    [Fact]
    public void Bad_entries_are_refused_with_the_field_named()
    {
        Should.Throw<ImpossibleInputException>(() => Work("bucket", null, ("volume", 10, "L"))).Field.ShouldBe("time");
        Should.Throw<ImpossibleInputException>(() => Work("bucket", null, ("volume", -1, "L"), ("time", 3, "s"))).Field.ShouldBe("volume");
        Should.Throw<ImpossibleInputException>(() => EverydaySums.Find("bolt")!.Work(
            new Dictionary<string, Amount>(), new Dictionary<string, string> { ["size"] = "M99" })).Accepted.ShouldContain("M8");
        Should.Throw<ImpossibleInputException>(() => EverydaySums.Find("torque")!.Work(
            new Dictionary<string, Amount> { ["colour"] = default }, NoPicks)).Field.ShouldBe("colour");
    }
}
