using System.Globalization;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Pumps;

/// <summary>What turns the pump.</summary>
public enum DriveKind
{
    /// <summary>Three-phase motor, on the mains or behind an inverter: synchronous speed less slip under load.</summary>
    Motor,

    /// <summary>Governed engine: falls from its no-load speed as it takes load.</summary>
    Engine,
}

/// <summary>
/// Driver and what lies between it and the crank. The speed it gives falls with the power taken:
/// N = N0·(1 − droop·P/Prated)/ratio, with belt creep in the ratio.
/// </summary>
public sealed record Drive
{
    /// <summary>Slip of a loaded belt, 1 to 2 % (docs/trade.md, Power).</summary>
    public const double BeltCreep = 0.015;

    private Drive()
    {
    }

    /// <summary>Motor or engine.</summary>
    public DriveKind Kind { get; private init; }

    /// <summary>Speed of the crank without load.</summary>
    public RotationalSpeed NoLoad { get; private init; }

    /// <summary>Share of its speed the driver loses at its rated power: slip of a motor, droop of a governor.</summary>
    public double Droop { get; private init; }

    /// <summary>Power on its plate.</summary>
    public Power Rated { get; private init; }

    /// <summary>Turns of the driver for one of the crank, creep of the belt in it.</summary>
    public double Ratio { get; private init; } = 1;

    /// <summary>Pulleys on driver and pump, where a belt lies between.</summary>
    public (Length Driver, Length Pump)? Pulleys { get; init; }

    /// <summary>How the no-load speed comes about, in words.</summary>
    public string Source { get; private init; } = "";

    /// <summary>Three-phase motor: 120·f/poles, less 2 to 5 % slip at rated power.</summary>
    /// <exception cref="ImpossibleInputException">Poles, slip, power or ratio that cannot be.</exception>
    public static Drive Motor(int poles, double frequencyHz, Power rated, double slip = 0.035, double ratio = 1, bool belt = false)
    {
        var objections = new Objections();
        if (poles is not (2 or 4 or 6 or 8 or 10 or 12))
            objections.Add("poles", poles.ToString(CultureInfo.InvariantCulture), "2, 4, 6, 8, 10 or 12 poles");
        objections.Within("frequency", frequencyHz, 5, 120, $"{Quantity.Digits(frequencyHz)} Hz", "5 to 120 Hz");
        objections.Within("droop", slip, 0, 0.15, $"{Quantity.Digits(slip * 100)} %", "a slip of 0 to 15 % at rated power");
        var synchronous = 2 * frequencyHz / poles;
        return Make(
            objections, DriveKind.Motor, synchronous, rated, slip, ratio, belt,
            $"{poles} poles at {Quantity.Digits(frequencyHz)} Hz: {Quantity.Digits(synchronous * 60, 4)} rpm without slip");
    }

    /// <summary>Governed engine with its no-load speed and droop at rated power, 3 to 10 % (common practice).</summary>
    /// <exception cref="ImpossibleInputException">A speed, droop, power or ratio that cannot be.</exception>
    public static Drive Engine(RotationalSpeed noLoad, Power rated, double droop = 0.06, double ratio = 1, bool belt = false)
    {
        var objections = new Objections();
        objections.Within("noLoadSpeed", noLoad.Si, 5, 150, noLoad.Format(Units.Rpm), "an engine of 300 to 9000 rpm");
        objections.Within("droop", droop, 0, 0.3, $"{Quantity.Digits(droop * 100)} %", "a droop of 0 to 30 % at rated power");
        return Make(
            objections, DriveKind.Engine, noLoad.Si, rated, droop, ratio, belt,
            $"governed engine, {noLoad.Format(Units.Rpm, 4)} without load");
    }

    /// <summary>Ratio of a belt: pump pulley over driver pulley.</summary>
    /// <exception cref="ImpossibleInputException">A pulley that cannot be.</exception>
    public static double BeltRatio(Length driverPulley, Length pumpPulley)
    {
        var objections = new Objections();
        objections.Within("driverPulley", driverPulley.Si, 0.02, 2, driverPulley.Format(Units.Millimetre), "a pulley of 20 to 2000 mm");
        objections.Within("pumpPulley", pumpPulley.Si, 0.02, 2, pumpPulley.Format(Units.Millimetre), "a pulley of 20 to 2000 mm");
        objections.ThrowIfAny();
        return pumpPulley.Si / driverPulley.Si;
    }

    /// <summary>Crank speed when this much power is taken.</summary>
    public RotationalSpeed SpeedAt(Power shaft) => new(NoLoad.Si * (1 - (Droop * shaft.Si / Rated.Si)));

    private static Drive Make(
        Objections objections, DriveKind kind, double noLoadHz, Power rated, double droop, double ratio, bool belt, string source)
    {
        objections.Within("ratedPower", rated.Si, 50, 5e6, rated.Format(Units.Preferred(QuantityKind.Power)), "0.05 to 5000 kW");
        objections.Within("gearRatio", ratio, 0.05, 100, Quantity.Digits(ratio), "a ratio of driver speed to crank speed of 0.05 to 100");
        objections.ThrowIfAny();
        var turns = belt ? ratio / (1 - BeltCreep) : ratio;
        return new Drive
        {
            Kind = kind,
            Ratio = turns,
            NoLoad = new RotationalSpeed(noLoadHz / turns),
            Droop = droop,
            Rated = rated,
            Source = source
                + (ratio == 1 ? "" : $", {(belt ? "belt" : "gear")} {Quantity.Digits(ratio, 4)} to 1{(belt ? " less 1.5 % creep" : "")}"),
        };
    }
}
