using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using static MildHunch.Core.Expectation.FigureContext;

namespace MildHunch.Core.Expectation;

/// <summary>What stands at the inlet: one definition a figure.</summary>
internal sealed class InletFigures(FigureContext c)
{
    private const string SuctionSource = "Net positive suction head as pump handbooks define it; acceleration head in the form of the "
        + "Hydraulic Institute";

    // What an inlet gauge cannot tell apart; and what an estimated or a stated required head leaves open, in metres.
    private const double GaugePa = 5e3;
    private const double EstimatedHead = 1;
    private const double StatedHead = 0.3;
    private readonly SuctionHead head = c.Head(c.Point);

    public Figure Pressure() => c.Of(
        "inlet-pressure", "Pressure at the inlet while running", QuantityKind.GaugePressure, p => p.InletPa, new Working(
            "Inlet loss", "p = p source − R · Q²",
            [
                Input("p source", "at the source, gauge", c.Setup.SupplyPressure, "bar"), Flow("Q", "drawn", c.Point.SupplyFlow),
                Resistance()],
            "Loss with the square of the flow; its size is common practice where nobody measured the inlet"), Widening.AtLeast(GaugePa));

    public Figure HeadAvailable() => InMetres(c.Of(
        "npsh-available", "Head left at the inlet above boiling", QuantityKind.Length, p => c.Head(p).Available, new Working(
            "Net positive suction head", "NPSHa = (p source − pv)/ρg + level − friction − acceleration",
            [
                Metres("(p − pv)/ρg", "at the source, above boiling", head.Source), Metres("level", "source above the pump", head.Level),
                Metres("friction", "hose and strainer", head.Friction), Metres("acceleration", "of the liquid column", head.Acceleration)],
            SuctionSource)));

    public Figure HeadMargin() => InMetres(c.Of(
        "npsh-margin", "Margin over the head required", QuantityKind.Length, p => c.Head(p).Margin, new Working(
            "Suction margin", "NPSHa − NPSHr",
            [
                Metres("NPSHa", "available", head.Available),
                Metres("NPSHr", Stated ? "required by the maker" : "required, estimated (common practice)", head.Required)],
            SuctionSource), Widening.AtLeast(Stated ? StatedHead : EstimatedHead)));

    /// <summary>Where the inlet was measured.</summary>
    public Figure AccelerationHead(InletSide inlet) => InMetres(c.Of(
        "acceleration-head", "Acceleration head", QuantityKind.Length, p => c.Head(p).Acceleration, new Working(
            "Acceleration head", "h = L · V · N · C / (K · g), at most c · δ · V / g",
            [
                Input("L", "length of the inlet", inlet.Run.Length, "m"),
                new("V", "velocity in it", $"{Quantity.Digits(head.Velocity)} m/s"), c.Speed(),
                new("C", "of this arrangement", Quantity.Digits(Suction.AccelerationConstant(c.Pump))),
                new("K", $"of {c.Setup.Liquid.Name}", Quantity.Digits(c.Setup.Liquid.AccelerationDivisor)),
                new("c", "pressure wave in this run", $"{Quantity.Digits(inlet.Run.WaveSpeed)} m/s")],
            SuctionSource)));

    private bool Stated => c.Pump.RequiredHead is not null;

    private WorkingInput Resistance() => c.Setup.Inlet is { } inlet
        ? new(
            "R", "friction and strainer of the inlet run",
            $"{inlet.Run.Length.Format(Units.Find(QuantityKind.Length, "m")!)} of {inlet.Run.Bore.Format(Units.Millimetre)}")
        : new("R", "sized so that cavitation would begin at 3 times the theoretical flow", "common practice");

    private static Figure InMetres(Figure figure) => figure with { Unit = "m" };
}
