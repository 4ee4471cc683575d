using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Data.Database;
using Rama.Data.Field;
using Rama.Web.Accounts;

namespace Rama.Web.Field;

internal static class PhotoEndpoints
{
    // Metadata that is stripped may come on top of the picture.
    private const int MostUploaded = PhotoRecord.MostBytes + 90_000;

    public static RouteGroupBuilder MapPhotos(this RouteGroupBuilder api)
    {
        const string path = "/plantings/{id:guid}/photos/{photo:guid}";
        var group = api.MapGroup("").WithTags("Field");
        group
            .MapPut(path, Keep)
            .For(Act.Count)
            .Accepts<Stream>("image/jpeg")
            .WithSummary("Keep a photograph of a tree, row or planting; where it was taken is taken off it");
        group.MapGet(path, Picture).For(Act.Read).WithSummary("A photograph").Produces(200, contentType: "image/jpeg");
        group.MapDelete(path, Remove).For(Act.Settings).WithSummary("Remove a photograph");
        return api;
    }

    private static async Task<Results<NoContent, NotFound, Conflict, StatusCodeHttpResult>> Keep(
        Guid id,
        Guid photo,
        HttpRequest request,
        PhotoStore store,
        EstateScope scope,
        CancellationToken cancel,
        DateTimeOffset at,
        Guid? estate = null,
        int? row = null,
        int? tree = null,
        string? caption = null
    )
    {
        // Taken for another estate than the one at hand: it waits on the device until that one is.
        if (estate is { } its && its != scope.EstateId)
            return TypedResults.Conflict();
        using var content = new MemoryStream();
        var buffer = new byte[81_920];
        for (int read; (read = await request.Body.ReadAsync(buffer, cancel)) > 0; )
        {
            content.Write(buffer, 0, read);
            if (content.Length > MostUploaded)
                return TypedResults.StatusCode(StatusCodes.Status413PayloadTooLarge);
        }
        return await store.KeepAsync(id, new(photo, row, tree, at, caption, content.ToArray()), cancel)
            ? TypedResults.NoContent()
            : TypedResults.NotFound();
    }

    private static async Task<Results<FileContentHttpResult, NotFound>> Picture(
        Guid id,
        Guid photo,
        PhotoStore store,
        HttpContext http,
        CancellationToken cancel
    )
    {
        if (await store.PictureAsync(id, photo, cancel) is not { } picture)
            return TypedResults.NotFound();
        http.Response.Headers.CacheControl = "private, max-age=3600";
        return TypedResults.File(picture, "image/jpeg");
    }

    private static async Task<Results<NoContent, NotFound>> Remove(
        Guid id,
        Guid photo,
        PhotoStore store,
        CancellationToken cancel
    ) => await store.RemoveAsync(id, photo, cancel) ? TypedResults.NoContent() : TypedResults.NotFound();
}
