using MildHunch.Core.Faults;

namespace MildHunch.Core.Evidence;

/// <summary>Answers that were given under an older catalogue.</summary>
internal static class AnswersAsNamed
{
    /// <summary>An answer under the name it has now; as it is where nobody knows it.</summary>
    public static CueFact Current(this Catalogue catalogue, CueFact fact) =>
        catalogue.Cue(fact.Cue)?.Answer(fact.Answer) is { } answer && answer.Id != fact.Answer ? fact with { Answer = answer.Id } : fact;

    /// <summary>False for an answer that counts as nothing any more.</summary>
    public static bool Counts(this Catalogue catalogue, CueFact fact) =>
        catalogue.Cue(fact.Cue)?.Answer(fact.Answer) is not { Retired: true };
}
