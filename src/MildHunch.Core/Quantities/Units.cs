using System.Collections.Frozen;

namespace MildHunch.Core.Quantities;

/// <summary>
/// Every unit that can be written. Factors follow the definitions of inch, pound, US and imperial gallon and standard
/// gravity (NIST SP 811, appendix B); a drop is 1/20 mL (common practice, no source).
/// </summary>
public static class Units
{
    private const double Inch = 0.0254;
    private const double PoundForce = 0.45359237 * PhysicalConstants.Gravity;
    private const double Litre = 1e-3;
    private const double UsGallon = 231 * Inch * Inch * Inch;
    private const double ImperialGallon = 4.54609e-3;
    private const double Minute = 60;
    private const double Hour = 3600;
    private const double Psi = PoundForce / (Inch * Inch);
    private const double MetreWater = 9806.65;

    /// <summary>All units, the preferred one of each kind first.</summary>
    public static readonly IReadOnlyList<Unit> All =
    [
        .. Pressure(QuantityKind.GaugePressure, ""),
        .. Pressure(QuantityKind.AbsolutePressure, " abs"),
        new(
            "L/min", QuantityKind.VolumeFlow, Litre / Minute, 0, "lpm", "litre/min", "litres/min", "liter/min", "l/minute", "l per min",
            "l a minute", "l per minute", "litres a minute", "litres per minute", "liters per minute"),
        new("m³/h", QuantityKind.VolumeFlow, 1 / Hour, 0, "m3/h", "m^3/h", "cbm/h", "m3/hr"),
        new("L/h", QuantityKind.VolumeFlow, Litre / Hour, 0, "l/hr", "lph"),
        new("L/s", QuantityKind.VolumeFlow, Litre, 0, "lps"),
        new("m³/s", QuantityKind.VolumeFlow, 1, 0, "m3/s"),
        new(
            "US gal/min", QuantityKind.VolumeFlow, UsGallon / Minute, 0, "gpm", "usgpm", "gal/min", "us gpm", "usgal/min",
            "gallons a minute", "gallons per minute"),
        new("imp gal/min", QuantityKind.VolumeFlow, ImperialGallon / Minute, 0, "igpm", "impgal/min", "imp gpm"),
        new("mL/min", QuantityKind.VolumeFlow, 1e-6 / Minute, 0, "cc/min", "cm3/min", "cm³/min", "ml a minute", "ml per minute"),
        new(
            "drops/min", QuantityKind.VolumeFlow, 1e-6 / 20 / Minute, 0, "drop/min", "dr/min", "drips/min", "drops a minute",
            "drop a minute", "drops per minute", "drops/minute", "drips a minute", "drips per minute", "drips/minute", "drops a min",
            "/min", "a minute", "per minute", "/minute"),
        new("mm", QuantityKind.Length, 1e-3, 0, "millimetre", "millimetres"),
        new("cm", QuantityKind.Length, 1e-2, 0),
        new("m", QuantityKind.Length, 1, 0, "metre", "metres", "meter"),
        new("in", QuantityKind.Length, Inch, 0, "inch", "inches", "\"", "″"),
        new("ft", QuantityKind.Length, 12 * Inch, 0, "foot", "feet", "'"),
        new("mm²", QuantityKind.Area, 1e-6, 0, "mm2", "mm^2"),
        new("cm²", QuantityKind.Area, 1e-4, 0, "cm2", "cm^2"),
        new("m²", QuantityKind.Area, 1, 0, "m2", "m^2"),
        new("in²", QuantityKind.Area, Inch * Inch, 0, "in2", "sq in"),
        new("L", QuantityKind.Volume, Litre, 0, "litre", "litres", "liter", "ltr"),
        new("mL", QuantityKind.Volume, 1e-6, 0, "cc", "cm3", "cm³"),
        new("m³", QuantityKind.Volume, 1, 0, "m3", "cbm"),
        new("US gal", QuantityKind.Volume, UsGallon, 0, "gal", "usgal"),
        new("imp gal", QuantityKind.Volume, ImperialGallon, 0, "impgal"),
        new("rpm", QuantityKind.RotationalSpeed, 1 / Minute, 0, "1/min", "r/min", "rev/min", "u/min", "min-1"),
        new("Hz", QuantityKind.RotationalSpeed, 1, 0, "rev/s", "1/s"),
        new("N·m", QuantityKind.Torque, 1, 0, "nm", "n.m", "n*m", "newton metre"),
        new(
            "ft·lbf", QuantityKind.Torque, 12 * Inch * PoundForce, 0, "ftlb", "ft-lb", "ft lb", "ft.lbf", "ft-lbf", "ftlbf", "lbft",
            "lb-ft", "lbf·ft", "lb ft"),
        new(
            "in·lbf", QuantityKind.Torque, Inch * PoundForce, 0, "inlb", "in-lb", "in lb", "in.lbf", "in-lbf", "inlbf", "lbin", "lb-in",
            "lb in"),
        new("kW", QuantityKind.Power, 1000, 0, "kilowatt"),
        new("W", QuantityKind.Power, 1, 0, "watt"),
        new("hp", QuantityKind.Power, 550 * 12 * Inch * PoundForce, 0, "bhp", "horsepower"),
        new("°C", QuantityKind.Temperature, 1, 273.15, "c", "degc", "deg c", "celsius", "ºc"),
        new("°F", QuantityKind.Temperature, 5.0 / 9, 273.15 - (32 * 5.0 / 9), "f", "degf", "deg f", "fahrenheit", "ºf"),
        new("K", QuantityKind.Temperature, 1, 0, "kelvin"),
        new("kg/m³", QuantityKind.Density, 1, 0, "kg/m3"),
        new("kg/L", QuantityKind.Density, 1000, 0, "g/cm3", "g/cm³", "g/ml"),
        new("s", QuantityKind.Duration, 1, 0, "sec", "secs", "second", "seconds"),
        new("min", QuantityKind.Duration, Minute, 0, "minute", "minutes", "mins"),
        new("h", QuantityKind.Duration, Hour, 0, "hr", "hour", "hours"),
        new("ms", QuantityKind.Duration, 1e-3, 0),
        new("A", QuantityKind.Current, 1, 0, "amp", "amps", "ampere"),
        new("V", QuantityKind.Voltage, 1, 0, "volt", "volts"),
        new("mL/bar", QuantityKind.Compliance, 1e-6 / 1e5, 0, "ml/bar", "cc/bar"),
        new("m³/Pa", QuantityKind.Compliance, 1, 0, "m3/pa"),
        new("m/s", QuantityKind.Velocity, 1, 0),
        new("ft/s", QuantityKind.Velocity, 12 * Inch, 0),
        new("kN", QuantityKind.Force, 1000, 0),
        new("lbf", QuantityKind.Force, PoundForce, 0),
        new("", QuantityKind.Count, 1, 0),
        new("%", QuantityKind.Ratio, 0.01, 0, "percent", "per cent"),
    ];

