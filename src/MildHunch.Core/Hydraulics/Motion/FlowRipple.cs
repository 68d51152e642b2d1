namespace MildHunch.Core.Hydraulics.Motion;

/// <summary>How far the delivery of a healthy pump rises and falls about its mean, from the kinematics alone.</summary>
/// <param name="AboveMean">Largest flow over the mean, minus one.</param>
/// <param name="BelowMean">One minus smallest flow over the mean.</param>
/// <param name="VolumeSwing">Largest less smallest of the volume delivered beyond the mean, over plunger area times stroke.</param>
public readonly record struct FlowRipple(double AboveMean, double BelowMean, double VolumeSwing)
{
    private const int Steps = 7200;
    private const long MostBytes = 1 << 20;
    private static readonly BoundedMemory<PumpMotion, FlowRipple> Known = new(MostBytes, _ => 256);

    /// <summary>Ripple of a sound pump whose valves close in time. Kept after its first use.</summary>
    public static FlowRipple Of(PumpMotion motion) => Known.Get(motion.WithoutSlip(), Compute);

    private static FlowRipple Compute(PumpMotion motion)
    {
        var mean = motion.MeanFlow;
        double most = 0, least = double.MaxValue, volume = 0, top = 0, bottom = 0;
        for (var i = 0; i < Steps; i++)
        {
            var flow = motion.DeliveredFlow(2 * Math.PI * i / Steps);
            most = Math.Max(most, flow);
            least = Math.Min(least, flow);
            volume += (flow - mean) * 2 * Math.PI / Steps;
            top = Math.Max(top, volume);
            bottom = Math.Min(bottom, volume);
        }

        // The stroke is two crank radii, so volumes over A·r are halved.
        return new FlowRipple((most / mean) - 1, 1 - (least / mean), (top - bottom) / 2);
    }
}
