namespace MildHunch.Core.Hydraulics.Motion;

/// <summary>One turn of a pump at evenly spaced angles, laid out once.</summary>
internal sealed class TurnTable
{
    /// <summary>Angles a turn.</summary>
    public const int Steps = 120;

    private const int FineSteps = 240;
    private const long MostBytes = 16 << 20;
    private static readonly BoundedMemory<PumpMotion,
    TurnTable> Known = new(MostBytes, t => sizeof(double) * (t.soundTurn.Length + (3L * t.velocity.Length)));
    private readonly double[] soundTurn;
    private readonly double[] velocity;
    private readonly double[] within;
    private readonly double[] sound;
    private readonly PumpMotion motion;

    private TurnTable(PumpMotion motion, int steps)
    {
        this.motion = motion;
        soundTurn = new double[steps];
        (velocity, within, sound) = (
            new double[motion.Chambers * steps], new double[motion.Chambers * steps], new double[motion.Chambers * steps]);
        for (var k = 0; k < motion.Chambers; k++)
            for (var i = 0; i < steps; i++)
            {
                var theta = (2 * Math.PI * (i + 0.5) / steps) - motion.Phase(k);
                theta -= 2 * Math.PI * Math.Floor(theta / (2 * Math.PI));
                var at = (k * steps) + i;
                velocity[at] = motion.Velocity(k, theta);
                within[at] = theta;
                sound[at] = motion.AreaShare(k) * motion.Delivered(k, theta, 0, 0);
                soundTurn[i] += sound[at];
                SoundMean += sound[at] / steps;
            }
    }

    public static TurnTable Of(PumpMotion motion) => Known.Get(motion, m => new TurnTable(m, Steps));

    /// <summary>The same at more angles, to fill tables from; not kept.</summary>
    public static TurnTable Fine(PumpMotion motion) => new(motion, FineSteps);

    public PumpMotion Motion => motion;

    /// <summary>Forward flow of all chambers, all sound, in units of A·rω.</summary>
    public ReadOnlySpan<double> Sound => soundTurn;

    /// <summary>Velocity of a chamber's plunger at every angle, above 0 on the discharge stroke.</summary>
    public ReadOnlySpan<double> Velocity(int chamber) => velocity.AsSpan(chamber * soundTurn.Length, soundTurn.Length);

    /// <summary>Its mean over the turn.</summary>
    public double SoundMean { get; }

    /// <summary>
    /// Takes a chamber out of the turn and lays apart what its plunger moves, above 0 forward, below 0 back, 0 where that part
    /// of the stroke is empty; and the same for the angles at which a valve still stands open that closes late.
    /// </summary>
    public void Part(Span<double> turn, Span<double> moved, Span<double> late, int chamber, double unfilled)
    {
        var area = motion.AreaShare(chamber);
        var lag = motion.Lag;
        var start = chamber * turn.Length;
        for (var i = 0; i < turn.Length; i++)
        {
            var (v, theta) = (area * velocity[start + i], within[start + i]);
            var stillOpen = theta - (v < 0 ? Math.PI : 0) < lag;
            var empty = unfilled > 0 && v >= 0 && motion.Stroked(chamber, theta) < unfilled;
            turn[i] -= sound[start + i];
            moved[i] = stillOpen || empty ? 0 : v;
            late[i] = stillOpen && !empty ? v : 0;
        }
    }
}
