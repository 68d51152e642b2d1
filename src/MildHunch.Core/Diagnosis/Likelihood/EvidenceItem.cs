using MildHunch.Core.Diagnosis.Predictions;
using MildHunch.Core.Evidence;

namespace MildHunch.Core.Diagnosis.Likelihood;

/// <summary>One piece of evidence that can be left out: a reading, or an answer with the statements it makes.</summary>
/// <param name="Drips">Of what is said of places where it may drip: how each hypothesis is seen to drip there.</param>
/// <param name="Strength">How much each hypothesis has to say about the question, where it has one answer.</param>
internal sealed record EvidenceItem(
    string Id, Reading? Reading, CueFact? Cue, IReadOnlyList<CueAtom> Atoms, string? Group, double[]? Strength = null,
    IReadOnlyList<DripOf>? Drips = null)
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

/// <summary>How a hypothesis is seen to drip at a place that is spoken of.</summary>
/// <param name="Seen">By size, where the model knows what it lets out; null where only the catalogue names it.</param>
/// <param name="Ratio">
/// How much likelier the rest that was told is with it than with a drip that means nothing: when it drips, and how fast where only the
/// catalogue knows.
/// </param>
internal sealed record DripOf(DripsSeen? Seen, double Ratio);
