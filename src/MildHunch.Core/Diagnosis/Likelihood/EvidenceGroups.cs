using MildHunch.Core.Expectation;

namespace MildHunch.Core.Diagnosis.Likelihood;

/// <summary>An answer, and the power to which its likelihood counts.</summary>
internal readonly record struct CountedAnswer(EvidenceItem Item, double Exponent);

/// <summary>How much each answer counts, and whether the swing that was read follows an answer about it.</summary>
internal sealed record CountedEvidence(IReadOnlyList<CountedAnswer> Answers, bool SwingFollows);

/// <summary>
/// Items that see one physical thing twice: the one on which the hypotheses differ most leads and counts in full, the others
/// follow and count a third (docs/trade.md, Verdict).
/// </summary>
internal sealed class EvidenceGroups(IReadOnlyList<EvidenceItem> items, ReadingLikelihoods readings)
{
    /// <summary>Power to which a follower counts.</summary>
    public const double FollowerExponent = 1.0 / 3;

    /// <summary>Group of the swing that was read, and of answers that tell of it.</summary>
    public const string Swing = "swing";

    /// <summary>Group of the flow in the bypass likewise.</summary>
    public const string Bypass = "bypass";

    /// <summary>True where another item already sees the same physical thing.</summary>
    public bool Sees(EvidenceItem item) => item.Group is not null && items.Any(i => i.Group == item.Group && !ReferenceEquals(i, item));

    /// <summary>True where this one would lead its group among all items.</summary>
    public bool WouldLead(EvidenceItem added) => Leads(added, [.. items, added]);

    /// <summary>Answers of a group, all of them following.</summary>
    public IEnumerable<CountedAnswer> Followers(string group) =>
        items.Where(i => i.Cue is not null && i.Group == group).Select(i => new CountedAnswer(i, FollowerExponent));

    /// <summary>True where a swing was read.</summary>
    public bool SwingRead => items.Any(IsSwing);

    /// <summary>How much each of these counts.</summary>
    public CountedEvidence Count(IReadOnlyList<EvidenceItem> used)
    {
        var answers = new List<CountedAnswer>();
        foreach (var item in used)
            if (item.Cue is not null)
                answers.Add(new CountedAnswer(item, item.Group is null || Leads(item, used) ? 1 : FollowerExponent));
        var follows = used.Any(IsSwing) && used.Any(i => i.Cue is not null && i.Group == Swing && i.Span > readings.SwingSpan);
        return new CountedEvidence(answers, follows);
    }

    private static bool IsSwing(EvidenceItem item) => item.Reading?.What == Observables.Swing;

    private bool Leads(EvidenceItem item, IReadOnlyList<EvidenceItem> used)
    {
        foreach (var other in used)
        {
            if (ReferenceEquals(other, item) || other.Group != item.Group)
                continue;
            if (other.Reading is { } reading && (reading.What == Observables.BypassFlow || readings.SwingSpan >= item.Span))
                return false;
            if (other.Cue is not null && (other.Span > item.Span || (other.Span == item.Span && Before(other, item))))
                return false;
        }

        return true;
    }

    // Of two that say equally much the name decides, so that the order of entry does not.
    private static bool Before(EvidenceItem one, EvidenceItem other) =>
        string.CompareOrdinal(one.Cue!.Cue + one.Cue.Answer, other.Cue!.Cue + other.Cue.Answer) < 0;
}
