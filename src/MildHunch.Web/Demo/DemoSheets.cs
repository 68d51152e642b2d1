using MildHunch.Web.Service;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Demo;

/// <summary>Service figures of the demo pumps: what their makers print and the workshop pays, all invented.</summary>
internal static class DemoSheets
{
    /// <summary>The figures of a pump by its tag; null for one of which nothing is noted.</summary>
    public static PumpSheetDto? Of(string tag) => tag switch
    {
        "FOG-2" => new PumpSheetDto(
            Torques: new Dictionary<string, QuantityDto> { ["caps"] = new(75, "ft·lbf"), ["head-bolts"] = new(28, "N·m") },
            Bolts: new Dictionary<string, BoltMakeDto> { ["head-bolts"] = new("M8", "8.8", "steel", "oiled") },
            Kits:
            [
                new KitDto("Valves, one side", new Dictionary<string, int> { ["valve"] = 3, ["seat-oring"] = 3, ["cap-oring"] = 3 }, 64),
                new KitDto(
                    "Seals, three cylinders",
                    new Dictionary<string, int> { ["hp-seal"] = 3, ["lp-seal"] = 3, ["carrier-oring"] = 3, ["backup-ring"] = 3 }, 88),
            ],
            Prices: new Dictionary<string, double> { ["plunger"] = 42, ["carrier"] = 31 }, Oil: "SAE 30, 0.5 L",
            Interval: new IntervalDto(800), NewPump: 940),
        "BRINE-4" => new PumpSheetDto(
            Torques: new Dictionary<string, QuantityDto> { ["discharge-bolts"] = new(154, "N·m"), ["inlet-nuts"] = new(154, "N·m") },
            Bolts: new Dictionary<string, BoltMakeDto> { ["discharge-bolts"] = new("M16", "8.8", "steel", "oiled") },
            Kits: [new KitDto("Packings, one cylinder", new Dictionary<string, int> { ["packing"] = 2, ["lp-seal"] = 1 }, 57)],
            Interval: new IntervalDto(1200), NewPump: 5200),
        "JUICE-HP" => new PumpSheetDto(
            Id: "intensifier-nuts", Torques: new Dictionary<string, QuantityDto> { ["tie-rod-nuts"] = new(220, "N·m") },
            Kits: [new KitDto("Seals, one end", new Dictionary<string, int> { ["dynamic-seal"] = 1, ["static-seal"] = 1 }, 210)],
            Interval: new IntervalDto(400)),
        "WASH-3" => new PumpSheetDto(
            Torques: new Dictionary<string, QuantityDto> { ["discharge-bolts"] = new(28, "N·m"), ["rod-nuts"] = new(9, "N·m") },
            Prices: new Dictionary<string, double> { ["inlet-valve"] = 12.5, ["split-pin"] = 0.4, ["adapter-rings"] = 3.2 },
            Oil: "SAE 30, 0.4 L", Interval: new IntervalDto(1000), NewPump: 760),
        _ => null,
    };
}
