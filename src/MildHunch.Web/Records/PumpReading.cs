using MildHunch.Core.Faults;
using MildHunch.Core.Service;
using MildHunch.Store;

namespace MildHunch.Web.Records;

/// <summary>A pump whose record cannot be read, and why; all that is stored of it stays.</summary>
public sealed record UnreadPump(string Id, string Tag, string Why);

/// <summary>What reading the record of one pump came to: all that is remembered of it, or why it cannot be read.</summary>
public sealed record PumpReading
{
    private PumpReading(PumpMemory? memory, UnreadPump? unread, Exception? cause) =>
        (Memory, Unread, Cause) = (memory, unread, cause);

    public PumpMemory? Memory { get; }

    public UnreadPump? Unread { get; }

    /// <summary>What went wrong, for the log.</summary>
    public Exception? Cause { get; }

    /// <summary>Reads it; whatever is stored of one pump, the others go on.</summary>
    public static PumpReading Of(
        PumpEntity stored, IReadOnlyList<MeterEntity> meters, IReadOnlyList<PartChangeEntity> changes, ServiceSheets sheets,
        Catalogue catalogue, DateOnly today)
    {
        try
        {
            return new PumpReading(PumpMemory.Of(stored, meters, changes, sheets, catalogue, today), null, null);
        }
        catch (Exception e) when (e is not (OutOfMemoryException or OperationCanceledException))
        {
            return new PumpReading(null, new UnreadPump(stored.Id, stored.Tag, e.Message), e);
        }
    }
}
