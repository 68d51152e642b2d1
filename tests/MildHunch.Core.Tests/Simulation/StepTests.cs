using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Simulation;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Simulation;

/// <summary>What a step is made of: laws without jumps, on which Newton's iteration would otherwise hop to and fro.</summary>
public class StepTests
{
    /// <summary>
    /// An open valve passes nothing where no pressure drives it: it came to nothing with a jump, and a head near zero could not be
    /// solved.
    /// </summary>
    [Theory]
    [InlineData(ControlKind.Unloader)]
    [InlineData(ControlKind.Regulator)]
    [InlineData(ControlKind.Relief)]
    public void What_a_control_passes_has_no_jump(ControlKind kind)
    {
        var plant = PlantOf(kind);
        var control = new ControlDynamics(plant);
        control.Settle(plant.SettingPa * 1.04);
        control.Begin(1e-6);
        control.Flow(plant.SettingPa, out _).ShouldBeGreaterThan(0.1 * plant.FullFlow);
        for (var pa = -2000.0; pa < plant.SettingPa; pa += pa < 5000 ? 10 : 1000)
        {
            var step = pa < 5000 ? 10 : 1000;
            var here = control.Flow(pa, out _);
            var there = control.Flow(pa + step, out var slope);
            there.ShouldBeGreaterThanOrEqualTo(here);
            (there - here).ShouldBeLessThan(0.02 * plant.FullFlow);
            slope.ShouldBeGreaterThanOrEqualTo(0);
        }
    }

    /// <summary>Coming to a settled turn sooner never leads to less than no pressure at the outlet.</summary>
    [Fact]
    public void A_shift_stops_at_the_air_around()
    {
        var plant = PlantOf(ControlKind.None);
        var stepper = new Stepper(plant, new ControlDynamics(plant), new double[plant.Motion.Chambers], 5e5, 4e5, 0, 0);
        stepper.Shift(-9e5);
        stepper.GunPa.ShouldBe(0);
        stepper.HeadPa.ShouldBe(1e5);
        stepper.Shift(2e5);
        stepper.HeadPa.ShouldBe(3e5);
    }

    private static Plant PlantOf(ControlKind kind)
    {
        var pump = Triplex(control: kind);
        var setting = kind == ControlKind.None ? (GaugePressure?)null : Q<GaugePressure>(60, "bar");
        return new Plant(new OperatingPointSolver(pump, Every.Plain(pump, 70, setting: setting)), new Condition());
    }
}
