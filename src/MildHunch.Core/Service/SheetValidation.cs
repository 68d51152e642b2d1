using System.Text.RegularExpressions;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Service;

/// <summary>Refuses a sheet by which something would be forgotten: orphans, circles, parts without a way back.</summary>
internal sealed partial class SheetValidation(CommonActs common, Catalogue catalogue)
{
    public void Check(ServiceSheet sheet)
    {
        void Require(bool holds, string entry, string problem)
        {
            if (!holds)
                throw new CatalogueException($"{sheet.Id}.json", entry, problem);
        }

        Require(sheet.Parts.Count > 0, "parts", "has none");
        Require(sheet.Parts.Select(p => p.Id).Distinct().Count() == sheet.Parts.Count, "parts", "has one twice");
        Require(sheet.Groups.Select(g => g.Id).Distinct().Count() == sheet.Groups.Count, "groups", "has one twice");
        var choices = sheet.Versions.SelectMany(v => v.Choices).Select(c => c.Id).ToHashSet();
        Require(sheet.Versions.All(v => v.Choices.Count > 1), "versions", "one has nothing to choose");
        CheckHazards(sheet.Hazards, sheet.Id, Require);
        CheckFits(sheet.Fits, Require);
        foreach (var group in sheet.Groups)
        {
            CheckGroup(group, Require);
            Require(sheet.Parts.Count(p => p.Group == group.Id) > 0, group.Id, "holds nothing");
            Require(
                group.During is null || sheet.States.Any(s => s.Id == group.During), group.Id,
                $"turns in unknown state “{group.During}”");
            CheckHazards(group.Hazards, group.Id, Require);
        }

        for (var at = 0; at < sheet.Parts.Count; at++)
        {
            var part = sheet.Parts[at];
            Require(part.Group is null || sheet.Group(part.Group) is not null, part.Id, $"unknown group “{part.Group}”");
            Require(part.Version is null || choices.Contains(part.Version), part.Id, $"unknown version “{part.Version}”");
            Require(part.Minutes is { Off: >= 0, On: >= 0 } && part.Count > 0, part.Id, "minutes below 0, or a count of 0");
            Require(part.InPlace || part.Facing.Length > 0, part.Id, "says nothing of its facing");
            Require(
                part.Off.Count > 0 && (part.InPlace ? part.On.Count == 0 && part.Group is null : part.On.Count > 0), part.Id,
                "must say how it comes off and how it goes back, or what is done to it where it is");
            foreach (var version in part.UnderIn.Keys.Concat(part.ServesIn.Keys).Concat(part.With.Select(w => w.Version).OfType<string>()))
                Require(choices.Contains(version), part.Id, $"unknown version “{version}”");
            Require(part.Locks is null || sheet.Group(part.Locks) is not null, part.Id, $"locks unknown group “{part.Locks}”");

            // Parts stand in the order in which they come off; so there is no circle, and the way back is the order reversed.
            foreach (var before in part.Ways.Concat(part.UnderIn.Values).SelectMany(w => w))
                Require(
                    sheet.Parts.Take(at).Any(p => p.Id == before), part.Id,
                    $"lies under “{before}”, which does not stand before it");
            foreach (var ring in part.Brings)
                Require(
                    sheet.Parts.Skip(at + 1).Any(p => p.Id == ring), part.Id, $"brings “{ring}”, which does not stand after it");
            foreach (var action in part.Actions)
                Require(catalogue.Faults.Any(f => f.Action == action), part.Id, $"serves “{action}”, which nobody does");
            foreach (var act in part.Off.Concat(part.On))
            {
                CheckAct(act, part.Id, choices, Require);
                foreach (var link in act.After)
                    Require(
                        sheet.Part(link.Split('.')[0]) is not null, part.Id,
                        $"waits for “{link}”, which is no act of a part of this sheet");
            }

            CheckNew(part, Require);
        }

        foreach (var item in sheet.Stacks.SelectMany(s => s.Items))
        {
            Require(sheet.Part(item.Part) is not null, "stacks", $"draws “{item.Part}”, which is no part of it");
            Require(
                PieceShapes.Find(item.Draw) is not null, "stacks",
                $"“{item.Draw}” is no shape; known are {string.Join(", ", PieceShapes.Names)}");
            Require(item.Version is null || choices.Contains(item.Version), "stacks", $"a piece for unknown version “{item.Version}”");
        }

        foreach (var build in sheet.Builds)
        {
            var there = sheet.PartsOf(build);
            foreach (var part in there)
            {
                var told = part.UnderIn.FirstOrDefault(u => build.Contains(u.Key)).Value;
                Require(
                    (told is null ? part.Ways : [told]).Any(way => way.All(id => there.Any(p => p.Id == id))), part.Id,
                    $"cannot be reached on a pump with {string.Join(", ", build)}");
            }

            new SheetSequence(sheet.On(build), common).Check();
        }
    }

