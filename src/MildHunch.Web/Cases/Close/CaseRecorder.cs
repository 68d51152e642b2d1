using System.Globalization;
using Microsoft.EntityFrameworkCore;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Records.Lives;
using MildHunch.Core.Records.Outcomes;
using MildHunch.Core.Records.Patterns;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Drawing;
using MildHunch.Core.Service.Findings;
using MildHunch.Core.Service.Sheets;
using MildHunch.Store;
using MildHunch.Web.Cases.Work;
using MildHunch.Web.Evidence;
using MildHunch.Web.Pumps;
using MildHunch.Web.Service;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases.Close;

/// <summary>
/// What a closed case leaves on the record of its pump: parts changed and why, hours read, readings beside what was expected. It follows
/// from the case: opened again or corrected, it is taken back or written anew.
/// </summary>
public sealed class CaseRecorder(MildHunchDb db, CaseWork work, Catalogue catalogue, ShopNow shop, ShopDay day)
{
    /// <summary>Lays on the record what a case says now; only saved with the case.</summary>
    /// <param name="was">What it was closed as before.</param>
    public async Task Record(CaseEntity entity, CaseResource shown, string? was, CancellationToken stop)
    {
        if (entity.Headline.Closed is null && was is null)
            return;
        db.RemoveRange(await db.PartChanges.Where(c => c.CaseId == entity.Id).ToListAsync(stop));
        db.RemoveRange(await db.Meters.Where(m => m.CaseId == entity.Id).ToListAsync(stop));
        db.RemoveRange(await db.Outcomes.Where(o => o.CaseId == entity.Id).ToListAsync(stop));
        db.RemoveRange(await db.ReadingsOnRecord.Where(r => r.CaseId == entity.Id).ToListAsync(stop));
        if (entity.Headline.Closed is null)
            return;
        Round[] rounds = [.. entity.Rounds().Select(r => Done(r, entity.Headline.ClosedAt!.Value))];
        var (on, by) = (rounds[^1].On, rounds.Select(r => By(r.Work)).LastOrDefault(b => b is not null));
        if (Meter(shown) is { } read)
            db.Meters.Add(new MeterEntity
            {
                Id = Ids.New(),
                PumpId = entity.PumpId,
                CaseId = entity.Id,
                On = on,
                Hours = read,
                By = by,
            });
        foreach (var round in rounds)
            foreach (var change in await Changes(round, stop))
                db.PartChanges.Add(change);
        db.ReadingsOnRecord.AddRange(Readings(entity, shown, on));
        db.Outcomes.Add(await OutcomeOf(entity, rounds, stop));
    }

    // One opening: the case as it stood at its end, what was planned and done, and on which day.
    private sealed record Round(CaseEntity At, WorkDto Work, ServicePlan? Plan, DateOnly On);

    private Round Done(CaseEntity at, DateTime closed)
    {
        var done = at.Work();
        return new Round(
            at, done, work.Planned(at), Day(done.Steps.Values.Where(s => s.Taps is null).Select(s => (DateTime?)s.At).Max() ?? closed));
    }

    private async Task<OutcomeEntity> OutcomeOf(CaseEntity entity, IReadOnlyList<Round> rounds, CancellationToken stop)
    {
        var sheet = entity.KnownPump().ToResource().Sheet;
        ServicePlan[] plans = [.. rounds.Select(r => r.Plan).OfType<ServicePlan>()];
        double[] taken = [.. rounds.Select(r => r.Work.MinutesTaken()).OfType<double>()];
        var thought = await Thought(entity, stop);
        return new OutcomeEntity
        {
            CaseId = entity.Id,
            PumpId = entity.PumpId,
            On = rounds[^1].On,
            Found = Outcome.Read(entity.Headline.Closed)!.Written,
            Leader = thought?.Leader,
            Probability = thought?.Probability,
            MinutesPlanned = plans.Length == 0 ? null : plans.Sum(p => p.Minutes),
            MinutesTaken = taken.Length == 0 ? null : taken.Sum(),
            Cost = plans.Length == 0
                ? null
                : plans.Sum(p => (p.Minutes / 60 * shop.Terms.WorkPerHour)
                    + (PartsBill.Of(p, sheet).Cost(shop.Terms.Currency)?.Parts ?? 0)),
        };
    }

    // The last verdict before anything was seen inside: what was found there is no hunch. Told by the order of things, not by the clock,
    // which may have run ahead; of a case that comes from elsewhere verdicts and moves are with it, not in the database.
    private async Task<VerdictEntity?> Thought(CaseEntity entity, CancellationToken stop)
    {
        var seen = entity.Facts.Where(f => f.Name.StartsWith(WorkFacts.NameOfFound(""), StringComparison.Ordinal)
            || f.Name == CaseFacts.Closed)
            .Select(f => f.AddedBy).DefaultIfEmpty(int.MaxValue).Min();
        var led = await db.Set<MoveEntity>().AsNoTracking().Where(m => m.CaseId == entity.Id && m.Change >= seen).Select(m => m.Version)
            .ToListAsync(stop);
        var before = led.Concat(entity.Moves.Where(m => m.Change >= seen).Select(m => m.Version)).DefaultIfEmpty(seen).Min();
        var kept = await db.Set<VerdictEntity>().AsNoTracking().Where(v => v.CaseId == entity.Id && v.AfterVersion < before)
            .OrderByDescending(v => v.AfterVersion).ThenByDescending(v => v.Id).FirstOrDefaultAsync(stop);
        return entity.Verdicts.Where(v => v.AfterVersion < before).Append(kept).OfType<VerdictEntity>()
            .OrderByDescending(v => v.AfterVersion).ThenByDescending(v => v.Id, StringComparer.Ordinal).FirstOrDefault();
    }

