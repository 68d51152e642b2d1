using Microsoft.EntityFrameworkCore;
using MildHunch.Store;
using MildHunch.Web.Cases;
using MildHunch.Web.Cases.Open;
using MildHunch.Web.Cases.Tell;
using MildHunch.Web.Evidence;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Demo;

/// <summary>
/// Pumps and open cases of the Skerrow Isles Water &amp; Growing Co-operative: an invented shop for trying the product out.
/// </summary>
public sealed class DemoData(MildHunchDb db, OpenCase open, TellCase tell, CaseStore store, DemoClosed closed)
{
    /// <summary>Fills an empty database; leaves one with pumps in it alone.</summary>
    public async Task Fill(CancellationToken stop)
    {
        if (await db.Pumps.AnyAsync(stop))
            return;

        // All or nothing: a start that was broken off leaves an empty database, which the next one fills.
        await using var whole = await db.Database.BeginTransactionAsync(stop);
        await Closed(stop);
        await Sound(stop);
        await Elsewhere(stop);
        await Plungers(stop);
        await whole.CommitAsync(stop);
    }

    // Of a kind of its own, so that what was found there speaks for none of the others.
    private async Task Closed(CancellationToken stop)
    {
        var wash = await Pump(
            "WASH-3", "Flow-through triplex, 22 x 20 mm", "Tank washing at the juice works",
            Plunger(3, 22, 20, 900, 60, "relief") with { Arrangement = "flow-through", HeadLayout = null },
            Run(900, Nozzles(19.4, 40), 55, "hose") with { Relief = null }, stop);
        var id = await Case(
            wash, "Weak jet since the tank was cleaned", ["gritty-supply", "sudden"],
            [Reading("discharge-pressure", 18.5, "bar"), Reading("nozzle-flow", 13.1, "L/min"), Reading("speed", 899, "rpm")],
            [Cue("needle", "swings"), Cue("inlet-hose", "kicking"), Cue("cap-listen", "hisses", 2, "inlet")], "suspect", stop);
        await closed.Finish(id, stop);
    }

    private async Task Sound(CancellationToken stop)
    {
        var frost = await Pump(
            "FROST-S", "Quintuplex plunger, 20 x 20 mm, the spare", "Vineyard frost mist", Plunger(5, 20, 20, 1450, 60, "regulator"),
            Run(1450, Nozzles(43.6, 40), 50, "hose"), stop);
        await Case(
            frost, "Season check before the first frost night", [],
            [Reading("discharge-pressure", 40.2, "bar"), Reading("nozzle-flow", 43.4, "L/min"), Reading("speed", 1452, "rpm")],
            [Cue("needle", "steady"), Cue("sound", "smooth"), Cue("leak-at", "none"), Cue("bypass-with-outlet-open", "none")], "suspect",
            stop);
    }

    // Plunger pumps of the greenhouses, the barge and the vineyard; the last one opened stands first.
    private async Task Plungers(CancellationToken stop)
    {
        var frost = await Pump(
            "FROST-R", "Quintuplex plunger, 20 x 20 mm, diaphragm regulator", "Vineyard frost mist",
            Plunger(5, 20, 20, 1450, 60, "regulator"), Run(1450, Nozzles(43.6, 40), 50, "hose"), stop);
        await Case(
            frost, "Pressure creeps when few rows are open, then hunts", ["gritty-supply"],
            [
                Reading("discharge-pressure", 33.5, "bar"), Reading("nozzle-flow", 39.8, "L/min"), Reading("bypass-flow", 3.9, "L/min"),
                Reading("speed", 1451, "rpm")],
            [Cue("sound", "chatter"), Cue("closed-outlet", "bleeds-down"), Cue("bypass-with-outlet-open", "some")], "suspect", stop);

        var net = await Pump(
            "NET-1", "Triplex plunger, 24 x 24 mm, engine driven", "Net wash barge", Plunger(3, 24, 24, 1450, 250, "unloader"),
            Run(1450, Nozzles(45.2, 200), 225, "hose"), stop);
        await Case(
            net, "Reach fades by the afternoon", ["slow"],
            [Reading("discharge-pressure", 113, "bar"), Reading("nozzle-flow", 38.8, "L/min"), Reading("speed", 1246, "rpm")],
            [Cue("needle", "steady"), Cue("bypass-with-outlet-open", "none"), Cue("sound", "smooth")], "suspect", stop);

        var fog = await Pump(
            "FOG-2", "Triplex plunger, 18 x 18 mm", "Greenhouse fogging", Plunger(3, 18, 18, 1450, 100, "unloader"),
            Run(1450, Nozzles(19.2, 70), 85, "hose") with { Relief = Q(105, "bar") }, stop);
        await Case(
            fog, "Mist turns to drizzle on the second zone", ["sudden"],
            [
                Reading("discharge-pressure", 31, "bar"), Reading("nozzle-flow", 12.6, "L/min"), Reading("bypass-flow", 0, "L/min"),
                Reading("speed", 1447, "rpm")],
            [Cue("needle", "swings"), Cue("cap-heat", "warm", 2, "discharge")], "suspect", stop);
    }

