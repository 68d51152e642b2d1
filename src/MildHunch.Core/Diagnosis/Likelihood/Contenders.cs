using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Diagnosis.Predictions;

namespace MildHunch.Core.Diagnosis.Likelihood;

/// <summary>
/// Everything that competes to explain the evidence: single hypotheses first, pairs behind them, each with bins of how
/// noticeable it is. A pair has nine: three for each of its two.
/// </summary>
internal sealed class Contenders
{
    /// <summary>Bins of a pair: three levels of the one, times three of the other.</summary>
    public const int PairBins = SeverityBins.Levels * SeverityBins.Levels;

    private readonly Dictionary<double[], CueAnswers> questions = [];
    private readonly Hypothesis[] singles;
    private readonly Pair[] pairs;
    private readonly SeverityBins bins;
    private readonly double singleShare;
    private readonly int[] offset;
    private readonly double[]? carried;

    /// <param name="carried">Of every single, where it does not begin with its prior: how it stood before.</param>
    public Contenders(IReadOnlyList<Hypothesis> singles, IReadOnlyList<Pair> pairs, SeverityBins bins, double[]? carried = null)
    {
        (this.singles, this.pairs, this.bins, this.carried) = ([.. singles], [.. pairs], bins, carried);
        singleShare = pairs.Count > 0 ? 1 - Hypotheses.Pairs.PriorShare : 1;
        offset = new int[Count + 1];
        for (var h = 0; h < Count; h++)
            offset[h + 1] = offset[h] + BinsOf(h);
    }

    public Hypothesis[] Singles => singles;

    public Pair[] Pairs => pairs;

    public int Count => singles.Length + pairs.Length;

    /// <summary>Bins of all contenders together.</summary>
    public int Bins => offset[^1];

    /// <summary>Where the bins of a contender begin among all.</summary>
    public int Offset(int row) => offset[row];

    public int BinsOf(int row) => row < singles.Length ? bins.Notice[singles[row].EffectIndex].Length : PairBins;

    public double Prior(int row) =>
        row >= singles.Length ? pairs[row - singles.Length].Prior : carried?[row] ?? (singleShare * singles[row].Prior);

    /// <summary>The single hypotheses a contender consists of.</summary>
    public (int First, int? Second) Parts(int row) =>
        row < singles.Length ? (row, null) : (pairs[row - singles.Length].First, pairs[row - singles.Length].Second);

    /// <summary>Sums probability by group of the singles; a pair counts in both of its groups, once where they are the same.</summary>
    public void Gather(double[] probability, int[] groupOf, double[] into)
    {
        Array.Clear(into);
        for (var h = 0; h < singles.Length; h++)
            into[groupOf[h]] += probability[h];
        for (var p = 0; p < pairs.Length; p++)
        {
            var (first, second) = (groupOf[pairs[p].First], groupOf[pairs[p].Second]);
            into[first] += probability[singles.Length + p];
            if (second != first)
                into[second] += probability[singles.Length + p];
        }
    }

    /// <summary>Rows of bins, one of every contender, laid end to end.</summary>
    public double[] Laid(IReadOnlyList<double[]> rows)
    {
        var all = new double[Bins];
        for (var h = 0; h < rows.Count; h++)
            rows[h].CopyTo(all, offset[h]);
        return all;
    }

    /// <summary>How noticeable each bin of a single is.</summary>
    public double[] Notices(int single) => bins.Notice[singles[single].EffectIndex];

    /// <summary>How noticeable each level of a single is where it is one of two.</summary>
    public double[] Levels(int single) => bins.LevelNotice[singles[single].EffectIndex];

    /// <summary>Likelihood of an answer by bin of every contender.</summary>
    public double[] Likelihoods(EvidenceItem item) =>
        item.Strength is { } strength ? Question(strength).Likelihoods(item.Atoms[0]) : new PlaceAnswers(this, item).Likelihoods();

    /// <summary>
    /// The same of an answer that follows another which sees the same thing (docs/trade.md, Verdict): to the power of a third. Places
    /// follow
    /// nothing.
    /// </summary>
    public double[] Followers(EvidenceItem item) => Question(item.Strength!).Likelihoods(item.Atoms[0], follows: true);

    /// <summary>The question that has these strengths, laid out once.</summary>
    public CueAnswers Question(double[] strength) =>
        questions.TryGetValue(strength, out var known) ? known : questions[strength] = new CueAnswers(this, strength);

    /// <summary>Prior of the contender, by bin of every contender; 1 where it is in the weights of the numbers already.</summary>
    public double[] Priors()
    {
        var all = new double[Bins];
        if (carried is not null)
        {
            Array.Fill(all, 1);
            return all;
        }

        for (var h = 0; h < Count; h++)
            all.AsSpan(offset[h], offset[h + 1] - offset[h]).Fill(Prior(h));
        return all;
    }

    /// <summary>Chance of an answer under one single hypothesis at one noticeability.</summary>
    public static double Of(EvidenceItem item, int single, double notice)
    {
        var likelihood = 1.0;
        foreach (var atom in item.Atoms)
            likelihood *= atom.At(single, notice);
        return likelihood;
    }
}
