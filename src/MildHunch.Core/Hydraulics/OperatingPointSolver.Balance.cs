using System.Numerics;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Hydraulics;

public sealed partial class OperatingPointSolver
{
    /// <summary>What flows in and out at a pressure, for one condition.</summary>
    private ref struct Balance
    {
        private const int CycleSteps = 120;
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
        private readonly LeakStroke stroke;
        private readonly int lame;

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
            leakScale = s.believedSpeedHz / Math.Sqrt(s.HealthyPa);
            omega = 2 * Math.PI * noLoadHz;
            var unit = s.HealthyFlow / Math.Sqrt(s.HealthyPa);
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
            Shape = new CycleShape(1, 0);
            var first = BitOperations.TrailingZeroCount(lame);
            stroke = lame != 0 && c.ReturnLeak(first) > c.ForwardLeak(first) ? LeakStroke.Return : LeakStroke.Forward;
            ShapeFromTable = lame == 0 || (BitOperations.IsPow2(lame) && c.Unfilled(first) == 0 && (s.motion.RodSideShare <= 0 || first % 2 == 0)
                && Math.Min(c.ReturnLeak(first), c.ForwardLeak(first)) == 0);
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

        /// <summary>Turns a second under this load: a motor slips, a governor droops, an oil supply holds back at its limit.</summary>
        public readonly double SpeedAt(double p)
        {
            var n = droop > 0 ? noLoadHz / (1 + (noLoadHz * droop * p)) : noLoadHz;
            return p <= s.oilLimitPa * (1 - ControlBand) ? n : n * Math.Max(1e-6, (s.oilLimitPa - p) / (ControlBand * s.oilLimitPa));
        }

        public readonly double Delivered(double p)
        {
            var n = SpeedAt(p);
            var full = Math.Min(s.volumeM3 * n * Delivery.VolumetricEfficiency(s.Pump, s.bulkModulusPa, p) * DeliveryScale, Cavitation);
            return lame == 0 ? full : full * (1 - LostShare(p));
        }

        /// <summary>Share of all delivery lost in lame chambers.</summary>
        public readonly double LostShare(double p)
        {
            var scale = leakScale * Math.Sqrt(p) / SpeedAt(p);
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
        public readonly double LostOutside(double p)
        {
            var scale = leakScale * Math.Sqrt(p) / SpeedAt(p);
            var lost = 0.0;
            for (var rest = lame & c.Outside; rest != 0; rest &= rest - 1)
            {
                var k = BitOperations.TrailingZeroCount(rest);
                var area = s.motion.AreaShare(k);
                lost += area * (1 - c.Unfilled(k)) * s.motion.LostShare(c.ForwardLeak(k) * scale / area);
            }

            return lost / s.areaSum;
        }

        public readonly double NozzleFlow(double p)
        {
            if (process)
            {
                // Q = K·(p − p0 − R·Q²), solved for Q.
                var over = Nozzle * Math.Max(0, p - opensAt);
                var loss = Nozzle * LineResistance;
                return over <= 0 ? 0 : 2 * over / (1 + Math.Sqrt(1 + (4 * loss * over)));
            }

            return EffectiveNozzle * Math.Sqrt(p / FactorAt(p));
        }

        /// <summary>Mean pressure of a steady flow of this size; for a process half of what it is above its own, which has the same slope.</summary>
        public readonly double Level(double flow)
        {
            if (process)
                return flow / (2 * Math.Max(Nozzle, 1e-30));
            var outlet = EffectiveNozzle + bypass + Outside + Crack;
            var level = flow / Math.Max(outlet, 1e-30);
            return Math.Min(level * level, 4 * s.highestPa);
        }

        public readonly CycleShape ShapeAt(double p)
        {
            if (!ShapeFromTable)
                return Shape;
            var flow = Math.Max(Delivered(p), 1e-15);
            var kappa = omega * Compliance * Level(flow) / flow;
            if (lame == 0)
                return s.forward.At(0, kappa);
            var k = BitOperations.TrailingZeroCount(lame);
            var scale = leakScale * Math.Sqrt(p) / SpeedAt(p);
            return stroke == LeakStroke.Return ? s.back.At(c.ReturnLeak(k) * scale, kappa) : s.forward.At(c.ForwardLeak(k) * scale, kappa);
        }

        // Held by its control the pressure no longer follows the nozzle's ripple: over the first part of the band F goes to 1.
        public readonly double FactorAt(double p)
        {
            if (process)
                return 1;
            var free = ShapeFromTable ? ShapeAt(p).MeanFactor : FreeFactor;
            return p <= Setting ? free : free + ((1 - free) * Math.Min(1, (p - Setting) / (0.3 * ControlBand * Setting)));
        }

        public readonly double Excess(double p)
        {
            var held = p > Setting ? controlGain * (p - Setting) : 0;
            var relieved = p > s.reliefPa ? reliefGain * (p - s.reliefPa) : 0;
            return Delivered(p) - NozzleFlow(p) - ((bypass + Outside + Crack) * Math.Sqrt(p)) - held - relieved;
        }

        /// <summary>Friction of the outlet run at the flow of this pressure; false once it no longer changes.</summary>
        public bool UpdateLine(double p)
        {
            var before = LineResistance;
            LineResistance = fixedLine + PipeFlow.Resistance(s.Setup.Outlet!, s.density, s.viscosity, NozzleFlow(p));
            return Math.Abs(LineResistance - before) > 1e-3 * LineResistance;
        }

        /// <summary>The cycle of all chambers as they are at this pressure.</summary>
        public void SolveCycle(double p)
        {
            Span<double> flow = stackalloc double[CycleSteps];
            var scale = leakScale * Math.Sqrt(p) / SpeedAt(p);
            for (var k = 0; k < s.motion.Chambers; k++)
            {
                var area = s.motion.AreaShare(k);
                var (leakF, leakB, empty) = (c.ForwardLeak(k) * scale / area, c.ReturnLeak(k) * scale / area, c.Unfilled(k));
                var from = s.motion.Lambda == 0 && s.motion.Dwell is null ? Math.Acos(1 - (2 * empty)) : empty * Math.PI;
                for (var i = 0; i < CycleSteps; i++)
                {
                    var theta = (2 * Math.PI * (i + 0.5) / CycleSteps) - s.motion.Phase(k);
                    theta -= 2 * Math.PI * Math.Floor(theta / (2 * Math.PI));
                    if (theta >= Math.PI || theta >= from)
                        flow[i] += area * s.motion.Delivered(k, theta, leakF, leakB);
                }
            }

            var delivered = Math.Max(Delivered(p), 1e-15);
            Shape = CycleShape.Solve(flow, omega * Compliance * Level(delivered) / delivered);
        }

        private readonly double EffectiveNozzle => LineResistance > 0 ? Nozzle / Math.Sqrt(1 + (Nozzle * Nozzle * LineResistance)) : Nozzle;

        private static double Hotter(Setup setup, double kelvin)
        {
            var most = setup.Liquid.RangeCelsius.Most;
            var celsius = Math.Min(setup.Temperature.In(Units.Celsius) + kelvin, most);
            return setup.Liquid.VapourPressure(Quantity.From<Temperature>(celsius, Units.Celsius)).Si;
        }
    }
}
