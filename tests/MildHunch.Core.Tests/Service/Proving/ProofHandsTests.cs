using System.Globalization;

namespace MildHunch.Core.Tests.Service.Proving;

/// <summary>Pumps, sound and not, proved by a careful and by a careless hand.</summary>
public class ProofHandsTests(ITestOutputHelper output)
{
    private static readonly int Pumps = Draws.Of("PROOF_PUMPS", 250);

    [Fact]
    public void No_hand_gets_a_pump_passed_that_must_not_run_and_a_careful_one_is_not_sent_back_for_nothing()
    {
        var proved = Enumerable.Range(0, Pumps).AsParallel().AsOrdered()
            .SelectMany(k => new[] { true, false }.Select(careful => new ProofHand(k, careful))).ToArray();
        proved.Where(p => p.PassedUnnamed).Select(p => p.Story).ShouldBeEmpty();

        var sound = proved.Where(p => p is { Careful: true, Sound: true }).ToArray();
        var (back, pass) = (sound.Count(p => p.SentBack), sound.Count(p => p.Passed));
        output.WriteLine(string.Create(
            CultureInfo.InvariantCulture,
            $"{proved.Length} proofs, {sound.Length} of sound pumps in careful hands: {pass} passed, {back} sent back; ")
            + string.Create(
                CultureInfo.InvariantCulture,
                $"of {proved.Count(p => !p.Sound)} that must not run none passed; "
                + $"careless hands passed {proved.Count(p => !p.Careful && p.Passed)}."));
        sound.Length.ShouldBeGreaterThan(Pumps / 4);
        ((double)back / sound.Length).ShouldBeLessThanOrEqualTo(0.02, string.Join("\n", sound.Where(p => p.SentBack).Select(p => p.Story)));
        ((double)pass / sound.Length).ShouldBeGreaterThan(0.8, string.Join("\n", sound.Where(p => !p.Passed).Take(3).Select(p => p.Story)));
    }
}
