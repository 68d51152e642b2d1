namespace MildHunch.Core.Simulation;

/// <summary>Sums of a run up to now: volumes, energies, pressures times seconds. Differences of two are means between them.</summary>
internal struct Sums
{
    public double Seconds;
    public double Turns;
    public double HeadPa;
    public double GunPa;
    public double InletPa;
    public double Nozzle;
    public double Bypass;
    public double Outside;
    public double Supply;
    public double Shaft;
    public double SupplyWork;
    public double NozzleWork;
    public double BypassWork;
    public double OutsideWork;
    public double InnerWork;
    public double ValveWork;
    public double LineWork;
}

/// <summary>Highest and lowest within one turn.</summary>
internal struct Extremes()
{
    public double HeadHigh = double.MinValue;
    public double HeadLow = double.MaxValue;
    public double InletHigh = double.MinValue;
    public double InletLow = double.MaxValue;
    public double NozzleHigh = double.MinValue;
    public double NozzleLow = double.MaxValue;
    public bool Cavitates = false;

    public void Take(Stepper at, bool cavitates)
    {
        HeadHigh = Math.Max(HeadHigh, at.HeadPa);
        HeadLow = Math.Min(HeadLow, at.HeadPa);
        InletHigh = Math.Max(InletHigh, at.InletPa);
        InletLow = Math.Min(InletLow, at.InletPa);
        NozzleHigh = Math.Max(NozzleHigh, at.NozzleFlow);
        NozzleLow = Math.Min(NozzleLow, at.NozzleFlow);
        Cavitates |= cavitates;
    }

    public void Take(in Extremes other)
    {
        HeadHigh = Math.Max(HeadHigh, other.HeadHigh);
        HeadLow = Math.Min(HeadLow, other.HeadLow);
        InletHigh = Math.Max(InletHigh, other.InletHigh);
        InletLow = Math.Min(InletLow, other.InletLow);
        NozzleHigh = Math.Max(NozzleHigh, other.NozzleHigh);
        NozzleLow = Math.Min(NozzleLow, other.NozzleLow);
        Cavitates |= other.Cavitates;
    }
}

/// <summary>
/// Adds up where water and energy go. Energy a volume at no pressure carries at pressure p is h(p) = ∫dp/(1 + compression),
/// in closed form for p/(β + k·p).
/// </summary>
internal sealed class Ledger(Plant plant)
{
    private Sums sums;
    private Extremes turn = new();
    private readonly double k1 = plant.Compressibility.Stiffening + 1;

    public List<(Sums Sums, Extremes Turn)> Marks { get; } = [];

    public Sums Now => sums;

    /// <summary>Highest and lowest since the last whole turn.</summary>
    public Extremes Running => turn;

    /// <summary>Notes the end of a turn.</summary>
    public void Mark(double turns = 0)
    {
        sums.Turns = turns;
        Marks.Add((sums, turn));
        turn = new Extremes();
    }

    public void Clear()
    {
        sums = default;
        turn = new Extremes();
        Marks.Clear();
    }

    public void Take(Stepper at, double dt, ReadOnlySpan<double> before, ReadOnlySpan<double> after)
    {
        var (head, gun, inlet) = (Carried(at.HeadPa), Carried(at.GunPa), Carried(at.InletPa));
        sums.Seconds += dt;
        sums.HeadPa += dt * at.HeadPa;
        sums.GunPa += dt * at.GunPa;
        sums.InletPa += dt * at.InletPa;
        sums.Nozzle += dt * at.NozzleFlow;
        sums.Bypass += dt * at.BypassFlow;
        sums.Supply += dt * at.SourceFlow;
        var outside = at.OutsideFlow;
        var outsideWork = at.OutsideFlow * head;
        var cavitates = false;
        double inner = at.CrackFlow * (head - inlet), valves = 0;
        for (var k = 0; k < before.Length; k++)
        {
            var p = at.Pressures[k];
            var h = Carried(p);
            sums.Shaft -= p * (after[k] - before[k]);
            valves += (at.InFlow(k) * (inlet - h)) + (at.OutFlow(k) * (h - head));
            inner += (at.InnerLeak(k) * (h - inlet)) + (at.BackLeak(k) * (head - h));
            outside += at.WeepLeak(k);
            outsideWork += at.WeepLeak(k) * h;
            cavitates |= at.Cavitates(k);
        }

        sums.Outside += dt * outside;
        sums.SupplyWork += dt * at.SourceFlow * plant.SourcePa;
        sums.NozzleWork += dt * at.NozzleFlow * gun;
        sums.BypassWork += dt * at.BypassFlow * head;
        sums.OutsideWork += dt * outsideWork;
        sums.InnerWork += dt * inner;
        sums.ValveWork += dt * valves;
        sums.LineWork += dt
            * ((at.LineFlow * (head - gun)) + (plant.InletResistance * at.SourceFlow * at.SourceFlow * Math.Abs(at.SourceFlow)));
        turn.Take(at, cavitates);
    }

    private double Carried(double p)
    {
        if (p <= 0)
            return p;
        var stiff = plant.Compressibility;
        return (stiff.Stiffening * p / k1) + (stiff.BulkModulusPa / (k1 * k1) * Math.Log(1 + (k1 * p / stiff.BulkModulusPa)));
    }
}
