using System.Globalization;

namespace MildHunch.Core.Pumps;

/// <summary>
/// Order in which the cylinders of a crank begin their discharge strokes, such as 1-3-2. Compared by value; the default is
/// one after the other.
/// </summary>
public readonly record struct FiringOrder
{
    private const int Ten = 10;

    // Digits of the order, first cylinder first; 0 for one after the other.
    private readonly int digits;

    private FiringOrder(int digits) => this.digits = digits;

    /// <summary>The order of a list of cylinders, counted from 1.</summary>
    /// <exception cref="ImpossibleInputException">The list does not name every cylinder once.</exception>
    public static FiringOrder Of(IReadOnlyList<int> order, int cylinders)
    {
        if (order.Count != cylinders || !order.Order().SequenceEqual(Enumerable.Range(1, cylinders)))
            throw new ImpossibleInputException(
                "firingOrder", string.Join("-", order.Take(Ten).Select(k => k.ToString(CultureInfo.InvariantCulture))),
                $"every cylinder once, such as {string.Join("-", Enumerable.Range(1, cylinders))}");
        return order.SequenceEqual(Enumerable.Range(1, cylinders)) ? default : new FiringOrder(order.Aggregate(0, (d, k) => (Ten * d) + k));
    }

    /// <summary>Which in the order a cylinder fires, both counted from 0.</summary>
    public int PlaceOf(int cylinder)
    {
        if (digits == 0)
            return cylinder;
        var place = digits.ToString(CultureInfo.InvariantCulture).IndexOf((char)('1' + cylinder), StringComparison.Ordinal);
        return place < 0 ? cylinder : place;
    }
}
