using MildHunch.Core;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Pumps;

/// <summary>What turns the pump, as Core knows it.</summary>
internal static class DriveMapping
{
    /// <exception cref="ImpossibleInputException">Everything that is missing or cannot be.</exception>
    public static Drive ToCore(DriveDto dto) => Objections.Gather(objections =>
    {
        var belt = dto.DriverPulley is not null || dto.PumpPulley is not null;
        var driver = belt ? objections.Need<Length>(dto.DriverPulley, "driverPulley") : null;
        var pump = belt ? objections.Need<Length>(dto.PumpPulley, "pumpPulley") : null;
        var ratio = driver is { } small && pump is { } large ? objections.Take(() => Drive.BeltRatio(small, large)) : dto.GearRatio ?? 1;
        // A belt that cannot be leaves no ratio; the rest is judged without one.
        if (ratio == 0 && belt)
            ratio = 1;
        var power = objections.Need<Power>(dto.RatedPower, "ratedPower") ?? default;
        var drive = objections.Take(() => dto.Kind switch
        {
            "motor" => Drive.Motor(
                dto.Poles ?? 4, objections.Maybe<RotationalSpeed>(dto.Frequency, "frequency")?.Si ?? 50, power, dto.Droop ?? 0.035, ratio,
                belt),
            "engine" => Drive.Engine(
                objections.Need<RotationalSpeed>(dto.NoLoadSpeed, "noLoadSpeed") ?? default, power, dto.Droop ?? 0.06, ratio, belt),
            _ => throw new ImpossibleInputException(
                "kind", dto.Kind is null ? ImpossibleInputException.Nothing : $"“{dto.Kind}”", "motor, engine"),
        });
        return belt && drive is not null && driver is { } from && pump is { } to ? drive with { Pulleys = (from, to) } : drive!;
    });
}