    // What an act calls new is counted, and only what is counted: as a part that is always renewed, or a piece that comes along with it.
    private static void CheckNew(SheetPart part, Action<bool, string, string> require)
    {
        foreach (var act in part.On.Where(a => SaysNew().IsMatch(a.Do)))
            require(part.Fit == Fit.New, part.Id, $"“{act.Do}” calls something new that is not counted with it");
    }

    private static void CheckFits(SheetFits fits, Action<bool, string, string> require)
    {
        void Known(IEnumerable<string> named, IEnumerable<string> known)
        {
            foreach (var name in named)
                require(known.Contains(name), "fits", $"“{name}” is unknown; known are {string.Join(", ", known)}");
        }

        Known(fits.Arrangements, Enum.GetValues<Arrangement>().Select(a => a.Named()));
        Known(fits.Heads, Enum.GetValues<HeadLayout>().Select(h => h.Named()));
        Known(fits.Controls, Enum.GetValues<ControlKind>().Select(c => c.Named()));
        Known(fits.Fitted, Fittings.Names);
    }

    private static void CheckGroup(BoltGroup group, Action<bool, string, string> require)
    {
        require(
            BoltPattern.Find(group.Pattern) is not null, group.Id,
            $"unknown pattern “{group.Pattern}”; known are {string.Join(", ", BoltPattern.Names)}");
        var numbers = group.Places.Places.Select(p => p.Number).ToArray();
        require(
            group.Shares.Count == 0 || (group.Shares[^1] == 1 && group.Shares.All(s => s is > 0 and <= 1)), group.Id,
            "shares of the torque go from above 0 to 1, the last one 1");
        require(
            !group.GuideStuds || group.Places.GuideStuds.Count == 2, group.Id, $"“{group.Pattern}” has no upper row for guide studs");
        foreach (var order in new[] { group.ToLoosen, group.ToStart, group.ToSnug, group.ToTighten })
            require(order.Order().SequenceEqual(numbers), group.Id, $"an order must name each of 1 to {numbers.Length} once");
        require(
            group.Plausible.Count == 0 || (group.Plausible.Count == 2 && group.Plausible[0] > 0 && group.Plausible[1] > group.Plausible[0]),
            group.Id, "plausible needs two torques, the smaller first");
    }

    private void CheckAct(Act act, string part, HashSet<string> choices, Action<bool, string, string> require)
    {
        require(act.Use is null ? act.Do.Length > 0 : act.Do.Length == 0, part, "an act either says what to do or uses shared acts");
        require(act.Use is null || common.Named(act.Use) is not null, part, $"uses unknown acts “{act.Use}”");
        require(act.Version is null || choices.Contains(act.Version), part, $"an act for unknown version “{act.Version}”");
        CheckHazards(act.Hazards, part, require);
    }

    private void CheckHazards(IReadOnlyList<string> hazards, string entry, Action<bool, string, string> require)
    {
        foreach (var hazard in hazards)
            require(catalogue.Hazard(hazard) is not null, entry, $"unknown hazard “{hazard}”");
    }

    [GeneratedRegex(@"\b(new|renewed)\b", RegexOptions.IgnoreCase)]
    private static partial Regex SaysNew();
}
