using Microsoft.EntityFrameworkCore;
using MildHunch.Core.Diagnosis;
using MildHunch.Core.Faults;
using MildHunch.Store;
using MildHunch.Web.Cases;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Demo;

/// <summary>Pumps and open cases of the Skerrow Isles Water &amp; Growing Co-operative: an invented shop for trying the product out.</summary>
public static class DemoData
{
    /// <summary>Fills an empty database; leaves one with pumps in it alone.</summary>
    public static async Task Fill(MildHunchDb db, Diagnoser diagnoser, Catalogue catalogue, TimeProvider clock, CancellationToken stop)
    {
        if (await db.Pumps.AnyAsync(stop))
            return;
        var book = new CaseBook(db, diagnoser, catalogue, clock);

        var frost = await Pump(db, "FROST-R", "Quintuplex plunger, 20 x 20 mm", "Vineyard frost mist", Plunger(5, 20, 20, 1450, 60, "regulator"), Run(1450, Nozzles(43.6, 40), 50, "hose"), clock, stop);
        await Case(book, frost, "Season check before the first frost night", [], [Reading("discharge-pressure", 40.2, "bar"), Reading("nozzle-flow", 43.4, "L/min"), Reading("speed", 1452, "rpm")],
            [Cue("needle", "steady"), Cue("sound", "smooth"), Cue("leak-at", "none"), Cue("bypass-with-outlet-open", "none")], "suspect", stop);

        var net = await Pump(db, "NET-1", "Triplex plunger, 24 x 24 mm, engine driven", "Net wash barge", Plunger(3, 24, 24, 1450, 250, "unloader"), Run(1450, Nozzles(45.2, 200), 225, "hose"), clock, stop);
        await Case(book, net, "Reach fades by the afternoon", ["slow"], [Reading("discharge-pressure", 148, "bar"), Reading("nozzle-flow", 38.8, "L/min"), Reading("speed", 1246, "rpm")],
            [Cue("needle", "steady"), Cue("bypass-with-outlet-open", "none"), Cue("sound", "smooth")], "suspect", stop);

        var fog = await Pump(db, "FOG-2", "Triplex plunger, 18 x 18 mm", "Greenhouse fogging", Plunger(3, 18, 18, 1450, 100, "unloader"), Run(1450, Nozzles(19.2, 70), 85, "hose"), clock, stop);
        await Case(book, fog, "Mist turns to drizzle on the second zone", ["sudden"], [Reading("discharge-pressure", 31, "bar"), Reading("nozzle-flow", 12.6, "L/min"), Reading("bypass-flow", 0, "L/min"), Reading("speed", 1447, "rpm")],
            [Cue("needle", "swings"), Cue("cap-heat", "warm", 2, "discharge")], "suspect", stop);
    }

    private static QuantityDto Q(double value, string unit) => new(value, unit);

    private static ReadingDto Reading(string quantity, double value, string unit) => new(quantity, Q(value, unit));

    private static CueDto Cue(string cue, string answer, int? cylinder = null, string? side = null) => new(cue, answer, cylinder, side);

    private static NozzleDto Nozzles(double flow, double bar) => new(Q(flow, "L/min"), Q(bar, "bar"));

    private static PumpDto Plunger(int cylinders, double bore, double stroke, double rpm, double bar, string control) =>
        new("crank-plunger", cylinders, Q(bore, "mm"), Q(stroke, "mm"), 0.2, Q(rpm, "rpm"), Q(bar, "bar"), control, "six-caps", "inlet");

    private static SetupDto Run(double rpm, NozzleDto nozzle, double setting, string line) => new(Q(rpm, "rpm"), nozzle, Q(setting, "bar"), line, "water", Q(15, "°C"));

    private static async Task<string> Pump(MildHunchDb db, string tag, string name, string duty, PumpDto pump, SetupDto setup, TimeProvider clock, CancellationToken stop)
    {
        var entity = PumpEndpoints.Check(new PumpRequest(tag, name, duty, pump, setup), clock.GetUtcNow().UtcDateTime);
        db.Pumps.Add(entity);
        await db.SaveChangesAsync(stop);
        return entity.Id;
    }

    private static async Task Case(CaseBook book, string pumpId, string complaint, string[] context, ReadingDto[] readings, CueDto[] cues, string stage, CancellationToken stop)
    {
        var made = await book.Open(new NewCaseRequest(pumpId, complaint, context), stop);
        var entity = await book.Load(made.Id, stop);
        await book.Apply(entity, new ChangeRequest("First look and first readings", readings, cues, Facts: new Dictionary<string, string> { ["stage"] = stage }), stop);
    }
}
