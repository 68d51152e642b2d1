using System.Globalization;
using MildHunch.Core.Expectation.Everyday;
using MildHunch.Core.Quantities;
using MildHunch.Core.Service.Sheets;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Service;

/// <summary>Torques that are hard to believe: a figure that another unit would make likely was probably read off in that unit.</summary>
internal static class TorqueDoubts
{
    // Common practice, no source: makers stay below the ceiling, and above a tenth of it.
    private const double MostOfCeiling = 1.2;
    private const double LeastOfCeiling = 0.1;

    private static readonly string[] TorqueUnits = ["N·m", "ft·lbf", "in·lbf"];

    /// <summary>What is odd about it, with the readings that would be likely; null where it is believable.</summary>
    public static DoubtDto? About(BoltGroup group, Torque torque, QuantityDto told, BoltMake? make, string field)
    {
        var (least, most) = Believable(group, make);
        if (torque.Si >= least && torque.Si <= most)
            return null;
        QuantityDto[] instead =
        [
            .. TorqueUnits.Select(u => new QuantityDto(told.Value, u))
                .Where(q => q.Need<Torque>(field).Si is var si && si >= least && si <= most),
        ];
        var usual = string.Create(CultureInfo.InvariantCulture, $"{least:0} to {most:0} N·m is usual");
        var likely = instead.Length > 0 ? $" {Quantity.Digits(instead[0].Value)} {instead[0].Unit} would be." : "";
        var given = Amount.Of(torque).Text(Units.Find(QuantityKind.Torque, "N·m")!);
        return new DoubtDto(
            field, $"{given} on {group.Name.ToLowerInvariant()}? {usual}.{likely} Look at the unit of the sheet.", told, instead);
    }

    private static (double Least, double Most) Believable(BoltGroup group, BoltMake? make)
    {
        var (least, most) = group.Plausible is [var low, var high] ? (low, high) : (0.0, double.PositiveInfinity);
        if (make is null || BoltCeiling.Of(make) is not { } ceiling)
            return (least, most);

        // What the bolt itself can take is the nearer bound; a bolt beyond what is usual for the group has its own.
        var (lowest, highest) = (LeastOfCeiling * ceiling.Si, MostOfCeiling * ceiling.Si);
        return highest < least || lowest > most ? (lowest, highest) : (Math.Max(least, lowest), Math.Min(most, highest));
    }
}
