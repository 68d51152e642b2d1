namespace MildHunch.Core.Numerics;

/// <summary>Golden-section search for the highest point of a single hill (Kiefer 1953).</summary>
internal static class GoldenSection
{
    private const double Ratio = 0.618033988749894848;

    public static double Highest(Func<double, double> height, double from, double to, double within = 1e-9)
    {
        var (left, right) = (to - (Ratio * (to - from)), from + (Ratio * (to - from)));
        var (atLeft, atRight) = (height(left), height(right));
        while (to - from > within)
        {
            if (atLeft > atRight)
            {
                (to, right, atRight) = (right, left, atLeft);
                left = to - (Ratio * (to - from));
                atLeft = height(left);
            }
            else
            {
                (from, left, atLeft) = (left, right, atRight);
                right = from + (Ratio * (to - from));
                atRight = height(right);
            }
        }

        return 0.5 * (from + to);
    }
}
