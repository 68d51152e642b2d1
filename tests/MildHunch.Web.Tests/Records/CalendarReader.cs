namespace MildHunch.Web.Tests.Records;

/// <summary>
/// Reads a calendar feed by the letter of RFC 5545 and refuses what breaks it: folded lines, components that close in their order, lines
/// of 75 octets at most, texts unescaped.
/// </summary>
internal static class CalendarReader
{
    private const int MostOctets = 75;

    public static IReadOnlyList<IReadOnlyDictionary<string, string>> Read(string feed)
    {
        feed.ShouldEndWith("\r\n");
        var raw = feed[..^2].Split("\r\n");
        raw.ShouldAllBe(l => System.Text.Encoding.UTF8.GetByteCount(l) <= MostOctets && !l.Contains('\n'));
        List<string> lines = [];
        foreach (var line in raw)
            if (line.StartsWith(' '))
                lines[^1] += line[1..];
            else
                lines.Add(line);
        lines[0].ShouldBe("BEGIN:VCALENDAR");
        lines.ShouldContain("VERSION:2.0");
        lines.ShouldContain(l => l.StartsWith("PRODID:", StringComparison.Ordinal));
        List<IReadOnlyDictionary<string, string>> events = [];
        Stack<string> open = [];
        Dictionary<string, string> now = [];
        foreach (var line in lines)
        {
            var colon = line.IndexOf(':', StringComparison.Ordinal);
            colon.ShouldBeGreaterThan(0, line);
            var (name, value) = (line[..colon].Split(';')[0], line[(colon + 1)..]);
            if (name == "BEGIN")
            {
                open.Push(value);
                now = [];
            }
            else if (name == "END")
            {
                open.Pop().ShouldBe(value);
                if (value == "VEVENT")
                    events.Add(Checked(now));
            }
            else
                now[name] = Unescaped(value);
        }

        open.ShouldBeEmpty();
        return events;
    }

    private static Dictionary<string, string> Checked(Dictionary<string, string> one)
    {
        foreach (var needed in (string[])["UID", "DTSTAMP", "DTSTART", "SUMMARY"])
            one.ShouldContainKey(needed);
        return one;
    }

    private static string Unescaped(string text) => text.Replace("\\n", "\n", StringComparison.Ordinal)
        .Replace("\\,", ",", StringComparison.Ordinal).Replace("\\;", ";", StringComparison.Ordinal)
        .Replace("\\\\", "\\", StringComparison.Ordinal);
}
