using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Service;

/// <summary>What goes in new: what is always renewed once it is off, and what is wanted new; each piece counted once.</summary>
internal static class PlanParts
{
    public static IReadOnlyList<PartCount> Of(IReadOnlyList<PartAt> off, IReadOnlyList<ServiceTarget> wanted)
    {
        var spared = wanted.Where(t => t.Mend != Mend.Renew).Select(t => t.At).ToHashSet();
        var renewed = wanted.Where(t => t.Mend == Mend.Renew).Select(t => t.At).ToHashSet();
        return
        [
            .. off.Where(p => renewed.Contains(p) || (p.Part.Fit == Fit.New && !spared.Contains(p))).GroupBy(p => p.Part)
                .SelectMany(g => Counted(g.Key, [.. g.Select(p => p.Place)])),
        ];
    }

    private static IEnumerable<PartCount> Counted(SheetPart part, IReadOnlyList<ServicePlace> places) =>
    [
        new(part.Id, part.Name, part, places.Count * part.Count, places),
        .. part.With.Select(w => new PartCount(w.Id, w.Name, part, places.Count * w.Count, places)),
    ];
}
