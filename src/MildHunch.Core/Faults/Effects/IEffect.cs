using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Faults.Effects;

/// <summary>
/// What a fault does to the hydraulics: one small class a physical effect, with one severity in [0, 1]. 0 is barely
/// there, 1 is total; faults.json says what that means for each fault.
/// </summary>
public interface IEffect
{
    /// <summary>Name in the catalogue.</summary>
    string Id { get; }

    /// <summary>False where severity does not change any number, so that solving it once is enough.</summary>
    bool MovesNumbers => true;

    /// <summary>True where one cylinder falls behind, so that the mean pressure depends on how soft the outlet is.</summary>
    bool Unbalances => false;

    /// <summary>Lays the effect over a condition, in one cylinder (counted from 1) where it sits in one.</summary>
    void Apply(ref Condition condition, double severity, ReciprocatingPump pump, int cylinder = 1);

    /// <summary>
    /// How big the effect is against the size from which a technician notices it: a quarter of a cylinder, or a tenth of
    /// the flow (docs/trade.md, Words). Evidence words hold from 1 on.
    /// </summary>
    double NoticeRatio(double severity, ReciprocatingPump pump);

    /// <summary>Severity as it is shown, where the scale solved on runs through a healthy middle.</summary>
    double ToDisplayed(double severity) => severity;

    /// <summary>The other way: a severity as shown, on the scale solved on.</summary>
    double FromDisplayed(double displayed) => displayed;

    /// <summary>
    /// The widest effect of the same family on this pump, of which this one is a stretch: solved once for all of them. What
    /// only drips is left out of it.
    /// </summary>
    IEffect Family(ReciprocatingPump pump) => this;

    /// <summary>Severity of the family that equals this severity of its own.</summary>
    double ToFamilySeverity(double severity, ReciprocatingPump pump) => severity;

    /// <summary>First chamber of a cylinder.</summary>
    static int Chamber(ReciprocatingPump pump, int cylinder) => pump.RodDiameter is null ? cylinder - 1 : 2 * (cylinder - 1);
}
