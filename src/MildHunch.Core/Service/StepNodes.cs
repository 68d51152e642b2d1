using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Service;

/// <summary>What is to be done at the parts that come off, each thing with what it needs.</summary>
internal sealed class StepNodes(ServiceSheet sheet, CommonActs common)
{
    private readonly BoltWork bolts = new(common, sheet.States);

    /// <summary>Taking a part off, in the state of the machine that is asked for.</summary>
    public IEnumerable<StepNode> Off(SheetPart part, IReadOnlyList<ServicePlace> places, MachineState machine)
    {
        var acts = part.Off.Index().Where(a => a.Item.Machine == machine).ToArray();
        foreach (var at in Turns(part, places))
        {
            foreach (var (k, act) in acts)
                yield return new StepNode(part, at, OffRank(part, act), $"off.{k + 1}", act);
            if (machine != MachineState.Open || part.Group is not { } id)
                continue;
            var group = sheet.Group(id)!;
            var parted = group.Stays || acts.Any(a => a.Item.Bolts == BoltState.Slack);
            yield return Bolts(part, at, StepRank.Begun, group, parted ? BoltJob.Slacken : BoltJob.Loosen);
            if (parted && !group.Stays)
                yield return Bolts(part, at, StepRank.Ended, group, BoltJob.Draw);
        }
    }

    /// <summary>Putting a part back.</summary>
    public IEnumerable<StepNode> On(SheetPart part, IReadOnlyList<ServicePlace> places)
    {
        foreach (var at in Turns(part, places))
        {
            foreach (var (k, act) in part.On.Index())
                yield return new StepNode(part, at, OnRank(part, act), $"on.{k + 1}", act);
            if (part.Facing.Length > 0)
                yield return new StepNode(part, at, StepRank.Faced, "facing", Faced(part));
            if (part.Group is not { } id)
                continue;
            var group = sheet.Group(id)!;
            var parted = group.Stays || part.On.Any(a => a.Bolts == BoltState.Slack);
            if (parted && !group.Stays)
                yield return Bolts(part, at, StepRank.Begun, group, BoltJob.Start);
            yield return Bolts(part, at, StepRank.Ended, group, parted ? BoltJob.Torque : BoltJob.Tighten);
        }
    }

    private StepNode Bolts(SheetPart part, IReadOnlyList<ServicePlace> at, StepRank rank, BoltGroup group, BoltJob job)
    {
        var act = bolts.Act(group, job);
        return new StepNode(part, at, rank, act.Id!, act, job);
    }

    // It is looked at once all that puts it in is done, and so waits for what that waits for.
    private static Act Faced(SheetPart part) => new()
    {
        Do = $"{part.Name}: {part.Facing}.",
        Why = part.Home is null ? null : $"Home when: {part.Home}.",
        After = [.. part.On.Where(a => OnRank(part, a) == StepRank.First).SelectMany(a => a.After).Distinct()],
    };

    private static IEnumerable<IReadOnlyList<ServicePlace>> Turns(SheetPart part, IReadOnlyList<ServicePlace> places) =>
        part.OneByOne ? places.Select(p => (IReadOnlyList<ServicePlace>)[p]) : [places];

    // A part without bolts is as one whose bolts are out.
    private static StepRank OffRank(SheetPart part, Act act) => part.Group is null ? StepRank.Last : act.Bolts switch
    {
        BoltState.Tight => StepRank.First,
        BoltState.Slack => StepRank.Slack,
        _ => StepRank.Last,
    };

    private static StepRank OnRank(SheetPart part, Act act) => part.Group is null ? StepRank.First : act.Bolts switch
    {
        BoltState.Tight => StepRank.Last,
        BoltState.Slack => StepRank.Slack,
        _ => StepRank.First,
    };
}
