using System.ComponentModel;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Evidence;

/// <summary>How a request says whether something was taken before or after a mend.</summary>
public static class TakenAt
{
    public const string Before = "before";
    public const string After = "after";
}

/// <summary>A number read at the pump.</summary>
public sealed record ReadingDto(
    string? Quantity, QuantityDto? Value, QuantityDto? Uncertainty = null,
    [property: Description("upper end, where a range was read: 28 to 46 bar is a mean and a swing")] QuantityDto? To = null,
    [property: Description("before or after all that was mended, or after how many of it, as “1”; before where nothing is said")]
    string? At = null,
    [property: Description("what the verdict calls it; readings[0] and so on where nothing is said")] string? Id = null);

/// <summary>A cue as answered.</summary>
public sealed record CueDto(
    string? Cue, string? Answer, int? Cylinder = null, string? Side = null, double? DropsPerMinute = null,
    [property: Description("left or right, on an intensifier; the left one is also cylinder 1")] string? End = null,
    [property: Description("it runs rather than drips: more than anyone counts")] bool? Stream = null,
    [property: Description("running: drips only while the pump runs; standing: also while it stands")] string? When = null,
    [property: Description("before or after all that was mended, or after how many of it, as “1”; before where nothing is said")]
    string? At = null,
    [property: Description("what the verdict calls it; cues[0] and so on where nothing is said")] string? Id = null);

/// <summary>Something that was renewed, set, cleaned or tightened.</summary>
public sealed record MendedDto(
    [property: Description("what was done, as actions are called")] string? Action = null,
    [property: Description("the fault for which it was done")] string? Fault = null,
    [property: Description("the kind of part, as faults call theirs")] string? Part = null,
    int? Cylinder = null, string? Side = null, string? End = null);

/// <summary>How long a kind of part lasts in this shop: it takes the place of the catalogue’s life.</summary>
public sealed record PartLifeOnRecordDto(string? Part = null, double? Shape = null, double? B10Hours = null);

/// <summary>Hours a part has run since it was new.</summary>
public sealed record PartHoursDto(string? Part, double? Hours, int? Cylinder = null);
