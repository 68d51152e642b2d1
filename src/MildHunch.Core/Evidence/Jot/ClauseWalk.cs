using MildHunch.Core.Expectation;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Evidence.Jot;

/// <summary>
/// One way through a clause, left to right: a name waits for its number or its answer, an answer for its subject. A place
/// that is named binds the value or refuses it; a "no" turns an answer round or asks back; whatever is left over asks back.
/// </summary>
internal sealed partial class ClauseWalk(JotContext jot, IReadOnlyList<Token> clause)
{
    private readonly List<JotItem> items = [];
    private readonly List<Token> waiting = [];
    private (double Drops, Token Token)? rate;
    private bool negated;
    private bool between;

    // The last number was said of a place of its own.
    private bool placed;
    private int at;

    public bool Done => at >= clause.Count;

    public IReadOnlyList<JotItem> Go()
    {
        while (at < clause.Count)
        {
            switch (clause[at])
            {
                case NumberToken:
                    Number();
                    break;
                case WordToken word:
                    Word(word);
                    break;
                default:
                    throw new AskBackException("a number is missing before or behind it");
            }
        }

        if (rate is not null)
            throw new AskBackException("where does it drip?");
        if (waiting.Find(t => t is not WordToken w || !Idle(w)) is { } left)
            throw new AskBackException(left is WordToken w && w.Is(MeaningKind.Label) && !w.Is(MeaningKind.Subject)
                ? "a number is missing"
                : left is NumberToken
                ? "a unit or a name is missing"
                : $"what about “{jot.TextOf(left)}”?");
        if (negated)
            throw new AskBackException("what is not so?");
        return items.Count > 0 ? items : throw new AskBackException("nothing is said here");
    }

    private Token? Ahead(int steps = 1) => at + steps < clause.Count ? clause[at + steps] : null;

    private static bool Idle(WordToken word) =>
        word.Meanings.All(m => m.Kind is MeaningKind.Filler or MeaningKind.At or MeaningKind.And or MeaningKind.Bucket);

    private static bool Joins(Token? token) =>
        token is WordToken word && word.Meanings.Any(m => m.Kind is MeaningKind.Filler or MeaningKind.At or MeaningKind.And)
            && !word.Is(MeaningKind.Label);

    private IEnumerable<Meaning> Waiting(MeaningKind kind) => waiting.OfType<WordToken>().SelectMany(w => w.Of(kind));

    // The next token from a place on that is no mere joining word.
    private Token? Content(int from)
    {
        while (from < clause.Count && Joins(clause[from]))
            from++;
        return from < clause.Count ? clause[from] : null;
    }

    private void Number()
    {
        var number = (NumberToken)clause[at];
        if (IsPlaceHere(number))
        {
            waiting.Add(number);
            at++;
            return;
        }

        var value = JotValues.At(clause, at, between)!;
        var from = at;
        while (at < clause.Count && clause[at].Start <= value.Last.Start)
            at++;
        if (value.High is null && JotValues.OfDrops(value.Unit) && (value.Unit!.Symbol == "drops/min" || LeakFollows()))
        {
            rate = (JotValues.Drops(value.Low, value.Unit), value.First);
            return;
        }

        if (value.Unit?.Kind == QuantityKind.VolumeFlow && LeakFollows(next: true))
            throw new AskBackException("is that what the pump delivers, or what runs out there? Put a comma between the two");
        Reading(value, from);
    }

    private bool IsPlaceHere(NumberToken number)
    {
        if (!number.IsPlace || Ahead() is RangeToken or PlusMinusToken)
            return false;
        var placed = waiting.OfType<WordToken>()
            .Any(w => w.Is(MeaningKind.Subject) || w.Is(MeaningKind.Side) || w.Is(MeaningKind.Cylinder) || w.Is(MeaningKind.Elsewhere))
            || waiting.OfType<NumberToken>()
            .Any();
        var answered = Content(at + 1) is WordToken next && (next.Is(MeaningKind.Answer) || next.Is(MeaningKind.Side));
        var listed = Ahead() is WordToken and && and.Is(MeaningKind.And) && Ahead(2) is NumberToken { IsPlace: true };
        return placed && (!Waiting(MeaningKind.Label).Any() || answered || listed);
    }

    private bool LeakFollows(bool next = false)
    {
        if (next)
            return Content(at) is WordToken word && word.Of(MeaningKind.Answer).Any(m => m is { Id: "leak-at", Alone: true });
        return clause.Skip(at).OfType<WordToken>().Any(w => w.Of(MeaningKind.Answer).Any(m => m.Id == "leak-at"));
    }

    private void Reading(JotValue value, int from)
    {
        var words = waiting.OfType<WordToken>().Where(w => !Idle(w)).ToList();
        if (waiting.OfType<NumberToken>().Any() || negated)
            throw new AskBackException(negated ? "a number cannot be denied" : "two numbers, and nothing says what the first one is");
        if (words.Any(w => w.Of(MeaningKind.Label).Any(l => l.Id == TakenQuantities.Fall)))
            OverAMinute();
        Trailing(words);
        Follows(words);
        var read = jot.Rules.Resolve(words, value, jot.TextOf, jot.LastUnit, out var problem) ?? throw new AskBackException(problem!);
        var start = waiting.Count > 0 ? Math.Min(waiting[0].Start, clause[from].Start) : clause[from].Start;
        var end = clause[at - 1].End;
        foreach (var one in read)
        {
            var amount = new Amount(one.What.Kind, one.Unit.ToSi(one.Value));
            var says = $"{ReadingNames.Full(one.What.Id, jot.Pump.Arrangement)}: {amount.Text(one.Unit)}";
            items.Add(new JotItem(start, end - start, new JotNumber(one.What.Id, amount), one.Unit, null, says));
        }
        placed = words.Count > 0 && read[0].What.Id is not ("discharge-pressure" or "swing" or "speed");
        jot.LastUnit[read[0].What.Kind] = read[0].Unit;
        waiting.Clear();
        between = false;
    }

