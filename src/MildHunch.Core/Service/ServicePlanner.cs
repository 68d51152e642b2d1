using MildHunch.Core.Pumps;
using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Service;

/// <summary>
/// Plans the work: the least disassembly, shared steps once, each act where it can be done, closed in the order reversed
/// (docs/trade.md, Service).
/// </summary>
public sealed class ServicePlanner(ServiceSheets sheets)
{
    // Common practice, no source: an act before and after, and a look at a part.
    private const double CommonMinutes = 2;
    private const double LookMinutes = 1;

    private static readonly MachineState[] States = [MachineState.Running, MachineState.LockedOut, MachineState.Open];

    /// <summary>The plan to renew or mend these parts, each as its sheet has it.</summary>
    /// <exception cref="ImpossibleInputException">No target.</exception>
    public ServicePlan Plan(ServiceSheet sheet, ReciprocatingPump pump, IReadOnlyList<PartAt> targets, ServiceScope scope) =>
        Plan(sheet, pump, [.. targets.Select(ServiceTarget.Of)], scope);

    /// <summary>The plan to mend these parts.</summary>
    /// <param name="sheet">A sheet as it is on this pump.</param>
    /// <param name="pump">The pump.</param>
    /// <param name="targets">Parts at places; at least one.</param>
    /// <param name="scope">Only these, the same at every place, or all that seals in the same bore.</param>
    /// <exception cref="ImpossibleInputException">No target.</exception>
    public ServicePlan Plan(ServiceSheet sheet, ReciprocatingPump pump, IReadOnlyList<ServiceTarget> targets, ServiceScope scope)
    {
        if (targets.Count == 0)
            throw new ImpossibleInputException("targets", "nothing", "at least one part of the pump");
        var wanted = PlanScope.Of(sheet, pump, targets, scope);
        var off = Disassembly.Least(sheet, pump, [.. wanted.Select(t => t.At)]);
        var groups = off.GroupBy(p => p.Part).Select(g => new Worked(g.Key, [.. g.Select(p => p.Place)])).ToArray();
        var parts = PlanParts.Of(off, wanted);
        var nodes = new StepNodes(sheet, sheets.Common);
        var taken = States.ToDictionary(m => m, m => groups.SelectMany(g => nodes.Off(g.Part, g.Places, m)).ToArray());
        StepNode[] put = [.. groups.Reverse().SelectMany(g => nodes.On(g.Part, g.Places))];
        var (offs, ons) = (Shares(taken.Values.SelectMany(n => n)), Shares(put));
        IEnumerable<ServiceStep> Opened(MachineState machine) => StepOrder.Sorted(taken[machine], on: false)!.Select(n => Step(
            sheet, n, machine == MachineState.Open ? ServiceStage.Open : ServiceStage.Before, n.Part.Minutes.Off / offs[n.Part]));

        // What can be done while it runs needs no lock-out.
        var runs = groups.All(g => g.Part.InPlace && g.Part.Off.All(a => a.Machine == MachineState.Running));
        ServiceStep[] steps =
        [
            .. Common("running", ServiceStage.Before, sheets.Common.Running, pump),
            .. Opened(MachineState.Running),
            .. runs ? [] : Common("lock-out", ServiceStage.Before, sheets.Common.LockOut, pump),
            .. Opened(MachineState.LockedOut),
            .. Opened(MachineState.Open),
            .. groups.Where(g => g.Part.Look.Count > 0).Select(Looked),
            .. parts.Select(Laid),
            .. Mended(wanted),
            .. StepOrder.Sorted(put, on: true)!.Select(n => Step(
                sheet, n, ServiceStage.Close, n.Facing ? 0 : n.Part.Minutes.On / ons[n.Part])),
            .. runs ? [] : Common("after", ServiceStage.Close, sheets.Common.After, pump),
        ];
        return new ServicePlan(sheet, pump, off, steps, parts, wanted);
    }

    // A sheet has minutes for the whole of a part; its acts and its bolts share them alike.
    private static Dictionary<SheetPart, int> Shares(IEnumerable<StepNode> nodes) =>
        nodes.Where(n => !n.Facing).GroupBy(n => n.Part).ToDictionary(g => g.Key, g => g.Select(n => n.Name).Distinct().Count());

    private static ServiceStep Step(ServiceSheet sheet, StepNode n, ServiceStage stage, double minutes) => new(
        Id(n), stage, n.Act, n.Part, n.Places, n.Job is null ? null : sheet.Group(n.Part.Group!), minutes * n.Places.Count, n.Facing)
    {
        Job = n.Job,
    };

    private static string Id(StepNode n) =>
        $"{n.Part.Id}.{n.Name}{(n.Part.OneByOne && n.Places[0] != ServicePlace.Whole ? $"@{n.Places[0].Key}" : "")}";

    private static IEnumerable<ServiceStep> Common(string name, ServiceStage stage, IReadOnlyList<Act> acts, ReciprocatingPump pump) =>
        acts.Index().Where(a => a.Item.Arrangements.Count == 0 || a.Item.Arrangements.Contains(pump.Arrangement.Named()))
            .Select(a => new ServiceStep($"{name}.{a.Index + 1}", stage, a.Item, null, [], null, CommonMinutes));

    private static ServiceStep Looked(Worked g) => new(
        $"{g.Part.Id}.look", ServiceStage.Inspect, new Act { Do = $"{g.Part.Name}: {string.Join("; ", g.Part.Look)}." }, g.Part, g.Places,
        null, LookMinutes * g.Places.Count);

    private static ServiceStep Laid(PartCount part) => new(
        $"{part.Id}.ready", ServiceStage.Mend,
        new Act { Do = $"{part.Count} x {part.Name.ToLowerInvariant()}, new: lay ready and compare with the old." }, part.Part,
        part.Places, null, 0)
    {
        Lays = true,
    };

    // Cleaned or lapped in place of a new one.
    private IEnumerable<ServiceStep> Mended(IReadOnlyList<ServiceTarget> wanted) =>
        from target in wanted
        where target.Mend is Mend.Clean or Mend.Lap
        group target.At.Place by (target.At.Part, target.Mend) into at
        let how = sheets.Common.MendOf(at.Key.Mend, at.Key.Part)!
        select new ServiceStep(
            $"{at.Key.Part.Id}.{at.Key.Mend.Named()}", ServiceStage.Mend,
            how.Act with { Do = $"{at.Key.Part.Name}: {how.Act.Do}" }, at.Key.Part, [.. at], null, how.Minutes * at.Count());

    private sealed record Worked(SheetPart Part, IReadOnlyList<ServicePlace> Places);
}
