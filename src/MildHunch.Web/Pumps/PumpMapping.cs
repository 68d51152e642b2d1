using MildHunch.Core;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Pumps;

/// <summary>A pump as Core knows it. Every refusal names the field as the caller wrote it.</summary>
public static class PumpMapping
{
    public static ReciprocatingPump ToCore(this PumpDto? dto)
    {
        const string at = "pump";
        if (dto is null)
            throw new ImpossibleInputException(
                at, "nothing", "what the pump is: cylinders, plungerDiameter, stroke, ratedSpeed, ratedPressure, control");
        return Mapping.Under(at, () =>
        {
            var plate = dto.ToNameplate();
            return ReciprocatingPump.Create(
                dto.Cylinders!.Value,
                plate.PlungerDiameter,
                plate.Stroke,
                plate.Speed,
                dto.RatedPressure.Need<GaugePressure>("ratedPressure"),
                Mapping.Choice(dto.Control, "control", ControlKind.None),
                Mapping.Choice(dto.HeadLayout, "headLayout", HeadLayout.SixCaps),
                Mapping.Choice(dto.SealReturn, "sealReturn", SealReturn.Inlet),
                dto.RodRatio,
                Mapping.Choice(dto.Arrangement, "arrangement", Arrangement.CrankPlunger),
                dto.RodDiameter.Maybe<Length>("rodDiameter"),
                dto.PullDischarges ?? false,
                dto.Clearance,
                dto.Slip,
                dto.OilPistonDiameter.Maybe<Length>("oilPistonDiameter"),
                dto.ShiftTime.Maybe<Duration>("shiftTime"),
                dto.RequiredHead.Maybe<Length>("requiredHead"),
                Mapping.Choice(dto.UnloaderType, "unloaderType", UnloaderType.TrappedPressure),
                dto.FiringOrder);
        });
    }

    /// <summary>Bore, stroke, speed and flow, with what was worked out.</summary>
    public static Nameplate ToNameplate(this PumpDto dto) => Nameplate.Complete(
        dto.Cylinders ?? throw Mapping.Missing("cylinders", "1 to 7"),
        dto.PlungerDiameter.Maybe<Length>("plungerDiameter"),
        dto.Stroke.Maybe<Length>("stroke"),
        dto.RatedSpeed.Maybe<RotationalSpeed>("ratedSpeed"),
        dto.RatedFlow.Maybe<VolumeFlow>("ratedFlow"));
}
