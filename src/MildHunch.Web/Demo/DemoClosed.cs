using MildHunch.Core.Service.Drawing;
using MildHunch.Core.Service.Proving;
using MildHunch.Store;
using MildHunch.Web.Cases;
using MildHunch.Web.Cases.Prove;
using MildHunch.Web.Cases.Tell;
using MildHunch.Web.Cases.Work;
using MildHunch.Web.Evidence;
using MildHunch.Web.Pumps;
using MildHunch.Web.Reports;
using MildHunch.Web.Service;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Demo;

/// <summary>A case that was gone through to its end: opened, mended, proved, closed and signed.</summary>
public sealed class DemoClosed(MildHunchDb db, TellCase tell, CaseStore store, CaseWork work, ProofStages stages, ReportBuilder builder)
{
    private const string Ines = "Ines Halvard";
    private const string Runa = "Runa Estcott";
    private const string Pell = "Pell Okoro";

    /// <summary>Takes a case with its first readings to its end.</summary>
    public async Task Finish(string id, CancellationToken stop)
    {
        var entity = await store.Load(id, stop);
        async Task Told(ChangeRequest change) => await tell.Apply(entity, change, stop);

        var plan = new WorkPlanDto([new ServiceTargetDto("inlet-valve", Cylinder: 2)], "whole-set");
        await Told(new ChangeRequest(Work: new WorkChangeDto(Plan: plan, Acknowledged: new AcknowledgedDto(Runa, ["lock-out"]))));
        var planned = work.Plan(entity, plan)!;
        await Told(new ChangeRequest(Work: new WorkChangeDto(Steps: planned.Steps.SelectMany(s => s.Ticks.Select(t => (s, t))).ToDictionary(
            x => x.t.Key, x => new TickDto(Runa, x.s.Bolts is null ? null : "W-2, checked 2026-05")))));
        await Told(new ChangeRequest(Work: new WorkChangeDto(Found: planned.Inspections.ToDictionary(
            i => CavityMap.Key(i.Part.Id, i.Place),
            i => i is { Part.Id: "inlet-valve", Place.Cylinder: 2 }
                ? new FoundPartDto(
                    "failed", "grooved-seat", Runa, "One groove across the seat, a grain still in it.", SuctionSeconds: 1, Moves: true)
                : new FoundPartDto("fine", By: Pell, Moves: i.Part.Id.EndsWith("valve", StringComparison.Ordinal) ? true : null)),
            RanAgain: true)));
        await Prove(entity, Told);
        await Told(new ChangeRequest(Facts: new Dictionary<string, string>
        {
            ["closed"] = "inlet-valve-leak@2",
            ["note-prove"] = "Strainer cleaned as well; look at it again in a month.",
        }));
        entity.Headline.Stage = "prove";
        await store.Save(entity, stop);
        db.Reports.Add(new ReportEntity
        {
            CaseId = id,
            Revision = 1,
            At = store.Now(),
            CaseVersion = entity.Version,
            By = Ines,
            Witness = Runa,
            Gauge = "G-4, checked 2026-03",
            Wrench = "W-2, checked 2026-05",
            ContentJson = Stored.Write(await builder.Of(entity, store.Now(), stop)),
        });
        await db.SaveChangesAsync(stop);
    }

    // Each pressure with what such a pump shows there, read on a gauge and with a bucket.
    private async Task Prove(CaseEntity entity, Func<ChangeRequest, Task> told)
    {
        var stored = entity.KnownPump().ToResource();
        var (pump, setup) = (stored.Pump.ToCore(), stored.Setup.ToCore());
        var mine = stages.For(pump, setup, [.. stored.Sheet.Choices ?? []])
            .Where(s => ProofStages.Forbidden(s, pump, setup) is null).ToArray();
        await told(new ChangeRequest(Proof: new ProofChangeDto(mine.ToDictionary(s => s.Id, _ => new SignedDto(Ines)))));
        await told(new ChangeRequest(Proof: new ProofChangeDto(Acts: mine.SelectMany(s => s.Acts.Select(a => $"{s.Id}.{a.Id}"))
            .ToDictionary(a => a, _ => new SignedDto(Pell)))));
        await told(new ChangeRequest(Proof: new ProofChangeDto(Steps: new Dictionary<string, StepReadDto>
        {
            ["steps.25"] = Read(10, 19.4),
            ["steps.50"] = Read(20, 19.3),
            ["steps.75"] = Read(30, 19.2),
            ["steps.100"] = Read(39.6, 19.1),
        })));
        await told(new ChangeRequest(
            Cues: [new CueDto("leak-at", "none", At: TakenAt.After), new CueDto("needle", "steady", At: TakenAt.After)]));
        await told(new ChangeRequest(Proof: new ProofChangeDto(Verdict: new ProofSignedDto("pass", By: Ines))));
    }

    private static StepReadDto Read(double bar, double flow) =>
        new(Ines, new QuantityDto(bar, "bar"), new QuantityDto(flow, "L/min"), Swing: new QuantityDto(bar / 20, "bar"), HeldSeconds: 120);
}
