using System.ComponentModel;
using System.Globalization;
using MildHunch.Core;
using MildHunch.Core.Faults;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Quantities;
using MildHunch.Core.Simulation;
using MildHunch.Web.Expectation;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Simulation;

public sealed record OutletMoveDto(
    [property: Description("seconds from the start")] double At, [property: Description("0 shut to 1 open")] double Opening);

public sealed record SpeedMoveDto(
    [property: Description("seconds from the start")] double At, [property: Description("share of the set-up's speed")] double Share);

/// <summary>What to run; everything may be left out.</summary>
public sealed record PlanDto(
    double? Seconds = null, double? SamplesPerSecond = null, int? StepsPerTurn = null, bool? FromRest = null, double? RampSeconds = null,
    IReadOnlyList<OutletMoveDto>? Outlet = null, IReadOnlyList<SpeedMoveDto>? SpeedMoves = null,
    [property: Description("one sigma laid over sampled pressures")] QuantityDto? Noise = null, int? Seed = null);

public sealed record SimulationRequest(PumpDto? Pump, SetupDto? Setup, IReadOnlyList<FaultLoadDto>? Faults = null, PlanDto? Plan = null);

/// <summary>Mean values over whole turns at the end of the run.</summary>
public sealed record MeansDto(
    QuantityDto Pressure, QuantityDto Swing, QuantityDto GunPressure, QuantityDto HighestPressure, QuantityDto InletPressure,
    QuantityDto LowestInletPressure, QuantityDto NozzleFlow, QuantityDto BypassFlow,
    QuantityDto OutsideFlow, QuantityDto SupplyFlow, QuantityDto Speed, bool Cavitates, double EnergyOff,
    IReadOnlyList<double>? StrokeSeconds);

/// <summary>
/// Samples column by column: seconds, turns, pressures and flows in the units of the means; valves as bits, the first cylinder lowest.
/// </summary>
public sealed record TraceDto(
    IReadOnlyList<double> Seconds, IReadOnlyList<double> Turns, IReadOnlyList<double> Head, IReadOnlyList<double> Gun,
    IReadOnlyList<double> Inlet, IReadOnlyList<double> NozzleFlow, IReadOnlyList<double> BypassFlow,
    IReadOnlyList<int> InletValves, IReadOnlyList<int> DischargeValves, IReadOnlyList<IReadOnlyList<double>> Chambers);

public sealed record SimulationResponse(MeansDto Means, TraceDto Trace, int Steps, int HalvedSteps, WorkingDto Working);

/// <summary>The pump in time.</summary>
public static class SimulationEndpoint
{
    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapPost("/api/simulation", (SimulationRequest request, Catalogue catalogue, HttpContext http) =>
            {
                var result = Compute(request, catalogue, http.RequestAborted);
                return Csv.Wanted(http.Request) ? ToCsv(result) : Results.Ok(ToDto(result));
            })
            .Produces<SimulationResponse>().Costly("simulation").WithTags("Computation")
            .WithSummary("The pump in time: means and sampled pressures, valves and crank angle; as CSV with Accept: text/csv. Ends when "
                + "the caller hangs up.");

    private static SimulationResult Compute(SimulationRequest request, Catalogue catalogue, CancellationToken stop)
    {
        var pump = request.Pump.ToCore();
        var setup = request.Setup.ToCore();
        var condition = FaultLoad.Lay(catalogue, pump, setup, FaultLoads.ToCore(request.Faults));
        var plan = ImpossibleInputException.Under("plan", () =>
        {
            var made = ToPlan(request.Plan ?? new PlanDto());
            made.Check();
            return made;
        });
        try
        {
            return PumpSimulation.Run(new OperatingPointSolver(pump, setup), condition, plan, cancel: stop);
        }
        catch (SimulationException e)
        {
            throw new RefusalException(
                StatusCodes.Status422UnprocessableEntity, "This run could not be finished", "plan", $"{e.Message} Try more steps a turn.");
        }
    }

