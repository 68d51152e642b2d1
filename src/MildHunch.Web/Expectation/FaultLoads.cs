using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Expectation;

/// <summary>A fault laid on a pump: severity 0 to 1, and where.</summary>
public sealed record FaultLoadDto(string? Fault, double? Severity, int? Cylinder = null, string? Side = null);

/// <summary>Faults laid on a pump, as Core knows them.</summary>
public static class FaultLoads
{
    public static IReadOnlyList<FaultLoad> ToCore(IReadOnlyList<FaultLoadDto>? faults) =>
    [
        .. (faults ?? []).Select((f, i) => new FaultLoad(
            f?.Fault ?? throw Mapping.Missing($"faults[{i}].fault", "the id of a fault"),
            f.Severity ?? throw Mapping.Missing($"faults[{i}].severity", "0 to 1"),
            f.Cylinder,
            f.Side is null ? null : Mapping.Choice<Side>(f.Side, $"faults[{i}].side", default))),
    ];
}
