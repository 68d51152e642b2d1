using System.Buffers.Binary;
using System.IO.Compression;

namespace MildHunch.Web.Reports.Pdf;

/// <summary>Lettering as it comes for web pages, as a printed page needs it (W3C, WOFF File Format 1.0).</summary>
internal static class Woff
{
    private const int HeaderBytes = 44;
    private const int EntryBytes = 20;
    private const int OffsetTableBytes = 12;
    private const int RecordBytes = 16;

    /// <summary>The same font with its tables unpacked.</summary>
    /// <exception cref="InvalidDataException">It is no such file.</exception>
    public static byte[] ToTrueType(ReadOnlySpan<byte> woff)
    {
        if (woff.Length < HeaderBytes || !woff[..4].SequenceEqual("wOFF"u8))
            throw new InvalidDataException("This is no WOFF file.");
        var count = BinaryPrimitives.ReadUInt16BigEndian(woff[12..]);
        using var made = new MemoryStream();
        Span<byte> table = stackalloc byte[OffsetTableBytes];
        woff.Slice(4, 4).CopyTo(table);
        var power = (int)Math.Log2(count);
        BinaryPrimitives.WriteUInt16BigEndian(table[4..], count);
        BinaryPrimitives.WriteUInt16BigEndian(table[6..], (ushort)(RecordBytes << power));
        BinaryPrimitives.WriteUInt16BigEndian(table[8..], (ushort)power);
        BinaryPrimitives.WriteUInt16BigEndian(table[10..], (ushort)((count << 4) - (RecordBytes << power)));
        made.Write(table);
        var at = OffsetTableBytes + (count * RecordBytes);
        List<byte[]> contents = [];
        Span<byte> record = stackalloc byte[RecordBytes];
        for (var k = 0; k < count; k++)
        {
            var entry = woff.Slice(HeaderBytes + (k * EntryBytes), EntryBytes);
            var content = Table(woff, entry);
            contents.Add(content);
            entry[..4].CopyTo(record);
            entry[16..20].CopyTo(record[4..]);
            BinaryPrimitives.WriteUInt32BigEndian(record[8..], (uint)at);
            BinaryPrimitives.WriteUInt32BigEndian(record[12..], (uint)content.Length);
            made.Write(record);
            at += Padded(content.Length);
        }

        foreach (var content in contents)
        {
            made.Write(content);
            made.Write(new byte[Padded(content.Length) - content.Length]);
        }

        return made.ToArray();
    }

    private static int Padded(int length) => (length + 3) & ~3;

    private static byte[] Table(ReadOnlySpan<byte> woff, ReadOnlySpan<byte> entry)
    {
        var offset = BinaryPrimitives.ReadInt32BigEndian(entry[4..]);
        var packed = woff.Slice(offset, BinaryPrimitives.ReadInt32BigEndian(entry[8..]));
        var content = new byte[BinaryPrimitives.ReadInt32BigEndian(entry[12..])];
        if (packed.Length == content.Length)
        {
            packed.CopyTo(content);
            return content;
        }

        using var unpacked = new ZLibStream(new MemoryStream(packed.ToArray()), CompressionMode.Decompress);
        unpacked.ReadExactly(content);
        return content;
    }
}
