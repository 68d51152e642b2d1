using MildHunch.Core.Quantities;

namespace MildHunch.Core.Simulation;

/// <summary>
/// One implicit (backward Euler) step of all pressures together. Every chamber touches only the two manifolds, so Newton's
/// matrix is an arrow: chambers are eliminated one by one and three equations are left.
/// </summary>
internal sealed class Stepper
{
    private const int MostIterations = 40;
    private const int PlainIterations = 12;
    private readonly Plant plant;
    private readonly ControlDynamics control;
    private readonly Content content;
    private readonly int chambers;
    private readonly double[] pressure;
    private readonly double[] held;
    private readonly double[] gas;
    private readonly double[] backInlet;
    private readonly double[] backDischarge;
    private readonly double[] fillLeft;
    private readonly double[] allowance;
    private readonly double[] swept;
    private readonly double[] guess;
    private readonly double[] newHeld;
    private readonly double[] inFlow;
    private readonly double[] outFlow;
    private readonly double[] innerLeak;
    private readonly double[] weepLeak;
    private readonly double[] backLeak;
    private readonly double[] residual;
    private readonly double[] diagonal;
    private readonly double[] toInlet;
    private readonly double[] toHead;
    private double inletHeld;
    private double headHeld;

    public Stepper(Plant plant, ControlDynamics control, double[] volumes, double headPa, double gunPa, double inletPa, double sourceFlow)
    {
        this.plant = plant;
        this.control = control;
        content = new Content(plant.Compressibility, plant.VapourPa);
        chambers = plant.Motion.Chambers;
        (pressure, held, gas, backInlet, backDischarge) = (New(), New(), New(), New(), New());
        (fillLeft, allowance, swept, guess, newHeld) = (New(), New(), New(), New(), New());
        (inFlow, outFlow, innerLeak, weepLeak, backLeak) = (New(), New(), New(), New(), New());
        (residual, diagonal, toInlet, toHead) = (New(), New(), New(), New());
        for (var k = 0; k < chambers; k++)
        {
            swept[k] = 2 * plant.PlungerArea * plant.Radius * plant.Motion.AreaShare(k);
            allowance[k] = plant.Pump.Slip / 2 * swept[k];
            fillLeft[k] = plant.Filled[k] * swept[k];
            pressure[k] = inletPa;
            gas[k] = plant.GasShare * volumes[k];
            held[k] = content.Of(volumes[k], gas[k], inletPa, out _);
        }

        (HeadPa, GunPa, InletPa, SourceFlow) = (headPa, gunPa, inletPa, sourceFlow);
        inletHeld = Inlet(inletPa, out _);
        headHeld = Head(headPa, out _);

        double[] New() => new double[chambers];
    }

    public ReadOnlySpan<double> Pressures => pressure;

    public double HeadPa { get; private set; }

    public double GunPa { get; private set; }

    public double InletPa { get; private set; }

    public double SourceFlow { get; private set; }

    public double NozzleFlow { get; private set; }

    public double BypassFlow { get; private set; }

    public double LineFlow { get; private set; }

    public double OutsideFlow { get; private set; }

    public double CrackFlow { get; private set; }

    /// <summary>Opening of the outlet, 0 to 1.</summary>
    public double Opening { get; set; } = 1;

    /// <summary>Through the inlet valve of a chamber, its slip included.</summary>
    public double InFlow(int chamber) => inFlow[chamber];

    /// <summary>Through the discharge valve.</summary>
    public double OutFlow(int chamber) => outFlow[chamber];

    public double InnerLeak(int chamber) => innerLeak[chamber];

    public double WeepLeak(int chamber) => weepLeak[chamber];

    public double BackLeak(int chamber) => backLeak[chamber];

    public bool Cavitates(int chamber) => pressure[chamber] < plant.VapourPa;

    /// <summary>
    /// Moves pressures at the outlet without letting time pass, to come to a settled cycle sooner: never below the air
    /// around it, where no outlet settles.
    /// </summary>
    public void Shift(double pascal)
    {
        pascal = Math.Max(pascal, -Math.Max(0, Math.Min(HeadPa, GunPa)));
        HeadPa += pascal;
        GunPa += pascal;
        headHeld = Head(HeadPa, out _);
    }

