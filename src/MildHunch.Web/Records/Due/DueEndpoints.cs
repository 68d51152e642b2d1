using System.Globalization;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Records.Due;

/// <summary>What is due: as a list, as a calendar to subscribe to, as a table.</summary>
public static class DueEndpoints
{
    private const string MediaType = "text/calendar";
    private const int FeedDays = 365;

    public static void Map(IEndpointRouteBuilder routes)
    {
        routes.MapGet("/api/due", (DateOnly? from, DateOnly? to, DueList due, CancellationToken stop) => due.Of(from, to, stop))
            .WithTags("Due").WithSummary("Openings that are due, each serving what lies around its day, and the parts they need.");
        routes.MapGet("/api/due.ics", Feed).WithTags("Due").WithSummary("A year of it as a calendar feed (iCalendar).")
            .Produces(StatusCodes.Status200OK, contentType: MediaType);
        routes.MapGet("/api/due.csv", Table).WithTags("Due").WithSummary("The same as CSV.")
            .Produces(StatusCodes.Status200OK, contentType: Csv.MediaType);
    }

    private static async Task<IResult> Feed(DueList due, ShopMemory memory, TimeProvider clock, CancellationToken stop)
    {
        var list = await due.Of(memory.Today, memory.Today.AddDays(FeedDays), stop);
        return TypedResults.Text(DueCalendar.Of(list.Visits, clock.GetUtcNow().UtcDateTime), MediaType);
    }

    private static async Task<IResult> Table(DateOnly? from, DateOnly? to, DueList due, CancellationToken stop)
    {
        var list = await due.Of(from, to, stop);
        return Csv.Table(
            "due.csv", ["pump", "on", "wanted", "season", "what", "why", "minutes", "saved", "parts"],
            list.Visits.Select(v => new object[]
            {
                v.Tag, v.On.ToString("O", CultureInfo.InvariantCulture), v.Wanted?.ToString("O", CultureInfo.InvariantCulture) ?? "",
                v.Season ?? "", v.Says, string.Join("; ", v.Items.Select(i => i.Says)), v.Minutes, v.Saved,
                string.Join("; ", v.Parts.Select(p => $"{p.Count} x {p.Name}")),
            }));
    }
}
