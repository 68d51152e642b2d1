using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Diagnosis.Verdict;
using MildHunch.Core.Evidence;
using MildHunch.Core.Faults;

namespace MildHunch.Core.Checks;

/// <summary>A check of the plan and the answer it is supposed to give.</summary>
internal sealed record Supposed(Check Check, CheckAnswer Answer)
{
    /// <summary>What would then have been seen; null for a reading.</summary>
    public CueFact? Seen => Check.Cue is { } cue ? new CueFact(cue, Answer.Answer, Answer.Cylinder, Answer.Side) : null;
}

/// <summary>
/// The next three checks as a small decision tree: after each answer the check that shortens the way most, until opening
/// beats testing. Unlikely answers end where they lead.
/// </summary>
internal sealed class CheckPlan(Workbench bench, Limits limits)
{
    private const int Depth = 3;
    private const double WorthFollowing = 0.08;
    private const int MostBranches = 4;
    private readonly Ranking ranking = new(bench.Contenders);

    public PlanStep? Make(Posterior posterior) => Step(posterior, []);

    private PlanStep? Step(Posterior posterior, IReadOnlyList<Supposed> before)
    {
        if (before.Count == Depth)
            return null;
        var next = new NextChecks(bench, posterior, limits, before);
        var checks = next.Rank();
        var stop = next.OpenNow(checks);
        if (stop.Recommended)
            return null;
        var check = checks.First(c => c.Check == stop.BestCheck);
        // Bands of a reading stay in the order of the scale; of many answers the likeliest are followed.
        CheckAnswer[] followed = check.Check.Reading is not null
            ? [.. check.Answers]
            : [.. check.Answers.OrderByDescending(a => a.Probability).Take(MostBranches)];
        return new PlanStep(
            check.Check, check.Question, check.Check.AllMinutes,
            [.. followed.Select(a => Branch(a, posterior, [.. before, new Supposed(check.Check, a)]))]);
    }

    private PlanBranch Branch(CheckAnswer answer, Posterior posterior, IReadOnlyList<Supposed> before)
    {
        var (best, share) = ranking.Leader(answer.After);
        var leader = bench.Case.Hypotheses[best];
        var next = answer.Probability >= WorthFollowing ? Step(posterior.With(answer.After, bench.Contenders), before) : null;
        return new PlanBranch(
            answer.Text, answer.Probability, leader.Fault.Name, share, next, next is null ? leader.Fault.ActionName : null);
    }
}
