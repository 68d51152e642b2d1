namespace MildHunch.Web.Cases.List;

public sealed record LeaderDto(string Fault, string Name, double Probability, string Hunch);

public sealed record CaseSummary(
    string Id, string PumpId, string Tag, string PumpName, string Duty, string Complaint, string Stage, DateTime OpenedAt,
    DateTime ChangedAt, string? Closed, LeaderDto? Leader, int Entries);
