using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Expectation;

/// <summary>Where the shaft's power goes, watts. The parts add up to the shaft.</summary>
public readonly record struct PowerSplit(double Shaft, double Nozzle, double Line, double Bypass, double Leaks, double Friction)
{
    /// <summary>Hydraulic power: all that is pressed up.</summary>
    public double Pressed => Shaft - Friction;

    /// <summary>
    /// From an operating point. Friction is what the mechanical efficiency takes of all that is pressed up.
    /// </summary>
    public static PowerSplit Of(in OperatingPoint p)
    {
        var nozzle = p.GunPa * p.NozzleFlow;
        var line = (p.PressurePa - p.GunPa) * p.NozzleFlow;
        var bypass = p.PressurePa * p.BypassFlow;
        var leaks = p.LeakPower;
        var pressed = nozzle + line + bypass + leaks;
        var shaft = PowerRules.Shaft(pressed);
        return new PowerSplit(shaft, nozzle, line, bypass, leaks, shaft - pressed);
    }
}

/// <summary>What the shop pays, in its own currency.</summary>
/// <param name="EnergyPerJoule">One joule of electricity or its worth in fuel.</param>
/// <param name="WaterPerM3">One cubic metre of what is pumped.</param>
public readonly record struct Prices(double EnergyPerJoule, double WaterPerM3);

/// <summary>
/// What a fault costs in an hour of running, against the sound pump doing the same work at the nozzle.
/// </summary>
/// <param name="WastedW">Power taken beyond what the sound pump would take for the same power at the nozzle.</param>
/// <param name="LostWater">Water that runs out beside the nozzle, m³/s.</param>
/// <param name="LongerBy">How much longer the same work takes, as a share: 1 is twice as long. Infinite when nothing comes out.</param>
/// <param name="MoneyPerHour">Both at the shop's prices.</param>
public readonly record struct RunningCost(double WastedW, double LostWater, double LongerBy, double MoneyPerHour)
{
    /// <summary>Of a pump in some condition against the sound one, with the efficiency of its driver (0 to 1).</summary>
    public static RunningCost Of(in OperatingPoint sound, in OperatingPoint faulty, double driverEfficiency, Prices prices)
    {
        var (should, does) = (PowerSplit.Of(sound), PowerSplit.Of(faulty));
        var share = should.Nozzle > 0 ? does.Nozzle / should.Nozzle : 1;
        var wasted = Math.Max(0, does.Shaft - (should.Shaft * share)) / driverEfficiency;
        var water = Math.Max(0, faulty.OutsideFlow - sound.OutsideFlow);
        var longer = share > 1e-6 ? Math.Max(0, (1 / share) - 1) : double.PositiveInfinity;
        return new RunningCost(wasted, water, longer, 3600 * ((wasted * prices.EnergyPerJoule) + (water * prices.WaterPerM3)));
    }

    /// <summary>The same as figures that open.</summary>
    public IReadOnlyList<Figure> Figures(
        in OperatingPoint sound, in OperatingPoint faulty, double driverEfficiency, Prices prices, string currency)
    {
        const string source = "Against the healthy pump doing the same work at the nozzle; prices are the shop's own";
        var (should, does) = (PowerSplit.Of(sound), PowerSplit.Of(faulty));
        WorkingInput Kilowatt(string symbol, string name, double watts) => new(symbol, name, new Amount(QuantityKind.Power, watts).Text());
        WorkingInput[] powers = [
            Kilowatt("P", "shaft power now", does.Shaft), Kilowatt("P₀", "shaft power when healthy", should.Shaft),
            Kilowatt("U", "in the jet now", does.Nozzle), Kilowatt("U₀", "in the jet when sound", should.Nozzle)];
        return
        [
            Plain(
                "wasted-power", "Power wasted", QuantityKind.Power, WastedW,
                new Working(
                    "Power wasted", "(P − P₀ · U/U₀) / η driver",
                    [.. powers, new("η", "efficiency of the driver", Quantity.Digits(driverEfficiency))], source)),
            Plain(
                "lost-water", "Water lost", QuantityKind.VolumeFlow, LostWater,
                new Working(
                    "Water lost", "outside now − outside when healthy",
                    [new("", "outside now", new Amount(QuantityKind.VolumeFlow, faulty.OutsideFlow).Text())],
                    source)) with { Unit = "L/h" },
            Plain(
                "longer", "The same work takes longer by", QuantityKind.Ratio, LongerBy,
                new Working("Longer", "U₀/U − 1", powers, source)),
            Plain("money", $"Costs an hour, {currency}", QuantityKind.Count, MoneyPerHour, new Working(
                "Money", "energy · its price + water · its price",
                [
                    Kilowatt("", "power wasted", WastedW),
                    new("", "energy", $"{Quantity.Digits(prices.EnergyPerJoule * 3.6e6)} {currency} a kWh"),
                    new("", "water", $"{Quantity.Digits(prices.WaterPerM3)} {currency} a m³")], source)),
        ];

        static Figure Plain(string id, string name, QuantityKind kind, double value, Working working) =>
            new(id, name, new Amount(kind, value), new Amount(kind, value), new Amount(kind, value), [], working);
    }
}
