namespace MildHunch.Core.Records.Patterns;

/// <summary>
/// Failures an hour of a part by its age: the catalogue’s life where there is one, else the same at any age by its weight.
/// </summary>
internal readonly struct FailureLaw
{
    // A weight of 10 is worth a B10 life of 800 h at shape 2, the catalogue’s high-pressure seal: mean 2184 h.
    private const double HoursPerWeight = 21840;

    // A part just fitted is not quite without risk.
    private const double LeastAge = 1;

    private readonly double scale;
    private readonly double power;

    /// <summary>Worked out once for a part: asked for it is at every failure of the shop.</summary>
    public FailureLaw(RecordPart part) => (scale, power) = part.Wear is { } wear
        ? (wear.Shape * -Math.Log(0.9) / Math.Pow(wear.B10Hours, wear.Shape), wear.Shape - 1)
        : (part.Weight / HoursPerWeight, 0);

    /// <summary>At an age in hours.</summary>
    public double At(double age) => power switch
    {
        0 => scale,
        1 => scale * Math.Max(LeastAge, age),
        _ => scale * Math.Pow(Math.Max(LeastAge, age), power),
    };

    /// <summary>Failures expected of a part from new to an age in hours.</summary>
    public double Until(double age) => age <= 0 ? 0 : power switch
    {
        0 => scale * age,
        1 => 0.5 * scale * age * age,
        _ => scale * Math.Pow(age, power + 1) / (power + 1),
    };
}
