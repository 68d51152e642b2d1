using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Bench.Accuracy;

/// <summary>Pumps of every arrangement as they stand in plants, each with what is believed of it and how it really slips.</summary>
internal static class PumpDraw
{
    public static (string Kind, ReciprocatingPump Believed, ReciprocatingPump Real, Setup Setup) Next(Random random)
    {
        var kind = random.Next(10);
        var slip = Math.Clamp(0.035 + (0.01 * Normal(random)), 0.005, 0.08);
        var control = kind is 8 or 9
            ? ControlKind.None
            : Pick(random, ControlKind.Unloader, ControlKind.Unloader, ControlKind.Regulator, ControlKind.Relief);
        if (kind == 7)
            control = Pick(random, ControlKind.AutoStop, ControlKind.Unloader);
        var bar = kind switch
        {
            8 => Between(random, 20, 30),
            9 => Between(random, 3000, 3900),
            7 => Between(random, 50, 90),
            _ => Between(random, 30, 200),
        };
        var layout = random.Next(3) == 0 ? HeadLayout.StackedBore : HeadLayout.SixCaps;
        var seal = random.Next(4) == 0 ? SealReturn.Weep : SealReturn.Inlet;
        var bore = kind switch { 9 => 22, 8 => 36, 7 => Between(random, 10, 14), _ => Between(random, 14, 45) };
        var stroke = kind switch { 9 => 220, 8 => 20, 7 => 8, _ => bore * Between(random, 0.9, 1.4) };
        var rpm = kind switch { 9 => Between(random, 20, 45), 8 => 420, 7 => 2800, _ => Between(random, 350, 1450) };
        var cylinders = kind switch { 7 or < 3 => 3, 3 => 5, 4 => Pick(random, 1, 2), 5 => Pick(random, 4, 7), 6 => 3, _ => 2 };
        var (packed, eased) = (random.Next(6) == 0, random.Next(5) == 0);
        ReciprocatingPump Make(double? slips) => ReciprocatingPump.Create(
            cylinders, Q<Length>(bore, "mm"), Q<Length>(stroke, "mm"), Q<RotationalSpeed>(rpm, "rpm"), Q<GaugePressure>(bar * 1.15, "bar"),
            control, layout, seal,
            arrangement: kind switch
            {
                6 => Arrangement.FlowThrough,
                7 => Arrangement.Axial,
                8 => Arrangement.TwinPiston,
                9 => Arrangement.Intensifier,
                _ => Arrangement.CrankPlunger,
            },
            seals: kind < 7 && packed ? SealKind.Packing : null, startValve: kind < 9 && eased,
            pullDischarges: kind == 6, slip: kind == 9 ? null : slips, oilPistonDiameter: kind == 9 ? Q<Length>(105, "mm") : null);
        var believed = Make(null);
        var flow = 0.95 * believed.Cylinders * believed.SweptVolume.Si * believed.RatedSpeed.Si;
        var pipe = new Length(Math.Max(5e-3, Math.Sqrt(4 * flow / (Math.PI * 3))));
        var setup = Setup.Create(
            believed.RatedSpeed,
            Nozzle.FromPoint(new VolumeFlow(flow), Q<GaugePressure>(bar, "bar")),
            control == ControlKind.None ? null : Q<GaugePressure>(bar * 1.2, "bar"),
            // One and two cylinders on rigid pipe swing by more than they make; nobody runs them so without a hose.
            believed.Chambers < 3 || random.Next(2) == 0 ? OutletLine.Hose : OutletLine.Rigid,
            supplyPressure: Q<GaugePressure>(kind == 9 ? 5 : Between(random, 0, 2), "bar"),
            inlet: kind != 9 && random.Next(3) == 0
                ? new InletSide(LineRun.Create(Q<Length>(Between(random, 1, 4), "m"), new Length(2 * pipe.Si)), Q<Length>(0.5, "m"))
                : null,
            dampener: kind < 6 && random.Next(4) == 0
                ? Dampener.Create(new Volume(Math.Max(5e-5, 8 * believed.SweptVolume.Si)), Q<GaugePressure>(0.65 * bar, "bar"))
                : null,
            injector: kind < 6 && random.Next(6) == 0 ? InjectorPlace.Inlet : null,
            relief: control is ControlKind.None or ControlKind.Relief ? null : Q<GaugePressure>(bar * 1.6, "bar"),
            oilPressure: kind == 9 ? Q<GaugePressure>(180, "bar") : null,
            outlet: kind == 9 ? LineRun.Create(Q<Length>(9, "m"), Q<Length>(20, "mm"), LineMaterial.Steel) : null);
        var name = kind switch
        {
            6 => "flow-through",
            7 => "axial",
            8 => "twin piston",
            9 => "intensifier",
            4 => "one or two cylinders",
            3 or 5 => "four to seven cylinders",
            _ => "triplex",
        };
        return (name, believed, Make(slip), setup);
    }

    public static double Normal(Random random) =>
        Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());

    public static double Between(Random random, double from, double to) => from + ((to - from) * random.NextDouble());

    public static T Pick<T>(Random random, params T[] from) => from[random.Next(from.Length)];

    private static T Q<T>(double value, string unit)
        where T : struct, IQuantity<T> => Quantity.From<T>(value, unit);
}