    // The other arrangements and what surrounds them.
    private async Task Elsewhere(CancellationToken stop)
    {
        var desal = await Pump("DESAL-B", "Quintuplex plunger, 28 x 36 mm, belt driven", "Seawater membranes",
            Plunger(5, 28, 36, 600, 80, "relief") with { HeadLayout = "stacked-bore" },
            new SetupDto(
                Q(543, "rpm"), new NozzleDto(Process: new ProcessDto(Q(27, "bar"), Q(57, "L/min"), Q(58, "bar"))), Q(70, "bar"), "rigid",
                "seawater", Q(12, "°C"), Q(1.5, "bar"), Q(400, "V"), 35,
                new DriveDto("motor", Q(7.5, "kW"), 4, Q(50, "Hz"), 0.035, DriverPulley: Q(132, "mm"), PumpPulley: Q(360, "mm")),
                new InletDto(new RunDto(Q(2.5, "m"), Q(50, "mm"), "hose", 1.5), Q(0, "m"), 3),
                new RunDto(Q(6, "m"), Q(20, "mm"), "steel", 6), new DampenerDto(Q(300, "mL"), Q(38, "bar"))), stop);
        await Case(
            desal, "Hammering since Tuesday", ["sudden"],
            [
                Reading("discharge-pressure", 55, "bar"), Reading("swing", 11, "bar"), Reading("nozzle-flow", 50.6, "L/min"),
                Reading("speed", 527, "rpm")],
            [Cue("needle", "swings"), Cue("inlet-hose", "kicking"), Cue("cap-listen", "hisses", 4), Cue("dampener-charge", "lost")],
            "suspect", stop);
        var test = await Pump("TEST-3", "Twin piston with cups, 36 x 20 mm", "Pressure testing of pipes",
            Plunger(2, 36, 20, 420, 28, "relief") with { Arrangement = "twin-piston" },
            Run(420, Nozzles(16, 22), 28, "hose") with { Outlet = new RunDto(Q(30, "m"), Q(12, "mm"), "hose", 2) }, stop);
        await Case(
            test, "Never reaches test pressure, weak every second stroke", [],
            [
                Reading("discharge-pressure", 9.3, "bar"), Reading("nozzle-flow", 9.9, "L/min"), Reading("bypass-flow", 0, "L/min"),
                Reading("speed", 421, "rpm")],
            [
                Cue("needle", "swings"), Cue("rhythm", "once"), Cue("inlet-hose", "calm"), Cue("leak-at", "none"),
                Cue("cap-listen", "hisses", 2, "discharge")], "suspect", stop);
        var mist = await Pump("MIST-7", "Axial three-piston, motor-built", "Market-hall misting cart",
            Plunger(3, 12, 7, 2800, 90, "auto-stop") with
            {
                Arrangement = "axial",
                RodRatio = null,
                Stroke = null,
                RatedFlow = Q(6.4, "L/min")
            },
            Run(2800, Nozzles(0.56, 80) with { Count = 12 }, 90, "hose") with
            {
                Voltage = Q(400, "V"),
                Outlet = new RunDto(Q(18, "m"), Q(6, "mm"), "hose", 4)
            }, stop);
        await Case(
            mist, "Starts by itself with the outlet shut", ["slow"],
            [Reading("discharge-pressure", 79, "bar"), Reading("nozzle-flow", 6.4, "L/min"), Reading("speed", 2800, "rpm")],
            [
                Cue("closed-outlet", "cycles"), Cue("shut-at-pump", "goes-on"), new CueDto("leak-at", "hose", DropsPerMinute: 40),
                Cue("needle", "steady"), Cue("sound", "smooth"), Dry(1), Dry(2), Dry(3)], "suspect", stop);
        var juice = await Pump("JUICE-HP", "Double-acting intensifier, two ends", "Cold pasteurising of juice",
            Plunger(2, 22, 220, 40, 4000, "none") with
            {
                Arrangement = "intensifier",
                RodRatio = null,
                OilPistonDiameter = Q(105, "mm"),
                ShiftTime = Q(60, "ms")
            },
            new SetupDto(
                Q(40, "rpm"), Nozzles(4.2, 3800), Line: "rigid", Liquid: "water", Temperature: Q(10, "°C"), SupplyPressure: Q(5, "bar"),
                Outlet: new RunDto(Q(9, "m"), Q(20, "mm"), "steel"), OilPressure: Q(180, "bar")), stop);
        await Case(
            juice, "Left stroke fast, pressure dips once a cycle", ["sudden"],
            [Reading("discharge-pressure", 3690, "bar"), Reading("stroke-left", 0.78, "s"), Reading("stroke-right", 0.93, "s")],
            [
                Cue("needle", "swings"), Cue("rhythm", "once"), Cue("reversal", "once"), Cue("leak-at", "none"),
                Cue("weep-standing", "dry"), Cue("inlet-hose", "calm")], "suspect", stop);
        var brine = await Pump("BRINE-4", "Triplex plunger with V-packing, 45 x 60 mm", "Brine injection",
            Plunger(3, 45, 60, 380, 100, "relief") with { SealReturn = "weep", HeadLayout = "split-manifold" },
            new SetupDto(
                Q(380, "rpm"), Nozzles(104, 80), Q(90, "bar"), "rigid", "brine", Q(24, "°C"), Voltage: Q(400, "V"), LiquidStrength: 12,
                Inlet: new InletDto(new RunDto(Q(9, "m"), Q(65, "mm"), "plastic", 3), Q(0.4, "m"), 2),
                Outlet: new RunDto(Q(12, "m"), Q(25, "mm"), "steel", 8)), stop);
        await Case(
            brine, "Rumbles on warm days at low tank level", ["slow"],
            [
                Reading("discharge-pressure", 82, "bar"), Reading("nozzle-flow", 104, "L/min"), Reading("inlet-pressure", -0.52, "bar"),
                Reading("speed", 380, "rpm")],
            [Cue("sound", "gravel"), Cue("bubbles-in-supply", "no"), Cue("trend-with-heat", "fades-hot"), Cue("needle", "swings")],
            "suspect", stop);
    }

