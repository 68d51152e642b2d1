using System.Globalization;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
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
        var calendar = new Ical.Net.Calendar { ProductId = "-//Mild Hunch//due//EN" };
        calendar.AddProperty("X-WR-CALNAME", "Pumps: what is due");
        foreach (var visit in list.Visits)
            calendar.Events.Add(new CalendarEvent
            {
                // The same visit keeps its name while its day moves, so that a calendar moves it too.
                Uid = Uid(visit),
                DtStamp = new CalDateTime(clock.GetUtcNow().UtcDateTime),
                Start = new CalDateTime(visit.On),
                End = new CalDateTime(visit.On.AddDays(1)),
                Summary = $"{visit.Tag}: {visit.Says}",
                Description = Words(visit),
            });
        return TypedResults.Text(new CalendarSerializer().SerializeToString(calendar)!, MediaType);
    }

    private static string Uid(DueVisitDto visit)
    {
        var item = visit.Items[0];
        var what = item.Positions.Count > 0
            ? item.Positions[0]
            : $"{item.On:yyyyMMdd}-{string.Concat(item.Says.Where(char.IsAsciiLetterOrDigit))}";
        return $"{visit.PumpId}-{item.Why}-{what}@mild-hunch";
    }

    private static string Words(DueVisitDto visit) => string.Join("\n", (string[])
    [
        .. visit.Items.Select(i => i.Says),
        .. visit.Minutes > 0 ? (string[])[$"{visit.Minutes:0} minutes"] : [],
        .. visit.Parts.Select(p => $"{p.Count} x {p.Name}"),
    ]);

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
