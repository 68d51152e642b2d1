using MildHunch.Core.Expectation;
using MildHunch.Core.Faults.Effects;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Faults;

/// <summary>Refuses knowledge that would go wrong silently: unknown names, words beyond certainty, orphans.</summary>
internal sealed class CatalogueValidation(Catalogue catalogue)
{
    public void Run()
    {
        foreach (var cue in catalogue.Cues)
            CheckCue(cue);
        foreach (var fault in catalogue.Faults)
            CheckFault(fault);
        foreach (var check in catalogue.Checks)
            CheckCheck(check);
        foreach (var sign in catalogue.StopSigns)
            CheckStopSign(sign);
        foreach (var context in catalogue.Contexts)
        {
            foreach (var (fault, factor) in context.Multiply)
                Require(
                    catalogue.Fault(fault) is not null && factor > 0, "contexts.json", context.Id,
                    $"multiplies “{fault}”, which is no fault, or by {factor}");
            CheckHazards("contexts.json", context.Id, context.Hazards);
            foreach (var other in context.Excludes)
                Require(catalogue.Context(other) is not null, "contexts.json", context.Id, $"excludes unknown context “{other}”");
        }

        Require(catalogue.Fault(Catalogue.NoFault) is not null, "faults.json", Catalogue.NoFault, "is missing");
    }

    private static void Require(bool holds, string file, string entry, string problem)
    {
        if (!holds)
            throw new CatalogueException(file, entry, problem);
    }

    internal static void CheckWhere(string file, string entry, IOnlyWhere where)
    {
        foreach (var kind in where.Requires)
            Require(Enum.TryParse<ControlKind>(kind, true, out _), file, entry, $"requires unknown control “{kind}”");
        foreach (var arrangement in where.Arrangements)
            Require(
                Enum.GetValues<Arrangement>().Any(a => a.Named() == arrangement), file, entry,
                $"unknown arrangement “{arrangement}”");
        foreach (var part in where.Fitted)
            Require(
                Fittings.Find(part) is not null, file, entry,
                $"“{part}” is nothing that can be fitted; known are {string.Join(", ", Fittings.Names)}");
    }

    private static void CheckCue(Cue cue)
    {
        Require(cue.Answers.Count(a => a.Healthy) == 1, "cues.json", cue.Id, "must have exactly one healthy answer");
        Require(cue.Answers.Select(a => a.Id).Distinct().Count() == cue.Answers.Count, "cues.json", cue.Id, "has an answer twice");
        Require(cue.Kind is "choice" or "places", "cues.json", cue.Id, $"kind “{cue.Kind}” is unknown");
        Require(cue.Usual is null or > 0 and < 1, "cues.json", cue.Id, "usual must lie between 0 and 1");
        Require(cue.Answers.Sum(a => a.Chance ?? 0) < 1, "cues.json", cue.Id, "answers whose chances leave nothing to the healthy one");
        Require(
            cue.Usual is not { } usual || usual + cue.Answers.Sum(a => a.Chance ?? 0) < 1, "cues.json", cue.Id,
            "usual and the chances of its answers leave nothing to the rest");
        Require(
            cue.Usual is null || cue.Answers.Any(a => !a.Healthy && !a.Retired && a.Chance is null && a.Aside is null), "cues.json", cue.Id,
            "usual says nothing where every other answer has a chance of its own");
        CheckWhere("cues.json", cue.Id, cue);
        foreach (var answer in cue.Answers)
            CheckAnswer(cue, answer);
    }

    private static void CheckAnswer(Cue cue, CueAnswer answer)
    {
        var entry = $"{cue.Id}.{answer.Id}";
        CheckWhere("cues.json", entry, answer);
        Require(answer.Aside is null or (> 0 and < 1), "cues.json", entry, "aside must lie between 0 and 1");
        Require(answer.Chance is null or (> 0 and < 1), "cues.json", entry, "chance must lie between 0 and 1");
        Require(
            answer.Chance is null || !(answer.Healthy || answer.Aside is not null), "cues.json", entry,
            "is the healthy answer or stands aside, so it has no chance of its own");
        foreach (var idle in answer.Idle)
            Require(
                cue.Kind == "places" && idle is { Chance: > 0 and < 1, Drops: > 0 } && idle.Fitted.All(f => Fittings.Find(f) is not null),
                "cues.json", entry, "idle names what is fitted, with a chance between 0 and 1 and drops above 0, where something drips");
        Require(answer.Share > 0, "cues.json", entry, "share must be above 0");
        Require(
            !(answer.Healthy && (answer.Retired || answer.Aside is not null)), "cues.json", entry,
            "is the healthy answer, so it can be neither retired nor aside");
        foreach (var was in answer.Was)
            Require(
                cue.Answers.All(a => a.Id != was && (a == answer || !a.Was.Contains(was))), "cues.json", entry,
                $"was “{was}”, which another answer is or was too");
    }

