using System.Collections.Frozen;
using System.Text.Json;
using System.Text.Json.Serialization;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Faults;

/// <summary>The knowledge is not fit to use: which file, which entry, and what is wrong with it.</summary>
public sealed class CatalogueException(string file, string entry, string problem) : Exception($"{file}, {entry}: {problem}");

/// <summary>All faults, cues, checks, contexts and hazards, loaded from data and validated once at start.</summary>
public sealed class Catalogue
{
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.KebabCaseLower) },
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
    };

    private readonly FrozenDictionary<string, Fault> faultsById;
    private readonly FrozenDictionary<string, Cue> cuesById;
    private readonly FrozenDictionary<string, Check> checksById;
    private readonly FrozenDictionary<string, Context> contextsById;
    private readonly FrozenDictionary<string, Hazard> hazardsById;

    private Catalogue(IReadOnlyList<Fault> faults, IReadOnlyList<Cue> cues, IReadOnlyList<Check> checks, IReadOnlyList<Context> contexts, IReadOnlyList<Hazard> hazards)
    {
        Faults = faults;
        Cues = cues;
        Checks = checks;
        Contexts = contexts;
        Hazards = hazards;
        faultsById = Index("faults.json", faults, f => f.Id);
        cuesById = Index("cues.json", cues, c => c.Id);
        checksById = Index("checks.json", checks, c => c.Id);
        contextsById = Index("contexts.json", contexts, c => c.Id);
        hazardsById = Index("hazards.json", hazards, h => h.Id);
        new CatalogueValidation(this).Run();
    }

    public IReadOnlyList<Fault> Faults { get; }

    public IReadOnlyList<Cue> Cues { get; }

    public IReadOnlyList<Check> Checks { get; }

    public IReadOnlyList<Context> Contexts { get; }

    public IReadOnlyList<Hazard> Hazards { get; }

    /// <summary>The knowledge that ships with the product.</summary>
    public static Catalogue BuiltIn() => Read(name =>
    {
        using var stream = typeof(Catalogue).Assembly.GetManifestResourceStream($"knowledge/{name}")!;
        using var reader = new StreamReader(stream);
        return reader.ReadToEnd();
    });

    /// <summary>Reads the five files by name; throws <see cref="CatalogueException"/> naming file and entry.</summary>
    public static Catalogue Read(Func<string, string> textOf) => new(
        List<Fault>(textOf, "faults.json"),
        List<Cue>(textOf, "cues.json"),
        List<Check>(textOf, "checks.json"),
        List<Context>(textOf, "contexts.json"),
        List<Hazard>(textOf, "hazards.json"));

    public Fault? Fault(string id) => faultsById.GetValueOrDefault(id);

    public Cue? Cue(string id) => cuesById.GetValueOrDefault(id);

    public Check? Check(string id) => checksById.GetValueOrDefault(id);

    public Context? Context(string id) => contextsById.GetValueOrDefault(id);

    public Hazard? Hazard(string id) => hazardsById.GetValueOrDefault(id);

    /// <summary>True where this pump, run like this, has what the entry is about.</summary>
    public static bool Fits(IOnlyWhere entry, ReciprocatingPump pump, Setup setup)
    {
        if (entry.Requires.Count > 0 && !entry.Requires.Any(r => string.Equals(r, pump.Control.ToString(), StringComparison.OrdinalIgnoreCase)))
            return false;
        if (entry.Arrangements.Count > 0)
        {
            if (!entry.Arrangements.Contains(JsonNamingPolicy.KebabCaseLower.ConvertName(pump.Arrangement.ToString())))
                return false;
        }
        else if (pump.Arrangement == Arrangement.Intensifier && (entry is Fault { Location: not FaultLocation.None } || entry is CueAnswer { At: AnswerPlace.Cylinder or AnswerPlace.Cavity }))
        {
            return false;
        }

        return entry.Fitted.All(part => part == "dampener" ? setup.Dampener is not null : setup.Injector is not null);
    }

    private static List<T> List<T>(Func<string, string> textOf, string file)
    {
        try
        {
            return JsonSerializer.Deserialize<List<T>>(textOf(file), Json) ?? [];
        }
        catch (JsonException e)
        {
            throw new CatalogueException(file, e.Path ?? "start", e.Message);
        }
    }

    private static FrozenDictionary<string, T> Index<T>(string file, IReadOnlyList<T> entries, Func<T, string> id)
    {
        foreach (var twice in entries.GroupBy(id).Where(g => g.Count() > 1))
            throw new CatalogueException(file, twice.Key, "stands twice");
        return entries.ToFrozenDictionary(id);
    }
}
