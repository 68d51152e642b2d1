using System.Runtime.CompilerServices;

namespace MildHunch.Core.Hydraulics.Steady;

/// <summary>A number for each chamber of a pump; 14 are enough for seven double-acting cylinders.</summary>
[InlineArray(Most)]
internal struct PerChamber
{
    /// <summary>Chambers there can be: seven double-acting cylinders.</summary>
    public const int Most = 14;
    private double first;
}

/// <summary>
/// What is wrong with a pump, as the hydraulics see it. The default is a sound pump. Faults change it one small piece
/// at a time, so several can be laid over one another.
/// </summary>
public struct Condition()
{
    /// <summary>Actual over believed speed.</summary>
    public double SpeedFactor = 1;

    /// <summary>Share of the swept volume that fills with liquid rather than gas.</summary>
    public double FillFactor = 1;

    /// <summary>Actual over believed Kn.</summary>
    public double NozzleFactor = 1;

    /// <summary>Bypass orifice: the share of the healthy flow it passes at the healthy pressure.</summary>
    public double BypassShare = 0;

    /// <summary>Orifice from the pump's outlet to the outside, as a share like <see cref="BypassShare"/>.</summary>
    public double OutsideShare = 0;

    /// <summary>
    /// Orifice from the high to the low side inside the head, open all the time, as a share like <see cref="BypassShare"/>.
    /// </summary>
    public double CrackShare = 0;

    /// <summary>Loss between head and nozzle, over the healthy pressure, at the healthy flow.</summary>
    public double LineLoss = 0;

    /// <summary>Actual over believed setting of the control.</summary>
    public double SettingFactor = 1;

    /// <summary>Actual over believed setting of the relief valve.</summary>
    public double ReliefFactor = 1;

    /// <summary>Flow at which the inlet runs into cavitation, over that of the sound inlet.</summary>
    public double InletCapacity = 1;

    /// <summary>Liquid at the inlet warmer than believed, kelvin.</summary>
    public double WarmerK = 0;

    /// <summary>Share of the dampener's gas that is still there.</summary>
    public double DampenerShare = 1;

    /// <summary>What the gauge shows over what is there.</summary>
    public double GaugeFactor = 1;

    /// <summary>Extra pressure swing from gas, vapour or a hunting control, over the mean pressure.</summary>
    public double ExtraSwing = 0;

    /// <summary>Drips outside that take nothing from the delivery, m³/s.</summary>
    public double DripFlow = 0;

    private PerChamber forward;
    private PerChamber back;
    private PerChamber unfilled;

    /// <summary>Chambers that leak or do not fill, one bit each.</summary>
    public int Lame { get; private set; }

    /// <summary>Chambers whose forward leak runs out at the weep instead of back to the inlet, one bit each.</summary>
    public int Outside { get; private set; }

    /// <summary>Leak of a chamber on its forward stroke, G = leak over A·rω at the healthy pressure and speed.</summary>
    public readonly double ForwardLeak(int chamber) => forward[chamber];

    /// <summary>Leak of a chamber on its return stroke, G likewise.</summary>
    public readonly double ReturnLeak(int chamber) => back[chamber];

    /// <summary>Share of a chamber's stroke that does not fill.</summary>
    public readonly double Unfilled(int chamber) => unfilled[chamber];

    /// <summary>Adds a leak of the forward stroke: G at the sound pump's pressure, 0 and more; outside, or back to the inlet.</summary>
    public void LeakForward(int chamber, double g, bool outside = false)
    {
        forward[chamber] += g;
        Mark(chamber);
        if (outside)
            Outside |= 1 << chamber;
    }

    /// <summary>Adds a leak of the return stroke: G at the sound pump's pressure, 0 and more.</summary>
    public void LeakBack(int chamber, double g)
    {
        back[chamber] += g;
        Mark(chamber);
    }

    /// <summary>Leaves a share of a chamber's stroke empty, 0 to 1.</summary>
    public void Starve(int chamber, double share)
    {
        unfilled[chamber] = 1 - ((1 - unfilled[chamber]) * (1 - share));
        Mark(chamber);
    }

    private void Mark(int chamber) => Lame |= 1 << chamber;
}
