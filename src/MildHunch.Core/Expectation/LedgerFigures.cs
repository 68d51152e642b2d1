using System.Globalization;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Expectation;

/// <summary>The terms of the water ledger as figures that open: what went in, with two-sigma bands.</summary>
public static class LedgerFigures
{
    private const string Source = "Water balance: what a healthy pump displaces leaves somewhere";

    /// <summary>The lines of a ledger as figures with their workings.</summary>
    public static IReadOnlyList<Figure> Of(WaterLedger ledger, int cylinders)
    {
        var figures = new List<Figure>
        {
            Term("displaced", "Displaced by a healthy pump at this speed", ledger.Displaced, "Qt · ηv", []),
            Term("nozzle", "Measured at the nozzle", ledger.Nozzle, "as measured", []),
            Term("bypass", "In the bypass", ledger.Bypass, "as measured, or none where there is no bypass", []),
            Term("outside", "Leaks outside", ledger.Outside, "as measured", []),
        };
        WorkingInput[] terms =
        [
            Input("Qd", "displaced", ledger.Displaced), Input("", "nozzle", ledger.Nozzle), Input("", "bypass", ledger.Bypass),
            Input("", "outside", ledger.Outside),
        ];
        figures.Add(Term(
            "missing", ledger.MissingMayBeInBypass ? "Missing or in the bypass" : "Missing", ledger.Missing,
            "displaced − nozzle − bypass − outside", terms));
        if (ledger.MissingShares is { } shares)
        {
            var half = 2 * ledger.MissingSharesSigma;
            figures.Add(new Figure(
                "missing-shares", "Missing, in cylinder shares", Count(shares), Count(shares - half), Count(shares + half),
                [new BandPart("all that was measured", Count(half))],
                new Working(
                    "Cylinder shares", "missing / (Qd / n)",
                    [.. terms, new("n", "cylinders", cylinders.ToString(CultureInfo.InvariantCulture))], Source)));
        }

        return [.. figures.Where(f => double.IsFinite(f.Value.Si))];
    }

    private static Amount Count(double value) => new(QuantityKind.Count, value);

    private static Amount Flow(double si) => new(QuantityKind.VolumeFlow, si);

    private static WorkingInput Input(string symbol, string name, LedgerTerm term) =>
        new(symbol, name, term.Flow is { } q ? Flow(q).Text() : "not measured");

    private static Figure Term(string id, string name, LedgerTerm term, string equation, WorkingInput[] inputs)
    {
        var value = term.Flow ?? double.NaN;
        var half = 2 * term.Sigma;
        return new Figure(
            id, name, Flow(value), Flow(value - half), Flow(value + half),
            half > 0 ? [new BandPart("how well it is known", Flow(half))] : [],
            new Working(name, equation, inputs.Length > 0 ? inputs : [Input("", name.ToLowerInvariant(), term)], Source));
    }
}
