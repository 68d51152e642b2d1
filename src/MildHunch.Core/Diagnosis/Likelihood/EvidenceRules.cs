using System.Globalization;
using MildHunch.Core.Evidence;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Diagnosis.Likelihood;

/// <summary>Refuses evidence that cannot be: impossible numbers, unknown names, two answers to one question.</summary>
public static class EvidenceRules
{
    private const int MostItems = 1000;

    /// <summary>Checks that what was mended is something of the catalogue, at a place of this pump.</summary>
    /// <exception cref="ImpossibleInputException">It names the first that is not, counted over all mends.</exception>
    public static void CheckMended(Catalogue catalogue, ReciprocatingPump pump, IReadOnlyList<BeforeMend> before)
    {
        foreach (var (i, mended) in before.SelectMany(b => b.Mended).Index())
        {
            var faults = catalogue.Faults.Where(f => f.Id != Catalogue.NoFault);
            string[] Known(Func<Fault, IEnumerable<string>> of) => [.. faults.SelectMany(of).Distinct().Order(StringComparer.Ordinal)];
            void Refuse(string field, string? told, Func<Fault, IEnumerable<string>> of)
            {
                if (told is not null && !faults.Any(f => of(f).Contains(told)))
                    throw new ImpossibleInputException($"mended[{i}].{field}", $"“{told}”", string.Join(", ", Known(of)));
            }

            if (mended is { Action: null, Fault: null, Part: null })
                throw new ImpossibleInputException($"mended[{i}]", ImpossibleInputException.Nothing, "an action, a fault or a part");
            Refuse("action", mended.Action, f => f.DischargeAction is { } other ? [f.Action, other] : [f.Action]);
            Refuse("fault", mended.Fault, f => [f.Id]);
            Refuse("part", mended.Part, f => [f.Part, f.Action.TrimEnd('s'), .. f.Wearing is { } wearing ? new[] { wearing } : []]);
            if (mended.Cylinder is { } k)
                Guard.Within(
                    $"mended[{i}].cylinder", k, 1, pump.Cylinders, k.ToString(CultureInfo.InvariantCulture),
                    $"a cylinder of this pump, 1 to {pump.Cylinders}");
        }
    }

    /// <summary>Checks that all of it can be, of this pump.</summary>
    /// <exception cref="ImpossibleInputException">It names the first thing that cannot be.</exception>
    public static void Check(Catalogue catalogue, ReciprocatingPump pump, Setup setup, CaseEvidence evidence)
    {
        Guard.Within(
            "readings", evidence.Readings.Count, 0, MostItems, evidence.Readings.Count.ToString(CultureInfo.InvariantCulture),
            $"at most {MostItems} readings");
        Guard.Within(
            "cues", evidence.Cues.Count, 0, MostItems, evidence.Cues.Count.ToString(CultureInfo.InvariantCulture),
            $"at most {MostItems} cues");
        for (var i = 0; i < evidence.Readings.Count; i++)
        {
            AcceptedReadings.CheckThere(evidence.Readings[i].What.Id, pump, setup, $"readings[{i}].quantity");
            AcceptedReadings.Check(evidence.Readings[i], $"readings[{i}].value");
        }

        foreach (var id in evidence.Contexts)
        {
            var context = catalogue.Context(id)
                ?? throw new ImpossibleInputException("context", $"“{id}”", string.Join(", ", catalogue.Contexts.Select(c => c.Id)));
            if (context.Excludes.FirstOrDefault(evidence.Contexts.Contains) is { } other)
                throw new ImpossibleInputException("context", $"“{id}” together with “{other}”", "one of the two");
        }

        for (var i = 0; i < evidence.Hours.Count; i++)
        {
            var (part, hours, cylinder) = evidence.Hours[i];
            var parts = catalogue.Faults.Where(f => f.Wear is not null).SelectMany(f => new[] { f.Part, f.Wearing! }).Distinct();
            if (!parts.Contains(part))
                throw new ImpossibleInputException($"hours[{i}].part", $"“{part}”", string.Join(", ", parts));
            Guard.Within($"hours[{i}].hours", hours, 0, 1e6, hours.ToString(CultureInfo.InvariantCulture), "0 to 1 000 000 h");
            if (cylinder is { } k)
                Guard.Within(
                    $"hours[{i}].cylinder", k, 1, pump.Cylinders, k.ToString(CultureInfo.InvariantCulture),
                    $"a cylinder of this pump, 1 to {pump.Cylinders}");
        }

        foreach (var (kind, life) in evidence.Lives)
        {
            var kinds = catalogue.Faults.Select(f => f.Wearing).OfType<string>().Distinct();
            if (!kinds.Contains(kind))
                throw new ImpossibleInputException("lives.part", $"“{kind}”", string.Join(", ", kinds));
            Guard.Within($"lives.{kind}.shape", life.Shape, 0.1, 50, life.Shape.ToString(CultureInfo.InvariantCulture), "0.1 to 50");
            Guard.Within(
                $"lives.{kind}.b10Hours", life.B10Hours, 0.1, 1e6, life.B10Hours.ToString(CultureInfo.InvariantCulture),
                "0.1 to 1000000 h");
        }

        foreach (var (fault, times) in evidence.Found)
        {
            if (catalogue.Fault(fault) is null)
                throw new ImpossibleInputException("found", $"“{fault}”", "ids of faults of the catalogue");
            Guard.Within($"found.{fault}", times, 0, 1e5, times.ToString(CultureInfo.InvariantCulture), "0 to 100 000 cases");
        }

        foreach (var id in evidence.CouldNot)
            if (id is null || !catalogue.Answerable(id))
                throw new ImpossibleInputException("couldNot", $"“{id}”", "a cue or a quantity");

        for (var i = 0; i < evidence.Cues.Count; i++)
        {
            var fact = evidence.Cues[i];
            var cue = catalogue.Cue(fact.Cue)
                ?? throw new ImpossibleInputException(
                    $"cues[{i}].cue", $"“{fact.Cue}”", string.Join(", ", catalogue.Cues.Select(c => c.Id)));
            _ = new CueModel(catalogue, pump, setup, []).Atoms(fact);
            if (evidence.Cues.Take(i).Any(c => c.Cue == fact.Cue && Exclude(cue, catalogue.Current(c), catalogue.Current(fact))))
                throw new ImpossibleInputException(
                    $"cues[{i}]", $"a second answer to “{cue.Name}”",
                    cue.ByPlace ? "one answer a place; take the other back first" : "one answer; take the other back first");
        }
    }

    /// <summary>
    /// True where two answers to one question cannot both stand: any two where it has one answer; what speaks of the same place,
    /// or of all places, where each has its own.
    /// </summary>
    public static bool Exclude(Cue cue, CueFact one, CueFact other)
    {
        if (!cue.ByPlace || Everywhere(cue, one) || Everywhere(cue, other))
            return true;
        var samePlace = one.Cylinder == other.Cylinder && one.Side == other.Side;
        return samePlace && (one.Answer == other.Answer || (cue.Reveals && one.Cylinder is not null));
    }

    // "Dry everywhere", "all tight": said of every place at once, unless the answer is given place by place.
    private static bool Everywhere(Cue cue, CueFact fact) =>
        cue.Answer(fact.Answer) is { } answer && answer.At == AnswerPlace.None && (answer.Healthy || answer.Aside is not null);
}
