using MildHunch.Core.Quantities;

namespace MildHunch.Core.Pumps;

/// <summary>
/// What the outlet passes. A nozzle: Q = Kn·√p; a process with a back pressure: Q = K·(p − p0). Known from a working point, from the
/// trade's size number or from a measured
/// orifice; each way carries its own uncertainty.
/// </summary>
public sealed record Nozzle
{
    /// <summary>One sigma of Kn by trade number or nameplate point (docs/trade.md, Nozzle).</summary>
    public const double SigmaByNumber = 0.03;

    /// <summary>One sigma of Kn when the orifice was measured (docs/trade.md, Nozzle).</summary>
    public const double SigmaMeasured = 0.01;

    /// <summary>One sigma of Kn where the nozzle was only assumed from the plate (judgement: a third off in pressure is common).</summary>
    public const double SigmaAssumed = 0.15;

    /// <summary>Discharge coefficient of a good solid-stream nozzle, 0.90 to 0.95 (docs/trade.md, Nozzle).</summary>
    public const double DischargeCoefficient = 0.92;

    // Size number = US gal/min at 4000 psi (docs/trade.md, Nozzle).
    private static readonly double SizeOne =
        Units.Find(QuantityKind.VolumeFlow, "gpm")!.ToSi(1) / Math.Sqrt(Units.Find(QuantityKind.GaugePressure, "psi")!.ToSi(4000));

    private Nozzle(double coefficient, double sigma, string source)
    {
        Coefficient = coefficient;
        RelativeSigma = sigma;
        Source = source;
    }

    /// <summary>Kn, m³/s per √Pa; of a process, m³/s per Pa above <see cref="OpensAtPa"/>.</summary>
    public double Coefficient { get; private init; }

    /// <summary>
    /// Pressure a process holds at no flow, such as the osmotic pressure of membranes, Pa: Q = K·(p − p0). Null for a nozzle.
    /// </summary>
    public double? OpensAtPa { get; private init; }

    /// <summary>How many of them are open together.</summary>
    public int Count { get; private init; } = 1;

    /// <summary>One sigma of Kn, as a share of Kn.</summary>
    public double RelativeSigma { get; }

    /// <summary>Where Kn comes from, in words.</summary>
    public string Source { get; }

    /// <summary>Flow at a pressure, from a measurement or a data sheet.</summary>
    /// <exception cref="ImpossibleInputException">A flow or pressure that cannot be.</exception>
    public static Nozzle FromPoint(VolumeFlow flow, GaugePressure at)
    {
        var objections = new Objections();
        objections.Within("flow", flow.Si, 1e-9, 1, flow.Format(Units.LitrePerMinute), "a nozzle flow above 0, up to 60 000 L/min");
        objections.Within("at", at.Si, 1e4, 6.5e8, at.Format(Units.Bar), "the pressure of that flow, 0.1 to 6500 bar");
        objections.ThrowIfAny();
        return new Nozzle(flow.Si / Math.Sqrt(at.Si), SigmaByNumber, $"{flow.Format(Units.LitrePerMinute)} at {at.Format(Units.Bar)}");
    }

    /// <summary>The trade's size number: US gallons a minute at 4000 psi. Size 1.0 passes 0.22794·√bar L/min.</summary>
    /// <exception cref="ImpossibleInputException">A size number that cannot be.</exception>
    public static Nozzle FromSize(double size)
    {
        Guard.Within("size", size, 0.05, 500, Quantity.Digits(size), "a nozzle size number of 0.05 to 500");
        return new Nozzle(size * SizeOne, SigmaByNumber, $"size {Quantity.Digits(size)}");
    }

    /// <summary>A measured orifice, with the discharge coefficient of a good solid-stream nozzle.</summary>
    /// <exception cref="ImpossibleInputException">A diameter that cannot be.</exception>
    public static Nozzle FromOrifice(Length diameter, Density density)
    {
        Guard.Within("orifice", diameter.Si, 5e-5, 0.1, diameter.Format(Units.Millimetre), "an orifice of 0.05 to 100 mm");
        return new Nozzle(CoefficientOfOrifice(diameter.Si, density.Si), SigmaMeasured, $"orifice {diameter.Format(Units.Millimetre)}");
    }

