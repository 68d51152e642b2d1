using MildHunch.Core.Quantities;

namespace MildHunch.Core.Pumps;

/// <summary>State of a control that has two: a trapped-pressure or flow-actuated unloader is either working or bypassing.</summary>
public enum ControlState
{
    /// <summary>Outlet open, the pump loaded.</summary>
    Working,

    /// <summary>Outlet closed, everything round the bypass at next to no pressure.</summary>
    Bypassing,
}

/// <summary>What moves an unloader.</summary>
public enum UnloaderType
{
    /// <summary>Pressure held in the outlet behind its check valve keeps it open.</summary>
    TrappedPressure,

    /// <summary>Opens when too little flows through it.</summary>
    FlowActuated,
}

/// <summary>Where a chemical injector sits; none when null.</summary>
public enum InjectorPlace
{
    /// <summary>Before the pump.</summary>
    Inlet,
    /// <summary>Behind the pump.</summary>
    Outlet,
}

/// <summary>Gas behind a bladder at the pump's outlet.</summary>
public sealed record Dampener
{
    private Dampener()
    {
    }

    /// <summary>Gas volume at its charge.</summary>
    public Volume Gas { get; private init; }

    /// <summary>Charge with the system empty.</summary>
    public GaugePressure Charge { get; private init; }

    /// <summary>A dampener, or <see cref="ImpossibleInputException"/> naming the field that cannot be.</summary>
    /// <exception cref="ImpossibleInputException">A gas volume or charge that cannot be.</exception>
    public static Dampener Create(Volume gas, GaugePressure charge)
    {
        var objections = new Objections();
        objections.Within("gasVolume", gas.Si, 1e-6, 1, gas.Format(Units.Preferred(QuantityKind.Volume)), "a gas volume of 1 mL to 1000 L");
        objections.Within("charge", charge.Si, 1e4, 5e8, charge.Format(Units.Bar), "a charge of 0.1 to 5000 bar");
        objections.ThrowIfAny();
        return new Dampener { Gas = gas, Charge = charge };
    }

    /// <summary>
    /// Volume taken up for a rise in pressure at this gauge pressure, m³/Pa: V/(γ·p) with V from the charge by Boyle's law
    /// (slow changes are isothermal, the pulsation is not). Nothing below the charge: the bladder lies on its stop.
    /// </summary>
    public double ComplianceM3Pa(double pressurePa)
    {
        const double air = PhysicalConstants.StandardAirPa;
        const double gamma = 1.4;
        return pressurePa <= Charge.Si ? 0 : Gas.Si * (Charge.Si + air) / ((pressurePa + air) * gamma * (pressurePa + air));
    }

    /// <summary>
    /// The same over a whole swing around a mean, m³/Pa: what is taken up between its ends. Where the lower end lies below the
    /// charge the bladder rests on its stop for part of the turn and takes up the less.
    /// </summary>
    public double ComplianceM3Pa(double meanPa, double swingPa)
    {
        const double least = 1e3;
        var swing = Math.Max(swingPa, least);
        return (TakenUp(meanPa, meanPa + (0.5 * swing)) - TakenUp(meanPa, meanPa - (0.5 * swing))) / swing;
    }

    /// <summary>Liquid in it at a pressure of the pulsation, m³: gas by Boyle's law at the mean, adiabatic around that.</summary>
    public double TakenUp(double meanPa, double pressurePa) => TakenUp(meanPa, pressurePa, out _);

    /// <summary>The same with its slope, m³/Pa.</summary>
    public double TakenUp(double meanPa, double pressurePa, out double slope)
    {
        const double air = PhysicalConstants.StandardAirPa;
        const double gamma = 1.4;
        slope = 0;
        if (pressurePa <= 0)
            return 0;
        var settled = Math.Max(meanPa, Charge.Si) + air;
        var gas = Gas.Si * (Charge.Si + air) / settled * Math.Pow(settled / (pressurePa + air), 1 / gamma);
        if (gas >= Gas.Si)
            return 0;
        slope = gas / (gamma * (pressurePa + air));
        return Gas.Si - gas;
    }
}

/// <summary>Everything before the pump that was given. Where nothing was, an inlet of ordinary size is taken.</summary>
/// <param name="Run">Suction hose or pipe.</param>
/// <param name="Level">Level of the source above the pump's inlet, below 0 when it lifts.</param>
/// <param name="Strainer">Loss of strainer and foot valve in velocity heads of the run.</param>
public sealed record InletSide(LineRun Run, Length Level, double Strainer = 2);
