using MildHunch.Core;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Pumps;

/// <summary>What the nozzle passes, as Core knows it.</summary>
internal static class NozzleMapping
{
    /// <summary>In how many ways a nozzle can be told.</summary>
    public const string Ways = "a flow and the pressure it is passed at, a size number, an orifice, or a process with its back pressure";

    /// <summary>The nozzle; null where it is told by its bore and the density of what is pumped is not known.</summary>
    /// <exception cref="ImpossibleInputException">Everything that is missing or cannot be.</exception>
    public static Nozzle? ToCore(NozzleDto dto, Density? density) => Objections.Gather(objections =>
    {
        var one = objections.Take(() => One(dto, density, objections));
        return dto.Count is { } count ? objections.Take(() => (one ?? Nozzle.FromSize(1)).Times(count)) : one;
    });

    private static Nozzle? One(NozzleDto dto, Density? density, Objections objections) => dto switch
    {
        { Orifice: { } orifice } =>
            objections.Maybe<Length>(orifice, "orifice") is { } bore && density is { } liquid ? Nozzle.FromOrifice(bore, liquid) : null,
        { Size: { } size } => Nozzle.FromSize(size),
        { Process: { } process } => objections.Take("process", () => OfProcess(process)),
        { Flow: not null } or { At: not null } => Nozzle.FromPoint(
            objections.Need<VolumeFlow>(dto.Flow, "flow") ?? default, objections.Need<GaugePressure>(dto.At, "at") ?? default),
        _ => throw new ImpossibleInputException("flow", ImpossibleInputException.Nothing, Ways),
    };

    private static Nozzle OfProcess(ProcessDto process) => Objections.Gather(objections =>
    {
        var opensAt = objections.Need<GaugePressure>(process.OpensAt, "opensAt");
        var flow = objections.Need<VolumeFlow>(process.Flow, "flow");
        var at = objections.Need<GaugePressure>(process.At, "at");
        objections.ThrowIfAny();
        return Nozzle.FromProcess(opensAt!.Value, flow!.Value, at!.Value);
    });
}
