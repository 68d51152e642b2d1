using MildHunch.Core.Diagnosis;
using MildHunch.Core.Faults;
using MildHunch.Core.Hydraulics;
using MildHunch.Core.Quantities;
using MildHunch.Web.Expectation;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Diagnosis;

/// <summary>Ranked suspects for a pump and its evidence, without a stored case.</summary>
public static class DiagnosisEndpoint
{
    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapPost("/api/diagnosis", (DiagnosisRequest request, Diagnoser diagnoser, Catalogue catalogue) => Compute(request, diagnoser, catalogue))
            .WithTags("Computation").WithSummary("Suspects with evidence for and against, the water ledger and the next check.");

    public static DiagnosisResponse Compute(DiagnosisRequest request, Diagnoser diagnoser, Catalogue catalogue) =>
        ToDto(diagnoser.Diagnose(request.Pump.ToCore(), request.Setup.ToCore(), Mapping.ToEvidence(request.Readings, request.Cues, request.Context)), request, catalogue);

    private static DiagnosisResponse ToDto(Verdict v, DiagnosisRequest request, Catalogue catalogue)
    {
        var sources = new SourceNames(request);
        return new(
            [.. v.Actions.Select(a => new ActionDto(a.Action, a.Name, Round(a.Probability), a.MendMinutes))],
            [.. v.Suspects.Select(s => ToDto(s, catalogue, sources))],
            ToDto(v.Ledger, request.Pump!.Cylinders!.Value),
            [.. v.Contradictions.Select(c => new ContradictionDto(sources.Of(c.Source), c.Text, Math.Round(c.Sigmas, 1)))],
            [.. v.NextChecks.Select(c => ToDto(c, catalogue))],
            [.. v.Comparisons.Select(c => ToDto(c, request))],
            ExpectationEndpoint.Figures(v.Expectation),
            v.Considered,
            [.. v.Pairs.Select(p => new PairDto([ToDto(p.First), ToDto(p.Second)], Round(p.Probability)))]);
    }

    private static SuspectDto ToDto(Suspect s, Catalogue catalogue, SourceNames sources) => new(
        s.Fault.Id, s.Fault.Name, s.Fault.Part, s.Fault.Side, Round(s.Probability), Round(s.Prior), s.Hunch,
        new SeverityDto(Math.Round(s.Severity.Middle, 2), Math.Round(s.Severity.Low, 2), Math.Round(s.Severity.High, 2), s.Severity.Zero, s.Severity.One),
        [.. s.Locations.Select(l => new LocationDto(l.Cylinder, l.Side?.Kebab(), Round(l.Probability), s.Fault.Location == FaultLocation.End ? EndName(l.Cylinder) : null))],
        [.. s.Evidence.Select(e => new EvidenceDto(sources.Of(e.Source), Math.Round(e.Decibans, 1), e.Text))],
        Math.Round(s.TogetherDecibans, 1),
        s.Fault.How, s.Fault.Causes, s.Fault.ActionOn(s.Locations.FirstOrDefault()?.Side), s.Fault.ActionName, s.Fault.MendMinutes, Hazards(s.Fault.Hazards, catalogue));

    private static PairPartDto ToDto(Hypothesis h) => h.Fault.Location == FaultLocation.End
        ? new(h.Fault.Id, h.Fault.Name, h.Cylinder, null, EndName(h.Cylinder))
        : new(h.Fault.Id, h.Fault.Name, h.Cylinder, h.Side?.Kebab(), null);

    private static string EndName(int? cylinder) => cylinder == 1 ? "left" : "right";

    private static NextCheckDto ToDto(NextCheck c, Catalogue catalogue) => new(
        c.Check.Id, c.Check.Name, c.Question, c.Check.How, c.Check.Opens, c.Check.Minutes, c.Check.PutBackMinutes, Math.Round(c.Bits, 4), Math.Round(c.BitsPerMinute, 4),
        c.Check.Cue, c.Check.Reading, Hazards(c.Check.Hazards, catalogue),
        [.. c.Answers.Select(a => new CheckAnswerDto(a.Answer, a.Text, a.Cylinder, a.Side?.Kebab(), Round(a.Probability), a.Then))]);

    // Comes back in the unit it was read in.
    private static ComparisonDto ToDto(Comparison c, DiagnosisRequest request)
    {
        var written = request.Readings?.LastOrDefault(r => r.Quantity == c.What.Id)?.Value?.Unit;
        var unit = written is null ? Units.Preferred(c.What.Kind) : Quantity.UnitNamed(c.What.Kind, written, "unit");
        QuantityDto Show(double si) => new Amount(c.What.Kind, si).ToDto(unit);
        return new ComparisonDto(c.What.Id, c.What.Name, c.What.Place, Show(c.Read), Show(c.Expected), Show(c.Low), Show(c.High), Math.Round(c.Sigmas, 1));
    }

    private static LedgerDto ToDto(WaterLedger l, int cylinders) => new(
        Term(l.Displaced), Term(l.Nozzle), Term(l.Bypass), Term(l.Outside), Term(l.Missing),
        l.MissingShares is { } s ? Math.Round(s, 3) : null, Math.Round(l.MissingSharesSigma, 3), l.MissingMayBeInBypass, Text(l),
        [.. LedgerFigures.Of(l, cylinders).Select(f => ExpectationEndpoint.ToDto(f))]);

    private static LedgerTermDto Term(LedgerTerm term) => new(
        term.Flow is { } f ? new Amount(QuantityKind.VolumeFlow, f).ToDto() : null,
        term.Flow is null ? null : new Amount(QuantityKind.VolumeFlow, term.Sigma).ToDto(),
        term.Source.Kebab());

    private static string Text(WaterLedger l)
    {
        if (l.MissingShares is not { } shares)
            return "Not measured at the nozzle, so nobody knows what is missing.";
        var where = l.MissingMayBeInBypass ? "missing or in the bypass" : "missing";
        var amount = string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{Math.Max(0, shares):0.00} ± {l.MissingSharesSigma:0.00} of one cylinder");
        return shares < 2 * l.MissingSharesSigma ? $"Nothing to speak of is {where} ({amount})." : $"{amount} is {where}.";
    }

    private static IReadOnlyList<HazardDto> Hazards(IReadOnlyList<string> ids, Catalogue catalogue) =>
        [.. ids.Select(id => catalogue.Hazard(id)!).Select(h => new HazardDto(h.Id, h.Text))];

    private static double Round(double probability) => Math.Round(probability, 4);
}
