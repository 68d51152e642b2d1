namespace MildHunch.Core;

/// <summary>Range checks that refuse in trade words.</summary>
internal static class Guard
{
    public static void Within(string field, double value, double least, double most, string shown, string accepted)
    {
        if (!(value >= least && value <= most))
            throw new ImpossibleInputException(field, shown, accepted);
    }
}
