using MildHunch.Core.Pumps;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Sheets;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Service;

public class DisassemblyTests
{
    private static readonly ServiceSheets Sheets = ServiceSheets.BuiltIn(Known);

    public static TheoryData<string> Ids => [.. Sheets.All.Select(s => s.Id)];

    /// <summary>No smaller set reaches the part: every set of parts is tried.</summary>
    [Theory]
    [MemberData(nameof(Ids))]
    public void Nothing_less_reaches_the_part(string id)
    {
        var sheet = Sheets.All.Single(s => s.Id == id).On([]);
        var pump = PumpsOfSheets.For(sheet);
        foreach (var part in sheet.Parts)
        {
            var target = new PartAt(part, part.Per.On(pump)[0]);
            var least = Disassembly.Least(sheet, pump, [target]);
            least.ShouldContain(target);
            Disassembly.Minutes(least).ShouldBe(BruteForce(sheet, pump, target), 1e-9, part.Id);
        }
    }

    [Fact]
    public void One_valve_leaves_the_head_and_its_neighbours_alone()
    {
        var sheet = Sheets.For(Fog2, Fitting.None).Single().On([]);
        var valve = new PartAt(sheet.Part("valve")!, new ServicePlace(2, Side.Discharge));
        var off = Disassembly.Least(sheet, Fog2, [valve]);
        off.Select(o => $"{o.Part.Id} {o.Place.Cylinder} {o.Place.Side}")
            .ShouldBe(["cap 2 Discharge", "cap-oring 2 Discharge", "valve 2 Discharge", "seat-oring 2 Discharge"]);
    }

    [Fact]
    public void A_plan_for_two_shares_what_both_need()
    {
        var sheet = Sheets.For(Fog2, Fitting.None).Single().On([]);
        var plan = new ServicePlanner(Sheets).Plan(
            sheet, Fog2,
            [new PartAt(sheet.Part("hp-seal")!, new ServicePlace(1)), new PartAt(sheet.Part("hp-seal")!, new ServicePlace(3))],
            ServiceScope.WhatFailed);
        plan.Off.Count(o => o.Part.Id == "head").ShouldBe(1);
        plan.Off.Where(o => o.Part.Id == "carrier").Select(o => o.Place.Cylinder).ShouldBe([1, 3]);
        plan.Stays.Select(p => p.Id).ShouldContain("cap");
        plan.Parts.Select(p => (p.Part.Id, p.Count)).ShouldContain(("hp-seal", 2));
    }

    /// <summary>A triplex with six caps: six valves, six seat and six cap o-rings (common practice, no source).</summary>
    [Fact]
    public void The_whole_set_of_a_triplex_with_six_caps()
    {
        var sheet = Sheets.For(Fog2, Fitting.None).Single().On([]);
        var plan = new ServicePlanner(Sheets).Plan(
            sheet, Fog2,
            [.. new[] { "valve", "seat-oring", "cap-oring" }.Select(id => new PartAt(sheet.Part(id)!, new ServicePlace(2, Side.Inlet)))],
            ServiceScope.WholeSet);
        plan.Parts.Select(p => (p.Id, p.Count)).ShouldBe(
            [("cap-oring", 6), ("cap-backup", 6), ("valve", 6), ("seat-oring", 6)], ignoreOrder: true);
    }

    // Every set of parts that holds a way to each of its parts; a part counts at each place from which another is reached.
    private static double BruteForce(ServiceSheet sheet, ReciprocatingPump pump, PartAt target)
    {
        var bits = sheet.Parts.Index().ToDictionary(p => p.Item.Id, p => 1 << p.Index);
        var ways = sheet.Parts.ToDictionary(p => p.Id, p => p.Ways.Select(way => way.Sum(id => bits[id])).ToArray());
        var least = double.PositiveInfinity;
        for (var set = 0; set < 1 << sheet.Parts.Count; set++)
        {
            if ((set & bits[target.Part.Id]) != 0
                && sheet.Parts.All(p => (set & bits[p.Id]) == 0
                    || (ways[p.Id].Any(way => (set & way) == way) && p.Brings.All(ring => (set & bits[ring]) != 0))))
                least = Math.Min(least, Minutes(sheet, pump, target, set, bits));
        }

        return least;
    }

    private static double Minutes(
        ServiceSheet sheet, ReciprocatingPump pump, PartAt target, int set, Dictionary<string, int> bits)
    {
        var places = new Dictionary<string, HashSet<ServicePlace>> { [target.Part.Id] = [target.Place] };

        bool Put(SheetPart part, IEnumerable<ServicePlace> at) => at.ToArray() is var all
            && all.Count((places.TryGetValue(part.Id, out var known) ? known : places[part.Id] = []).Add) > 0;

        // Again and again until nothing more comes off anywhere.
        var more = true;
        while (more)
        {
            more = false;
            foreach (var part in sheet.Parts.Where(p => places.ContainsKey(p.Id)))
            {
                ServicePlace[] here = [.. places[part.Id]];
                var way = part.Ways.First(w => w.All(id => (set & bits[id]) != 0));
                foreach (var above in way.Select(id => sheet.Part(id)!))
                    more |= Put(above, here.SelectMany(p => above.Per.Above(p, pump)));
                foreach (var ring in part.Brings.Select(id => sheet.Part(id)!))
                    more |= Put(ring, here.SelectMany(p => ring.Per.Meeting(p, pump)));
            }
        }

        return sheet.Parts.Where(p => (set & bits[p.Id]) != 0)
            .Sum(p => (p.Minutes.Off + p.Minutes.On) * (places.GetValueOrDefault(p.Id)?.Count ?? 1));
    }
}
