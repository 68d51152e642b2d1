using MildHunch.Store;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases.Undo;

/// <summary>Takes the last change of a case back, and brings it in again.</summary>
public static class UndoChange
{
    public static void Map(IEndpointRouteBuilder cases)
    {
        cases.MapPost("/{id}/undo", (string id, CaseStore store, HttpContext http, CancellationToken stop) =>
            store.Change(id, http, entity => Undo(entity, store, stop), stop)).WithSummary("Takes the last change back; needs If-Match.");
        cases.MapPost("/{id}/redo", (string id, CaseStore store, HttpContext http, CancellationToken stop) =>
            store.Change(id, http, entity => Redo(entity, store, stop), stop))
            .WithSummary("Brings the change last taken back in again; needs If-Match.");
    }

    private static Task<CaseResource> Undo(CaseEntity entity, CaseStore store, CancellationToken stop)
    {
        var change = entity.ToUndo() ?? throw Nothing("Nothing to undo", "undo", "There is nothing left to undo in this case.");
        return Mark(entity, change, true, store, stop);
    }

    private static Task<CaseResource> Redo(CaseEntity entity, CaseStore store, CancellationToken stop)
    {
        var change = entity.ToRedo() ?? throw Nothing("Nothing to redo", "redo", "There is nothing to bring back in this case.");
        return Mark(entity, change, false, store, stop);
    }

    private static Task<CaseResource> Mark(CaseEntity entity, ChangeEntity change, bool undone, CaseStore store, CancellationToken stop)
    {
        change.Undone = undone;
        entity.Move(change);
        return store.Save(entity, stop);
    }

    private static RefusalException Nothing(string title, string field, string text) =>
        new(StatusCodes.Status409Conflict, title, field, text);
}
