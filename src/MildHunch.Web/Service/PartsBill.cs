using MildHunch.Core.Service;
using MildHunch.Core.Service.Counts;

namespace MildHunch.Web.Service;

/// <summary>Parts and kits of a plan with what they cost at the shop's prices.</summary>
internal sealed record PartsBill(KitBill Bill, PumpSheetDto Own, ServicePlan Plan)
{
    public static PartsBill Of(ServicePlan plan, PumpSheetDto own) => new(
        KitCounting.Count(
            plan.Parts.ToDictionary(p => p.Id, p => p.Count),
            [.. (own.Kits ?? []).Select(kit => new Kit(kit.Name!, kit.Name!, kit.Holds!))]),
        own, plan);

    /// <summary>Null where nothing of it has a price.</summary>
    public PartsCostDto? Cost(string currency)
    {
        var priced = new List<double>();
        var without = new List<string>();
        void Add(string name, double? price, int count)
        {
            if (price is { } each)
                priced.Add(each * count);
            else
                without.Add(name);
        }

        foreach (var kit in Bill.Kits)
            Add(kit.Kit.Name, Own.Kits!.First(k => k.Name == kit.Kit.Name).Price, kit.Count);
        foreach (var (part, count) in Bill.Beside)
            Add(
                Plan.Sheet.NameOf(part)!, Own.Prices is { } prices && prices.TryGetValue(part, out var price) ? price : null, count);
        return priced.Count > 0 ? new PartsCostDto(priced.Sum(), currency, without) : null;
    }
}
