using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Diagnosis.Jot;

/// <summary>
/// Left to right over the tokens: a name waits for its number or its answer, an answer for its subject; a break lets
/// what still waits go, as not understood.
/// </summary>
internal sealed class JotParser(Catalogue catalogue, ReciprocatingPump pump, string text, List<Token> tokens)
{
    private readonly List<JotItem> items = [];
    private readonly List<JotGap> gaps = [];
    private readonly List<Token> waiting = [];
    private readonly Dictionary<QuantityKind, Unit> lastUnit = [];
    private int at;

    public JotReading Parse()
    {
        while (at < tokens.Count)
        {
            switch (tokens[at])
            {
                case BreakToken:
                    LetGo();
                    at++;
                    break;
                case NumberToken number:
                    Number(number);
                    break;
                case WordToken word:
                    Word(word);
                    break;
                case StrangeToken strange:
                    LetGo();
                    gaps.Add(Gap(strange, strange.Problem));
                    at++;
                    break;
                default:
                    gaps.Add(Gap(tokens[at], "needs a number before it"));
                    at++;
                    break;
            }
        }

        LetGo();
        return new JotReading([.. items.OrderBy(i => i.Start)], [.. gaps.OrderBy(g => g.Start)], []);
    }

    private Token? Next(int ahead = 1) => at + ahead < tokens.Count ? tokens[at + ahead] : null;

    private JotGap Gap(Token token, string problem) => new(token.Start, token.Length, text.Substring(token.Start, token.Length), problem);

    private void LetGo()
    {
        foreach (var token in waiting)
        {
            if (token is WordToken word && word.Meanings.All(m => m.Kind is MeaningKind.Filler or MeaningKind.Bucket))
                continue;
            gaps.Add(Gap(token, token is WordToken w && w.Is(MeaningKind.Label) ? "a number or an answer is missing" : "what does this belong to?"));
        }

        waiting.Clear();
    }

    private IEnumerable<Meaning> Waiting(MeaningKind kind) => waiting.OfType<WordToken>().SelectMany(w => w.Meanings).Where(m => m.Kind == kind);

    private void Number(NumberToken number)
    {
        if (number.Unit?.Kind == QuantityKind.Volume && Bucket(number))
            return;
        var label = Waiting(MeaningKind.Label).Select(m => JotQuantity.Find(m.Id)!).FirstOrDefault(o => number.Unit is null || number.Unit.Kind == o.Kind);

        // "discharge 2 hisses", "cap 2 warm", "weep 2": a small bare number behind such a word is a place, not a reading.
        if (number.IsPlace && Next() is not RangeToken && (label is null || Next() is WordToken { } after && after.Is(MeaningKind.Answer)) && Waiting(MeaningKind.Subject).Concat(Waiting(MeaningKind.Side)).Concat(Waiting(MeaningKind.Cylinder)).Any())
        {
            waiting.Add(number);
            at++;
            return;
        }

        if (label is null && Next() is WordToken behind && behind.Is(MeaningKind.Label) && Next(2) is not NumberToken)
        {
            label = behind.Meanings.Where(m => m.Kind == MeaningKind.Label).Select(m => JotQuantity.Find(m.Id)!).FirstOrDefault(o => number.Unit is null || number.Unit.Kind == o.Kind);
            if (label is not null)
            {
                waiting.Add(behind);
                tokens.RemoveAt(at + 1);
            }
        }

        var kind = number.Unit?.Kind ?? (Next() is PlusMinusToken or RangeToken && Next(2) is NumberToken spread ? spread.Unit?.Kind : null);
        label ??= kind switch
        {
            QuantityKind.GaugePressure => Named(Observables.Pressure),
            QuantityKind.VolumeFlow => Named(Observables.NozzleFlow),
            QuantityKind.RotationalSpeed => Named(Observables.Speed),
            QuantityKind.Length => Named(Observables.NozzleOrifice),
            QuantityKind.Current => JotQuantity.Find(AsTaken.Amps),
            _ => null,
        };
        if (label is null)
        {
            LetGo();
            gaps.Add(Gap(number, number.Unit is null ? "a unit or a name is missing" : "what was measured?"));
            at++;
            return;
        }

        at++;
        var unit = number.Unit ?? lastUnit.GetValueOrDefault(label.Kind) ?? Units.Preferred(label.Kind);
        if (label.Id == Observables.Pressure.Id && tokens.Count > at + 1 && tokens[at] is PlusMinusToken && tokens[at + 1] is NumberToken half)
        {
            unit = number.Unit ?? half.Unit ?? unit;
            at += 2;
            Reading(label, number, number.Value, unit, number.Start);
            Reading(Named(Observables.Swing), half, 2 * half.Value, half.Unit ?? unit, half.Start);
            return;
        }

        if (tokens.Count > at + 1 && tokens[at] is RangeToken && tokens[at + 1] is NumberToken upper)
        {
            Range(label, number, upper, number.Unit ?? upper.Unit ?? unit);
            return;
        }

        Reading(label, number, number.Value, unit, waiting.Count > 0 ? Math.Min(waiting[0].Start, number.Start) : number.Start);
    }

