using System.Globalization;

namespace MildHunch.Store;

/// <summary>
/// Rounds of a case: each time the pump is opened, mended and proved is one, with its own plan, ticks, findings and proof. What is read and
/// seen is known by the mends that lay behind the pump then.
/// </summary>
public static class CaseRounds
{
    /// <summary>Number of the first round; a case that was never opened is in it.</summary>
    public const int First = 1;

    /// <summary>Name of the fact that says which round it is; undone with the change that began the round.</summary>
    public const string FactName = "round";

    /// <summary>Beginnings of the names of facts that belong to a round.</summary>
    public static readonly IReadOnlyList<string> Prefixes = ["work/", "proof/"];

    /// <summary>Name of the fact that says whose hands answer for the hazards while the pump is open.</summary>
    public const string Hazards = "work/hazards";

    /// <summary>The round that the case is in, from 1.</summary>
    public static int Round(this CaseEntity entity) =>
        entity.Fact(FactName) is { } told ? int.Parse(told, CultureInfo.InvariantCulture) : First;

    /// <summary>
    /// Mends that lie behind the pump now: those of earlier rounds, and that of this one once the pump ran again or anything was read after
    /// it.
    /// </summary>
    public static int Mends(this CaseEntity entity)
    {
        var round = entity.Round();
        var before = round - 1 + (entity.RanAgain(round) ? 1 : 0);
        return entity.InForce(entity.Taken()).Select(t => t.Mends).Append(before).Max();
    }

    /// <summary>Begins the next round with a change; what was told of this one stays with it.</summary>
    public static void BeginRound(this CaseEntity entity, ChangeEntity change) => entity.Facts.Add(new FactEntity
    {
        Id = Ids.New(),
        CaseId = entity.Id,
        AddedBy = change.Number,
        Name = FactName,
        Value = (entity.Round() + 1).ToString(CultureInfo.InvariantCulture),
    });

    /// <summary>
    /// Goes back to the round before where the plan of this one is put away and nothing was done in it: what was noted after the last mend,
    /// and what its proof said, speak again. Left in an empty round, a pump that knocks could be proved as if nobody had heard it.
    /// </summary>
    public static void LeaveEmptyRound(this CaseEntity entity, ChangeEntity change)
    {
        var round = entity.Round();
        var told = entity.Facts.Where(f => f.Round == round && Prefixes.Any(p => f.Name.StartsWith(p, StringComparison.Ordinal)));
        if (round == First || entity.InForce(told).Count > 0
            || entity.InForce(entity.Taken()).Any(t => t.Mends >= round))
            return;
        entity.InForce(entity.Facts.Where(f => f.Name == FactName))[^1].RemovedBy = change.Number;
    }

    private static IEnumerable<TakenEntity> Taken(this CaseEntity entity) => [.. entity.Readings, .. entity.Cues];

    /// <summary>The case as it stood at the end of a round, for reading: nothing of later rounds, nothing seen after later mends.</summary>
    public static CaseEntity Until(this CaseEntity entity, int round) => entity.AsOf(round, round);

    /// <summary>The case as it stood at the end of each round, first to last; the last is the case as it stands.</summary>
    public static IEnumerable<CaseEntity> Rounds(this CaseEntity entity)
    {
        var last = entity.Round();
        return Enumerable.Range(First, last).Select(n => n == last ? entity : entity.Until(n));
    }

    /// <summary>
    /// The case as it stood in a round before its mend was tried out, for reading: nobody had read the hazards and said since that it runs
    /// again.
    /// </summary>
    public static CaseEntity BeforeMend(this CaseEntity entity, int round)
    {
        var before = entity.AsOf(round, round - 1);
        before.Facts.RemoveAll(f => f.Name == Hazards && f.Round == round);
        return before;
    }

    /// <summary>The case without some of its changes, for reading.</summary>
    public static CaseEntity Without(this CaseEntity entity, IReadOnlySet<int> changes) => entity.Shown(
        entity.Readings, entity.Cues, entity.Facts, [
            .. entity.Changes.Select(c => changes.Contains(c.Number)
                ? new ChangeEntity { CaseId = c.CaseId, Number = c.Number, Says = c.Says, At = c.At, Undone = true }
                : c),
        ]);

    private static CaseEntity AsOf(this CaseEntity entity, int round, int mends) => entity.Shown(
        entity.Readings.Where(r => r.Mends <= mends), entity.Cues.Where(c => c.Mends <= mends),
        entity.Facts.Where(f => f.Round <= round && (f.Name != FactName || Told(f) <= round)), entity.Changes);

    // Another view of the same case; nothing of it is ever stored.
    private static CaseEntity Shown(
        this CaseEntity entity, IEnumerable<ReadingEntity> readings, IEnumerable<CueEntity> cues, IEnumerable<FactEntity> facts,
        List<ChangeEntity> changes) => new()
        {
            Id = entity.Id,
            PumpId = entity.PumpId,
            Pump = entity.Pump,
            OpenedAt = entity.OpenedAt,
            ArchivedAt = entity.ArchivedAt,
            Version = entity.Version,
            Headline = entity.Headline,
            Changes = changes,
            Readings = [.. readings],
            Cues = [.. cues],
            Facts = [.. facts],
            Verdicts = entity.Verdicts,
        };

    private static int Told(FactEntity round) => int.Parse(round.Value, CultureInfo.InvariantCulture);

    // Hazards were read, and somebody said since that it runs again: to open it they would be read anew.
    private static bool RanAgain(this CaseEntity entity, int round)
    {
        var undone = entity.Changes.Where(c => c.Undone).Select(c => c.Number).ToHashSet();
        FactEntity[] read = [.. entity.Facts.Where(f => f.Name == Hazards && f.Round == round && !undone.Contains(f.AddedBy))];
        return read.Length > 0 && entity.InForce(read).Count == 0;
    }
}
