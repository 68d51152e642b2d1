using MildHunch.Core;
using MildHunch.Core.Checks;
using MildHunch.Core.Evidence;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Web.Evidence;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Diagnosis;

/// <summary>What a diagnosis is asked, as Core knows it.</summary>
public sealed record DiagnosisQuestion(ReciprocatingPump Pump, Setup Setup, CaseEvidence Evidence, Limits Limits)
{
    /// <summary>From what was sent; a refusal names the field as it was written.</summary>
    public static DiagnosisQuestion Of(DiagnosisRequest request)
    {
        var (pump, setup) = (request.Pump.ToCore(), request.Setup.ToCore());
        var evidence = EvidenceMapping.ToEvidence(pump, setup, request.Readings, request.Cues, request.Context, request.Mended);
        return new DiagnosisQuestion(
            pump, setup,
            evidence with
            {
                Hours = [.. (request.Hours ?? []).Select((h, i) => h.ToCore($"hours[{i}]"))],
                Opened = request.Opened ?? false,
                Lives = Lives(request.Lives ?? []),
                Found = request.Found ?? new Dictionary<string, int>(),
                CouldNot = [.. evidence.CouldNot, .. request.CouldNot ?? []],
            },
            request.Limits.ToCore());
    }

    private static Dictionary<string, Wear> Lives(IReadOnlyList<PartLifeOnRecordDto> told)
    {
        var lives = new Dictionary<string, Wear>();
        foreach (var (i, life) in told.Index())
        {
            var part = life.Part ?? throw Mapping.Missing($"lives[{i}].part", "a part that wears, such as hp-seal");
            var wear = new Wear(
                life.Shape ?? throw Mapping.Missing($"lives[{i}].shape", "0.1 to 50"),
                life.B10Hours ?? throw Mapping.Missing($"lives[{i}].b10Hours", "hours above 0"));
            if (!lives.TryAdd(part, wear))
                throw new ImpossibleInputException($"lives[{i}].part", $"“{part}” twice", "each part once");
        }

        return lives;
    }

    /// <summary>The answer, in the units in which the question was asked.</summary>
    public static DiagnosisResponse Answer(DiagnosisRequest request, Diagnoser diagnoser, Catalogue catalogue)
    {
        var asked = Of(request);
        return diagnoser.Diagnose(asked.Pump, asked.Setup, asked.Evidence, asked.Limits).ToDto(request, catalogue);
    }
}
