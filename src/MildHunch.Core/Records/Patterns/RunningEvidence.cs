namespace MildHunch.Core.Records.Patterns;

/// <summary>
/// Evidence that events prefer a place, kept event by event: by how much a guess that learns from the events so far (Dirichlet-multinomial)
/// foretold them better than the shares did. Were the shares right, its mean would be 1 at any time, however often anyone looks:
/// it reaches 20 in one record of twenty at most (Ville 1939; e-values: Vovk and Wang 2021; docs/trade.md, Patterns).
/// </summary>
public sealed class RunningEvidence
{
    // From “one place gets nearly all” to “a little more here”: each is a guess of its own, and their mean stays evidence.
    private static readonly double[] Doubts = [1, 4, 16];

    private readonly double[] counts;
    private readonly double[] expected;
    private readonly double[] logs = new double[Doubts.Length];

    private readonly bool onlyMore;

    /// <summary>Nothing has happened yet at so many places.</summary>
    /// <param name="onlyMore">Of two places: only that the first has more than its share is evidence, never that it has less.</param>
    public RunningEvidence(int places, bool onlyMore = false)
    {
        counts = new double[places];
        expected = new double[places];
        this.onlyMore = onlyMore;
    }

    /// <summary>Events so far.</summary>
    public int Events { get; private set; }

    /// <summary>Events so far by place.</summary>
    public IReadOnlyList<double> Counts => counts;

    /// <summary>Events that the shares would have had there.</summary>
    public IReadOnlyList<double> Expected => expected;

    /// <summary>The evidence, above 0; 1 at the start.</summary>
    public double Value => logs.Average(Math.Exp);

    /// <summary>One event more.</summary>
    /// <param name="place">Where, from 0.</param>
    /// <param name="shares">What was expected of each place just before, adding to 1.</param>
    public void Add(int place, IReadOnlyList<double> shares)
    {
        for (var i = 0; i < Doubts.Length; i++)
            logs[i] += Math.Log(Foretold(Doubts[i], place, shares) / shares[place]);
        for (var i = 0; i < expected.Length; i++)
            expected[i] += shares[i];
        counts[place]++;
        Events++;
    }

    /// <summary>A closed span of time whose events fell among places that time itself chooses, as seasons are.</summary>
    /// <param name="fell">Events by place within the span.</param>
    /// <param name="shares">Their shares of what ran in it.</param>
    public void AddSpan(IReadOnlyList<int> fell, IReadOnlyList<double> shares)
    {
        // Given how many there were, each is drawn by the shares: their order says nothing, so any may be taken.
        for (var place = 0; place < fell.Count; place++)
            for (var n = 0; n < fell[place]; n++)
                Add(place, shares);
    }

    // As shares change when parts and pumps come and go, what is learned is how much riskier each is than its share, not how many it had.
    // Where they stay, this is the Dirichlet-multinomial law.
    private double Foretold(double doubt, int place, IReadOnlyList<double> shares)
    {
        if (!onlyMore)
        {
            double all = 0;
            for (var i = 0; i < shares.Count; i++)
                all += Riskier(doubt, i, shares[i]);
            return Riskier(doubt, place, shares[place]) / all;
        }

        double Weight(int at) => shares[at] * (doubt + counts[at]) / (doubt + expected[at]);
        var first = Math.Max(shares[0], Weight(0) / (Weight(0) + Weight(1)));
        return place == 0 ? first : 1 - first;
    }

    private double Riskier(double doubt, int place, double share) =>
        share > 0 ? share * ((doubt * share) + counts[place]) / ((doubt * share) + expected[place]) : 0;
}
