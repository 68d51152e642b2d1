using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Expectation.Everyday;

/// <summary>One thing a sum asks for.</summary>
/// <param name="Id">Name in requests.</param>
/// <param name="Name">In words.</param>
/// <param name="Kind">What is asked for; ignored where there are choices.</param>
/// <param name="Unit">Unit it is first shown in.</param>
public sealed record SumField(string Id, string Name, QuantityKind Kind, string Unit)
{
    /// <summary>May be left out.</summary>
    public bool Optional { get; init; }

    /// <summary>Taken when nothing is typed, SI.</summary>
    public double? Usual { get; init; }

    /// <summary>One sigma of the entry, as a share of it: makes the band of the results.</summary>
    public double Sigma { get; init; }

    /// <summary>Smallest value accepted, SI.</summary>
    public double Least { get; init; }

    /// <summary>Largest value accepted, SI.</summary>
    public double Most { get; init; } = double.PositiveInfinity;

    /// <summary>For a pick from a list: id and words.</summary>
    public IReadOnlyList<(string Id, string Text)> Choices { get; init; } = [];
}

/// <summary>One result of a sum, SI, with how it comes about.</summary>
/// <param name="Reading">Quantities of a case it can be entered as; empty when none.</param>
public sealed record SumLine(
    string Id, string Name, QuantityKind Kind, double Value, string Equation, string Source, params string[] Reading)
{
    /// <summary>Unit it is shown in; the preferred one when null.</summary>
    public string? Unit { get; init; }
}

/// <summary>A result as it is shown.</summary>
public sealed record SumResult(Figure Figure, string? Unit, IReadOnlyList<string> Readings);

/// <summary>One everyday sum of the trade: what it asks, what it gives, and what of it a pump already says.</summary>
public sealed record EverydaySum(
    string Id,
    string Name,
    string Purpose,
    IReadOnlyList<SumField> Fields,
    Func<SumValues, IEnumerable<SumLine>> Compute,
    Func<ReciprocatingPump, Setup, IEnumerable<(string Field, double Si)>>? FromPump = null)
{
    private const double BandSigmas = 2;

    /// <summary>The sound pump under its own load: what a sum is filled with.</summary>
    internal static OperatingPoint AsItRuns(ReciprocatingPump pump, Setup setup) =>
        new OperatingPointSolver(pump, setup).Solve(new Condition(), 1, 1, OutletCompliance.Typical(setup));

    /// <summary>Hazards of taking these figures, by their id in the catalogue.</summary>
    public IReadOnlyList<string> Hazards { get; init; } = [];

    /// <summary>All results with bands: every entry moved by two sigma on its own, the moves added in quadrature.</summary>
    /// <exception cref="ImpossibleInputException">An entry is missing or cannot be; it names the field.</exception>
    public IReadOnlyList<SumResult> Work(IReadOnlyDictionary<string, Amount> entries, IReadOnlyDictionary<string, string> picks)
    {
        var values = SumValues.Of(this, entries, picks);
        var lines = Compute(values).ToArray();
        var parts = lines.Select(_ => new List<BandPart>()).ToArray();
        foreach (var field in Fields.Where(f => f.Sigma > 0 && values.Maybe(f.Id) is not null))
        {
            var low = Compute(values.Moved(field, 1 - (BandSigmas * field.Sigma))).ToArray();
            var high = Compute(values.Moved(field, 1 + (BandSigmas * field.Sigma))).ToArray();
            for (var i = 0; i < lines.Length; i++)
            {
                var half = Math.Abs(Of(high, lines[i]) - Of(low, lines[i])) / 2;
                if (half > 1e-4 * Math.Abs(lines[i].Value))
                    parts[i]
                        .Add(new BandPart(
                            $"{field.Name} ± {Quantity.Digits(100 * BandSigmas * field.Sigma)} %", new Amount(lines[i].Kind, half)));
            }
        }

        // A moved entry may leave a result without meaning; that end of the band then stays at the middle.
        static double Of(SumLine[] moved, SumLine line) => moved.FirstOrDefault(m => m.Id == line.Id)?.Value ?? line.Value;

        var inputs = Fields.Where(f => values.Shown(f) is not null).Select(f => new WorkingInput("", f.Name, values.Shown(f)!)).ToArray();
        return [.. lines.Select((line, i) =>
        {
            var half = Math.Sqrt(parts[i].Sum(p => p.HalfWidth.Si * p.HalfWidth.Si));
            var figure = new Figure(
                line.Id, line.Name, new Amount(line.Kind, line.Value), new Amount(line.Kind, line.Value - half),
                new Amount(line.Kind, line.Value + half), parts[i], new Working(line.Name, line.Equation, inputs, line.Source));
            return new SumResult(figure, line.Unit, line.Reading);
        })];
    }
}