    private static readonly FrozenDictionary<(QuantityKind Kind, string Name), Unit> ByName = Index();

    private static readonly FrozenDictionary<QuantityKind, string> UsTrade = new Dictionary<QuantityKind, string>
    {
        [QuantityKind.GaugePressure] = "psi",
        [QuantityKind.AbsolutePressure] = "psi abs",
        [QuantityKind.VolumeFlow] = "US gal/min",
        [QuantityKind.Length] = "in",
        [QuantityKind.Area] = "in²",
        [QuantityKind.Volume] = "US gal",
        [QuantityKind.Torque] = "ft·lbf",
        [QuantityKind.Power] = "hp",
        [QuantityKind.Temperature] = "°F",
        [QuantityKind.Velocity] = "ft/s",
        [QuantityKind.Force] = "lbf",
    }.ToFrozenDictionary();

    /// <summary>bar, gauge.</summary>
    public static readonly Unit Bar = Of(QuantityKind.GaugePressure, "bar");
    /// <summary>L/min.</summary>
    public static readonly Unit LitrePerMinute = Of(QuantityKind.VolumeFlow, "L/min");
    /// <summary>mm.</summary>
    public static readonly Unit Millimetre = Of(QuantityKind.Length, "mm");
    /// <summary>Turns a minute.</summary>
    public static readonly Unit Rpm = Of(QuantityKind.RotationalSpeed, "rpm");
    /// <summary>°C.</summary>
    public static readonly Unit Celsius = Of(QuantityKind.Temperature, "°C");
    /// <summary>V.</summary>
    public static readonly Unit Volt = Of(QuantityKind.Voltage, "V");

    /// <summary>The unit of that kind written this way; null when nobody in the trade writes it so.</summary>
    public static Unit? Find(QuantityKind kind, string name) => ByName.GetValueOrDefault((kind, Fold(name)));

    /// <summary>
    /// The unit a value of this kind is shown in when nobody asked for another: that of the reader's <see cref="UnitChoice"/>.
    /// </summary>
    public static Unit Preferred(QuantityKind kind) =>
        UnitChoice.Current == UnitSystem.UsTrade && UsTrade.TryGetValue(kind, out var name)
            ? Of(kind, name)
            : All.First(u => u.Kind == kind);

    /// <summary>Units of that kind, the preferred one first.</summary>
    public static IReadOnlyList<Unit> Offered(QuantityKind kind)
    {
        var first = Preferred(kind);
        return [first, .. All.Where(u => u.Kind == kind && u != first)];
    }

    /// <summary>What may be written for this kind, for error messages.</summary>
    public static string Accepted(QuantityKind kind) => string.Join(", ", All.Where(u => u.Kind == kind).Select(u => u.Symbol));

    private static Unit Of(QuantityKind kind, string name) => ByName[(kind, Fold(name))];

    private static string Fold(string name) =>
        string.Concat(name.Where(c => !char.IsWhiteSpace(c))).Replace("·", "", StringComparison.Ordinal).ToLowerInvariant();

    private static Unit[] Pressure(QuantityKind kind, string suffix) =>
    [
        new("bar" + suffix, kind, 1e5, 0, "bar", "bars", suffix.Length == 0 ? "barg" : "bara"),
        new("kPa" + suffix, kind, 1e3, 0, "kpa"),
        new("MPa" + suffix, kind, 1e6, 0, "mpa"),
        new("Pa" + suffix, kind, 1, 0, "pa"),
        new("psi" + suffix, kind, Psi, 0, "psi", suffix.Length == 0 ? "psig" : "psia", "lb/in2", "lbs/in2"),
        new("m water" + suffix, kind, MetreWater, 0, "m water", "mwater", "mh2o", "mwc", "mws"),
        new("mbar" + suffix, kind, 100, 0, "mbar"),
        new(
            "kg/cm²" + suffix, kind, 98_066.5, 0, "kg/cm2" + suffix, "kgf/cm2" + suffix, "kgf/cm²" + suffix, "kp/cm2" + suffix,
            "kp/cm²" + suffix),
    ];

    private static FrozenDictionary<(QuantityKind, string), Unit> Index()
    {
        var index = new Dictionary<(QuantityKind, string), Unit>();
        foreach (var unit in All)
            foreach (var name in unit.Aliases.Prepend(unit.Symbol))
                index.TryAdd((unit.Kind, Fold(name)), unit);
        return index.ToFrozenDictionary();
    }
}