    // "Fell 6 bar in a minute, closed": how far a shut outlet falls is asked for a minute anyway.
    private void OverAMinute()
    {
        var look = at;
        while (look < clause.Count && (Joins(clause[look]) || IsMinute(clause[look]) || IsShut(clause[look])))
            look++;
        if (look < clause.Count && clause[look] is NumberToken { Unit.Kind: QuantityKind.Duration })
            throw new AskBackException("how far in one minute?");
        if (clause.Skip(at).Take(look - at).Any(t => IsMinute(t) || IsShut(t)))
            at = look;
    }

    private static bool IsMinute(Token token) => token is WordToken word ? word.Is(MeaningKind.Minute)
        : token is NumberToken { Unit: { Kind: QuantityKind.Duration } unit } time && Math.Abs(unit.ToSi(time.Value) - 60) < 1e-9;

    private static bool IsShut(Token token) => token is WordToken word && word.Of(MeaningKind.Subject).Any(s => s.Id == "closed-outlet");

    // A number that names no place, behind something said of one, may belong there too.
    private void Follows(List<WordToken> words)
    {
        if (words.Count > 0 || items.Count == 0)
            return;
        if (items[^1].Cue is not null || placed)
            throw new AskBackException("is that the pressure or flow of the pump? Put a comma before it, or a name");
    }

    // "31 bar at the gun", "-0.3 bar inlet": a name behind its number, unless it goes on to a number or an answer of its own.
    private void Trailing(List<WordToken> words)
    {
        var look = at;
        var spoken = false;
        while (look < clause.Count && Joins(clause[look]))
            spoken |= ((WordToken)clause[look++]).Is(MeaningKind.At);
        if (!spoken && look + 2 < clause.Count && clause[look] is WordToken label && label.Is(MeaningKind.Label)
            && clause[look + 1] is WordToken joint && joint.Is(MeaningKind.At) && clause[look + 2] is NumberToken)
            throw new AskBackException($"which of the two numbers is “{jot.TextOf(label)}”? Put a comma between them");
        if (look >= clause.Count || clause[look] is not WordToken name
            || !(name.Is(MeaningKind.Label) || name.Is(MeaningKind.Elsewhere) || (spoken && name.Is(MeaningKind.Subject))))
            return;
        if (StartsOwn(Content(look + 1), spoken))
            return;

        // "31 bar needle swings" says two things; "24 bar swings" may say one or two.
        if (name.Of(MeaningKind.Label).Any(l => l.Id == Observables.Swing.Id) && name.Is(MeaningKind.Answer))
        {
            if (jot.TextOf(name).Contains(' ', StringComparison.Ordinal))
                return;
            throw new AskBackException("does it swing by so much? Write “swing 24 bar”, or a comma before “swings”");
        }

        if (words.Count > 0 && !spoken && !name.Of(MeaningKind.Label).Any(l => l.Id == TakenQuantities.AtRest))
            return;
        words.Add(name);
        at = look + 1;
    }

    // What stands behind a name is its own number or answer, not something more about the number before.
    private static bool StartsOwn(Token? next, bool spoken) => next switch
    {
        NumberToken => !spoken,
        WordToken word => word.Is(MeaningKind.Answer) || (word.Is(MeaningKind.Label) && !spoken),
        _ => false,
    };

    private void Word(WordToken word)
    {
        if (JotValues.Every(clause, at) is { } every)
        {
            rate = (every.Drops, word);
            at += 3;
            return;
        }

        if (word.Only(MeaningKind.Between))
        {
            (between, at) = (true, at + 1);
            return;
        }

        if (word.Is(MeaningKind.Gone))
        {
            Gone();
            return;
        }

        if (word.Is(MeaningKind.Negation) && !(word.Is(MeaningKind.Answer) && Match(word) is not null))
        {
            Deny(word);
            return;
        }

        if (Idle(word))
        {
            if (waiting.Count > 0)
                waiting.Add(word);
            at++;
            return;
        }

        // "milky oil": the name behind its answer adds nothing.
        if (waiting.Count == 0 && !negated && items.Count > 0 && items[^1] is { Cue: { } last } before
            && word.Of(MeaningKind.Subject).Any(m => m.Id == last.Cue) && Content(at + 1) is null)
        {
            items[^1] = before with { Length = word.End - before.Start };
            at++;
            return;
        }

        // "needle swings 24 bar" is how far, "needle swings" is that it does.
        var next = Content(at + 1);
        var label = word.Is(MeaningKind.Label) && (next is NumberToken || (next is WordToken range && range.Only(MeaningKind.Between)));
        if (!label && Match(word) is { } match)
        {
            at++;
            Answer(match, word);
            return;
        }

        waiting.Add(word);
        at++;
    }

    private void Deny(WordToken word)
    {
        // "cap no 2": a number, no denial.
        if (Ahead() is NumberToken { IsPlace: true } && word.Length == 2 && waiting.Count > 0)
        {
            at++;
            return;
        }

        if (negated)
            throw new AskBackException("said no twice");
        (negated, at) = (true, at + 1);
    }

    // "knocking stopped": what was said just before is no longer so.
    private void Gone()
    {
        if (items.Count == 0 || items[^1].Cue is not { } last || waiting.Count > 0)
            throw new AskBackException("what is no longer so?");
        var fact = Turned(last);
        items[^1] = items[^1] with
        {
            Length = clause[at].End - items[^1].Start,
            Cue = fact,
            Says = Sentences.Say(jot.Catalogue, fact),
            IsDenial = true,
        };
        at++;
    }
}
