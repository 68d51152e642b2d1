using System.Globalization;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using MildHunch.Core;
using MildHunch.Store;

namespace MildHunch.Web.Cases.List;

/// <summary>Cases, the open ones first, those changed last before others. Read from their headlines alone.</summary>
public static class ListCases
{
    private const int UsuallyListed = 100;
    private const int MostListed = 500;

    public static void Map(IEndpointRouteBuilder cases) =>
        cases.MapGet("/", List)
            .WithSummary("Cases, open ones first, with the leading hunch: so many from a place on; archived asks for those put away. "
                + "The header X-Total-Count says how "
                + "many there are.");

    private static async Task<Ok<IReadOnlyList<CaseSummary>>> List(
        int? skip, int? take, bool? archived, MildHunchDb db, HttpResponse response, CancellationToken stop)
    {
        if (skip is < 0)
            throw new ImpossibleInputException("skip", skip.Value.ToString(CultureInfo.InvariantCulture), "0 or more");
        if (take is < 1 or > MostListed)
            throw new ImpossibleInputException("take", take.Value.ToString(CultureInfo.InvariantCulture), $"1 to {MostListed}");
        // Few are put away: those in use are counted as all but these, by two indexes instead of through every row.
        var putAway = await db.Cases.CountAsync(c => c.ArchivedAt != null, stop);
        var all = archived == true ? putAway : await db.Cases.CountAsync(stop) - putAway;
        response.Headers["X-Total-Count"] = all.ToString(CultureInfo.InvariantCulture);
        return TypedResults.Ok(await Page(
            db.Cases.Where(c => c.ArchivedAt != null == (archived ?? false)), skip ?? 0, take ?? UsuallyListed, stop));
    }

    private static async Task<IReadOnlyList<CaseSummary>> Page(IQueryable<CaseEntity> cases, int skip, int take, CancellationToken stop)
    {
        var open = cases.AsNoTracking().Where(c => c.Headline.Closed == null);
        var closed = cases.AsNoTracking().Where(c => c.Headline.Closed != null);
        var opened = await open.CountAsync(stop);
        IReadOnlyList<CaseSummary> rows = skip < opened ? await Lines(open, skip, take, stop) : [];
        if (rows.Count < take)
            rows = [.. rows, .. await Lines(closed, Math.Max(0, skip - opened), take - rows.Count, stop)];
        return rows;
    }

    private static Task<List<CaseSummary>> Lines(IQueryable<CaseEntity> cases, int skip, int take, CancellationToken stop) => cases
        .OrderByDescending(c => c.Headline.ChangedAt).ThenByDescending(c => c.Id).Skip(skip).Take(take)
        .Select(c => new { Case = c, Stood = c.Pump!.Stood.Where(s => s.Until > c.OpenedAt).OrderBy(s => s.Until).FirstOrDefault() })
        .Select(x => new CaseSummary(
            x.Case.Id, x.Case.PumpId, x.Stood == null ? x.Case.Pump!.Tag : x.Stood.Tag,
            x.Case.Pump!.Name, x.Stood == null ? x.Case.Pump!.Duty : x.Stood.Duty, x.Case.Headline.Complaint, x.Case.Headline.Stage,
            x.Case.OpenedAt, x.Case.Headline.ChangedAt, x.Case.Headline.Closed,
            x.Case.Headline.Leader == null ? null : new LeaderDto(
                x.Case.Headline.Leader, x.Case.Headline.LeaderName!, x.Case.Headline.Probability!.Value, x.Case.Headline.Hunch!),
            x.Case.Headline.Entries))
        .ToListAsync(stop);
}
