using MildHunch.Core.Pumps;
using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Service;

/// <summary>Where in the work an act stands.</summary>
public enum ServiceStage
{
    /// <summary>Before it is locked out, and locking out.</summary>
    Before,

    /// <summary>Taking apart.</summary>
    Open,

    /// <summary>Looking.</summary>
    Inspect,

    /// <summary>What is laid ready new.</summary>
    Mend,

    /// <summary>Putting together.</summary>
    Close,
}

/// <summary>What a plan is for: the parts that failed, or everything of their kind.</summary>
public enum ServiceScope
{
    /// <summary>Only what failed.</summary>
    WhatFailed,

    /// <summary>The same parts at every place.</summary>
    WholeSet,

    /// <summary>What failed, and with it both seals and all rings of its bore.</summary>
    OneBore,
}

/// <summary>The tick of a step at one place.</summary>
/// <param name="Key">Stable within the plan: the step's id, and the place where it has one.</param>
public sealed record StepTick(string Key, ServicePlace Place);

/// <summary>One step of a plan, to be ticked at each of its places.</summary>
/// <param name="Id">Stable within the plan.</param>
/// <param name="Stage">Where it stands.</param>
/// <param name="Act">What is done.</param>
/// <param name="Part">The part it is done at; null for the whole pump.</param>
/// <param name="Places">At which places, in order; empty for the whole pump.</param>
/// <param name="Bolts">The group of bolts that is worked; null for none.</param>
/// <param name="Minutes">Minutes for all places.</param>
/// <param name="Facing">True for the tick that a part looks the right way.</param>
public sealed record ServiceStep(
    string Id, ServiceStage Stage, Act Act, SheetPart? Part, IReadOnlyList<ServicePlace> Places, BoltGroup? Bolts, double Minutes,
    bool Facing = false)
{
    /// <summary>What is done with the bolts; null where none are worked.</summary>
    public BoltJob? Job { get; init; }

    /// <summary>Round by round over the bolts; empty where none are worked.</summary>
    public IReadOnlyList<BoltRound> Rounds => Bolts is { } group && Job is { } job ? BoltWork.Rounds(group, job) : [];

    /// <summary>True where new parts are laid ready.</summary>
    public bool Lays { get; init; }

    /// <summary>True where bolts come to their torque, or are as tight as they will be.</summary>
    public bool Tightens => Job is BoltJob.Torque or BoltJob.Tighten;

    /// <summary>One tick for each place; one where the step is for the whole pump.</summary>
    public IReadOnlyList<StepTick> Ticks => Places.Count == 0
        ? [new StepTick(Id, ServicePlace.Whole)]
        : [.. Places.Select(p => new StepTick(Named(p) ? Id : $"{Id}@{p.Key}", p))];

    // What is done place by place has its place in its id.
    private bool Named(ServicePlace place) =>
        place == ServicePlace.Whole || (Places.Count == 1 && Id.EndsWith($"@{place.Key}", StringComparison.Ordinal));
}

/// <summary>A part that is wanted at a place, and what becomes of it.</summary>
public sealed record ServiceTarget(PartAt At, Mend Mend)
{
    /// <summary>As its sheet has it: a part that wears is renewed, any other refitted.</summary>
    public static ServiceTarget Of(PartAt at) => new(at, at.Part.Fit == Fit.Again ? Mend.Refit : Mend.Renew);
}

/// <summary>New parts of one kind: how many, and where. A piece that comes along with a part has an id of its own.</summary>
public sealed record PartCount(string Id, string Name, SheetPart Part, int Count, IReadOnlyList<ServicePlace> Places);

/// <summary>The work on one pump, from the last run to the last bolt.</summary>
/// <param name="Sheet">The sheet as it is on this pump.</param>
/// <param name="Pump">The pump.</param>
/// <param name="Off">What comes off, in order.</param>
/// <param name="Steps">All steps in order.</param>
/// <param name="Parts">New parts to lay ready.</param>
/// <param name="Targets">What it is for.</param>
public sealed record ServicePlan(
    ServiceSheet Sheet, ReciprocatingPump Pump, IReadOnlyList<PartAt> Off, IReadOnlyList<ServiceStep> Steps, IReadOnlyList<PartCount> Parts,
    IReadOnlyList<ServiceTarget> Targets)
{
    /// <summary>What of it is off once these parts are: they, all that lies over them, what comes along with them.</summary>
    public IReadOnlySet<PartAt> Reached(IEnumerable<PartAt> begun)
    {
        var planned = Off.ToHashSet();
        var reached = new HashSet<PartAt>();
        var open = new Queue<PartAt>(begun.Where(planned.Contains));
        while (open.TryDequeue(out var at))
        {
            if (!reached.Add(at))
                continue;
            IEnumerable<PartAt> next =
            [
                .. at.Part.Ways.SelectMany(way => way).Distinct().Select(Sheet.Part).OfType<SheetPart>()
                    .SelectMany(p => p.Per.Above(at.Place, Pump).Select(place => new PartAt(p, place))),
                .. at.Part.Brings.Select(Sheet.Part).OfType<SheetPart>()
                    .SelectMany(p => p.Per.Meeting(at.Place, Pump).Select(place => new PartAt(p, place))),
            ];
            foreach (var other in next.Where(planned.Contains))
                open.Enqueue(other);
        }

        return reached;
    }

    /// <summary>The step in which new parts are laid ready and counted.</summary>
    public ServiceStep Laying(PartCount part) => Steps.Single(s => s.Lays && s.Id == $"{part.Id}.ready");

    /// <summary>Parts of the sheet that stay where they are, at every place.</summary>
    public IReadOnlyList<SheetPart> Stays => [.. Sheet.Parts.Where(p => !p.InPlace && Off.All(o => o.Part != p))];

    /// <summary>What to look at while it is open, part by part and place by place.</summary>
    public IReadOnlyList<PartAt> Inspections => [.. Off.Where(p => p.Part.Look.Count > 0)];

    /// <summary>Minutes in all.</summary>
    public double Minutes => Steps.Sum(s => s.Minutes);

    /// <summary>Groups of bolts that are worked, in the order in which they are loosened.</summary>
    public IReadOnlyList<BoltGroup> Bolts => [.. Steps.Select(s => s.Bolts).OfType<BoltGroup>().DistinctBy(g => g.Id)];

    /// <summary>Tools to lay ready, each once.</summary>
    public IReadOnlyList<string> Tools => [.. Steps.SelectMany(s => s.Act.Tools).Distinct()];

    /// <summary>What is used up, each once.</summary>
    public IReadOnlyList<string> Consumables => [.. Steps.SelectMany(s => s.Act.Consumables).Distinct()];

    /// <summary>Ids of all hazards on the way, each once.</summary>
    public IReadOnlyList<string> Hazards => [.. Steps.SelectMany(s => s.Act.Hazards).Concat(Sheet.Hazards).Distinct()];
}
