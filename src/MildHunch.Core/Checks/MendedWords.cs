using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Diagnosis.Verdict;
using MildHunch.Core.Evidence;
using MildHunch.Core.Faults;

namespace MildHunch.Core.Checks;

/// <summary>Says whether a pump is mended.</summary>
internal static class MendedWords
{
    private const double Likely = 0.8;
    private const double Unlikely = 0.5;

    // Whatever was seen, nobody is told that it is certain.
    private const int MostPercent = 99;

    public static MendedShare? Of(CaseEvidence evidence, IReadOnlyList<Suspect> suspects, Hypothesis? was)
    {
        if (evidence.Before.Count == 0)
            return null;
        var mended = suspects.First(s => s.Fault.Id == Catalogue.NoFault).Probability;
        var looked = evidence.Readings.Count + evidence.Cues.Count > 0;
        return new MendedShare(
            mended, Sentence(mended, looked, suspects.FirstOrDefault(s => s.Fault.Id != Catalogue.NoFault), was), was);
    }

    private static string Sentence(double mended, bool looked, Suspect? left, Hypothesis? was)
    {
        var percent = Math.Clamp((int)Math.Round(100 * mended), 1, MostPercent);
        var rest = left is null ? "" : $"{left.Fault.Phrase}{Where(left)}";
        if (!looked)
            return mended >= Likely
                ? $"Likely mended, {percent} %, by what was known before: nothing was read or seen since. Read it again."
                : $"Perhaps mended, {percent} %, by what was known before: {rest} is left. Nothing was read or seen since.";
        return mended >= Likely
            ? $"Mended, {percent} %: {Gone(was)}it shows what it should."
            : mended >= Unlikely ? $"Perhaps mended, {percent} %; what it shows now may also be {rest}."
            : $"Not mended, by {100 - percent} %: {rest} explains best what it shows now.";
    }

    private static string Gone(Hypothesis? was) =>
        was is null ? "" : $"{was.Fault.Phrase}{(was.Cylinder is { } k ? In(was.Fault, k) : "")} is gone; ";

    private static string In(Fault fault, int k) =>
        fault.Location == FaultLocation.End ? k == 1 ? " at the left end" : " at the right end" : $" in cylinder {k}";

    private static string Where(Suspect suspect) =>
        suspect.Locations is [{ Cylinder: { } k } most, ..] && most.Probability > 0.5 * suspect.Probability
        ? In(suspect.Fault, k)
        : "";
}
