using MildHunch.Core.Checks;
using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Evidence;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Diagnosis;

/// <summary>
/// A counted drip speaks for what leaks there, however small it is, and a drop now and then for nothing (docs/trade.md, Drips; common
/// practice, no source). Every fault that shows outside, at every place, rate and time, on pumps of every arrangement.
/// </summary>
public class SmallLeakTests
{
    private static readonly bool All = Draws.Of("SMALL_LEAKS", 0) > 0;
    private static readonly double[] Rates = All ? [1, 2, 5, 10, 20, 30, 60, 120, 300] : [1, 10];
    private static readonly double[] Idle = All ? [0.3, 1, 2] : [1];
    private static readonly Dripping[] Times = All ? Enum.GetValues<Dripping>() : [Dripping.Running];
    private static readonly Reading[] Sound = [
        Read("discharge-pressure", 69, "bar"), Read("nozzle-flow", 19, "L/min"), Read("speed", 1449, "rpm")];

    /// <summary>Pumps of every arrangement with what is fitted to each.</summary>
    public static TheoryData<string> Pumps => [.. Fitted.Keys];

    private static Dictionary<string, (ReciprocatingPump Pump, Setup Setup)> Fitted { get; } = Every.Fitted();

    [Theory]
    [MemberData(nameof(Pumps))]
    public void A_counted_drip_speaks_for_what_leaks_there(string name)
    {
        var (pump, setup) = Fitted[name];
        foreach (var (place, leaks) in Places(pump, setup))
        {
            double Leaking(Verdict verdict) => verdict.Suspects.Where(s => leaks.Contains(s.Fault.Id)).Sum(s => s.Probability);
            var before = Leaking(Judge(pump, setup, Saw([])));
            foreach (var rate in Rates)
                foreach (var when in All || rate == 10 ? Times : [Dripping.Unsaid])
                {
                    var verdict = Judge(pump, setup, Saw([], place with { DropsPerMinute = rate, When = when }));
                    var what = $"{name}, {place.Answer} {place.Cylinder} {place.Side}, {rate} a minute, {when}";
                    Leaking(verdict).ShouldBeGreaterThan(before, what);
                    if (rate >= 10)
                        leaks.ShouldContain(verdict.Leader.Fault.Id, what);
                }
        }
    }

    [Theory]
    [MemberData(nameof(Pumps))]
    public void A_drop_now_and_then_accuses_nobody(string name)
    {
        var (pump, setup) = Fitted[name];
        foreach (var (place, _) in Places(pump, setup))
            foreach (var rate in Idle)
            {
                var verdict = Judge(pump, setup, Saw([], place with { DropsPerMinute = rate }));
                foreach (var suspect in verdict.Suspects.Where(s => s.Fault.Id != Catalogue.NoFault))
                    suspect.Probability.ShouldBeLessThan(0.5, $"{name}, {place.Answer}, {rate} a minute: {suspect.Fault.Id}");
            }
    }

    [Fact]
    public void A_cap_ring_that_drips_is_the_cap_ring() =>
        Leader(Fog2, new CueFact("leak-at", "cap", 1, Side.Discharge, 20)).ShouldBe("valve-cap-oring");

    [Fact]
    public void A_joint_that_drips_is_its_ring_before_its_bolts()
    {
        var verdict = Judge(Fog2, Fog2Setup(), Saw(Sound, new CueFact("leak-at", "joint", DropsPerMinute: 60)));
        verdict.Leader.Fault.Id.ShouldBe("manifold-joint-oring");
        verdict.Of("manifold-joint-oring").ShouldBeGreaterThan(2 * verdict.Of("head-loose"));
    }

    [Fact]
    public void A_stem_that_drips_is_the_diaphragm() =>
        Leader(Triplex(control: ControlKind.Regulator), new CueFact("leak-at", "regulator-stem", DropsPerMinute: 30))
            .ShouldBe("regulator-diaphragm-cracked");

    [Fact]
    public void A_cup_that_weeps_is_the_cup()
    {
        var (pump, setup) = Fitted["twin piston"];
        var verdict = Judge(pump, setup, Saw([], new CueFact("leak-at", "weep", 1, DropsPerMinute: 60)));
        verdict.Leader.Fault.Id.ShouldBe("cup-worn");
        verdict.Of(Catalogue.NoFault).ShouldBeLessThan(0.05);
    }

    /// <summary>
    /// docs/trade.md, Drips: on a head drilled to the weep a high-pressure seal drips under load and stands dry, where a low-pressure seal
    /// that is fed drips standing too.
    /// </summary>
    [Fact]
    public void When_it_drips_tells_the_high_pressure_seal_from_the_low_pressure_seal()
    {
        var (pump, setup) = Fitted["triplex, seals to the weep"];
        double Odds(Dripping when)
        {
            var verdict = Judge(
                pump, setup, Saw(Sound, new CueFact("leak-at", "weep", 2, DropsPerMinute: 60, When: when)));
            return verdict.Of("hp-seal-worn") / verdict.Of("lp-seal-worn");
        }

        Odds(Dripping.Running).ShouldBeGreaterThan(0.5);
        Odds(Dripping.Standing).ShouldBeLessThan(0.1);
        Judge(pump, setup, Saw(Sound, new CueFact("leak-at", "weep", 2, DropsPerMinute: 60, When: Dripping.Running)))
            .Of("hp-seal-worn").ShouldBeGreaterThan(0.2);
    }

    private static string Leader(ReciprocatingPump pump, CueFact drip) =>
        Judge(pump, Fog2Setup(), Saw(Sound, drip)).Leader.Fault.Id;

    // One of each place where it may drip, and the faults that drip there; of alike cylinders the second speaks for all.
    private static IEnumerable<(CueFact Place, HashSet<string> Leaks)> Places(ReciprocatingPump pump, Setup setup)
    {
        var all = HypothesisSet.For(Known, pump, setup, []).All;
        var model = new CueModel(Known, pump, setup, all);
        return model.Possible(Known.Cue("leak-at")!).Where(f => f.Answer != "none" && f.Cylinder is null or 1 or 2)
            .Where(f => All || f.Cylinder is null or 2)
            .Select(f => (f, all.Index().Where(h => model.Drip(h.Index, f) is not null).Select(h => h.Item.Fault.Id).ToHashSet()))
            .Where(p => p.Item2.Count > 0);
    }
}
