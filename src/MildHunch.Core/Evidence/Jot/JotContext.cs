using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Evidence.Jot;

/// <summary>Why a clause is asked back.</summary>
internal sealed class AskBackException(string why) : Exception(why);

/// <summary>What a clause is read against: the catalogue, the pump, the text, and the units written so far.</summary>
internal sealed record JotContext(Catalogue Catalogue, ReciprocatingPump Pump, ReadingRules Rules, string Text)
{
    /// <summary>Everything that may be fitted: the line is read before anybody knows the set-up.</summary>
    public const Fitting Anything = (Fitting)~0;

    public Dictionary<QuantityKind, Unit> LastUnit { get; } = [];

    public string TextOf(Token token) => Text.Substring(token.Start, token.Length);
}
