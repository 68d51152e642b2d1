namespace MildHunch.Web.Shared;

/// <summary>A value with its unit, as typed: { "value": 142, "unit": "bar" }.</summary>
public sealed record QuantityDto(double Value, string Unit);
