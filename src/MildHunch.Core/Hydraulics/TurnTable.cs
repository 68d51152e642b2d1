using System.Collections.Concurrent;

namespace MildHunch.Core.Hydraulics;

/// <summary>One turn of a pump at evenly spaced angles, laid out once: what a cycle with several lame chambers is made from.</summary>
internal sealed class TurnTable
{
    /// <summary>Angles a turn.</summary>
    public const int Steps = 120;

    private static readonly ConcurrentDictionary<PumpMotion, TurnTable> Known = new();
    private readonly double[] soundTurn = new double[Steps];
    private readonly double[] velocity;
    private readonly double[] within;
    private readonly double[] sound;
    private readonly PumpMotion motion;

    private TurnTable(PumpMotion motion)
    {
        this.motion = motion;
        (velocity, within, sound) = (new double[motion.Chambers * Steps], new double[motion.Chambers * Steps], new double[motion.Chambers * Steps]);
        for (var k = 0; k < motion.Chambers; k++)
            for (var i = 0; i < Steps; i++)
            {
                var theta = (2 * Math.PI * (i + 0.5) / Steps) - motion.Phase(k);
                theta -= 2 * Math.PI * Math.Floor(theta / (2 * Math.PI));
                var at = (k * Steps) + i;
                velocity[at] = motion.Velocity(k, theta);
                within[at] = theta;
                sound[at] = motion.AreaShare(k) * motion.Delivered(k, theta, 0, 0);
                soundTurn[i] += sound[at];
            }
    }

    public static TurnTable Of(PumpMotion motion) => Known.GetOrAdd(motion, m => new TurnTable(m));

    /// <summary>Forward flow of all chambers, all sound, in units of A·rω.</summary>
    public ReadOnlySpan<double> Sound => soundTurn;

    /// <summary>Replaces what a sound chamber adds to the turn by what it adds with these leaks and that part of its stroke empty.</summary>
    public void Spoil(Span<double> turn, int chamber, double forwardLeak, double returnLeak, double unfilled)
    {
        var area = motion.AreaShare(chamber);
        var lag = motion.Lag;
        var from = motion.Lambda == 0 && motion.Dwell is null ? Math.Acos(1 - (2 * unfilled)) : unfilled * Math.PI;
        var start = chamber * Steps;
        for (var i = 0; i < Steps; i++)
        {
            var (v, theta) = (velocity[start + i], within[start + i]);
            var flow = theta < Math.PI && theta < from ? 0 : PumpMotion.Passed(v, theta, lag, forwardLeak, returnLeak);
            turn[i] += (area * flow) - sound[start + i];
        }
    }
}
