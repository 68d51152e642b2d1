using System.Collections.Concurrent;
using System.Globalization;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Service.Sheets;

/// <summary>How often something is there.</summary>
public enum Per
{
    /// <summary>Once.</summary>
    Pump,

    /// <summary>Once a cylinder; on an intensifier once an end.</summary>
    Cylinder,

    /// <summary>For every valve: inlet and discharge of each cylinder.</summary>
    Valve,

    /// <summary>For every inlet valve.</summary>
    Inlet,

    /// <summary>For every discharge valve.</summary>
    Discharge,
}

/// <summary>A place in a pump: the whole of it, a cylinder from 1, or one valve of it.</summary>
public sealed record ServicePlace(int? Cylinder = null, Side? Side = null)
{
    /// <summary>The whole pump.</summary>
    public static ServicePlace Whole { get; } = new();

    /// <summary>True where both may be the same place: the whole meets everything, both valves meet their cylinder.</summary>
    public bool Meets(ServicePlace other) =>
        (Cylinder is null || other.Cylinder is null || Cylinder == other.Cylinder)
        && (Side is null || other.Side is null || Side == other.Side);

    /// <summary>Stable name: "2.discharge", "2"; empty for the whole pump.</summary>
    public string Key =>
        string.Join('.', new[] { Cylinder?.ToString(CultureInfo.InvariantCulture), Side?.Named() }.Where(s => s is not null));
}

/// <summary>Places of what is there once, once a cylinder or once a valve.</summary>
public static class PerPlaces
{
    // A plan asks for them at every part that comes off.
    private static readonly ConcurrentDictionary<Often, IReadOnlyList<ServicePlace>> Known = new();

    /// <summary>Every place on this pump.</summary>
    public static IReadOnlyList<ServicePlace> On(this Per per, ReciprocatingPump pump) => per.On(pump.Cylinders);

    /// <summary>Every place where there are so many cylinders or ends.</summary>
    public static IReadOnlyList<ServicePlace> On(this Per per, int cylinders) => Known.GetOrAdd(
        new Often(per, cylinders), often => often.Per == Per.Pump
            ? [ServicePlace.Whole]
            : [.. Enumerable.Range(1, often.Cylinders).SelectMany(k => Sides(often.Per).Select(side => new ServicePlace(k, side)))]);

    /// <summary>Those of them that meet a place: both valves meet their cylinder, everything meets the whole.</summary>
    public static IEnumerable<ServicePlace> Meeting(this Per per, ServicePlace place, ReciprocatingPump pump) =>
        per.On(pump).Where(place.Meets);

    /// <summary>
    /// Those that stand in the way to a place: in a bore that both valves share, the one above is in the way of the one below.
    /// </summary>
    public static IEnumerable<ServicePlace> Above(this Per per, ServicePlace place, ReciprocatingPump pump) =>
        per == Per.Valve ? per.Meeting(place, pump) : per.Meeting(place with { Side = null }, pump);

    private static IEnumerable<Side?> Sides(Per per) => per switch
    {
        Per.Valve => [Side.Discharge, Side.Inlet],
        Per.Inlet => [Side.Inlet],
        Per.Discharge => [Side.Discharge],
        _ => [null],
    };

    private readonly record struct Often(Per Per, int Cylinders);
}
