using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Numerics;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Service.Proving;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Service.Proving;

/// <summary>
/// One pump whose truth is known, proved by a hand: a careful one reads all there is, a careless one skips, reads at the wrong pressure,
/// shortens and leaves empty. Neither invents anything.
/// </summary>
internal sealed class ProofHand
{
    private static readonly ProofStages Stages = ProofStages.BuiltIn(Known);
    private readonly SeededNoise noise;
    private readonly ReciprocatingPump pump = Fog2;
    private readonly Setup setup;
    private readonly Flaw flaw;
    private readonly double heldPa;
    private readonly double spikePa;
    private readonly double leak;
    private readonly double compliance;
    private readonly double nozzle;
    private readonly double delivery;
    private readonly double sigma;

    public ProofHand(int seed, bool careful)
    {
        noise = new SeededNoise((2 * seed) + 11);
        Careful = careful;
        flaw = noise.Even() < 0.5 ? Flaw.None : (Flaw)(1 + (int)(noise.Even() * 6));
        setup = Setup.Create(
            Q<RotationalSpeed>(1450, "rpm"), Nozzle.FromPoint(Q<VolumeFlow>(19.17, "L/min"), Q<GaugePressure>(70, "bar")),
            Q<GaugePressure>(85, "bar"), OutletLine.Hose, relief: flaw == Flaw.NoRelief ? null : Q<GaugePressure>(105, "bar"));
        sigma = Instruments.DialSigma(pump, setup) * (0.2 + (0.6 * noise.Even()));

        // A relief valve at 105 bar lets 94.5 be held, the rating of 100 a spike of as much.
        heldPa = 1e5 * (flaw == Flaw.HeldHigh ? 98 + (12 * noise.Even()) : 80 + (6 * noise.Even()));
        spikePa = flaw == Flaw.SpikeHigh ? 1e5 * (104 + (20 * noise.Even())) : heldPa * (1.01 + (0.07 * noise.Even()));
        double[] nodes = OutletCompliance.Nodes(setup);
        compliance = nodes[(int)(noise.Even() * nodes.Length)];
        leak = PressureFall.MostLeak * (flaw == Flaw.HoseLeak ? 4 + (30 * noise.Even()) : 0.15 * noise.Even());
        (nozzle, delivery) = (1 + (0.01 * noise.Next()), 1 + (0.007 * noise.Next()));
        var verdict = ProofJudge.Judge(Stages.For(pump, setup, []), pump, setup, Told());
        (Passed, SentBack) = (verdict.Outcome == ProofOutcome.Pass, verdict.Outcome == ProofOutcome.Back);
        PassedUnnamed = !Sound && (Passed || (verdict.Outcome == ProofOutcome.PassWithRemark && verdict.Reasons.All(r => !Names(r))));
        Story = $"#{seed} {(careful ? "careful" : "careless")}, {flaw}: {verdict.Outcome}: {string.Join(" | ", verdict.Reasons)}";
    }

    private enum Flaw
    {
        None,
        HeldHigh,
        SpikeHigh,
        HoseLeak,
        NoRelief,
        LeaksOutside,
        NotClosed,
    }

    public bool Careful { get; }

    public bool Sound => flaw == Flaw.None;

    public bool Passed { get; }

    public bool SentBack { get; }

    public bool PassedUnnamed { get; }

    public string Story { get; }

    // A remark that names what is wrong: nobody runs it without having read it.
    private bool Names(string reason) => flaw switch
    {
        Flaw.NoRelief => reason.Contains("relief", StringComparison.OrdinalIgnoreCase),
        Flaw.LeaksOutside => reason.Contains("drips", StringComparison.OrdinalIgnoreCase),
        Flaw.HoseLeak => reason.Contains("loses", StringComparison.Ordinal),
        _ => false,
    };

    private bool Does() => Careful || noise.Even() > 0.15;

    private double Read(double pa) => Math.Max(0, pa + (sigma * noise.Next()));

    private ProofTold Told()
    {
        var stages = Stages.For(pump, setup, []);
        var acts = stages.SelectMany(s => s.Acts.Select(a => $"{s.Id}.{a.Id}"))
            .Where(a => flaw != Flaw.LeaksOutside || a is not ("water.supply" or "cold.drips"))
            .Where(a => flaw != Flaw.NoRelief || !a.Contains("relief", StringComparison.Ordinal)).Where(_ => Does()).ToHashSet();
        var steps = stages.SelectMany(s => s.Shares.Select(share => (Id: s.StepId(share), Share: share))).Append(("set.100", 1))
            .Where(_ => Does()).ToDictionary(s => s.Item1, s => Step(s.Item2));
        var shuts = stages.Where(s => s.Kind == StageKind.Shut && ProofStages.Forbidden(s, pump, setup) is null && Does())
            .ToDictionary(s => s.Id, _ => Shut());
        return new ProofTold
        {
            Acts = acts,
            Steps = steps,
            Shuts = shuts,
            Leaks = flaw == Flaw.LeaksOutside && Does()
                ? [new(noise.Even() < 0.5 ? Standing.Off : Standing.Doubtful, "Cap 2 drips.")]
                : [],
            Unclosed = flaw == Flaw.NotClosed ? ["Valve cap 2 discharge"] : [],
        };
    }

    // What the nozzle as it is lets through; at full flow no more pressure than it makes.
    private StepTold Step(double share)
    {
        var kn = nozzle * setup.Nozzle.Coefficient;
        var full = new OperatingPointSolver(pump, setup.Uncontrolled()).HealthyFlow * delivery;
        var target = share * StageExpectation.WorkingPa(pump, setup) * (Careful || noise.Even() > 0.2 ? 1 : 0.1 + (1.2 * noise.Even()));
        var pa = Math.Min(target, full * full / (kn * kn));
        var flow = kn * Math.Sqrt(pa) * (1 + (0.03 * noise.Next()));
        return new StepTold(
            new GaugePressure(Math.Max(1e5, Read(pa))), Does() ? 120 : Careful || noise.Even() < 0.5 ? 45 : null,
            Does() ? [new Reading(Observables.NozzleFlow, new Amount(QuantityKind.VolumeFlow, flow))] : [], null);
    }

    private ShutOutlet Shut()
    {
        var seconds = Does() ? 120 : 3 + (97 * noise.Even());
        var from = Math.Max(1e5, Read(Math.Min(spikePa, heldPa * 1.005)));
        var to = Math.Clamp(from - (leak * seconds / compliance) + (0.2 * sigma * noise.Next()), 0, from);
        return new ShutOutlet
        {
            Gauge = Does() ? ShutGauge.Hose : noise.Even() < 0.5 ? ShutGauge.Head : null,
            Spike = Does() ? new GaugePressure(Read(spikePa)) : null,
            From = Does() ? new GaugePressure(from) : null,
            To = new GaugePressure(to),
            Over = new Duration(seconds),
            StartsHard = Does() ? false : null,
        };
    }
}
