using System.Numerics;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Hydraulics;

public sealed partial class OperatingPointSolver
{
    /// <summary>What flows at one pressure.</summary>
    private readonly struct Flows
    {
        public double Speed { get; init; }

        /// <summary>What the chambers would send forward if none were lame.</summary>
        public double Full { get; init; }

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
        private double cycleStart;

        public Balance(OperatingPointSolver solver, in Condition condition, double deliveryScale, double nozzleScale, double compliance)
        {
            s = solver;
            c = ref condition;
            DeliveryScale = c.FillFactor * deliveryScale;
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
            reliefGain = double.IsFinite(s.reliefPa) ? full / (ReliefBand * s.reliefPa) : 0;
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
            var vapour = c.WarmerK > 0 ? Hotter(s.Setup, c.WarmerK) : s.vapourPa;
            Cavitation = vapour >= s.sourcePa ? 1e-6 * full : Math.Sqrt((s.sourcePa - vapour) / InletResistance);
            var lossShare = c.LineLoss + (s.Setup.Injector == InjectorPlace.Outlet ? InjectorLossShare : 0);
            fixedLine = lossShare > 0 ? lossShare * s.HealthyPa / (full * full) : 0;
            LineResistance = fixedLine;
            Compliance = compliance + (s.Setup.Dampener is { } dampener ? c.DampenerShare * dampener.ComplianceM3Pa(s.HealthyPa) : 0);
            Scale = full;
            FreeFactor = 1;
            cycleStart = 1;
            Shape = new CycleShape(1, 0);
            ShapeFromTable = true;
            if (lame != 0)
            {
                var first = BitOperations.TrailingZeroCount(lame);
                var (leakForward, leakBack) = (c.ForwardLeak(first), c.ReturnLeak(first));
                returns = leakBack > leakForward;
                singleLeak = Math.Max(leakForward, leakBack);
                ShapeFromTable = BitOperations.IsPow2(lame) && c.Unfilled(first) == 0 && (s.motion.RodSideShare <= 0 || first % 2 == 0) && Math.Min(leakForward, leakBack) == 0;
            }

            TakeLine();
            if (s.Setup.Outlet is not null)
                _ = UpdateLine(s.HealthyPa);
        }

        public double DeliveryScale { get; }

        public double Outside { get; }

        public double Crack { get; }

        public double Setting { get; }

        public double Nozzle { get; }

        public double InletResistance { get; }

        public double Cavitation { get; }

        public double LineResistance { get; private set; }

        public double Compliance { get; }

        /// <summary>A flow of ordinary size for this pump, to judge closeness by.</summary>
        public double Scale { get; }

        /// <summary>True where the shape of the cycle can be read from a table; else <see cref="SolveCycle"/> finds it.</summary>
        public bool ShapeFromTable { get; }

        public CycleShape Shape { get; private set; }

        public double FreeFactor { get; set; }

        public readonly bool AnyLame => lame != 0;

        /// <summary>Of the control above its setting, m³/s per Pa.</summary>
        public readonly double ControlGain => controlGain;

        public readonly double ReliefGain => reliefGain;

        /// <summary>Nozzle and line in series, m³/s per √Pa.</summary>
        public readonly double EffectiveNozzle => effectiveNozzle;

        /// <summary>Everything that is always open, m³/s per √Pa.</summary>
        public readonly double FreeOutflow => effectiveNozzle + bypass + Outside + Crack;

        /// <summary>Turns a second under this load: a motor slips, a governor droops, an oil supply holds back at its limit.</summary>
        public readonly double SpeedAt(double p)
        {
            var n = droop > 0 ? noLoadHz / (1 + (noLoadHz * droop * p)) : noLoadHz;
            return p <= s.oilLimitPa * (1 - ControlBand) ? n : n * Math.Max(1e-6, (s.oilLimitPa - p) / (ControlBand * s.oilLimitPa));
        }

        /// <summary>Everything that flows at a pressure.</summary>
        public readonly Flows At(double p)
        {
            var root = Math.Sqrt(p);
            var speed = SpeedAt(p);
            var full = Math.Min(s.volumeM3 * speed * (1 - (s.clearance * s.compressibility.At(p)) - s.slip) * DeliveryScale, Cavitation);
            var scale = leakScale * root / speed;
            var lost = lame == 0 ? 0 : LostShare(scale);
            var delivered = full * (1 - lost);
            var factor = process ? 1 : Held(p, ShapeFromTable ? FreeMean(delivered, scale) : FreeFactor);
            return new Flows
            {
                Speed = speed,
                Full = full,
                LeakScale = scale,
                Lost = lost,
                Delivered = delivered,
                Factor = factor,
                Nozzle = process ? ProcessFlow(p) : effectiveNozzle * root / Math.Sqrt(factor),
                Beside = (bypass + Outside + Crack) * root,
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

            if (p > s.reliefPa)
            {
                over -= reliefGain * (p - s.reliefPa);
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
                work += area * (1 - c.Unfilled(k)) * (s.motion.LeakWork(c.ForwardLeak(k) * scale / area) + s.motion.LeakWork(c.ReturnLeak(k) * scale / area));
            }

            return work / s.areaSum * s.volumeM3;
        }

        /// <summary>Mean pressure of a steady flow of this size; for a process half of what it is above its own, which has the same slope.</summary>
        public readonly double Level(double flow)
        {
            if (process)
                return flow / (2 * Math.Max(Nozzle, 1e-30));
            var level = flow * levelUnit;
            return Math.Min(level * level, 4 * s.highestPa);
        }

        public readonly CycleShape ShapeOf(in Flows at)
        {
            if (!ShapeFromTable)
                return Shape;
            return Table.At(LeakAt(at.LeakScale), Kappa(at.Delivered));
        }

        private readonly double FreeMean(double delivered, double scale) => Table.MeanFactorAt(LeakAt(scale), Kappa(delivered));

        private readonly CycleTable Table => returns ? s.back : s.forward;

        private readonly double LeakAt(double scale) => singleLeak * scale;

        private readonly double Kappa(double delivered)
        {
            var flow = Math.Max(delivered, 1e-15);
            return omega * Compliance * Level(flow) / flow;
        }

        // Held by its control the pressure no longer follows the nozzle's ripple: over the first part of the band F goes to 1.
        private readonly double Held(double p, double free) =>
            p <= Setting ? free : free + ((1 - free) * Math.Min(1, (p - Setting) / (0.3 * ControlBand * Setting)));

        // Q = K·(p − p0 − R·Q²), solved for Q.
        private readonly double ProcessFlow(double p)
        {
            var over = Nozzle * Math.Max(0, p - opensAt);
            var loss = Nozzle * LineResistance;
            return over <= 0 ? 0 : 2 * over / (1 + Math.Sqrt(1 + (4 * loss * over)));
        }

        /// <summary>Friction of the outlet run at the flow of this pressure; false once it no longer changes.</summary>
        public bool UpdateLine(double p)
        {
            var now = fixedLine + PipeFlow.Resistance(s.Setup.Outlet!, s.density, s.viscosity, At(p).Nozzle);
            if (Math.Abs(now - LineResistance) < CloseLine * now)
                return false;
            LineResistance = now;
            TakeLine();
            return true;
        }

        /// <summary>The cycle of all chambers as they are at this pressure.</summary>
        public void SolveCycle(double p)
        {
            Span<double> turn = stackalloc double[TurnTable.Steps];
            var at = At(p);
            Spoil(turn, at);
            Shape = CycleShape.Solve(turn, Kappa(at.Delivered), ref cycleStart);
        }

        /// <summary>What is delivered at every angle of the turn, m³/s.</summary>
        public readonly void LayTurn(Span<double> turn, in Flows at)
        {
            Spoil(turn, at);
            var mean = 0.0;
            foreach (var q in turn)
                mean += q / turn.Length;
            foreach (ref var q in turn)
                q *= mean > 1e-9 ? at.Delivered / mean : 0;
        }

        private readonly void Spoil(Span<double> turn, in Flows at)
        {
            s.turn.Sound.CopyTo(turn);
            for (var rest = lame; rest != 0; rest &= rest - 1)
            {
                var k = BitOperations.TrailingZeroCount(rest);
                var scale = at.LeakScale / s.motion.AreaShare(k);
                s.turn.Spoil(turn, k, c.ForwardLeak(k) * scale, c.ReturnLeak(k) * scale, c.Unfilled(k));
            }
        }

        // Nozzle and line in series, seen from the head.
        private void TakeLine()
        {
            effectiveNozzle = LineResistance > 0 ? Nozzle / Math.Sqrt(1 + (Nozzle * Nozzle * LineResistance)) : Nozzle;
            levelUnit = 1 / Math.Max(effectiveNozzle + bypass + Outside + Crack, 1e-30);
        }

        private static double Hotter(Setup setup, double kelvin)
        {
            var most = setup.Liquid.RangeCelsius.Most;
            var celsius = Math.Min(setup.Temperature.In(Units.Celsius) + kelvin, most);
            return setup.Liquid.VapourPressure(Quantity.From<Temperature>(celsius, Units.Celsius)).Si;
        }
    }
}
