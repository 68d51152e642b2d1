using MildHunch.Core.Hydraulics.Cycle;
using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Hydraulics.Steady;

/// <summary>
/// Finds the pressure at which a <see cref="SteadyBalance"/> balances: by the table of the cycle where that holds, and
/// following the turn step by step where it does not.
/// </summary>
internal static class SteadySolution
{
    private const int SecantRounds = 12;
    private const int MostRootRounds = 100;
    private const int MostTableLineRounds = 8;
    private const int MostPressureRounds = 60;
    private const int MostLineRounds = 8;
    private const double CloseShare = PressureTurn.Close;
    private const double RoughShare = 1e-3;
    private const double Beside = 1e-2;

    // Where the upper part of a large swing lies, over the swing: enough to see that a control may be touched.
    private const double UpperShare = 0.65;

    /// <summary>The operating point, sought from this pressure on.</summary>
    public static OperatingPoint Of(
        PumpAsSetUp plant, SoundReference sound, in Condition condition, double deliveryScale, double nozzleScale, double complianceM3Pa,
        double fromPa)
    {
        var balance = new SteadyBalance(plant, sound, condition, deliveryScale, nozzleScale, complianceM3Pa);
        var pressure = fromPa;
        if (!balance.Lame.HasCycles)
            return Followed(plant, sound, ref balance, condition, pressure);
        for (var round = 0; ; round++)
        {
            pressure = Root(balance, pressure, plant);
            if (plant.Setup.Outlet is null || round > MostTableLineRounds || !balance.UpdateLine(balance.At(pressure).Nozzle))
                break;
        }

        var at = balance.At(pressure);
        return PeaksTouch(balance, at, pressure)
            ? Followed(plant, sound, ref balance, condition, pressure)
            : Tabled(plant, balance, condition, pressure, at);
    }

    // A lame chamber can swing so far that the mean says nothing of what the control does.
    private static bool PeaksTouch(in SteadyBalance balance, in SteadyFlows at, double pressure)
    {
        if (balance.Outlet.IsProcess || !balance.Lame.Any)
            return false;
        var swing = balance.ShapeOf(at).Swing * balance.Outlet.LevelPa(at.AtMean);
        return pressure + (UpperShare * swing) > Math.Min(balance.Relief.SettingPa, balance.Relief.ReliefPa);
    }

    // Secant on √p, in which the balance is nearly straight, inside a bracket that always holds the root: a step that leaves
    // it, or too many steps, fall back to halving, so it cannot fail.
    private static double Root(in SteadyBalance balance, double guess, PumpAsSetUp plant)
    {
        var close = 1e-7 * plant.FullFlow;
        double low = 0, high = Math.Sqrt(plant.HighestPa), before = 0, atBefore = 0;
        var x = Math.Clamp(Math.Sqrt(guess), 1, high);
        for (var i = 0; i < MostRootRounds; i++)
        {
            var at = balance.Excess(x * x, out var steepness);
            if (Math.Abs(at) < close || high - low < 1e-9 * high)
                break;
            if (at > 0)
                low = x;
            else
                high = x;
            var slope = i == 0 ? -steepness : (at - atBefore) / (x - before);
            var next = slope < 0 ? x - (at / slope) : high;
            (before, atBefore) = (x, at);
            x = i < SecantRounds && next > low && next < high ? next : (low + high) / 2;
        }

        return x * x;
    }

    private static OperatingPoint Followed(
        PumpAsSetUp plant, SoundReference sound, ref SteadyBalance balance, in Condition condition, double pressure)
    {
        var lame = balance.Lame.Count;
        var room = new TurnRoom
        {
            Sound = stackalloc double[TurnTable.Steps],
            Moved = stackalloc double[lame * TurnTable.Steps],
            Late = stackalloc double[lame * TurnTable.Steps],
            Chambers = stackalloc LameChamber[lame],
            StartPa = pressure,
            Known = lame == 0,
        };
        balance.Lame.LayOut(ref room);

        // Friction is that of the flow found before: roughly until it no longer changes, then once more closely.
        var (outletRun, process) = (plant.Setup.Outlet, balance.Outlet.IsProcess);
        var within = outletRun is null && !process ? CloseShare : RoughShare;
        var nozzle = sound.Flow;
        for (var round = 0; ; round++)
        {
            var means = Agreed(balance, plant, ref room, ref pressure, nozzle, within, out var at);
            var saw = nozzle;
            nozzle = process ? means.Process : balance.Outlet.EffectiveNozzle * means.Root;
            if (within > CloseShare)
            {
                var moved = outletRun is null ? Math.Abs(nozzle - saw) > RoughShare * nozzle : balance.UpdateLine(nozzle);
                within = moved && round < MostLineRounds ? RoughShare : CloseShare;
                continue;
            }

            var delivered = nozzle + (balance.Outlet.Beside * means.Root) + means.Control;
            at = at with
            {
                Nozzle = nozzle,
                Delivered = delivered,
                Lost = 1 - (delivered / at.Full),
                MeanFactor = pressure / Math.Max(means.Root * means.Root, 1e-9)
            };
            return Point(plant, balance, condition, at, new TurnSums(pressure, means.Root, means.SwingPa, means.Weep, means.LeakPower));
        }
    }

