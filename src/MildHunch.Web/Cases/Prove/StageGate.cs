using MildHunch.Core.Pumps;
using MildHunch.Core.Service.Proving;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases.Prove;

/// <summary>What must hold before anything of a stage is done.</summary>
/// <param name="Setup">The set-up of the pump.</param>
/// <param name="Read">Stages whose hazards somebody answers for.</param>
/// <param name="FacingsMissing">Parts that were touched and whose facing nobody ticked; looked up once, where it matters.</param>
internal sealed record StageGate(Setup Setup, IReadOnlySet<string> Read, Lazy<IReadOnlyList<string>> FacingsMissing)
{
    private const int MostNamed = 4;

    /// <summary>Refuses where it does not hold.</summary>
    public void Pass(ProofStage stage, string field)
    {
        if (ProofStages.Forbidden(stage, Setup) is { } why)
            throw Refused("Not on this pump", field, why);
        if (!Read.Contains(stage.Id))
            throw Refused("Hazards first", field, "Read the hazards of this stage and put your name to them.");
        if (FacingsMissing.Value is { Count: > 0 } missing)
            throw Refused(
                "Not closed yet", field,
                $"Nothing is proved before it is ticked which way every part looks: {string.Join(", ", missing.Take(MostNamed))}"
                    + $"{(missing.Count > MostNamed ? " …" : "")}.");
    }

    private static RefusalException Refused(string title, string field, string why) =>
        new(StatusCodes.Status409Conflict, title, field, why);
}
