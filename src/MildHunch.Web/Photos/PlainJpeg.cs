namespace MildHunch.Web.Photos;

/// <summary>A JPEG file that holds a picture and its colours, and nothing that anybody wrote beside it.</summary>
internal static class PlainJpeg
{
    // Markers of ITU-T T.81, table B.1, and of JFIF; what begins with 0xFF.
    private const byte Start = 0xD8;
    private const byte End = 0xD9;
    private const byte Scan = 0xDA;
    private const byte Jfif = 0xE0;
    private const byte Colours = 0xE2;
    private const byte Comment = 0xFE;

    /// <summary>True where there is no place, time, device or comment in it, and nothing after its end.</summary>
    public static bool Is(ReadOnlySpan<byte> file)
    {
        if (file is not [0xFF, Start, ..])
            return false;
        var at = 2;
        while (at + 4 <= file.Length && file[at] == 0xFF)
        {
            var (marker, length) = (file[at + 1], (file[at + 2] << 8) | file[at + 3]);
            if (length < 2)
                return false;
            if (marker == Scan)
                return EndsOnce(file[at..]);
            var inside = file[(at + 4)..Math.Min(file.Length, at + 2 + length)];
            if (marker is Comment or (>= Jfif and <= 0xEF and not Jfif and not Colours)
                || (marker == Colours && !inside.StartsWith("ICC_PROFILE"u8)) || (marker == Jfif && !inside.StartsWith("JFIF"u8)))
                return false;
            at += 2 + length;
        }

        return false;
    }

    // Inside a scan 0xFF is followed by nothing that could be taken for the end.
    private static bool EndsOnce(ReadOnlySpan<byte> scan) => scan.IndexOf([(byte)0xFF, End]) == scan.Length - 2;
}
