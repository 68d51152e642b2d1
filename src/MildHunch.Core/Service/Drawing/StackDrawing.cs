using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Service.Drawing;

/// <summary>A cavity drawn apart: its pieces in order on one axis, names to the left, the way they face to the right.</summary>
public static class StackDrawing
{
    private const double Width = 780;
    private const double Axis = 340;
    private const double Wall = 72;
    private const double Throat = 34;
    private const double ThroatDepth = 22;
    private const double NamesEnd = 210;
    private const double NotesStart = 468;
    private const double Line = 21;
    private const double Gap = 13;
    private const double Margin = 34;
    private const int LettersOfAName = 22;
    private const int LettersOfANote = 34;

    /// <summary>The drawing of a stack of this sheet; keys are ids of parts.</summary>
    /// <param name="sheet">A sheet as it is on a pump.</param>
    /// <param name="stack">One of its stacks.</param>
    public static Picture Of(ServiceSheet sheet, SheetStack stack)
    {
        var shapes = new List<Shape> { Said(new Point(Axis, 18), stack.Top) };
        var (y, bore) = (Margin, Margin);
        foreach (var (k, item) in stack.Items.Index())
        {
            if (k == stack.Outside)
                bore = y - (Gap / 2);
            var piece = PieceShapes.Find(item.Draw)!;
            string[] name = [.. TextLines.Of(item.Name ?? sheet.Part(item.Part)!.Name, LettersOfAName)];
            string[] note = [.. TextLines.Of(item.Says ?? Facing(sheet, stack, item, k), LettersOfANote)];
            var room = Math.Max(piece.Height, Line * Math.Max(name.Length, note.Length));
            shapes.AddRange(piece.At(Axis, y + ((room - piece.Height) / 2), item.Flip, item.Part));
            shapes.AddRange(Labels(y + (room / 2), piece.Reach, name, note, item.Part));
            y += room + Gap;
        }

        shapes.Add(Shape.Line(Ink.Leader, [new(Axis, Margin), new(Axis, y)]));
        foreach (var side in new[] { -1, 1 })
            shapes.Add(Shape.Line(
                Ink.House, [.. new Point[] { new(Wall, bore), new(Wall, y), new(Throat, y), new(Throat, y + ThroatDepth) }
                    .Select(p => p with { X = Axis + (side * p.X) })]));
        shapes.Add(Said(new Point(Axis, y + ThroatDepth + 22), stack.Bottom));
        return new Picture(Width, y + ThroatDepth + 32, shapes);
    }

    private static Shape Said(Point at, string text) => Shape.Words(Ink.Aside, at, text, Anchor.Middle);

    // The facing of a part is said at the first of its pieces.
    private static string Facing(ServiceSheet sheet, SheetStack stack, StackItem item, int k) =>
        stack.Items.Take(k).Any(i => i.Part == item.Part) ? "" : sheet.Part(item.Part)!.Facing;

    private static IEnumerable<Shape> Labels(double middle, double reach, string[] name, string[] note, string key)
    {
        yield return Shape.Line(Ink.Leader, [new(NamesEnd + 8, middle), new(Axis - reach - 4, middle)], key);
        foreach (var words in Column(NamesEnd, middle, name, Ink.Name, Anchor.End, key))
            yield return words;
        if (note.Length == 0)
            yield break;
        yield return Shape.Line(Ink.Leader, [new(Axis + reach + 4, middle), new(NotesStart - 8, middle)], key);
        foreach (var words in Column(NotesStart, middle, note, Ink.Note, Anchor.Start, key))
            yield return words;
    }

    private static IEnumerable<Shape> Column(double x, double middle, string[] lines, Ink ink, Anchor anchor, string key) =>
        lines.Index().Select(l => Shape.Words(
            ink, new Point(x, middle + 6 + (Line * (l.Index - ((lines.Length - 1) / 2.0)))), l.Item, anchor, key));
}
