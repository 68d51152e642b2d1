using CsCheck;
using MildHunch.Core.Faults;
using MildHunch.Core.Records.Lives;
using MildHunch.Core.Records.Patterns;

namespace MildHunch.Core.Tests.Records.Lives;

/// <summary>Records at the edge of what can be told: a figure lies in its band, or it is said that nothing is likeliest.</summary>
public class OddLivesTests
{
    private static readonly Gen<double> Hours = Gen.Double[-1, 5.9].Select(e => Math.Pow(10, e));

    private static readonly Gen<WatchedLife> Any = Gen.Select(Hours, Gen.Int[0, 5], Gen.Double[0, 0.999]).Select(
        (t, kind, share) => kind switch
        {
            0 => new WatchedLife(t, true),
            1 => new WatchedLife(t, false),
            2 => new WatchedLife(t, true, share * t),
            3 => new WatchedLife(t, true, 0, new FoundBetween(0, t)),
            4 => new WatchedLife(t, true, share * t, new FoundBetween(0.5 * share * t, t)),
            _ => new WatchedLife(t, true, 0, new FoundBetween(share * t, t)),
        });

    private static readonly Gen<LifePrior?> AnyPrior =
        Gen.OneOf(Gen.Const((LifePrior?)null), Gen.Double[50, 3000].Select(b10 => (LifePrior?)new LifePrior(new Wear(2, b10))));

    [Fact]
    public void Whatever_is_on_record_nothing_lies_outside_its_band_and_all_are_numbers() =>
        Gen.Select(Any.Array[1, 9], AnyPrior).Sample(
            (lives, prior) =>
            {
                if (prior is null && !LifeEstimator.HasMaximum(lives))
                    Should.Throw<ImpossibleInputException>(() => LifeEstimator.Estimate(lives, prior));
                else
                    Sound(LifeEstimator.Estimate(lives, prior, [1e6 * 0.8]));
                PlottingPositions.Of(lives).ShouldAllBe(p => p.Failed > 0 && p.Failed < 1);
            },
            iter: 600);

    /// <summary>A part that runs 22,000 h where the catalogue has B10 250 h; 800 failures of 800.</summary>
    [Fact]
    public void Far_from_the_catalogue_there_are_numbers_still()
    {
        Sound(LifeEstimator.Estimate([new WatchedLife(22_000, false)], new LifePrior(new Wear(2, 250)), [40_000], 22_000));
        Sound(LifeEstimator.Estimate(
            [.. Enumerable.Repeat(new WatchedLife(22_000, false), 40)], new LifePrior(new Wear(2, 250)), [40_000], 22_000));
        Sound(LifeEstimator.Estimate([.. Enumerable.Range(1, 800).Select(i => new WatchedLife(i, true))], before: [1000]));
        var all = SingleTest.Of([new CountedPlace("one", 800, Of: 800), new CountedPlace("other", 800, Of: 800)]);
        all.Chance.ShouldBe(1, 1e-9);
        all.Told.ShouldBeFalse();
        SingleTest.Of([new CountedPlace("one", 800, Of: 800), new CountedPlace("other", 0, Of: 800)]).Chance.ShouldBeInRange(0, 1e-100);
        SingleTest.Of([new CountedPlace("one", 0, Of: 800), new CountedPlace("other", 0, Of: 800)]).Chance.ShouldBe(1, 1e-9);
    }

    /// <summary>Each found failed at an opening, none ever seen good: the shorter they lasted, the likelier, without end.</summary>
    [Fact]
    public void Where_nothing_is_likeliest_that_is_said()
    {
        WatchedLife[] never = [.. Enumerable.Range(1, 4).Select(i => new WatchedLife(100 * i, true, 0, new FoundBetween(0, 100 * i)))];
        Should.Throw<ImpossibleInputException>(() => LifeEstimator.Estimate(never)).Message.ShouldContain("never seen good");
        Sound(LifeEstimator.Estimate([.. never, new WatchedLife(50, false)]));
        Sound(LifeEstimator.Estimate(never, new LifePrior(new Wear(2, 250))));
    }

    /// <summary>
    /// Watched from an age on: one that fails while it alone is watched must not carry all that follow to “all failed”. The Weibull law
    /// they are drawn from goes through the points.
    /// </summary>
    [Fact]
    public void A_record_that_began_late_is_plotted_whole()
    {
        WatchedLife[] lives =
        [
            new(120, true, 100), .. Enumerable.Range(1, 40).Select(i => new WatchedLife(
                1000 * Math.Sqrt(-Math.Log(1 - ((i - 0.5) / 40))), true, i < 12 ? 0 : 150)),
        ];
        var points = PlottingPositions.Of(lives.Where(l => l.From < l.Hours).ToArray());
        points.Count(p => p.Failed > 0.99).ShouldBeLessThan(3);
        foreach (var point in points.Where(p => p.Hours > 500))
            point.Failed.ShouldBe(1 - Math.Exp(-Math.Pow(point.Hours / 1000, 2)), 0.12);
    }

    private static void Sound(LifeEstimate life)
    {
        foreach (var band in (Banded[])[life.Shape, life.Scale, life.B10, life.Mean, .. life.Chances.Select(c => c.Chance)])
        {
            double.IsFinite(band.Value).ShouldBeTrue($"{band}");
            band.Value.ShouldBeGreaterThanOrEqualTo(0);
            band.Low.ShouldBeLessThanOrEqualTo(band.Value * (1 + 1e-6));
            if (band.High is not { } high)
                continue;
            double.IsFinite(high).ShouldBeTrue($"{band}");
            high.ShouldBeGreaterThanOrEqualTo(band.Value * (1 - 1e-6));
        }

        life.Scale.Value.ShouldBeGreaterThan(0);
        life.ChanceWithin(22_000, 100).ShouldBeInRange(0, 1);
    }
}
