using MildHunch.Core.Expectation;
using MildHunch.Core.Quantities;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Expectation;

public sealed record WorkingInputDto(string Symbol, string Name, string Value);

public sealed record WorkingDto(string Formula, string Equation, IReadOnlyList<WorkingInputDto> Inputs, string Source);

public sealed record BandPartDto(string Cause, QuantityDto HalfWidth);

public sealed record FigureDto(
    string Id, string Name, QuantityDto Value, QuantityDto Low, QuantityDto High, IReadOnlyList<BandPartDto> Band, WorkingDto Working);

/// <summary>Figures with their workings, as they are sent.</summary>
public static class FigureMapping
{
    public static IReadOnlyList<FigureDto> ToDtos(this PumpExpectation expectation) => [.. expectation.Figures.Select(f => f.ToDto())];

    public static FigureDto ToDto(this Figure f, string? unit = null)
    {
        var shownIn = unit ?? f.Unit;
        QuantityDto Show(Amount amount) => shownIn is null
            ? amount.ToDto()
            : amount.ToDto(Quantity.UnitNamed(amount.Kind, shownIn, "unit"));
        return new FigureDto(
            f.Id, f.Name, Show(f.Value), Show(f.Low), Show(f.High),
            [.. f.Band.Select(b => new BandPartDto(b.Cause, Show(b.HalfWidth)))],
            new WorkingDto(
                f.Working.Formula, f.Working.Equation, [.. f.Working.Inputs.Select(i => new WorkingInputDto(i.Symbol, i.Name, i.Value))],
                f.Working.Source));
    }
}
