using System.Globalization;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Evidence;

/// <summary>Which readings are taken: those a set-up can have, within what any pump of the trade shows.</summary>
internal static class AcceptedReadings
{
    /// <summary>Checks that a quantity is there to be read.</summary>
    /// <exception cref="ImpossibleInputException">A quantity that this set-up does not have.</exception>
    public static void CheckThere(string quantity, ReciprocatingPump pump, Setup setup, string field)
    {
        if (Readable.On(quantity, pump, setup))
            return;
        throw new ImpossibleInputException(field, quantity, $"what this pump has: {Readable.Of(quantity).Instead}");
    }

    /// <summary>Range of a reading, wide enough for every pump of the trade.</summary>
    public static void Check(Reading reading, string field)
    {
        var (least, most, accepted) = reading.What.Id switch
        {
            "discharge-pressure" or "gun-pressure" => (-1e5, 6.5e8, "−1 to 6500 bar"),
            "swing" => (0, 6.5e8, "0 to 6500 bar"),
            "speed" => (0.6 / 60, 100, "0.6 to 6000 rpm; a pump that stands still says nothing of its valves"),
            "inlet-pressure" => (-1.02e5, 2e6, "−1.02 to 20 bar"),
            "nozzle-orifice" => (5e-5, 0.1, "0.05 to 100 mm"),
            _ => (0.0, 1, "0 to 60 000 L/min"),
        };
        Guard.Within(field, reading.Value.Si, least, most, reading.Value.Text(), $"{reading.What.Name.ToLowerInvariant()} of {accepted}");
        if (reading.Sigma is { } sigma)
            Guard.Within(
                $"{field}.uncertainty", sigma, 1e-12, 1e9, sigma.ToString(CultureInfo.InvariantCulture),
                $"an uncertainty above 0 in a unit of {Quantity.Name(reading.What.Kind)}");
    }
}
