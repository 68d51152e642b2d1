using System.Text.Json.Nodes;
using MildHunch.Core.Checks;
using MildHunch.Core.Evidence;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Faults;

/// <summary>
/// Nothing that the product advises may hurt: what is opened is locked out, what is shut has a relief (common practice, no source).
/// </summary>
public class SafetyTests
{
    private static readonly Diagnoser Diagnoser = new(Known);

    private static readonly Setup WithRelief = Setup.Create(
        Q<RotationalSpeed>(1450, "rpm"), Nozzle.FromPoint(Q<VolumeFlow>(19.17, "L/min"), Q<GaugePressure>(70, "bar")),
        Q<GaugePressure>(85, "bar"), OutletLine.Hose, relief: Q<GaugePressure>(105, "bar"));

    private static CaseEvidence Low(params CueFact[] cues) =>
        Saw([Read("discharge-pressure", 45, "bar"), Read("nozzle-flow", 15, "L/min")], cues);

    private static string[] Offered(Setup setup, CaseEvidence evidence) =>
        [.. Diagnoser.Diagnose(Fog2, setup, evidence).NextChecks.Select(c => c.Check.Id)];

    [Fact]
    public void Every_check_and_mend_that_opens_something_carries_lock_out_and_trapped_pressure()
    {
        foreach (var check in Known.Checks.Where(c => c.Opens is not ("nothing" or "guards stay on")))
            check.Hazards.ShouldBeSubsetOf(Known.Hazards.Select(h => h.Id)).ShouldContainBoth(check.Id);
        foreach (var fault in Known.Faults.Where(f => f.Id is not ("no-fault" or "unloader-set-low")))
            fault.Hazards.ShouldBeSubsetOf(Known.Hazards.Select(h => h.Id)).ShouldContainBoth(fault.Id);
    }

    [Fact]
    public void No_check_that_runs_a_shut_pump_lacks_a_relief_or_a_control()
    {
        Check[] shut = [.. Known.Checks.Where(c => c.Cue is "closed-outlet" or "shut-at-pump")];
        shut.Length.ShouldBe(2);
        shut.ShouldAllBe(c => c.OutletShut && c.Fitted.Contains("relief") && c.Requires.Count > 0 && !c.Requires.Contains("relief")
            && c.NotWhile != null);
        Known.Checks.Where(c => c.OutletShut).ShouldBe(shut);
    }

    [Theory]
    [InlineData("checks.json", "closed-outlet-hold", "fitted", "needs a relief")]
    [InlineData("checks.json", "closed-outlet-hold", "requires", "needs a relief")]
    [InlineData("checks.json", "strainer-open", "hazards", "lock-out")]
    [InlineData("faults.json", "nozzle-worn", "hazards", "lock-out")]
    public void A_catalogue_that_forgets_it_is_refused(string file, string id, string list, string says)
    {
        var entries = JsonNode.Parse(ReadFile(file))!.AsArray();
        entries.Single(e => e!["id"]!.GetValue<string>() == id)![list] = new JsonArray();
        Should.Throw<CatalogueException>(() => Catalogue.Read(name => name == file
            ? entries.ToJsonString()
            : ReadFile(name))).Message.ShouldContain(says);
    }

    [Fact]
    public void The_outlet_is_shut_only_with_a_relief_on_record()
    {
        Offered(Fog2Setup(), Low()).ShouldNotContain("closed-outlet-hold");
        Offered(WithRelief, Low()).ShouldContain("closed-outlet-hold");
    }

    [Fact]
    public void The_outlet_is_not_shut_while_the_unloader_may_be_stuck()
    {
        var evidence = Saw([], new CueFact("restart", "hard"));
        Diagnoser.Diagnose(Fog2, WithRelief, evidence).Of("unloader-stuck-shut").ShouldBeGreaterThan(0.05);
        Offered(WithRelief, evidence).ShouldNotContain("closed-outlet-hold");
    }

