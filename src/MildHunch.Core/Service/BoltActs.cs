namespace MildHunch.Core.Service;

/// <summary>How a group of bolts is worked, as acts of a plan.</summary>
internal static class BoltActs
{
    public static Act Loosen(BoltGroup group) => new()
    {
        Do = group.Places.Places.Count == 1
            ? $"{group.Name}: slacken."
            : $"{group.Name}: slacken a quarter turn each in this order: {Said(group.ToLoosen)}; then out.",
        Mind = group.Note is null ? [] : [group.Note],
        Machine = MachineState.Open,
        Hazards = ["trapped-pressure"],
    };

    public static Act Tighten(BoltGroup group) => new()
    {
        Do = group.Places.Places.Count == 1
            ? $"{group.Name}: by hand until it seats, then to its torque."
            : $"{group.Name}: by hand {Said(group.ToStart)}; then {Said(group.ToTighten)}{Passes(group)}.",
        Mind = [.. group.Note is null ? [] : new[] { group.Note }, "Nothing is tightened under pressure."],
        Tools = group.Steps == TorqueSteps.Snug ? [] : ["torque wrench"],
        Machine = MachineState.Open,
    };

    private static string Passes(BoltGroup group) => group.Passes.Count switch
    {
        0 => ", a quarter turn each until snug; no torque",
        1 => " to the torque at once",
        _ => $" at {string.Join(", ", group.Passes.Select(p => $"{100 * p:0}"))} % of the torque",
    };

    private static string Said(IReadOnlyList<int> order) => string.Join("-", order);
}
