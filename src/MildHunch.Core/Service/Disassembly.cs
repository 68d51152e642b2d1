using MildHunch.Core.Pumps;
using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Service;

/// <summary>A part at one place of the pump.</summary>
public sealed record PartAt(SheetPart Part, ServicePlace Place);

/// <summary>The least that must come off to reach what is wanted.</summary>
public static class Disassembly
{
    /// <summary>
    /// What comes off, in the order of the sheet, with what is wanted among it. Where a part can be reached in several ways, that
    /// way is taken which is shortest for all that is wanted together.
    /// </summary>
    /// <param name="sheet">The sheet as it is on this pump.</param>
    /// <param name="pump">The pump.</param>
    /// <param name="wanted">Parts of the sheet, at places of the pump.</param>
    public static IReadOnlyList<PartAt> Least(ServiceSheet sheet, ReciprocatingPump pump, IReadOnlyCollection<PartAt> wanted)
    {
        var ambiguous = sheet.Parts.Where(p => p.Or.Count > 0).ToArray();
        return Choices(ambiguous)
            .Select(way => Closed(sheet, pump, wanted, way))
            .MinBy(Minutes)!;
    }

    /// <summary>Minutes to take all of it off and put it back.</summary>
    public static double Minutes(IEnumerable<PartAt> off) => off.Sum(p => p.Part.Minutes.Off + p.Part.Minutes.On);

    // Every choice of one way for each part that has several; sheets have few of them.
    private static IEnumerable<Dictionary<string, int>> Choices(IReadOnlyList<SheetPart> parts) => parts.Aggregate(
        (IEnumerable<Dictionary<string, int>>)[[]],
        (all, part) => all.SelectMany(one => Enumerable.Range(0, part.Ways.Count).Select(way =>
            new Dictionary<string, int>(one) { [part.Id] = way })));

    private static IReadOnlyList<PartAt> Closed(
        ServiceSheet sheet, ReciprocatingPump pump, IReadOnlyCollection<PartAt> wanted, Dictionary<string, int> way)
    {
        var off = new HashSet<PartAt>();
        var open = new Queue<PartAt>(wanted);
        while (open.TryDequeue(out var at))
        {
            if (!off.Add(at))
                continue;
            foreach (var ring in at.Part.Brings.Select(id => sheet.Part(id)!))
                foreach (var place in ring.Per.Meeting(at.Place, pump))
                    open.Enqueue(new PartAt(ring, place));
            foreach (var before in at.Part.Ways[way.GetValueOrDefault(at.Part.Id)].Select(id => sheet.Part(id)).OfType<SheetPart>())
                foreach (var place in before.Per.Above(at.Place, pump))
                    open.Enqueue(new PartAt(before, place));
        }

        return [.. sheet.Parts.SelectMany(part => part.Per.On(pump).Select(place => new PartAt(part, place))).Where(off.Contains)];
    }
}
