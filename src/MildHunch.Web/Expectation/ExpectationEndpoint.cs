using MildHunch.Core.Diagnosis;
using MildHunch.Core.Faults;
using MildHunch.Core.Fluids;
using MildHunch.Core.Hydraulics;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Expectation;

public sealed record ExpectationRequest(PumpDto? Pump, SetupDto? Setup, IReadOnlyList<ReadingDto>? Readings = null);

public sealed record WorkingInputDto(string Symbol, string Name, string Value);

public sealed record WorkingDto(string Formula, string Equation, IReadOnlyList<WorkingInputDto> Inputs, string Source);

public sealed record BandPartDto(string Cause, QuantityDto HalfWidth);

public sealed record FigureDto(string Id, string Name, QuantityDto Value, QuantityDto Low, QuantityDto High, IReadOnlyList<BandPartDto> Band, WorkingDto Working);

public sealed record ExpectationResponse(IReadOnlyList<FigureDto> Figures);

public sealed record CurvePointDto(double PressureBar, double PumpFlow, double NozzleFlow, double PumpLow, double PumpHigh);

public sealed record CurvesResponse(string PressureUnit, string FlowUnit, IReadOnlyList<CurvePointDto> Points, CurvePointDto Operating, double? Setting);

/// <summary>What a sound pump should show, and the curves it follows.</summary>
public static class ExpectationEndpoint
{
    private const int CurvePoints = 61;

    public static void Map(IEndpointRouteBuilder routes)
    {
        routes.MapPost("/api/expectation", (ExpectationRequest request, Catalogue catalogue) => Compute(request, catalogue)).WithTags("Computation").WithSummary("What a sound pump should show, each figure with its band and its working.");
        routes.MapPost("/api/curves", (ExpectationRequest request) => Curves(request.Pump.ToCore(), request.Setup.ToCore())).WithTags("Computation").WithSummary("Flow of pump and nozzle against pressure, and where they meet.");
    }

    public static ExpectationResponse Compute(ExpectationRequest request, Catalogue catalogue)
    {
        var pump = request.Pump.ToCore();
        var evidence = Mapping.ToEvidence(request.Readings, null, null);
        EvidenceRules.Check(catalogue, pump, evidence);
        return ToDto(AsMeasured.Expect(pump, request.Setup.ToCore(), evidence));
    }

    public static ExpectationResponse ToDto(Core.Hydraulics.Expectation expectation) => new([.. expectation.Figures.Select(f => new FigureDto(
        f.Id, f.Name, f.Value.ToDto(), f.Low.ToDto(), f.High.ToDto(),
        [.. f.Band.Select(b => new BandPartDto(b.Cause, b.HalfWidth.ToDto()))],
        new WorkingDto(f.Working.Formula, f.Working.Equation, [.. f.Working.Inputs.Select(i => new WorkingInputDto(i.Symbol, i.Name, i.Value))], f.Working.Source)))]);

    private static CurvesResponse Curves(ReciprocatingPump pump, Setup setup)
    {
        var solver = new OperatingPointSolver(pump, setup);
        var at = solver.Solve(new Condition(), 1, 1, OutletCompliance.Typical(setup));
        var top = 1.3 * Math.Max(at.PressurePa, Math.Max(setup.ControlSetting?.Si ?? 0, pump.RatedPressure.Si));
        var points = Enumerable.Range(0, CurvePoints).Select(i => Point(pump, setup, top * i / (CurvePoints - 1))).ToArray();
        return new CurvesResponse(Units.Bar.Symbol, Units.LitrePerMinute.Symbol, points, Point(pump, setup, at.PressurePa), setup.ControlSetting?.In(Units.Bar));
    }

    private static CurvePointDto Point(ReciprocatingPump pump, Setup setup, double pa)
    {
        var flow = Delivery.TheoreticalFlow(pump, setup.Speed.Si) * Delivery.VolumetricEfficiency(pump, Compressibility.Of(setup.Liquid, setup.Temperature, pump.RatedPressure.Si), pa);
        var spread = 2 * Math.Sqrt(Math.Pow(Core.Hydraulics.Expectation.BelievedSpeedSigma, 2) + Math.Pow(Delivery.SlipSigma, 2));
        double Show(double si) => Math.Round(Units.LitrePerMinute.FromSi(si), 3);
        return new CurvePointDto(Math.Round(Units.Bar.FromSi(pa), 3), Show(flow), Show(setup.Nozzle.FlowAt(new GaugePressure(pa)).Si), Show(flow * (1 - spread)), Show(flow * (1 + spread)));
    }
}
