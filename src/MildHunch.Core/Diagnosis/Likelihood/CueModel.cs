using System.Collections.Concurrent;
using System.Globalization;
using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Diagnosis.Predictions;
using MildHunch.Core.Evidence;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Diagnosis.Likelihood;

/// <summary>
/// Likelihood of one yes-or-no statement under every hypothesis: what it is without a fault worth noticing, and what it
/// is once the fault is. In between it moves in a straight line with the size of the fault (docs/trade.md, Words).
/// </summary>
/// <param name="Wet">True where it says that something drips: of two faults either may be why.</param>
/// <param name="AtAnySize">True where it was opened: there a fault shows at any size.</param>
public sealed record CueAtom(double Baseline, double[] Full, bool Wet = false, bool AtAnySize = false)
{
    /// <summary>Likelihood under one hypothesis whose fault is so noticeable.</summary>
    public double At(int hypothesis, double notice) =>
        AtAnySize ? Full[hypothesis] : Baseline + ((Full[hypothesis] - Baseline) * notice);
}

/// <summary>Turns answers into likelihoods by the evidence words of the catalogue.</summary>
public sealed class CueModel(Catalogue catalogue, ReciprocatingPump pump, Setup setup, IReadOnlyList<Hypothesis> hypotheses)
{
    private static readonly Side[] BothSides = [Side.Discharge, Side.Inlet];

    private const double HealthyUsually = 0.80;
    private const double RevealedSound = 0.97;
    private const double Floor = 1e-3;
    private readonly ConcurrentDictionary<CueFact, IReadOnlyList<CueAtom>> known = new();
    private readonly ConcurrentDictionary<string, double[]> strengths = new();
    private readonly Fitting fittings = Fittings.Of(pump, setup);

    /// <summary>About as many bytes as it holds by now.</summary>
    public long Bytes => sizeof(double) * (long)hypotheses.Count * (known.Values.Sum(k => k.Count) + strengths.Count);

    /// <summary>Every answer that could be given to a cue on this pump.</summary>
    public IReadOnlyList<CueFact> Possible(Cue cue) =>
        [.. Answers(cue).SelectMany(a => Places(a).Select(p => new CueFact(cue.Id, a.Id, p.Cylinder, p.Side)))];

    /// <summary>The statements an answer makes.</summary>
    /// <exception cref="ImpossibleInputException">An answer this pump cannot give.</exception>
    public IReadOnlyList<CueAtom> Atoms(CueFact fact)
    {
        fact = catalogue.Current(fact);
        var key = fact with
        {
            DropsPerMinute = fact.DropsPerMinute is 0 ? 0 : null,
            Source = null,
            Stream = false,
            When = Dripping.Unsaid,
            Mends = 0
        };
        if (known.TryGetValue(key, out var atoms))
            return atoms;
        var (cue, answer) = Refuse(fact);
        atoms = cue.Kind == "places" ? PlaceAtoms(cue, answer, fact) : [Choice(cue, answer, fact)];
        return known[key] = atoms;
    }

    /// <summary>
    /// How far each hypothesis moves any answer of a question that has one: of two faults the louder decides. Null for places.
    /// </summary>
    public double[]? Strength(Cue cue) => cue.Kind == "places" ? null : strengths.GetOrAdd(cue.Id, _ =>
    {
        var loud = new double[hypotheses.Count];
        foreach (var fact in Possible(cue))
        {
            var atom = Atoms(fact)[0];
            var quiet = Cells(cue).Where(c => c.Answer.Id == fact.Answer && c.Spot == new AnswerSpot(fact.Cylinder, fact.Side))
                .Sum(c => c.Baseline);
            for (var h = 0; h < loud.Length; h++)
                loud[h] = Math.Max(loud[h], Math.Abs(Math.Log((atom.Full[h] + Floor) / (quiet + Floor))));
        }

        return loud;
    });

    /// <summary>True where this pump can give the answer; false where <see cref="Atoms"/> would refuse it.</summary>
    public bool Allows(CueFact fact)
    {
        try
        {
            Refuse(fact);
            return true;
        }
        catch (ImpossibleInputException)
        {
            return false;
        }
    }

    /// <summary>The word by which a fault drips where this was said; null where it says nothing of that place.</summary>
    public CueWord? Drip(int hypothesis, CueFact fact)
    {
        var cue = catalogue.Cue(fact.Cue)!;
        var answer = cue.Answer(fact.Answer)!;
        return Words(hypotheses[hypothesis], cue).FirstOrDefault(w =>
            w.Answer == answer.Id && EvidenceWords.Likelihood(w.Word) > (Idle(answer)?.Chance ?? cue.Baseline)
                && (fact.Cylinder is null || Own(hypotheses[hypothesis], w, answer, new AnswerSpot(fact.Cylinder, fact.Side))));
    }

