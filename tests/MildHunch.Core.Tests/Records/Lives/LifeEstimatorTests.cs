using CsCheck;
using MathNet.Numerics.Distributions;
using MildHunch.Core.Faults;
using MildHunch.Core.Numerics;
using MildHunch.Core.Records.Lives;

namespace MildHunch.Core.Tests.Records.Lives;

public class LifeEstimatorTests
{
    private static readonly Gen<WatchedLife> AnyLife = Gen.Select(Gen.Double[5, 3000], Gen.Int[0, 3], Gen.Double[0, 0.9]).Select(
        (t, kind, share) => kind switch
        {
            0 => new WatchedLife(t, true),
            1 => new WatchedLife(t, false),
            2 => new WatchedLife(t, true, share * t),
            _ => new WatchedLife(t, true, 0, new FoundBetween(share * t, t)),
        });

    private static readonly Gen<WatchedLife[]> AnyLives = AnyLife.Array[3, 14].Where(l => l.Count(x => x.Failed) >= 3);

    [Fact]
    public void Whatever_the_record_each_figure_lies_in_its_band() => AnyLives.Sample(
        lives =>
        {
            var life = LifeEstimator.Estimate(lives, before: [500]);
            foreach (var band in (Banded[])[life.Shape, life.Scale, life.B10, life.Mean, life.Chances[0].Chance])
            {
                band.Low.ShouldBeLessThanOrEqualTo(band.Value * (1 + 1e-9));
                band.High!.Value.ShouldBeGreaterThanOrEqualTo(band.Value * (1 - 1e-9));
                double.IsFinite(band.High.Value).ShouldBeTrue();
            }
        },
        iter: 300);

    [Fact]
    public void Hours_counted_in_another_unit_say_the_same() => Gen.Select(AnyLives, Gen.Double[0.01, 50]).Sample(
        (lives, unit) =>
        {
            var life = LifeEstimator.Estimate(lives);
            var other = LifeEstimator.Estimate([.. lives.Select(l => new WatchedLife(
                l.Hours * unit, l.Failed, l.From * unit, l.Found is { } f ? new FoundBetween(f.Good * unit, f.Failed * unit) : null))]);
            other.Shape.Value.ShouldBe(life.Shape.Value, 1e-4 * life.Shape.Value);
            other.B10.Low.ShouldBe(life.B10.Low * unit, 1e-3 * life.B10.Low * unit);
        },
        iter: 60);

    [Fact]
    public void No_other_shape_and_scale_is_likelier() => Gen.Select(AnyLives, Gen.Double[-0.3, 0.3], Gen.Double[-0.3, 0.3]).Sample(
        (lives, shape, scale) =>
        {
            var life = LifeEstimator.Estimate(lives);
            if (life.Shape.Value is < 0.21 or > 19.9)
                return;
            var best = Likelihood(lives, life.Shape.Value, life.Scale.Value);
            Likelihood(lives, life.Shape.Value * Math.Exp(shape), life.Scale.Value * Math.Exp(scale))
                .ShouldBeLessThanOrEqualTo(best + 1e-6);
        },
        iter: 300);

    [Fact]
    public void A_narrow_span_says_what_the_hour_itself_would()
    {
        double[] hours = [140, 260, 310, 420, 505, 640];
        var exact = LifeEstimator.Estimate([.. hours.Select(t => new WatchedLife(t, true))]);
        var spans = LifeEstimator.Estimate([.. hours.Select(t => new WatchedLife(t, true, 0, new FoundBetween(t - 0.05, t + 0.05)))]);
        spans.Shape.Value.ShouldBe(exact.Shape.Value, 1e-4);
        spans.Scale.Value.ShouldBe(exact.Scale.Value, 0.01);
    }

    [Fact]
    public void Hours_before_the_record_began_do_not_count_as_survived()
    {
        // Parts of a known life, seen only from an age on: forgetting that makes them look longer-lived than they are.
        var dice = new SeededNoise(11);
        var seen = new List<WatchedLife>();
        while (seen.Count < 400)
        {
            var (life, from) = (Drawn(dice, 2, 500), 600 * dice.Even());
            if (life > from)
                seen.Add(new WatchedLife(life, true, from));
        }

        LifeEstimator.Estimate(seen).Scale.Value.ShouldBe(500, 30);
        LifeEstimator.Estimate([.. seen.Select(l => l with { From = 0 })]).Scale.Value.ShouldBeGreaterThan(560);
    }

