using System.Globalization;
using System.Security.Cryptography;

namespace MildHunch.Store;

/// <summary>
/// Identifiers that sort by time, also within one millisecond: milliseconds, a running number, and chance, so that what was
/// entered in one breath keeps its order.
/// </summary>
public static class Ids
{
    /// <summary>Letters of one, all hexadecimal.</summary>
    public const int Length = 32;

    private const int Numbers = 1 << 24;
    private static int last;

    public static string New()
    {
        var number = (uint)Interlocked.Increment(ref last) % Numbers;
        var chance = BitConverter.ToUInt64(RandomNumberGenerator.GetBytes(8)) >> 8;
        var now = TimeProvider.System.GetUtcNow().ToUnixTimeMilliseconds();
        return string.Create(CultureInfo.InvariantCulture, $"{now:x12}{number:x6}{chance:x14}");
    }
}
