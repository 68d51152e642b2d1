namespace MildHunch.Store;

/// <summary>What the hour meter of a pump showed.</summary>
public sealed class MeterEntity
{
    public required string Id { get; init; }

    public required string PumpId { get; init; }

    public required DateOnly On { get; init; }

    public required double Hours { get; init; }

    /// <summary>A new meter was fitted that day and showed this then.</summary>
    public bool NewMeter { get; init; }

    public double? Strokes { get; init; }

    public string? By { get; init; }

    /// <summary>The case at which it was read; null where it was entered by hand.</summary>
    public string? CaseId { get; init; }
}

/// <summary>A part of a pump that was changed: something came out, something went in, or both.</summary>
public sealed class PartChangeEntity
{
    public required string Id { get; init; }

    public required string PumpId { get; init; }

    /// <summary>Id of the part on its sheet.</summary>
    public required string Part { get; init; }

    public int? Cylinder { get; init; }

    public string? Side { get; init; }

    public required DateOnly On { get; init; }

    /// <summary>failed, along or unsaid; null where nothing came out.</summary>
    public string? OutWhy { get; init; }

    public string? Finding { get; init; }

    /// <summary>The day on which it was last seen good, where it was found failed at an opening for something else.</summary>
    public DateOnly? GoodOn { get; init; }

    public bool PutIn { get; init; }

    public string? By { get; init; }

    public string? Kit { get; init; }

    public string? Batch { get; init; }

    public DateOnly? Warranty { get; init; }

    public string? Note { get; init; }

    /// <summary>The case at which it was done; null where it was entered by hand or came from paper.</summary>
    public string? CaseId { get; init; }
}

/// <summary>A reading of a closed case beside what was expected, kept so that years of them can be looked at in one go.</summary>
public sealed class ReadingOnRecordEntity
{
    public required string Id { get; init; }

    public required string PumpId { get; init; }

    public required string CaseId { get; init; }

    public required DateOnly On { get; init; }

    public required string Quantity { get; init; }

    /// <summary>In the unit of SI.</summary>
    public required double Value { get; init; }

    /// <summary>What a healthy pump would have shown, in the unit of SI.</summary>
    public required double Expected { get; init; }

    /// <summary>True where it was read after a mend.</summary>
    public bool After { get; init; }
}

/// <summary>A kit or part on the shelf.</summary>
public sealed class StockEntity
{
    public required string Id { get; init; }

    /// <summary>Its name as the sheets of the pumps have it.</summary>
    public required string Name { get; set; }

    public double InStock { get; set; }

    /// <summary>At or below this it is ordered.</summary>
    public double ReorderAt { get; set; }

    public string? Shelf { get; set; }

    public int Version { get; set; } = 1;
}

/// <summary>What a closed case came to, in one line: what was thought, what it was, what it took.</summary>
public sealed class OutcomeEntity
{
    public required string CaseId { get; init; }

    public required string PumpId { get; init; }

    public required DateOnly On { get; init; }

    /// <summary>Faults that were found, joined by +.</summary>
    public required string Found { get; init; }

    /// <summary>Who led before it was opened; null where there was no verdict.</summary>
    public string? Leader { get; init; }

    public double? Probability { get; init; }

    public double? MinutesPlanned { get; init; }

    /// <summary>From the first step to the last; null where it was not gone through step by step.</summary>
    public double? MinutesTaken { get; init; }

    /// <summary>Labour and parts at the shop’s prices of that day.</summary>
    public double? Cost { get; init; }
}

/// <summary>Where a pump stood before it was swapped, and how it was set up there: its cases of that time are read with that.</summary>
public sealed class StoodEntity
{
    public required string Id { get; init; }

    public required string PumpId { get; init; }

    public required string Tag { get; init; }

    public required string Duty { get; init; }

    /// <summary>Set-up as JSON in the shape of the HTTP interface.</summary>
    public required string SetupJson { get; init; }

    public required DateTime Until { get; init; }
}
