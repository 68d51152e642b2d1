using CsCheck;
using MildHunch.Core.Diagnosis.Predictions;
using MildHunch.Core.Evidence;
using MildHunch.Core.Pumps;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Diagnosis.Predictions;

/// <summary>How fast it drips, and whether also standing (docs/trade.md, Drips; common practice, no source).</summary>
public class LeakRateTests
{
    private static readonly Reading[] Sound = [
        Read("discharge-pressure", 69, "bar"), Read("nozzle-flow", 19, "L/min"), Read("speed", 1449, "rpm")];

    private static double Of(string fault, Setup setup, params CueFact[] cues) => Judge(Fog2, setup, Saw(Sound, cues)).Of(fault);

    private static CueFact Weep(double? drops = null, bool stream = false, Dripping when = Dripping.Unsaid) =>
        new("leak-at", "weep", 2, DropsPerMinute: drops, Stream: stream, When: when);

    private static Setup Fed =>
        Setup.Create(
            Fog2Setup().Speed, Fog2Setup().Nozzle, Q<Core.Quantities.GaugePressure>(85, "bar"), OutletLine.Hose,
            supplyPressure: Q<Core.Quantities.GaugePressure>(2, "bar"));

    /// <summary>docs/trade.md, Drips: 30 drops a minute are 0.09 L/h.</summary>
    [Fact]
    public void Thirty_drops_a_minute_are_nine_hundredths_of_a_litre_an_hour() =>
        (30 * 60 / LeakRates.DropsPerM3 * 1000).ShouldBe(0.09, 1e-12);

    [Fact]
    public void A_drop_now_and_then_accuses_no_seal_and_a_steady_drip_does()
    {
        Of("lp-seal-worn", Fog2Setup(), Weep(1)).ShouldBeLessThan(Of("lp-seal-worn", Fog2Setup(), Weep()));
        Of("lp-seal-worn", Fog2Setup(), Weep(120)).ShouldBeGreaterThan(Of("lp-seal-worn", Fog2Setup(), Weep()));
        Judge(Fog2, Fog2Setup(), Saw(Sound, Weep(1))).Leader.Fault.Id.ShouldBe("no-fault");
        Judge(Fog2, Fog2Setup(), Saw(Sound, Weep(120))).Leader.Fault.Id.ShouldBe("lp-seal-worn");
    }

    /// <summary>The faster a weep drips, up to what nobody counts, the less likely is a sound pump.</summary>
    [Fact]
    public void Faster_is_never_sounder() => Gen.Select(Gen.Double[0, 1], Gen.Double[0, 1]).Sample((a, b) =>
    {
        var (slow, fast) = (2 * Math.Pow(100, Math.Min(a, b)), 2 * Math.Pow(100, Math.Max(a, b)));
        Of("no-fault", Fog2Setup(), Weep(fast)).ShouldBeLessThanOrEqualTo(Of("no-fault", Fog2Setup(), Weep(slow)) + 1e-9);
    }, iter: 60);

    /// <summary>
    /// docs/trade.md, Drips: a low-pressure seal also drips at rest when the supply is pressurised; a high-pressure seal weeps under
    /// pressure.
    /// </summary>
    [Fact]
    public void What_drips_standing_is_the_low_pressure_seal_where_the_supply_is_pressurised()
    {
        double Odds(Setup setup, Dripping when) =>
            Of("lp-seal-worn", setup, Weep(when: when)) / Of("hp-seal-worn", setup, Weep(when: when));
        Odds(Fed, Dripping.Standing).ShouldBeGreaterThan(3 * Odds(Fed, Dripping.Running));
        Odds(Fog2Setup(), Dripping.Standing).ShouldBeLessThanOrEqualTo(Odds(Fog2Setup(), Dripping.Running));
    }

    /// <summary>
    /// A cap o-ring under working pressure lets out a stream: a thousandth of FOG-2's flow is 380 drops a minute already.
    /// </summary>
    [Fact]
    public void A_cap_under_pressure_streams()
    {
        CueFact Cap(double? drops, bool stream = false) => new("leak-at", "cap", 1, Side.Discharge, drops, Stream: stream);
        Of("valve-cap-oring", Fog2Setup(), Cap(null, true)).ShouldBeGreaterThan(0.9);
        Of("valve-cap-oring", Fog2Setup(), Cap(2)).ShouldBeLessThan(0.25 * Of("valve-cap-oring", Fog2Setup(), Cap(null, true)));
    }

    [Fact]
    public void What_does_not_drip_neither_streams_nor_drips_standing()
    {
        Should.Throw<ImpossibleInputException>(() => Of("no-fault", Fog2Setup(), Weep(30, stream: true))).Field.ShouldBe("cues.stream");
        Should.Throw<ImpossibleInputException>(() => Of(
            "no-fault", Fog2Setup(), Weep(0, when: Dripping.Standing))).Field.ShouldBe("cues.when");
        Should.Throw<ImpossibleInputException>(() => Of(
            "no-fault", Fog2Setup(), new CueFact("needle", "steady", When: Dripping.Running))).Field.ShouldBe("cues.when");
    }
}
