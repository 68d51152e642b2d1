using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Service;

/// <summary>
/// Brings what is to be done into an order in which each thing can be done when it comes: what must precede it stands before it, what must
/// hold meanwhile holds. Among what is free, the order of the sheet (docs/trade.md, Service).
/// </summary>
internal static class StepOrder
{
    /// <summary>The order; null where there is none, because something waits for itself.</summary>
    /// <param name="nodes">In the order of the sheet on the way off, in that reversed on the way on.</param>
    /// <param name="on">True on the way back on.</param>
    public static IReadOnlyList<StepNode>? Sorted(IReadOnlyList<StepNode> nodes, bool on)
    {
        // By part and place, then as the bolts stand, then as written; a part that goes place by place is finished at one first.
        StepNode[] free =
        [
            .. nodes.Index().OrderBy(n => Block(nodes, n.Index)).ThenBy(n => n.Item.Rank).ThenBy(n => n.Index).Select(n => n.Item),
        ];
        var before = new Waits(free, on).Before();
        var left = before.Select(b => b.Count).ToArray();
        var after = new List<int>[free.Length];
        for (var k = 0; k < free.Length; k++)
            after[k] = [];
        for (var k = 0; k < free.Length; k++)
            foreach (var first in before[k])
                after[first].Add(k);
        var sorted = new List<StepNode>(free.Length);
        var ready = new SortedSet<int>(Enumerable.Range(0, free.Length).Where(k => left[k] == 0));
        while (ready.Count > 0)
        {
            var next = ready.Min;
            ready.Remove(next);
            sorted.Add(free[next]);
            foreach (var k in after[next])
                if (--left[k] == 0)
                    ready.Add(k);
        }

        return sorted.Count == free.Length ? sorted : null;
    }

    // Where the first thing of the same part and place stands.
    private static int Block(IReadOnlyList<StepNode> nodes, int at)
    {
        var k = at;
        while (k > 0 && nodes[k - 1].Part == nodes[at].Part && nodes[k - 1].Places == nodes[at].Places)
            k--;
        return k;
    }

    private sealed class Waits(IReadOnlyList<StepNode> nodes, bool on)
    {
        // By its id, what lies over a part.
        private readonly Dictionary<string, HashSet<string>> over = nodes.Select(n => n.Part).DistinctBy(p => p.Id)
            .ToDictionary(p => p.Id, p => p.Ways.SelectMany(way => way).ToHashSet());

        public List<int>[] Before()
        {
            var before = new List<int>[nodes.Count];
            for (var k = 0; k < nodes.Count; k++)
            {
                before[k] = [];
                for (var j = 0; j < nodes.Count; j++)
                    if (j != k && Precedes(nodes[j], nodes[k]))
                        before[k].Add(j);
            }

            return before;
        }

        private bool Precedes(StepNode first, StepNode then)
        {
            // Most pairs have nothing to do with each other, wherever they are.
            var relate = Linked(first, then) || Held(first, then)
                || (first.Part.Id == then.Part.Id ? first.Rank < then.Rank : Locked(first, then) || Over(first, then));
            return relate && first.Meets(then);
        }

        private static bool Linked(StepNode first, StepNode then) => then.Act.After.Count > 0 && then.Act.After.Any(first.Answers);

        // What begins a state, what is done in it, what ends it.
        private static bool Held(StepNode first, StepNode then) =>
            (first.Act.Begins is { } begun && (then.Act.During == begun || then.Act.Ends == begun))
            || (first.Act.During is { } held && then.Act.Ends == held);

        // What locks bolts is off before they are slackened, and on once they are tight.
        private bool Locked(StepNode first, StepNode then) => on
            ? then.Part.Locks is { } locked && locked == first.Part.Group && first.Rank == StepRank.Ended
            : first.Part.Locks is { } opened && opened == then.Part.Group && then.Rank == StepRank.Begun;

        // A part lies under another: that one is wholly off before it, wholly on after it, but for what waits for that one.
        private bool Over(StepNode first, StepNode then)
        {
            var (above, below) = on ? (then, first) : (first, then);
            return over[below.Part.Id].Contains(above.Part.Id) && !(on && first.WaitsFor(then.Part))
                && below.Places.Any(p => above.Places.Any(a => above.Part.Per == Per.Valve ? a.Meets(p) : a.Meets(p with { Side = null })));
        }
    }
}
