using MildHunch.Core.Pumps;

namespace MildHunch.Core.Service;

/// <summary>Plans the work: the least disassembly, shared steps once, closed in the order reversed (docs/trade.md, Service).</summary>
public sealed class ServicePlanner(ServiceSheets sheets)
{
    // Common practice, no source: an act before and after, and a look at a part.
    private const double CommonMinutes = 2;
    private const double LookMinutes = 1;

    /// <summary>The plan to renew or mend these parts.</summary>
    /// <param name="sheet">A sheet as it is on this pump.</param>
    /// <param name="pump">The pump.</param>
    /// <param name="targets">Parts at places; at least one.</param>
    /// <param name="scope">Only these, or the same at every place.</param>
    /// <exception cref="ImpossibleInputException">No target.</exception>
    public ServicePlan Plan(ServiceSheet sheet, ReciprocatingPump pump, IReadOnlyList<PartAt> targets, ServiceScope scope)
    {
        if (targets.Count == 0)
            throw new ImpossibleInputException("targets", "nothing", "at least one part of the pump");
        var wanted = scope == ServiceScope.WholeSet
            ? targets.SelectMany(t => t.Part.Per.On(pump).Select(place => new PartAt(t.Part, place))).Distinct().ToArray()
            : [.. targets.Distinct()];
        var off = Disassembly.Least(sheet, pump, wanted);
        var groups = off.GroupBy(p => p.Part).ToArray();
        var parts = groups
            .Select(g => (g.Key, Places: g.Where(p => p.Part.Fit == Fit.New || wanted.Contains(p)).Select(p => p.Place).ToArray()))
            .Where(g => g.Places.Length > 0)
            .Select(g => new PartCount(g.Key, g.Places.Length * g.Key.Count, g.Places))
            .ToArray();
        ServiceStep[] steps =
        [
            .. Common("running", ServiceStage.Before, sheets.Common.Running),
            .. groups.SelectMany(g => Opened(sheet, g.Key, Places(g), MachineState.Running)),
            .. Common("lock-out", ServiceStage.Before, sheets.Common.LockOut),
            .. groups.SelectMany(g => Opened(sheet, g.Key, Places(g), MachineState.LockedOut)),
            .. groups.SelectMany(g => Opened(sheet, g.Key, Places(g), MachineState.Open)),
            .. groups.Where(g => g.Key.Look.Count > 0).Select(g => Looked(g.Key, Places(g))),
            .. parts.Select(Laid),
            .. groups.Reverse().SelectMany(g => Closed(sheet, g.Key, Places(g))),
            .. Common("after", ServiceStage.Close, sheets.Common.After),
        ];
        return new ServicePlan(sheet, pump, off, steps, parts);
    }

    // A sheet has minutes for the whole of a part; its acts and its bolts share them alike.
    private static double Each(SheetPart part, double minutes, int acts, IReadOnlyList<ServicePlace> places) =>
        minutes * places.Count / (acts + (part.Group is null ? 0 : 1));

    private static ServicePlace[] Places(IEnumerable<PartAt> group) => [.. group.Select(p => p.Place)];

    private static IEnumerable<ServiceStep> Common(string name, ServiceStage stage, IReadOnlyList<Act> acts) =>
        acts.Select((act, k) => new ServiceStep($"{name}.{k + 1}", stage, act, null, [], null, CommonMinutes));

    // What can only be done while it runs, or before it is open, stands before the first bolt whatever part it belongs to.
    private static IEnumerable<ServiceStep> Opened(
        ServiceSheet sheet, SheetPart part, IReadOnlyList<ServicePlace> places, MachineState machine)
    {
        var stage = machine == MachineState.Open ? ServiceStage.Open : ServiceStage.Before;
        var minutes = Each(part, part.Minutes.Off, part.Off.Count, places);
        if (machine == MachineState.Open && part.Group is { } group)
            yield return new ServiceStep(
                $"{part.Id}.loosen", stage, BoltActs.Loosen(sheet.Group(group)!), part, places, sheet.Group(group), minutes);
        foreach (var (k, act) in part.Off.Index().Where(a => a.Item.Machine == machine))
            yield return new ServiceStep($"{part.Id}.off.{k + 1}", stage, act, part, places, null, minutes);
    }

    private static ServiceStep Looked(SheetPart part, IReadOnlyList<ServicePlace> places) => new(
        $"{part.Id}.look", ServiceStage.Inspect, new Act { Do = $"{part.Name}: {string.Join("; ", part.Look)}." }, part, places, null,
        LookMinutes * places.Count);

    private static ServiceStep Laid(PartCount part) => new(
        $"{part.Part.Id}.ready", ServiceStage.Mend,
        new Act { Do = $"{part.Count} x {part.Part.Name.ToLowerInvariant()}, new: lay ready and compare with the old." }, part.Part,
        part.Places, null, 0);

    private static IEnumerable<ServiceStep> Closed(ServiceSheet sheet, SheetPart part, IReadOnlyList<ServicePlace> places)
    {
        var minutes = Each(part, part.Minutes.On, part.On.Count, places);
        foreach (var (k, act) in part.On.Index())
            yield return new ServiceStep($"{part.Id}.on.{k + 1}", ServiceStage.Close, act, part, places, null, minutes);
        yield return new ServiceStep(
            $"{part.Id}.facing", ServiceStage.Close,
            new Act { Do = $"{part.Name}: {part.Facing}.", Why = part.Home is null ? null : $"Home when: {part.Home}." }, part, places,
            null, 0, Facing: true);
        if (part.Group is { } group)
            yield return new ServiceStep(
                $"{part.Id}.tighten", ServiceStage.Close, BoltActs.Tighten(sheet.Group(group)!), part, places, sheet.Group(group), minutes);
    }
}
