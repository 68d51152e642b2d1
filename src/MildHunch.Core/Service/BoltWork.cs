using System.Globalization;
using System.Text;
using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Service;

/// <summary>What is done with the bolts of a group in one go.</summary>
public enum BoltJob
{
    /// <summary>Slackened evenly; all of them still in.</summary>
    Slacken,

    /// <summary>Drawn, once slack.</summary>
    Draw,

    /// <summary>Slackened, then drawn.</summary>
    Loosen,

    /// <summary>Started by hand.</summary>
    Start,

    /// <summary>Brought to their torque, once started.</summary>
    Torque,

    /// <summary>Started by hand, then brought to their torque.</summary>
    Tighten,
}

/// <summary>One round over the bolts of a group.</summary>
/// <param name="Name">In a word or two: "by hand", "30 %".</param>
/// <param name="Order">Numbers of the bolts in turn.</param>
/// <param name="Share">Share of the torque, 0 to 1; null where there is none in this round.</param>
public sealed record BoltRound(string Name, IReadOnlyList<int> Order, double? Share = null);

/// <summary>How a group of bolts is worked: the act in words, and round by round.</summary>
/// <param name="common">What holds for all bolts.</param>
/// <param name="states">States of the sheet in which bolts may turn.</param>
internal sealed class BoltWork(CommonActs common, IReadOnlyList<HeldState> states)
{
    private static readonly CompositeFormat Percent = CompositeFormat.Parse("{0:0} %");

    // The same words at every bore.
    private readonly Dictionary<Turn, Act> told = [];

    public Act Act(BoltGroup group, BoltJob job) =>
        told.TryGetValue(new Turn(group.Id, job), out var act) ? act : told[new Turn(group.Id, job)] = Told(group, job);

    private Act Told(BoltGroup group, BoltJob job)
    {
        var loosens = job <= BoltJob.Loosen;
        var shared = loosens ? common.Loosening : common.Tightening;
        var held = job is BoltJob.Torque or BoltJob.Tighten ? states.FirstOrDefault(s => s.Id == group.During)?.Says : null;
        string?[] mind = job is BoltJob.Draw or BoltJob.Start
            ? [group.Note]
            : [group.Note, loosens ? group.NoteOff : group.NoteOn, held];
        return new Act
        {
            Id = Name(job),
            Do = $"{group.Name}: {(group.Places.Places.Count == 1 ? One(group, job) : Several(group, job))}.",
            Mind = [.. mind.OfType<string>(), .. held is null && job is not (BoltJob.Draw or BoltJob.Start) ? shared.Mind : []],
            Tools = [.. Fitting(group, job), .. Wrench(group, job)],
            Hazards = [.. (loosens ? shared.Hazards : []).Concat(group.Hazards).Distinct()],
            Machine = MachineState.Open,
            During = job is BoltJob.Draw or BoltJob.Start ? null : group.During,
            Schools = Bare(group, job) ? null : shared.Schools,
        };
    }

    public static IReadOnlyList<BoltRound> Rounds(BoltGroup group, BoltJob job) => job switch
    {
        BoltJob.Slacken => [new("a quarter turn", group.ToLoosen)],
        BoltJob.Draw => [new("out", Others(group, group.ToLoosen))],
        BoltJob.Loosen => [.. Rounds(group, BoltJob.Slacken), .. Rounds(group, BoltJob.Draw)],
        BoltJob.Start => [new("by hand", Others(group, group.ToStart))],
        BoltJob.Torque => [.. Snugged(group), .. Passes(group)],
        _ => [.. Rounds(group, BoltJob.Start), .. Rounds(group, BoltJob.Torque)],
    };

    /// <summary>The name of a job in the ids of steps and in links between acts.</summary>
    public static string Name(BoltJob job) => job switch
    {
        BoltJob.Slacken or BoltJob.Loosen => "loosen",
        BoltJob.Draw => "draw",
        BoltJob.Start => "start",
        _ => "tighten",
    };

    private static string One(BoltGroup group, BoltJob job) => job switch
    {
        BoltJob.Slacken or BoltJob.Loosen => "slacken",
        BoltJob.Draw => "out",
        BoltJob.Start => "by hand until it seats",
        BoltJob.Torque => Last(group),
        _ => $"by hand until it seats{(group.Steps == TorqueSteps.ByHand ? "; no tool" : $", then {Last(group)}")}",
    };

    private static string Last(BoltGroup group) => group.Steps switch
    {
        TorqueSteps.Snug => "a quarter turn more; no torque",
        TorqueSteps.ByHand => "by hand alone; no tool",
        _ => group.Passes.Count == 1 ? "to its torque" : $"at {Shares(group)} of its torque",
    };

    private static string Several(BoltGroup group, BoltJob job) => job switch
    {
        BoltJob.Slacken => $"slacken a quarter turn each in this order, until all are slack: {Said(group.ToLoosen)}",
        BoltJob.Loosen => $"slacken a quarter turn each in this order: {Said(group.ToLoosen)}; then out",
        BoltJob.Draw => $"{Rest(group)}out: {Said(Others(group, group.ToLoosen))}",
        BoltJob.Start => $"{Rest(group)}in by hand: {Said(Others(group, group.ToStart))}",
        BoltJob.Torque => group.Steps == TorqueSteps.ByHand ? "by hand alone; no tool" : $"{Said(group.ToTighten)}{Up(group)}",
        _ => group.Steps == TorqueSteps.ByHand
            ? $"by hand alone {Said(group.ToStart)}; no tool"
            : $"by hand {Said(group.ToStart)}; then {Said(group.ToTighten)}{Up(group)}",
    };

    private static string Up(BoltGroup group) => group.Passes.Count switch
    {
        0 => ", a quarter turn each until snug; no torque",
        1 => " to the torque at once",
        _ => $" at {Shares(group)} of the torque",
    };

    private static string Rest(BoltGroup group) => group.Studs.Count > 0 ? "the others " : "";

    private static string Shares(BoltGroup group) => $"{string.Join(", ", group.Passes.Select(p => $"{100 * p:0}"))} %";

    private static IEnumerable<string> Fitting(BoltGroup group, BoltJob job) =>
        group.Wrench is { } wrench && !Bare(group, job) ? [$"{wrench}{(group.Drive is { } drive ? $", {drive} in drive" : "")}"] : [];

    private static IEnumerable<string> Wrench(BoltGroup group, BoltJob job) =>
        job is BoltJob.Torque or BoltJob.Tighten && group.Passes.Count > 0 ? ["torque wrench"] : [];

    // Nothing but the hand.
    private static bool Bare(BoltGroup group, BoltJob job) => job == BoltJob.Start || group.Steps == TorqueSteps.ByHand;

    // What is held in a state goes to its torque from where the hand left it.
    private static IEnumerable<BoltRound> Snugged(BoltGroup group) =>
        group.During is null && group.Steps != TorqueSteps.ByHand ? [new("snug", group.ToSnug)] : [];

    private static IEnumerable<BoltRound> Passes(BoltGroup group) => group.Passes.Select((share, k) => new BoltRound(
        string.Format(CultureInfo.InvariantCulture, Percent, 100 * share) + (k > 0 && group.Passes[k - 1] == share ? " again" : ""),
        group.ToTighten, share));

    private static int[] Others(BoltGroup group, IReadOnlyList<int> order) => [.. order.Where(n => !group.Studs.Contains(n))];

    private static string Said(IReadOnlyList<int> order) => string.Join("-", order);

    private readonly record struct Turn(string Group, BoltJob Job);
}
