using System.Runtime.CompilerServices;

namespace MildHunch.Core.Hydraulics.Cycle;

/// <summary>
/// A lame chamber at one angle of a turn: what its plunger moves, above 0 forward, and the leak that is open then. Flows
/// m³/s, leaks m³/s per √Pa.
/// </summary>
internal struct LameStroke
{
    public double Moves;

    /// <summary>Leak of this stroke.</summary>
    public double Leak;

    /// <summary>The same while it is one of the openings that the pressure drives; 0 once it takes all that the plunger moves.</summary>
    public double Open;

    /// <summary>Of what it moves.</summary>
    public double Size;

    /// <summary>What leaks where the root of the pressure is this, √Pa.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public readonly double Through(double root)
    {
        var wants = Leak * root;
        return wants < Size ? wants : Size;
    }
}

/// <summary>
/// One lame chamber on its way through turns. At every angle <see cref="At"/> says what it does, the pressure is found with
/// that, and <see cref="Count"/> takes down what came of it: how much its valves passed, what ran out, what work was lost.
/// </summary>
internal struct LameChamber
{
    private readonly bool outside;
    private Leaking forward;
    private Leaking back;
    private double lateInlet;
    private double lateDischarge;
    private ValvePassed discharge = ValvePassed.Plenty;
    private ValvePassed inlet = ValvePassed.Plenty;
    private bool wasLate;

    /// <summary>Not yet gone round: its valves are taken to have passed plenty. Its forward leak may run outside.</summary>
    public LameChamber(bool outside)
    {
        this.outside = outside;
    }

    /// <summary>Outside, over a turn so far.</summary>
    public double Weep { get; private set; }

    /// <summary>Work done in the leaks over a turn so far, per step.</summary>
    public readonly double Work => forward.Work + back.Work;

    /// <summary>Sets the leaks, and what its plunger moves while valves that close late are still open.</summary>
    public void Set(double forwardLeak, double returnLeak, ReadOnlySpan<double> late)
    {
        (forward.Leak, back.Leak, lateInlet, lateDischarge) = (forwardLeak, returnLeak, 0, 0);
        foreach (var v in late)
        {
            lateInlet += Math.Max(0, v);
            lateDischarge -= Math.Min(0, v);
        }
    }

    /// <summary>Begins a turn; what its valves passed before is kept.</summary>
    public void Begin() => (Weep, forward.Cubes, back.Cubes) = (0, 0, 0);

    /// <summary>
    /// What it does at the next angle: its plunger moves so much, or so much while a valve that closes late is still open. What
    /// goes back through a late discharge valve is taken from <paramref name="q"/>.
    /// </summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public void At(double moved, double late, out LameStroke stroke, ref double q)
    {
        var moves = moved;
        if (late == 0)
            wasLate = false;
        else
            moves = StillOpen(moved, late, ref q);
        var leak = moves > 0 ? forward.Leak : moves < 0 ? back.Leak : 0;
        stroke.Moves = moves;
        stroke.Size = Math.Abs(moves);
        stroke.Leak = leak;
        stroke.Open = leak;
    }

    /// <summary>Takes down what leaked at this pressure; what did not went through a valve.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public void Count(in LameStroke stroke, double root)
    {
        var through = stroke.Through(root);
        if (stroke.Moves > 0)
        {
            discharge.Now += stroke.Size - through;
            forward.Cubes += through * through * through;
            Weep += outside ? through : 0;
        }
        else
        {
            inlet.Now += stroke.Size - through;
            back.Cubes += through * through * through;
        }
    }

    // A stroke is over, and its valve has passed what it passed.
    private double StillOpen(double moved, double late, ref double q)
    {
        if (!wasLate && late < 0)
            discharge.EndStroke();
        else if (!wasLate)
            inlet.EndStroke();
        wasLate = true;
        if (late > 0)
            return late * (1 - inlet.OpenShare(lateInlet));
        q += late * discharge.OpenShare(lateDischarge);
        return moved;
    }

    /// <summary>A leak, and the cubes of what went through it: pressure across an orifice is (flow over its size)².</summary>
    private struct Leaking
    {
        public double Leak;
        public double Cubes;

        public readonly double Work => Leak > 0 ? Cubes / (Leak * Leak) : 0;
    }

    /// <summary>What went through a valve on its last stroke, and on this one so far.</summary>
    private struct ValvePassed
    {
        // A valve that passed little hardly opened: it comes back late in full only where it passed this many times as much.
        private const double FullyOpen = 1.5;
        private double before;

        public double Now;

        public static ValvePassed Plenty => new() { before = double.MaxValue, Now = double.MaxValue };

        public void EndStroke() => (before, Now) = (Now, 0);

        public readonly double OpenShare(double late) => Math.Min(1, before / (FullyOpen * late));
    }
}
