using MildHunch.Core.Checks;
using MildHunch.Core.Evidence;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Web.Evidence;
using MildHunch.Web.Pumps;

namespace MildHunch.Web.Diagnosis;

/// <summary>What a diagnosis is asked, as Core knows it.</summary>
public sealed record DiagnosisQuestion(ReciprocatingPump Pump, Setup Setup, CaseEvidence Evidence, Limits Limits)
{
    /// <summary>From what was sent; a refusal names the field as it was written.</summary>
    public static DiagnosisQuestion Of(DiagnosisRequest request)
    {
        var (pump, setup) = (request.Pump.ToCore(), request.Setup.ToCore());
        var evidence = EvidenceMapping.ToEvidence(pump, setup, request.Readings, request.Cues, request.Context);
        return new DiagnosisQuestion(
            pump, setup,
            evidence with
            {
                Hours = [.. (request.Hours ?? []).Select((h, i) => h.ToCore($"hours[{i}]"))],
                Found = request.Found ?? new Dictionary<string, int>(),
                CouldNot = [.. evidence.CouldNot, .. request.CouldNot ?? []],
            },
            request.Limits.ToCore());
    }

    /// <summary>The answer, in the units in which the question was asked.</summary>
    public static DiagnosisResponse Answer(DiagnosisRequest request, Diagnoser diagnoser, Catalogue catalogue)
    {
        var asked = Of(request);
        return diagnoser.Diagnose(asked.Pump, asked.Setup, asked.Evidence, asked.Limits).ToDto(request, catalogue);
    }
}
