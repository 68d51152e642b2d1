using MildHunch.Core;
using MildHunch.Core.Checks;
using MildHunch.Core.Faults;
using MildHunch.Web.Diagnosis;

namespace MildHunch.Web.Cases;

/// <summary>A verdict, or what stands in its way.</summary>
public sealed record JudgedCase(DiagnosisResponse? Diagnosis, VerdictTroubleDto? Trouble);

/// <summary>Judges a case. A verdict that cannot be computed must not lock anybody out of it.</summary>
public sealed class CaseVerdict(Diagnoser diagnoser, Catalogue catalogue, ILogger<CaseVerdict> log)
{
    public JudgedCase Judge(DiagnosisRequest request, string id)
    {
        try
        {
            return new JudgedCase(DiagnosisQuestion.Answer(request, diagnoser, catalogue), null);
        }
        catch (ImpossibleInputException e)
        {
            var entry = request.Readings!.Where((_, i) => e.Field.StartsWith($"readings[{i}]", StringComparison.Ordinal)).Select(r => r.Id)
                .Concat(request.Cues!.Where((_, i) => e.Field.StartsWith($"cues[{i}]", StringComparison.Ordinal)).Select(c => c.Id))
                .FirstOrDefault();
            return new JudgedCase(null, new VerdictTroubleDto(e.Field, e.Message, entry));
        }
        catch (Exception e) when (e is not OutOfMemoryException)
        {
            log.LogError(e, "No verdict on case {Case}", id);
            return new JudgedCase(
                null,
                new VerdictTroubleDto(
                    "", "No verdict could be computed from what stands here; it has been logged. Take out what was noted last.", null));
        }
    }
}
