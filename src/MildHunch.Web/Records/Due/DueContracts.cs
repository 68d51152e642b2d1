using System.ComponentModel;

namespace MildHunch.Web.Records.Due;

/// <summary>One thing due, in words.</summary>
public sealed record DueItemDto(string Why, DateOnly On, string Says, IReadOnlyList<string> Positions);

public sealed record DuePartDto(string Name, int Count, [property: Description("true for a kit")] bool Kit, string? LeftOver);

/// <summary>One opening of a pump that serves what is due around its day.</summary>
public sealed record DueVisitDto(
    string PumpId, string Tag, DateOnly On, DateOnly? Wanted, string? Season, double Minutes, double Saved,
    IReadOnlyList<DueItemDto> Items, IReadOnlyList<DuePartDto> Parts, string Says);

/// <summary>A part or kit that what is due needs, beside what is on the shelf.</summary>
public sealed record NeededDto(
    string Name, bool Kit, int Count, [property: Description("the first day it is needed")] DateOnly By,
    [property: Description("null where nobody counts it")] double? InStock, double? ReorderAt,
    [property: Description("how many are short of it; 0 where there are enough, or nobody counts")] double Short,
    IReadOnlyList<string> Pumps);

/// <summary>What is due in a span of days, laid together, and what has to be in stock by then.</summary>
public sealed record DueResponse(
    DateOnly From, DateOnly To, DateOnly Today, IReadOnlyList<DueVisitDto> Visits, IReadOnlyList<NeededDto> Needed,
    [property: Description("what is in stock and at or below its reorder level")] IReadOnlyList<StockDto> Low,
    [property: Description("pumps left out because what is stored of them cannot be reckoned with, and why")]
    IReadOnlyList<UnreadPump> Unread);

/// <summary>A kit or part on the shelf.</summary>
public sealed record StockDto(
    string? Id = null, [property: Description("as the sheets of the pumps name it")] string? Name = null, double? InStock = null,
    double? ReorderAt = null, string? Shelf = null, int? Version = null);
