using MildHunch.Core.Pumps;

namespace MildHunch.Core.Service;

/// <summary>What becomes of a part that comes off.</summary>
public enum Fit
{
    /// <summary>It goes back.</summary>
    Again,

    /// <summary>It is judged: back, or a new one.</summary>
    Judge,

    /// <summary>Always a new one.</summary>
    New,
}

/// <summary>Pumps that a sheet is for.</summary>
public sealed record SheetFits
{
    /// <summary>Arrangements by name; every one where empty.</summary>
    public IReadOnlyList<string> Arrangements { get; init; } = [];

    /// <summary>Head layouts by name; every one where empty.</summary>
    public IReadOnlyList<string> Heads { get; init; } = [];

    /// <summary>Controls by name; every one where empty.</summary>
    public IReadOnlyList<string> Controls { get; init; } = [];

    /// <summary>What must stand on or around the pump, all of it: names of <see cref="Fitting"/>.</summary>
    public IReadOnlyList<string> Fitted { get; init; } = [];

    /// <summary>True for what stands beside the pump's own sheet: a control, an injector.</summary>
    public bool Beside { get; init; }
}

/// <summary>One way in which a version is built.</summary>
public sealed record VersionChoice(string Id, string Name);

/// <summary>A difference between pumps of one sheet: chosen on the pump, the first choice until then.</summary>
public sealed record SheetVersion(string Id, string Name, IReadOnlyList<VersionChoice> Choices);

/// <summary>Minutes to take one off, and to put it back.</summary>
public sealed record OffOn(double Off, double On);

/// <summary>A part of a sheet: what must come off before it, how it comes off, what to look at and how it goes back.</summary>
public sealed record SheetPart
{
    /// <summary>Stable name, kebab-case; targets and kits name it.</summary>
    public required string Id { get; init; }

    /// <summary>Name in trade words.</summary>
    public required string Name { get; init; }

    /// <summary>What kind of part it is: it decides what can be found at it.</summary>
    public string Kind { get; init; } = "body";

    /// <summary>How often it is there.</summary>
    public Per Per { get; init; } = Per.Pump;

    /// <summary>Parts that must be off before it, all of them.</summary>
    public IReadOnlyList<string> Under { get; init; } = [];

    /// <summary>Other ways to it: each a list like <see cref="Under"/>.</summary>
    public IReadOnlyList<IReadOnlyList<string>> Or { get; init; } = [];

    /// <summary>Rings and gaskets that are disturbed with it: they come off too, and are renewed.</summary>
    public IReadOnlyList<string> Brings { get; init; } = [];

    /// <summary>Id of the group of bolts that holds it.</summary>
    public string? Group { get; init; }

    /// <summary>Actions of the catalogue that are done at it.</summary>
    public IReadOnlyList<string> Serves { get; init; } = [];

    /// <summary>What becomes of it once it is off.</summary>
    public Fit Fit { get; init; } = Fit.Again;

    /// <summary>How many at each place.</summary>
    public int Count { get; init; } = 1;

    /// <summary>Minutes for each place.</summary>
    public required OffOn Minutes { get; init; }

    /// <summary>How it comes off.</summary>
    public required IReadOnlyList<Act> Off { get; init; }

    /// <summary>What to look at while it is off.</summary>
    public IReadOnlyList<string> Look { get; init; } = [];

    /// <summary>How it goes back.</summary>
    public required IReadOnlyList<Act> On { get; init; }

    /// <summary>Which way it looks: a tick that has to be made before it is closed.</summary>
    public required string Facing { get; init; }

    /// <summary>Where practitioners do it in two ways: both, and why this sheet does it as it does.</summary>
    public string? Schools { get; init; }

    /// <summary>By what one knows that it is home.</summary>
    public string? Home { get; init; }

    /// <summary>Only on pumps of this version; on all where null.</summary>
    public string? Version { get; init; }

    /// <summary>Every way to it, the first one as the sheet has it.</summary>
    public IReadOnlyList<IReadOnlyList<string>> Ways => [Under, .. Or];
}

/// <summary>How one kind of pump is opened, mended and closed (docs/trade.md, Service).</summary>
public sealed record ServiceSheet
{
    /// <summary>Stable name, kebab-case.</summary>
    public required string Id { get; init; }

    /// <summary>Name in trade words.</summary>
    public required string Name { get; init; }

    /// <summary>Pumps it is for.</summary>
    public required SheetFits Fits { get; init; }

    /// <summary>Ids of hazards that hold for all of it, beside those of locking out.</summary>
    public IReadOnlyList<string> Hazards { get; init; } = [];

    /// <summary>Differences between pumps.</summary>
    public IReadOnlyList<SheetVersion> Versions { get; init; } = [];

