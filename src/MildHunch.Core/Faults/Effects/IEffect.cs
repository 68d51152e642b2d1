using MildHunch.Core.Hydraulics;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Faults.Effects;

/// <summary>
/// What a fault does to the hydraulics: one small class a physical effect, with one severity in [0, 1]. 0 is barely
/// there, 1 is total; faults.json says what that means for each fault.
/// </summary>
public interface IEffect
{
    string Id { get; }

    /// <summary>False where severity does not change any number, so that solving it once is enough.</summary>
    bool MovesNumbers { get; }

    /// <summary>True where one cylinder falls behind, so that the mean pressure hangs on how soft the outlet is.</summary>
    bool Unbalances => false;

    /// <summary>Lays the effect over a condition.</summary>
    void Apply(ref Condition condition, double severity, CrankPump pump);

    /// <summary>
    /// How big the effect is against the size from which a technician notices it: a quarter of a cylinder, or a tenth of
    /// the flow (handbook 3). Evidence words hold from 1 on.
    /// </summary>
    double Size(double severity, CrankPump pump);

    /// <summary>Severity as it is told, where the scale solved on runs through a healthy middle.</summary>
    double Told(double severity) => severity;
}