    // "28 to 46 bar" on the gauge is a mean and a swing; of anything else it is the middle.
    private void Range(JotQuantity label, NumberToken lower, NumberToken upper, Unit unit)
    {
        at += 2;
        var start = waiting.Count > 0 ? Math.Min(waiting[0].Start, lower.Start) : lower.Start;
        Reading(label, label.Id == Observables.Pressure.Id ? lower : upper, (lower.Value + upper.Value) / 2, unit, start);
        if (label.Id == Observables.Pressure.Id)
            Reading(Named(Observables.Swing), upper, Math.Abs(upper.Value - lower.Value), unit, upper.Start);
    }

    private static JotQuantity Named(Observable what) => JotQuantity.Find(what.Id)!;

    private bool Bucket(NumberToken volume)
    {
        var ahead = 1;
        while (Next(ahead) is WordToken filler && filler.Is(MeaningKind.Filler))
            ahead++;
        if (Next(ahead) is not NumberToken { Unit.Kind: QuantityKind.Duration } time)
            return false;
        var what = Waiting(MeaningKind.Label).Select(m => JotQuantity.Find(m.Id)!).FirstOrDefault(o => o.Kind == QuantityKind.VolumeFlow) ?? Named(Observables.NozzleFlow);
        var start = waiting.Count > 0 ? waiting[0].Start : volume.Start;
        at += ahead + 1;
        var seconds = time.Unit!.ToSi(time.Value);
        if (seconds <= 0)
        {
            gaps.Add(Gap(time, "a time above 0 is needed"));
            waiting.Clear();
            return true;
        }

        var unit = lastUnit.GetValueOrDefault(QuantityKind.VolumeFlow) ?? Units.LitrePerMinute;
        Reading(what, time, unit.FromSi(volume.Unit!.ToSi(volume.Value) / seconds), unit, start);
        return true;
    }

    private void Reading(JotQuantity what, Token last, double value, Unit unit, int start)
    {
        waiting.Clear();
        lastUnit[what.Kind] = unit;
        var amount = new Amount(what.Kind, unit.ToSi(value));
        var length = last.Start + last.Length - start;
        try
        {
            if (Observables.Find(what.Id) is { } observable)
                EvidenceRules.Check(new Reading(observable, amount), what.Id);
            items.Add(new JotItem(start, length, new JotNumber(what.Id, amount), unit, null, $"{what.Name}: {amount.Text(unit)}"));
        }
        catch (ImpossibleInputException e)
        {
            gaps.Add(new JotGap(start, length, text.Substring(start, length), $"not possible; accepted: {e.Accepted}"));
        }
    }

    private void Word(WordToken word)
    {
        if (word.Meanings.All(m => m.Kind == MeaningKind.Filler))
        {
            at++;
            return;
        }

        // "milky oil": the name behind its answer adds nothing.
        if (waiting.Count == 0 && items.Count > 0 && items[^1] is { Cue: { } told } before && before.Start + before.Length + 1 == word.Start && word.Meanings.Any(m => m.Kind == MeaningKind.Subject && m.Id == told.Cue))
        {
            items[^1] = before with { Length = word.Start + word.Length - before.Start };
            at++;
            return;
        }

        var answers = word.Meanings.Where(m => m.Kind == MeaningKind.Answer).ToArray();
        var subjects = Waiting(MeaningKind.Subject).Select(m => m.Id).ToHashSet();
        var match = answers.FirstOrDefault(a => subjects.Contains(a.Id) && Prefers(a))
            ?? answers.FirstOrDefault(a => subjects.Contains(a.Id))
            ?? answers.FirstOrDefault(a => a.Alone);
        if (match is null)
        {
            var early = Waiting(MeaningKind.Answer).FirstOrDefault(a => word.Meanings.Any(m => m.Kind == MeaningKind.Subject && m.Id == a.Id));
            if (early is null)
            {
                // A new name while another still waits for its number: the first is let go, unless they belong together.
                if (word.Is(MeaningKind.Label) && waiting.Count > 0 && Waiting(MeaningKind.Label).Any() && !Waiting(MeaningKind.Side).Any())
                    LetGo();
                waiting.Add(word);
                at++;
                return;
            }

            match = early;
        }

        at++;
        Cue(match, word);
    }

