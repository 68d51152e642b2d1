using System.Globalization;

namespace MildHunch.Core.Quantities;

/// <summary>
/// Reads one number as the trade writes it: decimal comma or point, thousands marks, fractions. What can be read two ways is
/// refused, never guessed. The client reads by the same rules: shared/numbers.ts; one table of cases tests both.
/// </summary>
public static class NumberText
{
    private static readonly (char Sign, double Value)[] VulgarFractions =
    [
        ('½', 0.5), ('¼', 0.25), ('¾', 0.75), ('⅛', 0.125), ('⅜', 0.375), ('⅝', 0.625), ('⅞', 0.875), ('⅓', 1.0 / 3),
        ('⅔', 2.0 / 3),
    ];

    // Denominators of a rule or a drill, and thirds; 120/140 is two numbers.
    private static readonly int[] Denominators = [2, 3, 4, 8, 16, 32, 64];
    private const int Group = 3;

    /// <summary>Length of the longest number at the start of the text, and its value; 0 when there is none or it is ambiguous.</summary>
    public static int Read(ReadOnlySpan<char> text, out double value, out string? problem)
    {
        problem = null;
        value = 0;
        var at = 0;
        var sign = 1.0;
        if (at < text.Length && (text[at] is '-' or '+' or '−'))
        {
            sign = text[at] == '+' ? 1 : -1;
            at++;
        }

        var start = at;
        while (at < text.Length && (char.IsAsciiDigit(text[at]) || (IsMark(text[at]) && Next(text, at) is >= '0' and <= '9')))
            at++;
        var digits = text[start..at];
        if (digits.Length == 0)
        {
            if (at >= text.Length || !Vulgar(text[at], out var lone))
                return 0;
            value = sign * lone;
            return at + 1;
        }

        if (!Decimal(digits.ToString(), out value, out problem) || Spaced(text[at..], digits, out problem))
            return 0;
        at += Exponent(text[at..], ref value);
        var fraction = Fraction(text[at..], digits, ref value, out problem);
        if (problem is not null)
            return 0;
        at += fraction;
        value *= sign;
        if (double.IsFinite(value))
            return at;
        problem = "a number that large cannot be read";
        return 0;
    }

    private static bool IsMark(char c) => c is '.' or ',';

    private static char Next(ReadOnlySpan<char> text, int at) => at + 1 < text.Length ? text[at + 1] : '\0';

    private static bool Decimal(string text, out double value, out string? problem)
    {
        value = 0;
        problem = null;
        var points = text.Count(c => c == '.');
        var commas = text.Count(c => c == ',');
        var plain = (points, commas) switch
        {
            (0, 0) => text,
            (1, 0) or (0, 1) => One(text, points == 1 ? '.' : ',', out problem),
            (_, 0) => Grouped(text, '.'),
            (0, _) => Grouped(text, ','),
            _ => Both(text, points, commas),
        };
        if (plain is not null && double.TryParse(plain, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out value))
            return true;
        problem ??= $"{text} is not a number";
        return false;
    }

    // "1,450" is 1450 to one reader and 1.45 to the next, and so is "1.450"; a leading zero, or none before the mark, settles it.
    private static string? One(string text, char mark, out string? problem)
    {
        problem = null;
        var at = text.IndexOf(mark, StringComparison.Ordinal);
        if (at is > 0 and <= Group && text.Length - at - 1 == Group && text[0] != '0')
        {
            problem = $"{text} can be read two ways: {text.Remove(at, 1)} or {text.Replace(mark, '.').TrimEnd('0').TrimEnd('.')}?";
            return null;
        }

        return text.Replace(mark, '.');
    }

    // Several marks of one kind part thousands; every group but the first then has three digits.
    private static string? Grouped(string text, char mark)
    {
        var groups = text.Split(mark);
        return groups[0].Length is >= 1 and <= Group && groups.Skip(1).All(g => g.Length == Group) ? string.Concat(groups) : null;
    }

    // Both marks: the last one is the decimal mark and stands alone, the other parts thousands.
    private static string? Both(string text, int points, int commas)
    {
        var mark = text.LastIndexOf('.') > text.LastIndexOf(',') ? '.' : ',';
        if ((mark == '.' ? points : commas) != 1)
            return null;
        var at = text.LastIndexOf(mark);
        return Grouped(text[..at], mark == '.' ? ',' : '.') is { } whole ? $"{whole}.{text[(at + 1)..]}" : null;
    }

    // "2 900" may be 2900, or a place and a value.
    private static bool Spaced(ReadOnlySpan<char> rest, ReadOnlySpan<char> digits, out string? problem)
    {
        problem = null;
        if (digits.Length > Group || digits.ContainsAny('.', ',') || rest.Length <= Group
            || rest[0] is not (' ' or '\u00a0' or '\u202f' or '\u2009'))
            return false;
        for (var i = 1; i <= Group; i++)
            if (!char.IsAsciiDigit(rest[i]))
                return false;
        if (rest.Length > Group + 1 && char.IsAsciiDigit(rest[Group + 1]))
            return false;
        problem = $"{digits} {rest[1..(Group + 1)]} can be read two ways; write {digits}{rest[1..(Group + 1)]}, or put a comma between "
            + "two numbers";
        return true;
    }

    private static int Exponent(ReadOnlySpan<char> rest, ref double value)
    {
        if (rest.Length < 2 || (rest[0] is not ('e' or 'E')))
            return 0;
        var at = rest[1] is '-' or '+' ? 2 : 1;
        var from = at;
        while (at < rest.Length && char.IsAsciiDigit(rest[at]))
            at++;
        if (at == from || !int.TryParse(rest[1..at], NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var power))
            return 0;
        value *= Math.Pow(10, power);
        return at;
    }

    private static int Fraction(ReadOnlySpan<char> rest, ReadOnlySpan<char> digits, ref double value, out string? problem)
    {
        problem = null;
        if (rest.Length > 0 && Vulgar(rest[0], out var sign) && !digits.ContainsAny('.', ','))
        {
            value += sign;
            return 1;
        }

        // "3/8": the number read so far is the numerator. "1 1/2" or "1-1/2": it is the whole part.
        if (rest.Length > 1 && rest[0] == '/' && Whole(rest[1..], out var below, out var used))
        {
            if (Proper(value, below))
            {
                value /= below;
                return used + 1;
            }

            problem = $"{digits}/{rest[1..(used + 1)]} can be a fraction or two numbers; write one number, or {digits} to "
                + $"{rest[1..(used + 1)]} for a range";
            return 0;
        }

        if (rest.Length > 3 && (rest[0] is ' ' or '-') && Whole(rest[1..], out var top, out var topLength)
            && topLength + 1 < rest.Length && rest[topLength + 1] == '/'
            && Whole(rest[(topLength + 2)..], out var bottom, out var bottomLength) && Proper(top, bottom) && !digits.ContainsAny('.', ','))
        {
            value += top / bottom;
            return topLength + bottomLength + 2;
        }

        return 0;
    }

    private static bool Proper(double top, double bottom) =>
        top > 0 && top < bottom && Denominators.Contains((int)bottom) && top == Math.Floor(top);

    private static bool Whole(ReadOnlySpan<char> text, out double value, out int used)
    {
        used = 0;
        value = 0;
        while (used < text.Length && used < 6 && char.IsAsciiDigit(text[used]))
            value = (value * 10) + (text[used++] - '0');
        return used > 0;
    }

    private static bool Vulgar(char c, out double value)
    {
        foreach (var (sign, amount) in VulgarFractions)
        {
            if (sign != c)
                continue;
            value = amount;
            return true;
        }

        value = 0;
        return false;
    }
}
