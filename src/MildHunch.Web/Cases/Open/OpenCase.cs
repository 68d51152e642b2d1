using Microsoft.EntityFrameworkCore;
using MildHunch.Core;
using MildHunch.Store;
using MildHunch.Web.Cases.Note;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases.Open;

/// <summary>Opens a case; the first change is the complaint itself and is not undone.</summary>
public sealed class OpenCase(MildHunchDb db, CaseStore store)
{
    public static void Map(IEndpointRouteBuilder cases) =>
        cases.MapPost("/", async (NewCaseRequest request, OpenCase open, HttpResponse response, CancellationToken stop) =>
        {
            var made = await open.Open(request, stop);
            ETags.Show(response, made.Version);
            return TypedResults.Created($"/api/cases/{made.Id}", made);
        }).WithSummary("Opens a case.");

    public async Task<CaseResource> Open(NewCaseRequest request, CancellationToken stop)
    {
        var pump = await db.Pumps.FirstOrDefaultAsync(p => p.Id == request.PumpId, stop)
            ?? throw new ImpossibleInputException(
                "pumpId", request.PumpId is null ? "nothing" : $"“{request.PumpId}”", "the id of a pump of this shop");
        var complaint = request.Complaint?.Trim() ?? "";
        if (complaint.Length is 0 or > FactRules.Longest)
            throw new ImpossibleInputException(
                "complaint", complaint.Length == 0 ? "nothing" : $"{complaint.Length} characters", "what is wrong, in a sentence");
        var now = store.Now();
        var entity = new CaseEntity { Id = Ids.New(), PumpId = pump.Id, Pump = pump, OpenedAt = now };
        entity.Headline.Stage = Stages.First;
        var change = entity.Begin("Case opened", now);
        entity.Tell(change, CaseFacts.Complaint, complaint);
        if (request.Context is { Count: > 0 })
            entity.Tell(change, CaseFacts.Context, string.Join(',', request.Context));
        db.Cases.Add(entity);
        return await store.Save(entity, stop);
    }
}