    // Where a number stands by, an answer that takes a place is meant: "cap 2 hot" is a cap, "bypass hot" is not.
    private bool Prefers(Meaning answer) =>
        waiting.OfType<NumberToken>().Any() == (catalogue.Cue(answer.Id)!.Answers.First(x => x.Id == answer.Answer).At != AnswerPlace.None);

    private void Cue(Meaning meaning, Token last)
    {
        var answer = catalogue.Cue(meaning.Id)!.Answers.First(a => a.Id == meaning.Answer);
        var start = waiting.Count > 0 ? Math.Min(waiting[0].Start, last.Start) : last.Start;
        int? cylinder = null;
        Side? side = null;
        double? drops = null;
        if (answer.At != AnswerPlace.None)
        {
            cylinder = waiting.OfType<NumberToken>().Select(n => (int?)n.Value).FirstOrDefault();
            side = Waiting(MeaningKind.Side).Select(m => (Side?)Enum.Parse<Side>(m.Id, true)).FirstOrDefault();
            while (at < tokens.Count && tokens[at] is WordToken place && (place.Is(MeaningKind.Cylinder) || place.Is(MeaningKind.Side) || place.Meanings.All(m => m.Kind == MeaningKind.Filler)))
            {
                side ??= place.Meanings.Where(m => m.Kind == MeaningKind.Side).Select(m => (Side?)Enum.Parse<Side>(m.Id, true)).FirstOrDefault();
                last = tokens[at++];
            }

            if (cylinder is null && at < tokens.Count && tokens[at] is NumberToken { IsPlace: true } k)
            {
                cylinder = (int)k.Value;
                last = tokens[at++];
            }

            if (answer.At != AnswerPlace.Cavity || pump.HeadLayout != HeadLayout.SixCaps)
                side = null;
        }

        var (stream, when) = (false, Dripping.Unsaid);
        if (meaning.Id == "leak-at")
            last = Drops(last, ref drops, ref stream, ref when);
        waiting.Clear();
        var fact = new CueFact(meaning.Id, meaning.Answer, cylinder, side, drops, Stream: stream, When: when);
        var length = last.Start + last.Length - start;
        if (cylinder > pump.Cylinders)
            gaps.Add(new JotGap(start, length, text.Substring(start, length), $"this pump has cylinders 1 to {pump.Cylinders}"));
        else
            items.Add(new JotItem(start, length, null, null, fact, Sentences.Say(catalogue, fact)));
    }

    // "30/min", "stream", "dry", "running only", "also standing": in any order, each once.
    private Token Drops(Token last, ref double? drops, ref bool stream, ref Dripping when)
    {
        for (; at < tokens.Count; last = tokens[at++])
        {
            switch (tokens[at])
            {
                case WordToken dry when dry.Is(MeaningKind.Dry) && drops is null && !stream:
                    drops = 0;
                    break;
                case WordToken runs when runs.Is(MeaningKind.Stream) && drops is null && !stream:
                    stream = true;
                    break;
                // On an intensifier "standing" alone asks a question of its own.
                case WordToken standing when standing.Is(MeaningKind.Standing) && !standing.Is(MeaningKind.Subject) && when == Dripping.Unsaid:
                case WordToken alone when alone.Is(MeaningKind.Standing) && pump.Arrangement != Arrangement.Intensifier && when == Dripping.Unsaid:
                    when = Dripping.Standing;
                    break;
                case WordToken running when running.Is(MeaningKind.Running) && when == Dripping.Unsaid:
                    when = Dripping.Running;
                    break;
                case NumberToken { Unit: null or { Kind: QuantityKind.VolumeFlow } } rate when drops is null && !stream:
                    var perDrop = Units.Find(QuantityKind.VolumeFlow, "drops/min")!;
                    drops = rate.Unit is null ? rate.Value : perDrop.FromSi(rate.Unit.ToSi(rate.Value));
                    break;
                default:
                    return last;
            }
        }

        return last;
    }
}
