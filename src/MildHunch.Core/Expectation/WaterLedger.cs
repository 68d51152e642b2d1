using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Expectation;

/// <summary>How a term of the ledger is known.</summary>
public enum LedgerSource
{
    /// <summary>Nobody measured it.</summary>
    Unknown,
    /// <summary>Measured.</summary>
    Measured,
    /// <summary>Worked out.</summary>
    Computed,
}

/// <summary>One term, m³/s, with one sigma. An unknown term carries no value; it is never taken for zero.</summary>
public readonly record struct LedgerTerm(double? Flow, double Sigma, LedgerSource Source);

/// <summary>What was measured: flow in m³/s and one sigma, or null when nobody looked.</summary>
public readonly record struct MeasuredFlow(double Flow, double Sigma);

/// <summary>
/// Where the water goes: displaced = nozzle + bypass + outside + missing (docs/trade.md, Leaks). Displaced is what a sound pump
/// would move at this speed, Qt·ηv; what is missing is also given in cylinder shares.
/// </summary>
public sealed record WaterLedger
{
    private WaterLedger()
    {
    }

    /// <summary>What a sound pump displaces.</summary>
    public LedgerTerm Displaced { get; private init; }

    /// <summary>Out at the nozzle.</summary>
    public LedgerTerm Nozzle { get; private init; }

    /// <summary>Round the bypass.</summary>
    public LedgerTerm Bypass { get; private init; }

    /// <summary>Outside.</summary>
    public LedgerTerm Outside { get; private init; }

    /// <summary>What is left over; null source when the nozzle flow itself is not known.</summary>
    public LedgerTerm Missing { get; private init; }

    /// <summary>Missing in shares of one cylinder, and its one sigma.</summary>
    public double? MissingShares { get; private init; }

    /// <summary>One sigma of it, in shares of a cylinder.</summary>
    public double MissingSharesSigma { get; private init; }

    /// <summary>True while nobody measured the bypass, so that what is missing may be there.</summary>
    public bool MissingMayBeInBypass { get; private init; }

    /// <summary>Closes the balance from whatever was measured.</summary>
    public static WaterLedger Of(
        ReciprocatingPump pump, OperatingPoint sound, bool speedMeasured, MeasuredFlow? nozzle, MeasuredFlow? bypass, MeasuredFlow? outside)
    {
        var speedSigma = speedMeasured ? PumpExpectation.MeasuredSpeedSigma : PumpExpectation.BelievedSpeedSigma;
        var displacedSigma = sound.DisplacedFlow * Math.Sqrt((speedSigma * speedSigma) + (Delivery.SlipSigma * Delivery.SlipSigma));
        var hasBypass = pump.Control != ControlKind.None;
        var bypassTerm = bypass is null && !hasBypass ? new LedgerTerm(0, 0, LedgerSource.Computed) : Term(bypass);
        var outsideTerm = Term(outside);
        var nozzleTerm = Term(nozzle);
        LedgerTerm missing = default;
        double? shares = null;
        double sharesSigma = 0;
        if (nozzleTerm.Flow is { } out1)
        {
            var left = sound.DisplacedFlow - out1 - (bypassTerm.Flow ?? 0) - (outsideTerm.Flow ?? 0);
            var sigma = Math.Sqrt(Square(displacedSigma) + Square(nozzleTerm.Sigma) + Square(bypassTerm.Sigma) + Square(outsideTerm.Sigma));
            missing = new LedgerTerm(left, sigma, LedgerSource.Computed);

            // A pump that its own switch has stopped displaces nothing, and so has no shares.
            if (sound.DisplacedFlow > 0)
            {
                var one = sound.DisplacedFlow / pump.Cylinders;
                shares = left / one;
                sharesSigma = sigma / one;
            }
        }

        return new WaterLedger
        {
            Displaced = new LedgerTerm(sound.DisplacedFlow, displacedSigma, LedgerSource.Computed),
            Nozzle = nozzleTerm,
            Bypass = bypassTerm,
            Outside = outsideTerm,
            Missing = missing,
            MissingShares = shares,
            MissingSharesSigma = sharesSigma,
            MissingMayBeInBypass = bypassTerm.Source == LedgerSource.Unknown,
        };
    }

    private static LedgerTerm Term(MeasuredFlow? measured) =>
        measured is { } m ? new LedgerTerm(m.Flow, m.Sigma, LedgerSource.Measured) : new LedgerTerm(null, 0, LedgerSource.Unknown);

    private static double Square(double x) => x * x;
}
