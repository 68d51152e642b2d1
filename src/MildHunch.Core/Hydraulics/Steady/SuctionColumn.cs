using System.Collections.Concurrent;
using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Hydraulics.Steady;

/// <summary>How a pump's chambers fill: <paramref name="Share"/> of what the plungers make room for comes in, 0 to 1.</summary>
/// <param name="Share">Share of the room that is filled by the time the inlet valves shut.</param>
/// <param name="SquareFactor">Mean of the flow's square over the square of its mean: friction of a flow that comes and goes.</param>
internal readonly record struct ColumnFill(double Share, double SquareFactor);

/// <summary>
/// The column of liquid between source and inlet valves. It has to be started and stopped with every stroke; where the air
/// behind it cannot do that in time a cavity opens at the plunger and part of the stroke stays empty. One column with its
/// mass, friction and the softness of its run; SI throughout.
/// </summary>
internal sealed class SuctionColumn
{
    /// <summary>Drop over a sound inlet valve at the fastest plunger, Pa (common practice, no source).</summary>
    public const double ValveDropPa = 12e3;
    private const double UntoldVelocity = 0.5;
    private const double UntoldLength = 1.5;
    private const double UntoldAccelerationHead = 1.0;
    private const double UntoldWaveSpeed = 250;
    private const int Parts = 2;
    private const int MostTurns = 24;
    private const int LeastTurns = 6;
    private const double Settled = 1e-3;
    private const int MostKept = 64;
    private const double LeastShare = 1e-3;
    private readonly ConcurrentDictionary<(double Capacity, double DrivePa, double SpeedHz), ColumnFill> known = new();
    private readonly PumpMotion motion;
    private readonly double unitFlow;
    private readonly double resistance;
    private readonly TurnTable turn;
    private readonly double dwellShare;

    /// <param name="pump">The pump.</param>
    /// <param name="setup">How it is run.</param>
    /// <param name="motion">How its plungers move.</param>
    /// <param name="speedHz">Its speed as believed.</param>
    /// <param name="resistance">Of a sound inlet, Pa/(m³/s)².</param>
    public SuctionColumn(ReciprocatingPump pump, Setup setup, PumpMotion motion, double speedHz, double resistance)
    {
        this.motion = motion;
        dwellShare = Math.Min(0.9, 2 * pump.ShiftTime.Si * speedHz);
        this.resistance = resistance;
        unitFlow = pump.PlungerArea.Si * pump.Stroke.Si * Math.PI;
        var density = setup.Liquid.Density(setup.Temperature).Si;
        var full = pump.Cylinders * pump.SweptVolume.Si * speedHz;
        var area = setup.Inlet is { } run ? Math.PI / 4 * run.Run.Bore.Si * run.Run.Bore.Si : full / VelocityUntold(pump, setup, speedHz);
        var length = setup.Inlet?.Run.Length.Si ?? UntoldLength;
        var wave = setup.Inlet?.Run.WaveSpeed ?? UntoldWaveSpeed;
        Inertance = density * length / area;
        Volume = area * length;
        Compliance = Volume / (density * wave * wave);
        turn = TurnTable.Of(motion);
    }

    /// <summary>Mass of the column over the square of its area, kg/m⁴.</summary>
    public double Inertance { get; }

    /// <summary>Of the run, m³; of an inlet that nobody measured, one that is good enough.</summary>
    public double Volume { get; }

    /// <summary>Softness of the run, m³/Pa.</summary>
    public double Compliance { get; }

    /// <summary>How the chambers fill through an inlet of this capacity, with so much above boiling at the source, at this speed.</summary>
    public ColumnFill At(double capacity, double drivePa, double speedHz)
    {
        // An oil supply waits for what its inlet gives; it draws all the way and stands only for the shift.
        if (motion.Dwell is not null)
            return new ColumnFill(1, 1 / (1 - dwellShare));
        var key = (capacity, drivePa, speedHz);
        if (known.TryGetValue(key, out var fill))
            return fill;
        fill = Follow(capacity, drivePa, speedHz);
        if (known.Count < MostKept)
            known.TryAdd(key, fill);
        return fill;
    }

    // An inlet that nobody measured is wide enough for a slow flow, and for the column to follow the plungers.
    private static double VelocityUntold(ReciprocatingPump pump, Setup setup, double speedHz) => Math.Min(
        UntoldVelocity,
        UntoldAccelerationHead * setup.Liquid.AccelerationDivisor * PhysicalConstants.Gravity
            / (UntoldLength * speedHz * 60 * Suction.AccelerationConstant(pump)));

    private ColumnFill Follow(double capacity, double drivePa, double speedHz)
    {
        var peak = unitFlow * speedHz;
        var valve = peak * motion.PeakVelocity / Math.Sqrt(ValveDropPa);
        var loss = resistance / (capacity * capacity);
        var dt = 1 / (speedHz * TurnTable.Steps * Parts);
        var (perMass, perSoftness) = (dt / Inertance, dt / Compliance);
        Span<double> cavity = stackalloc double[motion.Chambers];
        cavity.Clear();
        var swept = 0.0;
        for (var k = 0; k < cavity.Length; k++)
            foreach (var velocity in turn.Velocity(k))
                swept += Math.Max(0, -velocity) * motion.AreaShare(k) * peak * dt * Parts;

        // Pressure at the pump above boiling; what is hollow in the run itself; what came in before.
        var (flow, pressure, hollow, before) = (swept * speedHz, drivePa, 0.0, 0.0);
        var (counted, came, square) = (0, 0.0, 0.0);
        for (var round = 1; round <= MostTurns; round++)
        {
            var (turnCame, turnSquare) = (0.0, 0.0);
            for (var i = 0; i < TurnTable.Steps * Parts; i++)
            {
                var taken = 0.0;
                for (var k = 0; k < cavity.Length; k++)
                {
                    var room = -turn.Velocity(k)[i / Parts] * motion.AreaShare(k) * peak;
                    if (room <= 0 && cavity[k] <= 0)
                        continue;
                    var goes = Math.Clamp((cavity[k] / dt) + room, 0, valve * Math.Sqrt(pressure));
                    cavity[k] = Math.Max(0, cavity[k] + (dt * (room - goes)));
                    taken += goes;
                }

                // Mass, friction and softness together at the end of the step, so that none swings the others up.
                var damp = 1 + (perMass * loss * Math.Abs(flow));
                var next = (flow + (perMass * (drivePa - pressure + (perSoftness * taken)))) / (damp + (perMass * perSoftness));
                var rise = pressure + (perSoftness * (next - taken));
                if (hollow > 0 || rise < 0)
                {
                    next = (flow + (perMass * drivePa)) / damp;
                    hollow += (dt * (taken - next)) - (Compliance * pressure);
                    pressure = Math.Max(0, -hollow / Compliance);
                    hollow = Math.Max(0, hollow);
                }
                else
                {
                    pressure = rise;
                }

                flow = next;
                turnCame += dt * taken;
                turnSquare += dt * flow * flow;
            }

            if (round > LeastTurns / 2)
                (counted, came, square) = (counted + 1, came + turnCame, square + turnSquare);
            if (round >= LeastTurns && Math.Abs((came / counted) - before) < Settled * before)
                break;
            before = counted > 0 ? came / counted : 0;
        }

        var mean = came * speedHz / counted;
        return new ColumnFill(Math.Clamp(came / counted / swept, LeastShare, 1), Math.Max(1, square * speedHz / counted / (mean * mean)));
    }
}
