using System.Numerics;
using MildHunch.Core.Hydraulics.Cycle;
using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Hydraulics.Steady;

public sealed partial class OperatingPointSolver
{
    /// <summary>What flows at one pressure.</summary>
    private readonly struct Flows
    {
        public double Speed { get; init; }

        /// <summary>What the chambers would send forward if none were lame.</summary>
        public double Full { get; init; }

        /// <summary>What they would send forward if the leaks saw the mean pressure all the time.</summary>
        public double AtMean { get; init; }

        /// <summary>G at this pressure and speed over G at the healthy one.</summary>
        public double LeakScale { get; init; }

        public double Lost { get; init; }

        public double Delivered { get; init; }

        /// <summary>F.</summary>
        public double Factor { get; init; }

        public double Nozzle { get; init; }

        /// <summary>Through leaks beside nozzle and control.</summary>
        public double Beside { get; init; }
    }

    /// <summary>What flows in and out at a pressure, for one condition.</summary>
    private ref struct Balance
    {
        private const double CloseLine = 1e-4;
        private const double HardlyAny = 1e-9;
        private const double LeastOverPa = 100;
        private const double LeastHz = 1e-3;
        private readonly OperatingPointSolver s;
        private readonly ref readonly Condition c;
        private readonly double noLoadHz;
        private readonly double droop;
        private readonly double leakScale;
        private readonly double omega;
        private readonly double fixedLine;
        private readonly double controlGain;
        private readonly double reliefGain;
        private readonly double bypass;
        private readonly double opensAt;
        private readonly bool process;
        private readonly bool returns;
        private readonly double singleLeak;
        private readonly int lame;
        private double effectiveNozzle;
        private double levelUnit;
        private readonly double filled;

        public Balance(OperatingPointSolver solver, in Condition condition, double deliveryScale, double nozzleScale, double compliance)
        {
            s = solver;
            c = ref condition;
            lame = c.Lame;
            noLoadHz = s.believedSpeedHz * c.SpeedFactor;
            var full = s.volumeM3 * s.believedSpeedHz;
            if (s.Setup.Drive is { } drive)
                droop = drive.Droop * s.volumeM3 / (PowerRules.MechanicalEfficiency * drive.Rated.Si);
            omega = 2 * Math.PI * noLoadHz;
            var healthyRoot = Math.Sqrt(s.HealthyPa);
            var unit = s.HealthyFlow / healthyRoot;
            leakScale = s.believedSpeedHz / healthyRoot;
            bypass = c.BypassShare * unit;
            Outside = c.OutsideShare * unit;
            Crack = c.CrackShare * unit;
            Setting = s.settingPa * c.SettingFactor;
            controlGain = double.IsFinite(Setting) ? full / (ControlBand * Setting) : 0;
            Relief = s.reliefPa * c.ReliefFactor;
            reliefGain = double.IsFinite(Relief) ? full / (ReliefBand * Relief) : 0;
            Nozzle = s.Setup.Nozzle.Coefficient * c.NozzleFactor * nozzleScale;
            process = s.Setup.Nozzle.OpensAtPa is not null;
            opensAt = s.Setup.Nozzle.OpensAtPa ?? 0;
            if (s.Setup.State == ControlState.Bypassing)
            {
                Nozzle = 0;
                if (s.Pump.Control == ControlKind.Unloader)
                    bypass += full / Math.Sqrt(UnloadedShare * s.Pump.RatedPressure.Si);
            }

            InletResistance = s.inletResistance / (c.InletCapacity * c.InletCapacity);
            var vapour = c.WarmerK > 0 ? Suction.VapourPa(s.Setup, c.WarmerK) : s.vapourPa;
            var over = s.sourcePa - vapour;
            Fill = s.Column.At(c.InletCapacity, Math.Max(LeastOverPa, over), Math.Max(noLoadHz, LeastHz));
            InletResistance *= Fill.SquareFactor;
            Cavitation = over <= 0 ? 1e-6 * full : Math.Sqrt(over / InletResistance);
            filled = Fill.Share * s.volumeM3;
            DeliveryScale = c.FillFactor * deliveryScale;
            var lossShare = c.LineLoss + (s.Setup.Injector == InjectorPlace.Outlet ? InjectorLossShare : 0);
            fixedLine = lossShare > 0 ? lossShare * s.HealthyPa / (full * full) : 0;
            LineResistance = fixedLine;
            Compliance = compliance;
            Size = full;
            HasTable = s.motion.Chambers > FewChambers;
            if (lame != 0)
            {
                var first = BitOperations.TrailingZeroCount(lame);
                var (leakForward, leakBack) = (c.ForwardLeak(first), c.ReturnLeak(first));
                returns = leakBack > leakForward;
                singleLeak = Math.Max(leakForward, leakBack);
                HasTable &= BitOperations.IsPow2(lame) && c.Unfilled(first) == 0 && (s.motion.RodSideShare <= 0 || first % 2 == 0)
                    && Math.Min(leakForward, leakBack) == 0;
            }

            TakeLine();
            if (s.Setup.Outlet is not null)
                _ = UpdateLine(Driven(s.HealthyPa).Delivered);
        }

        public double DeliveryScale { get; }

        public ColumnFill Fill { get; }

        public double Outside { get; }

        public double Crack { get; }

        public double Setting { get; }

        public double Relief { get; }

        public double Nozzle { get; }

        public double InletResistance { get; }

        public double Cavitation { get; }

        public double LineResistance { get; private set; }

        public double Compliance { get; }

        /// <summary>A flow of ordinary size for this pump, to judge closeness by.</summary>
        public double Size { get; }

        /// <summary>
        /// True where the shape of the cycle can be read from a table. One or two chambers swing too far for it, and several
        /// lame ones are too many: their turn is followed step by step.
        /// </summary>
        public bool HasTable { get; }

        public readonly bool AnyLame => lame != 0;

        /// <summary>Nozzle and line in series, m³/s per √Pa.</summary>
        public readonly double EffectiveNozzle => effectiveNozzle;

        /// <summary>Everything that is always open, m³/s per √Pa; likewise without the nozzle.</summary>
        public readonly double FreeOutflow => effectiveNozzle + FreeBeside;

        public readonly double FreeBeside => bypass + Outside + Crack;

        /// <summary>Turns a second under this load: a motor slips, a governor droops, an oil supply holds back at its limit.</summary>
        public readonly double SpeedAt(double p)
        {
            var n = droop > 0 ? noLoadHz / (1 + (noLoadHz * droop * p)) : noLoadHz;
            return p <= s.oilLimitPa * (1 - ControlBand) ? n : n * Math.Max(1e-6, (s.oilLimitPa - p) / (ControlBand * s.oilLimitPa));
        }

        /// <summary>Speed, fill and size of the leaks at a mean pressure; all is delivered but what the leaks take of it.</summary>
        public readonly Flows Driven(double p)
        {
            var speed = SpeedAt(p);
            // Where not all comes in, nothing more is lost by valves that close late: what came has to leave.
            var sent = s.volumeM3 * (1 - (s.clearance * s.compressibility.At(p)) - s.slip) * DeliveryScale;
            var full = Math.Max(HardlyAny * s.HealthyFlow, Math.Min(speed * Math.Min(sent, filled), Cavitation));
            var scale = leakScale * Math.Sqrt(p) / speed;
            var left = lame == 0 ? full : full * (1 - LostShare(scale));
            return new Flows { Speed = speed, Full = full, LeakScale = scale, AtMean = left, Delivered = left, Factor = 1 };
        }

        /// <summary>Everything that flows at a pressure, by the table.</summary>
        public readonly Flows At(double p)
        {
            var root = Math.Sqrt(p);
            var at = Driven(p);
            var (factor, kept) = (1.0, 1.0);
            if (!process)
            {
                var shape = ShapeOf(at);
                var free = Free(p);
                (factor, kept) = (1 + (free * (shape.MeanFactor - 1)), 1 + (free * (shape.Kept - 1)));
            }

            var delivered = Math.Min(at.Full, at.AtMean * kept);
            return at with
            {
                Delivered = delivered,
                Lost = 1 - (delivered / at.Full),
                Factor = factor,
                Nozzle = process ? ProcessFlow(p) : effectiveNozzle * root / Math.Sqrt(factor),
                Beside = FreeBeside * root,
            };
        }

        public readonly double Excess(double p, out double steepness)
        {
            var at = At(p);
            var over = at.Delivered - at.Nozzle - at.Beside;
            steepness = (at.Nozzle + at.Beside) / Math.Max(Math.Sqrt(p), 1);
            if (p > Setting)
            {
                over -= controlGain * (p - Setting);
                steepness += 2 * Math.Sqrt(p) * controlGain;
            }

            if (p > Relief)
            {
                over -= reliefGain * (p - Relief);
                steepness += 2 * Math.Sqrt(p) * reliefGain;
            }

            return over;
        }

        // Share of all delivery lost in lame chambers; scale is G at this pressure over G at the healthy one.
        private readonly double LostShare(double scale)
        {
            var lost = 0.0;
            for (var rest = lame; rest != 0; rest &= rest - 1)
            {
                var k = BitOperations.TrailingZeroCount(rest);
                var area = s.motion.AreaShare(k);
                var leaks = s.motion.LostShare(c.ForwardLeak(k) * scale / area) + s.motion.LostShare(c.ReturnLeak(k) * scale / area);
                lost += area * (1 - ((1 - c.Unfilled(k)) * (1 - Math.Min(1, leaks))));
            }

            return lost / s.areaSum;
        }

        /// <summary>Share of all delivery that runs out at weeps.</summary>
        public readonly double LostOutside(double scale)
        {
            var lost = 0.0;
            for (var rest = lame & c.Outside; rest != 0; rest &= rest - 1)
            {
                var k = BitOperations.TrailingZeroCount(rest);
                var area = s.motion.AreaShare(k);
                lost += area * (1 - c.Unfilled(k)) * s.motion.LostShare(c.ForwardLeak(k) * scale / area);
            }

            return lost / s.areaSum;
        }

        /// <summary>Work that leaks of lame chambers take in one turn, over the pressure, m³.</summary>
        public readonly double LameWork(double scale)
        {
            var work = 0.0;
            for (var rest = lame; rest != 0; rest &= rest - 1)
            {
                var k = BitOperations.TrailingZeroCount(rest);
                var area = s.motion.AreaShare(k);
                work += area * (1 - c.Unfilled(k))
                    * (s.motion.LeakWork(c.ForwardLeak(k) * scale / area) + s.motion.LeakWork(c.ReturnLeak(k) * scale / area));
            }

            return work / s.areaSum * s.volumeM3;
        }

        /// <summary>
        /// Mean pressure of a steady flow of this size; for a process half of what it is above its own, which has the same slope.
        /// </summary>
        public readonly double Level(double flow)
        {
            if (process)
                return flow / (2 * Math.Max(Nozzle, 1e-30));
            var level = flow * levelUnit;
            return Math.Min(level * level, 4 * s.highestPa);
        }

        public readonly CycleShape ShapeOf(in Flows at) => Table.At(LeakAt(at.LeakScale), Kappa(at.AtMean));

        private readonly CycleTable Table => returns ? s.back! : s.forward!;

        private readonly double LeakAt(double scale) => singleLeak * scale;

        private readonly double Kappa(double delivered)
        {
            var flow = Math.Max(delivered, 1e-15);
            return omega * Compliance * Level(flow) / flow;
        }

        // Held by its control the pressure no longer follows the ripple: over the first part of the band F goes to 1.
        private readonly double Free(double p) =>
            p <= Setting ? 1 : 1 - Math.Min(1, (p - Setting) / (0.3 * ControlBand * Setting));

        // Q = K·(p − p0 − R·Q²), solved for Q.
        private readonly double ProcessFlow(double p)
        {
            var over = Nozzle * Math.Max(0, p - opensAt);
            var loss = Nozzle * LineResistance;
            return over <= 0 ? 0 : 2 * over / (1 + Math.Sqrt(1 + (4 * loss * over)));
        }

        /// <summary>
        /// Lost on the way to the nozzle, Pa. Before an orifice it rises and falls with the pressure, so its mean is a share of that.
        /// </summary>
        public readonly double LineDrop(double pressure, double flow) =>
            LineResistance * (process ? flow * flow : effectiveNozzle * effectiveNozzle * pressure);

        /// <summary>Friction of the outlet run at this flow; false once it no longer changes.</summary>
        public bool UpdateLine(double flow)
        {
            var now = fixedLine + PipeFlow.Resistance(s.Setup.Outlet!, s.density, s.viscosity, flow);
            if (Math.Abs(now - LineResistance) < CloseLine * now)
                return false;
            LineResistance = now;
            TakeLine();
            return true;
        }

        /// <summary>Lays out a turn, sound and lame chambers apart, in units of A·rω; gives its mean, all sound.</summary>
        public readonly double LayTurn(Span<double> sound, Span<double> moved, Span<double> late)
        {
            s.turn.Sound.CopyTo(sound);
            for (var (i, rest) = (0, lame); rest != 0; i++, rest &= rest - 1)
            {
                var k = BitOperations.TrailingZeroCount(rest);
                s.turn.Part(
                    sound, moved.Slice(i * TurnTable.Steps, TurnTable.Steps), late.Slice(i * TurnTable.Steps, TurnTable.Steps), k,
                    c.Unfilled(k));
            }

            return s.turn.SoundMean;
        }

        /// <summary>
        /// The turn at this speed and fill, from one laid out with that mean; the friction on the way to a process as at this flow.
        /// </summary>
        public readonly PressureTurn Turn(in Flows at, double flow, ref TurnRoom room)
        {
            if (room.Mean != at.Full)
            {
                Scale(room.Sound, at.Full / room.Mean);
                Scale(room.Moved, at.Full / room.Mean);
                Scale(room.Late, at.Full / room.Mean);
                room.Mean = at.Full;
            }

            var leaks = leakScale / at.Speed * at.Full / s.turn.SoundMean;
            for (var (i, rest) = (0, lame); rest != 0; i++, rest &= rest - 1)
            {
                var k = BitOperations.TrailingZeroCount(rest);
                room.Chambers[i]
                    .Set(c.ForwardLeak(k) * leaks, c.ReturnLeak(k) * leaks, room.Late.Slice(i * TurnTable.Steps, TurnTable.Steps));
            }

            return new PressureTurn
            {
                Sound = room.Sound,
                Lame = room.Moved,
                Late = room.Late,
                Free = process ? FreeBeside : FreeOutflow,
                Control = new Opening(Setting, controlGain),
                Relief = new Opening(Relief, reliefGain),
                Process = process ? new Opening(opensAt, Nozzle / (1 + (Nozzle * LineResistance * flow))) : Opening.Never,
                Step = 1 / (at.Speed * TurnTable.Steps * Compliance),
            };
        }

        private static void Scale(Span<double> flows, double by)
        {
            foreach (ref var q in flows)
                q *= by;
        }

        // Nozzle and line in series, seen from the head.
        private void TakeLine()
        {
            effectiveNozzle = LineResistance > 0 ? Nozzle / Math.Sqrt(1 + (Nozzle * Nozzle * LineResistance)) : Nozzle;
            levelUnit = 1 / Math.Max(FreeOutflow, 1e-30);
        }

    }
}
