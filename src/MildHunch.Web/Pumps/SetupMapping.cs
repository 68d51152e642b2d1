using MildHunch.Core;
using MildHunch.Core.Fluids;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Pumps;

/// <summary>A set-up as Core knows it. Every refusal names the field as the caller wrote it.</summary>
public static class SetupMapping
{
    private const string At = "setup";
    private const double Celsius20 = 293.15;

    public static Setup ToCore(this SetupDto? dto) => dto is null
        ? throw new ImpossibleInputException(At, ImpossibleInputException.Nothing, "how it is run: at least speed and nozzle")
        : ImpossibleInputException.Under(At, () => Objections.Gather(objections => Made(dto, objections)));

    /// <summary>Objects to what stands in it and cannot be; what is left out is not missed.</summary>
    public static void Judge(this SetupDto dto, Objections objections) =>
        objections.Take(At, () => Objections.Gather(inside => Read(dto, inside)));

    private static Setup Made(SetupDto dto, Objections objections)
    {
        if (dto.Drive is null)
            objections.Need<RotationalSpeed>(dto.Speed, "speed");
        if (dto.Nozzle is null)
            objections.Add("nozzle.flow", ImpossibleInputException.Nothing, NozzleMapping.Ways);
        var read = Read(dto, objections);
        objections.ThrowIfAny();
        var told = read.Told;
        return Setup.Create(
            told.Speed!.Value, told.Nozzle!, told.ControlSetting, read.Line, told.Temperature, told.SupplyPressure, told.Voltage,
            told.Liquid, read.Drive, told.Inlet, told.Outlet, read.Dampener, told.Relief, read.Injector, read.State, told.OilPressure,
            told.GaugeSpan);
    }

    private static SetupRead Read(SetupDto dto, Objections objections)
    {
        var liquid = objections.Take(() => ToLiquid(dto.Liquid, dto.LiquidStrength));
        var temperature = dto.Temperature is null
            ? new Temperature(Celsius20)
            : objections.Maybe<Temperature>(dto.Temperature, "temperature");
        // A nozzle by its bore passes so much of this liquid; where that is not understood, nobody can say.
        var density = liquid is null || temperature is null ? null : objections.Take(() => (Density?)liquid.Density(temperature.Value));
        var drive = dto.Drive is null ? null : objections.Take("drive", () => DriveMapping.ToCore(dto.Drive));
        var told = new SetupAsTold
        {
            Speed = dto.Drive is null ? objections.Maybe<RotationalSpeed>(dto.Speed, "speed") : drive?.NoLoad,
            Nozzle = dto.Nozzle is null ? null : objections.Take("nozzle", () => NozzleMapping.ToCore(dto.Nozzle, density)),
            ControlSetting = objections.Maybe<GaugePressure>(dto.ControlSetting, "controlSetting"),
            Temperature = temperature,
            SupplyPressure = objections.Maybe<GaugePressure>(dto.SupplyPressure, "supplyPressure"),
            Voltage = objections.Maybe<Voltage>(dto.Voltage, "voltage"),
            Liquid = liquid,
            Inlet = dto.Inlet is null ? null : objections.Take("inlet", () => ToInlet(dto.Inlet)),
            Outlet = dto.Outlet is null ? null : objections.Take("outlet", () => ToRun(dto.Outlet)),
            Relief = objections.Maybe<GaugePressure>(dto.Relief, "relief"),
            OilPressure = objections.Maybe<GaugePressure>(dto.OilPressure, "oilPressure"),
            GaugeSpan = objections.Maybe<GaugePressure>(dto.GaugeSpan, "gaugeSpan"),
        };
        if (dto.Assumed?.Contains(SetupAssumptions.Nozzle) == true)
            told = told with { Nozzle = told.Nozzle?.AsAssumed() };
        told.Judge(objections);
        return new SetupRead(
            told, drive, dto.Dampener is null ? null : objections.Take("dampener", () => ToDampener(dto.Dampener)),
            objections.Choice(dto.Line, "line", OutletLine.Unknown),
            objections.Choice(dto.State, "state", ControlState.Working),
            dto.Injector is null ? null : objections.Choice<InjectorPlace>(dto.Injector, "injector", default));
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

    private static InletSide ToInlet(InletDto dto) => Objections.Gather(objections =>
    {
        var strainer = dto.Strainer ?? 2;
        if (!(strainer is >= 0 and <= 500))
            objections.Add("strainer", Quantity.Digits(strainer), "0 to 500 velocity heads");
        return new InletSide(
            objections.Take("run", () => ToRun(dto.Run))!, objections.Maybe<Length>(dto.Level, "level") ?? default, strainer);
    });

    // What is missing counts as none at all, which is refused by itself and at the same field.
    private static LineRun ToRun(RunDto? dto) => Objections.Gather(objections => LineRun.Create(
        objections.Need<Length>(dto?.Length, "length") ?? default, objections.Need<Length>(dto?.Bore, "bore") ?? default,
        objections.Choice(dto?.Material, "material", LineMaterial.Hose), dto?.Fittings ?? 0));

    private static Dampener ToDampener(DampenerDto dto) => Objections.Gather(objections => Dampener.Create(
        objections.Need<Volume>(dto.GasVolume, "gasVolume") ?? default,
        objections.Need<GaugePressure>(dto.Charge, "charge") ?? default));

    private sealed record SetupRead(
        SetupAsTold Told, Drive? Drive, Dampener? Dampener, OutletLine Line, ControlState State, InjectorPlace? Injector);
}
