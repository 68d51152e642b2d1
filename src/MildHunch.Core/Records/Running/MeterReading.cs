namespace MildHunch.Core.Records.Running;

/// <summary>What the hour meter of a pump showed.</summary>
/// <param name="Id">Names it where it conflicts with another.</param>
/// <param name="Hours">As shown, 0 or more.</param>
/// <param name="NewMeter">A new meter was fitted that day, and showed this then.</param>
/// <param name="Strokes">As a stroke counter showed them; null where none is fitted.</param>
public sealed record MeterReading(string Id, DateOnly On, double Hours, bool NewMeter = false, double? Strokes = null)
{
    /// <summary>In words, to name it beside another.</summary>
    public string Says => $"{Hours:0.#} h on {On:yyyy-MM-dd}";
}