    private void CheckStopSign(StopSign sign)
    {
        Require(sign.When.Count > 0 && sign.When.All(w => w.Count > 0), "stop-signs.json", sign.Id, "names nothing that is seen");
        Require(
            sign.Unless is null || catalogue.StopSigns.Any(s => s.Id == sign.Unless), "stop-signs.json", sign.Id,
            $"gives way to unknown sign “{sign.Unless}”");
        foreach (var seen in sign.When.SelectMany(w => w))
            Require(
                catalogue.Cue(seen.Cue)?.Answers.Any(a => a.Id == seen.Answer) == true, "stop-signs.json", sign.Id,
                $"“{seen.Answer}” to “{seen.Cue}” is nothing that anybody can answer");
    }

    // Whatever is opened is locked out and vented first: a mend as well as a check.
    private static void CheckOpening(string file, string entry, bool opens, IReadOnlyList<string> hazards)
    {
        foreach (var hazard in new[] { "lock-out", "trapped-pressure" })
            Require(!opens || hazards.Contains(hazard), file, entry, $"opens something and must carry the hazard “{hazard}”");
    }

    private void CheckHazards(string file, string entry, IReadOnlyList<string> hazards)
    {
        foreach (var hazard in hazards)
            Require(catalogue.Hazard(hazard) is not null, file, entry, $"unknown hazard “{hazard}”");
    }

    private void CheckFault(Fault fault)
    {
        const string file = "faults.json";
        Require(EffectLibrary.Find(fault.Effect) is not null, file, fault.Id, $"unknown effect “{fault.Effect}”");
        Require(
            fault.DischargeEffect is null || EffectLibrary.Find(fault.DischargeEffect) is not null, file, fault.Id,
            $"unknown effect “{fault.DischargeEffect}”");
        Require(
            fault.DischargeAction is null || fault.HasSides, file, fault.Id,
            "is mended otherwise on the discharge side but does not sit in a cavity");
        Require(
            (fault.DischargeEffect is null) || fault.HasSides, file, fault.Id,
            "has an effect on the discharge side but does not sit in a cavity");
        Require(fault.Weight > 0, file, fault.Id, "weight must be above 0");
        Require(fault.MendMinutes > 0, file, fault.Id, "mendMinutes must be above 0");
        Require(fault.Side is null or "inlet" or "discharge", file, fault.Id, $"unknown side “{fault.Side}”");
        Require(fault.Wear is null or { Shape: > 0, B10Hours: > 0 }, file, fault.Id, "wear needs a shape and hours above 0");
        CheckWhere(file, fault.Id, fault);
        Require(
            fault.Id == Catalogue.NoFault || fault.Cues.Count > 0 || EffectLibrary.Find(fault.Effect)!.MovesNumbers, file, fault.Id,
            "cannot be reached: it moves no number and says nothing about any cue");
        CheckHazards(file, fault.Id, fault.Hazards);
        CheckOpening(file, fault.Id, fault.Opens, fault.Hazards);
        CheckMinutes(file, fault.Id, fault.MinutesOn);
        foreach (var where in fault.WeightWhere)
            Require(
                where.Multiply > 0 && where.Fitted.All(f => Fittings.Find(f) is not null), file, fault.Id,
                "weightWhere multiplies by more than 0 where something that can be fitted is");
        foreach (var word in fault.Cues)
        {
            CheckWhere(file, fault.Id, word);
            var cue = catalogue.Cue(word.Cue);
            Require(cue is not null, file, fault.Id, $"unknown cue “{word.Cue}”");
            Require(cue!.Answers.Any(a => a.Id == word.Answer), file, fault.Id, $"cue “{word.Cue}” has no answer “{word.Answer}”");
            Require(word.Side is null or "inlet" or "discharge", file, fault.Id, $"unknown side “{word.Side}”");
            Require(EvidenceWords.Known(word.Word), file, fault.Id, $"unknown evidence word “{word.Word}”");
            Require(
                word.Standing is null || EvidenceWords.Known(word.Standing), file, fault.Id,
                $"unknown evidence word “{word.Standing}” for what drips standing");
            Require(word.Drops is null or > 0, file, fault.Id, $"{word.Drops} drops a minute at {word.Answer}; more than 0 are needed");
            Require(
                (word.Drops is null && word.Standing is null && !word.Fed) || catalogue.Cue(word.Cue)?.Kind == "places", file, fault.Id,
                $"drops at “{word.Cue}”, where nothing drips");
        }

        foreach (var group in fault.Cues.GroupBy(w => w.Cue).Where(g => catalogue.Cue(g.Key)!.Kind == "choice"))
        {
            var sum = new[] { "inlet", "discharge" }.Max(side => MostCertain([.. group.Where(w => w.Side is null || w.Side == side)]));
            Require(sum <= 1, file, fault.Id, $"the words of cue “{group.Key}” add up to {sum:0.00}, more than certain");
        }
    }

