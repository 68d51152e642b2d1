using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Simulation;

/// <summary>A step that could not be solved even when halved again and again: reported, never passed over.</summary>
public sealed class SimulationException(double seconds) : Exception($"The simulation could not be continued after {seconds:0.000} s.");

/// <summary>
/// The pump in time (docs/trade.md, In time): chambers, valves, leaks, vapour, inlet inertia, soft outlet, control. The
/// same plan always gives the same result.
/// </summary>
public sealed class PumpSimulation
{
    /// <summary>Steps a turn at which halving them moves mean pressure by less than 0.2 % and swing by less than 2 %.</summary>
    public const int CrankSteps = 720;

    /// <summary>Steps a cycle of an intensifier, whose pressure rises within a short part of it.</summary>
    public const int OilSteps = 4000;

    private const int MostSettlingTurns = 60;
    private const int LeastSettlingTurns = 3;
    private const int MostHalvings = 10;
    private const double SettledShare = 2e-4;
    private readonly SimulationPlan plan;
    private readonly Plant plant;
    private readonly ControlDynamics control;
    private readonly PlungerDrive drive;
    private readonly Stepper stepper;
    private readonly Ledger ledger;
    private readonly double[] volumes;
    private readonly double step;
    private double speedShare;
    private int steps;
    private int halved;

    private PumpSimulation(OperatingPointSolver solver, in Condition condition, SimulationPlan plan)
    {
        this.plan = plan.InOrder();
        plant = new Plant(solver, condition);
        control = new ControlDynamics(plant);
        drive = PlungerDrive.For(plant);
        var shut = solver.Setup.State == ControlState.Bypassing;
        var start = plan.FromRest ? 0 : plant.Steady.PressurePa;
        var inlet = plan.FromRest ? plant.SourcePa : plant.Steady.InletPa;
        var gun = shut && !plan.FromRest ? Math.Max(start, double.IsFinite(plant.SettingPa) ? plant.SettingPa : start) : start;
        stepper = new Stepper(
            plant, control, drive.Volumes, start, gun, inlet, plan.FromRest ? 0 : plant.Steady.SupplyFlow)
        { Opening = shut ? 0 : 1 };
        control.Settle(start);
        ledger = new Ledger(plant);
        volumes = new double[plant.Motion.Chambers];
        step = 1 / (plant.SpeedHz * (plan.StepsPerTurn ?? (plant.OilDriven ? OilSteps : CrankSteps)));
        speedShare = plan.FromRest || control.Stopped ? 0 : 1;
    }

    /// <summary>Runs a pump in this condition by this plan.</summary>
    /// <exception cref="ImpossibleInputException">A plan that cannot be.</exception>
    /// <exception cref="OperationCanceledException">It was cancelled.</exception>
    /// <exception cref="SimulationException">A step could not be solved.</exception>
    public static SimulationResult Run(
        OperatingPointSolver solver, in Condition condition, SimulationPlan plan, IProgress<double>? progress = null,
        CancellationToken cancel = default)
    {
        plan.Check();
        return new PumpSimulation(solver, condition, plan).Run(progress, cancel);
    }

    private SimulationResult Run(IProgress<double>? progress, CancellationToken cancel)
    {
        if (!plan.FromRest && speedShare > 0)
            Settle(cancel);
        ledger.Clear();
        var turnsAtStart = drive.Turns;
        var recorder = new Recorder(plan, plant.Motion.Chambers);
        recorder.Take(0, drive.Turns, stepper);
        var time = 0.0;
        var reported = 0.0;
        ledger.Mark(drive.Turns);

        // Means need two ends of turns; a slow pump runs on for them, unnoted.
        while (time < plan.Seconds || (ledger.Marks.Count < 2 && speedShare > 0 && time < plan.Seconds + (3 / plant.SpeedHz)))
        {
            MoveOn(time);
            Advance(step, cancel);
            time += step;
            if (time <= plan.Seconds + (0.5 * step))
                recorder.Take(time, drive.Turns, stepper);
            if (time - reported > 0.02 * plan.Seconds)
            {
                reported = time;
                progress?.Report(Math.Min(1, time / plan.Seconds));
            }
        }

        if (ledger.Marks.Count < 2)
            ledger.Mark(drive.Turns);
        progress?.Report(1);
        return recorder.Result(Means(turnsAtStart), steps, halved);
    }

    private void MoveOn(double time)
    {
        foreach (var move in plan.Outlet)
            if (move.AtSeconds <= time)
                stepper.Opening = move.Opening;
        var wanted = 1.0;
        foreach (var move in plan.Speed)
            if (move.AtSeconds <= time)
                wanted = move.Share;
        if (control.Stopped)
            wanted = 0;
        var ramp = step / plan.RampSeconds;
        speedShare += Math.Clamp(wanted - speedShare, -ramp, ramp);
    }