    private static SimulationPlan ToPlan(PlanDto dto)
    {
        var plan = new SimulationPlan
        {
            StepsPerTurn = dto.StepsPerTurn,
            Outlet = [.. (dto.Outlet ?? [])
                .Select((m, i) => m is null
                    ? throw Mapping.Missing($"outlet[{i}]", "a time and an opening")
                    : new OutletMove(m.At, m.Opening))],
            Speed = [.. (dto.SpeedMoves ?? [])
                .Select((m, i) => m is null
                    ? throw Mapping.Missing($"speedMoves[{i}]", "a time and a share of the speed")
                    : new SpeedMove(m.At, m.Share))],
            FromRest = dto.FromRest ?? false,
            NoisePa = dto.Noise is null ? 0 : Mapping.Amount(dto.Noise, QuantityKind.GaugePressure, "noise").Si,
            Seed = dto.Seed ?? 1,
        };
        return plan with
        {
            Seconds = dto.Seconds ?? plan.Seconds,
            SamplesPerSecond = dto.SamplesPerSecond ?? plan.SamplesPerSecond,
            RampSeconds = dto.RampSeconds ?? plan.RampSeconds,
        };
    }

    private static SimulationResponse ToDto(SimulationResult result)
    {
        var m = result.Means;
        QuantityDto Bar(double si) => new Amount(QuantityKind.GaugePressure, si).ToDto();
        QuantityDto Flow(double si) => new Amount(QuantityKind.VolumeFlow, si).ToDto();
        var energy = m.Energy;
        var means = new MeansDto(
            Bar(m.PressurePa), Bar(m.SwingPa), Bar(m.GunPa), Bar(m.HighestPa), Bar(m.InletPa), Bar(m.LowestInletPa), Flow(m.NozzleFlow),
            Flow(m.BypassFlow), Flow(m.OutsideFlow), Flow(m.SupplyFlow),
            new Amount(QuantityKind.RotationalSpeed, m.SpeedHz).ToDto(), m.Cavitates,
            energy.In > 0 ? Math.Round((energy.Out / energy.In) - 1, 5) : 0, m.StrokeSeconds?.Select(s => Math.Round(s, 4)).ToArray());
        var samples = result.Samples;
        var (pressure, flow) = (Units.Preferred(QuantityKind.GaugePressure), Units.Preferred(QuantityKind.VolumeFlow));
        return new SimulationResponse(
            means,
            new TraceDto(
                [.. samples.Select(s => Math.Round(s.Seconds, 6))], [.. samples.Select(s => Math.Round(s.Turns, 5))],
                [.. samples.Select(s => Shown(pressure, s.HeadPa))], [.. samples.Select(s => Shown(pressure, s.GunPa))],
                [.. samples.Select(s => Shown(pressure, s.InletPa))],
                [.. samples.Select(s => Shown(flow, s.NozzleFlow))], [.. samples.Select(s => Shown(flow, s.BypassFlow))],
                [.. samples.Select(s => s.InletValves)], [.. samples.Select(s => s.DischargeValves)],
                [.. result.ChambersPa.Select(c => c.Select(pa => Shown(pressure, pa)).ToArray())]),
            result.Steps,
            result.Halved,
            new WorkingDto(
                "The pump in time",
                "d(content of each chamber)/dt = Σ flows; C · dp/dt = Σ valves − outlet; ρL/A · dQ/dt = Δp − R·Q²",
                [
                    new("", "implicit steps taken", result.Steps.ToString(CultureInfo.InvariantCulture)),
                    new("", "of them halved", result.Halved.ToString(CultureInfo.InvariantCulture)),
                    new("", "turns simulated", Quantity.Digits(m.Turns, 4)),
                    new("", "energy balance off by", $"{Quantity.Digits(100 * (energy.In > 0 ? (energy.Out / energy.In) - 1 : 0))} %"),
                ],
                "Crank kinematics, orifice equation, continuity; docs/model.md"));
    }

    private static IResult ToCsv(SimulationResult result) => Csv.Table(
        "simulation.csv",
        [
            "seconds", "turns", "head_bar", "gun_bar", "inlet_bar", "nozzle_l_min", "bypass_l_min", "inlet_valves", "discharge_valves",
            .. result.ChambersPa.Select((_, k) => $"chamber_{k + 1}_bar")],
        result.Samples.Select((s, i) => (object[])
        [
            Math.Round(s.Seconds, 6), Math.Round(s.Turns, 5), InBar(s.HeadPa), InBar(s.GunPa), InBar(s.InletPa), InLitres(s.NozzleFlow),
            InLitres(s.BypassFlow), s.InletValves, s.DischargeValves, .. result.ChambersPa.Select(c => (object)InBar(c[i])),
        ]));

    private static double Shown(Unit unit, double si) => Math.Round(unit.FromSi(si), 4);

    // A table says its units in its headings, so they never change.
    private static double InBar(double pa) => Math.Round(pa / 1e5, 4);

    private static double InLitres(double si) => Math.Round(Units.LitrePerMinute.FromSi(si), 4);
}
