using System.Numerics;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;

namespace MildHunch.Core.Numerics;

/// <summary>Sums over long rows of numbers, several at a time.</summary>
internal static class Vectors
{
    private const double Lost = -300;

    /// <summary>Products, term by term.</summary>
    public static double[] Product(double[] a, double[] b)
    {
        var product = new double[a.Length];
        a.CopyTo(product, 0);
        MultiplyBy(product, b);
        return product;
    }

    /// <summary>Multiplies the first by the second, term by term, in place.</summary>
    public static void MultiplyBy(double[] into, ReadOnlySpan<double> by)
    {
        var whole = MemoryMarshal.Cast<double, Vector<double>>(into.AsSpan());
        var other = MemoryMarshal.Cast<double, Vector<double>>(by);
        for (var i = 0; i < whole.Length; i++)
            whole[i] *= other[i];
        for (var i = whole.Length * Vector<double>.Count; i < into.Length; i++)
            into[i] *= by[i];
    }

    /// <summary>Prior times exp; what has no prior, or lies so far below that it adds nothing that could be seen, has no weight.</summary>
    public static Vector256<double> Weights(Vector256<double> log, Vector256<double> prior) => Vector256.ConditionalSelect(
        Vector256.GreaterThan(log, Vector256.Create(Lost)) & Vector256.GreaterThan(prior, Vector256<double>.Zero),
        Vector256.Exp(log) * prior, Vector256<double>.Zero);

    /// <summary>The highest of four.</summary>
    public static double Highest(Vector256<double> of) =>
        Math.Max(Math.Max(of.GetElement(0), of.GetElement(1)), Math.Max(of.GetElement(2), of.GetElement(3)));

    /// <summary>Adds the second to the first, term by term, in place.</summary>
    public static void AddTo(double[] into, ReadOnlySpan<double> more)
    {
        for (var i = 0; i < into.Length; i++)
            into[i] += more[i];
    }

    /// <summary>Multiplies all by one number, in place.</summary>
    public static void Scale(Span<double> into, double by)
    {
        var whole = MemoryMarshal.Cast<double, Vector<double>>(into);
        for (var i = 0; i < whole.Length; i++)
            whole[i] *= by;
        for (var i = whole.Length * Vector<double>.Count; i < into.Length; i++)
            into[i] *= by;
    }
}
