using MildHunch.Core.Quantities;

namespace MildHunch.Core.Evidence.Jot;

/// <summary>A piece of the jot line.</summary>
internal abstract record Token(int Start, int Length)
{
    public int End => Start + Length;
}

internal sealed record NumberToken(int Start, int Length, double Value, Unit? Unit) : Token(Start, Length)
{
    /// <summary>A small whole number without a unit: a cylinder, or a value whose unit was left out.</summary>
    public bool IsPlace => Unit is null && Value is >= 1 and <= 7 && Value == Math.Floor(Value);
}

internal sealed record PlusMinusToken(int Start, int Length) : Token(Start, Length);

/// <summary>Between the two ends of a range: "28 to 46", "28-46", "28…46".</summary>
internal sealed record RangeToken(int Start, int Length) : Token(Start, Length);

internal sealed record WordToken(int Start, int Length, IReadOnlyList<Meaning> Meanings) : Token(Start, Length)
{
    public bool Is(MeaningKind kind) => Meanings.Any(m => m.Kind == kind);

    /// <summary>True where it means nothing but this.</summary>
    public bool Only(MeaningKind kind) => Meanings.All(m => m.Kind == kind);

    public IEnumerable<Meaning> Of(MeaningKind kind) => Meanings.Where(m => m.Kind == kind);
}

internal sealed record BreakToken(int Start, int Length) : Token(Start, Length);

internal sealed record StrangeToken(int Start, int Length, string Problem) : Token(Start, Length);

/// <summary>Cuts the line into numbers with their units, known phrases, breaks, and what nobody knows.</summary>
internal static class JotScanner
{
    private const int LongestUnit = 20;

    private static readonly QuantityKind[] Kinds =
    [
        QuantityKind.GaugePressure, QuantityKind.VolumeFlow, QuantityKind.RotationalSpeed, QuantityKind.Length, QuantityKind.Volume,
        QuantityKind.Duration, QuantityKind.Current,
        QuantityKind.Temperature,
    ];

    public static List<Token> Scan(string text, JotLexicon lexicon)
    {
        var tokens = new List<Token>();
        var at = 0;
        while (at < text.Length)
        {
            var c = text[at];
            if (char.IsWhiteSpace(c) || c is '=' or '~' or '≈' || (c is '.' or ':' && !Digit(text, at + 1)))
                at++;
            else if (c == ',' && Digit(text, at + 1) && BeginsNumber(text, at, tokens))
                tokens.Add(Taken(Shifted(Number($"0{text[at..]}", 0)!, at)));
            else if (Loose(text, at) is { } loose)
                tokens.Add(Taken(loose));
            else if (c is ',' or ';')
                tokens.Add(Taken(new BreakToken(at, 1)));
            else if (c == '±' || string.CompareOrdinal(text, at, "+-", 0, 2) == 0 || string.CompareOrdinal(text, at, "+/-", 0, 3) == 0)
                tokens.Add(Taken(new PlusMinusToken(at, c == '±' ? 1 : text[at + 1] == '/' ? 3 : 2)));
            else if (tokens.Count > 0 && tokens[^1] is NumberToken && Range(text, at) is > 0 and var dash)
                tokens.Add(Taken(new RangeToken(at, dash)));
            else if (lexicon.Match(text, at, out var phrase) is > 0 and var spelt && phrase.Any(m => m.Kind == MeaningKind.Drop))
                tokens.Add(Taken(new WordToken(at, spelt, phrase)));
            else if (Slashed(text, at) is { } slashed)
            {
                // "120/140 bar": lower and upper end of a swing. The unit behind belongs to both.
                tokens.Add(new NumberToken(at, slashed.Below, slashed.Low, null));
                tokens.Add(Taken(new RangeToken(at + slashed.Below, 1)));
            }
            else if (Number(text, at) is { } number)
                tokens.Add(Taken(number));
            else if (lexicon.Match(text, at, out var meanings) is > 0 and var length)
                tokens.Add(Taken(new WordToken(at, length, meanings)));
            else if (lexicon.Near(text.Substring(at, WordLength(text, at))) is { } near)
                tokens.Add(Taken(new WordToken(at, WordLength(text, at), near)));
            else
                tokens.Add(Taken(new StrangeToken(at, WordLength(text, at), "not understood")));
        }

        return tokens;

        Token Taken(Token token)
        {
            at = token.Start + token.Length;
            return token;
        }
    }

    // ",4 bar" at the start of a line, or behind a name that waits for a number: a comma for the point.
    private static bool BeginsNumber(string text, int at, List<Token> tokens) =>
        (at == 0 || text[at - 1] == ' ') && (tokens.Count == 0 || tokens[^1] is WordToken word && word.Is(MeaningKind.Label));

    private sealed record SlashedNumber(double Low, int Below);

    // Two whole numbers with a unit behind them, the smaller first, and no fraction of an inch.
    private static SlashedNumber? Slashed(string text, int at)
    {
        var slash = at;
        while (Digit(text, slash))
            slash++;
        var end = slash + 1;
        while (Digit(text, end))
            end++;
        var apart = at == 0 || !char.IsLetterOrDigit(text[at - 1]);
        return apart && slash > at + 1 && end > slash + 2 && text[slash] == '/' && double.TryParse(text.AsSpan(at, slash - at), out var low)
            && double.TryParse(text.AsSpan(slash + 1, end - slash - 1), out var high) && low < high
            && Number(text, slash + 1) is NumberToken { Unit: not null }
            ? new SlashedNumber(low, slash - at)
            : null;
    }

