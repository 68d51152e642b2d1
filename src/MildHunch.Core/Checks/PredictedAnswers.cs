using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Diagnosis.Verdict;

namespace MildHunch.Core.Checks;

/// <summary>What an answer not yet given would leave of every contender.</summary>
/// <param name="planned">True where the posterior already holds answers that nobody gave yet.</param>
internal sealed class PredictedAnswers(Workbench bench, Posterior posterior, bool planned = false)
{
    private readonly Dictionary<(Posterior Before, double[] Strength), CueAnswers.Summary> questions = [];

    /// <summary>Chance of the answer by its words, and the probability of every contender once it is given.</summary>
    public AnswerOutcome After(EvidenceItem item)
    {
        var alone = Of(posterior, item);
        if (!bench.Case.Groups.Sees(item))
            return alone;
        var grouped = !planned && bench.BeforeLeader(item) is { } demoted
            ? Of(demoted, item)
            : posterior.After(bench.Contenders.Followers(item));
        return grouped with { Chance = alone.Chance };
    }

    private AnswerOutcome Of(Posterior before, EvidenceItem item)
    {
        if (item.Strength is not { } strength)
            return before.After(bench.Contenders.Likelihoods(item));
        if (!questions.TryGetValue((before, strength), out var known))
            known = questions[(before, strength)] = bench.Contenders.Question(strength).Summarise(before);
        return known.After(item.Atoms[0]);
    }
}
