namespace MildHunch.Core.Records.Due;

/// <summary>Since when what is in at a place has run.</summary>
/// <param name="Hours">Of the pump.</param>
/// <param name="IsNoted">False where nobody ever noted a change there: it then counts as being as old as the pump.</param>
internal sealed record FittedWhen(double Hours, DateOnly On, bool IsNoted)
{
    public static FittedWhen Of(DuePump pump, DuePart part)
    {
        // What came out was followed by something, whether that was noted or not.
        var change = part.Life?.Fitted ?? pump.Lives.Where(l => l.At == part.Part.At).Select(l => l.Out ?? l.Fitted).LastOrDefault();
        return change is not null ? new FittedWhen(change.Hours, change.On, true) : new FittedWhen(0, pump.Time.From, false);
    }
}