    // The 0 that was put before it is not in the line.
    private static Token Shifted(Token read, int at) => read with { Start = at, Length = read.Length - 1 };

    private static bool Digit(string text, int at) => at < text.Length && char.IsAsciiDigit(text[at]);

    // A mark before a digit that belongs to no number before it: ",5 bar" and "1:05" may mean two things.
    private static StrangeToken? Loose(string text, int at)
    {
        if (text[at] is not (',' or ':') || !Digit(text, at + 1))
            return null;
        if (text[at] == ':' && at > 0 && char.IsAsciiDigit(text[at - 1]))
            return new StrangeToken(at, NumberLength(text, at), "write minutes and seconds with their units: 1 min 5 s");
        return text[at] == ',' && (at == 0 || char.IsWhiteSpace(text[at - 1]))
            ? new StrangeToken(
                at, NumberLength(text, at), $"write 0{text.Substring(at, Math.Min(2, text.Length - at))}, or a space behind the comma")
            : null;
    }

    private static Token? Number(string text, int at)
    {
        var sign = text[at] is '-' or '−' or '+' ? 1 : 0;
        var point = at + sign < text.Length && text[at + sign] == '.' ? 1 : 0;
        var vulgar = at + sign < text.Length && "½¼¾⅛⅜⅝⅞⅓⅔".Contains(text[at + sign], StringComparison.Ordinal);
        if (!vulgar && !Digit(text, at + sign + point))
            return null;
        if (at > 0 && char.IsLetter(text[at - 1]))
            return new StrangeToken(at, NumberLength(text, at), "write a space before a number");
        var used = NumberText.Read(text.AsSpan(at), out var value, out var problem);
        if (used == 0)
            return new StrangeToken(at, NumberLength(text, at), problem ?? "not a number");
        var end = at + used;
        var from = end;
        while (from < text.Length && text[from] == ' ')
            from++;
        for (var length = Math.Min(LongestUnit, text.Length - from); length > 0; length--)
        {
            var after = from + length;
            if (after < text.Length && char.IsLetterOrDigit(text[after]) && char.IsLetterOrDigit(text[after - 1]))
                continue;
            if (char.IsWhiteSpace(text[after - 1]))
                continue;
            var name = text.Substring(from, length);

            // "10 l in 49 s": the "in" behind a litre is no inch, and neither is a lone "in" before a word.
            if (string.Equals(name, "in", StringComparison.OrdinalIgnoreCase) && WordFollows(text, after))
                continue;

            // "weep 1 a stream": an ampere is written large.
            if (name == "a")
                continue;
            foreach (var kind in Kinds)
                if (Units.Find(kind, name) is { } unit)
                    return new NumberToken(at, after - at, value, unit);
        }

        // What stands right behind the number and is no unit ("31x", "1.2.3.") spoils it.
        return end < text.Length && (char.IsLetterOrDigit(text[end]) || text[end] is '/' or '%' or '°')
            ? new StrangeToken(at, WordLength(text, at), $"the unit in “{text.Substring(at, WordLength(text, at))}” is not known")
            : new NumberToken(at, used, value, null);
    }

    private static bool WordFollows(string text, int at)
    {
        while (at < text.Length && text[at] == ' ')
            at++;
        return at < text.Length && char.IsLetterOrDigit(text[at]);
    }

    // A dash or "to" between two numbers; "-0.3" behind a space is a number of its own.
    private static int Range(string text, int at)
    {
        var length = text[at] is '-' or '–' or '…' ? 1
            : string.CompareOrdinal(text, at, "...", 0, 3) == 0 ? 3
            : string.Compare(text, at, "to ", 0, 3, StringComparison.OrdinalIgnoreCase) == 0 ? 2 : 0;
        var spaced = at > 0 && text[at - 1] == ' ' && at + length < text.Length && text[at + length] != ' ';
        return length > 0 && !(length == 1 && spaced) && NextIsNumber(text, at + length, signed: length == 2) ? length : 0;
    }

    private static bool NextIsNumber(string text, int at, bool signed)
    {
        while (at < text.Length && text[at] == ' ')
            at++;
        if (signed && at < text.Length && text[at] is '-' or '−')
            at++;
        return Digit(text, at) || (at < text.Length && text[at] == '.' && Digit(text, at + 1));
    }

    private static int NumberLength(string text, int at)
    {
        var end = at + 1;
        while (end < text.Length
            && (char.IsAsciiDigit(text[end]) || (text[end] is '.' or ',' or '/' or ':' && Digit(text, end + 1))
                || (text[end] == ' ' && Digit(text, end + 1))))
            end++;
        if (end + 1 < text.Length && text[end] == ' ' && char.IsLetter(text[end + 1]))
            end += 1 + WordLength(text, end + 1);
        return end - at;
    }

    private static int WordLength(string text, int at)
    {
        var end = at + 1;
        while (end < text.Length && !char.IsWhiteSpace(text[end]) && text[end] is not ',' and not ';')
            end++;
        return end - at;
    }
}
