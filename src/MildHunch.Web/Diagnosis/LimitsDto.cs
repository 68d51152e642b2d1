using System.ComponentModel;
using MildHunch.Core.Checks;

namespace MildHunch.Web.Diagnosis;

/// <summary>What cannot or must not be done today.</summary>
public sealed record LimitsDto(
    [property: Description("tools that are not at hand")] IReadOnlyList<string>? Without = null,
    [property: Description("the plant must not be stopped")] bool? KeepRunning = null,
    double? MostMinutes = null,
    [property: Description("only what an apprentice may do alone")] bool? Apprentice = null,
    [property: Description("hazards nobody answers for today")] IReadOnlyList<string>? Avoid = null);

/// <summary>Limits of the day as Core knows them.</summary>
public static class LimitsMapping
{
    public static Limits ToCore(this LimitsDto? dto) => dto is null
        ? Limits.None
        : new Limits(dto.Without ?? [], dto.KeepRunning ?? false, dto.MostMinutes, dto.Apprentice ?? false, dto.Avoid);
}