    /// <summary>Takes a step; false, and nothing changed, when Newton's iteration did not close.</summary>
    public bool TryStep(double dt, ReadOnlySpan<double> volumes)
    {
        control.Begin(dt);
        pressure.AsSpan().CopyTo(guess);
        double head = HeadPa, gun = GunPa, inlet = InletPa;
        var sourceGain = dt / plant.Inertance;
        var sourceDamp = 1 / (1 + (sourceGain * plant.InletResistance * Math.Abs(SourceFlow)));
        for (var iteration = 0; iteration < MostIterations; iteration++)
        {
            var inletResidual = Inlet(inlet, out var ii) - inletHeld;
            var headResidual = Head(head, out var hh) - headHeld;
            var source = (SourceFlow + (sourceGain * (plant.SourcePa - inlet))) * sourceDamp;
            inletResidual -= dt * source;
            ii += dt * sourceGain * sourceDamp;
            double ih = 0, hi = 0;
            for (var k = 0; k < chambers; k++)
                Chamber(k, dt, volumes[k], inlet, head, ref inletResidual, ref headResidual, ref ii, ref ih, ref hi, ref hh);

            CrackFlow = plant.Crack > 0 ? Orifice.Flow(plant.Crack, head - inlet, out var crackSlope) : crackSlope = 0;
            var leak = plant.BypassLeak > 0 ? Orifice.Flow(plant.BypassLeak, Math.Max(head, 0), out var leakSlope) : leakSlope = 0;
            OutsideFlow = plant.OutsideLeak > 0
                ? Orifice.Flow(plant.OutsideLeak, Math.Max(head, 0), out var outsideSlope)
                : outsideSlope = 0;
            var held = control.Flow(head, out var controlSlope);
            LineFlow = control.HasCheck && head < gun
                ? ShutCheck(out var lineSlope)
                : Orifice.Flow(plant.LineConductance, head - gun, out lineSlope);
            NozzleFlow = Nozzle(gun, out var nozzleSlope);
            BypassFlow = leak + held;
            headResidual += dt * (CrackFlow + BypassFlow + OutsideFlow + LineFlow);
            inletResidual -= dt * CrackFlow;
            hh += dt * (crackSlope + leakSlope + outsideSlope + controlSlope + lineSlope);
            hi -= dt * crackSlope;
            ih -= dt * crackSlope;
            ii += dt * crackSlope;
            var gunResidual = (plant.HalfLine * (gun - GunPa)) - (dt * (LineFlow - NozzleFlow));
            var gg = plant.HalfLine + (dt * (lineSlope + nozzleSlope));
            var hg = -dt * lineSlope;

            // Gun into head, then the two that are left.
            var hhLeft = hh - (hg * hg / gg);
            var headLeft = headResidual - (hg * gunResidual / gg);
            var determinant = (ii * hhLeft) - (ih * hi);
            var inletStep = -((inletResidual * hhLeft) - (headLeft * ih)) / determinant;
            var headStep = -((ii * headLeft) - (hi * inletResidual)) / determinant;
            var gunStep = -(gunResidual + (hg * headStep)) / gg;

            var damp = iteration < PlainIterations ? 1 : 0.5;
            var close = Close(inletStep, inlet) && Close(headStep, head) && Close(gunStep, gun);
            inlet += damp * inletStep;
            head += damp * headStep;
            gun += damp * gunStep;
            for (var k = 0; k < chambers; k++)
            {
                var step = -(residual[k] + (toInlet[k] * inletStep) + (toHead[k] * headStep)) / diagonal[k];
                close &= Close(step, guess[k]);
                guess[k] += damp * step;
            }

            if (!double.IsFinite(head + gun + inlet))
                return false;
            if (close)
            {
                Take(dt, volumes, head, gun, inlet, (SourceFlow + (sourceGain * (plant.SourcePa - inlet))) * sourceDamp);
                return true;
            }
        }

        return false;
    }

    private static bool Close(double step, double value) => Math.Abs(step) < 20 + (1e-6 * Math.Abs(value));

    private static double ShutCheck(out double slope)
    {
        slope = 0;
        return 0;
    }

