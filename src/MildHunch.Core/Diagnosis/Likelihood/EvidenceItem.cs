using MildHunch.Core.Evidence;

namespace MildHunch.Core.Diagnosis.Likelihood;

/// <summary>One piece of evidence that can be left out: a reading, or an answer with the statements it makes.</summary>
/// <param name="Strength">How much each hypothesis has to say about the question, where it has one answer.</param>
internal sealed record EvidenceItem(
    string Id, Reading? Reading, CueFact? Cue, IReadOnlyList<CueAtom> Atoms, string? Group, double[]? Strength = null)
{
    private double? span;

    /// <summary>How far the hypotheses lie apart on this answer: the widest of a group leads it. Only groups ask for it.</summary>
    public double Span => span ??= SpanOf(Atoms);

    private static double SpanOf(IReadOnlyList<CueAtom> atoms)
    {
        if (atoms.Count == 0)
            return 0;
        double most = double.NegativeInfinity, least = double.PositiveInfinity;
        for (var h = 0; h < atoms[0].Full.Length; h++)
        {
            var log = atoms.Sum(a => Math.Log(Math.Max(a.Full[h], 1e-9)));
            most = Math.Max(most, log);
            least = Math.Min(least, log);
        }

        return most - least;
    }
}
