using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Pumps;

/// <summary>Values of a pump that can be and hardly are: a rating of 2.9 bar, a control at 1 bar. They are asked back once.</summary>
public static class PumpDoubts
{
    /// <exception cref="DoubtException">Something is hard to believe, and nobody said it is so.</exception>
    public static void AskBack(PumpRequest request, ReciprocatingPump pump)
    {
        if (request.Sure == true)
            return;
        DoubtDto?[] doubts =
        [
            About("pump.ratedPressure", request.Pump!.RatedPressure, Plausibility.OfRating(pump.Arrangement)),
            request.Setup?.Assumed?.Contains(SetupAssumptions.Setting) == true
                ? null
                : About($"setup.{SetupAssumptions.Setting}", request.Setup?.ControlSetting, Plausibility.OfSetting(pump)),
        ];
        DoubtDto[] asked = [.. doubts.OfType<DoubtDto>()];
        if (asked.Length > 0)
            throw new DoubtException(asked);
    }

    /// <summary>What is odd about a value, with what may have been meant; null where it is believable.</summary>
    public static DoubtDto? About(string field, QuantityDto? given, Believable? believable)
    {
        if (given is null || believable is null)
            return null;
        var unit = Quantity.UnitNamed(believable.Kind, given.Unit, field);
        if (believable.Holds(unit.ToSi(given.Value)))
            return null;
        return new DoubtDto(
            field, $"{Quantity.Digits(given.Value, 6)} {unit.Symbol} is {believable.Why}.", given,
            [.. believable.Instead(given.Value, unit).Select(m => new QuantityDto(m.Value, m.Unit.Symbol))]);
    }
}
