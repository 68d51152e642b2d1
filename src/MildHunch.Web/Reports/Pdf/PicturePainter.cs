using MildHunch.Web.Service;
using SkiaSharp;

namespace MildHunch.Web.Reports.Pdf;

/// <summary>Draws a list of shapes with lines, as the screen does; black on white.</summary>
internal static class PicturePainter
{
    private const float Hatch = 4;

    /// <summary>Draws it so wide at most, and no higher than a third of a page; returns its height.</summary>
    public static double Draw(
        Sheets sheets, PictureDto picture, double width, double most, IReadOnlyDictionary<string, ReportMarkDto>? marks = null)
    {
        var scale = Math.Min(width / picture.Width, most / picture.Height);
        sheets.Need(picture.Height * scale);
        var (left, top) = (sheets.Left, sheets.Y);
        SKPoint At(PointDto p) => new((float)(left + (p.X * scale)), (float)(top + (p.Y * scale)));
        foreach (var shape in picture.Shapes)
        {
            using var pen = Sheets.Pen(shape.Ink switch { "part" => 1, "house" => 1.4, _ => 0.4 });
            SKPoint[] points = [.. shape.Points.Select(At)];
            switch (shape.Kind)
            {
                case "outline" or "line":
                    using (var path = Path(points, shape.Kind == "outline"))
                        sheets.Canvas.DrawPath(path, pen);
                    break;
                case "disc":
                    sheets.Canvas.DrawCircle(points[0], (float)((shape.Radius ?? 0) * scale), pen);
                    break;
                case "words":
                    Words(sheets, shape, points[0], scale);
                    break;
            }
        }

        foreach (var shape in picture.Shapes.Where(s => s is { Kind: "outline", Key: not null }))
            if (marks?.GetValueOrDefault(shape.Key!) is { } mark)
                Mark(sheets, [.. shape.Points.Select(At)], mark, scale);
        sheets.Y += (picture.Height * scale) + 6;
        return picture.Height * scale;
    }

    private static SKPath Path(SKPoint[] points, bool closed)
    {
        using var builder = new SKPathBuilder();
        builder.AddPoly(points, closed);
        return builder.Detach();
    }

    // What failed is hatched, so that it survives a printer without colours; the words stand on a plate of their own.
    private static void Mark(Sheets sheets, SKPoint[] outline, ReportMarkDto mark, double scale)
    {
        var (left, right) = (outline.Min(p => p.X), outline.Max(p => p.X));
        var (top, foot) = (outline.Min(p => p.Y), outline.Max(p => p.Y));
        if (mark.State == "failed")
            for (var x = left - (foot - top); x < right; x += Hatch)
            {
                var (from, to) = (Math.Max(x, left), Math.Min(x + (foot - top), right));
                sheets.Straight(0.4, from, foot - (from - x), to, foot - (to - x));
            }

        var size = Math.Max(6, 14 * scale);
        var wide = sheets.Measure(Lettering.Strong, size, mark.Words);
        var (middle, line) = ((left + right) / 2, ((top + foot) / 2) + (size / 3));
        using var plate = new SKPaint { Color = SKColors.White };
        sheets.Canvas.DrawRect(
            SKRect.Create((float)(middle - (wide / 2) - 2), (float)(line - size), (float)(wide + 4), (float)(size * 1.3)), plate);
        sheets.Line(Lettering.Strong, size, mark.Words, middle - (wide / 2), line);
    }

    private static void Words(Sheets sheets, ShapeDto shape, SKPoint at, double scale)
    {
        var size = Math.Max(6, 15 * scale);
        var text = shape.Text ?? "";
        var wide = sheets.Measure(Lettering.Text, size, text);
        sheets.Line(
            Lettering.Text, size, text, at.X - (shape.Anchor switch { "middle" => wide / 2, "end" => wide, _ => 0 }), at.Y);
    }
}
