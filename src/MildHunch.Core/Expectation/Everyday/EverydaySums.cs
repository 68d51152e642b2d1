namespace MildHunch.Core.Expectation.Everyday;

/// <summary>All everyday sums, in the order a technician meets them.</summary>
public static class EverydaySums
{
    /// <summary>Every sum, in the order of the screen.</summary>
    public static readonly IReadOnlyList<EverydaySum> All =
    [
        FlowSums.Bucket, FlowSums.NozzleSize, FlowSums.NozzleWear, FlowSums.Drips, FlowSums.PressureFall, FlowSums.HoseLoss,
        DriveSums.Pulley, DriveSums.Power, InletSums.Inlet, DampenerSums.Charge, BoltSums.Torque, BoltSums.Ceiling,
    ];

    /// <summary>The sum of that id; null for one nobody knows.</summary>
    public static EverydaySum? Find(string id) => All.FirstOrDefault(s => s.Id == id);
}
