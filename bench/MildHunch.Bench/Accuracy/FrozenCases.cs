using System.IO.Compression;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Bench.Accuracy;

/// <summary>
/// Drawn cases kept in a file, so that a changed catalogue is judged on what an older one drew. One case a line, SI
/// throughout, compressed. Answers that have changed their name since are translated as they are read.
/// </summary>
internal static class FrozenCases
{
    /// <summary>The 2000 cases of seed 1 as they were drawn before the catalogue took in the trade's corrections.</summary>
    public static string Shipped => Path.Combine(AppContext.BaseDirectory, "Frozen", "drawn-seed-1.jsonl.gz");

    /// <summary>
    /// Today's knowledge with the faults, and how often each was taken to come, of the day those cases were drawn: what has come
    /// to the catalogue since cannot be the truth of any of them.
    /// </summary>
    public static Catalogue AsWhenDrawn()
    {
        var weights = JsonNode.Parse(File.ReadAllText(Path.Combine(
            AppContext.BaseDirectory, "Frozen", "drawn-seed-1.weights.json")))!.AsObject();
        return Catalogue.Read(name =>
        {
            if (name != "faults.json")
                return Catalogue.Shipped(name).Replace(AtCapsOnly, "", StringComparison.Ordinal);
            var faults = JsonNode.Parse(Catalogue.Shipped(name))!.AsArray();
            foreach (var fault in faults.Select(f => f!.AsObject()))
            {
                fault["weight"] = weights[fault["id"]!.GetValue<string>()]?.GetValue<double>() ?? Never;
                fault.Remove("weightWhere");

                // Every pump was taken to have a cap over each valve.
                if (fault["location"]!.GetValue<string>() == "cap")
                {
                    fault["location"] = "cavity";
                    fault.Remove("fitted");
                }
            }

            return faults.ToJsonString();
        });
    }

    private const string AtCapsOnly = ", \"fitted\": [\"caps\"]";

