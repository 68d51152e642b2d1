using MildHunch.Core.Pumps;
using MildHunch.Core.Service.Drawing;

namespace MildHunch.Web.Service;

/// <summary>Drawings as they go out: shapes with rounded places.</summary>
internal static class PictureMapping
{
    public static PictureDto ToDto(this Picture picture) => new(
        picture.Width, Math.Round(picture.Height), [.. picture.Shapes.Select(ToDto)]);

    private static ShapeDto ToDto(Shape shape)
    {
        var words = shape.Kind == ShapeKind.Words;
        return new ShapeDto(
            shape.Kind.Named(), shape.Ink.Named(), [.. shape.Points.Select(p => new PointDto(Math.Round(p.X, 1), Math.Round(p.Y, 1)))],
            shape.Key, shape.Kind == ShapeKind.Disc ? shape.Radius : null, words ? shape.Text : null, words ? shape.Anchor.Named() : null);
    }
}
