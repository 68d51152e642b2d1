using MildHunch.Core.Service.Drawing;
using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Service.Findings;

/// <summary>A finding drawn small: the piece cut through its middle, and what is to be seen on it.</summary>
public static class FindingDrawing
{
    private const double Width = 160;
    private const double Axis = Width / 2;
    private const double Margin = 16;

    /// <summary>The drawing; null where words are enough. Keys are “piece” and “mark”.</summary>
    public static Picture? Of(Finding finding)
    {
        if (finding.Draw is not { } name || PieceShapes.Find(name) is not { } piece)
            return null;
        static Point At(double[] p) => new(Axis + p[0], Margin + p[1]);
        return new Picture(
            Width, piece.Height + (2 * Margin),
            [
                .. piece.At(Axis, Margin, false, "piece"),
                .. finding.Marks.Lines.Select(l => Shape.Line(Ink.House, [.. l.Select(At)], "mark")),
                .. finding.Marks.Discs.Select(d => Shape.Disc(Ink.House, At(d), d[2], "mark")),
            ]);
    }
}
