using System.Collections.Frozen;
using MildHunch.Core.Faults;

namespace MildHunch.Core.Service.Sheets;

/// <summary>How one piece of a stack looks when it is cut through its middle: the right half of it, x from the axis outwards.</summary>
public sealed record PieceShape
{
    /// <summary>Height along the axis, above 0.</summary>
    public required double Height { get; init; }

    /// <summary>Outlines; one that touches the axis is a body, any other a ring cut twice.</summary>
    public IReadOnlyList<IReadOnlyList<double[]>> Half { get; init; } = [];

    /// <summary>Discs: x, y and radius; one on the axis is a ball, any other a ring cut twice.</summary>
    public IReadOnlyList<double[]> Discs { get; init; } = [];

    /// <summary>Lines over the whole width: springs, threads.</summary>
    public IReadOnlyList<IReadOnlyList<double[]>> Lines { get; init; } = [];

    /// <summary>How far it reaches from the axis.</summary>
    public double Reach => Half.SelectMany(h => h).Concat(Lines.SelectMany(l => l)).Select(p => Math.Abs(p[0]))
        .Concat(Discs.Select(d => d[0] + d[2])).DefaultIfEmpty(0).Max();
}

/// <summary>Every piece that a sheet may draw, by name; read once from data.</summary>
public static class PieceShapes
{
    private const string File = "shapes.json";

    private static readonly FrozenDictionary<string, PieceShape> ByName =
        KnowledgeFile.Read<Dictionary<string, PieceShape>>(File, KnowledgeFile.Shipped($"drawing/{File}")).ToFrozenDictionary();

    /// <summary>Names a sheet may use.</summary>
    public static IEnumerable<string> Names => ByName.Keys.Order(StringComparer.Ordinal);

    /// <summary>The piece of that name; null for one nobody knows.</summary>
    public static PieceShape? Find(string name) => ByName.GetValueOrDefault(name);
}
