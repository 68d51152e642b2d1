using System.Collections.Concurrent;
using SkiaSharp;

namespace MildHunch.Web.Reports.Pdf;

/// <summary>The product's own lettering for printed pages; what a font has not comes from one that has it.</summary>
internal static class Lettering
{
    public const string Text = "text";
    public const string Strong = "strong";
    public const string Heading = "heading";
    private const string Signs = "signs";

    private static readonly Dictionary<string, SKTypeface> Faces = new[] { Text, Strong, Heading, Signs }
        .ToDictionary(n => n, n => SKTypeface.FromData(SKData.CreateCopy(Woff.ToTrueType(Shipped(n)))));

    // Which letters a font has is asked for each letter of each page.
    private static readonly ConcurrentDictionary<Letter, bool> Known = new();

    private readonly record struct Letter(string Font, int Rune);

    public static SKFont Of(string name, double size) => new(Faces[name], (float)size) { Subpixel = true };

    /// <summary>A line in pieces of one font each; a letter that no font has becomes a question mark.</summary>
    public static IEnumerable<(string Font, string Text)> Pieces(string font, string line)
    {
        var piece = new System.Text.StringBuilder();
        var current = font;
        foreach (var rune in line.EnumerateRunes())
        {
            var letter = rune.ToString();
            var has = Has(font, rune) ? font : Signs;
            if (has == Signs && !Has(Signs, rune))
                (has, letter) = (font, "?");
            if (has != current && piece.Length > 0)
            {
                yield return (current, piece.ToString());
                piece.Clear();
            }

            current = has;
            piece.Append(letter);
        }

        if (piece.Length > 0)
            yield return (current, piece.ToString());
    }

    private static bool Has(string font, System.Text.Rune rune) => Known.GetOrAdd(new Letter(font, rune.Value), letter =>
    {
        using var face = Of(letter.Font, 10);
        return face.ContainsGlyph(letter.Rune);
    });

    private static byte[] Shipped(string name)
    {
        using var from = typeof(Lettering).Assembly.GetManifestResourceStream($"fonts/{name}.woff")!;
        using var to = new MemoryStream();
        from.CopyTo(to);
        return to.ToArray();
    }
}