    /// <summary>Bolts, nuts and caps.</summary>
    public IReadOnlyList<BoltGroup> Groups { get; init; } = [];

    /// <summary>Parts in the order in which they come off.</summary>
    public required IReadOnlyList<SheetPart> Parts { get; init; }

    /// <summary>What lies in each cavity, in order.</summary>
    public IReadOnlyList<SheetStack> Stacks { get; init; } = [];

    /// <summary>What is left alone.</summary>
    public IReadOnlyList<string> Leave { get; init; } = [];

    /// <summary>The part of that id; null for one nobody knows.</summary>
    public SheetPart? Part(string id) => Parts.FirstOrDefault(p => p.Id == id);

    /// <summary>The group of that id; null for one nobody knows.</summary>
    public BoltGroup? Group(string id) => Groups.FirstOrDefault(g => g.Id == id);

    /// <summary>True where this pump, with these fittings, is opened by it.</summary>
    public bool IsFor(ReciprocatingPump pump, Fitting fittings) =>
        Names(Fits.Arrangements, pump.Arrangement.Named()) && Names(Fits.Heads, pump.HeadLayout.Named())
        && Names(Fits.Controls, pump.Control.Named())
        && Fits.Fitted.All(part => Fittings.Find(part) is { } needed && (fittings & needed) != 0);

    /// <summary>Every combination of choices, one of each version.</summary>
    public IEnumerable<IReadOnlyCollection<string>> Builds => Versions.Aggregate(
        (IEnumerable<IReadOnlyCollection<string>>)[[]],
        (all, version) => all.SelectMany(one => version.Choices.Select(c => (IReadOnlyCollection<string>)[.. one, c.Id])));

    /// <summary>Parts that are there on a pump built like this.</summary>
    public IReadOnlyList<SheetPart> PartsOf(IReadOnlyCollection<string> build) =>
        [.. Parts.Where(p => p.Version is null || build.Contains(p.Version))];

    /// <summary>The same sheet for one pump: parts and acts of other versions are left out.</summary>
    /// <param name="chosen">Ids of the choices made on the pump; the first of each version where none is.</param>
    public ServiceSheet On(IReadOnlyCollection<string> chosen)
    {
        var built = Versions.Select(v => (v.Choices.FirstOrDefault(c => chosen.Contains(c.Id)) ?? v.Choices[0]).Id).ToHashSet();
        IReadOnlyList<Act> Acts(IReadOnlyList<Act> acts) => [.. acts.Where(a => a.Version is null || built.Contains(a.Version))];
        var there = PartsOf(built);
        var ids = there.Select(p => p.Id).ToHashSet();
        return this with
        {
            Stacks = [.. Stacks.Select(s => s with
            {
                Items = [.. s.Items.Where(i => ids.Contains(i.Part) && (i.Version is null || built.Contains(i.Version)))],
            }).Where(s => s.Items.Count > 0)],
            Groups = [.. Groups.Where(g => there.Any(p => p.Group == g.Id))],
            Parts = [.. there.Select(p =>
            {
                // A way over a part that this version has not is no way.
                var ways = p.Ways.Where(way => way.All(ids.Contains)).ToArray();
                return p with
                {
                    Off = Acts(p.Off),
                    On = Acts(p.On),
                    Under = ways[0],
                    Or = ways[1..],
                    Brings = [.. p.Brings.Where(ids.Contains)],
                };
            })],
        };
    }

    /// <summary>Several sheets worked as one, each as it is on this pump: its own, and those of what stands beside it.</summary>
    /// <param name="sheets">At least one; a part or group of an id that an earlier one has is that of the earlier one.</param>
    public static ServiceSheet Together(IReadOnlyList<ServiceSheet> sheets) => sheets.Count == 1
        ? sheets[0]
        : sheets[0] with
        {
            Id = string.Join("+", sheets.Select(s => s.Id)),
            Name = string.Join("; ", sheets.Select(s => s.Name)),
            Hazards = [.. sheets.SelectMany(s => s.Hazards).Distinct()],
            Versions = [.. sheets.SelectMany(s => s.Versions)],
            Groups = [.. sheets.SelectMany(s => s.Groups).DistinctBy(g => g.Id)],
            Parts = [.. sheets.SelectMany(s => s.Parts).DistinctBy(p => p.Id)],
            Stacks = [.. sheets.SelectMany(s => s.Stacks).DistinctBy(s => s.Id)],
            Leave = [.. sheets.SelectMany(s => s.Leave).Distinct()],
        };

    private static bool Names(IReadOnlyList<string> wanted, string name) => wanted.Count == 0 || wanted.Contains(name);
}