    // Turn after turn until the head pressure comes back to where it was; a soft outlet comes back slowly and evenly, so the
    // rest of its way is taken in one go.
    private void Settle(CancellationToken cancel)
    {
        var held = plant.Pump.Control != ControlKind.None && plant.Steady.PressurePa > 0.97 * plant.SettingPa;
        var before = 0.0;
        for (var turn = 0; turn < MostSettlingTurns; turn++)
        {
            var start = stepper.HeadPa;
            var until = Math.Floor(drive.Turns + 1e-9) + 1;
            for (var i = 0; drive.Turns < until - 1e-9 && i < 50 * OilSteps; i++)
                Advance(step, cancel);
            var drift = stepper.HeadPa - start;
            if (turn >= LeastSettlingTurns && Math.Abs(drift) < SettledShare * Math.Max(Math.Abs(start), 1e4))
                return;
            if (!held && !plant.OilDriven && turn >= 2 && before != 0 && drift / before is > 0.3 and < 0.995)
            {
                var ratio = drift / before;
                stepper.Shift(drift * ratio / (1 - ratio));
                before = 0;
            }
            else
            {
                before = drift;
            }
        }
    }

    private void Advance(double dt, CancellationToken cancel, int depth = 0)
    {
        if ((++steps & 255) == 0)
            cancel.ThrowIfCancellationRequested();
        drive.Peek(dt, speedShare, stepper.Pressures, volumes);
        if (stepper.TryStep(dt, volumes))
        {
            var before = Math.Floor(drive.Turns + 1e-9);
            ledger.Take(stepper, dt, drive.Volumes, volumes);
            drive.Commit(volumes);
            if (Math.Floor(drive.Turns + 1e-9) > before)
                ledger.Mark(drive.Turns);
            return;
        }

        if (depth >= MostHalvings)
            throw new SimulationException(ledger.Now.Seconds);
        halved++;
        Advance(dt / 2, cancel, depth + 1);
        Advance(dt / 2, cancel, depth + 1);
    }

    private SimulationMeans Means(double turnsAtStart)
    {
        var marks = ledger.Marks;

        // Where something moved, only the last part of the run is at rest again.
        var used = plan.Outlet.Count + plan.Speed.Count > 0 || plan.FromRest ? Math.Max(1, (marks.Count - 1) / 4) : marks.Count - 1;
        var (from, to) = (marks[marks.Count - 1 - used].Sums, marks[^1].Sums);
        var extremes = new Extremes();
        foreach (var mark in marks.Skip(marks.Count - used))
            extremes.Take(mark.Turn);
        var time = Math.Max(to.Seconds - from.Seconds, 1e-12);
        double Mean(Func<Sums, double> read) => (read(to) - read(from)) / time;
        double Work(Func<Sums, double> read) => read(to) - read(from);
        return new SimulationMeans
        {
            PressurePa = Mean(s => s.HeadPa),
            SwingPa = extremes.HeadHigh - extremes.HeadLow,
            GunPa = Mean(s => s.GunPa),
            HighestPa = Math.Max(marks.Max(m => m.Turn.HeadHigh), ledger.Running.HeadHigh),
            InletPa = Mean(s => s.InletPa),
            // A manifold cannot go below boiling: what lies lower is a cavity that the step did not resolve.
            LowestInletPa = Math.Max(extremes.InletLow, plant.VapourPa),
            InletSwingPa = extremes.InletHigh - extremes.InletLow,
            NozzleFlow = Mean(s => s.Nozzle),
            HighestNozzleFlow = extremes.NozzleHigh,
            LowestNozzleFlow = extremes.NozzleLow,
            BypassFlow = Mean(s => s.Bypass),
            OutsideFlow = Mean(s => s.Outside),
            SupplyFlow = Mean(s => s.Supply),
            SpeedHz = (to.Turns - from.Turns) / time,
            Turns = drive.Turns - turnsAtStart,
            Cavitates = extremes.Cavitates,
            StrokeSeconds = (drive as OilDrive)?.Strokes is { Count: > 1 } strokes ? [Stroke(strokes, 0), Stroke(strokes, 1)] : null,
            Energy = new EnergySplit(
                Work(s => s.Shaft), Work(s => s.SupplyWork), Work(s => s.NozzleWork), Work(s => s.BypassWork), Work(s => s.OutsideWork),
                Work(s => s.InnerWork), Work(s => s.ValveWork), Work(s => s.LineWork)),
        };
    }

    private static double Stroke(IReadOnlyList<(int End, double Seconds)> strokes, int end) =>
        strokes.LastOrDefault(s => s.End == end).Seconds;
}
