using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Diagnosis.Verdict;

namespace MildHunch.Core.Checks;

/// <summary>What an answer not yet given would leave of every contender.</summary>
/// <param name="planned">True where the posterior already holds answers that nobody gave yet.</param>
internal sealed class Foretelling(Workbench bench, Posterior posterior, bool planned = false)
{
    private readonly Dictionary<(Posterior, double[]), CueAnswers.Summary> questions = [];

    /// <summary>Chance of the answer as its words tell, and the probability of every contender once it is given.</summary>
    public (double Chance, double[] After) After(EvidenceItem item)
    {
        var (chance, after) = Of(posterior, item);
        if (!bench.Sees(item))
            return (chance, after);
        return (
            chance,
            !planned && bench.Takes(item) is { } demoted
                ? Of(demoted, item).After
                : posterior.After(bench.Contenders.Followers(item)).After);
    }

    private (double Chance, double[] After) Of(Posterior before, EvidenceItem item)
    {
        if (item.Strength is not { } strength)
            return before.After(bench.Contenders.Likelihoods(item));
        if (!questions.TryGetValue((before, strength), out var known))
            known = questions[(before, strength)] = bench.Contenders.Question(strength).Summarise(before);
        return known.After(item.Atoms[0]);
    }
}
