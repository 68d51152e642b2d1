using MildHunch.Core.Records.Lives;

namespace MildHunch.Core.Tests.Records.Lives;

/// <summary>Published samples and what others found in them.</summary>
public class PublishedLivesTests
{
    [Fact]
    public void A_complete_textbook_sample()
    {
        // Six hours to failure of a standard textbook sample; shape and scale recomputed by the profile equation of maximum likelihood.
        var life = LifeEstimator.Estimate([.. new[] { 16.0, 34, 53, 75, 93, 120 }.Select(t => new WatchedLife(t, true))]);
        life.Shape.Value.ShouldBe(1.933, 0.001);
        life.Scale.Value.ShouldBe(73.53, 0.01);
    }

    [Fact]
    public void Ten_of_twenty_still_running()
    {
        // NIST/SEMATECH e-Handbook of Statistical Methods, 8.2.1 (values from memory, recomputed).
        double[] failed = [54, 187, 216, 240, 244, 335, 361, 373, 375, 386];
        var life = LifeEstimator.Estimate(
            [.. failed.Select(t => new WatchedLife(t, true)), .. Enumerable.Repeat(new WatchedLife(500, false), 10)]);
        life.Shape.Value.ShouldBe(1.7208, 0.0005);
        life.Scale.Value.ShouldBe(606.53, 0.05);
        (life.Failures, life.Censored).ShouldBe((10, 10));
    }

    [Fact]
    public void Ball_bearings()
    {
        // Lieblein and Zelen 1956: 23 deep-groove ball bearings, million turns (values from memory).
        double[] turns =
        [
            17.88, 28.92, 33.00, 41.52, 42.12, 45.60, 48.40, 51.84, 51.96, 54.12, 55.56, 67.80, 68.64, 68.64, 68.88, 84.12, 93.12, 98.64,
            105.12, 105.84, 127.92, 128.04, 173.40,
        ];
        var life = LifeEstimator.Estimate([.. turns.Select(t => new WatchedLife(t, true))]);
        life.Shape.Value.ShouldBe(2.102, 0.002);
        life.Scale.Value.ShouldBe(81.88, 0.02);
    }

    [Fact]
    public void Remission_times_with_many_censored()
    {
        // Gehan 1965: 21 patients on 6-MP, weeks (values from memory).
        double[] ended = [6, 6, 6, 7, 10, 13, 16, 22, 23], going = [6, 9, 10, 11, 17, 19, 20, 25, 32, 32, 34, 35];
        var life = LifeEstimator.Estimate(
            [.. ended.Select(t => new WatchedLife(t, true)), .. going.Select(t => new WatchedLife(t, false))]);
        life.Shape.Value.ShouldBe(1.354, 0.001);
        life.Scale.Value.ShouldBe(33.77, 0.01);
    }

    [Fact]
    public void Under_three_failures_the_shape_is_held_at_two()
    {
        // Scale by √(Σt²/failures), bands by χ² of the sum: the exponential law in t² (common textbooks of reliability).
        var life = LifeEstimator.Estimate([new WatchedLife(300, true), new WatchedLife(400, true), new WatchedLife(500, false)]);
        life.Method.ShouldBe(LifeMethod.ShapeHeld);
        life.Shape.ShouldBe(new Banded(2, 2, 2));
        life.Scale.Value.ShouldBe(Math.Sqrt(((300 * 300) + (400 * 400) + (500 * 500)) / 2.0), 1e-6);

        // χ²(0.05, 4) = 0.7107 and χ²(0.95, 6) = 12.592: printed tables.
        life.Scale.High!.Value.ShouldBe(Math.Sqrt(2 * 500_000 / 0.7107), 0.3);
        life.Scale.Low.ShouldBe(Math.Sqrt(2 * 500_000 / 12.592), 0.1);
    }

    [Fact]
    public void Without_a_failure_nothing_bounds_the_life_from_above()
    {
        var life = LifeEstimator.Estimate([new WatchedLife(600, false), new WatchedLife(800, false)], before: [400]);
        life.Scale.Value.ShouldBe(1000, 1e-6);
        life.Scale.High.ShouldBeNull();
        life.Mean.High.ShouldBeNull();
        life.Chances.Single().Chance.Low.ShouldBe(0);
    }
}
