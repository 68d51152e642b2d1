using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Pumps;

/// <summary>Something nobody said, what is taken in its place, and why.</summary>
public sealed record AssumptionDto(string Field, string Name, string Value, string Why);

/// <summary>A set-up with everything in it that a verdict needs, and what of it was assumed.</summary>
public sealed record CompletedSetup(SetupDto Setup, IReadOnlyList<AssumptionDto> Assumed);

/// <summary>Fills in what only the type plate can tell. What was assumed before and not said since is assumed anew.</summary>
public static class SetupAssumptions
{
    public const string Nozzle = "nozzle";
    private const string Speed = "speed";
    public const string Setting = "controlSetting";

    public static CompletedSetup Complete(PumpDto? dto, SetupDto? given)
    {
        var pump = dto.ToCore();
        var setup = Said(given);
        var assumed = new List<AssumptionDto>();
        if (setup.Speed is null && setup.Drive is null)
        {
            setup = setup with { Speed = dto!.RatedSpeed ?? Amount.Of(pump.RatedSpeed).ToDto() };
            assumed.Add(new(Speed, "Speed", pump.RatedSpeed.Format(Units.Rpm, 4), "the rated speed"));
        }

        var flow = Flow(dto!, pump, setup);
        if (setup.Nozzle is null)
        {
            var nozzle = Assumptions.NozzleFor(pump, flow);
            var at = nozzle.PressureAt(flow);
            setup = setup with { Nozzle = new NozzleDto(Amount.Of(flow).ToDto(), Amount.Of(at).ToDto()) };
            assumed.Add(new(
                Nozzle, "Nozzle", $"{Amount.Of(flow).Text()} at {Amount.Of(at).Text()}",
                "passes the pump’s flow at four fifths of its rating; believed to 15 % until you say which it is"));
        }

        if (setup.ControlSetting is null && pump.Control is ControlKind.Unloader or ControlKind.Regulator)
        {
            var passes = (setup with { Assumed = [.. assumed.Select(a => a.Field)] }).ToCore().Nozzle;
            var set = Assumptions.SettingFor(pump, passes, flow);
            setup = setup with { ControlSetting = Amount.Of(set).ToDto() };
            assumed.Add(new(
                Setting, $"Setting of the {pump.Control.Named()}", Amount.Of(set).Text(),
                "a tenth above the working pressure, at most the rating"));
        }

        string[] inSetup = [.. assumed.Select(a => a.Field)];
        assumed.AddRange(OfThePump(dto!, pump));
        return new CompletedSetup(setup with { Assumed = inSetup.Length == 0 ? null : inSetup }, assumed);
    }

    // What the pump itself is taken to be; it stands in no set-up.
    private static IEnumerable<AssumptionDto> OfThePump(PumpDto dto, ReciprocatingPump pump)
    {
        if (dto.RodRatio is null && pump.RodRatio != 0)
            yield return new("rodRatio", "Crank radius over rod length", Quantity.Digits(Math.Abs(pump.RodRatio)), "usual for a crank");
        if (dto.Slip is null)
            yield return new("slip", "Valve slip when healthy", $"{Quantity.Digits(100 * pump.Slip)} %", "usual: 2 to 5 %");
    }

    private static SetupDto Said(SetupDto? given)
    {
        var setup = given ?? new SetupDto(null, null);
        var before = setup.Assumed ?? [];
        return setup with
        {
            Speed = before.Contains(Speed) ? null : setup.Speed,
            Nozzle = before.Contains(Nozzle) || setup.Nozzle == new NozzleDto() ? null : setup.Nozzle,
            ControlSetting = before.Contains(Setting) ? null : setup.ControlSetting,
        };
    }

    private static VolumeFlow Flow(PumpDto dto, ReciprocatingPump pump, SetupDto setup)
    {
        var turns = setup.Speed.Maybe<RotationalSpeed>(Speed)?.Si ?? pump.RatedSpeed.Si;
        return new VolumeFlow(dto.ToNameplate().Flow.Si * turns / pump.RatedSpeed.Si);
    }
}
