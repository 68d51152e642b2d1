using CsCheck;
using MildHunch.Core.Numerics;
using MildHunch.Core.Records.Patterns;

namespace MildHunch.Core.Tests.Records.Patterns;

public class PatternArithmeticTests
{
    [Fact]
    public void The_lady_tasting_tea()
    {
        // Fisher 1935, The Design of Experiments, chapter 2: three of four cups right or better, 17 of 70; all four, 1 of 70.
        FisherExact.AtLeast(new TwoGroups(3, 4, 1, 4)).ShouldBe(17 / 70.0, 1e-12);
        FisherExact.AtLeast(new TwoGroups(4, 4, 0, 4)).ShouldBe(1 / 70.0, 1e-12);
        FisherExact.TwoSided(new TwoGroups(3, 4, 1, 4)).ShouldBe(34 / 70.0, 1e-12);
    }

    [Fact]
    public void Twins_of_criminals()
    {
        // Fisher 1935, The logic of inductive inference: convictions of like-sex twins of criminals, 10 of 13 and 2 of 17.
        FisherExact.AtLeast(new TwoGroups(10, 13, 2, 17)).ShouldBe(0.0004652, 1e-7);
    }

    [Theory]
    [InlineData(new[] { 8, 2 }, new[] { 0.5, 0.5 }, 0.109375)] // sign test, printed tables: 112 of 1024
    [InlineData(new[] { 5, 0 }, new[] { 0.5, 0.5 }, 0.0625)]
    [InlineData(new[] { 6, 0, 0, 0, 0, 0 }, new[] { 1 / 6.0, 1 / 6.0, 1 / 6.0, 1 / 6.0, 1 / 6.0, 1 / 6.0 }, 6 / 46656.0)]
    [InlineData(new[] { 1, 1, 1 }, new[] { 1 / 3.0, 1 / 3.0, 1 / 3.0 }, 1)]
    public void Exact_chances(int[] counts, double[] shares, double chance) =>
        ExactMultinomial.Chance(counts, shares).ShouldBe(chance, 1e-10);

    [Fact]
    public void Two_places_are_the_binomial_test() => Gen.Select(Gen.Int[0, 30], Gen.Int[0, 30], Gen.Double[0.05, 0.95]).Sample(
        (a, b, share) =>
        {
            var law = new MathNet.Numerics.Distributions.Binomial(share, a + b);
            var seen = law.ProbabilityLn(a) + 1e-9;
            var sum = Enumerable.Range(0, a + b + 1).Where(k => law.ProbabilityLn(k) <= seen).Sum(law.Probability);
            ExactMultinomial.Chance([a, b], [share, 1 - share]).ShouldBe(Math.Min(1, sum), 1e-9);
        },
        iter: 200);

    [Fact]
    public void Drawn_and_walked_agree()
    {
        int[] counts = [7, 1, 2, 5, 3, 2];
        double[] shares = [0.2, 0.1, 0.1, 0.3, 0.2, 0.1];
        var walked = ExactMultinomial.Walked(counts, shares);
        foreach (var seed in (int[])[1, 2, 3])
            ExactMultinomial.Drawn(counts, shares, seed).ShouldBe(walked, 4 * Math.Sqrt(walked * (1 - walked) / ExactMultinomial.Draws));
        ExactMultinomial.Drawn(counts, shares, 1).ShouldBe(ExactMultinomial.Drawn(counts, shares, 1));
    }

    [Fact]
    public void More_outcomes_than_a_million_are_drawn()
    {
        ExactMultinomial.Outcomes(38, 8).ShouldBe(45379620, 1);
        ExactMultinomial.Chance([10, 3, 4, 5, 4, 6, 2, 4], [.. Enumerable.Repeat(1 / 8.0, 8)]).ShouldBeInRange(0.2, 0.5);
    }

    [Theory]
    [InlineData(3, 729, false)]
    [InlineData(2, 64, true)]
    public void Evidence_averages_one_where_the_shares_are_right(int places, int sequences, bool onlyMore)
    {
        // Every sequence of six events, weighed by its chance.
        double[] shares = places == 3 ? [0.5, 0.3, 0.2] : [0.3, 0.7];
        double mean = 0;
        for (var code = 0; code < sequences; code++)
        {
            var evidence = new RunningEvidence(places, onlyMore);
            double chance = 1;
            for (int i = 0, c = code; i < 6; i++, c /= places)
            {
                evidence.Add(c % places, shares);
                chance *= shares[c % places];
            }

            mean += chance * evidence.Value;
        }

        mean.ShouldBe(1, 1e-9);
    }

    [Fact]
    public void The_order_of_events_says_nothing_where_shares_stay() => Gen.Int[0, 3].Array[1, 12].Sample(places =>
    {
        double[] shares = [0.1, 0.2, 0.3, 0.4];
        RunningEvidence there = new(4), back = new(4);
        foreach (var p in places)
            there.Add(p, shares);
        foreach (var p in places.Reverse())
            back.Add(p, shares);
        back.Value.ShouldBe(there.Value, 1e-9 * there.Value);
        there.Expected.Sum().ShouldBe(places.Length, 1e-9);
    });

    [Fact]
    public void Adjusted_evidence_is_never_more_and_keeps_its_order() => Gen.Double[0, 1000].Array[1, 9].Sample(evidence =>
    {
        var adjusted = ManyTests.Adjusted(evidence);
        for (var i = 0; i < evidence.Length; i++)
        {
            adjusted[i].ShouldBeLessThanOrEqualTo(evidence[i]);
            adjusted[i].ShouldBeGreaterThanOrEqualTo(Brute(evidence, i) - 1e-9);
            adjusted[i].ShouldBe(Brute(evidence, i), 1e-9 * (1 + evidence[i]));
        }
    });

    // By its definition: the least mean over all sets of tests that hold this one.
    private static double Brute(double[] evidence, int at) => Enumerable.Range(0, 1 << evidence.Length).Where(set => (set & (1 << at)) != 0)
        .Min(set => evidence.Where((_, i) => (set & (1 << i)) != 0).Average());

    /// <summary>Whatever the shares, a number between 0 and 1 falls as often at a place as its share says: by areas, exactly.</summary>
    [Fact]
    public void A_place_is_drawn_by_its_share() => Gen.Double[0.001, 1].Array[2, 30].Sample(
        weights =>
        {
            var all = weights.Sum();
            var places = new PlaceDraw([.. weights.Select(w => w / all)]);
            const int looks = 60_000;
            var fell = new int[weights.Length];
            for (var i = 0; i < looks; i++)
                fell[places.At((i + 0.5) / looks)]++;
            for (var i = 0; i < weights.Length; i++)
                ((double)fell[i] / looks).ShouldBe(weights[i] / all, 2.0 * weights.Length / looks);
        },
        iter: 40);
}
