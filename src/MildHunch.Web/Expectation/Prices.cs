using MildHunch.Core;
using MildHunch.Core.Expectation;
using MildHunch.Core.Quantities;

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

    public Prices ToCore() => new(EnergyPerKwh / JoulesPerKwh, WaterPerM3);
}

/// <summary>What this shop pays unless a request says otherwise: section Shop of the configuration.</summary>
public sealed class ShopPrices
{
    public double EnergyPerKwh { get; set; } = 0.30;

    public double WaterPerM3 { get; set; } = 2.50;

    public string Currency { get; set; } = "crowns";

    /// <summary>What the shop is called, on paper.</summary>
    public string Name { get; set; } = "";

    /// <summary>Where it is reached in the shop’s network; empty where nobody said.</summary>
    public string Address { get; set; } = "";

    /// <summary>Its address as it stands on paper, line by line.</summary>
    public string Letterhead { get; set; } = "";

    /// <summary>Zone in which its days are counted; empty for the machine’s.</summary>
    public string Zone { get; set; } = "";

    /// <summary>What an hour of a technician costs.</summary>
    public double WorkPerHour { get; set; } = 45;

    /// <summary>From which share of a new pump on a repair is weighed against replacing it.</summary>
    public double ReplaceAbove { get; set; } = 0.6;

    public PricesDto ToDto() => new(EnergyPerKwh, WaterPerM3, Currency);
}
