using MildHunch.Core.Quantities;

namespace MildHunch.Core.Expectation.Everyday;

/// <summary>Sums about bolts (docs/trade.md, Bolts).</summary>
internal static class BoltSums
{
    private const double ProofShare = 0.75;
    private const string Source = "F = 0.75 of proof load, T = K·F·d; stress areas and proof stress of ISO 898-1 (from memory)";

    // ISO 724 geometry, ISO 898-1 stress areas, mm and mm².
    private static readonly (string Size, double Diameter, double Area)[] Threads =
        [
            ("M5", 5, 14.2), ("M6", 6, 20.1), ("M8", 8, 36.6), ("M10", 10, 58.0), ("M12", 12, 84.3), ("M14", 14, 115), ("M16", 16, 157),
            ("M20", 20, 245), ("M24", 24, 353)];

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
            new("size", "Thread", QuantityKind.Count, "") { Choices = [.. Threads.Skip(2).Concat(Threads.Take(2))
                .Select(t => (t.Size, t.Size))] },
            new("grade", "Grade", QuantityKind.Count, "") { Choices = [
                ("8.8", "8.8"), ("10.9", "10.9"), ("12.9", "12.9"), ("5.6", "5.6")] },
            new("thread", "Thread is", QuantityKind.Count, "") { Choices = [
                ("dry", "dry, K 0.20"), ("oiled", "oiled, K 0.15"), ("anti-seize", "with anti-seize, K 0.12")] },
        ],
        v =>
        {
            var thread = Threads.First(t => t.Size == v.Pick("size"));
            var force = ProofShare * ProofMPa(v.Pick("grade"), thread.Diameter) * thread.Area;
            var k = v.Pick("thread") switch { "dry" => 0.20, "oiled" => 0.15, _ => 0.12 };
            return
            [
                new(
                    "ceiling", "Ceiling", QuantityKind.Torque, k * force * thread.Diameter / 1000, "T = K · F · d",
                    Source) { Unit = "N·m" },
                new(
                    "ceiling-ftlb", "In foot-pounds", QuantityKind.Torque, k * force * thread.Diameter / 1000, "T = K · F · d",
                    Source) { Unit = "ft·lbf" },
                new(
                    "ceiling-inlb", "In inch-pounds", QuantityKind.Torque, k * force * thread.Diameter / 1000, "T = K · F · d",
                    Source) { Unit = "in·lbf" },
                new("force", "Pulls with", QuantityKind.Force, force, "F = 0.75 · σ proof · A stress", Source),
            ];
        });

    private static double ProofMPa(string grade, double diameter) => grade switch
    {
        "5.6" => 280,
        "8.8" => diameter > 16 ? 600 : 580,
        "10.9" => 830,
        _ => 970,
    };
}
