namespace Rama.Web.Hosting;

/// <summary>A file that is all of a request's body.</summary>
internal static class SentFile
{
    private const int Block = 1 << 18;

    /// <summary>
    /// Keeps it on the disk while it is read: it can be larger than what one request should hold in memory. It is gone
    /// when it is closed.
    /// </summary>
    /// <param name="request">The request.</param>
    /// <param name="cancel">Ends it.</param>
    public static async Task<FileStream> KeepAsync(HttpRequest request, CancellationToken cancel)
    {
        FileStream file = new(
            Path.GetTempFileName(),
            FileMode.Create,
            FileAccess.ReadWrite,
            FileShare.None,
            Block,
            FileOptions.DeleteOnClose | FileOptions.Asynchronous
        );
        try
        {
            await request.Body.CopyToAsync(file, Block, cancel);
            file.Position = 0;
            return file;
        }
        catch
        {
            await file.DisposeAsync();
            throw;
        }
    }
}
