using System.Globalization;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Evidence.Jot;

/// <content>What an answer is said of: its question, its places, and why it is refused.</content>
internal sealed partial class ClauseWalk
{
    private Meaning? Match(WordToken word)
    {
        var answers = word.Of(MeaningKind.Answer).Where(Fits).ToArray();
        var subjects = Waiting(MeaningKind.Subject).Select(m => m.Id).ToHashSet();
        return answers.FirstOrDefault(a => subjects.Contains(a.Id) && Prefers(a))
            ?? answers.FirstOrDefault(a => subjects.Contains(a.Id))
            ?? answers.FirstOrDefault(a => a.Alone)
            ?? Waiting(MeaningKind.Answer).FirstOrDefault(a => word.Of(MeaningKind.Subject).Any(s => s.Id == a.Id));
    }

    private bool Fits(Meaning meaning) =>
        jot.Catalogue.Cue(meaning.Id)!.Answer(meaning.Answer) is { } answer && Catalogue.Fits(answer, jot.Pump, JotContext.Anything);

    // Where a number stands by, an answer that takes a place is meant: "cap 2 hot" is a cap, "bypass hot" is not.
    private bool Prefers(Meaning answer) =>
        waiting.OfType<NumberToken>().Any() == (jot.Catalogue.Cue(answer.Id)!.Answer(answer.Answer)!.At != AnswerPlace.None);

    private void Answer(Meaning meaning, Token last)
    {
        var cue = jot.Catalogue.Cue(meaning.Id)!;
        var answer = cue.Answer(meaning.Answer)!;
        var start = waiting.Count > 0 ? Math.Min(waiting[0].Start, last.Start) : last.Start;
        if (rate is { } early)
            start = Math.Min(start, early.Token.Start);
        var places = waiting.OfType<NumberToken>().Select(n => (int)n.Value).ToList();
        Side? side = null;
        Places(meaning, answer, places, ref side);
        Refuse(meaning, cue, answer, places);
        waiting.Clear();
        foreach (var place in places.Count > 0 ? places.Select(p => (int?)p) : [null])
        {
            var fact = new CueFact(
                meaning.Id, meaning.Answer, place,
                answer.At == AnswerPlace.Cavity && jot.Pump.TellsSides() ? side : null);
            if (meaning.Id == "leak-at" && !answer.Healthy)
                fact = Drips(fact);
            if (negated)
                fact = Turned(fact);
            var end = clause[at - 1].End;
            items.Add(new JotItem(start, end - start, null, null, fact, Sentences.Say(jot.Catalogue, fact)) { IsDenial = negated });
        }

        negated = false;
    }

    // Places may stand before the answer and behind it: "cap 2 discharge hisses", "weep 1 and 3".
    private void Places(Meaning meaning, CueAnswer answer, List<int> places, ref Side? side)
    {
        var ends = Waiting(MeaningKind.End).Select(m => int.Parse(m.Id, CultureInfo.InvariantCulture)).Distinct().ToArray();
        side = Waiting(MeaningKind.Side).Select(m => (Side?)Enum.Parse<Side>(m.Id, true)).FirstOrDefault();
        if (answer.At == AnswerPlace.End)
            places.AddRange(ends);
        if (answer.At == AnswerPlace.None)
            return;
        while (at < clause.Count)
        {
            if (clause[at] is NumberToken { IsPlace: true } k
                && (places.Count == 0 || clause[at - 1] is WordToken and && and.Is(MeaningKind.And)))
                places.Add((int)k.Value);
            else if (clause[at] is WordToken place && NamesPlace(place, meaning, answer))
                Take(place, answer, places, ref side);
            else
                return;
            at++;
        }
    }

    private bool NamesPlace(WordToken place, Meaning meaning, CueAnswer answer) =>
        place.Is(MeaningKind.Cylinder) || place.Is(MeaningKind.Side)
            || place.Of(MeaningKind.Subject).Any(s => s.Id == meaning.Id && Ahead() is NumberToken { IsPlace: true })
        || (place.Is(MeaningKind.End) && answer.At == AnswerPlace.End) || (Joins(place) && PlaceFollows(meaning))
            || (place.Is(MeaningKind.Negation) && place.Length == 2 && Ahead() is NumberToken { IsPlace: true });

    private bool PlaceFollows(Meaning meaning) =>
        Content(at) is NumberToken { IsPlace: true }
            || (Content(at) is WordToken word
                && (word.Is(MeaningKind.Cylinder) || word.Is(MeaningKind.End) || word.Only(MeaningKind.Side)
                    || word.Of(MeaningKind.Subject).Any(s => s.Id == meaning.Id)));

    private static void Take(WordToken place, CueAnswer answer, List<int> places, ref Side? side)
    {
        side ??= place.Of(MeaningKind.Side).Select(m => (Side?)Enum.Parse<Side>(m.Id, true)).FirstOrDefault();
        if (answer.At == AnswerPlace.End && place.Of(MeaningKind.End).FirstOrDefault() is { } end)
            places.Add(int.Parse(end.Id, CultureInfo.InvariantCulture));
    }

    // Every word that waited must belong to this answer, and the answer to this pump.
    private void Refuse(Meaning meaning, Cue cue, CueAnswer answer, List<int> places)
    {
        var takesPlace = answer.At != AnswerPlace.None;
        foreach (var word in waiting.OfType<WordToken>().Where(w => !Idle(w)))
        {
            var belongs = word.Of(MeaningKind.Subject).Any(m => m.Id == meaning.Id)
                || word.Of(MeaningKind.Answer).Any(m => m.Id == meaning.Id && m.Answer == meaning.Answer)
                || (takesPlace
                    && (word.Is(MeaningKind.Side) || word.Is(MeaningKind.Cylinder)
                        || (word.Is(MeaningKind.End) && answer.At == AnswerPlace.End)));
            if (!belongs)
                throw new AskBackException($"“{jot.TextOf(word)}” does not go with “{answer.Text}”");
        }

        if (!Catalogue.Fits(cue, jot.Pump, JotContext.Anything) || !Catalogue.Fits(answer, jot.Pump, JotContext.Anything))
            throw new AskBackException($"this pump has nothing of which “{answer.Text}” could be said");
        if (!takesPlace && places.Count > 0)
            throw new AskBackException($"“{answer.Text}” is said of the whole pump, not of one place");
        if (places.Count > 1 && !cue.ByPlace)
            throw new AskBackException($"one place only can be noted for “{cue.Name.ToLowerInvariant()}”");
        var most = answer.At == AnswerPlace.End ? 2 : jot.Pump.Cylinders;
        if (places.Any(p => p > most))
            throw new AskBackException($"this pump has cylinders 1 to {most}");
        if (rate is not null && meaning.Id != "leak-at")
            throw new AskBackException("where does it drip?");
    }
}
