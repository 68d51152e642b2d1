using MildHunch.Core.Checks;
using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Diagnosis.Verdict;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Web.Evidence;
using MildHunch.Web.Expectation;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Diagnosis;

/// <summary>A verdict in the words and units in which it is sent.</summary>
public static class VerdictMapping
{
    // What it is called that nothing is wrong, once something was mended.
    private const string Mended = "Mended: nothing is left that acts";

    public static PlanStepDto ToDto(this PlanStep s) => new(
        s.Check.Id, s.Check.Name, s.Question, s.Minutes,
        [.. s.Branches.Select(b => new PlanBranchDto(
            b.Text, Round(b.Probability), b.Leader, Round(b.LeaderProbability), b.Next is { } next ? ToDto(next) : null, b.Ends))]);

    private static RivalDto ToDto(Rival r)
    {
        var text = r.Check is null
            ? $"{r.Fault.Name} would need something that no check left here would show."
            : $"{r.Fault.Name} leads if “{r.Check.Name.ToLowerInvariant()}” shows: {r.Answer} ({HunchWords.Percent(r.Probability)} "
                + "likely).";
        return new RivalDto(r.Fault.Id, r.Fault.Name, r.Check?.Id, r.Answer, Round(r.Probability), text);
    }

    private static OpenNowDto ToDto(OpenNow o)
    {
        var (tested, opened) = (Math.Round(o.MinutesIfTested), Math.Round(o.MinutesIfOpened));
        var text = tested == opened && o.BestCheck is not null
            ? $"Testing first (“{o.BestCheck.Name.ToLowerInvariant()}”) or opening now comes to the same: about {opened} min to "
                + "a proved pump."
            : o.Recommended
            ? $"Open and mend now: about {opened} min to a proved pump. "
                + (o.BestCheck is null
                    ? "No check left would shorten that."
                    : $"Testing first ({o.BestCheck.Name.ToLowerInvariant()}) would make it {tested}.")
            : $"Test first: about {tested} min to a proved pump with “{o.BestCheck!.Name.ToLowerInvariant()}”, {opened} if you "
                + "open now.";
        return new OpenNowDto(o.Recommended, Math.Round(o.MinutesIfTested, 1), Math.Round(o.MinutesIfOpened, 1), o.BestCheck?.Id, text);
    }

    public static DiagnosisResponse ToDto(this Verdict v, DiagnosisRequest request, Catalogue catalogue) =>
        new(
            [.. v.Actions.Select(a => new ActionDto(a.Action, a.Name, Round(a.Probability), a.MendMinutes))],
            [.. v.Suspects.Select(s => ToDto(s, catalogue, v.Mended is not null))],
            ToDto(v.Ledger, request.Pump!.Cylinders!.Value),
            [.. v.Contradictions.Select(c => new ContradictionDto(c.Source, c.Text, Math.Round(c.Sigmas, 1)))],
            [.. v.NextChecks.Select(c => ToDto(c, catalogue, request.Context ?? []))],
            [.. v.Comparisons.Select(c => ToDto(c, request.Readings ?? [], ArrangementOf(request)))],
            v.Expectation.ToDtos(),
            v.Considered,
            [.. v.Pairs.Select(p => new PairDto([ToDto(p.First), ToDto(p.Second)], Round(p.Probability)))],
            Round(v.TwoAtOnce),
            ToDto(v.OpenNow),
            v.Rival is { } rival ? ToDto(rival) : null,
            [.. v.StopNow.Select(s => new StopNowDto(s.Sign.Id, s.Sign.Text, s.Sign.Why, s.Sources))],
            v.Mended is { } mended
                ? new MendedShareDto(Round(mended.Probability), mended.Sentence, mended.Was is { } was ? ToDto(was) : null)
                : null);

    private static Arrangement ArrangementOf(DiagnosisRequest request) =>
        Mapping.Choice(request.Pump!.Arrangement, "pump.arrangement", Arrangement.CrankPlunger);

    private static SuspectDto ToDto(Suspect s, Catalogue catalogue, bool mended) => new(
        s.Fault.Id, mended && s.Fault.Id == Catalogue.NoFault ? Mended : s.Fault.Name, s.Fault.Part, s.Fault.Side,
        Round(s.Probability), Round(s.Prior), s.Hunch,
        new SeverityDto(
            Math.Round(s.Severity.Middle, 2), Math.Round(s.Severity.Low, 2), Math.Round(s.Severity.High, 2), s.Severity.Zero,
            s.Severity.One),
        [.. s.Locations.Select(l => new LocationDto(
            l.Cylinder, l.Side?.Named(), Round(l.Probability), s.Fault.Location == FaultLocation.End ? EndName(l.Cylinder) : null))],
        [.. s.Evidence.Select(e => new EvidenceDto(e.Source, Math.Round(e.Decibans, 1), e.Text, e.Brief))],
        Math.Round(s.TogetherDecibans, 1),
        s.Fault.How, s.Fault.Causes, s.Fault.ActionOn(s.Locations.FirstOrDefault()?.Side), s.Fault.ActionName, s.Fault.MendMinutes,
        Hazards(s.Fault.Hazards, catalogue));

