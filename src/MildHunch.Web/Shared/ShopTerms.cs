namespace MildHunch.Web.Shared;

/// <summary>What a shop says of itself and what it reckons with; one of them is never changed, another takes its place.</summary>
public sealed record ShopTerms
{
    public double EnergyPerKwh { get; init; } = 0.30;

    public double WaterPerM3 { get; init; } = 2.50;

    public string Currency { get; init; } = "crowns";

    /// <summary>What the shop is called, on paper.</summary>
    public string Name { get; init; } = "";

    /// <summary>Where it is reached in the shop’s network; empty where nobody said.</summary>
    public string Address { get; init; } = "";

    /// <summary>Its address as it stands on paper, line by line.</summary>
    public string Letterhead { get; init; } = "";

    /// <summary>Zone in which its days are counted; empty for the machine’s.</summary>
    public string Zone { get; init; } = "";

    /// <summary>What an hour of a technician costs.</summary>
    public double WorkPerHour { get; init; } = 45;

    /// <summary>From which share of a new pump on a repair is weighed against replacing it.</summary>
    public double ReplaceAbove { get; init; } = 0.6;
}

/// <summary>The shop’s terms as they stand now: section Shop of the configuration at first, then what its page says.</summary>
public sealed class ShopNow(ShopTerms first)
{
    private volatile ShopTerms terms = first;

    public ShopTerms Terms => terms;

    /// <summary>These count from now on.</summary>
    public void Become(ShopTerms next) => terms = next;
}
