using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Diagnosis.Verdict;
using MildHunch.Core.Evidence;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Checks;

/// <summary>Says whether a pump is mended, and how that is known: by what was seen since, or only by what was known before.</summary>
internal static class MendedWords
{
    private const double Likely = 0.8;
    private const double Unlikely = 0.5;

    public static MendedShare? Of(CaseEvidence evidence, IReadOnlyList<Suspect> suspects, Hypothesis? was)
    {
        if (evidence.Before.Count == 0)
            return null;
        var mended = suspects.First(s => s.Fault.Id == Catalogue.NoFault).Probability;
        var left = Left(suspects.First(s => s.Fault.Id != Catalogue.NoFault));
        return new MendedShare(
            mended, evidence.Readings.Count + evidence.Cues.Count > 0 ? Seen(mended, left, was) : Unseen(mended, left), was);
    }

    private static string Seen(double mended, string left, Hypothesis? was) => mended switch
    {
        >= Likely => $"Mended, {HunchWords.Percent(mended)}: {Gone(was)}what was read and seen since speaks for a sound pump.",
        >= Unlikely => $"Perhaps mended, {HunchWords.Percent(mended)}; what it shows since may also be {left}.",
        _ => $"Not mended, {HunchWords.Percent(1 - mended)}: {left} explains best what it shows since.",
    };

    // A pump that nobody looked at is not proved by that.
    private static string Unseen(double mended, string left) => mended switch
    {
        >= Likely => $"Likely mended, {HunchWords.Percent(mended)}, by what was known before. Nothing was read or seen since: read it "
            + "again.",
        >= Unlikely => $"Perhaps mended, {HunchWords.Percent(mended)}, by what was known before; {left} may be left. Nothing was read or "
            + "seen since.",
        _ => $"Hardly mended, {HunchWords.Percent(mended)}, by what was known before: {left} is likelier left. Nothing was read or seen "
            + "since.",
    };

    private static string Gone(Hypothesis? was) =>
        was is null ? "" : $"{was.Fault.Phrase}{At(was.Fault, was.Cylinder, was.Side)} is gone; ";

    // The place is said where it is known.
    private static string Left(Suspect suspect) => suspect.Locations is [var most, ..] && most.Probability > 0.5 * suspect.Probability
        ? $"{suspect.Fault.Phrase}{At(suspect.Fault, most.Cylinder, most.Side)}"
        : suspect.Fault.Phrase;

    private static string At(Fault fault, int? cylinder, Side? side)
    {
        if (cylinder is null)
            return "";
        var end = fault.Location == FaultLocation.End;
        var place = Sentences.Place(cylinder, fault.HasSides ? side : null, end).TrimEnd();
        return end ? $" at the {place}" : fault.HasSides ? $" at {place}" : $" in {place}";
    }
}
