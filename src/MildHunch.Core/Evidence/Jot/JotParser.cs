namespace MildHunch.Core.Evidence.Jot;

/// <summary>
/// Clause by clause: what stands between two commas is understood whole or asked back whole, so that a word nobody knows
/// never leaves half a sentence standing.
/// </summary>
internal sealed class JotParser(ClauseReader reader, string text)
{
    private readonly List<JotItem> items = [];
    private readonly List<JotGap> gaps = [];

    // "Outlet shut, head 5 bar": what follows was not read with the pump at work.
    private bool conditioned;

    // What was asked back last named something that may be read: an unnamed number right behind it may be meant for that.
    private bool named;

    public JotReading Parse(List<Token> tokens)
    {
        foreach (var clause in Clauses(tokens))
            Take(clause);
        return new JotReading([.. Answered().OrderBy(i => i.Start)], [.. gaps.OrderBy(g => g.Start)], []);
    }

    // "Chatter, no knock" and "no knock, no chatter" answer one question once.
    private IEnumerable<JotItem> Answered() => items.Where((item, i) => !item.IsDenial || item.Cue is not { Cylinder: null } said
        || !items.Where((other, k) => k != i && other.Cue?.Cue == said.Cue && (!other.IsDenial || k < i)).Any());

    private void Take(IReadOnlyList<Token> clause)
    {
        var (start, end) = (clause[0].Start, clause[^1].End);

        // "weep 2, 30 drops a minute": what only says how it drips belongs to the drip before.
        if (gaps.All(g => g.Start < (items.Count > 0 ? items[^1].Start : 0)) && items.Count > 0
            && reader.GoesOn(items[^1], clause) is { } more)
        {
            items[^1] = more;
            return;
        }

        var read = reader.Read(clause);
        var problem = read.Problem ?? Doubt(clause, read.Items);
        named = problem is not null && Names(clause);
        conditioned |= problem is not null && reader.IsCondition(clause);
        if (problem is null)
            items.AddRange(read.Items);
        else
            gaps.Add(new JotGap(start, end - start, text[start..end], problem));
    }

    private string? Doubt(IReadOnlyList<Token> clause, IReadOnlyList<JotItem> said)
    {
        var numbers = said.Where(i => i.Number is not null).Select(i => i.Number!.What).ToArray();
        if (conditioned && numbers.Length > 0)
            return "was that read with the pump at work? Say it in a line of its own";
        if (named && numbers.Length > 0 && !Names(clause))
            return "of what? What stands before it is not understood";
        var earlier = items.Where(i => i.Number is not null).Select(i => i.Number!.What);
        return numbers.Concat(earlier).Distinct().Count() < numbers.Length + earlier.Count()
            ? "two numbers for one thing; which one counts?"
            : null;
    }

    private static bool Names(IReadOnlyList<Token> clause) => clause.OfType<WordToken>().Any(w => w.Is(MeaningKind.Label));

    // A comma between places of one list, "caps 1, 2 and 3", parts nothing.
    private static IEnumerable<IReadOnlyList<Token>> Clauses(List<Token> tokens)
    {
        var clause = new List<Token>();
        for (var i = 0; i < tokens.Count; i++)
        {
            if (tokens[i] is not BreakToken)
            {
                clause.Add(tokens[i]);
                continue;
            }

            if (i + 1 < tokens.Count && clause.Count > 1 && clause[^1] is NumberToken { IsPlace: true }
                && tokens[i + 1] is NumberToken { IsPlace: true } && Listed(clause) && Ends(tokens, i + 2))
            {
                clause.Add(new WordToken(tokens[i].Start, tokens[i].Length, [new Meaning(MeaningKind.And)]));
                continue;
            }

            if (clause.Count > 0)
                yield return clause;
            clause = [];
        }

        if (clause.Count > 0)
            yield return clause;
    }

    private static bool Listed(List<Token> clause)
    {
        var at = clause.Count - 1;
        while (at >= 0 && (clause[at] is NumberToken { IsPlace: true } || (clause[at] is WordToken and && and.Is(MeaningKind.And))))
            at--;
        return at >= 0 && clause[at] is WordToken word
            && (word.Is(MeaningKind.Subject) || word.Is(MeaningKind.Answer) || word.Is(MeaningKind.Cylinder) || word.Is(MeaningKind.Side));
    }

    private static bool Ends(List<Token> tokens, int at) => at >= tokens.Count || tokens[at] is BreakToken or WordToken;
}
