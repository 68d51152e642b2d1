namespace MildHunch.Core.Expectation.Everyday;

/// <summary>All everyday sums, in the order a technician meets them.</summary>
public static class EverydaySums
{
    public static readonly IReadOnlyList<EverydaySum> All =
    [
        FlowSums.Bucket, FlowSums.NozzleSize, FlowSums.NozzleWear, FlowSums.Drips, FlowSums.PressureFall, FlowSums.HoseLoss,
        DriveSums.Pulley, DriveSums.Power, InletSums.Inlet, DampenerSums.Charge, BoltSums.Torque, BoltSums.Ceiling,
    ];

    public static EverydaySum? Find(string id) => All.FirstOrDefault(s => s.Id == id);
}
