using Microsoft.EntityFrameworkCore;
using Rama.Core.Explain;
using Rama.Data.Database;
using Rama.Data.Estate;

namespace Rama.Data.Field;

/// <summary>Photographs from the field: JPEG of a limited size, kept without their metadata.</summary>
public sealed class PhotoStore(RamaContext database, EstateScope scope, EstateStore estates)
{
    /// <summary>Most photographs of one planting and season.</summary>
    public const int MostOfPlanting = 500;

    /// <summary>Keeps a photograph; one sent twice is one. False when there is no such planting.</summary>
    /// <exception cref="UnusableEntryException">It is no JPEG, too large, or there are too many.</exception>
    public async Task<bool> KeepAsync(
        Guid planting,
        Guid id,
        int? row,
        int? tree,
        DateTimeOffset at,
        byte[] content,
        CancellationToken cancel
    )
    {
        var picture = JpegPicture.WithoutMetadata(content)
            ?? throw Unusable("type", "Photograph: expected a JPEG picture.");
        if (picture.Length > PhotoRecord.MostBytes)
            throw Unusable("range", $"Photograph: expected at most {PhotoRecord.MostBytes / 1000} kB.");
        if (!SoundValues.IsSound(at))
            throw Unusable("range", "Photograph: expected the time it was taken.");
        if (row is < 1 or > 9_999 || tree is < 1 or > 9_999 || (row is null && tree is not null))
            throw Unusable("range", "Photograph: expected the row and tree it shows.");
        if (!await database.Plantings.AnyAsync(p => p.Id == planting, cancel))
            return false;
        if (await database.Photos.AnyAsync(p => p.Id == id, cancel))
            return true;
        var season = (await estates.ReadAsync(cancel)).Season;
        if (
            await database.Photos.CountAsync(p => p.PlantingId == planting && p.Season == season, cancel)
            >= MostOfPlanting
        )
            throw Unusable("range", $"Photograph: {MostOfPlanting} are kept of one planting and season.");
        database.Add(
            new PhotoRecord
            {
                EstateId = scope.EstateId,
                Id = id,
                PlantingId = planting,
                Season = season,
                Row = row,
                Tree = tree,
                At = at.ToUniversalTime(),
                PersonId = scope.Author?.PersonId,
                Person = scope.Author?.Name,
                Picture = picture,
            }
        );
        try
        {
            await database.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException e) when (e.IsTakenKey(PhotoConfiguration.Table))
        {
            // The same photograph came twice at once.
        }
        return true;
    }

    /// <summary>Photographs of a planting and season without their pictures, the latest first.</summary>
    public async Task<IReadOnlyList<PhotoRecord>> ListAsync(Guid planting, int season, CancellationToken cancel) =>
        await database
            .Photos.AsNoTracking()
            .Where(p => p.PlantingId == planting && p.Season == season)
            .OrderByDescending(p => p.At)
            .Select(p => new PhotoRecord
            {
                Id = p.Id,
                Row = p.Row,
                Tree = p.Tree,
                At = p.At,
                Person = p.Person,
            })
            .ToListAsync(cancel);

    /// <summary>The picture of a photograph; null when there is none.</summary>
    public async Task<byte[]?> PictureAsync(Guid planting, Guid id, CancellationToken cancel) =>
        await database
            .Photos.Where(p => p.PlantingId == planting && p.Id == id)
            .Select(p => p.Picture)
            .SingleOrDefaultAsync(cancel);

    /// <summary>Removes a photograph; false when there is none.</summary>
    public async Task<bool> RemoveAsync(Guid planting, Guid id, CancellationToken cancel)
    {
        if (
            await database.Photos.SingleOrDefaultAsync(p => p.PlantingId == planting && p.Id == id, cancel)
            is not { } photo
        )
            return false;
        database.Remove(photo);
        await database.SaveChangesAsync(cancel);
        return true;
    }

    private static UnusableEntryException Unusable(string code, string message) => new([new("photo", code, message)]);
}
