using System.IO.Compression;

namespace Rama.Data.Exchange;

/// <summary>The files of an estate's archive: a zip, or a folder of the same files.</summary>
public abstract class ArchiveFiles
{
    /// <summary>Largest file that is read as a whole, bytes.</summary>
    public const int MostBytes = 64 * 1024 * 1024;

    /// <summary>The content of a file; null where there is none of that name.</summary>
    /// <exception cref="UnreadableFileException">It is larger than is read as a whole.</exception>
    public byte[]? Read(string name)
    {
        using var stream = Open(name);
        if (stream is null)
            return null;
        if (stream.Length > MostBytes)
            throw new UnreadableFileException(
                "size",
                $"{name} is larger than {MostBytes / 1024 / 1024} MB, more than Rama reads as a whole."
            );
        var content = new byte[stream.Length];
        stream.ReadExactly(content);
        return content;
    }

    /// <summary>A file to be read as it comes; null where there is none of that name.</summary>
    /// <param name="name">Its name.</param>
    public abstract Stream? Open(string name);

    /// <summary>The files in a zip.</summary>
    /// <exception cref="UnreadableFileException">It is no zip, or unpacks to far more than its size.</exception>
    public static ArchiveFiles OfZip(byte[] content, CancellationToken cancel)
    {
        try
        {
            var zip = new ZipArchive(new MemoryStream(content, writable: false));
            SheetReader.Unpack(zip, cancel);
            return new Zip(zip);
        }
        catch (InvalidDataException e)
        {
            throw new UnreadableFileException("type", "This is not a zip that an estate was exported to.", e);
        }
    }

    /// <summary>The files in a folder.</summary>
    public static ArchiveFiles OfFolder(string path) => new Folder(path);

    private sealed class Zip(ZipArchive zip) : ArchiveFiles
    {
        // On the disk while it is read: what a zip says of a file's length can be a lie.
        public override Stream? Open(string name)
        {
            if (zip.GetEntry(name) is not { } entry)
                return null;
            FileStream unpacked = new(
                Path.GetTempFileName(),
                FileMode.Create,
                FileAccess.ReadWrite,
                FileShare.None,
                1 << 16,
                FileOptions.DeleteOnClose
            );
            using var stream = entry.Open();
            stream.CopyTo(unpacked);
            unpacked.Position = 0;
            return unpacked;
        }
    }

    private sealed class Folder(string path) : ArchiveFiles
    {
        public override Stream? Open(string name) =>
            File.Exists(Path.Combine(path, name)) ? File.OpenRead(Path.Combine(path, name)) : null;
    }
}
