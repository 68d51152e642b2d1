using MildHunch.Core.Quantities;

namespace MildHunch.Core.Expectation.Everyday;

/// <summary>Sums about bolts (docs/trade.md, Bolts).</summary>
internal static class BoltSums
{
    private const string Source = "F = 0.75 of proof load, T = K·F·d; stress areas and proof stress of ISO 898-1 (from memory)";

    public static readonly EverydaySum Torque = new(
        "torque", "Torque in three units", "The same torque in newton-metres, foot-pounds and inch-pounds: mixing them up strips threads.",
        [new("torque", "Torque", QuantityKind.Torque, "N·m") { Least = 0, Most = 1e5 }],
        v =>
        [
            new(
                "nm", "In newton-metres", QuantityKind.Torque, v["torque"], "1 ft·lbf = 1.355818 N·m",
                "Definitions of inch and pound-force") { Unit = "N·m" },
            new(
                "ftlb", "In foot-pounds", QuantityKind.Torque, v["torque"], "12 in·lbf = 1 ft·lbf",
                "Definitions of inch and pound-force") { Unit = "ft·lbf" },
            new(
                "inlb", "In inch-pounds", QuantityKind.Torque, v["torque"], "1 in·lbf = 0.112984829 N·m",
                "Definitions of inch and pound-force") { Unit = "in·lbf" },
        ]);

    public static readonly EverydaySum Ceiling = new(
        "bolt", "Bolt ceiling",
        "The most a steel bolt in steel takes. An estimate for when there is no sheet; brass, aluminium and plastic threads take less, "
            + "and the maker's figure comes first.",
        [
            new("size", "Thread", QuantityKind.Count, "") { Choices = [.. BoltCeiling.Sizes.Skip(2).Concat(BoltCeiling.Sizes.Take(2))
                .Select(size => (size, size))] },
            new("grade", "Grade", QuantityKind.Count, "") { Choices = [
                ("8.8", "8.8"), ("10.9", "10.9"), ("12.9", "12.9"), ("5.6", "5.6")] },
            new("thread", "Thread is", QuantityKind.Count, "") { Choices = [
                ("dry", "dry, K 0.20"), ("oiled", "oiled, K 0.15"), ("anti-seize", "with anti-seize, K 0.12")] },
        ],
        v =>
        {
            var bolt = new BoltMake(v.Pick("size"), v.Pick("grade"), ThreadMetal.Steel, Dressing(v.Pick("thread")));
            var ceiling = BoltCeiling.Of(bolt)!.Value.Si;
            return
            [
                new(
                    "ceiling", "Ceiling", QuantityKind.Torque, ceiling, "T = K · F · d",
                    Source) { Unit = "N·m" },
                new(
                    "ceiling-ftlb", "In foot-pounds", QuantityKind.Torque, ceiling, "T = K · F · d",
                    Source) { Unit = "ft·lbf" },
                new(
                    "ceiling-inlb", "In inch-pounds", QuantityKind.Torque, ceiling, "T = K · F · d",
                    Source) { Unit = "in·lbf" },
                new("force", "Pulls with", QuantityKind.Force, BoltCeiling.Pull(bolt), "F = 0.75 · σ proof · A stress", Source),
            ];
        });

    private static ThreadDressing Dressing(string thread) => thread switch
    {
        "oiled" => ThreadDressing.Oiled,
        "anti-seize" => ThreadDressing.AntiSeize,
        _ => ThreadDressing.Dry,
    };
}
