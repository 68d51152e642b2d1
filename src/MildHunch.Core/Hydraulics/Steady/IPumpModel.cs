using MildHunch.Core.Pumps;

namespace MildHunch.Core.Hydraulics.Steady;

/// <summary>Whatever predicts what a pump in a given condition shows: the steady balance, or a slower and truer model.</summary>
public interface IPumpModel
{
    /// <summary>The pump it answers for.</summary>
    ReciprocatingPump Pump { get; }

    /// <summary>How that pump is run.</summary>
    Setup Setup { get; }

    /// <summary>The model to solve two faults at once with, many times over: a slow one may name a quicker one.</summary>
    IPumpModel ForPairs => this;

    /// <summary>
    /// Where the pump settles. <paramref name="deliveryScale"/> and <paramref name="nozzleScale"/> carry what is uncertain in
    /// all readings alike, <paramref name="complianceM3Pa"/> the softness of the line; <paramref name="near"/> only saves time.
    /// </summary>
    OperatingPoint Solve(in Condition c, double deliveryScale, double nozzleScale, double complianceM3Pa, in OperatingPoint near = default);
}
