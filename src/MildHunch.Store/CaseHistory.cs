namespace MildHunch.Store;

/// <summary>Reads and moves along the changes of a case: what stands now, undo, redo. Works on a case loaded whole.</summary>
public static class CaseHistory
{
    /// <summary>Entries that stand now, in the order in which they were entered.</summary>
    public static IReadOnlyList<T> InForce<T>(this CaseEntity entity, IEnumerable<T> entries)
        where T : EntryEntity
    {
        var undone = entity.Changes.Where(c => c.Undone).Select(c => c.Number).ToHashSet();
        return [.. entries.Where(e => !undone.Contains(e.AddedBy) && (e.RemovedBy is not { } by || undone.Contains(by)))
            .OrderBy(e => e.AddedBy).ThenBy(e => e.Id, StringComparer.Ordinal)];
    }

    /// <summary>The value of a fact that stands now, or null.</summary>
    public static string? Fact(this CaseEntity entity, string name) =>
        entity.InForce(entity.Facts.Where(f => f.Name == name)).LastOrDefault()?.Value;

    /// <summary>The change that undo would take back; null when there is none.</summary>
    public static ChangeEntity? ToUndo(this CaseEntity entity) => entity.Changes.Where(c => !c.Undone && c.Number > 1).MaxBy(c => c.Number);

    /// <summary>The change that redo would bring back; null when there is none, or something was entered since.</summary>
    public static ChangeEntity? ToRedo(this CaseEntity entity) =>
        entity.Changes.Where(c => c is { Undone: true, Abandoned: false }).MinBy(c => c.Number);

    /// <summary>
    /// Opens the next change; what is added or taken back names its number. Where a clock ran ahead before, it is told no earlier than the
    /// one before it: what is compared by time then stands in the order in which it was told.
    /// </summary>
    public static ChangeEntity Begin(this CaseEntity entity, string says, DateTime at)
    {
        var change = new ChangeEntity
        {
            CaseId = entity.Id,
            Number = entity.Changes.Select(c => c.Number).DefaultIfEmpty(0).Max() + 1,
            Says = says,
            At = entity.Changes.Select(c => c.At).Append(at).Max(),
        };
        foreach (var left in entity.Changes.Where(c => c.Undone))
            left.Abandoned = true;
        entity.Changes.Add(change);
        entity.Move(change);
        return change;
    }

    /// <summary>Leads the case to its next version: a change was told, undone or done again.</summary>
    public static void Move(this CaseEntity entity, ChangeEntity change)
    {
        entity.Version++;
        entity.Moves.Add(new MoveEntity { CaseId = entity.Id, Version = entity.Version, Change = change.Number, Key = Ids.New() });
    }

    /// <summary>Sets a fact, taking back what it said before; an empty value only takes back.</summary>
    public static void Tell(this CaseEntity entity, ChangeEntity change, string name, string value) =>
        entity.TellIn(CaseRounds.First, change, name, value);

    /// <summary>Sets a fact of one round; what another round says by that name stays.</summary>
    public static void TellIn(this CaseEntity entity, int round, ChangeEntity change, string name, string value)
    {
        foreach (var old in entity.InForce(entity.Facts.Where(f => f.Name == name && f.Round == round)))
            old.RemovedBy = change.Number;
        if (value.Length > 0)
            entity.Facts.Add(new FactEntity
            {
                Id = Ids.New(),
                CaseId = entity.Id,
                AddedBy = change.Number,
                Name = name,
                Value = value,
                Round = round,
            });
    }
}