    /// <summary>Drops a minute that mean nothing where this was said.</summary>
    public double IdleDrops(CueFact fact) => Idle(catalogue.Cue(fact.Cue)!.Answer(fact.Answer)!)?.Drops ?? LeakRates.IdleDrops;

    private IdleDrip? Idle(CueAnswer answer) => answer.Idle.FirstOrDefault(i => fittings.HasAll(i.Fitted));

    private IEnumerable<CueAnswer> Answers(Cue cue) =>
        Catalogue.Fits(cue, pump, fittings) ? cue.Answers.Where(a => !a.Retired && Catalogue.Fits(a, pump, fittings)) : [];

    /// <summary>Checks an answer against catalogue and pump.</summary>
    private (Cue Cue, CueAnswer Answer) Refuse(CueFact fact)
    {
        var cue = catalogue.Cue(fact.Cue)
            ?? throw new ImpossibleInputException("cues.cue", $"“{fact.Cue}”", string.Join(", ", catalogue.Cues.Select(c => c.Id)));
        var answer = cue.Answer(fact.Answer)
            ?? throw new ImpossibleInputException(
                "cues.answer", $"“{fact.Answer}” for {cue.Id}",
                string.Join(", ", cue.Answers.Where(a => !a.Retired).Select(a => a.Id)));
        if (!Catalogue.Fits(cue, pump, fittings))
            throw new ImpossibleInputException(
                "cues.cue", cue.Id,
                "what can be seen on this pump: "
                    + $"{string.Join(", ", catalogue.Cues.Where(c => !c.Retired && Catalogue.Fits(c, pump, fittings)).Select(c => c.Id))}");
        if (!Catalogue.Fits(answer, pump, fittings))
            throw new ImpossibleInputException(
                "cues.answer", $"“{answer.Text}” for {cue.Id}",
                $"what can be seen on this pump: {string.Join(", ", Answers(cue).Select(a => a.Id))}");
        if (fact.Cylinder is { } k && (k < 1 || k > pump.Cylinders))
            throw new ImpossibleInputException(
                "cues.cylinder", k.ToString(CultureInfo.InvariantCulture), $"a cylinder of this pump, 1 to {pump.Cylinders}");
        if (fact.DropsPerMinute is { } drops && drops is not (>= 0 and <= 1e5))
            throw new ImpossibleInputException(
                "cues.dropsPerMinute", drops.ToString(CultureInfo.InvariantCulture), "0 to 100 000 drops a minute");
        if ((fact.Stream || fact.When != Dripping.Unsaid) && (cue.Kind != "places" || answer.Healthy || fact.DropsPerMinute is 0))
            throw new ImpossibleInputException(
                fact.Stream ? "cues.stream" : "cues.when", $"for “{answer.Text}”", "only where something drips");
        if (fact.Stream && fact.DropsPerMinute is not null)
            throw new ImpossibleInputException("cues.stream", "a stream and drops a minute", "one of the two");
        if (answer.At == AnswerPlace.None && fact.Cylinder is not null)
            throw new ImpossibleInputException(
                "cues.cylinder", fact.Cylinder.Value.ToString(CultureInfo.InvariantCulture),
                $"no cylinder: “{answer.Text}” is said of the whole pump");
        return (cue, answer);
    }

    private IEnumerable<AnswerSpot> Places(CueAnswer answer)
    {
        if (answer.At == AnswerPlace.None)
            return [new AnswerSpot(null, null)];
        var cylinders = Enumerable.Range(1, pump.Cylinders);
        return answer.At == AnswerPlace.Cavity && pump.TellsSides()
            ? cylinders.SelectMany(k => SidesOf(answer).Select(side => new AnswerSpot(k, side)))
            : cylinders.Select(k => new AnswerSpot(k, null));
    }

    // What is only at caps is nowhere else.
    private IEnumerable<Side> SidesOf(CueAnswer answer) =>
        BothSides.Where(side => !answer.Fitted.Contains(Fitting.Caps.Named()) || pump.CapSides().Contains(side));

    // A word speaks of the place where its fault sits, or of the other end; a fault of the whole pump shows at every place alike.
    private static bool Own(Hypothesis h, CueWord word, CueAnswer answer, AnswerSpot spot)
    {
        if (answer.At == AnswerPlace.None)
            return true;
        return (word.OtherEnd ? h.Cylinder != spot.Cylinder : h.Cylinder == spot.Cylinder)
            && (spot.Side is null || h.Side is null || h.Side == spot.Side);
    }

    private CueWord[] Words(Hypothesis h, Cue cue) =>
    [
        .. h.Fault.Cues.Where(w => w.Cue == cue.Id
            && (w.Side is null || h.Side is null || string.Equals(w.Side, h.Side.ToString(), StringComparison.OrdinalIgnoreCase))
            && Catalogue.Fits(w, pump, fittings)),
    ];

