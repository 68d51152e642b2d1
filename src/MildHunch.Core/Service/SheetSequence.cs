using MildHunch.Core.Faults;
using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Service;

/// <summary>
/// Refuses a sheet in which something cannot be done when it comes: an act on the wrong side of what it needs, one that waits for itself, a
/// state that nobody begins or ends, bolts asked for where there are none.
/// </summary>
/// <param name="sheet">As it is built in one version.</param>
/// <param name="common">What holds for all sheets.</param>
internal sealed class SheetSequence(ServiceSheet sheet, CommonActs common)
{
    // Enough ends, or cylinders, to see that one does not wait for another.
    private const int Cylinders = 2;

    public void Check()
    {
        foreach (var part in sheet.Parts)
            Bolted(part);
        var nodes = new StepNodes(sheet, common);
        var off = Enum.GetValues<MachineState>().Select(
            m => sheet.Parts.SelectMany(p => nodes.Off(p, p.Per.On(Cylinders), m)).ToArray()).ToArray();
        foreach (var state in off)
            Ordered(state, on: false);
        Ordered([.. sheet.Parts.Reverse().SelectMany(p => nodes.On(p, p.Per.On(Cylinders)))], on: true);
    }

    private void Bolted(SheetPart part)
    {
        foreach (var act in part.Off.Concat(part.On).Where(a => a.Bolts != BoltState.Out))
            Require(part.Group is not null, part, $"“{act.Do}” is done with bolts that hold or are slack, and it has none");
        if (part.Group is { } id && sheet.Group(id) is { Stays: true })
            foreach (var act in part.Off.Where(a => a is { Bolts: BoltState.Out, Machine: MachineState.Open }))
                Require(false, part, $"“{act.Do}” is done with bolts that are out, and they stay");
    }

    private void Ordered(StepNode[] nodes, bool on)
    {
        foreach (var node in nodes)
        {
            foreach (var link in node.Act.After)
            {
                Require(
                    nodes.Any(n => n.Answers(link)), node.Part,
                    $"“{node.Act.Do}” waits for “{link}”, which is not done on this way");
                Require(!node.Answers(link), node.Part, $"“{node.Act.Do}” waits for itself");
            }

            foreach (var state in new[] { node.Act.During, node.Act.Ends }.OfType<string>())
                Require(
                    nodes.Any(n => n.Act.Begins == state && n.Meets(node)), node.Part,
                    $"“{node.Act.Do}” needs “{state}”, which nothing begins");
            if (node.Act.Begins is { } begun)
                Require(nodes.Any(n => n.Act.Ends == begun && n.Meets(node)), node.Part, $"“{begun}” begins and does not end");
        }

        if (StepOrder.Sorted(nodes, on) is null)
            throw new CatalogueException(
                $"{sheet.Id}.json", on ? "the way on" : "the way off", "some acts wait for one another, so that none can be the first");
    }

    private void Require(bool holds, SheetPart part, string problem)
    {
        if (!holds)
            throw new CatalogueException($"{sheet.Id}.json", part.Id, problem);
    }
}
