using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Drawing;
using MildHunch.Core.Service.Findings;
using MildHunch.Core.Service.Sheets;
using MildHunch.Web.Evidence;

namespace MildHunch.Web.Cases.Work;

/// <summary>One question of what was found at one cylinder or end, or of the whole pump.</summary>
internal sealed record Revealed(string Cue, int? Cylinder);

/// <summary>Answers that findings give; what stood before at the same places makes room.</summary>
/// <param name="Touched">Questions and places of which something was told.</param>
/// <param name="Answers">What they say now.</param>
internal sealed record FindingAnswers(IReadOnlySet<Revealed> Touched, IReadOnlyList<CueDto> Answers);

/// <summary>What was found inside, as answers to the questions of the catalogue: as good as certain.</summary>
public sealed class WorkEvidence(FindingCatalogue findings, Catalogue catalogue)
{
    private const string AllGood = "good";
    private const string NotPressed = "tight";

    /// <summary>Answers of all findings that stand, at the questions that a change touched.</summary>
    internal FindingAnswers Of(ServicePlan plan, IReadOnlyDictionary<string, FoundPartAtDto> found, IEnumerable<string> changed)
    {
        var keys = changed.ToHashSet();
        var touched = plan.Inspections.Where(i => keys.Contains(CavityMap.Key(i.Part.Id, i.Place)))
            .Select(QuestionAt).OfType<Revealed>().ToHashSet();
        var answers = touched.Select(t => Worst(plan, found, t)).OfType<CueDto>().ToList();
        foreach (var cue in touched.Select(t => t.Cue).Distinct().Where(c => answers.All(a => a.Cue != c)))
            if (WholeAnswer(plan, found, cue) is { } whole)
                answers.Add(whole);
        return new FindingAnswers(touched, answers);
    }

    private Revealed? QuestionAt(PartAt at) =>
        findings.Kind(at.Part.Kind)?.CueOn(at.Place.Side) is { } cue && catalogue.Cue(cue) is not null
            ? new Revealed(cue, at.Place.Cylinder)
            : null;

    // One answer a place: that of the first kind of part, in the order of the findings, that no longer does what it is for.
    private CueDto? Worst(ServicePlan plan, IReadOnlyDictionary<string, FoundPartAtDto> found, Revealed at)
    {
        var named = plan.Inspections.Where(i => QuestionAt(i) == at)
            .Select(i => found.GetValueOrDefault(CavityMap.Key(i.Part.Id, i.Place))?.Finding).OfType<string>().ToHashSet();
        if (findings.All.FirstOrDefault(f => named.Contains(f.Id) && f.Answer is not null) is not { } worst)
            return null;
        var answer = catalogue.Cue(at.Cue)!.Answer(worst.Answer!)!;
        return new CueDto(at.Cue, answer.Id, answer.At == AnswerPlace.None ? null : at.Cylinder);
    }

    // That all are good is said once every part that the question is about was seen, at every place of the pump.
    private CueDto? WholeAnswer(ServicePlan plan, IReadOnlyDictionary<string, FoundPartAtDto> found, string cue)
    {
        var asked = plan.Sheet.Parts.Where(p => findings.Kind(p.Kind) is { Whole: true })
            .SelectMany(p => p.Per.On(plan.Pump).Select(at => new PartAt(p, at))).Where(p => QuestionAt(p)?.Cue == cue)
            .Select(p => (p.Part, Found: found.GetValueOrDefault(CavityMap.Key(p.Part.Id, p.Place)))).ToArray();
        if (asked.Length == 0 || asked.Any(a => a.Found is null || a.Found.State == FoundState.Failed.Named()))
            return null;
        var pressed = asked.Where(a => findings.Kind(a.Part.Kind)!.Tested).All(a => a.Found!.Moves == true);
        return new CueDto(cue, !pressed && catalogue.Cue(cue)!.Answer(NotPressed) is not null ? NotPressed : AllGood);
    }
}
