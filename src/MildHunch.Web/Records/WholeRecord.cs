using System.Collections.Concurrent;
using MildHunch.Core.Faults;
using MildHunch.Core.Records.Lives;
using MildHunch.Core.Records.Patterns;

namespace MildHunch.Web.Records;

/// <summary>Which lives are pooled: a kind of part in pumps of a type on a liquid.</summary>
public sealed record LifeOf(string Kind, string PumpType, string Liquid);

/// <summary>How long such parts last, and what it was read from.</summary>
public sealed record LifeOnRecord(LifeOf Of, LifeEstimate Estimate, IReadOnlyList<WatchedLife> Watched, LifePrior? Prior)
{
    private readonly Lazy<IReadOnlyList<PlottedFailure>> plotted = new(() => PlottingPositions.Of(Watched));

    /// <summary>Where its failures stand on the probability plot.</summary>
    public IReadOnlyList<PlottedFailure> Plotted => plotted.Value;
}

/// <summary>The record as it stood before some pumps were read again.</summary>
public sealed record RecordBefore(WholeRecord Record, IReadOnlyCollection<string> Again);

/// <summary>
/// The whole record at one moment; what follows from it is worked out when first asked for, and kept where the pumps that it was read
/// from are still the same.
/// </summary>
public sealed class WholeRecord
{
    private readonly ConcurrentDictionary<LifeOf, Lazy<LifeOnRecord?>> lives;
    private readonly Lazy<IReadOnlyList<Pattern>> patterns;

    public WholeRecord(
        DateOnly day, IReadOnlyDictionary<string, PumpReading> readings, PatternFinder finder, RecordBefore? before)
    {
        Day = day;
        Readings = readings;
        Pumps = readings.Where(r => r.Value.Memory is not null).ToDictionary(r => r.Key, r => r.Value.Memory!);
        Unread = [.. readings.Values.Select(r => r.Unread).OfType<UnreadPump>().OrderBy(u => u.Tag, StringComparer.Ordinal)];
        patterns = new(() => finder.Find([.. Pumps.Values.Select(p => p.Record).OrderBy(r => r.Tag, StringComparer.Ordinal)], day));
        lives = new(before is null ? [] : Kept(before));
    }

    /// <summary>Before anything was read.</summary>
    public static WholeRecord Nothing { get; } =
        new(DateOnly.MinValue, new Dictionary<string, PumpReading>(), new PatternFinder(PartFamilies.BuiltIn), null);

    public DateOnly Day { get; }

    /// <summary>What reading came to, pump by pump.</summary>
    public IReadOnlyDictionary<string, PumpReading> Readings { get; }

    /// <summary>Pumps whose record could be read.</summary>
    public IReadOnlyDictionary<string, PumpMemory> Pumps { get; }

    /// <summary>Pumps that are left out because their record cannot be read.</summary>
    public IReadOnlyList<UnreadPump> Unread { get; }

    /// <summary>Patterns, the strongest first; also those that are not told.</summary>
    public IReadOnlyList<Pattern> Patterns => patterns.Value;

    /// <summary>How long a kind of part lasts in pumps of a type on a liquid; null where nothing is known.</summary>
    public LifeOnRecord? Life(LifeOf of) => lives.GetOrAdd(of, asked => new Lazy<LifeOnRecord?>(() => Estimated(asked))).Value;

    private LifeOnRecord? Estimated(LifeOf of)
    {
        var alike = Pumps.Values.Where(p => p.Record.Type == of.PumpType && p.Liquid == of.Liquid)
            .Select(p => (Pump: p, Parts: p.Record.Parts.Where(x => x.Kind == of.Kind).ToDictionary(x => x.At.Key))).ToArray();
        WatchedLife[] watched = [.. alike.SelectMany(a => a.Pump.Record.Watched(a.Parts.Keys.ToHashSet(), Day))];
        var prior = alike.SelectMany(a => a.Parts.Values).Select(p => p.Wear).OfType<Wear>().FirstOrDefault() is { } wear
            ? new LifePrior(wear)
            : null;
        return prior is null && !(watched.Any(w => w.Failed) && LifeEstimator.HasMaximum(watched))
            ? null
            : new LifeOnRecord(of, LifeEstimator.Estimate(watched, prior), watched, prior);
    }

    // Lives of pumps of which none was read again.
    private IEnumerable<KeyValuePair<LifeOf, Lazy<LifeOnRecord?>>> Kept(RecordBefore before)
    {
        var touched = before.Again.SelectMany(id => (PumpMemory?[])[before.Record.Pumps.GetValueOrDefault(id), Pumps.GetValueOrDefault(id)])
            .OfType<PumpMemory>().Select(p => (p.Record.Type, p.Liquid)).ToHashSet();
        return before.Record.lives.Where(l => !touched.Contains((l.Key.PumpType, l.Key.Liquid)));
    }
}
