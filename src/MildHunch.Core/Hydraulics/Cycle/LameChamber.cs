using System.Runtime.CompilerServices;

namespace MildHunch.Core.Hydraulics.Cycle;

/// <summary>
/// One lame chamber on its way through a turn: what its plunger moves at this angle, what of it leaks, and what went through
/// its valves on the last strokes. Flows m³/s, leaks m³/s per √Pa.
/// </summary>
internal struct LameChamber
{
    // A valve that passed little hardly opened: it comes back late in full only where it passed this many times as much.
    private const double FullyOpen = 1.5;

    private readonly bool outside;
    private double forwardLeak;
    private double returnLeak;
    private double lateInlet;
    private double lateDischarge;
    private double sent;
    private double drawn;
    private double sending;
    private double drawing;
    private double moves;
    private double size;
    private double leak;
    private double spentForward;
    private double spentReturn;
    private bool wasLate;

    /// <summary>Not yet gone round: its valves are taken to have passed plenty.</summary>
    public LameChamber(bool outside)
    {
        this.outside = outside;
        (sent, drawn, sending, drawing) = (double.MaxValue, double.MaxValue, double.MaxValue, double.MaxValue);
    }

    /// <summary>Outside, over a turn so far.</summary>
    public double Weep { get; private set; }

    /// <summary>Work done in the leaks over a turn so far, per step.</summary>
    public readonly double Work => Over(spentForward, forwardLeak) + Over(spentReturn, returnLeak);

    /// <summary>Sets the leaks, and what its plunger moves while valves that close late are still open.</summary>
    public void Set(double forwardLeak, double returnLeak, ReadOnlySpan<double> late)
    {
        (this.forwardLeak, this.returnLeak, lateInlet, lateDischarge) = (forwardLeak, returnLeak, 0, 0);
        foreach (var v in late)
        {
            lateInlet += Math.Max(0, v);
            lateDischarge -= Math.Min(0, v);
        }
    }

    /// <summary>Begins a turn; what its valves passed before is kept.</summary>
    public void Begin() => (Weep, spentForward, spentReturn) = (0, 0, 0);

    /// <summary>The next angle: adds what it sends, and its leak, to what flows.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public void Move(double moved, double late, ref double q, ref double open)
    {
        moves = moved;
        if (late == 0)
            wasLate = false;
        else
            StillOpen(late, ref q);
        size = Math.Abs(moves);
        leak = moves > 0 ? forwardLeak : moves < 0 ? returnLeak : 0;
        q += moves > 0 ? moves : 0;
        open += leak;
    }

    /// <summary>Whether the leak would pass more than the plunger moves; then all of that leaks, and no more.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public bool Spend(double root, ref double q, ref double open)
    {
        if (root * leak <= size)
            return false;
        open -= leak;
        q -= size;
        leak = 0;
        return true;
    }

    /// <summary>Adds what leaked at this pressure; what did not went through a valve.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public void Count(double root)
    {
        var ofStroke = moves > 0 ? forwardLeak : returnLeak;
        var wants = ofStroke * root;
        var through = wants < size ? wants : size;
        if (moves > 0)
        {
            sending += size - through;
            spentForward += through * through * through;
            Weep += outside ? through : 0;
        }
        else
        {
            drawing += size - through;
            spentReturn += through * through * through;
        }
    }

    // Pressure across an orifice is (flow over its size)².
    private static double Over(double cubes, double leak) => leak > 0 ? cubes / (leak * leak) : 0;

    // A stroke is over, and its valve has passed what it passed.
    private void StillOpen(double late, ref double q)
    {
        if (!wasLate && late < 0)
            (sent, sending) = (sending, 0);
        else if (!wasLate)
            (drawn, drawing) = (drawing, 0);
        wasLate = true;
        if (late < 0)
            q += late * Math.Min(1, sent / (FullyOpen * lateDischarge));
        else
            moves = late * (1 - Math.Min(1, drawn / (FullyOpen * lateInlet)));
    }
}
