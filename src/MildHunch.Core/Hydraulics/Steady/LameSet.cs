using System.Numerics;
using MildHunch.Core.Hydraulics.Cycle;
using MildHunch.Core.Hydraulics.Motion;

namespace MildHunch.Core.Hydraulics.Steady;

/// <summary>The lame chambers of one condition: what they lose, at a scale that is G now over G at the sound pump's pressure.</summary>
internal readonly ref struct LameSet
{
    private readonly PumpAsSetUp plant;
    private readonly ref readonly Condition condition;
    private readonly int mask;

    public LameSet(PumpAsSetUp plant, in Condition condition)
    {
        this.plant = plant;
        this.condition = ref condition;
        mask = condition.Lame;
        HasCycles = plant.HasCycles;
        if (mask == 0)
            return;
        var first = BitOperations.TrailingZeroCount(mask);
        var (forward, back) = (condition.ForwardLeak(first), condition.ReturnLeak(first));
        LeaksBack = back > forward;
        SingleLeak = Math.Max(forward, back);
        HasCycles &= BitOperations.IsPow2(mask) && condition.Unfilled(first) == 0
            && (plant.Motion.RodSideShare <= 0 || first % 2 == 0) && Math.Min(forward, back) == 0;
    }

    public bool Any => mask != 0;

    public int Count => BitOperations.PopCount((uint)mask);

    /// <summary>
    /// True where the shape of the cycle can be read from a table. One or two chambers swing too far for it, and several
    /// lame ones are too many: their turn is followed step by step.
    /// </summary>
    public bool HasCycles { get; }

    /// <summary>True where the one lame chamber loses its water on the return stroke.</summary>
    public bool LeaksBack { get; }

    /// <summary>G of the one lame chamber, on the stroke on which it leaks.</summary>
    public double SingleLeak { get; }

    /// <summary>Share of all delivery that is lost.</summary>
    public double LostShare(double scale)
    {
        var lost = 0.0;
        for (var rest = mask; rest != 0; rest &= rest - 1)
        {
            var k = BitOperations.TrailingZeroCount(rest);
            var area = plant.Motion.AreaShare(k);
            var leaks = plant.Motion.LostShare(condition.ForwardLeak(k) * scale / area)
                + plant.Motion.LostShare(condition.ReturnLeak(k) * scale / area);
            lost += area * (1 - ((1 - condition.Unfilled(k)) * (1 - Math.Min(1, leaks))));
        }

        return lost / plant.AreaSum;
    }

    /// <summary>Share of all delivery that runs out at weeps.</summary>
    public double LostOutside(double scale)
    {
        var lost = 0.0;
        for (var rest = mask & condition.Outside; rest != 0; rest &= rest - 1)
        {
            var k = BitOperations.TrailingZeroCount(rest);
            var area = plant.Motion.AreaShare(k);
            lost += area * (1 - condition.Unfilled(k)) * plant.Motion.LostShare(condition.ForwardLeak(k) * scale / area);
        }

        return lost / plant.AreaSum;
    }

    /// <summary>Work that the leaks take in one turn, over the pressure, m³.</summary>
    public double WorkM3(double scale)
    {
        var work = 0.0;
        for (var rest = mask; rest != 0; rest &= rest - 1)
        {
            var k = BitOperations.TrailingZeroCount(rest);
            var area = plant.Motion.AreaShare(k);
            work += area * (1 - condition.Unfilled(k))
                * (plant.Motion.LeakWork(condition.ForwardLeak(k) * scale / area)
                    + plant.Motion.LeakWork(condition.ReturnLeak(k) * scale / area));
        }

        return work / plant.AreaSum * plant.VolumeM3;
    }

    /// <summary>Lays out a turn in units of A·rω, sound and lame chambers apart, these not yet gone round.</summary>
    public void LayOut(ref TurnRoom room)
    {
        plant.Turn.Sound.CopyTo(room.Sound);
        for (var (i, rest) = (0, mask); rest != 0; i++, rest &= rest - 1)
        {
            var k = BitOperations.TrailingZeroCount(rest);
            plant.Turn.Part(room.Sound, room.MovedOf(i), room.LateOf(i), k, condition.Unfilled(k));
            room.Chambers[i] = new LameChamber((condition.Outside & rest & -rest) != 0);
        }

        room.Mean = plant.Turn.SoundMean;
    }

    /// <summary>Sets the leaks of a turn laid out, at this scale.</summary>
    public void SetLeaks(in TurnRoom room, double scale)
    {
        for (var (i, rest) = (0, mask); rest != 0; i++, rest &= rest - 1)
        {
            var k = BitOperations.TrailingZeroCount(rest);
            room.Chambers[i].Set(condition.ForwardLeak(k) * scale, condition.ReturnLeak(k) * scale, room.LateOf(i));
        }
    }
}

/// <summary>A turn laid out, where it was found to begin, and what its lame chambers did last: room for one solve.</summary>
internal ref struct TurnRoom
{
    /// <summary>Flow of all sound chambers at every angle, m³/s once scaled.</summary>
    public Span<double> Sound;

    /// <summary>What the plungers of lame chambers move, chamber after chamber; and while a valve that closes late is open.</summary>
    public Span<double> Moved;
    public Span<double> Late;
    public Span<LameChamber> Chambers;

    /// <summary>Mean of the turn as scaled now, all sound.</summary>
    public double Mean;

    /// <summary>Pressure at which the turn begins.</summary>
    public double StartPa;

    /// <summary>True once the chambers went round.</summary>
    public bool Known;

    public readonly Span<double> MovedOf(int lame) => Moved.Slice(lame * TurnTable.Steps, TurnTable.Steps);

    public readonly Span<double> LateOf(int lame) => Late.Slice(lame * TurnTable.Steps, TurnTable.Steps);

    /// <summary>Scales all flows so that a turn, all sound, has this mean.</summary>
    public void ScaleTo(double mean)
    {
        if (Mean == mean)
            return;
        Scale(Sound, mean / Mean);
        Scale(Moved, mean / Mean);
        Scale(Late, mean / Mean);
        Mean = mean;
    }

    private static void Scale(Span<double> flows, double by)
    {
        foreach (ref var q in flows)
            q *= by;
    }
}
