using System.Globalization;
using MildHunch.Core.Quantities;
using MildHunch.Core.Service.Drawing;

namespace MildHunch.Core.Service.Proving;

/// <summary>Pressure against turns: readings, target, limits and knee. Keys: "running.0", "spike.0", "target", "limit", "knee".</summary>
public static class SettingDrawing
{
    private const double Width = 420;
    private const double Height = 330;
    private const double Left = 20;
    private const double Right = 18;
    private const double Top = 26;
    private const double Foot = 44;
    private const double Dot = 7;
    private const double LeastSpan = 1;

    /// <summary>The drawing of what was asked and advised so far.</summary>
    public static Picture Of(SettingQuestion asked, SettingAdvice advice)
    {
        var moves = asked.Moves;
        var unit = Units.Preferred(QuantityKind.GaugePressure);
        var last = moves.Count > 0 ? moves[^1].Turns : 0;
        double[] turns = [.. moves.Select(m => m.Turns), 0, last + (advice.Turns ?? 0), advice.Curve.KneeTurns ?? last];
        var (from, to) = Span(turns.Min(), turns.Max());
        double[] pressures =
            [.. moves.Select(m => m.RunningPa), .. moves.Select(m => m.SpikePa ?? 0), asked.TargetPa, advice.Expected?.HighPa ?? 0];
        var top = 1.08 * Math.Max(pressures.Max(), Math.Min(asked.Lowest.Pressure.Si, 1.4 * asked.TargetPa));
        double X(double t) => Left + ((t - from) / (to - from) * (Width - Left - Right));
        double Y(double pa) => Height - Foot - (Math.Clamp(pa / top, 0, 1) * (Height - Top - Foot));
        string Said(double pa) => new GaugePressure(pa).Format(unit);

        List<Shape> shapes =
        [
            Shape.Line(Ink.House, [new(Left, Top), new(Left, Height - Foot), new(Width - Right, Height - Foot)]),
            Shape.Words(Ink.Aside, new(Width - Right, Height - 10), "turns in", Anchor.End),
            .. Level(asked.TargetPa, "target"),
        ];
        if (asked.Lowest.Pressure.Si <= top)
            shapes.AddRange(Level(asked.Lowest.Pressure.Si, "limit"));
        for (var t = (Math.Ceiling(from * 2) / 2) + 0.0; t <= to; t += to - from > 4 ? 1 : 0.5)
            shapes.Add(Shape.Words(
                Ink.Aside, new(X(t), Height - Foot + 20), t.ToString("0.##", CultureInfo.InvariantCulture), Anchor.Middle));
        if (advice.Curve is { KneeTurns: { } knee, KneePa: { } kneePa })
        {
            shapes.Add(Shape.Line(Ink.Leader, [new(X(knee), Y(0)), new(X(knee), Y(kneePa))], "knee"));
            shapes.Add(Shape.Words(Ink.Note, new(X(knee) + 6, Y(0) - 8), "nozzle takes all", Anchor.Start, "knee"));
        }

        if (moves.Count > 1)
        {
            Point[] line = [.. moves.OrderBy(m => m.Turns).Select(m => new Point(X(m.Turns), Y(m.RunningPa)))];
            shapes.Add(Shape.Line(Ink.Part, line, "running"));
        }

        foreach (var (k, move) in moves.Index())
        {
            shapes.Add(Shape.Disc(Ink.Part, new(X(move.Turns), Y(move.RunningPa)), Dot, $"running.{k}"));
            if (move.SpikePa is { } spike)
                shapes.Add(Shape.Outline(Ink.Part, Diamond(X(move.Turns), Y(spike)), $"spike.{k}"));
        }

        if (advice is { Expected: { } band, Turns: { } next })
            shapes.Add(Shape.Box(Ink.Leader, X(last + next) - 5, Y(band.HighPa), 10, Y(band.LowPa) - Y(band.HighPa), "expected"));
        return new Picture(Width, Height, shapes);

        IEnumerable<Shape> Level(double pa, string key) =>
        [
            Shape.Line(Ink.Leader, [new(Left, Y(pa)), new(Width - Right, Y(pa))], key),
            Shape.Words(Ink.Note, new(Width - Right - 4, Y(pa) - 6), $"{key} {Said(pa)}", Anchor.End, key),
        ];
    }

    private static (double From, double To) Span(double least, double most)
    {
        var middle = (least + most) / 2;
        var half = Math.Max(LeastSpan, most - least + 0.25) / 2;
        return (middle - half, middle + half);
    }

    private static Point[] Diamond(double x, double y) => [new(x, y - Dot), new(x + Dot, y), new(x, y + Dot), new(x - Dot, y)];
}
