using MildHunch.Core.Hydraulics.Cycle;
using MildHunch.Core.Hydraulics.Motion;

namespace MildHunch.Core.Hydraulics.Steady;

/// <summary>What flows at one pressure, m³/s.</summary>
internal readonly struct SteadyFlows
{
    /// <summary>Turns a second under this load.</summary>
    public double SpeedHz { get; init; }

    /// <summary>What the chambers would send forward if none were lame.</summary>
    public double Full { get; init; }

    /// <summary>What they would send forward if the leaks saw the mean pressure all the time.</summary>
    public double AtMean { get; init; }

    /// <summary>G at this pressure and speed over G of the sound pump.</summary>
    public double LeakScale { get; init; }

    /// <summary>Share of <see cref="Full"/> that does not go forward.</summary>
    public double Lost { get; init; }

    public double Delivered { get; init; }

    /// <summary>F.</summary>
    public double MeanFactor { get; init; }

    public double Nozzle { get; init; }

    /// <summary>Through leaks beside nozzle and control.</summary>
    public double Beside { get; init; }
}

/// <summary>
/// What flows in and out at a pressure, for one condition. Made of what comes in, what is lost on the way, what is always
/// open and what opens at a pressure.
/// </summary>
internal ref struct SteadyBalance
{
    private const double HardlyAny = 1e-9;
    private const double LeastFlow = 1e-15;
    private readonly PumpAsSetUp plant;
    private readonly double noLoadHz;
    private readonly double droop;
    private readonly double leakScale;
    private readonly double omega;
    private readonly double leastFull;

    // Only the friction of its line changes.
    private OutletPath outlet;

    public SteadyBalance(
        PumpAsSetUp plant, SoundReference sound, in Condition condition, double deliveryScale, double nozzleScale, double complianceM3Pa)
    {
        this.plant = plant;
        noLoadHz = plant.SpeedHz * condition.SpeedFactor;
        if (plant.Setup.Drive is { } drive)
            droop = drive.Droop * plant.VolumeM3 / (PowerRules.MechanicalEfficiency * drive.Rated.Si);
        omega = 2 * Math.PI * noLoadHz;
        leakScale = plant.SpeedHz / Math.Sqrt(sound.PressurePa);
        leastFull = HardlyAny * sound.Flow;
        DeliveryScale = condition.FillFactor * deliveryScale;
        ComplianceM3Pa = complianceM3Pa;
        Inlet = new InletPath(plant, condition, noLoadHz);
        Lame = new LameSet(plant, condition);
        Relief = new ReliefPath(plant, condition);
        outlet = new OutletPath(plant, sound, condition, nozzleScale);
        if (plant.Setup.Outlet is not null)
            _ = UpdateLine(Driven(sound.PressurePa).Delivered);
    }

    public InletPath Inlet { get; }

    public LameSet Lame { get; }

    public ReliefPath Relief { get; }

    public readonly OutletPath Outlet => outlet;

    /// <summary>Share of what the plungers displace that is liquid, and as much more or less as is uncertain.</summary>
    public double DeliveryScale { get; }

    /// <summary>Softness of the outlet, m³/Pa.</summary>
    public double ComplianceM3Pa { get; }

    /// <summary>Friction of the outlet run at this flow; false once it no longer changes.</summary>
    public bool UpdateLine(double flow) => outlet.UpdateLine(flow);

    /// <summary>Speed, fill and size of the leaks at a mean pressure; all is delivered but what the leaks take of it.</summary>
    public readonly SteadyFlows Driven(double p)
    {
        var speed = SpeedAt(p);

        // Where not all comes in, nothing more is lost by valves that close late: what came has to leave.
        var sent = plant.VolumeM3 * plant.SentShare(p) * DeliveryScale;
        var full = Math.Max(leastFull, Math.Min(speed * Math.Min(sent, Inlet.FilledM3), Inlet.MostFlow));
        var scale = leakScale * Math.Sqrt(p) / speed;
        var left = Lame.Any ? full * (1 - Lame.LostShare(scale)) : full;
        return new SteadyFlows { SpeedHz = speed, Full = full, LeakScale = scale, AtMean = left, Delivered = left, MeanFactor = 1 };
    }

    /// <summary>Everything that flows at a pressure, by the table.</summary>
    public readonly SteadyFlows At(double p)
    {
        var root = Math.Sqrt(p);
        var at = Driven(p);
        var (factor, kept) = (1.0, 1.0);
        if (!outlet.IsProcess)
        {
            var shape = ShapeOf(at);
            var free = Relief.Freedom(p);
            (factor, kept) = (1 + (free * (shape.MeanFactor - 1)), 1 + (free * (shape.Kept - 1)));
        }

        var delivered = Math.Min(at.Full, at.AtMean * kept);
        return at with
        {
            Delivered = delivered,
            Lost = 1 - (delivered / at.Full),
            MeanFactor = factor,
            Nozzle = outlet.IsProcess ? outlet.ProcessFlow(p) : outlet.EffectiveNozzle * root / Math.Sqrt(factor),
            Beside = outlet.Beside * root,
        };
    }

    /// <summary>Delivered over what runs out, by the table, and about how steeply it falls with √p.</summary>
    public readonly double Excess(double p, out double steepness)
    {
        var at = At(p);
        var over = at.Delivered - at.Nozzle - at.Beside;
        steepness = (at.Nozzle + at.Beside) / Math.Max(Math.Sqrt(p), 1);
        if (p > Relief.SettingPa)
        {
            over -= Relief.ControlGain * (p - Relief.SettingPa);
            steepness += 2 * Math.Sqrt(p) * Relief.ControlGain;
        }

        if (p > Relief.ReliefPa)
        {
            over -= Relief.ReliefGain * (p - Relief.ReliefPa);
            steepness += 2 * Math.Sqrt(p) * Relief.ReliefGain;
        }

        return over;
    }

    /// <summary>How the pressure goes over the turn, by the table.</summary>
    public readonly CycleShape ShapeOf(in SteadyFlows at)
    {
        var table = Lame.LeaksBack ? plant.ReturnCycles! : plant.ForwardCycles!;
        var flow = Math.Max(at.AtMean, LeastFlow);
        return table.At(Lame.SingleLeak * at.LeakScale, omega * ComplianceM3Pa * outlet.LevelPa(flow) / flow);
    }

    /// <summary>
    /// The turn at this speed and fill, from one laid out; the friction on the way to a process as at this flow.
    /// </summary>
    public readonly PressureTurn Turn(in SteadyFlows at, double processFlow, ref TurnRoom room)
    {
        room.ScaleTo(at.Full);
        Lame.SetLeaks(room, leakScale / at.SpeedHz * at.Full / plant.Turn.SoundMean);
        return new PressureTurn
        {
            Sound = room.Sound,
            Lame = room.Moved,
            Late = room.Late,
            Free = outlet.IsProcess ? outlet.Beside : outlet.Free,
            Control = new Opening(Relief.SettingPa, Relief.ControlGain),
            Relief = new Opening(Relief.ReliefPa, Relief.ReliefGain),
            Process = outlet.IsProcess
                ? new Opening(outlet.OpensAtPa, outlet.Nozzle / (1 + (outlet.Nozzle * outlet.LineResistance * processFlow)))
                : Opening.Never,
            Step = 1 / (at.SpeedHz * TurnTable.Steps * ComplianceM3Pa),
        };
    }

    // Turns a second under this load: a motor slips, a governor droops, an oil supply holds back at its limit.
    private readonly double SpeedAt(double p)
    {
        var n = droop > 0 ? noLoadHz / (1 + (noLoadHz * droop * p)) : noLoadHz;
        var (limit, band) = (plant.OilLimitPa, OperatingPointSolver.ControlBand);
        return p <= limit * (1 - band) ? n : n * Math.Max(1e-6, (limit - p) / (band * limit));
    }
}