    // Every answer at every place, with its chance where no fault has anything to say.
    private AnswerCell[] Cells(Cue cue)
    {
        var aside = Aside(cue);
        CueAnswer[] others = [.. Answers(cue).Where(a => !a.Healthy && a.Aside is null)];
        var known = others.Sum(a => a.Chance ?? 0);
        var shares = others.Where(a => a.Chance is null).Sum(a => a.Share);
        var healthy = shares > 0 ? cue.Usual ?? (cue.Reveals ? RevealedSound : HealthyUsually) : 1 - known;
        double Of(CueAnswer a) => a.Healthy ? healthy : a.Chance ?? ((1 - healthy - known) * a.Share / shares);
        return [.. Answers(cue)
            .SelectMany(a => Places(a)
                .Select(p => new AnswerCell(a, p, a.Aside ?? ((1 - aside) * Of(a) / Places(a).Count()))))];
    }

    // How often something beside the matter is all that was looked at.
    private double Aside(Cue cue) => Answers(cue).Sum(a => a.Aside ?? 0);

    private CueAtom Choice(Cue cue, CueAnswer answer, CueFact fact)
    {
        var cells = Cells(cue);
        var baseline = cells.Select(c => c.Baseline).ToArray();

        // An answer without its place ("a cap hisses") stands for all its places.
        var wanted = Enumerable.Range(0, cells.Length)
            .Where(i => cells[i].Answer == answer && cells[i].Spot.IsMeantBy(fact))
            .ToArray();
        var sound = wanted.Sum(i => baseline[i]);
        var full = new double[hypotheses.Count];
        for (var h = 0; h < full.Length; h++)
        {
            full[h] = sound;
            var words = Words(hypotheses[h], cue);
            if (words.Length == 0)
                continue;
            var said = new double?[cells.Length];
            for (var i = 0; i < cells.Length; i++)
            {
                var word = words.FirstOrDefault(w => w.Answer == cells[i].Answer.Id
                    && Own(hypotheses[h], w, cells[i].Answer, cells[i].Spot));
                said[i] = word is not null ? EvidenceWords.Likelihood(word.Word) : cells[i].Answer.Aside;
            }

            // What is looked at beside the matter takes its share first, unless this fault says otherwise of it.
            var share = 1 - cells.Where(c => c.Answer.Aside is not null && words.All(w => w.Answer != c.Answer.Id)).Sum(c => c.Baseline);
            for (var i = 0; i < cells.Length; i++)
                if (cells[i].Answer.Aside is null)
                    said[i] *= share;
            var left = Math.Max(0, 1 - said.Sum(s => s ?? 0));
            var silent = Enumerable.Range(0, cells.Length).Where(i => said[i] is null).Sum(i => baseline[i]);
            full[h] = wanted.Sum(i => said[i] ?? (silent > 0 ? left * baseline[i] / silent : 0));
        }

        return new CueAtom(sound, full, AtAnySize: cue.Reveals);
    }

    private List<CueAtom> PlaceAtoms(Cue cue, CueAnswer answer, CueFact fact)
    {
        var dry = answer.Healthy || fact.DropsPerMinute is 0;
        var atoms = new List<CueAtom>();
        foreach (var place in Answers(cue).Where(a => !a.Healthy && (answer.Healthy || a == answer)))
        {
            var idle = Idle(place)?.Chance ?? cue.Baseline;
            foreach (var spot in Places(place).Where(p => p.IsMeantBy(fact)))
            {
                var full = hypotheses.Select(h =>
                {
                    var word = Words(h, cue).FirstOrDefault(w => w.Answer == place.Id && Own(h, w, place, spot));
                    var yes = word is not null ? EvidenceWords.Likelihood(word.Word) : idle;
                    return dry ? 1 - yes : yes;
                }).ToArray();
                atoms.Add(new CueAtom(dry ? 1 - idle : idle, full, !dry));
            }
        }

        // "Drips at a weep", nobody knows which: one statement about any of them.
        return !dry && atoms.Count > 1 ? [AnyOf(atoms)] : atoms;
    }

    private CueAtom AnyOf(List<CueAtom> atoms)
    {
        var baseline = 1 - atoms.Aggregate(1.0, (p, a) => p * (1 - a.Baseline));
        var full = Enumerable.Range(0, hypotheses.Count).Select(h => 1 - atoms.Aggregate(1.0, (p, a) => p * (1 - a.Full[h]))).ToArray();
        return new CueAtom(baseline, full, true);
    }

    /// <summary>Where an answer can be given: in a cylinder, on one side of it, or of the whole pump.</summary>
    private readonly record struct AnswerSpot(int? Cylinder, Side? Side)
    {
        /// <summary>True where the fact means this spot, or leaves open which.</summary>
        public bool IsMeantBy(CueFact fact) =>
            (fact.Cylinder is null || Cylinder == fact.Cylinder) && (fact.Side is null || Side is null || Side == fact.Side);
    }

    /// <summary>An answer at one of its spots, and how often it is given where no fault has anything to say.</summary>
    private readonly record struct AnswerCell(CueAnswer Answer, AnswerSpot Spot, double Baseline);
}
