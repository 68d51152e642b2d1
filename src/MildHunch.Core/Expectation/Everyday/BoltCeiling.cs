using System.Collections.Frozen;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Expectation.Everyday;

/// <summary>What the thread that holds the bolt is made of.</summary>
public enum ThreadMetal
{
    /// <summary>Steel or stainless steel.</summary>
    Steel,

    /// <summary>Brass or bronze.</summary>
    Brass,

    /// <summary>Aluminium.</summary>
    Aluminium,

    /// <summary>Plastic: no ceiling is offered.</summary>
    Plastic,
}

/// <summary>How the thread is dressed.</summary>
public enum ThreadDressing
{
    /// <summary>Dry.</summary>
    Dry,

    /// <summary>Oiled or greased.</summary>
    Oiled,

    /// <summary>With anti-seize.</summary>
    AntiSeize,

    /// <summary>With sealer, while it is wet.</summary>
    Sealer,

    /// <summary>With thread locker, while it is wet.</summary>
    Locker,
}

/// <summary>A bolt as its head and its thread tell it.</summary>
/// <param name="Size">"M5" to "M24".</param>
/// <param name="Grade">"5.6", "8.8", "10.9", "12.9", or a stainless "A2-70".</param>
public sealed record BoltMake(string Size, string Grade, ThreadMetal Metal, ThreadDressing Dressing);

/// <summary>
/// The most a plain bolt takes, for want of the maker's figure: 0.75 of the proof load, T = K·F·d (docs/trade.md, Bolts). An estimate
/// and never offered for caps, plunger bolts, plastic threads and tie rods.
/// </summary>
public static class BoltCeiling
{
    private const double ProofShare = 0.75;

    // ISO 724 diameters and ISO 898-1 stress areas, mm and mm² (from memory).
    private static readonly FrozenDictionary<string, (double Diameter, double Area)> Threads =
        new Dictionary<string, (double, double)>
        {
            ["M5"] = (5, 14.2),
            ["M6"] = (6, 20.1),
            ["M8"] = (8, 36.6),
            ["M10"] = (10, 58.0),
            ["M12"] = (12, 84.3),
            ["M14"] = (14, 115),
            ["M16"] = (16, 157),
            ["M20"] = (20, 245),
            ["M24"] = (24, 353),
        }.ToFrozenDictionary();

    private static readonly string[] KnownGrades = ["5.6", "8.8", "10.9", "12.9", "A2-70"];

    /// <summary>Sizes that are known.</summary>
    public static IReadOnlyList<string> Sizes { get; } = [.. Threads.OrderBy(t => t.Value.Diameter).Select(t => t.Key)];

    /// <summary>Grades that are known.</summary>
    public static IReadOnlyList<string> Grades => KnownGrades;

    /// <summary>The ceiling; null for a plastic thread.</summary>
    /// <exception cref="ImpossibleInputException">A size or grade nobody knows.</exception>
    public static Torque? Of(BoltMake bolt)
    {
        if (!Threads.TryGetValue(bolt.Size, out var thread))
            throw new ImpossibleInputException("size", $"“{bolt.Size}”", string.Join(", ", Sizes));
        if (!KnownGrades.Contains(bolt.Grade))
            throw new ImpossibleInputException("grade", $"“{bolt.Grade}”", string.Join(", ", KnownGrades));
        return bolt.Metal == ThreadMetal.Plastic ? null : new Torque(Friction(bolt.Dressing) * Pull(bolt) * thread.Diameter / 1000);
    }

    /// <summary>Newtons with which a bolt of known size and grade pulls at its ceiling.</summary>
    internal static double Pull(BoltMake bolt) =>
        ProofShare * ProofMPa(bolt.Grade, Threads[bolt.Size].Diameter) * Threads[bolt.Size].Area * MetalShare(bolt.Metal);

    // ISO 898-1; A2-70 by its yield of ISO 3506 (both from memory).
    private static double ProofMPa(string grade, double diameter) => grade switch
    {
        "5.6" => 280,
        "8.8" => diameter > 16 ? 600 : 580,
        "10.9" => 830,
        "12.9" => 970,
        _ => 450,
    };

    // Common practice, no source: softer threads strip before the bolt yields.
    private static double MetalShare(ThreadMetal metal) => metal switch
    {
        ThreadMetal.Brass => 0.6,
        ThreadMetal.Aluminium => 0.5,
        _ => 1,
    };

    // Wet sealer and locker run like oil (common practice, no source).
    private static double Friction(ThreadDressing dressing) => dressing switch
    {
        ThreadDressing.Dry => 0.20,
        ThreadDressing.AntiSeize => 0.12,
        _ => 0.15,
    };
}
