using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;

namespace MildHunch.Web.Records.Due;

/// <summary>What is due as a calendar (iCalendar, RFC 5545): every visit an event of its own, under a name that it keeps.</summary>
internal static class DueCalendar
{
    public static string Of(IReadOnlyList<DueVisitDto> visits, DateTime now)
    {
        var calendar = new Ical.Net.Calendar { ProductId = "-//Mild Hunch//due//EN" };
        calendar.AddProperty("X-WR-CALNAME", "Pumps: what is due");
        var before = new Dictionary<string, int>();
        foreach (var visit in visits)
            calendar.Events.Add(new CalendarEvent
            {
                Uid = Uid(visit, before),
                DtStamp = new CalDateTime(now),
                Start = new CalDateTime(visit.On),
                End = new CalDateTime(visit.On.AddDays(1)),
                Summary = $"{visit.Tag}: {visit.Says}",
                Description = Words(visit),
            });
        return new CalendarSerializer().SerializeToString(calendar)!;
    }

    // The same visit keeps its name while its day moves, so that a calendar moves it too: it is named by what it is for, and where that
    // comes again within the span, by the how-manieth it is.
    private static string Uid(DueVisitDto visit, Dictionary<string, int> before)
    {
        var item = visit.Items[0];
        var what = item.Positions.Count > 0
            ? item.Positions[0]
            : $"{item.On:yyyyMMdd}-{string.Concat(item.Says.Where(char.IsAsciiLetterOrDigit))}";
        var name = $"{visit.PumpId}-{item.Why}-{what}";
        before[name] = before.GetValueOrDefault(name) + 1;
        return $"{name}{(before[name] == 1 ? "" : $"-{before[name]}")}@mild-hunch";
    }

    private static string Words(DueVisitDto visit) => string.Join("\n", (string[])
    [
        .. visit.Items.Select(i => i.Says),
        .. visit.Minutes > 0 ? (string[])[$"{visit.Minutes:0} minutes"] : [],
        .. visit.Parts.Select(p => $"{p.Count} x {p.Name}"),
    ]);
}