    [Fact]
    public void The_screw_is_turned_only_once_nozzle_flow_and_gauge_are_proved()
    {
        CueFact[] proved = [new("gauge-after-venting", "zero"), new("known-nozzle", "no-change"), new("bypass-with-outlet-open", "most")];
        CaseEvidence Noted(int cues) => Low(proved[..cues]);
        Offered(WithRelief, Noted(1)).ShouldNotContain("unloader-screw");
        Offered(WithRelief, Noted(3)).ShouldContain("unloader-screw");
        Offered(Fog2Setup(), Noted(3)).ShouldNotContain("unloader-screw");
    }

    [Theory]
    [InlineData("knock", "sound", "knock", null, false)]
    [InlineData("crack", "found-hp-seals", "head", null, false)]
    [InlineData("crack", "found-hp-seals", "cracked", 2, false)]
    [InlineData("jet", "leak-at", "cap", 2, true)]
    [InlineData("jet", "leak-at", "joint", null, true)]
    public void A_stop_sign_ends_all_checks_on_the_running_pump(string sign, string cue, string answer, int? cylinder, bool stream)
    {
        var verdict = Diagnoser.Diagnose(Fog2, WithRelief, Low(new CueFact(cue, answer, cylinder, Stream: stream)));
        verdict.StopNow.Single().Sign.Id.ShouldBe(sign);
        verdict.NextChecks.ShouldAllBe(c => !c.Check.Running);
        verdict.NextChecks.ShouldNotBeEmpty();
    }

    [Fact]
    public void Milky_oil_stops_the_pump_only_with_water_at_the_crankcase()
    {
        Diagnoser.Diagnose(Fog2, WithRelief, Low(new CueFact("oil", "milky"))).StopNow.ShouldBeEmpty();
        Diagnoser.Diagnose(
            Fog2, WithRelief,
            Low(new CueFact("oil", "milky"), new CueFact("leak-at", "weep", 1, DropsPerMinute: 0))).StopNow.ShouldBeEmpty();
        Diagnoser.Diagnose(
            Fog2, WithRelief,
            Low(
                new CueFact("oil", "milky"),
                new CueFact("leak-at", "head-to-crankcase"))).StopNow.Single().Sign.Id.ShouldBe("water-in-crankcase");
    }

    [Fact]
    public void A_drip_at_a_cap_is_no_jet() =>
        Diagnoser.Diagnose(Fog2, WithRelief, Low(new CueFact("leak-at", "cap", 2, Side.Inlet, 12))).StopNow.ShouldBeEmpty();

    [Fact]
    public void Nobody_is_sent_near_an_intensifier_with_a_rod()
    {
        var offered = Diagnoser.Diagnose(
            Every.Intensifier(), Every.IntensifierSetup(), Saw([Read("discharge-pressure", 3500, "bar")])).NextChecks;
        offered.ShouldNotContain(c => c.Check.Needs.Contains("listening rod"));
        Known.Checks.ShouldNotContain(c => c.Id == "blank-bypass");
        Known.Checks.Single(c => c.Id == "weep-split").Hazards.ShouldContain("high-pressure-end");
    }

    private static string ReadFile(string name)
    {
        using var stream = typeof(Catalogue).Assembly.GetManifestResourceStream($"knowledge/{name}")!;
        using var reader = new StreamReader(stream);
        return reader.ReadToEnd();
    }
}

/// <summary>Both hazards of opening.</summary>
internal static class OpeningHazards
{
    public static IEnumerable<string> ShouldBeSubsetOf(this IReadOnlyList<string> hazards, IEnumerable<string> known)
    {
        hazards.Except(known).ShouldBeEmpty();
        return hazards;
    }

    public static void ShouldContainBoth(this IEnumerable<string> hazards, string of)
    {
        hazards.ShouldContain("lock-out", of);
        hazards.ShouldContain("trapped-pressure", of);
    }
}
