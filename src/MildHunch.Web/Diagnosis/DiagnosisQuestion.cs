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
        var evidence = EvidenceMapping.ToEvidence(pump, setup, request.Readings, request.Cues, request.Context);
        return new DiagnosisQuestion(
            pump, setup,
            evidence with
            {
                Hours = [.. (request.Hours ?? []).Select((h, i) => h.ToCore($"hours[{i}]"))],
                Lives = (request.Lives ?? []).Select((l, i) => (Life: l, At: $"lives[{i}]")).ToDictionary(
                    l => l.Life.Part ?? throw Mapping.Missing($"{l.At}.part", "a part that wears, such as hp-seal"),
                    l => new Wear(
                        l.Life.Shape ?? throw Mapping.Missing($"{l.At}.shape", "0.1 to 50"),
                        l.Life.B10Hours ?? throw Mapping.Missing($"{l.At}.b10Hours", "hours above 0"))),
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
