using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Service.Proving;

/// <summary>The stages by which a mended pump is proved, loaded from data and validated once (docs/trade.md, Proving).</summary>
public sealed class ProofStages
{
    private const string File = "proof.json";

    private ProofStages(Entries entries, Catalogue catalogue)
    {
        All = entries.Stages;
        foreach (var stage in All)
        {
            void Require(bool holds, string problem)
            {
                if (!holds)
                    throw new CatalogueException(File, stage.Id, problem);
            }

            CatalogueValidation.CheckWhere(File, stage.Id, stage);
            foreach (var act in stage.Acts)
                CatalogueValidation.CheckWhere(File, $"{stage.Id}.{act.Id}", act);
            Require(stage.Hazards.Count > 0, "has no hazard");
            Require(
                stage.Hazards.Concat(stage.Acts.SelectMany(a => a.Hazards)).All(h => catalogue.Hazard(h) is not null), "an unknown hazard");
            Require(stage.Acts.Select(a => a.Id).Distinct().Count() == stage.Acts.Count, "an act twice");
            Require(stage.Kind != StageKind.Acts || stage.Acts.Count > 0, "nothing to do");
            Require((stage.Kind == StageKind.Steps) == stage.Shares.Count > 0, "steps without shares, or shares without steps");
            Require(
                (stage.Kind is StageKind.Steps or StageKind.Shut) == stage.Seconds > 0, "a time to hold that is missing, or for nothing");
            Require(stage.Shares.All(s => s is > 0 and <= 1), "a share that is not above 0 and up to 1");
        }
    }

    /// <summary>Every stage, in order.</summary>
    public IReadOnlyList<ProofStage> All { get; }

    /// <summary>What ships with the product.</summary>
    /// <exception cref="CatalogueException">The file cannot be used; it names the entry.</exception>
    public static ProofStages BuiltIn(Catalogue catalogue) =>
        new(KnowledgeFile.Read<Entries>(File, KnowledgeFile.Shipped($"proving/{File}")), catalogue);

    /// <summary>The stages of this pump, each with what is done on it.</summary>
    /// <param name="pump">The pump.</param>
    /// <param name="setup">How it is run.</param>
    /// <param name="choices">Versions chosen on the pump, as its sheet names them.</param>
    public IReadOnlyList<ProofStage> For(ReciprocatingPump pump, Setup setup, IReadOnlyCollection<string> choices)
    {
        var fittings = Fittings.Of(pump, setup);
        return
        [
            .. All.Where(s => Catalogue.Fits(s, pump, fittings)).Select(s => s with
            {
                Acts = [.. s.Acts.Where(a => Catalogue.Fits(a, pump, fittings))],
                MayDrip = s.RunIn is { } runIn ? MayDrip(runIn, pump, choices) : null,
            }),
        ];
    }

    /// <summary>Why a stage may not be done on this pump as it is on record; null where it may.</summary>
    public static string? Forbidden(ProofStage stage, ReciprocatingPump pump, Setup setup) => !stage.NeedsRelief ? null
        : pump.Arrangement == Arrangement.Intensifier
            ? setup.OilPressure is null
                ? "The limit of its drive is not on record: without it nothing is shut. Note the oil pressure at which it holds back."
                : null
            : setup.Relief is null
                ? "No relief valve is on record: without one the outlet is not shut. Note its setting, or leave this out and say why."
                : null;

    private static string? MayDrip(RunIn runIn, ReciprocatingPump pump, IReadOnlyCollection<string> choices)
    {
        var packed = pump.Arrangement == Arrangement.CrankPlunger && runIn.Heads.Contains(pump.HeadLayout.Named());
        if (!packed && !runIn.Choices.Any(choices.Contains))
            return null;
        return choices.Contains(runIn.Gland) ? $"{runIn.Says} {runIn.GlandSays}" : runIn.Says;
    }

    private sealed record Entries
    {
        public required IReadOnlyList<ProofStage> Stages { get; init; }
    }
}
