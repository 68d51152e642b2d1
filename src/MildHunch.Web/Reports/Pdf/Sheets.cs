using SkiaSharp;

namespace MildHunch.Web.Reports.Pdf;

/// <summary>Paper a report is printed on; whole points of 1/72 inch.</summary>
internal sealed record Paper(double Width, double Height)
{
    public static readonly Paper A4 = new(595, 842);
    public static readonly Paper Letter = new(612, 792);
}

/// <summary>Pages filled from top to bottom: lines, tables, drawings; a new page where one is full.</summary>
internal sealed class Sheets : IDisposable
{
    private const double Margin = 48;
    private const double Foot = 40;
    private const double Leading = 1.35;
    private readonly Paper paper;
    private readonly List<SKPicture> pages = [];
    private readonly SKPaint ink = new() { Color = SKColors.Black, IsAntialias = true };
    private SKPictureRecorder recorder = new();

    public Sheets(Paper paper)
    {
        this.paper = paper;
        Begin();
    }

    public double Width => paper.Width - (2 * Margin);

    public double Left => Margin;

    public double Y { get; set; }

    public SKCanvas Canvas { get; private set; } = null!;

    /// <summary>Room that is left on this page.</summary>
    public double Room => paper.Height - Margin - Foot - Y;

    /// <summary>A new page, unless this much room is left.</summary>
    public void Need(double height)
    {
        if (height <= Room || Y <= Margin)
            return;
        pages.Add(recorder.EndRecording());
        recorder.Dispose();
        recorder = new SKPictureRecorder();
        Begin();
    }

    public void Space(double height) => Y += height;

    /// <summary>A text over as many lines as it needs; returns its height.</summary>
    public double Lines(string font, double size, string text, double indent = 0, double? width = null)
    {
        var height = 0.0;
        foreach (var line in Wrapped(font, size, text, (width ?? Width) - indent))
        {
            Need(size * Leading);
            Line(font, size, line, Left + indent, Y + size);
            Y += size * Leading;
            height += size * Leading;
        }

        return height;
    }

    public void Rule()
    {
        Straight(0.6, Left, Y, Left + Width, Y);
        Y += 4;
    }

    /// <summary>A table: the first column takes what the others leave.</summary>
    public void Table(IReadOnlyList<string> columns, IReadOnlyList<IReadOnlyList<string>> rows)
    {
        const double size = 9;
        var others = columns.Count > 1 ? Width * 0.66 / (columns.Count - 1) : 0;
        double WidthOf(int k) => k == 0 ? Width - (others * (columns.Count - 1)) : others;
        void Row(string font, IReadOnlyList<string> cells)
        {
            string[][] lines = [.. cells.Select((c, k) => Wrapped(font, size, c, WidthOf(k) - 6).ToArray())];
            var height = (lines.Max(l => l.Length) * size * Leading) + 3;
            Need(height);
            for (var k = 0; k < cells.Count; k++)
                for (var n = 0; n < lines[k].Length; n++)
                    Line(font, size, lines[k][n], Left + Enumerable.Range(0, k).Sum(WidthOf), Y + size + (n * size * Leading));
            Y += height;
            Straight(0.25, Left, Y - 2, Left + Width, Y - 2);
        }

        Row(Lettering.Strong, columns);
        foreach (var row in rows)
            Row(Lettering.Text, row);
        Space(4);
    }

    /// <summary>One line at a place, in the fonts that have its letters.</summary>
    public void Line(string font, double size, string text, double x, double baseline)
    {
        foreach (var (piece, letters) in Lettering.Pieces(font, text))
        {
            using var face = Lettering.Of(piece, size);
            Canvas.DrawText(letters, (float)x, (float)baseline, SKTextAlign.Left, face, ink);
            x += face.MeasureText(letters);
        }
    }

    public double Measure(string font, double size, string text)
    {
        var width = 0.0;
        foreach (var (piece, letters) in Lettering.Pieces(font, text))
        {
            using var face = Lettering.Of(piece, size);
            width += face.MeasureText(letters);
        }

        return width;
    }

    public void Straight(double thick, double x1, double y1, double x2, double y2)
    {
        using var pen = Pen(thick);
        Canvas.DrawLine((float)x1, (float)y1, (float)x2, (float)y2, pen);
    }

    public static SKPaint Pen(double thick) =>
        new() { Color = SKColors.Black, IsAntialias = true, Style = SKPaintStyle.Stroke, StrokeWidth = (float)thick };

    /// <summary>All pages, each with its number now that it is known how many there are.</summary>
    public void WriteTo(SKDocument document, string foot)
    {
        pages.Add(recorder.EndRecording());
        foreach (var (k, page) in pages.Index())
        {
            Canvas = document.BeginPage((float)paper.Width, (float)paper.Height);
            Canvas.DrawPicture(page);
            Line(Lettering.Text, 8, foot, Left, paper.Height - Foot + 8);
            var number = $"{k + 1} / {pages.Count}";
            Line(Lettering.Text, 8, number, Left + Width - Measure(Lettering.Text, 8, number), paper.Height - Foot + 8);
            document.EndPage();
        }
    }

    public void Dispose()
    {
        foreach (var page in pages)
            page.Dispose();
        recorder.Dispose();
        ink.Dispose();
    }

    private IEnumerable<string> Wrapped(string font, double size, string text, double width)
    {
        foreach (var paragraph in text.Split('\n'))
        {
            var line = "";
            foreach (var word in paragraph.Split(' ').SelectMany(w => Broken(font, size, w, width)))
            {
                var longer = line.Length == 0 ? word : $"{line} {word}";
                if (line.Length > 0 && Measure(font, size, longer) > width)
                {
                    yield return line;
                    longer = word;
                }

                line = longer;
            }

            yield return line;
        }
    }

    // A word longer than its column goes on in the next line.
    private IEnumerable<string> Broken(string font, double size, string word, double width)
    {
        while (word.Length > 1 && Measure(font, size, word) > width)
        {
            var fits = Fits(font, size, word, width);
            yield return word[..fits];
            word = word[fits..];
        }

        yield return word;
    }

    // How many letters of a word fit, at least one; found by halves, since more letters are never narrower.
    private int Fits(string font, double size, string word, double width)
    {
        var (least, most) = (1, word.Length);
        while (most - least > 1)
        {
            var middle = (least + most) / 2;
            if (Measure(font, size, word[..middle]) > width)
                most = middle;
            else
                least = middle;
        }

        // A letter of two halves stays whole.
        return char.IsHighSurrogate(word[least - 1]) ? least == 1 ? 2 : least - 1 : least;
    }

    private void Begin()
    {
        Canvas = recorder.BeginRecording(SKRect.Create((float)paper.Width, (float)paper.Height));
        Y = Margin;
    }
}
