using System.Diagnostics;
using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using MildHunch.Bench;

// Measures what the product promises: answers over HTTP from a running server (BASE_URL), and the kernel on its own.
const int Rounds = 1000;
const int WarmUp = 200;
CultureInfo.DefaultThreadCurrentCulture = CultureInfo.InvariantCulture;
CultureInfo.CurrentCulture = CultureInfo.InvariantCulture;
int Told(string name, int usual) =>
    Array.IndexOf(args, name) is var at and >= 0 && at + 1 < args.Length ? int.Parse(args[at + 1], CultureInfo.InvariantCulture) : usual;
if (args.Contains("--random"))
{
    MildHunch.Bench.Accuracy.RandomBench.Run(Told("--random", 100_000), Told("--seed", 1));
    return;
}

if (args.Contains("--freeze"))
{
    MildHunch.Bench.Accuracy.AccuracyBench.Freeze(args[^1], Told("--cases", 2000), Told("--seed", 1));
    return;
}

if (args.Contains("--frozen"))
{
    MildHunch.Bench.Accuracy.AccuracyBench.Kept(
        MildHunch.Bench.Accuracy.FrozenCases.Shipped, Array.IndexOf(args, "--show") is var at and >= 0 ? args[at + 1] : null,
        args.Contains("--as-when-drawn"));
    return;
}

if (args.Contains("--accuracy"))
{
    MildHunch.Bench.Accuracy.AccuracyBench.Run(Told("--cases", 2000), Told("--seed", 1), Told("--ceiling", 300), Told("--minutes", 500));
    return;
}

if (args.Contains("--mended"))
{
    MildHunch.Bench.Accuracy.MendedBench.Run(Told("--mended", 1500), Told("--seed", 1));
    return;
}

if (args.Contains("--lives"))
{
    MildHunch.Bench.Years.LivesCoverage.Run(Told("--lives", 2000), Told("--seed", 1));
    return;
}

if (args.Contains("--planted"))
{
    MildHunch.Bench.Years.PlantedPatterns.Run(Told("--planted", 60), Told("--seed", 1));
    return;
}

if (args.Contains("--alarms"))
{
    MildHunch.Bench.Years.FalseAlarms.Run(Told("--alarms", 200), Told("--seed", 1));
    return;
}

Console.WriteLine($"{Environment.ProcessorCount} cores, .NET {Environment.Version}, {Rounds} rounds after {WarmUp} to warm up, one at a "
    + "time");
var stolenBefore = Stolen();
bool Wanted(string part) => args.Length == 0 || args.Contains(part);
if (Wanted("--model"))
    Model.Measure();
if (Environment.GetEnvironmentVariable("BASE_URL") is { Length: > 0 } address)
{
    using var http = new HttpClient { BaseAddress = new Uri(address) };
    if (Wanted("--screen"))
        await ScreenBench.SuspectsOnScreen(http);
    if (Wanted("--questions"))
        await Questions(http);
    if (Wanted("--service"))
    {
        await Measure("service plan, one valve of a triplex", "/api/service-plan", i => Service(i, 3, "valve", "what-failed"), http);
        await Measure("service plan, all seals of seven cylinders", "/api/service-plan", i => Service(i, 7, "hp-seal", "whole-set"), http);
    }

    if (Wanted("--proving"))
    {
        await Measure("setting of a control, twelve readings", "/api/control-setting", Setting, http);
        await ReportBench.WithTenPhotographs(http);
    }

    if (Wanted("--years"))
        await MildHunch.Bench.Years.YearsBench.Run(args is ["--years", var kept, ..] ? kept : null);
    if (Wanted("--record") && Environment.GetEnvironmentVariable("DATA_DIR") is { Length: > 0 } folder)
        await RecordBench.LongRecord(http, folder);
}

if (args.Length == 0)
    MildHunch.Bench.Years.FalseAlarms.Run(40, 1);

// On a shared host others take processor time; what they took is told, since it lengthens the slow end.
var stolenAfter = Stolen();
Console.WriteLine("processor time taken by the host meanwhile: "
    + $"{100 * (stolenAfter.Stolen - stolenBefore.Stolen) / Math.Max(1, stolenAfter.All - stolenBefore.All):0.0} %");

