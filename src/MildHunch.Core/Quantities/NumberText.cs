using System.Globalization;

namespace MildHunch.Core.Quantities;

/// <summary>Reads numbers as the trade writes them: decimal comma or point, thousands marks, vulgar fractions.</summary>
public static class NumberText
{
    private static readonly (char Sign, double Value)[] VulgarFractions =
    [
        ('½', 0.5), ('¼', 0.25), ('¾', 0.75), ('⅛', 0.125), ('⅜', 0.375), ('⅝', 0.625), ('⅞', 0.875), ('⅓', 1.0 / 3), ('⅔', 2.0 / 3),
    ];

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
            if (at < text.Length && Vulgar(text[at], out var lone))
            {
                value = sign * lone;
                return at + 1;
            }

            return 0;
        }

        if (!Decimal(digits, out var whole, out problem))
            return 0;
        value = whole;
        at += Exponent(text[at..], ref value);
        at += Fraction(text[at..], digits, ref value);
        value *= sign;
        if (double.IsFinite(value))
            return at;
        problem = "a number that large cannot be read";
        return 0;
    }

    private static bool IsMark(char c) => c is '.' or ',';

    private static char Next(ReadOnlySpan<char> text, int at) => at + 1 < text.Length ? text[at + 1] : '\0';

    private static bool Decimal(ReadOnlySpan<char> digits, out double value, out string? problem)
    {
        value = 0;
        problem = null;
        var text = digits.ToString();
        var lastComma = text.LastIndexOf(',');
        var lastPoint = text.LastIndexOf('.');
        var decimalMark = lastComma > lastPoint ? ',' : '.';
        var groupMark = decimalMark == ',' ? '.' : ',';
        var at = Math.Max(lastComma, lastPoint);
        var both = lastComma >= 0 && lastPoint >= 0;
        var once = text.Count(c => c == decimalMark) == 1;

        // "1,450" is 1450 to one reader and 1.45 to the next: refused rather than guessed, unless a zero leads.
        if (!both && once && decimalMark == ',' && at is > 0 and <= 3 && text.Length - at - 1 == 3 && text[0] != '0')
        {
            problem = $"{text} can be read two ways; write {text.Replace(",", "", StringComparison.Ordinal)} or {text.Replace(',', '.')}";
            return false;
        }

        var plain = once && at >= 0
            ? text.Replace(groupMark.ToString(), "", StringComparison.Ordinal).Replace(decimalMark, '.')
            : text.Replace(",", "", StringComparison.Ordinal).Replace(".", "", StringComparison.Ordinal);
        if (double.TryParse(plain, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out value))
            return true;
        problem = $"{text} is not a number";
        return false;
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

    private static int Fraction(ReadOnlySpan<char> rest, ReadOnlySpan<char> digits, ref double value)
    {
        if (rest.Length > 0 && Vulgar(rest[0], out var sign))
        {
            value += sign;
            return 1;
        }

        // "3/8": the number read so far is the numerator. "1 1/2" or "1-1/2": it is the whole part.
        if (rest.Length > 1 && rest[0] == '/' && Whole(rest[1..], out var below, out var used) && below > 0)
        {
            value /= below;
            return used + 1;
        }

        if (rest.Length > 3 && (rest[0] is ' ' or '-') && Whole(rest[1..], out var top, out var topLength)
            && topLength + 1 < rest.Length && rest[topLength + 1] == '/'
            && Whole(rest[(topLength + 2)..], out var bottom, out var bottomLength) && bottom > top && !digits.Contains('.'))
        {
            value += top / bottom;
            return topLength + bottomLength + 2;
        }

        return 0;
    }

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
