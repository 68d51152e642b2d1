using System.Globalization;
using MildHunch.Core.Faults.Effects;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Faults;

/// <summary>A fault laid on a pump: how bad, from 0 (barely there) to 1 (as the catalogue says), and where.</summary>
public sealed record FaultLoad(string Fault, double Severity, int? Cylinder = null, Side? Side = null)
{
    private const int MostLoads = 20;

    /// <summary>The condition of a pump with all of these at once.</summary>
    /// <exception cref="ImpossibleInputException">A fault, a severity or a place that this pump does not have, with the field under
    /// faults[i].</exception>
    public static Condition Lay(Catalogue catalogue, ReciprocatingPump pump, Setup setup, IReadOnlyList<FaultLoad> loads)
    {
        Guard.Within(
            "faults", loads.Count, 0, MostLoads, loads.Count.ToString(CultureInfo.InvariantCulture), $"at most {MostLoads} faults at once");
        var condition = new Condition();
        for (var i = 0; i < loads.Count; i++)
        {
            try
            {
                loads[i].Lay(ref condition, catalogue, pump, setup);
            }
            catch (ImpossibleInputException e)
            {
                throw e.Under($"faults[{i}]");
            }
        }

        return condition;
    }

    private void Lay(ref Condition condition, Catalogue catalogue, ReciprocatingPump pump, Setup setup)
    {
        var fault = catalogue.Fault(Fault)
            ?? throw new ImpossibleInputException("fault", $"“{Fault}”", "the id of a fault of the catalogue");
        if (!Catalogue.Fits(fault, pump, setup))
            throw new ImpossibleInputException("fault", fault.Id, "a fault of a part that this pump has");
        Guard.Within("severity", Severity, 0, 1, Quantity.Digits(Severity), $"0 ({fault.Zero}) to 1 ({fault.One})");
        var cylinder = Cylinder ?? 1;
        if (fault.Location != FaultLocation.None)
            Guard.Within(
                "cylinder", cylinder, 1, pump.Cylinders, cylinder.ToString(CultureInfo.InvariantCulture), $"1 to {pump.Cylinders}");
        var effect = EffectLibrary.Find(fault.EffectOn(Side))!;
        effect.Apply(ref condition, effect.FromDisplayed(Severity), pump, cylinder);
    }
}
