using CsCheck;
using MildHunch.Core.Hydraulics.Cycle;
using MildHunch.Core.Hydraulics.Steady;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Hydraulics.Cycle;

public class PulsationTests
{
    private const double Stiff = 1e-3;
    private const double Soft = 300;

    // So leaky that nothing passes even where the pressure falls low.
    private const double Dead = 1000;

    /// <summary>Stiff limit of F with one dead cylinder (docs/trade.md, Soft and stiff outlets).</summary>
    [Theory]
    [InlineData(2, 2.49)]
    [InlineData(3, 1.377)]
    [InlineData(4, 1.174)]
    [InlineData(5, 1.094)]
    [InlineData(6, 1.061)]
    [InlineData(7, 1.042)]
    public void Stiff_limit_with_a_dead_cylinder(int cylinders, double factor) =>
        CycleShape.Solve(Crank(cylinders), LeakStroke.Forward, Dead, Stiff).MeanFactor.ShouldBe(factor, 0.012 * factor);

    /// <summary>Stiff limit when healthy (docs/trade.md, Soft and stiff outlets): 2.49, 1.25, 1.005.</summary>
    [Theory]
    [InlineData(1, 2.49)]
    [InlineData(2, 1.25)]
    [InlineData(3, 1.005)]
    public void Stiff_limit_when_sound(int cylinders, double factor) =>
        CycleShape.Solve(Crank(cylinders), LeakStroke.Forward, 0, Stiff).MeanFactor.ShouldBe(factor, 0.015 * factor);

    [Theory]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(7)]
    public void A_soft_outlet_hardly_swings(int cylinders)
    {
        var shape = CycleShape.Solve(Crank(cylinders), LeakStroke.Return, Dead, Soft);
        shape.MeanFactor.ShouldBe(1, 0.01);
        shape.Swing.ShouldBeLessThan(0.05);
    }

    /// <summary>
    /// One dead cylinder of an 18 mm triplex at 70 bar: 0.45, 0.49, 0.59 of healthy (docs/trade.md, Soft and stiff outlets).
    /// </summary>
    [Theory]
    [InlineData(2e-12, 0.45)]
    [InlineData(4e-13, 0.49)]
    [InlineData(1e-13, 0.59)]
    public void Dead_cylinder_by_softness(double compliance, double share)
    {
        var solver = new OperatingPointSolver(Fog2, Fog2Setup());
        var sound = solver.Solve(new Condition(), 1, 1, compliance);
        var dead = solver.Solve(Leaking(forward: Dead), 1, 1, compliance);
        (dead.PressurePa / sound.PressurePa).ShouldBe(share, 0.02);
        (dead.NozzleFlow / sound.NozzleFlow).ShouldBe(2.0 / 3, 0.005);
    }

    [Fact]
    public void The_table_follows_the_cycle() =>
        Gen.Select(Gen.Double[0, 1], Gen.Double[-2, 2], Gen.Int[2, 7]).Sample(
            (leak, logKappa, cylinders) =>
            {
                var kappa = Math.Pow(10, logKappa);
                var exact = CycleShape.Solve(Crank(cylinders), LeakStroke.Return, leak, kappa);
                var read = CycleTable.For(Crank(cylinders), LeakStroke.Return).At(leak, kappa);
                read.MeanFactor.ShouldBe(exact.MeanFactor, 0.03 * exact.MeanFactor);
                read.Swing.ShouldBe(exact.Swing, 0.05 + (0.08 * exact.Swing));
            },
            iter: 60);

    [Fact]
    public void A_larger_leak_never_swings_less() => Gen.Select(Gen.Double[0, 0.9], Gen.Double[-1.5, 1.5]).Sample(
        (leak, logKappa) =>
        {
            var kappa = Math.Pow(10, logKappa);
            var small = CycleShape.Solve(Crank(3), LeakStroke.Forward, leak, kappa);
            var large = CycleShape.Solve(Crank(3), LeakStroke.Forward, leak + 0.1, kappa);
            large.Swing.ShouldBeGreaterThanOrEqualTo(small.Swing - 0.02);
        },
        iter: 40);
}
