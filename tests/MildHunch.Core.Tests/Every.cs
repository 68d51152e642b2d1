using CsCheck;
using MildHunch.Core.Fluids;
using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests;

/// <summary>Pumps of every arrangement, and random systems around them.</summary>
internal static class Every
{
    private static readonly Gen<ReciprocatingPump> AnyPump = Gen.Select(
        Gen.Int[0, 9], Gen.Double[8, 60], Gen.Double[60, 1500], Gen.Double[10, 250], Gen.OneOfConst(Enum.GetValues<ControlKind>())).Select(
        (kind, bore, rpm, bar, control) => kind switch
        {
            7 => Axial(bore / 2, 1500 + rpm, control),
            8 => Twin(bore, rpm, control),
            9 => Intensifier(),
            6 => DoubleActing(2, bore, bore * 0.5, rpm / 4, control),
            5 => FlowThrough(bore, rpm),
            _ => ReciprocatingPump.Create(
                kind + 1, Q<Length>(bore, "mm"), Q<Length>(bore, "mm"), Q<RotationalSpeed>(rpm, "rpm"), Q<GaugePressure>(bar, "bar"),
                control),
        });

    private static readonly Gen<Liquid> AnyLiquid = Gen.OneOfConst<Liquid>(
        Liquid.PlainWater, new Seawater(), new Brine(0.1), new Glycol(0.3), new LightOil(15));

    /// <summary>Every arrangement, sound and sized so that nothing but the pump itself is at work.</summary>
    public static IReadOnlyList<(string Name, ReciprocatingPump Pump, double Bar)> Arrangement { get; } =
    [
        .. Enumerable.Range(1, 7).Select(n => ($"{n} cylinders", Triplex(n, ControlKind.None), 70.0)),
        ("flow-through", FlowThrough(25, 700), 50.0),
        ("axial", Axial(12, 2800, ControlKind.None), 80.0),
        ("twin piston", Twin(36, 420, ControlKind.None), 25.0),
        ("one double acting", DoubleActing(1, rod: 20, control: ControlKind.None), 40.0),
        ("two double acting", DoubleActing(2, rod: 20, control: ControlKind.None), 40.0),
        ("three double acting", DoubleActing(3, rod: 20, control: ControlKind.None), 40.0),
    ];

    /// <summary>A solver, a condition and a softness of the line.</summary>
    public static Gen<(OperatingPointSolver Solver, Condition Condition, double Softness)> System { get; } = Gen.Select(
        AnyPump,
        AnyLiquid,
        Gen.Select(Gen.Double[0.2, 3], Gen.Double[5, 35], Gen.Double[0, 3], Gen.Int[1, 6], Gen.Int[0, 63]),
        Gen.Select(
            Gen.Double[0, 2], Gen.Double[0, 1], Gen.Double[0, 1], Gen.Double[0.5, 1.1], Gen.Int[0, 13], Gen.Int[0, 13], Gen.Int[0, 31]),
        Gen.Double[-13, -11.3]).Select((pump, liquid, around, wrong, softness) =>
        {
            var (size, celsius, supply, nozzles, fitted) = around;
            var setup = Around(pump, liquid, size, celsius, supply, nozzles, fitted);
            return (new OperatingPointSolver(pump, setup), Wrong(pump, wrong), Math.Pow(10, softness));
        });

    public static Setup Plain(
        ReciprocatingPump pump, double bar, OutletLine line = OutletLine.Hose, GaugePressure? setting = null,
        Dampener? dampener = null) => Setup.Create(
        pump.RatedSpeed,
        Nozzle.FromPoint(new VolumeFlow(0.96 * Delivery.TheoreticalFlow(pump, pump.RatedSpeed.Si)), Q<GaugePressure>(bar, "bar")),
        setting,
        line,
        dampener: dampener);

    public static ReciprocatingPump Axial(double bore, double rpm, ControlKind control) => ReciprocatingPump.Create(
        3, Q<Length>(bore, "mm"), Q<Length>(8, "mm"), Q<RotationalSpeed>(rpm, "rpm"), Q<GaugePressure>(90, "bar"), control,
        arrangement: Pumps.Arrangement.Axial);

    public static ReciprocatingPump Twin(double bore, double rpm, ControlKind control) => ReciprocatingPump.Create(
        2, Q<Length>(bore, "mm"), Q<Length>(20, "mm"), Q<RotationalSpeed>(rpm, "rpm"), Q<GaugePressure>(28, "bar"), control,
        arrangement: Pumps.Arrangement.TwinPiston);

    public static ReciprocatingPump FlowThrough(double bore, double rpm) => ReciprocatingPump.Create(
        3, Q<Length>(bore, "mm"), Q<Length>(20, "mm"), Q<RotationalSpeed>(rpm, "rpm"), Q<GaugePressure>(60, "bar"), ControlKind.None,
        arrangement: Pumps.Arrangement.FlowThrough, pullDischarges: true);

    public static ReciprocatingPump DoubleActing(
        int cylinders, double bore = 50, double rod = 20, double rpm = 120,
        ControlKind control = ControlKind.None) => ReciprocatingPump.Create(
        cylinders, Q<Length>(bore, "mm"), Q<Length>(80, "mm"), Q<RotationalSpeed>(rpm, "rpm"), Q<GaugePressure>(60, "bar"), control,
        rodDiameter: Q<Length>(rod, "mm"));

    public static ReciprocatingPump Intensifier() => ReciprocatingPump.Create(
        2, Q<Length>(22, "mm"), Q<Length>(220, "mm"), Q<RotationalSpeed>(40, "rpm"), Q<GaugePressure>(4000, "bar"), ControlKind.None,
        arrangement: Pumps.Arrangement.Intensifier, oilPistonDiameter: Q<Length>(105, "mm"));

