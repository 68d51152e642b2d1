namespace MildHunch.Store;

/// <summary>A pump of the shop. Pump and set-up are kept as they were typed, units and all.</summary>
public sealed class PumpEntity
{
    public required string Id { get; init; }

    public required string Tag { get; set; }

    public string Name { get; set; } = "";

    public string Duty { get; set; } = "";

    /// <summary>Pump as JSON in the shape of the HTTP interface.</summary>
    public required string PumpJson { get; set; }

    /// <summary>Set-up as JSON in the shape of the HTTP interface.</summary>
    public required string SetupJson { get; set; }

    /// <summary>The maker's figures and the shop's own for its service, as JSON in the shape of the HTTP interface.</summary>
    public string? SheetJson { get; set; }

    /// <summary>Serial number of this very pump; it keeps its history wherever it stands.</summary>
    public string Serial { get; set; } = "";

    /// <summary>How it is run and when it is served, as JSON in the shape of the HTTP interface; null where nobody said.</summary>
    public string? RunningJson { get; set; }

    public DateTime CreatedAt { get; init; }

    /// <summary>Pumps that wear alike: arrangement and number of cylinders.</summary>
    public string Type { get; set; } = "";

    /// <summary>When it was put away; empty while it stands in the list.</summary>
    public DateTime? ArchivedAt { get; set; }

    /// <summary>Counts edits; two tablets must not overwrite one another.</summary>
    public int Version { get; set; } = 1;

    /// <summary>Where it stood before, as far as it was swapped.</summary>
    public List<StoodEntity> Stood { get; init; } = [];
}

/// <summary>A complaint about a pump and all that was found out about it.</summary>
public sealed class CaseEntity
{
    public required string Id { get; init; }

    public required string PumpId { get; init; }

    public PumpEntity? Pump { get; init; }

    public DateTime OpenedAt { get; init; }

    /// <summary>When it was put away; empty while it stands in the list.</summary>
    public DateTime? ArchivedAt { get; set; }

    /// <summary>Counts changes, undos and redos.</summary>
    public int Version { get; set; }

    /// <summary>What stands in the list of cases, kept with every change so that the list need not read the changes.</summary>
    public CaseHeadline Headline { get; init; } = new();

    public List<ChangeEntity> Changes { get; init; } = [];

    public List<ReadingEntity> Readings { get; init; } = [];

    public List<CueEntity> Cues { get; init; } = [];

    public List<FactEntity> Facts { get; init; } = [];

    public List<VerdictEntity> Verdicts { get; init; } = [];

    /// <summary>One for each version; those of before stay in the database unless they are asked for.</summary>
    public List<MoveEntity> Moves { get; init; } = [];
}

/// <summary>
/// How a case came from one version to the next: a change was told, undone or done again. Two copies of a case are one and the same up to
/// the last move that both have.
/// </summary>
public sealed class MoveEntity
{
    public required string CaseId { get; init; }

    /// <summary>The version that it led to.</summary>
    public required int Version { get; init; }

    /// <summary>Number of the change that was told, undone or done again.</summary>
    public required int Change { get; init; }

    /// <summary>No other move anywhere has it.</summary>
    public required string Key { get; init; }
}

/// <summary>A case in one line: what is wrong, where it stands, what leads. Follows from the changes, kept beside them.</summary>
public sealed class CaseHeadline
{
    public string Complaint { get; set; } = "";

    public string Stage { get; set; } = "";

    /// <summary>What was found, where the case is closed.</summary>
    public string? Closed { get; set; }

    /// <summary>When it was closed.</summary>
    public DateTime? ClosedAt { get; set; }

    public DateTime ChangedAt { get; set; }

    /// <summary>Readings and answers that stand.</summary>
    public int Entries { get; set; }

    public string? Leader { get; set; }

    public string? LeaderName { get; set; }

    public double? Probability { get; set; }

    public string? Hunch { get; set; }
}

/// <summary>One thing somebody did to a case. Undoing marks it; nothing typed is ever thrown away.</summary>
public sealed class ChangeEntity
{
    public required string CaseId { get; init; }

    public required int Number { get; init; }

    public required string Says { get; init; }

    public DateTime At { get; init; }

    public bool Undone { get; set; }