static async Task Questions(HttpClient http)
{
    // A case asks again and again about one pump; "new pump" gives each question a pump never seen before.
    await Measure("diagnosis, FOG-2, 3 readings, 4 cues", "/api/diagnosis", i => Request(i % 7, 3, Few(i)), http);
    await Measure("diagnosis, FOG-2, 6 readings, 8 cues", "/api/diagnosis", i => Request(i % 7, 3, Many(i)), http);
    await Measure("diagnosis, everything fitted, 6 readings, 8 cues", "/api/diagnosis", i => Fitted(Request(i % 7, 3, Many(i))), http);
    await Measure("diagnosis, new pump, 3 readings, 4 cues", "/api/diagnosis", i => Request(10 + i, 3, Few(i)), http);
    await Measure("diagnosis, new pump, 6 readings, 8 cues", "/api/diagnosis", i => Request(5000 + i, 3, Many(i)), http);
    await Measure("diagnosis, new pump, everything fitted", "/api/diagnosis", i => Fitted(Request(10_000 + i, 3, Many(i))), http);
    await Measure("diagnosis, seven cylinders, 6 readings, 8 cues", "/api/diagnosis", i => Request(i % 7, 7, Many(i)), http);
    await Measure("diagnosis, seven cylinders, everything fitted", "/api/diagnosis", i => Fitted(Request(i % 7, 7, Many(i))), http);
    await Measure("expectation, FOG-2", "/api/expectation", i => Request(i, 3, null), http);
    await Measure("curves, FOG-2", "/api/curves", i => Request(i, 3, null), http);
    await Measure("half a second in time, FOG-2", "/api/simulation", i => Request(i, 3, null), http);
    await Measure("jot line", "/api/jot", i => Jot(i), http);
    await RecordBench.FirstQuestions(http, i => Fitted(Request(20_000 + i, 3, null)));
}

static (double Stolen, double All) Stolen()
{
    if (!File.Exists("/proc/stat"))
        return (0, 1);
    var ticks = File.ReadLines("/proc/stat").First().Split(' ', StringSplitOptions.RemoveEmptyEntries).Skip(1).Select(double.Parse)
        .ToArray();
    return (ticks[7], ticks.Take(8).Sum());
}

static JsonObject Amount(double value, string unit) => new() { ["value"] = value, ["unit"] = unit };

static JsonObject Pump(int cylinders) => new()
{
    ["arrangement"] = "crank-plunger",
    ["cylinders"] = cylinders,
    ["plungerDiameter"] = Amount(18, "mm"),
    ["stroke"] = Amount(18, "mm"),
    ["rodRatio"] = 0.2,
    ["ratedSpeed"] = Amount(1450, "rpm"),
    ["ratedPressure"] = Amount(100, "bar"),
    ["control"] = "unloader",
};

static JsonObject Service(int i, int cylinders, string part, string scope)
{
    var request = Request(i, cylinders, null);
    request["targets"] = new JsonArray(new JsonObject { ["part"] = part, ["cylinder"] = 1 + (i % cylinders) });
    request["scope"] = scope;
    return request;
}

// A line of 12 bar a turn, read on a gauge that is never quite right, spikes too.
static JsonObject Setting(int i)
{
    var request = Request(i % 7, 3, null);
    request["target"] = Amount(66, "bar");
    request["moves"] = new JsonArray([.. Enumerable.Range(0, 12).Select(k => new JsonObject
    {
        ["turns"] = 0.25 * k,
        ["running"] = Amount(30 + (3 * k) + ((i + k) % 5 / 5.0), "bar"),
        ["spike"] = Amount(33 + (3.3 * k), "bar"),
    })]);
    return request;
}