    private void Chamber(
        int k, double dt, double volume, double inlet, double head, ref double inletResidual, ref double headResidual, ref double ii,
        ref double ih, ref double hi, ref double hh)
    {
        var p = guess[k];
        newHeld[k] = content.Of(volume, gas[k], p, out var slope);

        // Inlet valve: free one way; the other way until it has fallen shut.
        var drop = inlet - p;
        var flow = Orifice.Flow(plant.InletValve, drop, out var inSlope);
        if (drop > 0)
        {
            if (plant.Filled[k] < 1)
                Cap(ref flow, ref inSlope, fillLeft[k] / dt);
        }
        else
        {
            flow = -flow;
            Cap(ref flow, ref inSlope, backInlet[k] / dt);
            flow = -flow;
        }

        inFlow[k] = flow;
        innerLeak[k] = weepLeak[k] = backLeak[k] = 0;
        double innerSlope = 0, weepSlope = 0, backSlope = 0;
        if (plant.ForwardLeak[k] > 0)
        {
            if ((plant.LeaksOutside & (1 << k)) != 0)
            {
                if (p > 0)
                    weepLeak[k] = Orifice.Flow(plant.ForwardLeak[k], p, out weepSlope);
            }
            else if (p > inlet)
            {
                innerLeak[k] = Orifice.Flow(plant.ForwardLeak[k], p - inlet, out innerSlope);
            }
        }

        drop = p - head;
        var sent = Orifice.Flow(plant.DischargeValve, drop, out var outSlope);
        if (drop < 0)
        {
            sent = -sent;
            Cap(ref sent, ref outSlope, backDischarge[k] / dt);
            sent = -sent;
            if (plant.ReturnLeak[k] > 0)
                backLeak[k] = Orifice.Flow(plant.ReturnLeak[k], -drop, out backSlope);
        }

        outFlow[k] = sent;
        var r = newHeld[k] - held[k] - (dt * (flow - innerLeak[k] - weepLeak[k] - sent + backLeak[k]));
        var d = slope + (dt * (inSlope + innerSlope + weepSlope + outSlope + backSlope));
        var a = -dt * (inSlope + innerSlope);
        var b = -dt * (outSlope + backSlope);
        (residual[k], diagonal[k], toInlet[k], toHead[k]) = (r, d, a, b);

        // The chamber's own unknown is eliminated: what it adds to the manifolds' equations.
        inletResidual += (dt * (flow - innerLeak[k])) - (a * r / d);
        headResidual -= (dt * (sent - backLeak[k])) + (b * r / d);
        ii += -a - (a * a / d);
        hh += -b - (b * b / d);
        ih -= a * b / d;
        hi -= a * b / d;
    }

    private static void Cap(ref double flow, ref double slope, double most)
    {
        if (flow <= most)
            return;
        flow = most;
        slope = 0;
    }

    private void Take(double dt, ReadOnlySpan<double> volumes, double head, double gun, double inlet, double source)
    {
        (HeadPa, GunPa, InletPa, SourceFlow) = (head, gun, inlet, source);
        for (var k = 0; k < chambers; k++)
        {
            pressure[k] = guess[k];

            // Liquid is carried on by what flowed, not by the rounded pressure, so that none is ever lost.
            held[k] += dt * (inFlow[k] - innerLeak[k] - weepLeak[k] - outFlow[k] + backLeak[k]);
            backInlet[k] = inFlow[k] > 0 ? allowance[k] : Math.Max(0, backInlet[k] + (dt * inFlow[k]));
            backDischarge[k] = outFlow[k] > 0 ? allowance[k] : Math.Max(0, backDischarge[k] + (dt * outFlow[k]));
            if (plant.Filled[k] < 1)
                fillLeft[k] = inFlow[k] > 0
                    ? fillLeft[k] - (dt * inFlow[k])
                    : outFlow[k] > 0 || guess[k] > 0.5 * head
                    ? plant.Filled[k] * swept[k]
                    : fillLeft[k];
            if (plant.GasShare > 0)
            {
                var taken = inFlow[k] > 0
                    ? plant.GasShare / (1 - plant.GasShare) * inFlow[k] * Math.Max(inlet + PhysicalConstants.StandardAirPa, 1e3)
                        / PhysicalConstants.StandardAirPa
                    : gas[k] / Math.Max(held[k], 1e-12) * inFlow[k];
                var left = outFlow[k] > 0 ? gas[k] / Math.Max(held[k], 1e-12) * outFlow[k] : 0;
                gas[k] = Math.Max(0, gas[k] + (dt * (taken - left)));
            }
        }

        inletHeld = Inlet(inlet, out _);
        headHeld = Head(head, out _);
        control.End(head, gun, NozzleFlow);
    }

    private double Inlet(double p, out double slope)
    {
        slope = plant.InletCompliance;
        if (p >= plant.VapourPa)
            return plant.InletCompliance * p;
        slope += plant.InletVolume / Content.CavityPa;
        return (plant.InletCompliance * p) + ((p - plant.VapourPa) * plant.InletVolume / Content.CavityPa);
    }

    private double Head(double p, out double slope)
    {
        var liquid = plant.DampenerLiquid(p, out var soft);
        slope = plant.HalfLine + soft;
        return (plant.HalfLine * p) + liquid;
    }

    private double Nozzle(double gun, out double slope)
    {
        slope = 0;
        if (Opening <= 0 || gun <= (plant.ProcessPa ?? 0))
            return 0;
        if (plant.ProcessPa is { } opens)
        {
            slope = Opening * plant.Nozzle;
            return slope * (gun - opens);
        }

        return Orifice.Flow(Opening * plant.Nozzle, gun, out slope);
    }
}
