using MildHunch.Core.Quantities;

namespace MildHunch.Core.Evidence.Jot;

/// <summary>A number of a clause as it was written: one, a range, or one with what it swings by to either side.</summary>
/// <param name="Low">The number, or the lower end, in <paramref name="Unit"/>.</param>
/// <param name="High">Upper end of a range.</param>
/// <param name="Half">What stands behind ±.</param>
/// <param name="Between">True for "between 28 and 46": the two ends of a swing.</param>
internal sealed record JotValue(double Low, double? High, double? Half, Unit? Unit, bool Between, Token First, Token Last)
{
    /// <summary>The number itself, or the middle of a range.</summary>
    public double Middle => High is { } high ? (Low + high) / 2 : Low;
}

/// <summary>Reads the numbers of a clause, from a place in it on; how far each reaches is said with it.</summary>
internal static class JotValues
{
    private static readonly string[] DropUnits = ["drops/min", "mL/min", "L/h"];

    /// <summary>True for a unit in which leaks are given rather than what a pump delivers.</summary>
    public static bool OfDrops(Unit? unit) => unit is { Kind: QuantityKind.VolumeFlow } && DropUnits.Contains(unit.Symbol);

    /// <summary>Drops a minute of a flow in this unit.</summary>
    public static double Drops(double value, Unit unit) => Units.Find(QuantityKind.VolumeFlow, "drops/min")!.FromSi(unit.ToSi(value));

    /// <summary>The value that begins at a number; null where what stands there is none.</summary>
    public static JotValue? At(IReadOnlyList<Token> clause, int at, bool between)
    {
        if (clause[at] is not NumberToken first)
            return null;
        if (Bucket(clause, at) is { } bucket)
            return bucket;
        if (Second(clause, at, between) is not { } second)
            return new JotValue(first.Value, null, null, first.Unit, false, first, first);
        var unit = first.Unit ?? second.Unit;
        var other = second.Unit is { } own && unit is not null && own.Kind == unit.Kind
            ? unit.FromSi(own.ToSi(second.Value))
            : second.Value;
        return clause[at + 1] is PlusMinusToken
            ? new JotValue(
                first.Value, null, second.Unit is { } its && unit is not null ? second.Value * its.Factor / unit.Factor : second.Value,
                unit, false, first, second)
            : new JotValue(first.Value, other, null, unit, between, first, second);
    }

    /// <summary>"One drop every 2 seconds", as drops a minute; null where it is not said so.</summary>
    public static (double Drops, Token Last)? Every(IReadOnlyList<Token> clause, int at)
    {
        if (clause[at] is not WordToken drop || !drop.Is(MeaningKind.Drop) || at + 2 >= clause.Count
            || clause[at + 1] is not WordToken every || !every.Is(MeaningKind.Every))
            return null;
        return clause[at + 2] is NumberToken { Unit.Kind: QuantityKind.Duration, Value: > 0 } time
            ? (60 / time.Unit.ToSi(time.Value), time)
            : null;
    }

    private static NumberToken? Second(IReadOnlyList<Token> clause, int at, bool between)
    {
        if (at + 2 >= clause.Count || clause[at + 2] is not NumberToken second)
            return null;
        return clause[at + 1] is RangeToken or PlusMinusToken || (between && clause[at + 1] is WordToken word && word.Is(MeaningKind.And))
            ? second
            : null;
    }

    // "10 l in 1 min 5 s": a volume and the time it took.
    private static JotValue? Bucket(IReadOnlyList<Token> clause, int at)
    {
        // "48 s for 10 l" says the same the other way round.
        var next = at;
        var (seconds, first) = Seconds(clause, ref next);
        if (Volume(clause, Joined(clause, next)) is not { } volume)
            return null;
        if (first is not null)
            return seconds > 0 ? Flow(volume, seconds, first, volume) : null;
        next = Joined(clause, at + 1);
        (seconds, var last) = Seconds(clause, ref next);
        return seconds > 0 ? Flow(volume, seconds, volume, last!) : null;
    }

    private static JotValue Flow(NumberToken volume, double seconds, Token first, Token last) => new(
        Units.LitrePerMinute.FromSi(volume.Unit!.ToSi(volume.Value) / seconds), null, null, Units.LitrePerMinute, false, first, last);

    private static NumberToken? Volume(IReadOnlyList<Token> clause, int at) =>
        at < clause.Count && clause[at] is NumberToken { Unit.Kind: QuantityKind.Volume } volume ? volume : null;

    private static int Joined(IReadOnlyList<Token> clause, int at)
    {
        while (at < clause.Count && clause[at] is WordToken word
            && (word.Is(MeaningKind.Filler) || word.Is(MeaningKind.At) || word.Is(MeaningKind.Bucket)))
            at++;
        return at;
    }

    private static (double Seconds, NumberToken? Last) Seconds(IReadOnlyList<Token> clause, ref int at)
    {
        double seconds = 0;
        NumberToken? last = null;
        for (; at < clause.Count && clause[at] is NumberToken { Unit.Kind: QuantityKind.Duration } time; at++)
            (seconds, last) = (seconds + time.Unit.ToSi(time.Value), time);
        return (seconds, last);
    }
}
