using MildHunch.Core.Pumps;
using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Service;

/// <summary>What a scope adds to what is wanted.</summary>
internal static class PlanScope
{
    public static IReadOnlyList<ServiceTarget> Of(
        ServiceSheet sheet, ReciprocatingPump pump, IReadOnlyList<ServiceTarget> targets, ServiceScope scope)
    {
        IEnumerable<ServiceTarget> all = scope switch
        {
            ServiceScope.WholeSet => targets.SelectMany(
                t => t.At.Part.Per.On(pump).Select(at => t with { At = new PartAt(t.At.Part, at) })),
            ServiceScope.OneBore => targets.Concat(targets.SelectMany(t => Bore(sheet, pump, t.At)).Select(ServiceTarget.Of)),
            _ => targets,
        };
        return [.. all.DistinctBy(t => t.At)];
    }

    // What is renewed among that which lies in one cavity with it: both seals and all rings.
    private static IEnumerable<PartAt> Bore(ServiceSheet sheet, ReciprocatingPump pump, PartAt at) =>
        sheet.Stacks.Where(s => s.Per != Per.Pump && s.Items.Any(i => i.Part == at.Part.Id)).SelectMany(s => s.Items)
            .Select(i => sheet.Part(i.Part)!).Distinct().Where(p => p.Fit == Fit.New && p.Per != Per.Pump)
            .SelectMany(p => p.Per.Meeting(at.Place, pump).Select(place => new PartAt(p, place)));
}
