namespace MildHunch.Core.Numerics;

/// <summary>
/// Normally distributed numbers of one sigma that a seed decides wholly: the same everywhere and for ever. Even numbers by
/// the mixing of Steele, Lea and Flood 2014, made normal as Box and Muller 1958 do.
/// </summary>
public sealed class SeededNoise(int seed)
{
    private ulong state = (ulong)seed;

    /// <summary>The next normal number, mean 0 and sigma 1.</summary>
    public double Next() => Math.Sqrt(-2 * Math.Log(1 - Even())) * Math.Cos(2 * Math.PI * Even());

    /// <summary>Evenly distributed, 0 to just under 1.</summary>
    public double Even()
    {
        state += 0x9E3779B97F4A7C15;
        var z = state;
        z = (z ^ (z >> 30)) * 0xBF58476D1CE4E5B9;
        z = (z ^ (z >> 27)) * 0x94D049BB133111EB;
        return ((z ^ (z >> 31)) >> 11) * (1.0 / (1UL << 53));
    }
}
