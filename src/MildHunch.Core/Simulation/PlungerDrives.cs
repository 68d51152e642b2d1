using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Hydraulics.Steady;

namespace MildHunch.Core.Simulation;

/// <summary>What moves the plungers: it says how large every chamber will be a step from now.</summary>
internal abstract class PlungerDrive(Plant plant)
{
    protected Plant Plant { get; } = plant;

    /// <summary>Turns, or cycles of an intensifier, since the start.</summary>
    public double Turns { get; protected set; }

    /// <summary>Volume of every chamber now.</summary>
    public double[] Volumes { get; } = new double[plant.Motion.Chambers];

    /// <summary>Volumes one step later at this share of the speed; the pressures now may hold an oil supply back.</summary>
    public abstract void Peek(double dt, double speedShare, ReadOnlySpan<double> pressures, Span<double> volumes);

    /// <summary>Takes the step that was last looked at.</summary>
    public abstract void Commit(ReadOnlySpan<double> volumes);

    public static PlungerDrive For(Plant plant) => plant.OilDriven ? new OilDrive(plant) : new CrankDrive(plant);
}

/// <summary>Crank, swash or wobble plate.</summary>
internal sealed class CrankDrive : PlungerDrive
{
    private double peeked;

    public CrankDrive(Plant plant)
        : base(plant)
    {
        Fill(0, Volumes);
    }

    public override void Peek(double dt, double speedShare, ReadOnlySpan<double> pressures, Span<double> volumes)
    {
        peeked = Turns + (Plant.SpeedHz * speedShare * dt);
        Fill(peeked, volumes);
    }

    public override void Commit(ReadOnlySpan<double> volumes)
    {
        Turns = peeked;
        volumes.CopyTo(Volumes);
    }

    private void Fill(double turns, Span<double> volumes)
    {
        var motion = Plant.Motion;
        var (swept, radius) = (2 * Plant.PlungerArea * Plant.Radius, Plant.Radius);
        var sides = volumes.Length / Plant.Pump.Cylinders;
        for (var k = 0; k < volumes.Length; k++)
        {
            var place = (sides * Plant.Pump.FiringOrder.PlaceOf(k / sides)) + (k % sides);
            var area = motion.AreaShare(k);
            var lambda = motion.RodSideShare > 0 && k % 2 == 1 ? -motion.Lambda : motion.Lambda;
            var advance = CrankKinematics.Advance((2 * Math.PI * turns) - motion.Phase(place), lambda);
            volumes[k] = area * ((swept * (1 + Plant.Pump.Clearance)) - (Plant.PlungerArea * radius * advance));
        }
    }
}

/// <summary>
/// Oil on one piston between two plungers: the stroke runs at the speed the oil supply gives, held back near its pressure
/// limit, and stands for the shift at each end.
/// </summary>
internal sealed class OilDrive : PlungerDrive
{
    private readonly double fullVelocity;
    private readonly List<(int End, double Seconds)> strokes = [];
    private double position;
    private double dwellLeft;
    private bool second;
    private double sinceShift;
    private (double Position, double DwellLeft, bool Second, double Turns, double Stroke) next;

    public OilDrive(Plant plant)
        : base(plant)
    {
        var half = 0.5 / plant.SpeedHz;
        fullVelocity = 2 * plant.Radius / Math.Max(half - plant.Pump.ShiftTime.Si, 0.02 * half);
        Fill(0, Volumes);
    }

    /// <summary>Seconds that each finished stroke took, by the end that delivered, shift not counted.</summary>
    public IReadOnlyList<(int End, double Seconds)> Strokes => strokes;

    public override void Peek(double dt, double speedShare, ReadOnlySpan<double> pressures, Span<double> volumes)
    {
        var stroke = 2 * Plant.Radius;
        next = (position, dwellLeft, second, Turns, sinceShift + dt);
        if (dwellLeft > 0)
        {
            next.DwellLeft = dwellLeft - dt;
            if (next.DwellLeft <= 1e-12)
                next = (0, 0, !second, Turns, 0);
        }
        else
        {
            // The supply starts to hold back a little below its limit, as the steady model has it.
            var limit = Plant.OilLimitPa;
            var against = pressures[second ? 1 : 0];
            var hold = against <= limit * (1 - OperatingPointSolver.ControlBand)
                ? 1
                : Math.Clamp((limit - against) / (OperatingPointSolver.ControlBand * limit), 0, 1);
            var step = Math.Min(fullVelocity * speedShare * hold * dt, stroke - position);
            next.Position = position + step;
            next.Turns = Turns + (0.5 * step / stroke);
            if (next.Position >= stroke * (1 - 1e-12))
                next.DwellLeft = Math.Max(Plant.Pump.ShiftTime.Si, 1e-9);
        }

        Fill(next.Second, next.Position, volumes);
    }

    public override void Commit(ReadOnlySpan<double> volumes)
    {
        if (dwellLeft <= 0 && next.DwellLeft > 0)
            strokes.Add((second ? 1 : 0, next.Stroke));
        (position, dwellLeft, second, Turns, sinceShift) = next;
        volumes.CopyTo(Volumes);
    }

    private void Fill(double at, Span<double> volumes) => Fill(false, at, volumes);

    private void Fill(bool delivering, double at, Span<double> volumes)
    {
        var stroke = 2 * Plant.Radius;
        var room = stroke * Plant.Pump.Clearance;
        var first = delivering ? stroke - at : at;
        volumes[0] = Plant.PlungerArea * (room + stroke - first);
        volumes[1] = Plant.PlungerArea * (room + first);
    }
}
