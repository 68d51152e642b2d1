using Microsoft.EntityFrameworkCore;
using MildHunch.Core;
using MildHunch.Store;
using MildHunch.Web.Shared.Door;

namespace MildHunch.Web.Records.Due;

/// <summary>What is due in the whole shop, and what must be in stock for it.</summary>
public sealed class DueList(MildHunchDb db, ShopMemory memory, DueView view)
{
    private const int UsualDays = 92;
    private const int MostDays = 731;

    /// <summary>From a day to another; today and three months on where nobody says. What is overdue is due today.</summary>
    public async Task<DueResponse> Of(DateOnly? from, DateOnly? to, CancellationToken stop)
    {
        var known = await memory.All(stop);
        var first = RecordYears.Need(from ?? known.Day, "from");
        var last = RecordYears.Need(to ?? first.AddDays(UsualDays), "to");
        if (last < first || last.DayNumber - known.Day.DayNumber > MostDays)
            throw new ImpossibleInputException(
                "to", $"{last:yyyy-MM-dd}",
                $"a day from {first:yyyy-MM-dd} to two years from today, {known.Day.AddDays(MostDays):yyyy-MM-dd}");
        DueVisitDto[] visits =
        [
            .. known.Pumps.Values.Where(p => !p.Archived).SelectMany(p => view.Of(p, known, last)).Where(v => v.On >= first)
                .OrderBy(v => v.On).ThenBy(v => v.Tag, StringComparer.Ordinal),
        ];
        var stock = await db.Stock.AsNoTracking().OrderBy(s => s.Name).ToListAsync(stop);
        return new DueResponse(
            first, last, known.Day, visits, [.. Needed(visits, stock)],
            [.. stock.Where(s => s.ReorderAt > 0 && s.InStock <= s.ReorderAt).Select(s => s.ToDto())],
            [.. known.Unread, .. view.Unreckoned(known)]);
    }

    private static IEnumerable<NeededDto> Needed(DueVisitDto[] visits, List<StockEntity> stock) => visits
        .SelectMany(v => v.Parts.Select(p => (Visit: v, Part: p))).GroupBy(x => (x.Part.Name, x.Part.Kit)).Select(g =>
        {
            var kept = stock.FirstOrDefault(s => string.Equals(s.Name, g.Key.Name, StringComparison.OrdinalIgnoreCase));
            var count = g.Sum(x => x.Part.Count);
            return new NeededDto(
                g.Key.Name, g.Key.Kit, count, g.Min(x => x.Visit.On), kept?.InStock, kept?.ReorderAt,
                kept is null ? 0 : Math.Max(0, count - kept.InStock), [.. g.Select(x => x.Visit.Tag).Distinct()]);
        }).OrderBy(n => n.By).ThenBy(n => n.Name, StringComparer.Ordinal);
}
