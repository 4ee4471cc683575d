namespace Rama.Data.Field;

/// <summary>JPEG files without what they tell beside the picture: place, time, camera, thumbnails, comments.</summary>
/// <remarks>Source: ITU-T T.81 (JPEG), annex B: markers and segments.</remarks>
public static class JpegPicture
{
    private const byte Mark = 0xFF,
        StartOfImage = 0xD8,
        StartOfScan = 0xDA,
        EndOfImage = 0xD9,
        Comment = 0xFE;

    /// <summary>
    /// The same picture without application segments (but for JFIF's own and colour transforms) and comments; null
    /// where it is no JPEG.
    /// </summary>
    public static byte[]? WithoutMetadata(byte[] file)
    {
        if (file.Length < 4 || file[0] != Mark || file[1] != StartOfImage)
            return null;
        using var clean = new MemoryStream(file.Length);
        clean.Write(file, 0, 2);
        for (var at = 2; at + 4 <= file.Length; )
        {
            if (file[at] != Mark)
                return null;
            var marker = file[at + 1];
            if (marker == Mark)
            {
                at++;
                continue;
            }
            var length = 2 + ((file[at + 2] << 8) | file[at + 3]);
            if (length < 4 || at + length > file.Length)
                return null;
            if (marker == StartOfScan)
            {
                // The picture itself runs from here to the last end mark; what follows it is not part of it.
                var end = LastEnd(file, at);
                if (end < 0)
                    return null;
                clean.Write(file, at, end + 2 - at);
                return clean.ToArray();
            }
            // APP0 is JFIF, APP14 says how colours are coded; all others are metadata.
            var isMetadata = marker is >= 0xE1 and <= 0xED or 0xEF or Comment;
            if (!isMetadata)
                clean.Write(file, at, length);
            at += length;
        }
        return null;
    }

    private static int LastEnd(byte[] file, int from)
    {
        for (var i = file.Length - 2; i > from; i--)
            if (file[i] == Mark && file[i + 1] == EndOfImage)
                return i;
        return -1;
    }
}
