namespace MildHunch.Web.Cases.Open;

public sealed record NewCaseRequest(string? PumpId, string? Complaint, IReadOnlyList<string>? Context = null);
