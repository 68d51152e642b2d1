using System.Text.Json;
using System.Text.Json.Nodes;
using CsCheck;
using MildHunch.Core;
using MildHunch.Web.Pumps;

namespace MildHunch.Web.Tests.Pumps;

/// <summary>Whatever is wrong with a pump at the same time is told at once, each at its own field, and nothing else with it.</summary>
public class AllAtOnceTests
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web);

    /// <summary>Values that cannot be; none of them is judged by another.</summary>
    private static readonly KeyValuePair<string, string>[] Wrongs =
    [
        new("tag", "\" \""),
        new("pump.plungerDiameter", """{"value":900,"unit":"mm"}"""),
        new("pump.stroke", """{"value":1,"unit":"bar"}"""),
        new("pump.ratedSpeed", """{"value":90000,"unit":"rpm"}"""),
        new("pump.ratedPressure", "null"),
        new("pump.control", "\"by hand\""),
        new("pump.rodRatio", "2"),
        new("pump.slip", "0.9"),
        new("pump.requiredHead", """{"value":900,"unit":"m"}"""),
        new("pump.oilPistonDiameter", """{"value":90,"unit":"mm"}"""),
        new("pump.firingOrder", "[1,1,3]"),
        new("setup.controlSetting", """{"value":0,"unit":"bar"}"""),
        new("setup.liquid", "\"beer\""),
        new("setup.drive.poles", "3"),
        new("setup.drive.ratedPower", """{"value":-5,"unit":"kW"}"""),
        new("setup.drive.pumpPulley", """{"value":9,"unit":"m"}"""),
        new("setup.inlet.run.bore", """{"value":9,"unit":"m"}"""),
        new("setup.inlet.strainer", "-1"),
        new("setup.outlet.length", "null"),
        new("setup.outlet.material", "\"straw\""),
        new("setup.dampener.charge", """{"value":-1,"unit":"bar"}"""),
        new("setup.nozzle.at", "null"),
        new("setup.nozzle.count", "0"),
        new("setup.line", "\"rope\""),
    ];

    [Fact]
    public void Everything_wrong_is_named_and_nothing_else() =>
        Gen.Shuffle(Wrongs, 1, Wrongs.Length).Sample(
            wrongs => Refused(wrongs).ShouldBe(wrongs.Select(w => w.Key), ignoreOrder: true), iter: 300);

    [Fact]
    public void A_pump_with_nothing_wrong_is_taken() => Refused([]).ShouldBeEmpty();

    private static IEnumerable<string> Refused(IReadOnlyList<KeyValuePair<string, string>> wrongs)
    {
        var pump = Sound();
        foreach (var (field, json) in wrongs)
        {
            var path = field.Split('.');
            path[..^1].Aggregate((JsonNode)pump, (at, part) => at[part]!)[path[^1]] = JsonNode.Parse(json);
        }

        try
        {
            PumpRecord.Checked(pump.Deserialize<PumpRequest>(Options)!, new DateTime(2026, 3, 1, 9, 0, 0, DateTimeKind.Utc));
            return [];
        }
        catch (ImpossibleInputException e)
        {
            return e.All.Select(one => one.Field);
        }
    }

    private static JsonObject Sound()
    {
        var setup = Product.Setup();
        setup.Remove("speed");
        setup["drive"] = new JsonObject
        {
            ["kind"] = "motor",
            ["ratedPower"] = Product.Amount(5.5, "kW"),
            ["poles"] = 4,
            ["driverPulley"] = Product.Amount(100, "mm"),
            ["pumpPulley"] = Product.Amount(100, "mm"),
        };
        setup["inlet"] = new JsonObject { ["run"] = Run(32), ["level"] = Product.Amount(1, "m") };
        setup["outlet"] = Run(10);
        setup["dampener"] = new JsonObject { ["gasVolume"] = Product.Amount(0.2, "L"), ["charge"] = Product.Amount(40, "bar") };
        return new JsonObject { ["tag"] = "WASH-9", ["pump"] = Product.Pump(), ["setup"] = setup };
    }

    private static JsonObject Run(double bore) => new() { ["length"] = Product.Amount(3, "m"), ["bore"] = Product.Amount(bore, "mm") };
}
