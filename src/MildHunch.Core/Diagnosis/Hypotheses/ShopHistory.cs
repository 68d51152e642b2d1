using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Diagnosis.Hypotheses;

/// <summary>
/// Prior weights with the shop's own closed cases of this type of pump as Dirichlet counts: the catalogue speaks as if it
/// had seen so many cases itself, so a shop's history speaks louder as it grows (docs/trade.md, Verdict).
/// </summary>
public sealed class ShopHistory
{
    /// <summary>Cases that the catalogue's own opinion is worth (common practice, no source).</summary>
    public const double CatalogueCases = 40;

    // What comes about at assembly only, on a pump of which no opening is known (common practice, no source).
    private const double NotOpened = 1 / 20.0;

    private readonly IReadOnlyDictionary<string, int> found;
    private readonly bool opened;
    private readonly Dictionary<string, int> places = [];
    private readonly double total;

    /// <summary>What closed cases of this pump type found: times by fault.</summary>
    /// <param name="opened">An opening of this pump is on record or told.</param>
    public ShopHistory(Catalogue catalogue, ReciprocatingPump pump, Setup setup, IReadOnlyDictionary<string, int> found, bool opened)
    {
        (this.found, this.opened) = (found, opened);
        foreach (var fault in catalogue.Faults.Where(f => Catalogue.Fits(f, pump, setup)))
        {
            places[fault.Id] = fault.Location switch
            {
                FaultLocation.None => 1,
                FaultLocation.Cavity => 2 * pump.Cylinders,
                FaultLocation.Cap => pump.CapSides().Count * pump.Cylinders,
                _ => pump.Cylinders,
            };
            total += fault.Weight * Likely(fault) * places[fault.Id];
        }
    }

    /// <summary>Weight of a fault at one of its places.</summary>
    public double WeightOf(Fault fault) =>
        Likely(fault) * (fault.Weight + (found.GetValueOrDefault(fault.Id) * total / CatalogueCases / places[fault.Id]));

    private double Likely(Fault fault) => fault.Assembly && !opened ? NotOpened : 1;
}
