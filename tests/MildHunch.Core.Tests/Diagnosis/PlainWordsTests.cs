using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Evidence;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Diagnosis;

/// <summary>
/// What a healthy pump does not do is not called healthy, and nothing is suspected that a pump has not (common practice, no source).
/// </summary>
public class PlainWordsTests
{
    private static readonly string[] Assembly = ["valve-misfitted", "seal-reversed", "intens-endcap-misaligned"];
    private static readonly string[] OfAShaft = ["belt-slip", "oil-seal-leak", "plunger-joint-loose"];

    private static readonly Setup Injecting = Around(Fog2Setup(), injector: InjectorPlace.Outlet);

    /// <summary>Abnormal finds that come from a healthy pump once or twice in a hundred.</summary>
    public static TheoryData<string, string> Plain => new()
    {
        { "restart", "hard" }, { "chemical-draw", "none" }, { "closed-outlet", "cycles" }, { "oil", "milky" }, { "oil", "metallic" },
        { "needle", "swings" }, { "needle", "hunts" },
    };

    [Theory]
    [MemberData(nameof(Plain))]
    public void What_a_healthy_pump_hardly_does_is_not_healthy(string cue, string answer)
    {
        var verdict = Judge(Eased(), Injecting, Saw([], new CueFact(cue, answer)));
        verdict.Leader.Fault.Id.ShouldNotBe(Catalogue.NoFault);
        verdict.Of(Catalogue.NoFault).ShouldBeLessThan(0.25);
    }

    [Fact]
    public void The_minute_that_would_settle_a_hard_start_comes_first()
    {
        foreach (var pump in new[] { Eased(), Fog2 })
            Judge(pump, Injecting, Saw([], new CueFact("restart", "hard"))).NextChecks[0].Check.Id.ShouldBe("vent-and-turn");
    }

    /// <summary>Water in the oil comes past the plunger, not from its valves.</summary>
    [Fact]
    public void Milky_oil_without_a_drip_is_the_plungers_oil_seal_or_retainer()
    {
        var verdict = Judge(Fog2, Fog2Setup(), Saw([], new CueFact("oil", "milky"), new CueFact("leak-at", "none")));
        verdict.Leader.Fault.Id.ShouldBeOneOf("plunger-oil-seal", "oil-condensation");
        string[] water = ["plunger-oil-seal", "oil-condensation", "plunger-retainer-seal"];
        verdict.Suspects.Where(s => water.Contains(s.Fault.Id)).Sum(s => s.Probability).ShouldBeGreaterThan(0.5);
        double Action(string action) => verdict.Actions.Where(a => a.Action == action).Sum(a => a.Probability);
        Math.Min(Action("oil-seals"), Action("plunger-retainers")).ShouldBeGreaterThan(
            Math.Max(Action("inlet-valves"), Action("discharge-valves")));
    }

    [Fact]
    public void Nothing_is_suspected_that_a_pump_has_not()
    {
        foreach (var (name, (pump, setup)) in Every.Fitted())
        {
            var faults = HypothesisSet.For(Known, pump, setup, []).All.Select(h => h.Fault.Id).ToHashSet();
            faults.ShouldNotContain("start-valve-open", name);
            faults.ShouldNotContain("packing-dry-or-tight", name);
            if (pump.Arrangement is Arrangement.Intensifier or Arrangement.Axial)
                faults.Intersect(OfAShaft).ShouldBeEmpty(name);
            if (pump.Arrangement == Arrangement.Intensifier)
                faults.Intersect(["drive-end-knock", "drive-end-dry", "speed-low", "head-loose", "manifold-joint-oring", "head-cracked"])
                    .ShouldBeEmpty(name);
        }

        HypothesisSet.For(Known, Eased(), Fog2Setup(), []).All.ShouldContain(h => h.Fault.Id == "start-valve-open");
        HypothesisSet.For(Known, Packed(), Fog2Setup(), []).All.ShouldContain(h => h.Fault.Id == "packing-dry-or-tight");
    }