    [Fact]
    public void Nine_bands_of_ten_hold_the_truth_at_eight_failures()
    {
        // Sixteen parts, watched until the eighth has failed; the band’s own promise, drawn 1000 times.
        var dice = new SeededNoise(7);
        int shape = 0, b10 = 0;
        const int records = 1000;
        var truth = 500 * Math.Pow(-Math.Log(0.9), 1 / 1.8);
        for (var i = 0; i < records; i++)
        {
            var lives = Enumerable.Range(0, 16).Select(_ => Drawn(dice, 1.8, 500)).Order().ToArray();
            var life = LifeEstimator.Estimate([.. lives.Select((t, k) => new WatchedLife(Math.Min(t, lives[7]), k <= 7))]);
            shape += life.Shape.Low <= 1.8 && 1.8 <= life.Shape.High ? 1 : 0;
            b10 += life.B10.Low <= truth && truth <= life.B10.High ? 1 : 0;
        }

        (shape / (double)records).ShouldBeInRange(0.88, 0.94);
        (b10 / (double)records).ShouldBeInRange(0.88, 0.94);
    }

    [Fact]
    public void The_catalogue_speaks_until_the_record_does()
    {
        var prior = new LifePrior(new Wear(2, 250));
        var alone = LifeEstimator.Estimate([], prior);
        alone.B10.Value.ShouldBe(250, 0.5);
        alone.Shape.Value.ShouldBe(2, 0.01);
        double last = 250;
        foreach (var failures in (int[])[1, 4, 16, 64])
        {
            var lives = Enumerable.Range(0, failures)
                .Select(i => new WatchedLife(2000 * Math.Sqrt(-Math.Log(1 - ((i + 0.5) / failures))), true));
            var life = LifeEstimator.Estimate([.. lives], prior);
            life.B10.Value.ShouldBeGreaterThan(last);
            last = life.B10.Value;
        }

        // Shape 2 and scale 2000 have a B10 of 649 h; sixty-four failures have all but said so.
        last.ShouldBe(649, 130);
    }

    [Theory]
    [InlineData(-5, true, 0, "times[0].hours")]
    [InlineData(0, false, 0, "times[0].hours")]
    [InlineData(100, true, 100, "times[0].from")]
    [InlineData(100, true, -1, "times[0].from")]
    [InlineData(double.NaN, true, 0, "times[0].hours")]
    public void What_cannot_be_is_refused_by_its_field(double hours, bool failed, double from, string field) =>
        Should.Throw<ImpossibleInputException>(() => LifeEstimator.Estimate([new WatchedLife(hours, failed, from)])).Field.ShouldBe(field);

    [Fact]
    public void Openings_in_the_wrong_order_are_refused() => Should.Throw<ImpossibleInputException>(
        () => LifeEstimator.Estimate([new WatchedLife(400, true, 0, new FoundBetween(400, 300))])).Message.ShouldContain("400 to 300");

    [Fact]
    public void Equal_hours_run_to_the_steepest_shape_and_no_further() => LifeEstimator.Estimate(
        [.. Enumerable.Repeat(new WatchedLife(250, true), 5)]).Shape.Value.ShouldBe(20, 0.01);

    private static double Drawn(SeededNoise dice, double shape, double scale) =>
        scale * Math.Pow(-Math.Log(1 - dice.Even()), 1 / shape);

    // By the library’s own distribution.
    private static double Likelihood(WatchedLife[] lives, double shape, double scale)
    {
        var law = new Weibull(shape, scale);
        double Alive(double t) => Math.Log(1 - law.CumulativeDistribution(t));
        return lives.Sum(l => (l.Found is { } f ? Math.Log(law.CumulativeDistribution(f.Failed) - law.CumulativeDistribution(f.Good))
            : l.Failed ? law.DensityLn(l.Hours)
            : Alive(l.Hours)) - (l.From > 0 ? Alive(l.From) : 0));
    }
}
