using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Evidence.Jot;

/// <content>How fast something drips, when, and that it does not.</content>
internal sealed partial class ClauseWalk
{
    // "No knock", "oil not milky": said by whoever looked for trouble there and found none.
    private static readonly string[] Felt = ["sound", "needle", "jet", "inlet-hose", "oil"];

    /// <summary>"30/min", "stream", "dry", "running only", "also standing": in any order, each once.</summary>
    public CueFact Drips(CueFact fact)
    {
        if (rate is { } early)
            fact = Rated(fact, early.Drops);
        rate = null;
        for (; at < clause.Count; at++)
        {
            if (JotValues.Every(clause, at) is { } every)
            {
                fact = Rated(fact, every.Drops);
                at += 2;
                continue;
            }

            switch (clause[at])
            {
                case WordToken dry when dry.Is(MeaningKind.Dry) && fact.DropsPerMinute is null && !fact.Stream:
                    fact = fact with { DropsPerMinute = 0 };
                    break;
                case WordToken drips when drips.Of(MeaningKind.Subject).Any(s => s.Id == "leak-at") && !drips.Is(MeaningKind.Answer):
                    break;
                case WordToken runs when runs.Is(MeaningKind.Stream) && fact.DropsPerMinute is null && !fact.Stream:
                    fact = fact with { Stream = true };
                    break;

                // On an intensifier "standing" alone asks a question of its own.
                case WordToken standing when standing.Is(MeaningKind.Standing)
                    && (!standing.Is(MeaningKind.Subject) || jot.Pump.Arrangement != Arrangement.Intensifier)
                    && fact.When == Dripping.Unsaid:
                    fact = fact with { When = Dripping.Standing };
                    break;
                case WordToken running when running.Is(MeaningKind.Running) && fact.When == Dripping.Unsaid:
                    fact = fact with { When = Dripping.Running };
                    break;
                case NumberToken { Unit.Kind: QuantityKind.VolumeFlow } number:
                    fact = Rated(fact, JotValues.Drops(number.Value, number.Unit));
                    break;
                case WordToken filler when Idle(filler) && at + 1 < clause.Count
                    && (JotValues.Every(clause, at + 1) is not null
                        || clause[at + 1] is NumberToken { Unit.Kind: QuantityKind.VolumeFlow }):
                    break;
                default:
                    return fact;
            }
        }

        return fact;
    }

    private static CueFact Rated(CueFact fact, double drops) =>
        fact.DropsPerMinute is null && !fact.Stream && drops is >= 0 and <= 1e5
            ? fact with { DropsPerMinute = Math.Round(drops, 3) }
            : throw new AskBackException("how fast does it drip?");

    // Of a question with two answers the other one; of a drip that it is dry there. Else nobody knows what it is instead.
    private CueFact Turned(CueFact fact)
    {
        var cue = jot.Catalogue.Cue(fact.Cue)!;
        if (fact.Cue == "leak-at" && fact.Answer != "none")
            return fact is { DropsPerMinute: null, Stream: false, When: Dripping.Unsaid }
                ? fact with { DropsPerMinute = 0 }
                : throw new AskBackException("does it drip there or not?");
        var offered = cue.Answers.Where(a => !a.Retired && Catalogue.Fits(a, jot.Pump, JotContext.Anything)).ToArray();
        if (Felt.Contains(fact.Cue) && offered.First(a => a.Healthy) is { } healthy && healthy.Id != fact.Answer)
            return new CueFact(fact.Cue, healthy.Id);
        var other = offered.FirstOrDefault(a => a.Id != fact.Answer);
        if (offered.Length != 2 || other is null || other.At != AnswerPlace.None || fact.Cylinder is not null)
            throw new AskBackException($"say what it is instead: {string.Join(", ", offered.Select(a => a.Text))}");
        return new CueFact(fact.Cue, other.Id);
    }
}
