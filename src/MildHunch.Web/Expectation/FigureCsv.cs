using MildHunch.Web.Shared;

namespace MildHunch.Web.Expectation;

/// <summary>Figures as a table for a spreadsheet.</summary>
internal static class FigureCsv
{
    public static IResult Of(ExpectationResponse response) => Csv.Table(
        "expectation.csv",
        ["figure", "name", "value", "low", "high", "unit", "formula", "source"],
        response.Figures.Select(f => new object[] {
            f.Id, f.Name, f.Value.Value, f.Low.Value, f.High.Value, f.Value.Unit, f.Working.Equation, f.Working.Source }));
}
