using MildHunch.Core.Records.Patterns;

namespace MildHunch.DemoYears;

/// <summary>How one demo pump is run over the years: its serial, how much, and the seed of its luck.</summary>
internal sealed record PumpYears(string Tag, string Serial, double HoursPerWeek, int Seed, bool MustRunInSpring = false);

/// <summary>The demo shop’s years: which pumps, how long, and what is planted in them.</summary>
internal static class Plan
{
    /// <summary>
    /// The day of which the open cases are; history reaches two years back and one on, so that any day finds two behind it.
    /// </summary>
    public static readonly DateOnly Anchor = new(2026, 1, 1);
    public static readonly DateOnly From = new(2024, 1, 1);
    public static readonly DateOnly To = new(2027, 1, 1);

    // A batch a quarter. Three pumps were fitted with valves of another one at first, and that was bad.
    private const string BadBatch = "K-2290";
    private static readonly string[] Fitted = ["FOG-2", "NET-1", "DESAL-B"];

    /// <summary>Batches of the parts of a pump, quarter by quarter.</summary>
    public static string[] Batches(string tag) =>
        [Fitted.Contains(tag) ? BadBatch : "K-2300", .. Enumerable.Range(1, 11).Select(i => $"K-{2300 + (i * 7)}")];

    /// <summary>How often the whole set is changed with what failed.</summary>
    public static double WholeSets(string tag) => Fitted.Contains(tag) ? 0.08 : 0.4;

    public static readonly PumpYears[] Pumps =
    [
        new("FOG-2", "TP-1182", 8, 21), new("NET-1", "TP-1190", 7, 12), new("BRINE-4", "BR-2210", 20, 13),
        new("DESAL-B", "QD-0077", 5, 4), new("TEST-3", "TW-0310", 7, 15), new("MIST-7", "AX-5521", 7, 16),
        new("JUICE-HP", "IH-3307", 16, 7), new("FROST-R", "QX-0415", 9, 8, MustRunInSpring: true),
    ];

    /// <summary>How much harder a part has it than the catalogue says.</summary>
    public static double Hard(PumpOnRecord pump, RecordPart part, DateOnly day, string? batch) => pump.Tag switch
    {
        "JUICE-HP" when part.Kind == "static-seal" && part.At.Place.Cylinder == 1 => 45,
        "FROST-R" when part.Family.Id == "controls" && day.Month is >= 3 and <= 5 => 130,
        "BRINE-4" when part.Family.Id == "seals" && day.Month is >= 6 and <= 8 => 150,
        _ when batch == BadBatch && part.Kind == "valve" => 30,
        _ => 1,
    };
}
