using System.Collections.Frozen;
using MildHunch.Core.Expectation;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Faults;

/// <summary>All faults, cues, checks, contexts and hazards, loaded from data and validated once at start.</summary>
public sealed class Catalogue
{
    /// <summary>Id of the hypothesis that nothing is wrong.</summary>
    public const string NoFault = "no-fault";

    private readonly FrozenDictionary<string, Fault> faultsById;
    private readonly FrozenDictionary<string, Cue> cuesById;
    private readonly FrozenDictionary<string, Check> checksById;
    private readonly FrozenDictionary<string, Context> contextsById;
    private readonly FrozenDictionary<string, Hazard> hazardsById;

    private Catalogue(
        IReadOnlyList<Fault> faults, IReadOnlyList<Cue> cues, IReadOnlyList<Check> checks, IReadOnlyList<Context> contexts,
        IReadOnlyList<Hazard> hazards, IReadOnlyList<StopSign> stopSigns)
    {
        StopSigns = stopSigns;
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

    /// <summary>Every fault, the one that nothing is wrong among them.</summary>
    public IReadOnlyList<Fault> Faults { get; }

    /// <summary>Every question.</summary>
    public IReadOnlyList<Cue> Cues { get; }

    /// <summary>Everything that can be done next.</summary>
    public IReadOnlyList<Check> Checks { get; }

    /// <summary>Circumstances that make faults likelier.</summary>
    public IReadOnlyList<Context> Contexts { get; }

    /// <summary>Every hazard that a check or mend may name.</summary>
    public IReadOnlyList<Hazard> Hazards { get; }

    /// <summary>What must stop the pump at once.</summary>
    public IReadOnlyList<StopSign> StopSigns { get; }

    /// <summary>Every tool that some check needs.</summary>
    public IReadOnlyList<string> Tools => [.. Checks.SelectMany(c => c.Needs).Distinct().Order(StringComparer.Ordinal)];

    /// <summary>The knowledge that ships with the product.</summary>
    public static Catalogue BuiltIn() => Read(Shipped);

    /// <summary>The text of one file of the knowledge that ships, such as "faults.json".</summary>
    public static string Shipped(string name)
    {
        return KnowledgeFile.Shipped($"knowledge/{name}");
    }

    /// <summary>Reads the six files by name; throws <see cref="CatalogueException"/> naming file and entry.</summary>
    public static Catalogue Read(Func<string, string> textOf)
    {
        List<T> List<T>(string file) => KnowledgeFile.Read<List<T>>(file, textOf(file));
        return new Catalogue(
            List<Fault>("faults.json"),
            List<Cue>("cues.json"),
            List<Check>("checks.json"),
            List<Context>("contexts.json"),
            List<Hazard>("hazards.json"),
            List<StopSign>("stop-signs.json"));
    }

    /// <summary>
    /// This catalogue with a shop's own entries: faults, cues, checks and contexts of the same id replace the ones that ship, others are
    /// added; words are added to faults.
    /// </summary>
    /// <exception cref="CatalogueException">The file cannot be used; it names the entry.</exception>
    public Catalogue With(string text, string file)
    {
        var own = KnowledgeFile.Read<Overlay>(file, text);
        var faults = Merge(Faults, own.Faults, f => f.Id);
        foreach (var word in own.Words)
        {
            var at = faults.FindIndex(f => f.Id == word.Fault);
            if (at < 0)
                throw new CatalogueException(file, word.Fault, "words for a fault that nobody knows");
            faults[at] = faults[at] with { Cues = [.. faults[at].Cues, new CueWord(word.Cue, word.Answer, word.Word, word.Side)] };
        }

        return new Catalogue(
            faults, Merge(Cues, own.Cues, c => c.Id), Merge(Checks, own.Checks, c => c.Id), Merge(Contexts, own.Contexts, c => c.Id),
            Hazards, StopSigns);
    }

    private static List<T> Merge<T>(IReadOnlyList<T> shipped, IReadOnlyList<T> own, Func<T, string> id)
    {
        var ids = own.Select(id).ToHashSet();
        return [.. shipped.Where(e => !ids.Contains(id(e))), .. own];
    }

    private sealed record FaultWord(string Fault, string Cue, string Answer, string Word, string? Side = null);

    private sealed record Overlay
    {
        public IReadOnlyList<Fault> Faults { get; init; } = [];

        public IReadOnlyList<Cue> Cues { get; init; } = [];

        public IReadOnlyList<Check> Checks { get; init; } = [];

        public IReadOnlyList<Context> Contexts { get; init; } = [];

        public IReadOnlyList<FaultWord> Words { get; init; } = [];
    }

    /// <summary>The fault of that id; null for one nobody knows.</summary>
    public Fault? Fault(string id) => faultsById.GetValueOrDefault(id);

    /// <summary>The cue of that id; null for one nobody knows.</summary>
    public Cue? Cue(string id) => cuesById.GetValueOrDefault(id);

    /// <summary>The check of that id; null for one nobody knows.</summary>
    public Check? Check(string id) => checksById.GetValueOrDefault(id);

    /// <summary>The context of that id; null for one nobody knows.</summary>
    public Context? Context(string id) => contextsById.GetValueOrDefault(id);

    /// <summary>The hazard of that id; null for one nobody knows.</summary>
    public Hazard? Hazard(string id) => hazardsById.GetValueOrDefault(id);

    /// <summary>True where this pump, run like this, has what the entry is about.</summary>
    public static bool Fits(IOnlyWhere entry, ReciprocatingPump pump, Setup setup) => Fits(entry, pump, Fittings.Of(pump, setup));

    /// <summary>The same where the fittings were looked up before.</summary>
    public static bool Fits(IOnlyWhere entry, ReciprocatingPump pump, Fitting fittings)
    {
        if (entry.Requires.Count > 0
            && !entry.Requires.Any(r => string.Equals(r, pump.Control.ToString(), StringComparison.OrdinalIgnoreCase)))
            return false;
        if (entry.Arrangements.Count > 0)
        {
            if (!entry.Arrangements.Contains(pump.Arrangement.Named()))
                return false;
        }
        else if (pump.Arrangement == Arrangement.Intensifier
            && (entry is Fault { Location: not FaultLocation.None }
                || entry is CueAnswer { At: AnswerPlace.Cylinder or AnswerPlace.Cavity }))
        {
            return false;
        }

        return fittings.HasAll(entry.Fitted);
    }

    /// <summary>True for a cue or a quantity: what can be tried, in vain or not.</summary>
    public bool Answerable(string id) =>
        Cue(id) is not null || Observables.Find(id) is not null || TakenQuantities.All.Any(q => q.Id == id);

    private static FrozenDictionary<string, T> Index<T>(string file, IReadOnlyList<T> entries, Func<T, string> id)
    {
        foreach (var twice in entries.GroupBy(id).Where(g => g.Count() > 1))
            throw new CatalogueException(file, twice.Key, "stands twice");
        return entries.ToFrozenDictionary(id);
    }
}
