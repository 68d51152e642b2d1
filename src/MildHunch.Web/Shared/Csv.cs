using System.Globalization;
using CsvHelper;

namespace MildHunch.Web.Shared;

/// <summary>Tables as comma-separated values, decimal points, UTF-8.</summary>
public static class Csv
{
    public const string MediaType = "text/csv";

    /// <summary>True where the caller prefers a table over JSON.</summary>
    public static bool Wanted(HttpRequest request) =>
        request.GetTypedHeaders().Accept.OrderByDescending(a => a.Quality ?? 1)
            .FirstOrDefault()?.MediaType.Value?.Equals(MediaType, StringComparison.OrdinalIgnoreCase) ?? false;

    public static IResult Table(string file, IReadOnlyList<string> headings, IEnumerable<object[]> rows)
    {
        var bytes = new MemoryStream();
        using (var csv = CsvWriter.Create(bytes, new CsvWriterOptions(), true))
        {
            csv.WriteRecord([.. headings]);
            foreach (var row in rows)
                csv.WriteRecord([.. row.Select(cell => Convert.ToString(cell, CultureInfo.InvariantCulture) ?? "")]);
        }

        return Results.File(bytes.ToArray(), $"{MediaType}; charset=utf-8", file);
    }
}
