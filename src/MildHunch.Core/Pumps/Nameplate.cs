using System.Diagnostics;
using System.Globalization;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Pumps;

/// <summary>
/// Geometry and nameplate complete one another: flow = n · A · S · N · ηv, with the efficiency a sound pump has, since
/// plates tell what comes out. Whatever one of bore, stroke, speed and flow is missing is worked out.
/// </summary>
public sealed record Nameplate(
    Length PlungerDiameter, Length Stroke, RotationalSpeed Speed, VolumeFlow Flow, string? WorkedOut, string? Doubt)
{
    /// <summary>Volumetric efficiency taken for the plate: 3.5 % slip and 0.5 % compression.</summary>
    public const double Efficiency = 0.96;

    private const double Disagreement = 0.12;

    /// <summary>Works out the one that is missing of bore, stroke, speed and flow.</summary>
    /// <exception cref="ImpossibleInputException">Values that cannot be, or more than one missing, naming the first of these.</exception>
    public static Nameplate Complete(int cylinders, Length? plungerDiameter, Length? stroke, RotationalSpeed? speed, VolumeFlow? flow)
    {
        var objections = new Objections();
        objections.Within("cylinders", cylinders, 1, 7, cylinders.ToString(CultureInfo.InvariantCulture), "1 to 7 cylinders");
        if (plungerDiameter is { } d)
            objections.Within("plungerDiameter", d.Si, 2e-3, 0.3, d.Format(Units.Millimetre), "a plunger of 2 to 300 mm");
        if (stroke is { } s)
            objections.Within(
                "stroke", s.Si, 1e-3, 2, s.Format(Units.Millimetre), "a stroke of 1 to 500 mm, of an intensifier up to 2000 mm");
        if (speed is { } n)
            objections.Within("ratedSpeed", n.Si, 0.01, 100, n.Format(Units.Rpm), "0.6 to 6000 rpm");
        if (flow is { } q)
            objections.Within("ratedFlow", q.Si, 1e-8, 1, q.Format(Units.LitrePerMinute), "a rated flow above 0, up to 60 000 L/min");
        if (new object?[] { plungerDiameter, stroke, speed, flow }.Count(told => told is null) > 1)
            objections.Add(
                plungerDiameter is null ? "plungerDiameter" : stroke is null ? "stroke" : "ratedSpeed", ImpossibleInputException.Nothing,
                "a value here, or the rated flow and all of the rest of bore, stroke and speed, to work it out from");
        objections.ThrowIfAny();
        var each = cylinders * Efficiency;
        double Area() => Quantities.Area.OfCircle(plungerDiameter!.Value).Si;
        switch (plungerDiameter, stroke, speed, flow)
        {
            case (not null, not null, not null, null):
                var made = new VolumeFlow(each * Area() * stroke.Value.Si * speed.Value.Si);
                return new Nameplate(
                    plungerDiameter.Value, stroke.Value, speed.Value, made,
                    $"Flow {made.Format(Units.LitrePerMinute, 4)}, worked out from bore, stroke and speed at an efficiency of 96 %.", null);
            case (not null, null, not null, not null):
                var run = new Length(flow.Value.Si / (each * Area() * speed.Value.Si));
                return new Nameplate(
                    plungerDiameter.Value, run, speed.Value, flow.Value,
                    $"Stroke {run.Format(Units.Millimetre)}, worked out from rated flow, speed and bore at an efficiency of 96 %.", null);
            case (null, not null, not null, not null):
                var bore = new Length(Math.Sqrt(flow.Value.Si / (each * stroke.Value.Si * speed.Value.Si) * 4 / Math.PI));
                return new Nameplate(
                    bore, stroke.Value, speed.Value, flow.Value,
                    $"Plunger {bore.Format(Units.Millimetre)}, worked out from rated flow, speed and stroke at an efficiency of 96 %.",
                    null);
            case (not null, not null, null, not null):
                var turns = new RotationalSpeed(flow.Value.Si / (each * Area() * stroke.Value.Si));
                return new Nameplate(
                    plungerDiameter.Value, stroke.Value, turns, flow.Value,
                    $"Speed {turns.Format(Units.Rpm, 4)}, worked out from rated flow, bore and stroke at an efficiency of 96 %.", null);
            case (not null, not null, not null, not null):
                var would = new VolumeFlow(each * Area() * stroke.Value.Si * speed.Value.Si);
                var off = (would.Si / flow.Value.Si) - 1;
                return new Nameplate(plungerDiameter.Value, stroke.Value, speed.Value, flow.Value, null, Math.Abs(off) < Disagreement
                    ? null
                    : $"The plate's {flow.Value.Format(Units.LitrePerMinute)} and the geometry do not agree: bore, stroke and speed give "
                        + $"{would.Format(Units.LitrePerMinute)}.");
            default:
                throw new UnreachableException();
        }
    }
}
