using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Evidence.Jot;

/// <summary>What a clause says, or why it is asked back.</summary>
internal sealed record ClauseRead(IReadOnlyList<JotItem> Items, string? Problem);

/// <summary>Reads the clauses of one line: each is understood whole, or asked back whole.</summary>
internal sealed class ClauseReader(Catalogue catalogue, ReciprocatingPump pump, JotUnits units, string text)
{
    private readonly JotContext jot = new(catalogue, pump, new ReadingRules(pump, units), text);

    public ClauseRead Read(IReadOnlyList<Token> clause)
    {
        if (clause.OfType<StrangeToken>().FirstOrDefault() is { } strange)
            return new ClauseRead(
                [], strange.Problem == "not understood" ? $"“{jot.TextOf(strange)}” is not understood" : strange.Problem);
        try
        {
            return new ClauseRead(new ClauseWalk(jot, clause).Go(), null);
        }
        catch (AskBackException asked)
        {
            return new ClauseRead([], asked.Message);
        }
    }

    /// <summary>True where the clause only says in which state the pump was: outlet shut, vented, stopped.</summary>
    public bool IsCondition(IReadOnlyList<Token> clause) => clause.All(t => t is WordToken) && clause.OfType<WordToken>().Any(w =>
        w.Of(MeaningKind.Subject).Any(m => m.Id is "closed-outlet" or "gauge-after-venting" or "shut-at-pump")
            || w.Of(MeaningKind.Label).Any(m => m.Id == TakenQuantities.AtRest) || w.Is(MeaningKind.Gone) || w.Is(MeaningKind.Standing));

    /// <summary>
    /// The drip before with what this clause says of it; null where the clause says anything else, or there is no such drip.
    /// </summary>
    public JotItem? GoesOn(JotItem last, IReadOnlyList<Token> clause)
    {
        if (last.Cue is not { Cue: "leak-at", Answer: not "none", DropsPerMinute: not 0 } drip || clause.OfType<StrangeToken>().Any())
            return null;
        try
        {
            var walk = new ClauseWalk(jot, clause);
            var fact = walk.Drips(drip);
            return walk.Done && fact != drip
                ? last with { Length = clause[^1].End - last.Start, Cue = fact, Says = Sentences.Say(jot.Catalogue, fact) }
                : null;
        }
        catch (AskBackException)
        {
            return null;
        }
    }
}
