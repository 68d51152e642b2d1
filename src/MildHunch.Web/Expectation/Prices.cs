using MildHunch.Core;
using MildHunch.Core.Expectation;
using MildHunch.Core.Quantities;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Expectation;

/// <summary>Prices in the shop's currency.</summary>
public sealed record PricesDto(double EnergyPerKwh, double WaterPerM3, string? Currency = null)
{
    private const double JoulesPerKwh = 3.6e6;

    /// <summary>Refuses prices that cannot be.</summary>
    public PricesDto Checked()
    {
        if (!(EnergyPerKwh is >= 0 and <= 1e6))
            throw new ImpossibleInputException("prices.energyPerKwh", Quantity.Digits(EnergyPerKwh), "0 to 1 000 000 a kilowatt-hour");
        if (!(WaterPerM3 is >= 0 and <= 1e6))
            throw new ImpossibleInputException("prices.waterPerM3", Quantity.Digits(WaterPerM3), "0 to 1 000 000 a cubic metre");
        return this;
    }

    /// <summary>What this shop pays.</summary>
    public static PricesDto Of(ShopTerms shop) => new(shop.EnergyPerKwh, shop.WaterPerM3, shop.Currency);

    public Prices ToCore() => new(EnergyPerKwh / JoulesPerKwh, WaterPerM3);
}
