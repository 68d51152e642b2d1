using Microsoft.AspNetCore.Http.HttpResults;
using MildHunch.Store;
using MildHunch.Web.Cases.Close;
using MildHunch.Web.Cases.List;
using MildHunch.Web.Cases.Open;
using MildHunch.Web.Cases.Prove;
using MildHunch.Web.Cases.Rounds;
using MildHunch.Web.Cases.Stage;
using MildHunch.Web.Cases.Tell;
using MildHunch.Web.Cases.Undo;
using MildHunch.Web.Cases.Work;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases;

/// <summary>Cases: everything typed is a change, saved as it is entered. One folder a use.</summary>
public static class CaseEndpoints
{
    public static void MapCases(this IEndpointRouteBuilder routes)
    {
        var cases = routes.MapGroup("/api/cases").WithTags("Cases");
        ListCases.Map(cases);
        cases.MapGet(
            "/{id}",
            async (string id, CaseStore store, CaseView view, HttpResponse response, CancellationToken stop) =>
                Shown(await view.Show(await store.Load(id, stop), stop), response)).WithSummary("One case with its verdict.");
        OpenCase.Map(cases);
        TellCase.Map(cases);
        UndoChange.Map(cases);
        GoToStage.Map(cases);
        PlanOptions.Map(cases);
        ProofView.Map(cases);
        RoundsView.Map(cases);
        cases.MapArchived<CaseEntity>("case");
    }

    /// <param name="services">Where it is registered.</param>
    /// <param name="ahead">True where the list is kept up to date before anybody asks.</param>
    public static void AddCases(this IServiceCollection services, bool ahead)
    {
        services.AddScoped<CaseVerdict>().AddScoped<CaseView>().AddScoped<CaseStore>().AddScoped<CaseRecorder>().AddScoped<OpenCase>()
            .AddScoped<TellCase>().AddSingleton<CaseTurns>().AddSingleton<RoundsView>().AddScoped<OlderRounds>()
            .AddSingleton<CaseWork>().AddSingleton<WorkEvidence>().AddSingleton<PlanOptions>()
            .AddSingleton<ProofTelling>().AddSingleton<CaseProof>().AddSingleton<ProofView>();
        if (ahead)
            services.AddHostedService<FreshHeadlines>();
    }

    /// <summary>Loads a case, requires that the caller saw it as it is, changes it and shows it.</summary>
    /// <param name="store">Where it is kept.</param>
    /// <param name="id">Which case.</param>
    /// <param name="http">The request.</param>
    /// <param name="how">The change.</param>
    /// <param name="stop">Ends it.</param>
    /// <param name="contradicts">Whether it contradicts what was touched since; any change does where null.</param>
    public static async Task<Ok<CaseResource>> Change(
        this CaseStore store, string id, HttpContext http, Func<CaseEntity, Task<CaseResource>> how, CancellationToken stop,
        Func<IReadOnlySet<string>, bool>? contradicts = null)
    {
        using var turn = await http.RequestServices.GetRequiredService<CaseTurns>().Of(id, stop);
        var entity = await store.Load(id, stop);
        if (contradicts is null || ETags.Given(http.Request) is not { } seen || seen >= entity.Version)
            ETags.Require(http.Request, entity.Version);
        else if (await store.TouchedSince(entity, seen, stop) is not { } touched || contradicts(touched))
            throw ETags.Stale();
        return Shown(await how(entity), http.Response);
    }

    private static Ok<CaseResource> Shown(CaseResource resource, HttpResponse response)
    {
        ETags.Show(response, resource.Version);
        return TypedResults.Ok(resource);
    }
}
