using System.Globalization;
using Microsoft.AspNetCore.Http.HttpResults;
using MildHunch.Core;
using MildHunch.Store;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases;

/// <summary>Cases: everything typed is a change, saved as it is told.</summary>
public static class CaseEndpoints
{
    private const int UsuallyListed = 100;
    private const int MostListed = 500;

    public static void Map(IEndpointRouteBuilder routes)
    {
        var group = routes.MapGroup("/api/cases").WithTags("Cases");
        group.MapGet("/", List)
            .WithSummary("Cases, open ones first, with the leading hunch: so many from a place on. The header X-Total-Count says how "
                + "many there are.");
        group.MapGet(
            "/{id}",
            async (string id, CaseBook book, HttpResponse response, CancellationToken stop) =>
                Show(await book.Show(await book.Load(id, stop), stop), response)).WithSummary("One case with its verdict.");
        group.MapPost("/", async (NewCaseRequest request, CaseBook book, HttpResponse response, CancellationToken stop) =>
        {
            var made = await book.Open(request, stop);
            ETags.Show(response, made.Version);
            return TypedResults.Created($"/api/cases/{made.Id}", made);
        }).WithSummary("Opens a case.");
        group.MapPost("/{id}/changes", (string id, ChangeRequest request, CaseBook book, HttpContext http, CancellationToken stop) =>
            Change(id, book, http, entity => book.Apply(entity, request, stop), stop)).WithSummary("Tells something; needs If-Match.");
        group.MapPost("/{id}/undo", (string id, CaseBook book, HttpContext http, CancellationToken stop) =>
            Change(id, book, http, entity => book.Undo(entity, stop), stop)).WithSummary("Takes the last change back; needs If-Match.");
        group.MapPost("/{id}/redo", (string id, CaseBook book, HttpContext http, CancellationToken stop) =>
            Change(
                id, book, http, entity => book.Redo(entity, stop),
                stop)).WithSummary("Brings the change last taken back in again; needs If-Match.");
    }

    private static async Task<Ok<IReadOnlyList<CaseSummary>>> List(
        int? skip, int? take, CaseBook book, HttpResponse response, CancellationToken stop)
    {
        if (skip is < 0)
            throw new ImpossibleInputException("skip", skip.Value.ToString(CultureInfo.InvariantCulture), "0 or more");
        if (take is < 1 or > MostListed)
            throw new ImpossibleInputException("take", take.Value.ToString(CultureInfo.InvariantCulture), $"1 to {MostListed}");
        var page = await book.List(skip ?? 0, take ?? UsuallyListed, stop);
        response.Headers["X-Total-Count"] = page.All.ToString(CultureInfo.InvariantCulture);
        return TypedResults.Ok(page.Cases);
    }

    private static async Task<Ok<CaseResource>> Change(
        string id, CaseBook book, HttpContext http, Func<CaseEntity, Task<CaseResource>> how, CancellationToken stop)
    {
        var entity = await book.Load(id, stop);
        ETags.Require(http.Request, entity.Version);
        return Show(await how(entity), http.Response);
    }

    private static Ok<CaseResource> Show(CaseResource resource, HttpResponse response)
    {
        ETags.Show(response, resource.Version);
        return TypedResults.Ok(resource);
    }
}
