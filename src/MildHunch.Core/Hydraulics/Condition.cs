namespace MildHunch.Core.Hydraulics;

/// <summary>
/// What is wrong with a pump, as the hydraulics see it. The default is a sound pump. Faults change it one small piece
/// at a time, so several can be laid over one another.
/// </summary>
public record struct Condition()
{
    /// <summary>Actual over believed speed.</summary>
    public double SpeedFactor = 1;

    /// <summary>Share of the swept volume that fills with liquid rather than gas.</summary>
    public double FillFactor = 1;

    /// <summary>Actual over believed Kn.</summary>
    public double NozzleFactor = 1;

    /// <summary>Bypass orifice: the share of the healthy flow it passes at the healthy pressure.</summary>
    public double BypassShare = 0;

    /// <summary>Actual over believed setting of the control.</summary>
    public double SettingFactor = 1;

    /// <summary>Flow at which the inlet runs into cavitation, over the theoretical flow.</summary>
    public double InletCapacity = 3;

    /// <summary>Leak of one cylinder on the forward stroke, G at the healthy pressure.</summary>
    public double ForwardLeak = 0;

    /// <summary>Leak of one cylinder on the return stroke, G at the healthy pressure.</summary>
    public double ReturnLeak = 0;

    /// <summary>True where the forward leak runs out at the weep instead of back to the inlet.</summary>
    public bool ForwardLeakOutside = false;

    /// <summary>What the gauge shows over what is there.</summary>
    public double GaugeFactor = 1;

    /// <summary>Extra pressure swing from gas or vapour, over the mean pressure.</summary>
    public double ExtraSwing = 0;
}
