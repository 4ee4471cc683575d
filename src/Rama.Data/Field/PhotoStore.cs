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
    public async Task<bool> KeepAsync(Guid planting, NewPhoto photo, CancellationToken cancel)
    {
        var picture = JpegPicture.WithoutMetadata(photo.Content)
            ?? throw Unusable("type", "Photograph: expected a JPEG picture.");
        if (picture.Length > PhotoRecord.MostBytes)
            throw Unusable("range", $"Photograph: expected at most {PhotoRecord.MostBytes / 1000} kB.");
        if (!SoundValues.IsSound(photo.At))
            throw Unusable("range", "Photograph: expected the time it was taken.");
        var (row, tree) = (photo.Row, photo.Tree);
        if (row is < 1 or > 9_999 || tree is < 1 or > 9_999 || (row is null && tree is not null))
            throw Unusable("range", "Photograph: expected the row and tree it shows.");
        var caption = photo.Caption?.Trim();
        if (caption?.Length > PhotoRecord.LongestCaption)
            throw Unusable("range", $"Photograph: expected a caption of at most {PhotoRecord.LongestCaption} letters.");
        if (!await database.Plantings.AnyAsync(p => p.Id == planting, cancel))
            return false;
        if (await database.Photos.AnyAsync(p => p.Id == photo.Id, cancel))
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
                Id = photo.Id,
                PlantingId = planting,
                Season = season,
                Row = row,
                Tree = tree,
                At = photo.At.ToUniversalTime(),
                Caption = string.IsNullOrEmpty(caption) ? null : caption,
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
                Caption = p.Caption,
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

/// <summary>A photograph as a phone sends it.</summary>
/// <param name="Id">Given by the device.</param>
/// <param name="Row">Number of the row; null where it shows none.</param>
/// <param name="Tree">Number of the tree in the row; null where it shows none.</param>
/// <param name="At">When it was taken, by the device's clock.</param>
/// <param name="Caption">What it shows; null for nothing.</param>
/// <param name="Content">The picture as JPEG.</param>
public sealed record NewPhoto(Guid Id, int? Row, int? Tree, DateTimeOffset At, string? Caption, byte[] Content);
