using System.Globalization;
using MathNet.Numerics.Distributions;

namespace MildHunch.Core.Records.Patterns;

/// <summary>How often a family of parts failed before a cause was mended, and since.</summary>
/// <param name="Before">Openings with a failure up to the mend.</param>
/// <param name="HoursBefore">Hours run until then.</param>
/// <param name="Chance">Chance of so few since, or fewer, were nothing mended: 0 to 1.</param>
public sealed record SinceMended(
    PartFamily Family, DateOnly Mended, int Before, double HoursBefore, int Since, double HoursSince, double Chance)
{
    /// <summary>Compares; null where there are too few failures to say anything, or no hours on one side.</summary>
    public static SinceMended? Of(PumpOnRecord pump, PartFamily family, DateOnly mended, DateOnly today)
    {
        var keys = pump.Parts.Where(p => p.Family.Id == family.Id).Select(p => p.At.Key).ToHashSet();
        DateOnly[] failures =
        [
            .. Openings.Once(pump.Lives.Where(l => keys.Contains(l.At.Key))).Select(l => l.Out!.On).Where(pump.Time.Holds),
        ];
        int before = failures.Count(d => d <= mended), since = failures.Length - before;
        double ranBefore = pump.HoursAt(mended) - pump.HoursAt(pump.From), ranSince = pump.HoursAt(today) - pump.HoursAt(mended);
        if (failures.Length < Pattern.FewestEvents || ranBefore <= 0 || ranSince <= 0)
            return null;

        // Given how many there were in all, each fell before or since as the hours are long: the binomial law.
        var chance = new Binomial(ranSince / (ranBefore + ranSince), failures.Length).CumulativeDistribution(since);
        return new SinceMended(family, mended, before, ranBefore, since, ranSince, chance);
    }

    /// <summary>In words, with its counts.</summary>
    public string Sentence => string.Create(
        CultureInfo.InvariantCulture,
        $"Before the mend of {Mended:yyyy-MM-dd}: {Before} openings for {Family.Name} in {HoursBefore:0} h. Since: {Since} in "
            + $"{HoursSince:0} h (p {Chance:0.000}).");
}