    // The words that hold together on any one pump; those of a room that is shut off never stand beside those of one room.
    private static double MostCertain(CueWord[] words)
    {
        if (words.All(w => w.Requires.Count + w.Arrangements.Count + w.Fitted.Count == 0))
            return words.Sum(w => EvidenceWords.Likelihood(w.Word));
        var pairs = new[] {
            (Fitting.ShutsOff, Fitting.OneRoom), (Fitting.Lifting, Fitting.Pressurised), (Fitting.SealToWeep, Fitting.SealToInlet) };
        var most = 0.0;
        for (var way = 0; way < 1 << pairs.Length; way++)
        {
            var missing = pairs.Select((p, i) => (way >> i & 1) == 0 ? p.Item1 : p.Item2).Aggregate((a, b) => a | b);
            foreach (var control in Enum.GetNames<ControlKind>())
                foreach (var arrangement in Enum.GetValues<Arrangement>())
                    most = Math.Max(
                        most, words.Where(w => Holds(w, control, arrangement, missing)).Sum(w => EvidenceWords.Likelihood(w.Word)));
        }

        return most;
    }

    private static bool Holds(CueWord word, string control, Arrangement arrangement, Fitting missing) =>
        (word.Requires.Count == 0 || word.Requires.Contains(control, StringComparer.OrdinalIgnoreCase))
        && (word.Arrangements.Count == 0 || word.Arrangements.Contains(arrangement.Named()))
        && word.Fitted.All(f => (Fittings.Find(f)!.Value & missing) == 0);

    private static void CheckMinutes(string file, string entry, IReadOnlyDictionary<string, double> minutesOn)
    {
        foreach (var (arrangement, minutes) in minutesOn)
            Require(
                minutes > 0 && Enum.GetValues<Arrangement>().Any(a => a.Named() == arrangement), file, entry,
                $"minutesOn “{arrangement}” must name an arrangement, with minutes above 0");
    }

    private void CheckCheck(Check check)
    {
        foreach (var action in check.Reaches)
            Require(
                catalogue.Faults.Any(f => f.Action == action || f.DischargeAction == action), "checks.json", check.Id,
                $"reaches “{action}”, which nobody does");
        const string file = "checks.json";
        Require(check.Minutes > 0, file, check.Id, "minutes must be above 0");
        CheckMinutes(file, check.Id, check.MinutesOn);
        CheckOpening(file, check.Id, !check.OpensNothing, check.Hazards);
        Require(
            !check.OutletShut
                || (check.Running && check.Fitted.Contains("relief") && check.Requires.Count > 0 && !check.Requires.Contains("relief")
                    && !check.Requires.Contains("none")),
            file, check.Id, "runs a shut pump and so needs a relief fitted and a control that works: unloader, regulator or stop switch");
        Require(
            check.NotWhile is null || (catalogue.Fault(check.NotWhile.Fault) is not null && check.NotWhile.Probability is > 0 and < 1),
            file, check.Id, "notWhile needs a fault and a probability between 0 and 1");
        foreach (var asked in check.Proved.SelectMany(p => p))
            Require(catalogue.Answerable(asked), file, check.Id, $"asks first for “{asked}”, which nobody can answer");
        Require((check.Cue is null) != (check.Reading is null), file, check.Id, "must answer one cue or give one reading");
        Require(check.Cue is null || catalogue.Cue(check.Cue) is not null, file, check.Id, $"unknown cue “{check.Cue}”");
        foreach (var reading in check.Also.Concat(check.Reading is null ? [] : [check.Reading]))
            Require(Observables.Find(reading) is not null, file, check.Id, $"unknown reading “{reading}”");
        CheckWhere(file, check.Id, check);
        CheckHazards(file, check.Id, check.Hazards);
        Require(
            check.InsteadOf is null || catalogue.Check(check.InsteadOf) is not null, file, check.Id,
            $"stands instead of unknown check “{check.InsteadOf}”");
        Require(
            check.After is null || catalogue.Cue(check.After.Cue)?.Answers.Any(a => a.Id == check.After.Answer) == true, file, check.Id,
            $"comes after “{check.After?.Answer}” to “{check.After?.Cue}”, which nobody can answer");
        Require(
            check.Cue is null || catalogue.Faults.Any(f => f.Cues.Any(w => w.Cue == check.Cue)),
            file,
            check.Id,
            $"is an orphan: no fault says anything about “{check.Cue}”");
    }
}
