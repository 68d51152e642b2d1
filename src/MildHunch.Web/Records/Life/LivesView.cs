using MildHunch.Core.Records.Lives;
using MildHunch.Core.Records.Patterns;

namespace MildHunch.Web.Records.Life;

/// <summary>How long the kinds of part of a pump last, with what that was read from.</summary>
internal static class LivesView
{
    private const int CurvePoints = 40;

    // More dots than these only lie on one another.
    private const int MostDots = 80;

    public static IReadOnlyList<KindOfLifeDto> Of(PumpMemory memory, WholeRecord known) =>
    [
        .. memory.Record.Parts.GroupBy(p => p.Kind).Select(g => (Name: Named(g), Part: g.First()))
            .Select(k => (k.Name, k.Part, Life: known.Life(memory.LifeOf(k.Part)))).Where(k => k.Life is not null)
            .Select(k => ToDto(k.Name, k.Part, k.Life!)),
    ];

    // Valves that a sheet calls by their side are one kind, and told as one.
    private static string Named(IGrouping<string, RecordPart> kind)
    {
        if (kind.Select(p => p.Name).Distinct().Take(2).Count() == 1)
            return kind.First().Name;
        var words = kind.Key.Replace('-', ' ');
        return char.ToUpperInvariant(words[0]) + words[1..];
    }

    private static KindOfLifeDto ToDto(string name, RecordPart part, LifeOnRecord life)
    {
        var estimate = life.Estimate;
        var longest = Math.Max(life.Watched.Select(w => w.Hours).DefaultIfEmpty(0).Max(), estimate.Mean.Value * 1.5);
        return new KindOfLifeDto(
            part.Kind, name, life.Of.PumpType, life.Of.Liquid, estimate.ToDto(),
            [.. Few(life.Plotted).Select(p => new PlotPointDto(Math.Round(p.Hours, 1), Math.Round(p.Failed, 4)))],
            life.Prior is not null,
            [.. Enumerable.Range(1, CurvePoints).Select(i => longest * i / CurvePoints)
                .Select(h => new PlotPointDto(Math.Round(h, 1), Math.Round(estimate.ChanceWithin(0, h), 4)))]);
    }

    // The first and the last, and those evenly between.
    private static IEnumerable<PlottedFailure> Few(IReadOnlyList<PlottedFailure> all) => all.Count <= MostDots
        ? all
        : Enumerable.Range(0, MostDots).Select(i => all[i * (all.Count - 1) / (MostDots - 1)]);
}
