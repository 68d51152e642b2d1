using MildHunch.Core.Fluids;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Hydraulics.Motion;

/// <summary>
/// How the plungers of a pump move over one turn, in units of the plunger area times rω (r half the stroke, ω = 2πN), so
/// that one full chamber delivers 1/π on the mean. Chambers of a double-acting cylinder are counted one after the other.
/// </summary>
/// <param name="Cylinders">Cylinders, or ends of an intensifier.</param>
/// <param name="Lambda">Crank radius over rod length, below 0 where the pull stroke discharges.</param>
/// <param name="RodSideShare">Area of the second chamber over the first, 0 when single acting.</param>
/// <param name="Slip">Share of the swept volume lost because both valves close late.</param>
/// <param name="Dwell">On an intensifier the share of a stroke spent standing; null for cranks and plates.</param>
public readonly record struct PumpMotion(int Cylinders, double Lambda, double RodSideShare, double Slip, double? Dwell)
{
    /// <summary>Chambers that deliver: two a double-acting cylinder.</summary>
    public int Chambers => RodSideShare > 0 ? 2 * Cylinders : Cylinders;

    /// <summary>Mean flow of all chambers, all sound.</summary>
    public double MeanFlow => (Cylinders * (1 + RodSideShare) / Math.PI) * (1 - Slip);

    /// <summary>Fastest a plunger moves.</summary>
    public double PeakVelocity => Dwell is { } d ? 2 / (Math.PI * (1 - d)) : 1;

    /// <summary>
    /// Angle by which each valve closes late: (1 − cos δ)/2 of the stroke a valve (docs/trade.md, Delivery), exact for the two together
    /// at any λ.
    /// </summary>
    public double Lag => Dwell is { } d ? Slip * Math.PI * (1 - d) / 2 : Math.Acos(1 - Slip);

    /// <summary>The motion of a pump; on an intensifier the dwell is a share of the stroke at this speed.</summary>
    public static PumpMotion Of(ReciprocatingPump pump, double speedHz) => new(
        pump.Cylinders,
        Math.Round(pump.RodRatio, 2),
        pump.RodSideShare,
        Math.Round(pump.Slip, 4),
        pump.Arrangement == Arrangement.Intensifier
            ? Math.Round(Math.Min(0.9, (2 * pump.ShiftTime.Si * speedHz) + Squeeze(pump)), 3)
            : null);

    // Part of a stroke that only squeezes what is in the cylinder: at thousands of bar it is no longer small.
    private static double Squeeze(ReciprocatingPump pump) =>
        (1 + pump.Clearance) * Compressibility.Of(Liquid.PlainWater, Quantity.From<Temperature>(20, Units.Celsius), pump.RatedPressure.Si)
            .At(pump.RatedPressure.Si);

    /// <summary>The same pump with valves that close in time.</summary>
    public PumpMotion WithoutSlip() => this with { Slip = 0 };

    /// <summary>Area of a chamber over that of a full plunger.</summary>
    public double AreaShare(int chamber) => RodSideShare > 0 && chamber % 2 == 1 ? RodSideShare : 1;

    /// <summary>
    /// Angle at which the discharge stroke of a chamber starts. Cranks stand evenly; on an even number of double-acting
    /// cylinders half as far apart, else their flows would fall on one another.
    /// </summary>
    public double Phase(int chamber)
    {
        if (RodSideShare <= 0)
            return 2 * Math.PI * chamber / Cylinders;
        var spacing = Cylinders % 2 == 0 ? Math.PI / Cylinders : 2 * Math.PI / Cylinders;
        return (spacing * (chamber / 2)) + (chamber % 2 == 1 ? Math.PI : 0);
    }

    /// <summary>
    /// Velocity of the plunger into a chamber, positive on its discharge stroke; θ counted from the start of that stroke.
    /// </summary>
    public double Velocity(int chamber, double theta)
    {
        if (Dwell is not { } dwell)
            return CrankKinematics.Velocity(theta, RodSideShare > 0 && chamber % 2 == 1 ? -Lambda : Lambda);
        var within = Wrap(theta);
        var moving = Math.PI * (1 - dwell);
        return within < moving ? PeakVelocity : within >= Math.PI && within < Math.PI + moving ? -PeakVelocity : 0;
    }

    /// <summary>Share of its discharge stroke that a chamber has done, 0 to 1; θ within 0 to π.</summary>
    public double Stroked(int chamber, double theta) => Dwell is { } dwell
        ? Math.Min(1, theta / (Math.PI * (1 - dwell)))
        : CrankKinematics.Advance(theta, RodSideShare > 0 && chamber % 2 == 1 ? -Lambda : Lambda) / 2;

    /// <summary>
    /// What a chamber sends forward at an angle of its own stroke, negative where water comes back: late valves, and a leak
    /// on one stroke that passes so much at the most.
    /// </summary>
    public double Delivered(int chamber, double theta, double forwardLeak, double returnLeak)
    {
        var (velocity, within) = (Velocity(chamber, theta), Wrap(theta));
        return velocity >= 0
            ? within < Lag ? 0 : Math.Max(0, velocity - forwardLeak)
            : within < Math.PI + Lag ? velocity : Math.Max(velocity, -returnLeak);
    }

    /// <summary>Forward flow of all chambers of a sound pump whose valves close in time.</summary>
    public double DeliveredFlow(double theta)
    {
        var sum = 0.0;
        for (var k = 0; k < Chambers; k++)
            sum += AreaShare(k) * Math.Max(0, Velocity(k, theta - Phase(k)));
        return sum;
    }

    /// <summary>
    /// Share of a chamber's swept volume lost through a leak that works on one stroke and cannot exceed what the plunger
    /// moves. G = leak over A·rω; sine motion gives 1 − √(1−G²) + G·arccos G (docs/trade.md, Leaks), uniform motion G over its
    /// speed.
    /// </summary>
    public double LostShare(double g) => Dwell is null ? Delivery.LostShare(g) : Math.Min(1, Math.Max(0, g) / PeakVelocity);

    /// <summary>
    /// Work lost through such a leak in one stroke over pressure times swept volume. While the plunger is slower than the leak
    /// could carry, only (v/G)² of the pressure builds up, so that a valve held wide open costs next to nothing. Closed form
    /// for sine motion: ½·[∫v³/G² below, ∫G above].
    /// </summary>
    public double LeakWork(double g)
    {
        if (g <= 0)
            return 0;
        if (Dwell is not null)
        {
            var ratio = g / PeakVelocity;
            return ratio < 1 ? ratio : 1 / (ratio * ratio);
        }

        var until = Math.Asin(Math.Min(g, 1));
        var cos = Math.Cos(until);

        // For a tiny leak the difference of cosines is lost in rounding; it goes to g⁴/4.
        var slow = g < 1e-3 ? g * g / 2 : 2 * ((2.0 / 3) - cos + (cos * cos * cos / 3)) / (g * g);
        return 0.5 * (slow + (g < 1 ? g * (Math.PI - (2 * until)) : 0));
    }

    private static double Wrap(double theta)
    {
        var turn = 2 * Math.PI;
        var within = theta % turn;
        return within < 0 ? within + turn : within;
    }
}
