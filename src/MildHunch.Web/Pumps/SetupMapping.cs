using MildHunch.Core;
using MildHunch.Core.Fluids;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Pumps;

/// <summary>A set-up as Core knows it. Every refusal names the field as the caller wrote it.</summary>
public static class SetupMapping
{
    private const double Celsius20 = 293.15;

    public static Setup ToCore(this SetupDto? dto)
    {
        const string at = "setup";
        if (dto is null)
            throw new ImpossibleInputException(at, "nothing", "how it is run: at least speed and nozzle");
        return Mapping.Under(at, () =>
        {
            var liquid = ToLiquid(dto.Liquid, dto.LiquidStrength);
            var temperature = dto.Temperature.Maybe<Temperature>("temperature") ?? new Temperature(Celsius20);
            var drive = dto.Drive is null ? null : Mapping.Under("drive", () => ToDrive(dto.Drive));
            return Setup.Create(
                drive?.NoLoad ?? dto.Speed.Need<RotationalSpeed>("speed"),
                Mapping.Under("nozzle", () => ToNozzle(dto, liquid, temperature)),
                dto.ControlSetting.Maybe<GaugePressure>("controlSetting"),
                Mapping.Choice(dto.Line, "line", OutletLine.Unknown),
                temperature,
                dto.SupplyPressure.Maybe<GaugePressure>("supplyPressure"),
                dto.Voltage.Maybe<Voltage>("voltage"),
                liquid,
                drive,
                dto.Inlet is null ? null : Mapping.Under("inlet", () => ToInlet(dto.Inlet)),
                dto.Outlet is null ? null : Mapping.Under("outlet", () => ToRun(dto.Outlet)),
                dto.Dampener is null
                    ? null
                    : Mapping.Under(
                        "dampener",
                        () => Dampener.Create(
                            dto.Dampener.GasVolume.Need<Volume>("gasVolume"), dto.Dampener.Charge.Need<GaugePressure>("charge"))),
                dto.Relief.Maybe<GaugePressure>("relief"),
                dto.Injector is null ? null : Mapping.Choice<InjectorPlace>(dto.Injector, "injector", default),
                Mapping.Choice(dto.State, "state", ControlState.Working),
                dto.OilPressure.Maybe<GaugePressure>("oilPressure"),
                dto.GaugeSpan.Maybe<GaugePressure>("gaugeSpan"));
        });
    }

    private static Liquid ToLiquid(string? name, double? strength)
    {
        try
        {
            return name switch
            {
                null or "water" => Liquid.PlainWater,
                "seawater" => new Seawater(strength ?? 35),
                "brine" => new Brine((strength ?? 10) / 100),
                "glycol" => new Glycol((strength ?? 30) / 100),
                "oil" => new LightOil(strength ?? 22),
                _ => throw new ImpossibleInputException(
                    "liquid", $"“{(name.Length > 40 ? name[..40] : name)}”", "water, seawater, brine, glycol, oil"),
            };
        }
        catch (ImpossibleInputException e) when (e.Field != "liquid")
        {
            // Each liquid names its own strength; the caller knows one field.
            throw new ImpossibleInputException("liquidStrength", e.Value, e.Accepted);
        }
    }

    private static Drive ToDrive(DriveDto dto)
    {
        var belt = dto.DriverPulley is not null || dto.PumpPulley is not null;
        var ratio = belt
            ? Drive.BeltRatio(dto.DriverPulley.Need<Length>("driverPulley"), dto.PumpPulley.Need<Length>("pumpPulley"))
            : dto.GearRatio ?? 1;
        var power = dto.RatedPower.Need<Power>("ratedPower");
        var drive = dto.Kind switch
        {
            "motor" => Drive.Motor(
                dto.Poles ?? 4, dto.Frequency.Maybe<RotationalSpeed>("frequency")?.Si ?? 50, power, dto.Droop ?? 0.035, ratio, belt),
            "engine" => Drive.Engine(dto.NoLoadSpeed.Need<RotationalSpeed>("noLoadSpeed"), power, dto.Droop ?? 0.06, ratio, belt),
            _ => throw new ImpossibleInputException("kind", dto.Kind is null ? "nothing" : $"“{dto.Kind}”", "motor, engine"),
        };
        return belt
            ? drive with { Pulleys = (dto.DriverPulley.Need<Length>("driverPulley"), dto.PumpPulley.Need<Length>("pumpPulley")) }
            : drive;
    }

    private static InletSide ToInlet(InletDto dto)
    {
        var strainer = dto.Strainer ?? 2;
        if (!(strainer is >= 0 and <= 500))
            throw new ImpossibleInputException("strainer", Quantity.Digits(strainer), "0 to 500 velocity heads");
        return new InletSide(Mapping.Under("run", () => ToRun(dto.Run)), dto.Level.Maybe<Length>("level") ?? default, strainer);
    }

    private static LineRun ToRun(RunDto? dto) => LineRun.Create(
        (dto?.Length).Need<Length>("length"), (dto?.Bore).Need<Length>("bore"),
        Mapping.Choice(dto?.Material, "material", LineMaterial.Hose), dto?.Fittings ?? 0);

    private static Nozzle ToNozzle(SetupDto setup, Liquid liquid, Temperature temperature)
    {
        var nozzle = ToNozzle(setup.Nozzle, liquid, temperature);
        return setup.Assumed?.Contains(SetupAssumptions.Nozzle) == true ? nozzle.AsAssumed() : nozzle;
    }

    private static Nozzle ToNozzle(NozzleDto? dto, Liquid liquid, Temperature temperature)
    {
        var one = dto switch
        {
            { Orifice: { } orifice } => Nozzle.FromOrifice(orifice.Maybe<Length>("orifice")!.Value, liquid.Density(temperature)),
            { Size: { } size } => Nozzle.FromSize(size),
            { Process: { } process } =>
                Mapping.Under(
                    "process",
                    () => Nozzle.FromProcess(
                        process.OpensAt.Need<GaugePressure>("opensAt"), process.Flow.Need<VolumeFlow>("flow"),
                        process.At.Need<GaugePressure>("at"))),
            { Flow: not null } or { At: not null } => Nozzle.FromPoint(dto.Flow.Need<VolumeFlow>("flow"), dto.At.Need<GaugePressure>("at")),
            _ => throw new ImpossibleInputException(
                "flow", "nothing",
                "a flow and the pressure it is passed at, a size number, an orifice, or a process with its back pressure"),
        };
        return dto.Count is { } count ? one.Times(count) : one;
    }
}
