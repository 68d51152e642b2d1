using System.ComponentModel;
using MildHunch.Core;
using MildHunch.Core.Faults;
using MildHunch.Core.Records.Lives;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Records;

/// <summary>How long one part lasted, or has lasted so far.</summary>
public sealed record LifeTimeDto(
    [property: Description("hours when it failed, or so far")] double? Hours = null,
    [property: Description("false where it still runs or was changed along")] bool? Failed = null,
    [property: Description("hours it had run when watching began")] double? From = null,
    [property: Description("hours at two openings: still good at the first, failed at the second")]
    IReadOnlyList<double>? FoundBetween = null);

/// <summary>Whose life in the catalogue is heard beside the record.</summary>
public sealed record LifePriorDto([property: Description("hp-seal, lp-seal, cup, dynamic-seal or static-seal")] string? Part = null);

public sealed record LifeEstimateRequest(
    IReadOnlyList<LifeTimeDto>? Times = null,
    [property: Description("left out: the record alone speaks")] LifePriorDto? Prior = null,
    [property: Description("hours before which the chance of failing is asked")] IReadOnlyList<double>? Before = null,
    [property: Description("hours that the part in question has run already")] double? Age = null);

/// <summary>A figure with its band of 90 %; high is null where nothing bounds it.</summary>
public sealed record BandedDto(double Value, double Low, double? High);

public sealed record ChanceBeforeDto(double Hours, double Value, double Low, double? High);

public sealed record LifeEstimateResponse(
    BandedDto Shape, BandedDto Scale, [property: Description("hours by which a tenth has failed")] BandedDto B10, BandedDto Mean,
    int Failures, int Censored, IReadOnlyList<ChanceBeforeDto> ChanceBefore, [property: Description("in words")] string Method);

/// <summary>How long parts of one kind last, from how long they lasted.</summary>
public static class LifeEstimateEndpoint
{
    private const int MostTimes = 5000;
    private const int MostHours = 50;

    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapPost("/api/life-estimate", (LifeEstimateRequest request, Catalogue catalogue) => Estimate(request, catalogue).ToDto())
            .WithTags("Computation")
            .WithSummary("Weibull life of a kind of part, with bands: parts still running, watched from an age on or found failed count "
                + "as such.");

    public static LifeEstimateResponse ToDto(this LifeEstimate life) => new(
        life.Shape.ToDto(), life.Scale.ToDto(), life.B10.ToDto(), life.Mean.ToDto(), life.Failures, life.Censored,
        [.. life.Chances.Select(c => new ChanceBeforeDto(
            Mapping.Significant(c.Hours), Mapping.Significant(c.Chance.Value), Mapping.Significant(c.Chance.Low),
            c.Chance.High is { } high ? Mapping.Significant(high) : null))],
        Method(life));

    private static LifeEstimate Estimate(LifeEstimateRequest request, Catalogue catalogue)
    {
        var times = request.Times ?? [];
        if (times.Count > MostTimes)
            throw new ImpossibleInputException("times", $"{times.Count} parts", $"at most {MostTimes}");
        if (request.Before?.Count > MostHours)
            throw new ImpossibleInputException("before", $"{request.Before.Count} of them", $"at most {MostHours}");
        return LifeEstimator.Estimate(
            [.. times.Select((t, i) => Read(t, $"times[{i}]"))], Prior(request.Prior, catalogue), request.Before, request.Age ?? 0);
    }

    private static WatchedLife Read(LifeTimeDto? time, string field)
    {
        if (time is null)
            throw Mapping.Missing(field, "hours, and whether it failed");
        if (time.FoundBetween is { Count: not 2 } between)
            throw new ImpossibleInputException(
                $"{field}.foundBetween", $"{between.Count} numbers", "two: hours when good, hours when failed");
        var found = time.FoundBetween is [var good, var failed] ? new FoundBetween(good, failed) : null;
        return new WatchedLife(
            time.Hours ?? found?.Failed ?? throw Mapping.Missing($"{field}.hours", "hours above 0"),
            time.Failed ?? (found is not null ? true : throw Mapping.Missing($"{field}.failed", "true or false")), time.From ?? 0, found);
    }

    private static LifePrior? Prior(LifePriorDto? told, Catalogue catalogue)
    {
        if (told is null)
            return null;
        var known = LifePrior.Known(catalogue);
        return told.Part is { } part && known.TryGetValue(part, out var wear)
            ? new LifePrior(wear)
            : throw new ImpossibleInputException(
                "prior.part", told.Part is null ? "nothing" : $"“{told.Part}”",
                string.Join(", ", known.Keys.Order(StringComparer.Ordinal)));
    }

    private static BandedDto ToDto(this Banded band) =>
        new(Mapping.Significant(band.Value), Mapping.Significant(band.Low), band.High is { } high ? Mapping.Significant(high) : null);

    private static string Method(LifeEstimate life) => life.Method switch
    {
        LifeMethod.ShapeHeld => "Fewer than three failures: shape held at 2, scale by the sum of squares, bands by chi-square",
        LifeMethod.Pooled => $"Maximum likelihood of {life.Failures} failures with the catalogue’s life; bands by profile likelihood",
        _ => $"Maximum likelihood of {life.Failures} failures; bands by profile likelihood, F(1, {life.Failures - 1})",
    };
}