    public static Setup IntensifierSetup() => Setup.Create(
        Q<RotationalSpeed>(40, "rpm"), Nozzle.FromPoint(Q<VolumeFlow>(4.2, "L/min"), Q<GaugePressure>(3800, "bar")),
        oilPressure: Q<GaugePressure>(180, "bar"), supplyPressure: Q<GaugePressure>(5, "bar"),
        outlet: LineRun.Create(Q<Length>(9, "m"), Q<Length>(20, "mm"), LineMaterial.Steel));

    /// <summary>Pumps of every arrangement as they stand somewhere: with relief and injector, seals to the inlet and to the weep.</summary>
    public static Dictionary<string, (ReciprocatingPump Pump, Setup Setup)> Fitted() => new()
    {
        ["triplex, seals to the inlet"] = (Fog2, WithReliefAndInjector(Fog2Setup())),
        ["triplex, seals to the weep"] = (Triplex(seal: SealReturn.Weep), WithReliefAndInjector(Fog2Setup())),
        ["triplex with a regulator"] = (Triplex(control: ControlKind.Regulator), WithReliefAndInjector(Fog2Setup())),
        ["five, stacked bores"] = (Triplex(5, ControlKind.None, HeadLayout.StackedBore), Plain(Triplex(5, ControlKind.None), 70)),
        ["flow-through"] = (FlowThrough(25, 700), Plain(FlowThrough(25, 700), 50)),
        ["axial"] = (
            Axial(12, 2800, ControlKind.Unloader),
            Plain(Axial(12, 2800, ControlKind.Unloader), 70, setting: Q<GaugePressure>(80, "bar"))),
        ["twin piston"] = (Twin(36, 420, ControlKind.AutoStop), Plain(Twin(36, 420, ControlKind.AutoStop), 25)),
        ["intensifier"] = (Intensifier(), IntensifierSetup()),
    };

    private static Setup WithReliefAndInjector(Setup setup) => Setup.Create(
        setup.Speed, setup.Nozzle, setup.ControlSetting, setup.Line, relief: Q<GaugePressure>(110, "bar"), injector: InjectorPlace.Outlet,
        supplyPressure: Q<GaugePressure>(2, "bar"));

    private static Setup Around(ReciprocatingPump pump, Liquid liquid, double size, double celsius, double supply, int nozzles, int fitted)
    {
        bool Has(int bit) => (fitted & (1 << bit)) != 0;
        var full = Delivery.TheoreticalFlow(pump, pump.RatedSpeed.Si);
        var flow = new VolumeFlow(full * size / nozzles);
        var at = new GaugePressure(Math.Min(pump.RatedPressure.Si, 9e7));
        var outlet = Has(0)
            ? Nozzle.FromProcess(new GaugePressure(0.4 * at.Si), flow, at).Times(nozzles)
            : Nozzle.FromPoint(flow, at).Times(nozzles);
        var bore = new Length(Math.Max(4e-3, Math.Sqrt(4 * full / (Math.PI * 5))));
        var power = new Power(Math.Max(100, 1.5 * full * at.Si));
        var drive = Has(1) && pump.OilPistonDiameter is null
            ? Drive.Engine(
                new RotationalSpeed(Math.Max(5, pump.RatedSpeed.Si * 3)), power, 0.06,
                Math.Max(5, pump.RatedSpeed.Si * 3) / pump.RatedSpeed.Si)
            : null;
        return Setup.Create(
            pump.RatedSpeed,
            outlet,
            pump.Control == ControlKind.None ? null : new GaugePressure(1.1 * at.Si),
            temperature: Q<Temperature>(celsius, "°C"),
            supplyPressure: Q<GaugePressure>(supply, "bar"),
            liquid: liquid,
            drive: drive,
            inlet: Has(2) ? new InletSide(LineRun.Create(Q<Length>(3, "m"), new Length(2 * bore.Si)), Q<Length>(1, "m")) : null,
            outlet: Has(3) ? LineRun.Create(Q<Length>(10, "m"), new Length(2 * bore.Si), LineMaterial.Steel, 4) : null,
            dampener: Has(4) ? Dampener.Create(Q<Volume>(300, "mL"), new GaugePressure(0.6 * at.Si)) : null,
            relief: Has(5) ? new GaugePressure(1.2 * at.Si) : null,
            injector: Has(5) ? InjectorPlace.Outlet : null,
            oilPressure: pump.OilPistonDiameter is null ? null : Q<GaugePressure>(180, "bar"));
    }

    private static Condition Wrong(
        ReciprocatingPump pump, (double Leak, double Share, double Inlet, double Speed, int First, int Second, int What) w)
    {
        bool Has(int bit) => (w.What & (1 << bit)) != 0;
        var condition = new Condition { SpeedFactor = w.Speed, InletCapacity = 0.1 + w.Inlet };
        if (Has(0))
            condition.LeakForward(w.First % pump.Chambers, w.Leak, Has(1));
        if (Has(1))
            condition.LeakBack(w.Second % pump.Chambers, w.Leak);
        if (Has(2))
            condition.Starve(w.First % pump.Chambers, w.Share);
        if (Has(3))
            (condition.BypassShare, condition.CrackShare) = (0.5 * w.Share, 0.3 * w.Leak);
        if (Has(4))
            (condition.OutsideShare, condition.LineLoss, condition.DampenerShare) = (0.1 * w.Share, 0.5 * w.Share, 1 - w.Share);
        return condition;
    }
}
