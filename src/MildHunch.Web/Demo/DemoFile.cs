using System.Globalization;
using System.IO.Compression;
using System.Text.RegularExpressions;
using Microsoft.Data.Sqlite;
using MildHunch.Store;

namespace MildHunch.Web.Demo;

/// <summary>
/// The demo shop’s years, packed: unpacked into an empty folder and dated so that they end now. Open cases are of the last day and night;
/// history keeps its place in the year, since seasons are part of it, and what would lie ahead is left out.
/// </summary>
public static partial class DemoFile
{
    private const string Resource = "demo/years.db.gz";

    /// <summary>Lays the demo where there is no database yet; a start that was broken off leaves none.</summary>
    /// <param name="folder">Where the shop’s data lie.</param>
    /// <param name="now">Time and day in the zone of the machine.</param>
    public static void Lay(string folder, DateTimeOffset now)
    {
        var database = Path.Combine(folder, MildHunchDb.FileName);
        if (File.Exists(database))
            return;
        var half = $"{database}.{Guid.NewGuid():N}.part";
        try
        {
            using (var from = new GZipStream(typeof(DemoFile).Assembly.GetManifestResourceStream(Resource)!, CompressionMode.Decompress))
            using (var to = File.Create(half))
                from.CopyTo(to);
            Date(half, now);
            if (!File.Exists(database))
                File.Move(half, database);
        }
        finally
        {
            File.Delete(half);
        }
    }

    /// <summary>Dates an unpacked file so that it ends now.</summary>
    public static void Date(string database, DateTimeOffset now)
    {
        var today = DateOnly.FromDateTime(now.DateTime);
        using var connection = new SqliteConnection(
            new SqliteConnectionStringBuilder { DataSource = database, Pooling = false, ForeignKeys = false }.ToString());
        connection.Open();
        var anchor = DateOnly.FromDayNumber((int)(long)Scalar(connection, "PRAGMA user_version")!);
        var years = today.Year - anchor.Year - (today < anchor.AddYears(today.Year - anchor.Year) ? 1 : 0);
        var past = anchor.AddYears(years).DayNumber - anchor.DayNumber;
        using var whole = connection.BeginTransaction();
        Run(connection, "CREATE TEMP TABLE Now AS SELECT Id FROM Cases WHERE substr(OpenedAt, 1, 10) = $anchor", ("$anchor", Text(anchor)));

        // Whole days, so that morning stays morning; as many as leave the last of it behind us.
        var end = Scalar(connection, "SELECT max(Headline_ChangedAt) FROM Cases WHERE Id IN (SELECT Id FROM Now)") is string changed
            ? DateTime.Parse(changed, CultureInfo.InvariantCulture)
            : anchor.ToDateTime(default);
        var open = Math.Min((int)Math.Floor((now.UtcDateTime - end).TotalDays), today.DayNumber - anchor.DayNumber);

        // What lies ahead of now has not happened yet.
        var (last, moment) = (Text(today.AddDays(-past)), now.UtcDateTime.AddDays(-past));
        Run(
            connection,
            """
            CREATE TEMP TABLE Ahead AS SELECT Id FROM Cases WHERE Id NOT IN (SELECT Id FROM Now) AND (Headline_ChangedAt >= $moment
                OR Id IN (SELECT CaseId FROM PartChanges WHERE "On" > $last UNION SELECT CaseId FROM Meters WHERE "On" > $last
                    UNION SELECT CaseId FROM Outcomes WHERE "On" > $last))
            """,
            ("$moment", moment.ToString("yyyy-MM-dd HH:mm:ss", CultureInfo.InvariantCulture)), ("$last", last));
        foreach (var table in (string[])["Moves", "Facts", "Readings", "Cues", "Changes", "Verdicts", "Reports", "Outcomes",
            "ReadingsOnRecord"])
            Run(connection, $"DELETE FROM {table} WHERE CaseId IN (SELECT Id FROM Ahead)");
        foreach (var table in (string[])["PartChanges", "Meters"])
            Run(
                connection, $"DELETE FROM {table} WHERE CaseId IN (SELECT Id FROM Ahead) OR (CaseId IS NULL AND \"On\" >= $last)",
                ("$last", last));
        Run(connection, "DELETE FROM Cases WHERE Id IN (SELECT Id FROM Ahead)");

        foreach (var (table, column, key) in Dated(connection))
            Shift(connection, table, column, key, open, past);
        Run(connection, "DROP TABLE Now");
        Run(connection, "DROP TABLE Ahead");
        whole.Commit();
    }

    // Every column that holds text, and the one that names its case where there is one.
    private static List<(string Table, string Column, string? Key)> Dated(SqliteConnection connection)
    {
        List<(string, string, string?)> columns = [];
        foreach (var table in Rows(
            connection, "SELECT name FROM main.sqlite_master WHERE type = 'table' AND name NOT LIKE '\\_\\_%' ESCAPE '\\'"))
        {
            var mine = Rows(connection, $"SELECT name FROM pragma_table_info('{table}') WHERE type = 'TEXT'");
            var key = table == "Cases" ? "Id" : mine.Contains("CaseId") ? "CaseId" : null;
            columns.AddRange(mine.Where(c => c != "Id" && !c.EndsWith("Id", StringComparison.Ordinal)).Select(c => (table, c, key)));
        }

        return columns;
    }

    private static void Shift(SqliteConnection connection, string table, string column, string? key, int open, int past)
    {
        var now = key is null ? "0" : $"COALESCE({key} IN (SELECT Id FROM Now), 0)";
        using var read = connection.CreateCommand();
        read.CommandText = $"SELECT rowid, \"{column}\", {now} FROM {table} WHERE \"{column}\" GLOB '*20[0-9][0-9]-[0-9][0-9]-[0-9][0-9]*'";
        List<(long Row, string Text)> changed = [];
        using (var rows = read.ExecuteReader())
            while (rows.Read())
                changed.Add((rows.GetInt64(0), Shifted(rows.GetString(1), rows.GetInt64(2) == 1 ? open : past)));
        using var write = connection.CreateCommand();
        write.CommandText = $"UPDATE {table} SET \"{column}\" = $text WHERE rowid = $row";
        var (text, row) = (write.Parameters.Add("$text", SqliteType.Text), write.Parameters.Add("$row", SqliteType.Integer));
        foreach (var (at, told) in changed)
        {
            (text.Value, row.Value) = (told, at);
            write.ExecuteNonQuery();
        }
    }

    private static string Shifted(string text, int days) => Day().Replace(
        text, m => DateOnly.TryParseExact(m.Value, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var day)
            ? Text(day.AddDays(days))
            : m.Value);

    private static string Text(DateOnly day) => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    private static List<string> Rows(SqliteConnection connection, string sql)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        using var reader = command.ExecuteReader();
        List<string> rows = [];
        while (reader.Read())
            rows.Add(reader.GetString(0));
        return rows;
    }

    private static object? Scalar(SqliteConnection connection, string sql)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        return command.ExecuteScalar();
    }

    private static void Run(SqliteConnection connection, string sql, params (string Name, string Value)[] values)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        foreach (var (name, value) in values)
            command.Parameters.AddWithValue(name, value);
        command.ExecuteNonQuery();
    }

    [GeneratedRegex(@"(?<!\d)20\d\d-\d\d-\d\d(?!\d)")]
    private static partial Regex Day();
}
