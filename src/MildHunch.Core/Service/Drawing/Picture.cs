namespace MildHunch.Core.Service.Drawing;

/// <summary>A place on a drawing; x to the right, y down.</summary>
public readonly record struct Point(double X, double Y);

/// <summary>What a shape is drawn as.</summary>
public enum ShapeKind
{
    /// <summary>A closed outline through its points.</summary>
    Outline,

    /// <summary>An open line through its points.</summary>
    Line,

    /// <summary>A disc of a radius round its one point.</summary>
    Disc,

    /// <summary>Words at its one point.</summary>
    Words,
}

/// <summary>What a shape stands for: it decides its colour, which is not said here.</summary>
public enum Ink
{
    /// <summary>A part, to be lit or dimmed.</summary>
    Part,

    /// <summary>What stays: the wall of a bore, the face of a head.</summary>
    House,

    /// <summary>A thin line from a name to its part, or an axis.</summary>
    Leader,

    /// <summary>The name of a part.</summary>
    Name,

    /// <summary>How a part faces.</summary>
    Note,

    /// <summary>Anything else that is said.</summary>
    Aside,
}

/// <summary>Where words stand to their point.</summary>
public enum Anchor
{
    /// <summary>They begin there.</summary>
    Start,

    /// <summary>They stand round it.</summary>
    Middle,

    /// <summary>They end there.</summary>
    End,
}

/// <summary>One shape of a drawing. Its key says what it belongs to: a part, a bolt, a place.</summary>
public sealed record Shape(
    ShapeKind Kind, Ink Ink, IReadOnlyList<Point> Points, string? Key = null, double Radius = 0, string Text = "",
    Anchor Anchor = Anchor.Start)
{
    /// <summary>A closed outline.</summary>
    public static Shape Outline(Ink ink, IReadOnlyList<Point> points, string? key = null) => new(ShapeKind.Outline, ink, points, key);

    /// <summary>An open line.</summary>
    public static Shape Line(Ink ink, IReadOnlyList<Point> points, string? key = null) => new(ShapeKind.Line, ink, points, key);

    /// <summary>A disc.</summary>
    public static Shape Disc(Ink ink, Point centre, double radius, string? key = null) => new(ShapeKind.Disc, ink, [centre], key, radius);

    /// <summary>Words.</summary>
    public static Shape Words(Ink ink, Point at, string text, Anchor anchor, string? key = null) =>
        new(ShapeKind.Words, ink, [at], key, Text: text, Anchor: anchor);

    /// <summary>A rectangle.</summary>
    public static Shape Box(Ink ink, double x, double y, double width, double height, string? key = null) =>
        Outline(ink, [new(x, y), new(x + width, y), new(x + width, y + height), new(x, y + height)], key);
}

/// <summary>
/// A drawing as a list of shapes, so that a screen and a printed page draw the same; everything lies between 0 and its width and height.
/// </summary>
public sealed record Picture(double Width, double Height, IReadOnlyList<Shape> Shapes);
