using MildHunch.Core.Checks;
using MildHunch.Core.Faults;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Diagnosis;

/// <summary>Ranked suspects for a pump and its evidence, without a stored case.</summary>
public static class DiagnosisEndpoint
{
    public static void Map(IEndpointRouteBuilder routes)
    {
        routes.MapPost(
            "/api/diagnosis",
            (DiagnosisRequest request, Diagnoser diagnoser, Catalogue catalogue) =>
                DiagnosisQuestion.Answer(request, diagnoser, catalogue))
            .WithTags("Computation")
            .WithSummary("Suspects with evidence for and against, pairs, the water ledger, the next check, and whether to open now.");
        routes.MapPost("/api/plan", (DiagnosisRequest request, Diagnoser diagnoser) => Plan(request, diagnoser))
            .Costly("plan").WithTags("Computation").WithSummary("The next three checks as a small decision tree.");
    }

    private static PlanResponse Plan(DiagnosisRequest request, Diagnoser diagnoser)
    {
        var asked = DiagnosisQuestion.Of(request);
        return new PlanResponse(diagnoser.Plan(asked.Pump, asked.Setup, asked.Evidence, asked.Limits)?.ToDto());
    }
}
