using MildHunch.Core.Checks;
using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Quantities;

namespace MildHunch.Bench.Accuracy;

/// <summary>
/// How long the way to the right mend is: checks as the product proposes them until its stop rule says open, then mends in
/// its order; against a printed chart that takes the checks cheapest first and mends whatever an abnormal answer most
/// typically means, opening nothing before the chart has run out. Both begin with the pressure and the needle, both prove after every mend.
/// </summary>
internal static class MinutesBench
{
    private const double ProveMinutes = 15;
    private const int MostSteps = 25;

    /// <summary>Minutes by the product.</summary>
    public static double ByHunch(Diagnoser diagnoser, DrawnCase drawn)
    {
        var told = Start(drawn);
        var minutes = 0.0;
        var could = new List<string>();
        for (var step = 0; step < MostSteps; step++)
        {
            var verdict = diagnoser.Diagnose(drawn.Pump, drawn.Setup, told with { CouldNot = could });
            if (verdict.OpenNow.Recommended || verdict.OpenNow.BestCheck is not { } check)
                return minutes + Mend(InOrder(verdict), Needed(drawn));
            minutes += check.AllMinutes;
            told = With(told, drawn, check, could);
        }

        return minutes + Mend(InOrder(diagnoser.Diagnose(drawn.Pump, drawn.Setup, told)), Needed(drawn));
    }

    /// <summary>Minutes by the chart.</summary>
    public static double ByChart(Catalogue catalogue, Diagnoser diagnoser, DrawnCase drawn)
    {
        var left = Needed(drawn);
        var tried = new HashSet<string>();
        var minutes = 0.0;
        var could = new List<string>();
        foreach (var check in catalogue.Checks.Where(c => c.PutBackMinutes == 0 && c.After is null && c.InsteadOf is null
            && Catalogue.Fits(c, drawn.Pump, drawn.Setup)
            && (c.Cue is null || Catalogue.Fits(catalogue.Cue(c.Cue)!, drawn.Pump, drawn.Setup))).OrderBy(c =>
                c.AllMinutes).ThenBy(c => c.Id, StringComparer.Ordinal))
        {
            minutes += check.AllMinutes;
            var alone = With(CaseEvidence.None, drawn, check, could);
            if (!Abnormal(catalogue, diagnoser, drawn, alone))
                continue;

            // What this answer alone most typically means, a sound pump apart.
            var meant = diagnoser.Diagnose(drawn.Pump, drawn.Setup, alone).Suspects.First(s => s.Fault.Id != Catalogue.NoFault);
            var action = meant.Fault.ActionOn(meant.Locations.FirstOrDefault()?.Side);
            if (!tried.Add(action))
                continue;
            minutes += meant.Fault.MendMinutes + ProveMinutes;
            left.Remove(action);
            if (left.Count == 0)
                return minutes;
        }

        // The chart has run out: what is left is tried by how often it happens for its minutes, a sound pump first of all.
        return minutes
            + Mend(InOrder(diagnoser.Diagnose(drawn.Pump, drawn.Setup, CaseEvidence.None)).Where(a => !tried.Contains(a.Action)), left);
    }

    /// <summary>
    /// What leads once the check proposed next has been answered too, opening included; null where nothing is left to check.
    /// </summary>
    public static (string Check, Verdict After)? AfterNext(Diagnoser diagnoser, DrawnCase drawn, CaseEvidence told, Verdict verdict)
    {
        if (verdict.NextChecks.FirstOrDefault()?.Check is not { } check)
            return null;
        return (check.Id, diagnoser.Diagnose(drawn.Pump, drawn.Setup, With(told, drawn, check, [])));
    }

    private static CaseEvidence Start(DrawnCase drawn) => new(
        [.. drawn.Readings.Where(r => r.Reading.What == Observables.Pressure).Select(Taken)],
        [.. drawn.Cues.Where(c => c.Cue == "needle")],
        []);

    private static Reading Taken((Reading Reading, double Sigma, double Error) r) =>
        r.Reading with
        {
            Value = new Amount(r.Reading.What.Kind, DrawnCase.Held(r.Reading.What, r.Reading.Value.Si + r.Error)),
            Sigma = r.Sigma
        };

    // What a check shows on this pump; what nobody can tell is not asked for again.
    private static CaseEvidence With(CaseEvidence told, DrawnCase drawn, Check check, List<string> could)
    {
        var cues = drawn.Cues.Concat(drawn.SlowCues).Where(c => c.Cue == check.Cue && !told.Cues.Contains(c)).ToArray();
        var readings = drawn.Readings.Where(r => r.Reading.What.Id == check.Reading).Select(Taken).ToArray();
        if (cues.Length + readings.Length == 0)
            could.Add(check.Cue ?? check.Reading!);
        return told with { Cues = [.. told.Cues, .. cues], Readings = [.. told.Readings, .. readings] };
    }

    private static bool Abnormal(Catalogue catalogue, Diagnoser diagnoser, DrawnCase drawn, CaseEvidence alone) =>
        alone.Cues.Any(c => !catalogue.Cue(c.Cue)!.Answers.First(a => a.Id == c.Answer).Healthy)
        || (alone.Readings.Count > 0 && diagnoser.Diagnose(drawn.Pump, drawn.Setup, alone).Comparisons.Any(c => Math.Abs(c.Sigmas) > 2));

    private static HashSet<string> Needed(DrawnCase drawn) => [.. drawn.Truth.Select(t => t.Action)];

    private static IEnumerable<(string Action, double Minutes)> InOrder(Verdict verdict) =>
        verdict.Actions.OrderByDescending(a => a.Probability / a.MendMinutes).Select(a => (a.Action, a.MendMinutes));

    private static double Mend(IEnumerable<(string Action, double Minutes)> order, HashSet<string> left)
    {
        var minutes = 0.0;
        foreach (var (action, mend) in order)
        {
            minutes += mend + ProveMinutes;
            left.Remove(action);
            if (left.Count == 0)
                break;
        }

        return minutes;
    }
}