    private static QuantityDto Q(double value, string unit) => new(value, unit);

    private static ReadingDto Reading(string quantity, double value, string unit) => new(quantity, Q(value, unit));

    private static CueDto Cue(string cue, string answer, int? cylinder = null, string? side = null) => new(cue, answer, cylinder, side);

    private static CueDto Dry(int cylinder) => new("leak-at", "weep", cylinder, DropsPerMinute: 0);

    private static NozzleDto Nozzles(double flow, double bar) => new(Q(flow, "L/min"), Q(bar, "bar"));

    private static PumpDto Plunger(int cylinders, double bore, double stroke, double rpm, double bar, string control) =>
        new("crank-plunger", cylinders, Q(bore, "mm"), Q(stroke, "mm"), 0.2, Q(rpm, "rpm"), Q(bar, "bar"), control, "six-caps", "inlet");

    private static SetupDto Run(double rpm, NozzleDto nozzle, double setting, string line) =>
        new(Q(rpm, "rpm"), nozzle, Q(setting, "bar"), line, "water", Q(15, "°C"));

    private async Task<string> Pump(string tag, string name, string duty, PumpDto pump, SetupDto setup, CancellationToken stop)
    {
        var entity = PumpRecord.Checked(new PumpRequest(tag, name, duty, pump, setup), store.Now());
        entity.SheetJson = DemoSheets.Of(tag) is { } sheet ? Stored.Write(sheet) : null;
        db.Pumps.Add(entity);
        await db.SaveChangesAsync(stop);
        return entity.Id;
    }

    private async Task<string> Case(
        string pumpId, string complaint, string[] context, ReadingDto[] readings, CueDto[] cues, string stage,
        CancellationToken stop)
    {
        var made = await open.Open(new NewCaseRequest(pumpId, complaint, context), stop);
        var entity = await store.Load(made.Id, stop);
        entity.Headline.Stage = stage;
        await tell.Apply(
            entity,
            new ChangeRequest("First look and first readings", readings, cues),
            stop);
        return entity.Id;
    }
}