    /// <summary>Hours on the meter as the case has them.</summary>
    private static double? Meter(CaseResource shown) =>
        shown.Facts.GetValueOrDefault(CaseFacts.Meter) is { } text && double.TryParse(text, CultureInfo.InvariantCulture, out var hours)
            ? hours
            : null;

    private async Task<List<PartChangeEntity>> Changes(Round round, CancellationToken stop)
    {
        List<PartChangeEntity> changes = [];
        if (round is not { Plan: { } plan, At: { } entity, Work: { } now, On: var on })
            return changes;

        // What was cleaned or lapped is the same part: its hours go on.
        var renewed = plan.Steps.Where(s => s.Lays && s.Part is not null)
            .SelectMany(s => s.Ticks.Where(t => now.Ticked(t.Key)).Select(t => new PartAt(s.Part!, t.Place)))
            .Distinct();
        var failed = plan.Inspections.Where(p => State(now, p) == FoundState.Failed);
        var cause = Cause(entity, plan);
        foreach (var part in renewed.Union(failed).Where(p => PartFamilies.BuiltIn.Of(p.Part.Kind) is not null))
        {
            var key = CavityMap.Key(part.Part.Id, part.Place);
            var found = now.Found.GetValueOrDefault(key);
            var bad = State(now, part) == FoundState.Failed;
            changes.Add(new PartChangeEntity
            {
                Id = Ids.New(),
                PumpId = entity.PumpId,
                CaseId = entity.Id,
                Part = part.Part.Id,
                Cylinder = part.Place.Cylinder,
                Side = part.Place.Side?.Named(),
                On = on,
                OutWhy = (bad ? OutWhy.Failed : OutWhy.Along).Named(),
                Finding = bad ? found?.Finding : null,
                GoodOn = bad && !cause.Contains(part) ? await LastSeenGood(entity, key, on, stop) : null,
                PutIn = true,
                By = By(now),
                Kit = Kit(entity, part.Part.Id),
                Batch = now.Batches.GetValueOrDefault(part.Part.Id),
                Note = found?.Note,
            });
        }

        return changes;
    }

    private static FoundState? State(WorkDto now, PartAt part) =>
        now.Found.GetValueOrDefault(CavityMap.Key(part.Part.Id, part.Place)) is { } found
            ? Mapping.Choice(found.State, "state", FoundState.Fine)
            : null;

    // Parts whose failing was what brought the pump in: they failed when it was complained of, not some time before.
    private HashSet<PartAt> Cause(CaseEntity entity, ServicePlan plan)
    {
        var closed = Outcome.Read(entity.Headline.Closed)!;
        return
        [
            .. closed.Faults.Select(catalogue.Fault).OfType<Fault>()
                .SelectMany(f => ServiceTargets.Of(plan.Sheet, plan.Pump, f, new ServicePlace(closed.Cylinder))).Select(t => t.At),
        ];
    }

    private async Task<DateOnly?> LastSeenGood(CaseEntity entity, string key, DateOnly on, CancellationToken stop)
    {
        var name = WorkFacts.NameOfFound(key);
        var before = await (
            from fact in db.Set<FactEntity>()
            join other in db.Cases on fact.CaseId equals other.Id
            where fact.Name == name && fact.RemovedBy == null && other.PumpId == entity.PumpId && other.Id != entity.Id
                && other.Headline.ClosedAt != null
            select new { fact.Value, other.Headline.ClosedAt }).ToListAsync(stop);
        var good = before.Where(f => Day(f.ClosedAt!.Value) < on && Stored.Read<FoundPartAtDto>(f.Value).State != FoundState.Failed.Named())
            .Select(f => (DateOnly?)Day(f.ClosedAt!.Value)).Max();
        var fitted = await db.PartChanges.Where(c => c.PumpId == entity.PumpId && c.CaseId != entity.Id && c.PutIn && c.On < on)
            .Select(c => new { c.Part, c.Cylinder, c.Side, c.On }).ToListAsync(stop);
        var since = fitted.Where(c => new PartPosition(
            c.Part, new ServicePlace(c.Cylinder, c.Side is { } s ? Enum.Parse<Side>(s, true) : null)).Key == key)
            .Select(c => (DateOnly?)c.On).Max();
        return good > since || since is null ? good : since;
    }

    // The kit of the pump’s own sheet that holds it.
    private static string? Kit(CaseEntity entity, string part) =>
        entity.KnownPump().ToResource().Sheet.Kits?.FirstOrDefault(k => k.Holds?.ContainsKey(part) == true)?.Name;

    private static IEnumerable<ReadingOnRecordEntity> Readings(CaseEntity entity, CaseResource shown, DateOnly on)
    {
        if (shown.Diagnosis is not { } judged)
            yield break;
        foreach (var reading in shown.Readings.Where(r => r.Judged))
        {
            var compared = judged.Comparisons.FirstOrDefault(c => c.Quantity == reading.Quantity);
            if (compared is null)
                continue;
            var expected = new ReadingDto(reading.Quantity, compared.Expected).ToCore("expected").Value.Si;
            yield return new ReadingOnRecordEntity
            {
                Id = Ids.New(),
                PumpId = entity.PumpId,
                CaseId = entity.Id,
                On = on,
                Quantity = reading.Quantity,
                Value = new ReadingDto(reading.Quantity, reading.Value).ToCore("reading").Value.Si,
                Expected = expected,
                After = reading.Mends > 0 && reading.Mends == shown.Mends,
            };
        }
    }

    private static string? By(WorkDto now) => now.Steps.Values.OrderBy(s => s.At).LastOrDefault()?.By;

    private DateOnly Day(DateTime at) => day.Of(at);
}