    // A weight must not be nothing.
    private const double Never = 1e-6;

    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.KebabCaseLower) },
    };

    private sealed record Place(string Fault, int? Cylinder, Side? Side, double Severity);

    private sealed record Read(string What, double Si, double Sigma, double Error);

    private sealed record Answer(string Cue, string Says, int? Cylinder, Side? Side, double? Drops, bool? Stream, Dripping? When);

    private sealed record Machine(
        Arrangement Arrangement, int Cylinders, double Bore, double Stroke, double Speed, double Rated, ControlKind Control,
        HeadLayout Layout, SealReturn Seal,
        double RodRatio, double Clearance, double Slip, double? Oil, SealKind? Seals = null, bool? StartValve = null);

    private sealed record Run(
        double Speed, double Kn, double? Setting, OutletLine Line, double Supply, double? InletLength, double? InletBore, double? Level,
        double? Gas, double? Charge,
        InjectorPlace? Injector, double? Oil, double? OutletLength, double? OutletBore);

    private sealed record Line(string Kind, Machine Pump, Run Setup, Place[] Truth, Read[] Readings, Answer[] Cues, Answer[] SlowCues,
        string[]? Contexts = null);

    public static void Write(string file, IEnumerable<DrawnCase> cases)
    {
        using var packed = new GZipStream(File.Create(file), CompressionLevel.SmallestSize);
        using var writer = new StreamWriter(packed);
        foreach (var drawn in cases)
            writer.WriteLine(JsonSerializer.Serialize(Of(drawn), Json));
    }

    /// <summary>The cases of a file; those are left out whose fault or answers such a pump cannot have.</summary>
    public static IReadOnlyList<DrawnCase> From(Catalogue catalogue, string file)
    {
        using var packed = new GZipStream(File.OpenRead(file), CompressionMode.Decompress);
        using var reader = new StreamReader(packed);
        var cases = new List<DrawnCase>();
        while (reader.ReadLine() is { } line)
        {
            if (Drawn(catalogue, JsonSerializer.Deserialize<Line>(line, Json)!) is { } drawn)
                cases.Add(drawn);
        }

        return cases;
    }

    private static Line Of(DrawnCase c) => new(
        c.Kind,
        new Machine(
            c.Pump.Arrangement, c.Pump.Cylinders, c.Pump.PlungerDiameter.Si, c.Pump.Stroke.Si, c.Pump.RatedSpeed.Si,
            c.Pump.RatedPressure.Si, c.Pump.Control, c.Pump.HeadLayout,
            c.Pump.SealReturn, c.Pump.RodRatio, c.Pump.Clearance, c.Pump.Slip, c.Pump.OilPistonDiameter?.Si,
            c.Pump.Seals, c.Pump.StartValve),
        new Run(
            c.Setup.Speed.Si, c.Setup.Nozzle.Coefficient, c.Setup.ControlSetting?.Si, c.Setup.Line, c.Setup.SupplyPressure.Si,
            c.Setup.Inlet?.Run.Length.Si, c.Setup.Inlet?.Run.Bore.Si,
            c.Setup.Inlet?.Level.Si, c.Setup.Dampener?.Gas.Si, c.Setup.Dampener?.Charge.Si, c.Setup.Injector, c.Setup.OilPressure?.Si,
            c.Setup.Outlet?.Length.Si, c.Setup.Outlet?.Bore.Si),
        [.. c.Truth.Zip(c.Severity, (h, s) => new Place(h.Fault.Id, h.Cylinder, h.Side, s))],
        [.. c.Readings.Select(r => new Read(r.Reading.What.Id, r.Reading.Value.Si, r.Sigma, r.Error))],
        [.. c.Cues.Select(Of)],
        [.. c.SlowCues.Select(Of)],
        [.. c.Contexts]);

    private static Answer Of(CueFact f) =>
        new(f.Cue, f.Answer, f.Cylinder, f.Side, f.DropsPerMinute, f.Stream ? true : null, f.When == Dripping.Unsaid ? null : f.When);

    private static DrawnCase? Drawn(Catalogue catalogue, Line line)
    {
        var (pump, setup) = (Pump(line.Pump), Setup(line.Setup));
        // Cases drawn without a history were drawn as if every pump had been opened at some time.
        var told = CaseEvidence.None with { Contexts = line.Contexts ?? [], Opened = line.Contexts is null };
        var all = HypothesisSet.For(catalogue, pump, setup, told).All;
        var truth = line.Truth
            .Select(t => all.FirstOrDefault(h => h.Fault.Id == t.Fault && h.Cylinder == t.Cylinder && h.Side == t.Side)).ToArray();
        var possible = new CueModel(catalogue, pump, setup, []);

        // An answer to a question that such a pump is no longer asked is left out; one that it cannot give leaves out the case.
        bool Asked(Answer a) => catalogue.Cue(a.Cue) is { } cue && Catalogue.Fits(cue, pump, setup);
        var (quick, slow) = (line.Cues.Where(Asked).ToArray(), line.SlowCues.Where(Asked).ToArray());
        return truth.Contains(null) || !quick.Concat(slow).All(a => possible.Allows(Fact(a))) ? null : new DrawnCase(
            line.Kind,
            pump,
            setup,
            truth!,
            [.. line.Truth.Select(t => t.Severity)],
            [.. line.Readings.Select(r => Observables.Find(r.What)! is var what
                ? (new Reading(what, new Amount(what.Kind, r.Si)), r.Sigma, r.Error)
                : default)],
            [.. quick.Select(Fact)],
            [.. slow.Select(Fact)],
            [],
            told.Contexts,
            told.Opened);
    }

    private static CueFact Fact(Answer a) =>
        new(a.Cue, a.Says, a.Cylinder, a.Side, a.Drops, Stream: a.Stream ?? false, When: a.When ?? Dripping.Unsaid);

    private static ReciprocatingPump Pump(Machine m) => ReciprocatingPump.Create(
        m.Cylinders, new Length(m.Bore), new Length(m.Stroke), new RotationalSpeed(m.Speed), new GaugePressure(m.Rated), m.Control,
        m.Layout, m.Seal, Math.Abs(m.RodRatio), m.Arrangement,
        pullDischarges: m.RodRatio < 0, clearance: m.Clearance, slip: m.Slip, oilPistonDiameter: m.Oil is { } oil ? new Length(oil) : null,
        seals: m.Seals, startValve: m.StartValve ?? m.Arrangement != Arrangement.Intensifier);

    private static Setup Setup(Run r) => Core.Pumps.Setup.Create(
        new RotationalSpeed(r.Speed),
        Nozzle.FromPoint(new VolumeFlow(r.Kn * Math.Sqrt(1e6)), new GaugePressure(1e6)),
        r.Setting is { } set ? new GaugePressure(set) : null,
        r.Line,
        supplyPressure: new GaugePressure(r.Supply),
        inlet: r.InletLength is { } inlet
            ? new InletSide(LineRun.Create(new Length(inlet), new Length(r.InletBore!.Value)), new Length(r.Level!.Value))
            : null,
        dampener: r.Gas is { } gas ? Dampener.Create(new Volume(gas), new GaugePressure(r.Charge!.Value)) : null,
        injector: r.Injector,
        oilPressure: r.Oil is { } pressure ? new GaugePressure(pressure) : null,
        outlet: r.OutletLength is { } outlet
            ? LineRun.Create(new Length(outlet), new Length(r.OutletBore!.Value), LineMaterial.Steel)
            : null);
}
