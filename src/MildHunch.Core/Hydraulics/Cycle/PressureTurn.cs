using System.Runtime.CompilerServices;

namespace MildHunch.Core.Hydraulics.Cycle;

/// <summary>What opens above a pressure: so much more per Pa, m³/s.</summary>
internal readonly record struct Opening(double Pa, double Gain)
{
    public static Opening Never => new(double.PositiveInfinity, 0);

    public double At(double pa) => pa > Pa ? Gain * (pa - Pa) : 0;
}

/// <summary>Means over one turn that repeats itself; Pa, m³/s, W.</summary>
/// <param name="Root">Of the square root of the pressure, √Pa.</param>
/// <param name="Control">Through control and relief valve.</param>
/// <param name="Process">Into a process.</param>
/// <param name="Weep">Outside, past lame chambers.</param>
/// <param name="LeakPower">Spent in the leaks of lame chambers.</param>
internal readonly record struct TurnMeans(
    double PressurePa, double SwingPa, double Root, double Control, double Process, double Weep, double LeakPower);

/// <summary>
/// One turn of a pump into one volume, every leak and control following the pressure of that moment. Backward Euler: each
/// step solves in closed form once it is known which leaks take all their plunger moves. Flows m³/s, orifices m³/s per √Pa.
/// </summary>
internal readonly ref struct PressureTurn()
{
    /// <summary>Of all that runs out in a turn: how much may have come from the line or gone into it.</summary>
    public const double Close = 3e-5;

    private const int MostRounds = 30;

    /// <summary>Flow of all sound chambers at every angle.</summary>
    public ReadOnlySpan<double> Sound { get; init; }

    /// <summary>
    /// What the plungers of lame chambers move at every angle, chamber after chamber: above 0 forward, below 0 back, 0 while nothing
    /// passes.
    /// </summary>
    public ReadOnlySpan<double> Lame { get; init; }

    /// <summary>
    /// The same while a valve that closes late is still open: above 0 the inlet valve, below 0 the discharge valve. No more
    /// comes back through it than went through it.
    /// </summary>
    public ReadOnlySpan<double> Late { get; init; }

    /// <summary>Everything that is always open.</summary>
    public double Free { get; init; }

    /// <summary>
    /// Pressure above which the control opens, and by how much; likewise a relief valve, and a process that starts at a pressure.
    /// </summary>
    public Opening Control { get; init; } = Opening.Never;

    public Opening Relief { get; init; } = Opening.Never;

    public Opening Process { get; init; } = Opening.Never;

    /// <summary>Pa that one m³/s adds in one step: time over compliance.</summary>
    public double Step { get; init; }

    /// <summary>
    /// The turn that ends where it begins, from a guess of that pressure, which is left at what it is, and of what went through the
    /// valves of lame chambers (<paramref name="known"/>, or found by going round once more). A higher start gives a higher end,
    /// by less than it was raised: Newton, until the water adds up this closely.
    /// </summary>
    public TurnMeans Settled(ref double start, Span<LameChamber> chambers, bool known, double close = Close)
    {
        Span<Opening> openings = [Control, Relief, Process];
        openings.Sort((a, b) => a.Pa.CompareTo(b.Pa));
        Span<LameStroke> strokes = stackalloc LameStroke[chambers.Length];
        for (var round = 0; ; round++)
        {
            var end = Run(start, openings, chambers, strokes, out var slope, out var lean, out var means);
            var (from, off) = (start, end - start);
            start = slope < 1 ? start + (off / (1 - slope)) : end;
            var runs = Step * Sound.Length * ((Free * means.Root) + means.Control + means.Process);
            if (known && (Math.Abs(off) <= close * runs || round > MostRounds))
                return means with { PressurePa = Math.Max(0, means.PressurePa + (lean * (start - from))) };

            // An empty line fills turn by turn; a step from where it still held something may not empty it further than a turn does.
            start = Math.Max(start, Math.Min(0, end));
            known = true;
        }
    }

    private double Run(
        double p, ReadOnlySpan<Opening> openings, Span<LameChamber> chambers, Span<LameStroke> strokes, out double slope,
        out double lean, out TurnMeans means)
    {
        double sum = 0, roots = 0, control = 0, process = 0, top = double.MinValue, bottom = double.MaxValue, gives = 1, given = 0;
        var sound = Sound;
        var (step, free, least) = (Step, Free, openings[0].Pa);
        foreach (ref var chamber in chambers)
            chamber.Begin();
        for (var i = 0; i < sound.Length; i++)
        {
            var (q, open, past) = (sound[i], free, p);
            for (var k = 0; k < chambers.Length; k++)
            {
                var at = (k * sound.Length) + i;
                ref var stroke = ref strokes[k];
                chambers[k].At(Lame[at], Late[at], out stroke, ref q);
                q += stroke.Moves > 0 ? stroke.Moves : 0;
                open += stroke.Open;
            }

            // A leak that would pass more than its plunger moves passes just that. It raises the pressure, so none comes back.
            double root, stiff;
            bool changed;
            do
            {
                (p, root, stiff) = After(past + (step * q), step * open, openings);
                changed = false;
                foreach (ref var stroke in strokes)
                {
                    if (root * stroke.Open <= stroke.Size)
                        continue;
                    open -= stroke.Open;
                    q -= stroke.Size;
                    stroke.Open = 0;
                    changed = true;
                }
            }
            while (changed);

            gives *= stiff > 0 ? root / stiff : 1;
            given += gives;
            var shown = p > 0 ? p : 0;
            sum += shown;
            roots += root;
            top = shown > top ? shown : top;
            bottom = shown < bottom ? shown : bottom;
            if (shown > least)
            {
                control += Control.At(shown) + Relief.At(shown);
                process += Process.At(shown);
            }

            for (var k = 0; k < chambers.Length; k++)
                chambers[k].Count(strokes[k], root);
        }

        var n = sound.Length;
        double weep = 0, work = 0;
        foreach (ref readonly var chamber in chambers)
            (weep, work) = (weep + chamber.Weep, work + chamber.Work);
        (slope, lean) = (gives, given / n);
        means = new TurnMeans(sum / n, top - bottom, roots / n, control / n, process / n, weep / n, work / n);
        return p;
    }

    // Pressure after one step, its root, and how stiffly it holds against the one before: it follows that by root over stiffness.
    // A line drawn empty owes what was taken and fills again before it has pressure: the water adds up.
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private (double P, double Root, double Stiff) After(double right, double a, ReadOnlySpan<Opening> openings)
    {
        if (right <= 0)
            return (right, 0, 0);
        var root = 0.5 * (Math.Sqrt((a * a) + (4 * right)) - a);
        if (root * root <= openings[0].Pa)
            return (root * root, root, root + (a / 2));
        var m = 1.0;
        foreach (ref readonly var by in openings)
        {
            // Those after it open later still.
            if (root * root <= by.Pa)
                break;
            right += Step * by.Gain * by.Pa;
            m += Step * by.Gain;
            root = Math.Max(Math.Sqrt(by.Pa), RootOf(right, m, a));
        }

        return (root * root, root, (m * root) + (a / 2));
    }

    // Positive root of m·x² + a·x = right.
    private static double RootOf(double right, double m, double a) => (Math.Sqrt((a * a) + (4 * m * right)) - a) / (2 * m);
}
