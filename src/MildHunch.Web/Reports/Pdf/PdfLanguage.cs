using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;

namespace MildHunch.Web.Reports.Pdf;

/// <summary>
/// Says in which language a document is, which its maker does not: a newer catalogue is added behind it, with a table of its own (ISO
/// 32000-1, 7.5.6 incremental updates and 14.9.2 natural language).
/// </summary>
internal static partial class PdfLanguage
{
    /// <summary>The same document with its language.</summary>
    /// <exception cref="InvalidDataException">It has no catalogue where its trailer says.</exception>
    public static byte[] Set(byte[] pdf, string language)
    {
        // Every byte one letter, so that places in the text are places in the file.
        var text = Encoding.Latin1.GetString(pdf);
        var trailer = text[text.LastIndexOf("trailer", StringComparison.Ordinal)..];
        var start = StartXref().Match(trailer);
        var root = Root().Match(trailer);
        var number = root.Groups[1].Value;
        var at = text.LastIndexOf($"\n{number} 0 obj", StringComparison.Ordinal);
        var end = at < 0 ? -1 : text.IndexOf("endobj", at, StringComparison.Ordinal);
        if (!start.Success || !root.Success || end < 0)
            throw new InvalidDataException("The document has no catalogue where its trailer says.");
        var catalogue = text[(at + 1)..(end + "endobj".Length)];
        var open = catalogue.IndexOf("<<", StringComparison.Ordinal) + 2;
        var added = $"{catalogue[..open]}/Lang ({language})\n{catalogue[open..]}\n";
        var table = string.Create(CultureInfo.InvariantCulture, $"xref\n{number} 1\n{pdf.Length + 1:0000000000} 00000 n \n");
        var dictionary = trailer[trailer.IndexOf("<<", StringComparison.Ordinal)..(trailer.LastIndexOf(">>", StringComparison.Ordinal))];
        var tail = $"trailer\n{dictionary}/Prev {start.Groups[1].Value}\n>>\nstartxref\n{pdf.Length + 1 + added.Length}\n%%EOF\n";
        return [.. pdf, .. Encoding.Latin1.GetBytes($"\n{added}{table}{tail}")];
    }

    [GeneratedRegex(@"startxref\s+(\d+)")]
    private static partial Regex StartXref();

    [GeneratedRegex(@"/Root\s+(\d+)\s+0\s+R")]
    private static partial Regex Root();
}
