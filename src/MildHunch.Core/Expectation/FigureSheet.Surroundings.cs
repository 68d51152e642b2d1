using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Expectation;

internal sealed partial class FigureSheet
{
    private const string SuctionSource = "Net positive suction head as pump handbooks define it; acceleration head in the form of the "
        + "Hydraulic Institute";

    /// <summary>Where the power goes at the middle of all that is uncertain.</summary>
    public PowerSplit Power => PowerSplit.Of(point);

    private SuctionHead Head(OperatingPoint p) =>
        Suction.Of(pump, setup, state, Math.Max(p.SupplyFlow, 1e-12), p.SpeedHz, inletLoss * p.SupplyFlow * p.SupplyFlow);

    // What lies round the pump: inlet, line, inner and outer leaks, and the strokes of an intensifier.
    private IEnumerable<Figure> Surroundings()
    {
        var head = Head(point);
        yield return Of("gun-pressure", "Pressure at the nozzle", QuantityKind.GaugePressure, p => p.GunPa, new Working(
            "Loss in the line", "p gun = p − R · Q²",
            [
                Pressure(), Flow("Q", "through the line", point.NozzleFlow),
                setup.Outlet is { } run
                    ? new("line", "bore and length", $"{run.Bore.Format(Units.Millimetre)}, {run.Length.Format(Metre)}")
                    : new("line", "not noted", "no loss taken")],
            "Darcy-Weisbach with Colebrook's factor"));
        yield return Flow(
            "outside-flow", "Runs out at weeps and leaks", p => p.OutsideFlow,
            new Working("Leaks to the outside", "Σ g · √p", [Pressure()], Displacement));
        yield return Flow(
            "inner-flow", "Goes round inside the pump", p => p.InnerFlow,
            new Working("Leaks inside", "Σ lost shares of the strokes", [Pressure()], Displacement));
        yield return Of("npsh-available", "Head left at the inlet above boiling", QuantityKind.Length, p => Head(p).Available, new Working(
            "Net positive suction head", "NPSHa = (p source − pv)/ρg + level − friction − acceleration",
            [
                Metres("(p − pv)/ρg", "at the source, above boiling", head.Source), Metres("level", "source above the pump", head.Level),
                Metres("friction", "hose and strainer", head.Friction), Metres("acceleration", "of the liquid column", head.Acceleration)],
            SuctionSource)) with
        { Unit = "m" };
        yield return Of("npsh-margin", "Margin over the head required", QuantityKind.Length, p => Head(p).Margin, new Working(
            "Suction margin", "NPSHa − NPSHr",
            [
                Metres("NPSHa", "available", head.Available),
                Metres(
                    "NPSHr", pump.RequiredHead is null ? "required, estimated (common practice)" : "required by the maker", head.Required)],
            SuctionSource),
            0, "", pump.RequiredHead is null ? 1 : 0.3) with
        { Unit = "m" };
        if (setup.Inlet is { } inlet)
        {
            yield return Of("acceleration-head", "Acceleration head", QuantityKind.Length, p => Head(p).Acceleration, new Working(
                "Acceleration head", "h = L · V · N · C / (K · g), at most c · δ · V / g",
                [
                    In("L", "length of the inlet", inlet.Run.Length, "m"),
                    new("V", "velocity in it", $"{Quantity.Digits(head.Velocity)} m/s"), Speed(),
                    new("C", "of this arrangement", Quantity.Digits(Suction.AccelerationConstant(pump))),
                    new("K", $"of {setup.Liquid.Name}", Quantity.Digits(setup.Liquid.AccelerationDivisor)),
                    new("c", "pressure wave in this run", $"{Quantity.Digits(inlet.Run.WaveSpeed)} m/s")],
                SuctionSource)) with
            { Unit = "m" };
        }

        var split = Power;
        foreach (var (id, name, equation, read) in new (string, string, string, Func<PowerSplit, double>)[]
        {
            ("nozzle-power", "Power in the jet", "p gun · Q", s => s.Nozzle),
            ("line-power", "Power lost in the line", "(p − p gun) · Q", s => s.Line),
            ("bypass-power", "Power in the bypass", "p · Q bypass", s => s.Bypass),
            ("leak-power", "Power lost in leaks", "Σ leak · pressure across it", s => s.Leaks),
            ("friction-power", "Power lost in friction", "P − Ph", s => s.Friction),
        })
        {
            yield return Of(id, name, QuantityKind.Power, p => read(PowerSplit.Of(p)), new Working(
                "Power split", equation, [Pressure(), new("P", "shaft power", new Amount(QuantityKind.Power, split.Shaft).Text())],
                "Power is pressure times flow; mechanical efficiency 0.85 to 0.92"));
        }

        if (pump.Arrangement != Arrangement.Intensifier)
            yield break;
        yield return Of("strokes", "Strokes of both ends together", QuantityKind.RotationalSpeed, p => 2 * p.SpeedHz, new Working(
            "Strokes", "N = Q / (n · A · S · ηv) where the oil supply holds back",
            [Flow("Q", "delivered", point.SupplyFlow), N(), In("S", "stroke", pump.Stroke, "mm")], Displacement));
    }

    private static Unit Metre { get; } = Units.Find(QuantityKind.Length, "m")!;

    private static WorkingInput Metres(string symbol, string name, double metres) => new(symbol, name, $"{Quantity.Digits(metres)} m");
}
