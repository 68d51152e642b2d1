using Microsoft.EntityFrameworkCore;
using MildHunch.Store;

namespace MildHunch.Web.Tests;

/// <summary>Writes into the database what an older product may have left there, past every check of today's.</summary>
internal static class OlderProduct
{
    public static MildHunchDb Open(string folder) =>
        new(new DbContextOptionsBuilder<MildHunchDb>().UseSqlite(MildHunchDb.ConnectionTo(folder)).Options);

    /// <summary>Older products noted the stage of a case among its changes.</summary>
    public static async Task KeepStagesAmongChanges(string folder)
    {
        await using var db = Open(folder);
        foreach (var noted in await db.Cases.ToListAsync())
            db.Add(new FactEntity { Id = Ids.New(), CaseId = noted.Id, AddedBy = 1, Name = "stage", Value = noted.Headline.Stage });
        await db.SaveChangesAsync();
    }

    public static async Task Read(string folder, string caseId, string quantity, double value, string unit)
    {
        await using var db = Open(folder);
        var noted = await db.Cases.Include(c => c.Changes).Include(c => c.Readings).SingleAsync(c => c.Id == caseId);
        noted.Readings.Add(new ReadingEntity
        {
            Id = Ids.New(),
            CaseId = caseId,
            AddedBy = noted.Changes.Max(c => c.Number),
            Quantity = quantity,
            Value = value,
            Unit = unit,
        });
        db.Entry(noted.Readings[^1]).State = EntityState.Added;
        await db.SaveChangesAsync();
    }
}
