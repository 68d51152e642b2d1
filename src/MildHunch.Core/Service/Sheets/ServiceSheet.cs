using MildHunch.Core.Pumps;

namespace MildHunch.Core.Service.Sheets;

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

/// <summary>A state that acts begin and end, and what is to be minded while bolts turn in it.</summary>
public sealed record HeldState(string Id, string Says);

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

    /// <summary>States in which something is held while something else is done.</summary>
    public IReadOnlyList<HeldState> States { get; init; } = [];

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

    /// <summary>The name of a part, or of a piece that comes along with one; null for one nobody knows.</summary>
    public string? NameOf(string id) => Part(id)?.Name ?? Parts.SelectMany(p => p.With).FirstOrDefault(w => w.Id == id)?.Name;

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

    /// <summary>One choice of each version: the one that was made, or its first.</summary>
    public IReadOnlyList<string> BuildOf(IReadOnlyCollection<string> chosen) =>
        [.. Versions.Select(v => (v.Choices.FirstOrDefault(c => chosen.Contains(c.Id)) ?? v.Choices[0]).Id)];

    /// <summary>Parts that are there on a pump built like this.</summary>
    public IReadOnlyList<SheetPart> PartsOf(IReadOnlyCollection<string> build) =>
        [.. Parts.Where(p => p.Version is null || build.Contains(p.Version))];

    /// <summary>The same sheet for one pump: parts and acts of other versions are left out.</summary>
    /// <param name="chosen">Ids of the choices made on the pump; the first of each version where none is.</param>
    public ServiceSheet On(IReadOnlyCollection<string> chosen)
    {
        var built = BuildOf(chosen);
        IEnumerable<IReadOnlyList<string>> Ways(SheetPart p) =>
            p.UnderIn.FirstOrDefault(u => built.Contains(u.Key)).Value is { } under ? [under] : p.Ways;
        var there = PartsOf(built);
        var ids = there.Select(p => p.Id).ToHashSet();

        // What would have to be done first at a part that this version has not, need not.
        IReadOnlyList<Act> Acts(IReadOnlyList<Act> acts) =>
        [
            .. acts.Where(a => a.Version is null || built.Contains(a.Version))
                .Select(a => a.After.All(link => ids.Contains(link.Split('.')[0]))
                    ? a
                    : a with { After = [.. a.After.Where(link => ids.Contains(link.Split('.')[0]))] }),
        ];
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
                var ways = Ways(p).Where(way => way.All(ids.Contains)).ToArray();
                return p with
                {
                    Off = Acts(p.Off),
                    On = Acts(p.On),
                    Under = ways[0],
                    Or = ways[1..],
                    Brings = [.. p.Brings.Where(ids.Contains)],
                    Serves = [.. p.Serves, .. p.ServesIn.Where(s => built.Contains(s.Key)).SelectMany(s => s.Value)],
                    ServesIn = new Dictionary<string, IReadOnlyList<string>>(),
                    With = [.. p.With.Where(w => w.Version is null || built.Contains(w.Version))],
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
            States = [.. sheets.SelectMany(s => s.States).DistinctBy(s => s.Id)],
            Groups = [.. sheets.SelectMany(s => s.Groups).DistinctBy(g => g.Id)],
            Parts = [.. sheets.SelectMany(s => s.Parts).DistinctBy(p => p.Id)],
            Stacks = [.. sheets.SelectMany(s => s.Stacks).DistinctBy(s => s.Id)],
            Leave = [.. sheets.SelectMany(s => s.Leave).Distinct()],
        };

    private static bool Names(IReadOnlyList<string> wanted, string name) => wanted.Count == 0 || wanted.Contains(name);
}
