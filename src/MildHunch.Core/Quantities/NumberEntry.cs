namespace MildHunch.Core.Quantities;

/// <summary>One number of an entry with the unit written behind it; empty where none was.</summary>
public readonly record struct EnteredNumber(double Value, string Unit);

/// <summary>
/// What stands in one field: a number, or a range, with a unit on either end or both; "about" may stand before. Read whole,
/// or refused with the reason.
/// </summary>
/// <param name="To">Upper end of a range; null where one number was written.</param>
public sealed record NumberEntry(EnteredNumber From, EnteredNumber? To, bool About)
{
    /// <summary>Reads all of the text; null with the reason where any part of it is not understood.</summary>
    public static NumberEntry? Read(string text, out string? problem)
    {
        var reader = new Reader(text.Trim());
        var between = reader.Takes("between ") || reader.Takes("from ");
        var about = reader.TakesAbout();
        if (reader.Number(out problem) is not { } lower)
            return null;
        EnteredNumber? to = null;
        if (reader.TakesRange(between))
        {
            about |= reader.TakesAbout();
            if (reader.Number(out problem) is not { } upper)
                return null;
            (lower, to) = (lower with { Unit = Either(lower, upper) }, upper with { Unit = Either(upper, lower) });
        }

        if (reader.Rest.Length == 0 && !(between && to is null))
            return new NumberEntry(lower, to, about);
        problem = reader.Rest.Length > 0 ? $"“{reader.Rest}” is not understood" : "the other end of the range is missing";
        return null;
    }

    // A unit on one end only is that of both.
    private static string Either(EnteredNumber one, EnteredNumber other) => one.Unit.Length > 0 ? one.Unit : other.Unit;

    /// <summary>Goes through the text from left to right.</summary>
    private sealed class Reader(string text)
    {
        private static readonly string[] AboutWords = [
            "about ", "approximately ", "approx. ", "approx ", "around ", "roughly ", "circa ", "ca. ", "ca ", "~", "≈"];
        private static readonly string[] Dashes = ["…", "...", "–", "-"];

        public string Rest { get; private set; } = text;

        public bool Takes(string word)
        {
            if (!Rest.StartsWith(word, StringComparison.OrdinalIgnoreCase))
                return false;
            Rest = Rest[word.Length..].TrimStart();
            return true;
        }

        public bool TakesAbout() => AboutWords.Any(Takes);

        public bool TakesRange(bool between) =>
            Dashes.Append("to ").Any(Takes) || (Rest == "to" && Takes("to")) || (between && Takes("and "));

        public EnteredNumber? Number(out string? problem)
        {
            var used = NumberText.Read(Rest, out var value, out problem);
            if (used == 0)
            {
                problem ??= Rest.Length == 0 ? "a number is missing" : $"“{Rest}” is not a number";
                return null;
            }

            Rest = Rest[used..].TrimStart();
            var length = UnitLength();
            var unit = Rest[..length].TrimEnd();
            Rest = Rest[length..].TrimStart();
            return new EnteredNumber(value, unit);
        }

        // Up to what begins the other end; a dash only counts before a number: "ft-lb" has one of its own.
        private int UnitLength()
        {
            for (var at = 0; at < Rest.Length; at++)
            {
                var here = Rest[at..];
                if (here.StartsWith('…') || here.StartsWith('–') || here.StartsWith("...", StringComparison.Ordinal))
                    return at;
                if (here[0] == '-' && here.Length > 1 && (char.IsAsciiDigit(here[1]) || here[1] == ' '))
                    return at;
                if ((at == 0 || Rest[at - 1] == ' ')
                    && (here == "to" || here.StartsWith("to ", StringComparison.OrdinalIgnoreCase)
                        || here.StartsWith("and ", StringComparison.OrdinalIgnoreCase)))
                    return at;
            }

            return Rest.Length;
        }
    }
}