    [Fact]
    public void What_comes_about_at_assembly_is_suspected_where_the_pump_was_opened()
    {
        foreach (var (name, (pump, setup)) in Every.Fitted())
        {
            double Weight(CaseEvidence evidence)
            {
                var all = HypothesisSet.For(Known, pump, setup, evidence).All;
                return all.Where(h => Assembly.Contains(h.Fault.Id)).Sum(h => h.Prior)
                    / all.Single(h => h.Fault.Id == Catalogue.NoFault).Prior;
            }

            var never = Weight(CaseEvidence.None);
            Weight(CaseEvidence.None with { Opened = true }).ShouldBe(20 * never, 1e-9, name);
            Weight(CaseEvidence.None with { Contexts = ["just-rebuilt"] }).ShouldBe(80 * never, 1e-9, name);
        }
    }

    /// <summary>A packing drips a little when it is right, more while it beds in, and not at all where it runs dry.</summary>
    [Fact]
    public void A_packing_that_beds_in_accuses_nobody()
    {
        foreach (var rate in new[] { 5.0, 10, 15, 20 })
        {
            var verdict = Judge(Packed(), Fog2Setup(), Saw([], new CueFact("leak-at", "weep", 2, DropsPerMinute: rate)));
            verdict.Suspects.Where(s => s.Fault.Id != Catalogue.NoFault).ShouldAllBe(s => s.Probability < 0.5);
            verdict.Leader.Fault.Id.ShouldBe(Catalogue.NoFault, $"{rate} a minute");
        }

        var hot = new CueFact("gland-heat", "hot", 2);
        var dry = Judge(Packed(), Fog2Setup(), Saw([], hot, new CueFact("leak-at", "none")));
        dry.Of("packing-dry-or-tight").ShouldBeGreaterThan(Judge(Packed(), Fog2Setup(), Saw([], hot)).Of("packing-dry-or-tight"));
        var pours = Judge(Packed(), Fog2Setup(), Saw([], new CueFact("leak-at", "weep", 2, DropsPerMinute: 300)));
        pours.Leader.Fault.Id.ShouldNotBe(Catalogue.NoFault);
        pours.Of("hp-seal-worn").ShouldBeGreaterThan(2 * Judge(Packed(), Fog2Setup(), CaseEvidence.None).Of("hp-seal-worn"));
    }

    /// <summary>“No pressure” speaks until somebody reads a gauge; the same thing told twice is no more than told once.</summary>
    [Fact]
    public void Pressure_as_it_is_told_counts_until_it_is_read()
    {
        var low = new CueFact("pressure", "low");
        Judge(Fog2, Fog2Setup(), Saw([], low)).Of(Catalogue.NoFault)
            .ShouldBeLessThan(0.6 * Judge(Fog2, Fog2Setup(), CaseEvidence.None).Of(Catalogue.NoFault));
        Reading[] read = [Read("discharge-pressure", 52, "bar")];
        Judge(Fog2, Fog2Setup(), Saw(read, low)).Suspects.Select(s => s.Probability)
            .ShouldBe(Judge(Fog2, Fog2Setup(), Saw(read)).Suspects.Select(s => s.Probability));
        var stuck = Judge(Fog2, Fog2Setup(), Saw([], new CueFact("pressure", "none"), new CueFact("bypass-with-outlet-open", "most")));
        stuck.Leader.Fault.Id.ShouldBe("unloader-stuck-open");
    }

    private static ReciprocatingPump Packed() => Made(SealKind.Packing, false);

    private static ReciprocatingPump Eased() => Made(SealKind.Lip, true);

    private static ReciprocatingPump Made(SealKind seals, bool startValve) => ReciprocatingPump.Create(
        3, Q<Length>(18, "mm"), Q<Length>(18, "mm"), Q<RotationalSpeed>(1450, "rpm"), Q<GaugePressure>(100, "bar"), seals: seals,
        startValve: startValve);

    private static Setup Around(Setup setup, InjectorPlace injector) => Setup.Create(
        setup.Speed, setup.Nozzle, setup.ControlSetting, setup.Line, relief: Q<GaugePressure>(110, "bar"), injector: injector,
        supplyPressure: Q<GaugePressure>(2, "bar"));
}
