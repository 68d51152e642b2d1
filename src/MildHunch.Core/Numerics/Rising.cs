namespace MildHunch.Core.Numerics;

/// <summary>Places in a list that rises.</summary>
internal static class Rising
{
    /// <summary>The first place, from 0, from which on everything has reached a limit; the length where nothing has.</summary>
    public static int First<T>(T[] rising, Func<T, bool> reached)
    {
        int low = 0, high = rising.Length;
        while (low < high)
        {
            var middle = (low + high) / 2;
            if (reached(rising[middle]))
                high = middle;
            else
                low = middle + 1;
        }

        return low;
    }
}
