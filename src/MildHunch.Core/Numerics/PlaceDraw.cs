namespace MildHunch.Core.Numerics;

/// <summary>
/// Draws a place by its share in one look, however many there are: each column holds its own place and what fills it up of another
/// (Walker 1977, the alias method; by Vose 1991).
/// </summary>
internal sealed class PlaceDraw
{
    private readonly double[] own;
    private readonly int[] other;

    /// <param name="shares">Above 0, adding to 1.</param>
    public PlaceDraw(IReadOnlyList<double> shares)
    {
        own = [.. shares.Select(s => s * shares.Count)];
        other = [.. Enumerable.Range(0, shares.Count)];
        var (small, large) = (new Stack<int>(), new Stack<int>());
        for (var i = 0; i < own.Length; i++)
            (own[i] < 1 ? small : large).Push(i);
        while (small.Count > 0 && large.Count > 0)
        {
            var (less, more) = (small.Pop(), large.Pop());
            other[less] = more;
            own[more] -= 1 - own[less];
            (own[more] < 1 ? small : large).Push(more);
        }

        // What is left differs from a full column in the last digits only.
        foreach (var full in small.Concat(large))
            own[full] = 1;
    }

    /// <summary>The place at which a number from 0 to 1 falls.</summary>
    public int At(double even)
    {
        var column = Math.Min((int)(even * own.Length), own.Length - 1);
        return (even * own.Length) - column < own[column] ? column : other[column];
    }
}
