using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Quantities;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Expectation;

/// <param name="Faults">Faults to compute it with; a sound pump when empty.</param>
/// <param name="Prices">What the shop pays; the server's own prices when left out.</param>
public sealed record ExpectationRequest(
    PumpDto? Pump, SetupDto? Setup, IReadOnlyList<ReadingDto>? Readings = null, IReadOnlyList<FaultLoadDto>? Faults = null,
    PricesDto? Prices = null);

public sealed record WorkingInputDto(string Symbol, string Name, string Value);

public sealed record WorkingDto(string Formula, string Equation, IReadOnlyList<WorkingInputDto> Inputs, string Source);

public sealed record BandPartDto(string Cause, QuantityDto HalfWidth);

public sealed record FigureDto(
    string Id, string Name, QuantityDto Value, QuantityDto Low, QuantityDto High, IReadOnlyList<BandPartDto> Band, WorkingDto Working);

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
        routes.MapPost("/api/expectation", (ExpectationRequest request, Catalogue catalogue, ShopPrices prices, HttpRequest http) =>
            {
                var response = Compute(request, catalogue, prices);
                return Csv.Wanted(http) ? FigureCsv.Of(response) : Results.Ok(response);
            })
            .Produces<ExpectationResponse>().WithTags("Computation")
            .WithSummary("What a pump should show, each figure with its band and its working; as CSV with Accept: text/csv.");

    public static ExpectationResponse Compute(ExpectationRequest request, Catalogue catalogue, ShopPrices shop)
    {
        var pump = request.Pump.ToCore();
        var setup = request.Setup.ToCore();
        var evidence = Mapping.ToEvidence(pump, setup, request.Readings);
        EvidenceRules.Check(catalogue, pump, setup, evidence);
        var loads = PumpMapping.ToLoads(request.Faults);
        if (loads.Count == 0)
            return ToDto(AsMeasured.Expect(pump, setup, evidence), null);
        var condition = FaultLoad.Lay(catalogue, pump, setup, loads);
        var sound = AsMeasured.Expect(pump, setup, evidence);
        var faulty = AsMeasured.Expect(pump, setup, evidence, condition);
        var prices = (request.Prices ?? shop.ToDto()).Checked();
        var efficiency = setup.Voltage is null && setup.Drive is null ? OtherDriverEfficiency : PowerRules.MotorEfficiency;
        var cost = RunningCost.Of(sound.Point, faulty.Point, efficiency, prices.ToCore());
        return ToDto(faulty, new CostDto(
            Math.Round(cost.WastedW / 1000, 4), Math.Round(cost.LostWater * 3600, 5),
            double.IsFinite(cost.LongerBy) ? Math.Round(cost.LongerBy, 3) : null, Math.Round(cost.MoneyPerHour, 3), prices,
            [.. cost.Figures(sound.Point, faulty.Point, efficiency, prices.ToCore(), prices.Currency ?? shop.Currency)
                .Where(f => double.IsFinite(f.Value.Si)).Select(f => ToDto(f))]));
    }

    public static ExpectationResponse ToDto(PumpExpectation expectation, CostDto? cost)
    {
        var power = expectation.Power;
        QuantityDto Watts(double w) => new Amount(QuantityKind.Power, w).ToDto();
        return new(
            Figures(expectation),
            new PowerSplitDto(
                Watts(power.Shaft), Watts(power.Nozzle), Watts(power.Line), Watts(power.Bypass), Watts(power.Leaks), Watts(power.Friction)),
            cost);
    }

    public static IReadOnlyList<FigureDto> Figures(PumpExpectation expectation) => [.. expectation.Figures.Select(f => ToDto(f))];

    public static FigureDto ToDto(Figure f, string? unit = null)
    {
        var told = unit ?? f.Unit;
        QuantityDto Show(Amount amount) => told is null ? amount.ToDto() : amount.ToDto(Quantity.UnitNamed(amount.Kind, told, "unit"));
        return new FigureDto(
            f.Id, f.Name, Show(f.Value), Show(f.Low), Show(f.High),
            [.. f.Band.Select(b => new BandPartDto(b.Cause, Show(b.HalfWidth)))],
            new WorkingDto(
                f.Working.Formula, f.Working.Equation, [.. f.Working.Inputs.Select(i => new WorkingInputDto(i.Symbol, i.Name, i.Value))],
                f.Working.Source));
    }
}
