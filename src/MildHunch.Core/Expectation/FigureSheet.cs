using MildHunch.Core.Pumps;

namespace MildHunch.Core.Expectation;

/// <summary>Every expected figure that this pump has, in the order in which they are read.</summary>
internal sealed class FigureSheet(FigureContext c)
{
    private readonly DeliveryFigures delivery = new(c);
    private readonly InletFigures inlet = new(c);
    private readonly PowerFigures power = new(c);

    /// <summary>Where the power goes at the middle of all that is uncertain.</summary>
    public PowerSplit Power => power.Split;

    public IEnumerable<Figure> Figures()
    {
        yield return delivery.TheoreticalFlow();
        yield return delivery.VolumetricEfficiency();
        yield return delivery.Displaced();
        yield return delivery.Pressure();
        yield return delivery.Swing();
        yield return delivery.Nozzle();
        yield return delivery.Bypass();
        yield return delivery.Supply();
        yield return delivery.Speed();
        yield return inlet.Pressure();
        yield return power.HydraulicPower();
        yield return power.ShaftPower();
        yield return delivery.RippleAbove();
        yield return delivery.RippleBelow();
        yield return delivery.CylinderShare();
        yield return delivery.PressureAtNozzle();
        yield return delivery.Outside();
        yield return delivery.Inner();
        yield return inlet.HeadAvailable();
        yield return inlet.HeadMargin();
        if (c.Setup.Inlet is { } run)
            yield return inlet.AccelerationHead(run);
        yield return power.Nozzle();
        yield return power.Line();
        yield return power.Bypass();
        yield return power.Leaks();
        yield return power.Friction();
        if (c.Pump.Arrangement == Arrangement.Intensifier)
            yield return delivery.Strokes();
        if (c.Setup.Voltage is { } volts)
            yield return power.MotorCurrent(volts);
    }
}
