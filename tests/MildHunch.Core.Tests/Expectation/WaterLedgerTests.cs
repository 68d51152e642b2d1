using CsCheck;
using MildHunch.Core.Expectation;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Expectation;

public class WaterLedgerTests
{
    private static readonly OperatingPoint Sound = PumpExpectation.Of(Fog2, Fog2Setup()).Point;

    private static readonly Gen<MeasuredFlow> AnyFlow = Gen.Select(
        Gen.Double[0, 4e-4], Gen.Double[1e-7, 1e-5], (flow, sigma) => new MeasuredFlow(flow, sigma));

    [Fact]
    public void Displaced_is_the_sum_of_its_terms() => Gen.Select(AnyFlow, AnyFlow, AnyFlow).Sample((nozzle, bypass, outside) =>
    {
        var ledger = WaterLedger.Of(Fog2, Sound, true, nozzle, bypass, outside);
        (ledger.Nozzle.Flow + ledger.Bypass.Flow + ledger.Outside.Flow
            + ledger.Missing.Flow)!.Value.ShouldBe(ledger.Displaced.Flow!.Value, 1e-12);
        (ledger.MissingShares!.Value * ledger.Displaced.Flow.Value / 3).ShouldBe(ledger.Missing.Flow!.Value, 1e-12);
        ledger.Missing.Sigma.ShouldBeGreaterThanOrEqualTo(Math.Max(nozzle.Sigma, bypass.Sigma));
    });

    [Fact]
    public void What_nobody_measured_is_unknown_and_not_nothing()
    {
        var ledger = WaterLedger.Of(Fog2, Sound, false, null, null, null);
        ledger.Nozzle.Source.ShouldBe(LedgerSource.Unknown);
        ledger.Nozzle.Flow.ShouldBeNull();
        ledger.Missing.Flow.ShouldBeNull();
        ledger.MissingShares.ShouldBeNull();
        WaterLedger.Of(Fog2, Sound, false, new MeasuredFlow(2e-4, 1e-6), null, null).MissingMayBeInBypass.ShouldBeTrue();
    }

    [Fact]
    public void A_pump_without_a_bypass_cannot_lose_into_it()
    {
        var ledger = WaterLedger.Of(Triplex(control: ControlKind.None), Sound, false, new MeasuredFlow(2e-4, 1e-6), null, null);
        ledger.MissingMayBeInBypass.ShouldBeFalse();
    }

    /// <summary>One sigma of the missing share is about 0.12 for three cylinders, 0.27 for seven (docs/trade.md, Leaks).</summary>
    [Theory]
    [InlineData(3, 0.12)]
    [InlineData(7, 0.27)]
    public void Sigma_of_the_missing_share(int cylinders, double sigma)
    {
        var pump = Triplex(cylinders);
        var sound = PumpExpectation.Of(pump, Fog2Setup()).Point;
        var ledger = WaterLedger.Of(
            pump, sound, false, new MeasuredFlow(sound.DisplacedFlow, 0.03 * sound.DisplacedFlow), new MeasuredFlow(0, 1e-8), null);
        ledger.MissingSharesSigma.ShouldBe(sigma, 0.025);
    }
}
