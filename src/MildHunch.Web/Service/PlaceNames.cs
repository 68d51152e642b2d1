using MildHunch.Core.Pumps;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Sheets;

namespace MildHunch.Web.Service;

/// <summary>Places of a pump as they are told outside: cylinders by number, ends of an intensifier by name.</summary>
internal sealed class PlaceNames(ReciprocatingPump pump)
{
    public ServicePlaceDto Of(ServicePlace place) => pump.Arrangement == Arrangement.Intensifier && place.Cylinder is { } end
        ? new(null, place.Side?.Named(), end == 1 ? "left" : "right")
        : new(place.Cylinder, place.Side?.Named(), null);

    public StepPlaceDto Of(StepTick tick)
    {
        var (cylinder, side, end) = Of(tick.Place);
        return new StepPlaceDto(tick.Key, cylinder, side, end);
    }
}