    // Speed and fill follow the mean pressure, the mean pressure the turn. A higher mean never lets more through, so the two
    // agree at one pressure only: secant inside what is known to hold it, halving where that drags on.
    private static TurnMeans Agreed(
        in SteadyBalance balance, PumpAsSetUp plant, ref TurnRoom room, ref double pressure, double processFlow, double within,
        out SteadyFlows at)
    {
        double low = 0, high = plant.HighestPa, before = 0, offBefore = 0;
        for (var round = 0; ; round++)
        {
            at = balance.Driven(pressure);
            var means = balance.Turn(at, processFlow, ref room).Settled(ref room.StartPa, room.Chambers, room.Known, within);
            room.Known = true;
            var off = means.PressurePa - pressure;
            var slope = round == 0 ? -1 : (off - offBefore) / (pressure - before);

            // Where speed and fill hardly follow the pressure, a turn that comes out a little beside it is nevertheless the right one.
            var left = round > 0 && Math.Abs(off) < Beside * pressure ? (1 + slope) * off : off;
            if (Math.Abs(left) < within * pressure || high - low < 1e-9 * high || round > MostPressureRounds)
            {
                pressure = means.PressurePa;
                return means;
            }

            (low, high) = off > 0 ? (pressure, high) : (low, pressure);
            var next = slope < -0.05 ? pressure - (off / slope) : low;
            (before, offBefore) = (pressure, off);
            pressure = next > low && next < high && round < SecantRounds ? next : (low + high) / 2;
        }
    }

    private static OperatingPoint Tabled(
        PumpAsSetUp plant, in SteadyBalance balance, in Condition condition, double pressure, in SteadyFlows at)
    {
        var swing = balance.ShapeOf(at).Swing * balance.Outlet.LevelPa(at.AtMean);
        if (pressure > balance.Relief.SettingPa)
            swing = Math.Min(swing, 2 * OperatingPointSolver.ControlBand * balance.Relief.SettingPa);
        var weep = condition.Outside == 0 ? 0 : Math.Min(at.Lost, balance.Lame.LostOutside(at.LeakScale)) * at.Full;
        var power = balance.Lame.Any ? balance.Lame.WorkM3(at.LeakScale) * at.SpeedHz * pressure : 0;
        return Point(plant, balance, condition, at, new TurnSums(pressure, Math.Sqrt(pressure), swing, weep, power));
    }

    private static OperatingPoint Point(
        PumpAsSetUp plant, in SteadyBalance balance, in Condition condition, in SteadyFlows at, in TurnSums turn)
    {
        var pressure = turn.PressurePa;
        var crack = balance.Outlet.Crack * turn.Root;
        var outside = balance.Outlet.Outside * turn.Root;
        var bypass = at.Delivered - at.Nozzle - outside - crack;
        var drawn = at.Delivered - crack + turn.Weep;
        return new OperatingPoint
        {
            PressurePa = pressure,
            SwingPa = Math.Min(turn.SwingPa, 3 * pressure) + (condition.ExtraSwing * pressure),
            GunPa = Math.Max(0, pressure - balance.Outlet.LineDropPa(pressure, at.Nozzle)),
            NozzleFlow = at.Nozzle,
            BypassFlow = bypass > 1e-6 * at.Delivered ? bypass : 0,
            SupplyFlow = drawn,
            OutsideFlow = turn.Weep + outside + condition.DripFlow,
            InnerFlow = Math.Max(0, (at.Lost * at.Full) - turn.Weep) + crack,
            LeakPower = ((crack + outside) * pressure) + turn.LeakPower,
            SpeedHz = at.SpeedHz,
            InletPa = plant.SourcePa - (balance.Inlet.Resistance * drawn * drawn) - PhysicalConstants.StandardAirPa,
            DisplacedFlow = plant.VolumeM3 * at.SpeedHz * plant.SentShare(pressure) * balance.DeliveryScale,
            MeanFactor = at.MeanFactor,
            NozzleCoefficient = balance.Outlet.Nozzle,
            ComplianceM3Pa = balance.ComplianceM3Pa,
        };
    }

    /// <summary>Means over the turn; the root is that of the pressure of the moment, averaged, where the turn was followed.</summary>
    private readonly record struct TurnSums(double PressurePa, double Root, double SwingPa, double Weep, double LeakPower);
}
