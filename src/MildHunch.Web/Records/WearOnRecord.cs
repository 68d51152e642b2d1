using MildHunch.Store;
using MildHunch.Web.Evidence;

namespace MildHunch.Web.Records;

/// <summary>
/// What the record says of the wearing parts of a case’s pump: hours on them, how long such parts last here, and whether it was opened.
/// </summary>
public sealed record WearOnRecord(IReadOnlyList<PartHoursDto> Hours, IReadOnlyList<PartLifeOnRecordDto> Lives, bool Opened)
{
    private static readonly WearOnRecord Nothing = new([], [], false);

    /// <summary>As it stood when the case was opened; what was told in the case of a kind of part goes before.</summary>
    public static async Task<WearOnRecord> Of(
        CaseEntity entity, ShopMemory memory, IReadOnlyList<PartHoursDto> told, CancellationToken stop)
    {
        var known = await memory.All(stop);
        if (!known.Pumps.TryGetValue(entity.PumpId, out var pump))
            return Nothing;
        var opened = memory.DayOf(entity.OpenedAt);
        var now = pump.Record.HoursAt(opened);
        var worn = pump.Record.Parts.Where(p => p.Wear is not null).ToArray();
        var whole = pump.Record.LivesAt(worn.Select(p => p.At.Key).ToHashSet());
        List<PartHoursDto> hours = [];
        List<PartLifeOnRecordDto> lives = [];
        foreach (var part in worn)
        {
            var kind = part.Wearing!;
            if (told.All(t => t.Part != kind)
                && pump.Record.Time.IsKnown
                && whole.LastOrDefault(l => l.At == part.At && l.Fitted is not null && l.Fitted.On <= opened
                    && (l.Out is null || l.Out.On >= opened)) is { } life
                && now - life.Fitted!.Hours is > 0 and var ran)
                hours.Add(new PartHoursDto(kind, Math.Round(ran, 1), part.At.Place.Cylinder));
            if (lives.All(l => l.Part != kind) && known.Life(pump.LifeOf(part)) is { Estimate.Failures: > 0 } lasts)
                lives.Add(new PartLifeOnRecordDto(kind, lasts.Estimate.Shape.Value, lasts.Estimate.B10.Value));
        }

        // A part that came out was opened for, whenever that was before this case; what only went in may have been in from new.
        return new WearOnRecord(hours, lives, pump.Record.Lives.Any(l => l.Out is { } change && change.On < opened));
    }
}
