using System.ComponentModel;
using MildHunch.Core.Records.Patterns;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Records;

/// <summary>Events at a place, and the share expected there.</summary>
public sealed record PlaceCountDto(
    string? Place = null, int? Events = null,
    [property: Description("left out: what is left is shared evenly")] double? ExpectedShare = null,
    [property: Description("out of how many, where two groups are compared: Fisher’s exact test")] int? Of = null);

public sealed record PatternTestRequest(
    IReadOnlyList<PlaceCountDto>? Counts = null,
    [property: Description("how many such tests are read together; 1 where left out")] int? Tests = null);

public sealed record PatternTestResponse(
    double P, [property: Description("for all tests read together")] double Adjusted, bool Told, string Sentence,
    [property: Description("evidence that may be looked at again and again; 20 is as rare as 5 %")] double? Evidence);

/// <summary>Whether counts by place are more than chance.</summary>
public static class PatternTestEndpoint
{
    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapPost("/api/pattern-test", Test).Costly("pattern-test").WithTags("Computation")
            .WithSummary("Exact test of where events fall against the shares expected; from five events on it may tell a pattern.");

    private static PatternTestResponse Test(PatternTestRequest request)
    {
        var counts = request.Counts ?? throw Mapping.Missing("counts", "at least two places with their events");
        var answer = SingleTest.Of([.. counts.Select((c, i) => Read(c, $"counts[{i}]"))], request.Tests ?? 1);
        return new PatternTestResponse(answer.Chance, answer.Adjusted, answer.Told, answer.Sentence, answer.Evidence);
    }

    private static CountedPlace Read(PlaceCountDto? told, string field) => told is null
        ? throw Mapping.Missing(field, "a place and its events")
        : new CountedPlace(
            told.Place?.Trim() ?? "", told.Events ?? throw Mapping.Missing($"{field}.events", "0 or more"), told.ExpectedShare, told.Of);
}
