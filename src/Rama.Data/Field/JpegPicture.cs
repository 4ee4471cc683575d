using System.Buffers.Binary;

namespace Rama.Data.Field;

/// <summary>
/// JPEG files without what they tell beside the picture: place, time, camera, thumbnails, comments, and whatever else
/// is not needed to draw it.
/// </summary>
/// <remarks>Source: ITU-T T.81 (JPEG), annex B: markers and segments; T.871 (JFIF).</remarks>
public static class JpegPicture
{
    /// <summary>
    /// Most pixels of a picture. A small file can say that it is as large as a wall, and whoever draws it pays.
    /// </summary>
    public const int MostPixels = 24_000_000;

    private const byte Mark = 0xFF,
        StartOfImage = 0xD8,
        EndOfImage = 0xD9,
        StartOfScan = 0xDA,
        HuffmanTables = 0xC4,
        ArithmeticConditions = 0xCC,
        Reserved = 0xC8,
        QuantizationTables = 0xDB,
        NumberOfLines = 0xDC,
        RestartInterval = 0xDD,
        Jfif = 0xE0,
        Adobe = 0xEE;

    private static ReadOnlySpan<byte> JfifName => "JFIF\0"u8;

    private static ReadOnlySpan<byte> AdobeName => "Adobe"u8;

    /// <summary>
    /// The same picture with the segments that draw it alone, to its end and no further; null where it is no JPEG, or
    /// one of more pixels than are kept.
    /// </summary>
    /// <param name="file">The file.</param>
    public static byte[]? WithoutMetadata(byte[] file)
    {
        if (file.Length < 4 || file[0] != Mark || file[1] != StartOfImage)
            return null;
        using var clean = new MemoryStream(file.Length);
        clean.Write(file, 0, 2);
        var (isFramed, isScanned) = (false, false);
        for (var at = 2; at + 2 <= file.Length; )
        {
            if (file[at] != Mark)
                return null;
            var marker = file[at + 1];
            if (marker == Mark)
            {
                at++;
                continue;
            }
            if (marker == EndOfImage)
            {
                if (!isScanned)
                    return null;
                clean.Write([Mark, EndOfImage]);
                return clean.ToArray();
            }
            if (at + 4 > file.Length)
                return null;
            var length = 2 + BinaryPrimitives.ReadUInt16BigEndian(file.AsSpan(at + 2));
            if (length < 4 || at + length > file.Length)
                return null;
            var segment = file.AsSpan(at, length);
            at += length;
            if (IsFrame(marker))
            {
                if (isFramed || !IsSmallEnough(segment))
                    return null;
                isFramed = true;
            }
            if (!IsKept(marker, segment))
                continue;
            clean.Write(segment);
            if (marker != StartOfScan)
                continue;
            if (!isFramed)
                return null;
            isScanned = true;
            var end = EndOfScan(file, at);
            clean.Write(file, at, end - at);
            at = end;
        }
        return null;
    }

    // SOF0 to SOF15 but for the three of that range that mean something else.
    private static bool IsFrame(byte marker) =>
        marker is >= 0xC0 and <= 0xCF and not (HuffmanTables or Reserved or ArithmeticConditions);

    // Height and width follow length and precision. None of them may be left to be told later.
    private static bool IsSmallEnough(ReadOnlySpan<byte> frame)
    {
        if (frame.Length < 9)
            return false;
        var (height, width) = (
            BinaryPrimitives.ReadUInt16BigEndian(frame[5..]),
            BinaryPrimitives.ReadUInt16BigEndian(frame[7..])
        );
        return height > 0 && width > 0 && (long)height * width <= MostPixels;
    }

    private static bool IsKept(byte marker, ReadOnlySpan<byte> segment) =>
        marker switch
        {
            HuffmanTables
            or ArithmeticConditions
            or QuantizationTables
            or NumberOfLines
            or RestartInterval
            or StartOfScan => true,
            // How large a pixel is; a thumbnail may hang on it, and then it is longer than 18 bytes.
            Jfif => segment.Length == 18 && segment[4..].StartsWith(JfifName),
            // How colours are coded.
            Adobe => segment.Length == 16 && segment[4..].StartsWith(AdobeName),
            _ => IsFrame(marker),
        };

    // Coded data runs to the next marker; FF 00 is a byte of it, and so are restart markers.
    private static int EndOfScan(byte[] file, int from)
    {
        for (var i = from; i + 1 < file.Length; i++)
            if (file[i] == Mark && file[i + 1] is not (0x00 or Mark or (>= 0xD0 and <= 0xD7)))
                return i;
        return file.Length;
    }
}
