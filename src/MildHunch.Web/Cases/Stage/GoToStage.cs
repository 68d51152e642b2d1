using Microsoft.EntityFrameworkCore;
using MildHunch.Core;
using MildHunch.Store;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases.Stage;

public sealed record StageRequest(string? Stage);

/// <summary>How far a case has come. Turning to a stage is no change to the case: nothing to undo, no version, no verdict.</summary>
public static class GoToStage
{
    public static void Map(IEndpointRouteBuilder cases) =>
        cases.MapPut("/{id}/stage", async (string id, StageRequest request, MildHunchDb db, CancellationToken stop) =>
        {
            if (request.Stage is not { } stage || !Stages.All.Contains(stage))
                throw new ImpossibleInputException(
                    "stage", request.Stage is null ? "nothing" : $"“{request.Stage}”", string.Join(", ", Stages.All));
            var found = await db.Cases.Where(c => c.Id == id)
                .ExecuteUpdateAsync(set => set.SetProperty(c => c.Headline.Stage, stage), stop);
            return found == 0 ? throw RefusalException.NotFound("case", id) : TypedResults.NoContent();
        }).WithSummary("Says at which stage a case is being looked at; no change, so nothing to undo.");
}