    private static PairPartDto ToDto(Hypothesis h) => h.Fault.Location == FaultLocation.End
        ? new(h.Fault.Id, h.Fault.Name, h.Cylinder, null, EndName(h.Cylinder))
        : new(h.Fault.Id, h.Fault.Name, h.Cylinder, h.Side?.Named(), null);

    private static string EndName(int? cylinder) => cylinder == 1 ? "left" : "right";

    // What was told of the pump makes running it dangerous beside what the check itself is.
    private static NextCheckDto ToDto(NextCheck c, Catalogue catalogue, IEnumerable<string> contexts) => new(
        c.Check.Id, c.Check.Name, c.Question, c.Check.How, c.Check.Opens, c.Check.Minutes, c.Check.PutBackMinutes, Math.Round(c.Bits, 4),
        Math.Round(c.BitsPerMinute, 4), Math.Round(c.MinutesToMend, 1),
        c.Check.Cue, c.Check.Reading,
        Hazards(
            [.. (c.Check.Running ? contexts.SelectMany(id => catalogue.Context(id)!.Hazards) : []).Concat(c.Check.Hazards).Distinct()],
            catalogue),
        [.. c.Answers.Select(a => new CheckAnswerDto(
            a.Answer, a.Text, a.Cylinder, a.Side?.Named(), Round(a.Probability), a.Then.ToString(), a.Then.Name, Round(a.Then.Share)))]);

    // Comes back in the unit it was read in.
    private static ComparisonDto ToDto(Comparison c, IReadOnlyList<ReadingDto> readings, Arrangement arrangement)
    {
        var written = readings.LastOrDefault(r => r.Quantity == c.What.Id)?.Value?.Unit;
        var unit = written is null ? Units.Preferred(c.What.Kind) : Quantity.UnitNamed(c.What.Kind, written, "unit");
        QuantityDto Show(double si) => new Amount(c.What.Kind, si).ToDto(unit);
        return new ComparisonDto(
            c.What.Id, ReadingNames.Full(c.What.Id, arrangement), ReadingNames.Short(c.What.Id, arrangement), c.What.Place,
            Show(c.Read), Show(c.Expected), Show(c.Low), Show(c.High), Math.Round(c.Sigmas, 1));
    }

    private static LedgerDto ToDto(WaterLedger l, int cylinders) => new(
        Term(l.Displaced), Term(l.Nozzle), Term(l.Bypass), Term(l.Outside), Term(l.Missing),
        l.MissingShares is { } s ? Math.Round(s, 3) : null, Math.Round(l.MissingSharesSigma, 3), l.MissingMayBeInBypass, Text(l),
        [.. LedgerFigures.Of(l, cylinders).Select(f => f.ToDto())]);

    private static LedgerTermDto Term(LedgerTerm term) => new(
        term.Flow is { } f ? new Amount(QuantityKind.VolumeFlow, f).ToDto() : null,
        term.Flow is null ? null : new Amount(QuantityKind.VolumeFlow, term.Sigma).ToDto(),
        term.Source.Named());

    private static string Text(WaterLedger l)
    {
        if (l.MissingShares is not { } shares)
            return "Not measured at the nozzle, so nobody knows what is missing.";
        var where = l.MissingMayBeInBypass ? "missing or in the bypass" : "missing";
        var amount = string.Create(
            System.Globalization.CultureInfo.InvariantCulture,
            $"{Math.Max(0, shares):0.00} ± {l.MissingSharesSigma:0.00} of one cylinder");
        return shares < 2 * l.MissingSharesSigma ? $"Nothing to speak of is {where} ({amount})." : $"{amount} is {where}.";
    }

    private static IReadOnlyList<HazardDto> Hazards(IReadOnlyList<string> ids, Catalogue catalogue) =>
        [.. ids.Select(id => catalogue.Hazard(id)!).Select(h => new HazardDto(h.Id, h.Text))];

    private static double Round(double probability) => Math.Round(probability, 4);
}
