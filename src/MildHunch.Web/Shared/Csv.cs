using System.Globalization;
using CsvHelper;
using MildHunch.Core;

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
                csv.WriteRecord([.. row.Select(cell =>
                    cell is string text ? Text(text) : Convert.ToString(cell, CultureInfo.InvariantCulture) ?? "")]);
        }

        return Results.File(bytes.ToArray(), $"{MediaType}; charset=utf-8", file);
    }

    /// <summary>Rows that were sent, each by the names of its columns; a refusal says what is wrong with the table.</summary>
    /// <param name="what">What one row is, for the refusal.</param>
    public static async Task<IReadOnlyList<IReadOnlyList<KeyValuePair<string, string>>>> Rows(
        HttpRequest request, int most, string what, CancellationToken stop)
    {
        using var sent = new MemoryStream();
        await request.Body.CopyToAsync(sent, stop);
        List<IReadOnlyList<KeyValuePair<string, string>>> rows = [];
        try
        {
            using var csv = CsvReader.Create(sent.ToArray(), new CsvReaderOptions { SkipEmptyLines = true });
            while (csv.Read())
            {
                if (rows.Count == 0 && Twice(csv.Headers!.Select(h => h.Trim())) is { } twice)
                    throw new ImpossibleInputException("file", $"the column “{twice}” twice", "each column once");
                if (rows.Count == most)
                    throw new ImpossibleInputException("file", $"more than {most} rows", $"at most {most} at once");
                rows.Add([.. csv.Headers!.Select((h, k) =>
                    KeyValuePair.Create(h.Trim(), k < csv.FieldCount ? Plain(csv.GetString(k)) : ""))]);
            }
        }
        catch (Exception e) when (e is not (ImpossibleInputException or OutOfMemoryException))
        {
            throw new ImpossibleInputException("file", "no table", "comma-separated values with a first row that names the columns");
        }

        return rows.Count > 0
            ? rows
            : throw new ImpossibleInputException("file", $"no {what}", $"a first row that names the columns, then one row a {what}");
    }

    // What a spreadsheet would take for a formula is text, and says so; numbers are written as numbers.
    private static string Text(string cell) => Formula(cell) ? $"'{cell}" : cell;

    // Taken back in, it is what it was.
    private static string Plain(string cell) => cell is ['\'', .. var rest] && Formula(rest) ? rest : cell;

    private static bool Formula(string cell) => cell.TrimStart('\t', '\r', '\n', ' ') is ['=' or '+' or '-' or '@', ..]
        && !double.TryParse(cell, NumberStyles.Float, CultureInfo.InvariantCulture, out _);

    // A column that stands in another one counts too: “tag” and “tag.length” cannot both be told.
    private static string? Twice(IEnumerable<string> headings)
    {
        string[] all = [.. headings.Where(h => h.Length > 0)];
        return all.GroupBy(h => h, StringComparer.OrdinalIgnoreCase).FirstOrDefault(g => g.Count() > 1)?.Key
            ?? all.FirstOrDefault(h => all.Any(other => other.StartsWith(h + ".", StringComparison.OrdinalIgnoreCase)));
    }
}
