using Microsoft.EntityFrameworkCore.Diagnostics;
using MildHunch.Store;

namespace MildHunch.Web.Shared.Sending;

/// <summary>A key that came with a request, and whether it was laid down with what the request did.</summary>
internal sealed class SentKey(string key)
{
    public string Key { get; } = key;

    public bool LaidDown { get; set; }

    /// <summary>Where what comes of it is read, where somebody said so.</summary>
    public string? Location { get; set; }
}

/// <summary>
/// Lays the key of a request down in the same breath as what the request does: done and known, or neither, wherever the power goes.
/// </summary>
public sealed class SentOnce(IHttpContextAccessor http, TimeProvider clock) : SaveChangesInterceptor
{
    public override ValueTask<InterceptionResult<int>> SavingChangesAsync(
        DbContextEventData eventData, InterceptionResult<int> result, CancellationToken cancellationToken = default)
    {
        if (eventData.Context is MildHunchDb db && SenderKeys.Of(http.HttpContext) is { LaidDown: false } sent)
        {
            // What is new is read at its own address.
            var made = sent.Location ?? db.ChangeTracker.Entries().Where(e => e.State == Microsoft.EntityFrameworkCore.EntityState.Added)
                .Select(e => e.Entity switch
                {
                    CaseEntity c => $"/api/cases/{c.Id}",
                    PumpEntity p => $"/api/pumps/{p.Id}",
                    _ => null,
                }).OfType<string>().FirstOrDefault();
            db.Sent.Add(new SentEntity { Key = sent.Key, At = clock.GetUtcNow().UtcDateTime, Location = made });
            sent.LaidDown = true;
        }

        return new(result);
    }
}