static JsonObject Request(int i, int cylinders, (JsonArray Readings, JsonArray Cues)? evidence)
{
    var request = new JsonObject
    {
        ["pump"] = Pump(cylinders),
        ["setup"] = new JsonObject
        {
            ["speed"] = Amount(1450 + (i / 100.0), "rpm"),
            ["nozzle"] = new JsonObject { ["flow"] = Amount(6.4 * cylinders, "L/min"), ["at"] = Amount(70, "bar") },
            ["controlSetting"] = Amount(85, "bar")
        },
    };
    if (evidence is { } told)
    {
        request["readings"] = told.Readings;
        request["cues"] = told.Cues;
    }

    return request;
}

// Seawater, belt-driven motor, suction hose and strainer, hose to the gun, dampener, relief beside the unloader, injector.
static JsonObject Fitted(JsonObject request)
{
    var setup = request["setup"]!.AsObject();
    setup["liquid"] = "seawater";
    setup["temperature"] = Amount(15, "°C");
    setup["supplyPressure"] = Amount(0.3, "bar");
    setup["voltage"] = Amount(400, "V");
    setup["drive"] = new JsonObject
    {
        ["kind"] = "motor",
        ["ratedPower"] = Amount(4 * setup["nozzle"]!["flow"]!["value"]!.GetValue<double>() / 19.2, "kW"),
        ["poles"] = 4,
        ["gearRatio"] = 1.02 * setup["speed"]!["value"]!.GetValue<double>() / 1450
    };
    setup["inlet"] = new JsonObject
    {
        ["run"] = new JsonObject { ["length"] = Amount(3, "m"), ["bore"] = Amount(38, "mm") },
        ["level"] = Amount(0.5, "m"),
        ["strainer"] = 2
    };
    setup["outlet"] = new JsonObject { ["length"] = Amount(20, "m"), ["bore"] = Amount(13, "mm"), ["fittings"] = 4 };
    setup["dampener"] = new JsonObject { ["gasVolume"] = Amount(160, "mL"), ["charge"] = Amount(45, "bar") };
    setup["relief"] = Amount(110, "bar");
    setup["injector"] = "outlet";
    return request;
}

static JsonObject Reading(string quantity, double value, string unit) => new() { ["quantity"] = quantity, ["value"] = Amount(value, unit) };

static JsonObject Cue(string cue, string answer) => new() { ["cue"] = cue, ["answer"] = answer };

static (JsonArray, JsonArray) Few(int i) => (
    [Reading("discharge-pressure", 31 + (i % 11), "bar"), Reading("nozzle-flow", 12.6, "L/min"), Reading("speed", 1447, "rpm")],
    [Cue("needle", "swings"), Cue("inlet-hose", "calm"), Cue("bypass-with-outlet-open", "none"), Cue("sound", "smooth")]);

static (JsonArray, JsonArray) Many(int i) => (
    [
        Reading("discharge-pressure", 31 + (i % 11), "bar"), Reading("swing", 14, "bar"), Reading("nozzle-flow", 12.6, "L/min"),
        Reading("bypass-flow", 0, "L/min"), Reading("speed", 1447, "rpm"), Reading("inlet-pressure", -0.1, "bar")],
    [
        Cue("needle", "swings"), Cue("jet", "pulsing"), Cue("inlet-hose", "calm"), Cue("bypass-with-outlet-open", "none"),
        Cue("sound", "smooth"), Cue("prime", "normal"), Cue("leak-at", "none"), Cue("closed-outlet", "holds")]);

static JsonObject Jot(int i) =>
    new() { ["pump"] = Pump(3), ["text"] = $"{31 + (i % 5)} bar swing 24, bucket 10 l in 49 s, bypass none, inlet hose calm" };

static async Task Measure(string what, string path, Func<int, JsonObject> body, HttpClient http)
{
    var times = new Times(what);
    for (var i = 0; i < Rounds + WarmUp; i++)
    {
        using var content = JsonContent.Create(body(i));
        await content.LoadIntoBufferAsync();
        var watch = Stopwatch.StartNew();
        using var response = await http.PostAsync(path, content);
        await response.Content.ReadAsByteArrayAsync();
        if (i >= WarmUp)
            times.Took(watch.Elapsed);
        response.EnsureSuccessStatusCode();
    }

    times.Tell();
}
