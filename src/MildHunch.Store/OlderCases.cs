using System.Globalization;

namespace MildHunch.Store;

/// <summary>
/// Cases from before rounds were told apart: there, planning anew took back what was done at the opening before. What it took back is given
/// to its own round again.
/// </summary>
public static class OlderCases
{
    /// <summary>Round of a fact of which is not known yet to which it belongs.</summary>
    public const int Unknown = 0;

    private const string Plan = "work/plan";
    private static readonly string[] Done = ["work/step/", "work/found/", "work/batch/"];

    /// <summary>Moves of a case from before they were kept: each change told, and undone where it is; the same in every copy.</summary>
    public static IEnumerable<MoveEntity> Moves(string caseId, IEnumerable<OlderChange> changes)
    {
        OlderChange[] inOrder = [.. changes.OrderBy(c => c.Number)];
        var told = inOrder.Select(c => (c.Number, Key: $"{caseId}-{c.Number}"));
        var undone = inOrder.Where(c => c.Undone).Select(c => (c.Number, Key: $"{caseId}-{c.Number}-undone"));
        return told.Concat(undone).Select((m, i) => new MoveEntity { CaseId = caseId, Version = i + 1, Change = m.Number, Key = m.Key });
    }

    /// <summary>Gives each fact, reading and answer of a case to its round. Readings and answers after a mend come with one mend.</summary>
    public static void Divide(CaseEntity entity)
    {
        var begins = Begins(entity);
        foreach (var fact in entity.Facts)
            fact.Round = IsOfRound(fact) ? RoundAt(begins, fact.AddedBy) : CaseRounds.First;
        if (begins.Count == 0)
            return;
        var states = new States(entity, begins);
        foreach (var fact in entity.Facts.Where(IsOfRound))
            if (NextAfter(begins, fact.AddedBy) is { } next && fact.RemovedBy >= next)
                fact.RemovedBy = null;
        states.Place(entity.Readings, r => r.Quantity);
        states.Place(entity.Cues, c => c.Cue);
        entity.Facts.AddRange(begins.Select((number, i) => new FactEntity
        {
            Id = Ids.New(),
            CaseId = entity.Id,
            AddedBy = number,
            Name = CaseRounds.FactName,
            Value = (i + CaseRounds.First + 1).ToString(CultureInfo.InvariantCulture),
        }));
    }

    private static bool IsOfRound(FactEntity fact) => CaseRounds.Prefixes.Any(p => fact.Name.StartsWith(p, StringComparison.Ordinal));

    // Changes that planned anew and took back what was done.
    private static List<int> Begins(CaseEntity entity)
    {
        var undone = entity.Changes.Where(c => c.Undone).Select(c => c.Number).ToHashSet();
        return
        [
            .. entity.Facts.Where(f => f.Name == Plan && !undone.Contains(f.AddedBy)).Select(f => f.AddedBy).Distinct().Order()
                .Where(number => entity.Facts.Any(f => f.RemovedBy == number && !undone.Contains(f.AddedBy)
                    && Done.Any(d => f.Name.StartsWith(d, StringComparison.Ordinal))
                    && !entity.Facts.Any(g => g.AddedBy == number && g.Name == f.Name))),
        ];
    }

    private static int RoundAt(List<int> begins, int number) => CaseRounds.First + begins.Count(b => b <= number);

    private static int? NextAfter(List<int> begins, int number) => begins.Where(b => b > number).Select(b => (int?)b).FirstOrDefault();

    /// <summary>How many mends lay behind the pump at a change, and which changes left behind what was seen after an earlier one.</summary>
    private sealed class States
    {
        private readonly List<int> begins;
        private readonly int[] tried;
        private readonly HashSet<int> anew;

        public States(CaseEntity entity, List<int> begins)
        {
            this.begins = begins;

            // It ran again, or something was proved: from then on the mend of the round lies behind it.
            tried =
            [
                .. entity.Facts.Where(f => f is { Name: CaseRounds.Hazards, RemovedBy: not null }).Select(f => f.RemovedBy!.Value)
                    .Concat(entity.Facts.Where(f => f.Name.StartsWith("proof/", StringComparison.Ordinal)).Select(f => f.AddedBy)),
            ];
            anew =
            [
                .. entity.Facts.Where(f => f.Name.StartsWith("proof/", StringComparison.Ordinal) && f.RemovedBy is { } by
                    && !entity.Facts.Any(g => g.AddedBy == by && g.Name == f.Name)).Select(f => f.RemovedBy!.Value),
            ];
        }

        /// <summary>Says of each by which mends it was taken; what an earlier round left behind stands in it again.</summary>
        public void Place<T>(IReadOnlyCollection<T> taken, Func<T, string> what)
            where T : TakenEntity
        {
            foreach (var one in taken)
            {
                if (one.RemovedBy is { } by && NextAfter(begins, one.AddedBy) <= by
                    && (anew.Contains(by) || taken.Any(other => other.AddedBy == by && what(other) == what(one))))
                    one.RemovedBy = null;
                one.Mends = Mends(one.AddedBy, one.Mends > 0);
            }
        }

        private int Mends(int number, bool after)
        {
            var round = RoundAt(begins, number);
            if (round == CaseRounds.First)
                return after ? 1 : 0;
            var began = begins[round - CaseRounds.First - 1];
            return after && tried.Any(t => t >= began && t <= number) ? round : round - 1;
        }
    }
}

/// <summary>A change of a case from before moves were kept.</summary>
public sealed record OlderChange(int Number, bool Undone);
