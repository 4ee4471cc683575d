using System.IO.Compression;

namespace Rama.Data.Exchange;

/// <summary>The files of an estate's archive: a zip, or a folder of the same files.</summary>
public abstract class ArchiveFiles
{
    /// <summary>The content of a file; null where there is none of that name.</summary>
    public abstract byte[]? Read(string name);

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
        public override byte[]? Read(string name)
        {
            if (zip.GetEntry(name) is not { } entry)
                return null;
            using var stream = entry.Open();
            using var content = new MemoryStream();
            stream.CopyTo(content);
            return content.ToArray();
        }
    }

    private sealed class Folder(string path) : ArchiveFiles
    {
        public override byte[]? Read(string name) =>
            File.Exists(Path.Combine(path, name)) ? File.ReadAllBytes(Path.Combine(path, name)) : null;
    }
}
