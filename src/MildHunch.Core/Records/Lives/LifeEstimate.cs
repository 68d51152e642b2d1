namespace MildHunch.Core.Records.Lives;

/// <summary>A figure with its band of 90 %.</summary>
/// <param name="High">Null where nothing bounds it from above: no failure has been seen.</param>
public sealed record Banded(double Value, double Low, double? High);

/// <summary>Chance of failing before so many hours.</summary>
public sealed record ChanceBefore(double Hours, Banded Chance);

/// <summary>How an estimate was made.</summary>
public enum LifeMethod
{
    /// <summary>Fewer than three failures and no prior: shape 2.</summary>
    ShapeHeld,

    /// <summary>Both parameters by maximum likelihood.</summary>
    MaximumLikelihood,

    /// <summary>The record pooled with the catalogue’s prior.</summary>
    Pooled,
}

/// <summary>How long parts of one kind last.</summary>
/// <param name="Shape">Below 1 early failures, 1 by chance, above 1 wear.</param>
/// <param name="Scale">Hours by which 63 % have failed.</param>
/// <param name="B10">Hours by which a tenth has failed.</param>
/// <param name="Mean">Mean hours to failure.</param>
/// <param name="Failures">Failures seen.</param>
/// <param name="Censored">Lives that had not ended in failure.</param>
/// <param name="Chances">Chances that were asked for.</param>
public sealed record LifeEstimate(
    Banded Shape, Banded Scale, Banded B10, Banded Mean, int Failures, int Censored, LifeMethod Method, IReadOnlyList<ChanceBefore> Chances)
{
    /// <summary>Chance that a part of an age fails before it has run so many hours more, 0 to 1.</summary>
    public double ChanceWithin(double age, double hours) =>
        1 - Math.Exp(Math.Pow(age / Scale.Value, Shape.Value) - Math.Pow((age + hours) / Scale.Value, Shape.Value));
}
