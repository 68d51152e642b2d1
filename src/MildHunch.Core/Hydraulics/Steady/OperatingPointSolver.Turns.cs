using System.Numerics;
using MildHunch.Core.Hydraulics.Cycle;
using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Hydraulics.Steady;

public sealed partial class OperatingPointSolver
{
    private const int MostPressureRounds = 60;
    private const double CloseShare = PressureTurn.Close;
    private const double RoughShare = 1e-3;
    private const double Beside = 1e-2;
    private const int MostLineRounds = 8;
    private const int FewChambers = 2;

    // Where the upper part of a large swing lies, over the swing: enough to see that a control may be touched.
    private const double UpperShare = 0.65;

    // A lame chamber can swing so far that the mean says nothing of what the control does.
    private bool PeaksTouch(in Balance balance, in Flows at, double pressure)
    {
        if (Setup.Nozzle.OpensAtPa is not null || !balance.AnyLame)
            return false;
        var swing = balance.ShapeOf(at).Swing * balance.Level(at.AtMean);
        return pressure + (UpperShare * swing) > Math.Min(balance.Setting, balance.Relief);
    }

    /// <summary>A turn laid out, where it was found to begin and what its lame chambers did last: room for one solve.</summary>
    private ref struct TurnRoom
    {
        public Span<double> Sound;
        public Span<double> Moved;
        public Span<double> Late;
        public Span<LameChamber> Chambers;
        public double Mean;
        public double Start;
        public bool Known;
    }

    private OperatingPoint TurnPoint(ref Balance balance, in Condition c, double pressure)
    {
        var lame = BitOperations.PopCount((uint)c.Lame);
        var room = new TurnRoom
        {
            Sound = stackalloc double[TurnTable.Steps],
            Moved = stackalloc double[lame * TurnTable.Steps],
            Late = stackalloc double[lame * TurnTable.Steps],
            Chambers = stackalloc LameChamber[lame],
            Start = pressure,
            Known = lame == 0,
        };
        for (var (i, rest) = (0, c.Lame); i < lame; i++, rest &= rest - 1)
            room.Chambers[i] = new LameChamber((c.Outside & rest & -rest) != 0);
        room.Mean = balance.LayTurn(room.Sound, room.Moved, room.Late);

        // Friction is that of the flow found before: roughly until it no longer changes, then once more closely.
        var process = Setup.Nozzle.OpensAtPa is not null;
        var within = Setup.Outlet is null && !process ? CloseShare : RoughShare;
        var nozzle = HealthyFlow;
        for (var round = 0; ; round++)
        {
            var means = Agreed(balance, ref room, ref pressure, nozzle, within, out var at);
            var saw = nozzle;
            nozzle = process ? means.Process : balance.EffectiveNozzle * means.Root;
            if (within > CloseShare)
            {
                var moved = Setup.Outlet is null ? Math.Abs(nozzle - saw) > RoughShare * nozzle : balance.UpdateLine(nozzle);
                within = moved && round < MostLineRounds ? RoughShare : CloseShare;
                continue;
            }

            var delivered = nozzle + (balance.FreeBeside * means.Root) + means.Control;
            at = at with
            {
                Nozzle = nozzle,
                Delivered = delivered,
                Lost = 1 - (delivered / at.Full),
                Factor = pressure / Math.Max(means.Root * means.Root, 1e-9)
            };
            return Point(balance, c, pressure, at, means.Root, means.SwingPa, means.Weep, means.LeakPower);
        }
    }

    // Speed and fill follow the mean pressure, the mean pressure the turn. A higher mean never lets more through, so the two
    // agree at one pressure only: secant inside what is known to hold it, halving where that drags on.
    private TurnMeans Agreed(in Balance balance, ref TurnRoom room, ref double pressure, double nozzleFlow, double within, out Flows at)
    {
        double low = 0, high = highestPa, before = 0, offBefore = 0;
        for (var round = 0; ; round++)
        {
            at = balance.Driven(pressure);
            var means = balance.Turn(at, nozzleFlow, ref room).Settled(ref room.Start, room.Chambers, room.Known, within);
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
}
