using System.Globalization;
using MildHunch.Core;
using MildHunch.Core.Records.Lives;
using MildHunch.Core.Records.Running;
using MildHunch.Store;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Records.Life;

/// <summary>Lives of parts as a table: out for a spreadsheet, in from paper, all of it or none.</summary>
public static class PartChangeTable
{
    private const int MostRows = 2000;
    private static readonly string[] Columns =
        ["part", "cylinder", "side", "end", "on", "hours", "out", "finding", "putIn", "by", "kit", "batch", "warranty", "note"];

    public static void Map(IEndpointRouteBuilder routes)
    {
        routes.MapGet("/api/pumps/{id}/part-changes.csv", Out).WithTags("Record").WithSummary("Every change of a part as CSV.")
            .Produces(StatusCodes.Status200OK, contentType: Csv.MediaType);
        routes.MapPost("/api/pumps/{id}/part-changes.csv", In).WithTags("Record").Accepts<string>(Csv.MediaType)
            .WithSummary("Takes in older paper history: one row a change; the row that conflicts is named, and nothing is taken then.");
    }

    private static async Task<IResult> Out(string id, ShopMemory memory, CancellationToken stop)
    {
        var pump = await memory.Of(id, stop);
        return Csv.Table("part-changes.csv", Columns, pump.Changes.OrderBy(c => c.On).Select(c => new object[]
        {
            c.Part, pump.Record.Ends ? "" : (object?)c.Cylinder ?? "", pump.Record.Ends ? "" : c.Side ?? "",
            pump.Record.Ends && c.Cylinder is { } end ? end == 1 ? "left" : "right" : "", $"{c.On:yyyy-MM-dd}",
            (object?)pump.Record.Hours.At(c.On) ?? "", c.OutWhy ?? "", c.Finding ?? "", c.PutIn ? "true" : "false", c.By ?? "", c.Kit ?? "",
            c.Batch ?? "", c.Warranty is { } day ? $"{day:yyyy-MM-dd}" : "", c.Note ?? "",
        }));
    }

    private static async Task<PumpLifeResponse> In(
        string id, HttpRequest request, MildHunchDb db, ShopMemory memory, LifeView view, CancellationToken stop)
    {
        var pump = await memory.Of(id, stop);
        var rows = await Csv.Rows(request, MostRows, "change", stop);
        List<PartChangeEntity> changes = [];
        List<MeterEntity> meters = [];
        var objections = new Objections();
        foreach (var (k, cells) in rows.Index())
            objections.Take($"row {k + 2}", () =>
            {
                var told = Read(cells);
                changes.Add(PartChangeReading.Read(told, pump, memory.Today));
                if (PartChangeReading.Meter(told, pump, memory.Today) is { } meter
                    && !meters.Any(m => m.On == meter.On && m.Hours.Equals(meter.Hours)))
                    meters.Add(meter);
                return 0;
            });
        objections.ThrowIfAny();
        var hours = RunningHours.Of([.. pump.Meters.Concat(meters).Select(m => m.ToCore())], pump.Running.Duty(), memory.Today);
        var time = pump.Record.Time with { Hours = hours };
        PartLog.Lives(pump.Changes.Concat(changes).Select(c => c.ToCore(time)), memory.Today);
        db.PartChanges.AddRange(changes);
        db.Meters.AddRange(meters);
        await db.SaveOrRefuse(stop);
        return await view.Of(id, stop);
    }

    private static PartChangeRequest Read(IReadOnlyList<KeyValuePair<string, string>> cells)
    {
        if (cells.Select(c => c.Key).Except(Columns).FirstOrDefault() is { } unknown)
            throw new ImpossibleInputException("column", $"“{unknown}”", string.Join(", ", Columns));
        var told = cells.Where(c => !string.IsNullOrWhiteSpace(c.Value)).ToDictionary(c => c.Key, c => c.Value.Trim());
        string? Text(string name) => told.GetValueOrDefault(name);
        return new PartChangeRequest(
            Text("part"), Number(told, "cylinder") is { } k ? (int)k : null, Text("side"), Text("end"), Day(told, "on"),
            Number(told, "hours"),
            Text("out"), Text("finding"), Text("putIn") is { } put ? put.Equals("true", StringComparison.OrdinalIgnoreCase) : null,
            Text("by"),
            Text("kit"), Text("batch"), Day(told, "warranty"), Text("note"));
    }

    private static double? Number(Dictionary<string, string> told, string name) => !told.TryGetValue(name, out var text) ? null
        : double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out var number) ? number
        : throw new ImpossibleInputException(name, $"“{text}”", "a number, like 1240.5");

    private static DateOnly? Day(Dictionary<string, string> told, string name) => !told.TryGetValue(name, out var text) ? null
        : DateOnly.TryParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var day) ? day
        : throw new ImpossibleInputException(name, $"“{text}”", "a day, like 2026-03-15");
}
