using CsCheck;
using MildHunch.Core.Checks;
using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Evidence;
using MildHunch.Core.Faults;
using MildHunch.Core.Faults.Effects;
using MildHunch.Core.Pumps;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Checks;

/// <summary>What must not matter, and what must only ever go one way.</summary>
public class InvarianceTests
{
    /// <summary>
    /// Which number a cylinder bears is the painter's business: everything noted of 1 noted of 3 instead moves the suspicion there.
    /// </summary>
    [Fact]
    public void Relabelled_cylinders_are_relabelled_suspects() =>
        Gen.Select(Gen.Int[1, 3], Gen.Int[1, 3], Gen.Double[8, 70], Gen.OneOfConst("discharge", "inlet"), Gen.Bool).Sample(
        (a, b, bar, side, weep) =>
        {
            Verdict At(int k)
            {
                CueFact[] cues = [
                    new("cap-listen", "hisses", k, Enum.Parse<Side>(side, true)),
                    .. weep ? new CueFact[] { new("leak-at", "weep", k) } : []];
                return Judge(Fog2, Fog2Setup(), Saw([Read("discharge-pressure", bar, "bar")], cues));
            }

            var (there, here) = (At(a), At(b));
            foreach (var suspect in there.Suspects)
            {
                here.Of(suspect.Fault.Id).ShouldBe(suspect.Probability, 1e-7);
                foreach (var place in suspect.Locations.Where(l => l.Cylinder == a))
                    here.Suspects.First(s => s.Fault.Id == suspect.Fault.Id).Locations.First(l => l.Cylinder == b
                        && l.Side == place.Side).Probability.ShouldBe(place.Probability, 1e-7);
            }
        },
        iter: 40);

    [Fact]
    public void Taken_out_and_put_back_is_as_before()
    {
        var evidence = Saw(
            [Read("discharge-pressure", 31, "bar"), Read("nozzle-flow", 12.7, "L/min"), Read("swing", 14, "bar")], new("needle", "swings"),
            new("sound", "smooth"), new("jet", "pulsing"));
        var before = Judge(Fog2, Fog2Setup(), evidence);
        for (var i = 0; i < evidence.Cues.Count; i++)
        {
            _ = Judge(Fog2, Fog2Setup(), evidence with { Cues = [.. evidence.Cues.Where((_, k) => k != i)] });
            var again = Judge(Fog2, Fog2Setup(), evidence with { Cues = [.. evidence.Cues.Where((_, k) => k != i), evidence.Cues[i]] });
            foreach (var suspect in before.Suspects)
                again.Of(suspect.Fault.Id).ShouldBe(suspect.Probability, 1e-9);
        }
    }

    /// <summary>A worse fault is never harder to notice; a wrong gauge runs through true in the middle of its scale.</summary>
    [Fact]
    public void Worse_is_never_less_noticed()
    {
        foreach (var (_, pump, _) in Every.Arrangement.Append(("intensifier", Every.Intensifier(), 0.0)))
            foreach (var effect in EffectLibrary.All)
                for (var s = 0; s < 32; s++)
                    effect.NoticeRatio(effect.FromDisplayed((s + 1) / 32.0), pump)
                        .ShouldBeGreaterThanOrEqualTo(effect.NoticeRatio(effect.FromDisplayed(s / 32.0), pump) - 1e-12, effect.Id);
    }

    /// <summary>Hypotheses are for this pump: ends on intensifiers, cups on cup pumps, unloaders where there is one.</summary>
    [Fact]
    public void Only_parts_that_are_there_are_suspected() =>
        Gen.OneOfConst([.. Every.Arrangement.Select(a => a.Pump).Append(Every.Intensifier())]).Sample(
        pump =>
        {
            var setup = pump.Arrangement == Arrangement.Intensifier ? Every.IntensifierSetup() : Every.Plain(pump, 30);
            foreach (var h in HypothesisSet.For(Known, pump, setup, []).All)
            {
                if (h.Fault.Location == FaultLocation.End)
                    h.Fault.Id.ShouldStartWith("intens-");
                if (h.Fault.Id.StartsWith("intens-", StringComparison.Ordinal))
                    pump.Arrangement.ShouldBe(Arrangement.Intensifier);
                if (h.Fault.Id is "cup-worn" or "sleeve-scored")
                    pump.Arrangement.ShouldBe(Arrangement.TwinPiston);
                if (h.Fault.Id.StartsWith("unloader", StringComparison.Ordinal))
                    pump.Control.ShouldBe(ControlKind.Unloader);
            }
        },
        iter: 30);
}
