using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Diagnosis.Predictions;
using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Faults.Effects;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Simulation;

namespace MildHunch.Bench.Accuracy;

/// <summary>A pump as it really is: how it slips, and how far its speed and nozzle are from what is believed.</summary>
internal sealed record RealPump(ReciprocatingPump Pump, double Speed, double Nozzle);

/// <summary>A pump with a known fault, run by the time model, and everything that quick checks would tell of it.</summary>
internal sealed record DrawnCase(
    string Kind, ReciprocatingPump Pump, Setup Setup, IReadOnlyList<Hypothesis> Truth, IReadOnlyList<double> Severity,
    IReadOnlyList<(Reading Reading, double Sigma, double Error)> Readings, IReadOnlyList<CueFact> Cues, IReadOnlyList<CueFact> SlowCues,
    IReadOnlyList<(string Reading, double Sigmas)> SteadyOff, IReadOnlyList<string> Contexts, bool Opened)
{
    private const double TwoValves = 3;
    private const double Measurable = 2;
    private const double Disturbance = 0.5;
    private const double QuickMinutes = 6;

    /// <summary>The pump as it really is; null for cases that were kept.</summary>
    public RealPump? Real { get; init; }

    public static DrawnCase Next(Catalogue catalogue, Random random)
    {
        var (kind, pump, real, setup) = PumpDraw.Next(random);
        var contexts = ContextDraw.Next(catalogue, random);
        var all = HypothesisSet.For(catalogue, pump, setup, contexts).All;
        var solver = new OperatingPointSolver(pump, setup);
        var truth = DrawTruth(all, random);
        var severity = truth.Select(h => SeverityOf(h, solver, random)).ToArray();
        var behind = new RealPump(
            real, 1 + (PumpExpectation.BelievedSpeedSigma * PumpDraw.Normal(random)),
            1 + (setup.Nozzle.RelativeSigma * PumpDraw.Normal(random)));
        var drawn = new DrawnCase(kind, pump, setup, truth, severity, [], [], [], [], contexts, false) { Real = behind };
        return Shown(catalogue, drawn, random);
    }

    /// <summary>The same pump looked at again with other faults in it, or none.</summary>
    public DrawnCase With(Catalogue catalogue, IReadOnlyList<Hypothesis> truth, IReadOnlyList<double> severity, Random random) =>
        Shown(catalogue, this with { Truth = truth, Severity = severity }, random);

    /// <summary>How bad a fault is: some quick reading must move, or it must drip.</summary>
    public double SeverityOf(Hypothesis h, Random random) => SeverityOf(h, new OperatingPointSolver(Pump, Setup), random);

    private static DrawnCase Shown(Catalogue catalogue, DrawnCase drawn, Random random)
    {
        var (pump, setup, truth, severity, real) = (drawn.Pump, drawn.Setup, drawn.Truth, drawn.Severity, drawn.Real!);
        var loads = truth.Where(h => h.Fault.Id != Catalogue.NoFault)
            .Select((h, i) => new FaultLoad(
                h.Fault.Id, EffectLibrary.Find(h.Fault.EffectOn(h.Side))!.ToDisplayed(severity[i]), h.Cylinder, h.Side))
            .ToArray();
        var condition = FaultLoad.Lay(catalogue, pump, setup, loads);
        condition.SpeedFactor *= real.Speed;
        condition.NozzleFactor *= real.Nozzle;
        var turning = new OperatingPointSolver(real.Pump, setup);
        var means = PumpSimulation.Run(turning, condition, Plan(pump)).Means;
        var readings = Read(pump, setup, means, condition, random);
        var cues = Answers(catalogue, pump, setup, truth, severity, Quick(catalogue, pump, setup), random);
        var slow = Answers(
            catalogue, pump, setup, truth, severity,
            catalogue.Cues.Where(c => !c.Retired && Catalogue.Fits(c, pump, setup)).Except(Quick(catalogue, pump, setup)), random);
        cues = DripDraw.Counted(cues, new CueModel(catalogue, pump, setup, truth), turning, truth, severity, means, random);
        var steady = turning.Solve(condition, 1, 1, OutletCompliance.Typical(setup));
        var off = readings.Where(r => r.Item1.What != Observables.NozzleOrifice)
            .Select(r => (r.Item1.What.Id, (r.Item1.Value.Si - r.Item1.What.Read(steady, condition.GaugeFactor)) / r.Item2)).ToArray();
        return drawn with { Readings = readings, Cues = cues, SlowCues = slow, SteadyOff = off };
    }

    /// <summary>Four turns, whose means are what instruments show.</summary>
    public static SimulationPlan Plan(ReciprocatingPump pump) =>
        new() { Seconds = 4 / Math.Max(0.3, pump.RatedSpeed.Si), SamplesPerSecond = 10 };

    /// <summary>All quick evidence, or what is left of it, with instruments this many times as good as usual.</summary>
    public CaseEvidence Evidence(double noise, double missing, bool capListen, Random random)
    {
        bool Kept() => random.NextDouble() >= missing;
        return new CaseEvidence(
            [.. Readings.Where(_ => Kept())
                .Select(r => r.Reading with {
                    Value = new Amount(r.Reading.What.Kind, Held(r.Reading.What, r.Reading.Value.Si + (noise * r.Error))),
                    Sigma = noise * r.Sigma })],
            [.. Cues.GroupBy(c => c.Cue).Where(_ => Kept()).Where(g => capListen || g.Key != "cap-listen").SelectMany(g => g)],
            Contexts)
        { Opened = Opened };
    }

    public static double Held(Observable what, double si) => what.Id switch
    {
        "discharge-pressure" or "gun-pressure" => Math.Max(-9e4, si),
        "inlet-pressure" => Math.Clamp(si, -1.01e5, 1.9e6),
        "speed" => Math.Max(0.02, si),
        "nozzle-orifice" => Math.Max(6e-5, si),
        _ => Math.Max(0, si),
    };

    private static Hypothesis ByPrior(IReadOnlyList<Hypothesis> all, Random random)
    {
        var at = random.NextDouble() * all.Sum(h => h.Prior);
        foreach (var h in all)
            if ((at -= h.Prior) <= 0)
                return h;
        return all[^1];
    }

    // Pairs as often as the prior has them, two valve faults three times as often as chance.
    private static List<Hypothesis> DrawTruth(IReadOnlyList<Hypothesis> all, Random random)
    {
        if (random.NextDouble() >= Pairs.PriorShare)
            return [ByPrior(all, random)];
        while (true)
        {
            var (a, b) = (ByPrior(all, random), ByPrior(all, random));
            var valves = a.Fault.Part.EndsWith("valve", StringComparison.Ordinal)
                && b.Fault.Part.EndsWith("valve", StringComparison.Ordinal);
            if (Pairs.Together(a, b) && random.NextDouble() < (valves ? 1 : 1 / TwoValves))
                return [a, b];
        }
    }

    // Uniform, as the hypotheses have it, from barely measurable on: some quick reading must shift by two sigma.
    private static double SeverityOf(Hypothesis h, OperatingPointSolver solver, Random random)
    {
        var effect = EffectLibrary.Find(h.Fault.EffectOn(h.Side))!;
        var severity = random.NextDouble();
        if (!effect.MovesNumbers)
            return severity;
        var soft = OutletCompliance.Typical(solver.Setup);
        var sound = solver.Solve(new Condition(), 1, 1, soft);
        var instruments = new Instruments(solver.Pump, solver.Setup, CaseEvidence.None);
        for (var i = 0; i < 50; i++)
        {
            var condition = new Condition();
            effect.Apply(ref condition, severity, solver.Pump, h.Cylinder ?? 1);
            var point = solver.Solve(condition, 1, 1, soft);
            var most = Observables.All.Max(o => Math.Abs(o.Read(point, condition.GaugeFactor) - o.Read(sound, 1))
                / instruments.SigmaAt(o, o.Read(sound, 1)));
            if (most >= Measurable || SeverityPrior.Drips(effect, severity, solver.Pump))
                break;
            severity = random.NextDouble();
        }

        return severity;
    }

    internal static List<(Reading Reading, double Sigma, double Error)> Read(
        ReciprocatingPump pump, Setup setup, SimulationMeans means, in Condition condition, Random random)
    {
        var density = setup.Liquid.Density(setup.Temperature).Si;
        var shown = new (string Id, double Si)[]
        {
            ("discharge-pressure", means.PressurePa * condition.GaugeFactor), ("swing", means.SwingPa * condition.GaugeFactor),
            ("nozzle-flow", means.NozzleFlow), ("bypass-flow", means.BypassFlow), ("supply-flow", means.SupplyFlow),
            ("speed", means.SpeedHz), ("inlet-pressure", means.InletPa), ("gun-pressure", means.GunPa),
            ("nozzle-orifice", Nozzle.OrificeOfCoefficient(setup.Nozzle.Coefficient * condition.NozzleFactor, density)),
        };
        var swing = Observables.Swing;
        var seen = new CaseEvidence([new Reading(swing, new Amount(swing.Kind, Math.Max(0, means.SwingPa)))], [], []);
        var instruments = new Instruments(pump, setup, seen);
        return
        [
            .. shown.Where(s => s.Id != "bypass-flow" || pump.Control != ControlKind.None).Select(s =>
            {
                var what = Observables.Find(s.Id)!;
                var reading = new Reading(what, new Amount(what.Kind, s.Si));
                var sigma = instruments.ReadSigma(reading);
                return (reading, sigma, sigma * PumpDraw.Normal(random));
            }),
        ];
    }

    // Every check of six minutes or less that opens nothing, and what the jet does, which anyone sees.
    internal static IEnumerable<Cue> Quick(Catalogue catalogue, ReciprocatingPump pump, Setup setup) =>
        catalogue.Checks.Where(c => c.Cue is not null && c.Minutes <= QuickMinutes && Catalogue.Fits(c, pump, setup))
            .Select(c => catalogue.Cue(c.Cue!)!).Where(c => !c.Reveals && Catalogue.Fits(c, pump, setup)).Append(catalogue.Cue("jet")!)
            .Distinct();

    internal static List<CueFact> Answers(
        Catalogue catalogue, ReciprocatingPump pump, Setup setup, IReadOnlyList<Hypothesis> truth, IReadOnlyList<double> severity,
        IEnumerable<Cue> asked, Random random)
    {
        var model = new CueModel(catalogue, pump, setup, truth);
        var notice = truth.Select((h, i) => Math.Clamp(EffectLibrary.Find(h.Fault.EffectOn(h.Side))!.NoticeRatio(severity[i], pump), 0, 1))
            .ToArray();
        var solver = new OperatingPointSolver(pump, setup);
        double[] seen = [.. truth.Select((h, i) => Seen(h, severity[i], solver) ?? notice[i])];
        var told = new List<CueFact>();
        foreach (var cue in asked)
        {
            var facts = model.Possible(cue);
            if (cue.Kind == "places")
            {
                var drips = facts.Where(f => !cue.Answers.First(a => a.Id == f.Answer).Healthy)
                    .Where(f => random.NextDouble() < Disturbed(
                        truth.Select((_, h) => Chance(model.Atoms(f)[0], h, seen[h])).Max(), random)).ToArray();
                told.AddRange(drips.Length > 0 ? drips : facts.Where(f => cue.Answers.First(a => a.Id == f.Answer).Healthy));
                continue;
            }

            // Of two faults, the one that has more to say about this decides.
            var speaker = Enumerable.Range(0, truth.Count)
                .MaxBy(h => facts.Max(f => Math.Abs(Math.Log((Chance(model.Atoms(f)[0], h, notice[h]) + 1e-3)
                    / (Baseline(model.Atoms(f)[0]) + 1e-3)))));
            var chances = facts.Select(f => Chance(model.Atoms(f)[0], speaker, notice[speaker])
                * Math.Exp(Disturbance * PumpDraw.Normal(random))).ToArray();
            var at = random.NextDouble() * chances.Sum();
            var i = 0;
            while (i < chances.Length - 1 && (at -= chances[i]) > 0)
                i++;
            told.Add(facts[i]);
        }

        return told;
    }

    // Who looks sees a drip by how fast it falls, long before the fault is noticed otherwise; null where the model knows of no water.
    private static double? Seen(Hypothesis h, double severity, OperatingPointSolver solver)
    {
        var effect = EffectLibrary.Find(h.Fault.EffectOn(h.Side))!;
        if (!SeverityPrior.Drips(effect, 1, solver.Pump))
            return null;
        var condition = new Condition();
        effect.Apply(ref condition, severity, solver.Pump);
        return LeakRates.Seen(Math.Log(Math.Max(0.1, LeakRates.DropsOf(solver, condition))));
    }

    private static double Chance(CueAtom atom, int h, double notice) =>
        atom.At(h, notice);

    private static double Baseline(CueAtom atom) => atom.AtAnySize ? 0.03 : atom.Baseline;

    private static double Disturbed(double chance, Random random)
    {
        var odds = chance / Math.Max(1e-9, 1 - chance) * Math.Exp(Disturbance * PumpDraw.Normal(random));
        return odds / (1 + odds);
    }
}
