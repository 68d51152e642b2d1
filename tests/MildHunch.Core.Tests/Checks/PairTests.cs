using MildHunch.Core.Checks;
using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Faults;
using MildHunch.Core.Hydraulics.Steady;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Checks;

/// <summary>Two things wrong at once.</summary>
public class PairTests
{
    /// <summary>
    /// Two dead valves in different cylinders leave a third of the flow and a ninth of the pressure (docs/trade.md, Soft and stiff
    /// outlets): no single fault of a
    /// cylinder does.
    /// </summary>
    [Fact]
    public void A_third_of_the_flow_is_two_cylinders()
    {
        var verdict = Judge(Fog2, Fog2Setup(), Saw(
            [
                Read("discharge-pressure", 8, "bar"), Read("nozzle-flow", 6.3, "L/min"), Read("bypass-flow", 0, "L/min"),
                Read("speed", 1450, "rpm"), Read("inlet-pressure", 0, "bar")],
            new("needle", "swings"), new("inlet-hose", "calm"), new("sound", "smooth"), new("supply-strainer", "clean"),
            new("bubbles-in-supply", "no"), new("closed-outlet", "holds")));
        verdict.TwoAtOnce.ShouldBeGreaterThan(0.5);
        var pair = verdict.Pairs[0];
        pair.First.Cylinder.ShouldNotBe(pair.Second.Cylinder);
        new[] { pair.First, pair.Second }.ShouldAllBe(h => h.Fault.Part == "discharge-valve" || h.Fault.Part == "inlet-valve"
            || h.Fault.Part == "hp-seal");
    }

    /// <summary>A weep that explains no pressure, and a nozzle that explains no weep (docs/trade.md, Drips): both are needed.</summary>
    [Fact]
    public void A_weep_and_a_worn_nozzle_are_two()
    {
        Verdict Weeping(double? drops) => Judge(Fog2, Fog2Setup(), Saw(
            [
                Read("discharge-pressure", 45, "bar"), Read("nozzle-flow", 19.2, "L/min"), Read("speed", 1450, "rpm"),
                Read("bypass-flow", 0, "L/min")],
            new("needle", "steady"), new("leak-at", "weep", 2, DropsPerMinute: drops), new("sound", "smooth")));
        var verdict = Weeping(null);
        verdict.Of("nozzle-worn").ShouldBeGreaterThan(0.4);
        verdict.Actions.First(a => a.Action == "nozzle").Probability.ShouldBeGreaterThan(0.8);
        verdict.Actions.First(a => a.Action == "lp-seals").Probability.ShouldBeGreaterThan(0.25);

        // All pairs hold one share of the prior: the more faults there are, the less of it each has.
        verdict.TwoAtOnce.ShouldBeGreaterThan(0.25);

        // A steady drip that was counted makes it surer still that there are two.
        Weeping(120).TwoAtOnce.ShouldBeGreaterThan(0.5);
        Weeping(120).Actions.Take(2).Select(a => a.Action).ShouldBe(["nozzle", "lp-seals"], ignoreOrder: true);
    }

    [Fact]
    public void All_pairs_hold_their_share_of_the_prior()
    {
        var singles = HypothesisSet.For(Known, Fog2, Fog2Setup(), []).All;
        var few = Pairs.Choose(singles, [.. singles.Select(h => h.Prior)]);
        few.Sum(p => p.Prior).ShouldBeLessThan(Pairs.PriorShare);
        few.ShouldAllBe(p => p.Prior > 0);

        // Two valves three times as often as chance (docs/trade.md, Verdict).
        int At(string fault, int k) =>
            Enumerable.Range(0, singles.Count).Single(i => singles[i].Fault.Id == fault && singles[i].Cylinder == k);
        Pair Of(int a, int b) => few.Single(p => (p.First == a && p.Second == b) || (p.First == b && p.Second == a));
        var valves = Of(At("discharge-valve-leak", 1), At("discharge-valve-leak", 2)).Prior
            / Math.Pow(singles[At("discharge-valve-leak", 1)].Prior, 2);
        var seals = Of(At("lp-seal-worn", 1), At("lp-seal-worn", 2)).Prior / Math.Pow(singles[At("lp-seal-worn", 1)].Prior, 2);
        valves.ShouldBe(3 * seals, 1e-9 * seals);
    }

    [Fact]
    public void Nothing_is_paired_with_itself_or_with_a_sound_pump()
    {
        var singles = HypothesisSet.For(Known, Fog2, Fog2Setup(), []).All;
        foreach (var pair in Pairs.Choose(singles, [.. singles.Select(h => h.Prior)]))
        {
            var (a, b) = (singles[pair.First], singles[pair.Second]);
            a.Fault.Id.ShouldNotBe(Catalogue.NoFault);
            (a.Fault.Part == b.Fault.Part && a.Cylinder == b.Cylinder && a.Side == b.Side).ShouldBeFalse();
        }
    }

    /// <summary>What the verdict reads off its table of pairs is what solving that very pump gives.</summary>
    [Theory]
    [InlineData("discharge-valve-leak", "nozzle-oversize", 0.95, 0.35)]
    [InlineData("inlet-valve-leak", "unloader-leaking-by", 0.4, 0.7)]
    [InlineData("speed-low", "nozzle-worn", 0.3, 0.8)]
    public void A_pair_explains_the_pump_that_has_both(string one, string other, double how, double bad)
    {
        var solver = new OperatingPointSolver(Fog2, Fog2Setup());
        var point = solver.Solve(
            FaultLoad.Lay(Known, Fog2, Fog2Setup(), [new FaultLoad(one, how, 2), new FaultLoad(other, bad)]), 1, 1,
            OutletCompliance.Typical(Fog2Setup()));
        var verdict = Judge(Fog2, Fog2Setup(), Saw(
            [
                Read("discharge-pressure", point.PressurePa / 1e5, "bar"), Read("nozzle-flow", point.NozzleFlow * 6e4, "L/min"),
                Read("bypass-flow", point.BypassFlow * 6e4, "L/min"), Read("speed", point.SpeedHz * 60, "rpm"),
                Read("swing", point.SwingPa / 1e5, "bar")]));
        verdict.Pairs.ShouldContain(p => (p.First.Fault.Id == one && p.Second.Fault.Id == other)
            || (p.First.Fault.Id == other && p.Second.Fault.Id == one));
        verdict.Contradictions.ShouldBeEmpty();
    }
}