    /// <summary>Undone, and something else entered since: it can no longer be brought back by redo.</summary>
    public bool Abandoned { get; set; }
}

/// <summary>Something that stands in a case from one change on until another takes it back.</summary>
public abstract class EntryEntity
{
    public required string Id { get; init; }

    public required string CaseId { get; init; }

    public required int AddedBy { get; init; }

    public int? RemovedBy { get; set; }
}

/// <summary>Something that was read or seen at the pump, before its mends or after them.</summary>
public abstract class TakenEntity : EntryEntity
{
    /// <summary>Mends that lay behind the pump then.</summary>
    public int Mends { get; set; }
}

/// <summary>A number, in the unit in which it was read.</summary>
public sealed class ReadingEntity : TakenEntity
{
    public required string Quantity { get; init; }

    public required double Value { get; init; }

    public required string Unit { get; init; }

    public double? Uncertainty { get; init; }

    public string? UncertaintyUnit { get; init; }

    /// <summary>Upper end in the same unit, where a range was read.</summary>
    public double? UpTo { get; init; }
}

/// <summary>An answer to a cue.</summary>
public sealed class CueEntity : TakenEntity
{
    public required string Cue { get; init; }

    public required string Answer { get; init; }

    public int? Cylinder { get; init; }

    public string? Side { get; init; }

    public double? DropsPerMinute { get; init; }

    /// <summary>It runs rather than drips.</summary>
    public bool Stream { get; init; }

    /// <summary>Running or standing: when it drips; empty where nobody said.</summary>
    public string? DripsWhen { get; init; }
}

/// <summary>Anything else that is noted: complaint, stage, notes, history, what was found.</summary>
public sealed class FactEntity : EntryEntity
{
    public required string Name { get; init; }

    public required string Value { get; init; }

    /// <summary>The opening of the pump that it belongs to, from 1; 1 for what belongs to the case as a whole.</summary>
    public int Round { get; set; } = CaseRounds.First;
}

/// <summary>What we thought after a change, kept so that it can be compared with what was found.</summary>
public sealed class VerdictEntity
{
    public required string Id { get; init; }

    public required string CaseId { get; init; }

    public required int AfterVersion { get; init; }

    public DateTime At { get; init; }

    public required string Leader { get; init; }

    public required string LeaderName { get; init; }

    public required double Probability { get; init; }

    public required string Hunch { get; init; }

    /// <summary>All suspects with their probabilities, as JSON.</summary>
    public required string SuspectsJson { get; init; }
}

/// <summary>A picture that lies beside the database, named after what is in it.</summary>
public sealed class PhotoEntity
{
    /// <summary>SHA-256 of the file as it is kept, in hexadecimal.</summary>
    public required string Hash { get; init; }

    public required int Bytes { get; init; }

    public required int Width { get; init; }

    public required int Height { get; init; }

    public DateTime At { get; init; }
}

/// <summary>A report as it was signed: it stays so, whatever becomes of the case.</summary>
public sealed class ReportEntity
{
    public required string CaseId { get; init; }

    /// <summary>From 1.</summary>
    public required int Revision { get; init; }

    public DateTime At { get; init; }

    /// <summary>Version of the case that it tells of.</summary>
    public required int CaseVersion { get; init; }

    public required string By { get; init; }

    public string? Witness { get; init; }

    public string? Gauge { get; init; }

    public string? Wrench { get; init; }

    /// <summary>What it says, as JSON in the shape of the HTTP interface.</summary>
    public required string ContentJson { get; init; }

    /// <summary>Binds the signature to what was signed; null on what was signed before there was one.</summary>
    public string? Seal { get; set; }

    /// <summary>It came in a file: who signed it there is not known here.</summary>
    public bool Elsewhere { get; init; }
}

/// <summary>Something that was sent with a key of its sender, and done: sent again, it is not done again.</summary>
public sealed class SentEntity
{
    /// <summary>Worked out of method, path and the sender’s key.</summary>
    public required string Key { get; init; }

    public required DateTime At { get; init; }

    /// <summary>Where what came of it is read, where that is not the path itself.</summary>
    public string? Location { get; set; }
}

/// <summary>From when on closed cases of one type of pump count: what was found before no longer speaks.</summary>
public sealed class HistoryResetEntity
{
    public required string PumpType { get; init; }

    public DateTime At { get; set; }
}