    /// <summary>A process with a straight flow-pressure line, such as membranes: nothing below a pressure, then in proportion.</summary>
    /// <exception cref="ImpossibleInputException">A pressure or flow that cannot be.</exception>
    public static Nozzle FromProcess(GaugePressure opensAt, VolumeFlow flow, GaugePressure at)
    {
        var objections = new Objections();
        objections.Within("opensAt", opensAt.Si, 0, 1e8, opensAt.Format(Units.Bar), "a pressure of 0 to 1000 bar from which it passes");
        objections.Within("flow", flow.Si, 1e-9, 1, flow.Format(Units.LitrePerMinute), "a flow above 0, up to 60 000 L/min");
        if (objections.Stands("opensAt"))
            objections.Within(
                "at", at.Si, opensAt.Si + 1e4, 1e8, at.Format(Units.Bar),
                $"the pressure of that flow, above the {opensAt.Format(Units.Bar)} from which it passes");
        objections.ThrowIfAny();
        return new Nozzle(
            flow.Si / (at.Si - opensAt.Si), SigmaByNumber,
            $"process: {flow.Format(Units.LitrePerMinute)} at {at.Format(Units.Bar)}, nothing below {opensAt.Format(Units.Bar)}")
        { OpensAtPa = opensAt.Si };
    }

    /// <summary>So many alike, side by side.</summary>
    /// <exception cref="ImpossibleInputException">Fewer than one nozzle, or too many.</exception>
    public Nozzle Times(int count)
    {
        Guard.Within("count", count, 1, 10_000, count.ToString(System.Globalization.CultureInfo.InvariantCulture), "1 to 10 000 nozzles");
        return count == 1
            ? this
            : new Nozzle(Coefficient * count, RelativeSigma, $"{count} x {Source}") { OpensAtPa = OpensAtPa, Count = count };
    }

    /// <summary>
    /// The same nozzles, each with a measured orifice. Where one of several was measured, the others are taken to be like it.
    /// </summary>
    public Nozzle Measured(Length orifice, Density density) => FromOrifice(orifice, density).Times(Count);

    /// <summary>Kn of all of them together where each has this orifice (m), m³/s per √Pa.</summary>
    public double CoefficientOf(double orificeM, double densityKgM3) => Count * CoefficientOfOrifice(orificeM, densityKgM3);

    /// <summary>Orifice of each of them, m, where all together have this Kn.</summary>
    public double OrificeOf(double coefficient, double densityKgM3) => OrificeOfCoefficient(coefficient / Count, densityKgM3);

    /// <summary>Kn of an orifice, m³/s per √Pa, from its diameter (m) and the density (kg/m³).</summary>
    public static double CoefficientOfOrifice(double diameterM, double densityKgM3) =>
        DischargeCoefficient * Math.PI / 4 * diameterM * diameterM * Math.Sqrt(2 / densityKgM3);

    /// <summary>The orifice that would pass this Kn, m.</summary>
    public static double OrificeOfCoefficient(double coefficient, double densityKgM3) =>
        Math.Sqrt(coefficient / (DischargeCoefficient * Math.PI / 4 * Math.Sqrt(2 / densityKgM3)));

    /// <summary>The same where nobody looked: it may well be another one.</summary>
    public Nozzle AsAssumed() => new(Coefficient, SigmaAssumed, $"assumed: {Source}") { OpensAtPa = OpensAtPa, Count = Count };

    /// <summary>Gauge pressure at which the nozzle passes this flow.</summary>
    public GaugePressure PressureAt(VolumeFlow flow) =>
        new(OpensAtPa is { } opens ? opens + (flow.Si / Coefficient) : Math.Pow(flow.Si / Coefficient, 2));

    /// <summary>Flow through the nozzle at a gauge pressure.</summary>
    public VolumeFlow FlowAt(GaugePressure pressure) =>
        new(OpensAtPa is { } opens ? Coefficient * Math.Max(0, pressure.Si - opens) : Coefficient * Math.Sqrt(Math.Max(0, pressure.Si)));
}
