using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Quantities;
using MildHunch.Web.Evidence;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Expectation;

/// <param name="Faults">Faults to compute it with; a sound pump when empty.</param>
/// <param name="Prices">What the shop pays; the server's own prices when left out.</param>
public sealed record ExpectationRequest(
    PumpDto? Pump, SetupDto? Setup, IReadOnlyList<ReadingDto>? Readings = null, IReadOnlyList<FaultLoadDto>? Faults = null,
    PricesDto? Prices = null);

/// <summary>Where the shaft's power goes.</summary>
public sealed record PowerSplitDto(
    QuantityDto Shaft, QuantityDto Nozzle, QuantityDto Line, QuantityDto Bypass, QuantityDto Leaks, QuantityDto Friction);

/// <summary>What an hour of running with these faults costs beyond the same work done by the sound pump.</summary>
/// <param name="LongerBy">How much longer the same work takes, a share; null when nothing comes out at all.</param>
/// <param name="Figures">The same as figures that open: wasted-power, lost-water, longer, money.</param>
public sealed record CostDto(
    double KilowattHours, double WaterCubicMetres, double? LongerBy, double Money, PricesDto Prices, IReadOnlyList<FigureDto> Figures);

public sealed record ExpectationResponse(IReadOnlyList<FigureDto> Figures, PowerSplitDto Power, CostDto? Cost);

/// <summary>What a pump should show, sound or with faults laid on it.</summary>
public static class ExpectationEndpoint
{
    private const double OtherDriverEfficiency = 1;

    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapPost("/api/expectation", (ExpectationRequest request, Catalogue catalogue, ShopNow shop, HttpRequest http) =>
            {
                var response = Compute(request, catalogue, shop.Terms);
                return Csv.Wanted(http) ? FigureCsv.Of(response) : Results.Ok(response);
            })
            .Produces<ExpectationResponse>().WithTags("Computation")
            .WithSummary("What a pump should show, each figure with its band and its working; as CSV with Accept: text/csv.");

    private static ExpectationResponse Compute(ExpectationRequest request, Catalogue catalogue, ShopTerms shop)
    {
        var pump = request.Pump.ToCore();
        var setup = request.Setup.ToCore();
        var evidence = EvidenceMapping.ToEvidence(pump, setup, request.Readings);
        EvidenceRules.Check(catalogue, pump, setup, evidence);
        var loads = FaultLoads.ToCore(request.Faults);
        if (loads.Count == 0)
            return ToDto(AsMeasured.Expect(pump, setup, evidence), null);
        var condition = FaultLoad.Lay(catalogue, pump, setup, loads);
        var sound = AsMeasured.Expect(pump, setup, evidence);
        var faulty = AsMeasured.Expect(pump, setup, evidence, condition);
        var prices = (request.Prices ?? PricesDto.Of(shop)).Checked();
        var efficiency = setup.Voltage is null && setup.Drive is null ? OtherDriverEfficiency : PowerRules.MotorEfficiency;
        var cost = RunningCost.Of(sound.Point, faulty.Point, efficiency, prices.ToCore());
        return ToDto(faulty, new CostDto(
            Math.Round(cost.WastedW / 1000, 4), Math.Round(cost.LostWater * 3600, 5),
            double.IsFinite(cost.LongerBy) ? Math.Round(cost.LongerBy, 3) : null, Math.Round(cost.MoneyPerHour, 3), prices,
            [.. cost.Figures(sound.Point, faulty.Point, efficiency, prices.ToCore(), prices.Currency ?? shop.Currency)
                .Where(f => double.IsFinite(f.Value.Si)).Select(f => f.ToDto())]));
    }

    private static ExpectationResponse ToDto(PumpExpectation expectation, CostDto? cost)
    {
        var power = expectation.Power;
        QuantityDto Watts(double w) => new Amount(QuantityKind.Power, w).ToDto();
        return new(
            expectation.ToDtos(),
            new PowerSplitDto(
                Watts(power.Shaft), Watts(power.Nozzle), Watts(power.Line), Watts(power.Bypass), Watts(power.Leaks), Watts(power.Friction)),
            cost);
    }
}
