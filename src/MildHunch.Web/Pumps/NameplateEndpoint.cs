using MildHunch.Core.Quantities;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Pumps;

/// <summary>Bore, stroke, speed and flow, all four; and what was worked out or does not agree, in words.</summary>
public sealed record NameplateResponse(
    QuantityDto PlungerDiameter, QuantityDto Stroke, QuantityDto RatedSpeed, QuantityDto RatedFlow, string? WorkedOut, string? Doubt);

/// <summary>A pump as far as it is known.</summary>
public sealed record PlateRequest(PumpDto? Pump, SetupDto? Setup);

/// <summary>Geometry and nameplate complete one another while they are typed.</summary>
public static class NameplateEndpoint
{
    public static void Map(IEndpointRouteBuilder routes)
    {
        routes.MapPost("/api/nameplate/assumptions", (PlateRequest request) => SetupAssumptions.Complete(request.Pump, request.Setup))
            .WithTags("Computation").WithSummary("What would be assumed of a pump beyond what is known of it, and the set-up that gives.");
        routes.MapPost("/api/nameplate", (PumpDto pump) =>
        {
            var plate = pump.ToNameplate();
            static QuantityDto Show(QuantityKind kind, double si) => new Amount(kind, si).ToDto();
            return new NameplateResponse(
                Show(QuantityKind.Length, plate.PlungerDiameter.Si), Show(QuantityKind.Length, plate.Stroke.Si),
                Show(QuantityKind.RotationalSpeed, plate.Speed.Si), Show(QuantityKind.VolumeFlow, plate.Flow.Si), plate.WorkedOut,
                plate.Doubt);
        }).WithTags("Computation").WithSummary("Completes bore, stroke, speed and flow from any three of them.");
    }
}
