using System.Text;
using Rama.Data.Field;

namespace Rama.Web.Tests;

/// <summary>Pictures keep what draws them and nothing else, wherever it was put.</summary>
public sealed class JpegPictureTests
{
    private static readonly byte[] Table = Segment(0xDB, [0, .. Enumerable.Repeat((byte)1, 64)]),
        Codes = Segment(0xC4, [0, .. new byte[16]]),
        ScanHead = Segment(0xDA, [1, 1, 0, 0, 63, 0]),
        Jfif = Segment(0xE0, [.. "JFIF\0"u8, 1, 1, 0, 0, 1, 0, 1, 0, 0]),
        Adobe = Segment(0xEE, [.. "Adobe"u8, 0, 100, 0, 0, 0, 0, 1]),
        // FF 00 is a byte of the picture and FF D0 a restart within it.
        Coded = [1, 2, 3, 0xFF, 0x00, 4, 0xFF, 0xD0, 5];

    private static byte[] Segment(byte marker, ReadOnlySpan<byte> content) =>
        [0xFF, marker, (byte)((content.Length + 2) >> 8), (byte)(content.Length + 2), .. content];

    private static byte[] Frame(int height = 120, int width = 160) =>
        Segment(0xC2, [8, (byte)(height >> 8), (byte)height, (byte)(width >> 8), (byte)width, 1, 1, 0x11, 0]);

    /// <summary>
    /// A progressive JPEG of two scans as ITU-T T.81 lays it out, with what cameras and phones add, in every place it
    /// can stand in.
    /// </summary>
    /// <param name="withMetadata">Whether that is added.</param>
    public static byte[] Jpeg(bool withMetadata)
    {
        byte[] Hidden(byte marker, string text) => withMetadata ? Segment(marker, Encoding.ASCII.GetBytes(text)) : [];
        return
        [
            0xFF,
            0xD8,
            .. Jfif,
            .. Hidden(0xE0, "JFXX\0 a thumbnail"),
            .. Hidden(0xE1, "Exif\0\0GPS 45.6N 9.9E"),
            .. Hidden(0xFE, "by the old barn"),
            .. Adobe,
            .. Hidden(0xEE, "Adobe and more than that"),
            .. Hidden(0xEF, "whatever"),
            .. Hidden(0xF7, "no marker anybody knows"),
            .. Table,
            .. Frame(),
            .. Codes,
            .. ScanHead,
            .. Coded,
            .. Hidden(0xE2, "between the scans"),
            .. ScanHead,
            .. Coded,
            0xFF,
            0xD9,
            .. withMetadata ? "after the end"u8 : [],
            .. withMetadata ? [0xFF, 0xD9] : Array.Empty<byte>(),
        ];
    }

    [Fact]
    public void What_does_not_draw_it_is_gone_wherever_it_stands()
    {
        Assert.Equal(Jpeg(false), JpegPicture.WithoutMetadata(Jpeg(true)));
        Assert.Equal(Jpeg(false), JpegPicture.WithoutMetadata(Jpeg(false)));
    }

    [Theory]
    [InlineData(4_000, 6_000, true)]
    [InlineData(4_001, 6_000, false)]
    [InlineData(65_535, 65_535, false)]
    [InlineData(0, 100, false)]
    public void A_picture_of_more_pixels_than_anybody_looks_at_is_not_kept(int height, int width, bool isKept)
    {
        byte[] file = [0xFF, 0xD8, .. Table, .. Frame(height, width), .. Codes, .. ScanHead, .. Coded, 0xFF, 0xD9];
        Assert.Equal(isKept, JpegPicture.WithoutMetadata(file) is not null);
    }

    [Fact]
    public void What_is_no_whole_picture_is_none()
    {
        byte[] whole = Jpeg(false);
        // Cut off anywhere, it has no end.
        for (var length = 0; length < whole.Length; length++)
            Assert.Null(JpegPicture.WithoutMetadata(whole[..length]));
        Assert.Null(JpegPicture.WithoutMetadata([0xFF, 0xD8, 0xFF, 0xD9]));
        Assert.Null(JpegPicture.WithoutMetadata([0xFF, 0xD8, .. Table, .. ScanHead, .. Coded, 0xFF, 0xD9]));
        Assert.Null(
            JpegPicture.WithoutMetadata([0xFF, 0xD8, .. Frame(), .. Frame(), .. ScanHead, .. Coded, 0xFF, 0xD9])
        );
        Assert.Null(JpegPicture.WithoutMetadata("<svg/>"u8.ToArray()));
    }

    // Any bytes at all: never an error, and nothing comes out that does not begin and end as a picture.
    [Fact]
    public void Any_bytes_are_taken()
    {
        Random random = new(17);
        for (var i = 0; i < 20_000; i++)
        {
            var file = Jpeg(i % 2 == 0);
            for (var change = 0; change < 1 + i % 6; change++)
                file[random.Next(2, file.Length)] = (byte)random.Next(256);
            if (JpegPicture.WithoutMetadata(file) is { } kept)
                Assert.True(kept is [0xFF, 0xD8, .., 0xFF, 0xD9]);
        }
    }
}
