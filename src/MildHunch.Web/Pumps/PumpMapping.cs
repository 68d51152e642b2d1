using MildHunch.Core;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Pumps;

/// <summary>A pump as Core knows it. Every refusal names the field as the caller wrote it.</summary>
public static class PumpMapping
{
    private const string At = "pump";

    public static ReciprocatingPump ToCore(this PumpDto? dto) => dto is null
        ? throw new ImpossibleInputException(
            At, ImpossibleInputException.Nothing,
            "what the pump is: cylinders, plungerDiameter, stroke, ratedSpeed, ratedPressure, control")
        : ImpossibleInputException.Under(At, () => Objections.Gather(objections => Made(dto, objections)));

    /// <summary>Bore, stroke, speed and flow, with what was worked out.</summary>
    /// <exception cref="ImpossibleInputException">Everything of these that is missing or cannot be.</exception>
    public static Nameplate ToNameplate(this PumpDto dto) => Objections.Gather(objections =>
    {
        if (dto.Cylinders is null)
            objections.Add("cylinders", ImpossibleInputException.Nothing, "1 to 7");
        var bore = objections.Maybe<Length>(dto.PlungerDiameter, "plungerDiameter");
        var stroke = objections.Maybe<Length>(dto.Stroke, "stroke");
        var speed = objections.Maybe<RotationalSpeed>(dto.RatedSpeed, "ratedSpeed");
        var flow = objections.Maybe<VolumeFlow>(dto.RatedFlow, "ratedFlow");
        objections.ThrowIfAny();
        return Nameplate.Complete(dto.Cylinders!.Value, bore, stroke, speed, flow);
    });

    private static ReciprocatingPump Made(PumpDto dto, Objections objections)
    {
        var rated = objections.Need<GaugePressure>(dto.RatedPressure, "ratedPressure");
        var control = objections.Choice(dto.Control, "control", ControlKind.None);
        var layout = objections.Choice(dto.HeadLayout, "headLayout", HeadLayout.SixCaps);
        var seal = objections.Choice(dto.SealReturn, "sealReturn", SealReturn.Inlet);
        var unloader = objections.Choice(dto.UnloaderType, "unloaderType", UnloaderType.TrappedPressure);
        var told = new PumpAsTold
        {
            Arrangement = objections.Choice(dto.Arrangement, "arrangement", Arrangement.CrankPlunger),
            Cylinders = dto.Cylinders,
            PlungerDiameter = objections.Maybe<Length>(dto.PlungerDiameter, "plungerDiameter"),
            Stroke = objections.Maybe<Length>(dto.Stroke, "stroke"),
            RatedSpeed = objections.Maybe<RotationalSpeed>(dto.RatedSpeed, "ratedSpeed"),
            RatedPressure = rated,
            RodRatio = dto.RodRatio,
            RodDiameter = objections.Maybe<Length>(dto.RodDiameter, "rodDiameter"),
            Clearance = dto.Clearance,
            Slip = dto.Slip,
            OilPistonDiameter = objections.Maybe<Length>(dto.OilPistonDiameter, "oilPistonDiameter"),
            ShiftTime = objections.Maybe<Duration>(dto.ShiftTime, "shiftTime"),
            RequiredHead = objections.Maybe<Length>(dto.RequiredHead, "requiredHead"),
            FiringOrder = dto.FiringOrder,
            Seals = dto.Seals is null ? null : objections.Choice(dto.Seals, "seals", SealKind.Lip),
            StartValve = dto.StartValve ?? false,
        };
        // What hangs on how it is built is judged where that was understood.
        if (objections.Stands("arrangement"))
            told.Judge(objections);

        // What its arrangement says of a value is truer than what any plate may say; what the plate leaves is judged once it is worked out.
        var plate = objections.Take(dto.ToNameplate);
        if (plate is not null && objections.Stands("arrangement"))
            (told with { PlungerDiameter = plate.PlungerDiameter, Stroke = plate.Stroke, RatedSpeed = plate.Speed }).Judge(objections);
        objections.ThrowIfAny();
        return ReciprocatingPump.Create(
            told.Cylinders!.Value, plate!.PlungerDiameter, plate.Stroke, plate.Speed, rated!.Value, control, layout, seal, told.RodRatio,
            told.Arrangement, told.RodDiameter, dto.PullDischarges ?? false, told.Clearance, told.Slip, told.OilPistonDiameter,
            told.ShiftTime, told.RequiredHead, unloader, told.FiringOrder, told.Seals, told.StartValve);
    }
}