/// <summary>What was typed for a sum, checked and in SI.</summary>
public sealed class SumValues
{
    private readonly Dictionary<string, double> si;
    private readonly IReadOnlyDictionary<string, string> picks;

    private SumValues(Dictionary<string, double> si, IReadOnlyDictionary<string, string> picks)
    {
        this.si = si;
        this.picks = picks;
    }

    /// <summary>A value that was given or has a usual one, SI.</summary>
    public double this[string id] => si[id];

    /// <summary>A value, SI; null where none was given.</summary>
    public double? Maybe(string id) => si.TryGetValue(id, out var value) ? value : null;

    /// <summary>What was picked from a list.</summary>
    public string Pick(string id) => picks[id];

    /// <summary>Refuses unknown fields, missing ones and values outside their range.</summary>
    /// <exception cref="ImpossibleInputException">An entry is missing or cannot be; it names the field.</exception>
    public static SumValues Of(EverydaySum sum, IReadOnlyDictionary<string, Amount> entries, IReadOnlyDictionary<string, string> picks)
    {
        foreach (var stray in entries.Keys.Concat(picks.Keys).Where(k => sum.Fields.All(f => f.Id != k)))
            throw new ImpossibleInputException(stray, "a value", string.Join(", ", sum.Fields.Select(f => f.Id)));
        var si = new Dictionary<string, double>();
        var chosen = new Dictionary<string, string>();
        foreach (var field in sum.Fields)
        {
            if (field.Choices.Count > 0)
            {
                var pick = picks.GetValueOrDefault(field.Id, field.Choices[0].Id);
                if (field.Choices.All(c => c.Id != pick))
                    throw new ImpossibleInputException(field.Id, $"“{pick}”", string.Join(", ", field.Choices.Select(c => c.Id)));
                chosen[field.Id] = pick;
                continue;
            }

            if (entries.TryGetValue(field.Id, out var given))
            {
                var unit = Units.Find(field.Kind, field.Unit)!;
                Guard.Within(
                    field.Id, given.Si, field.Least, field.Most, given.Text(),
                    $"{field.Name.ToLowerInvariant()} of {Limit(field.Least, unit)} to {Limit(field.Most, unit)}");
                si[field.Id] = given.Si;
            }
            else if (field.Usual is { } usual)
            {
                si[field.Id] = usual;
            }
            else if (!field.Optional)
            {
                throw new ImpossibleInputException(
                    field.Id, "nothing", $"{field.Name.ToLowerInvariant()}, in {Units.Accepted(field.Kind)}");
            }
        }

        return new SumValues(si, chosen);
    }

    /// <summary>The same with one value multiplied, but held within what the field takes.</summary>
    public SumValues Moved(SumField field, double factor) =>
        new(new Dictionary<string, double>(si) { [field.Id] = Math.Clamp(si[field.Id] * factor, field.Least, field.Most) }, picks);

    /// <summary>As it is shown in a working; null when nothing was entered.</summary>
    public string? Shown(SumField field)
    {
        if (field.Choices.Count > 0)
            return field.Choices.First(c => c.Id == picks[field.Id]).Text;
        return si.TryGetValue(field.Id, out var value)
            ? $"{Quantity.Digits(Units.Find(field.Kind, field.Unit)!.FromSi(value), 4)} {field.Unit}".TrimEnd()
            : null;
    }

    private static string Limit(double si, Unit unit) =>
        double.IsInfinity(si) ? "any size" : $"{Quantity.Digits(unit.FromSi(si))} {unit.Symbol}".TrimEnd();
}
