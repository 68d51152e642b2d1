using MildHunch.Core.Pumps;
using MildHunch.Core.Service.Proving;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases.Prove;

/// <summary>What must hold before anything of a stage is done.</summary>
/// <param name="Pump">The pump.</param>
/// <param name="Setup">Its set-up.</param>
/// <param name="Read">Stages whose hazards somebody answers for.</param>
/// <param name="Unclosed">What was touched and is not closed; looked up once, where it matters.</param>
internal sealed record StageGate(ReciprocatingPump Pump, Setup Setup, IReadOnlySet<string> Read, Lazy<IReadOnlyList<string>> Unclosed)
{
    // What is looked at while it stands may be looked at while it is being closed.
    private const string Standing = "stand";
    private const int MostNamed = 4;

    /// <summary>Refuses where it does not hold.</summary>
    public void Pass(ProofStage stage, string field)
    {
        if (ProofStages.Forbidden(stage, Pump, Setup) is { } why)
            throw Refused("Not on this pump", field, why);
        if (!Read.Contains(stage.Id))
            throw Refused("Hazards first", field, "Read the hazards of this stage and put your name to them.");
        if (stage.Id != Standing && Unclosed.Value is { Count: > 0 } missing)
            throw Refused(
                "Not closed yet", field,
                $"Nothing is run before what was touched is closed and counted: {string.Join(", ", missing.Take(MostNamed))}"
                    + $"{(missing.Count > MostNamed ? " …" : "")}.");
    }

    private static RefusalException Refused(string title, string field, string why) =>
        new(StatusCodes.Status409Conflict, title, field, why);
}
