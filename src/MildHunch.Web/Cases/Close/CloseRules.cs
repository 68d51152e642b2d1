using MildHunch.Core;
using MildHunch.Core.Faults;
using MildHunch.Core.Records.Outcomes;

namespace MildHunch.Web.Cases.Close;

/// <summary>How a case may be closed: by the faults that were found, joined by +, and where after an @; empty opens it again.</summary>
public static class CloseRules
{
    public static void Check(string field, string value, Catalogue catalogue)
    {
        if (Outcome.Parse(value, field)?.Faults.Any(f => catalogue.Fault(f) is null) == true)
            throw new ImpossibleInputException(
                field, $"“{value}”", $"what was found: {string.Join(", ", catalogue.Faults.Select(f => f.Id))}");
    }
}
