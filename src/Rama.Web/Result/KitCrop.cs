using Rama.Core.Result.Counts;
using Rama.Web.Passes;

namespace Rama.Web.Result;

/// <summary>What counting the crop in the row needs.</summary>
/// <param name="AtHand">The point of the year at which it would be counted today.</param>
/// <param name="IsThinned">Whether its fruit are thinned by hand.</param>
/// <param name="FruitWanted">Fruit wanted per tree; null before there is a target.</param>
/// <param name="Counted">Trees counted already.</param>
/// <param name="Believed">More clusters than this many times those in bloom are asked for twice.</param>
public sealed record KitCrop(
    CropPoint AtHand,
    bool IsThinned,
    double? FruitWanted,
    IReadOnlyList<KitCropCount> Counted,
    double Believed
)
{
    internal static KitCrop Of(PlantingYear? year, DateOnly today) =>
        new(
            year?.CropPointOn(today) ?? CropPoint.Bloom,
            year?.Planting.Facts?.OnTrees?.IsThinned ?? true,
            year?.Crop?.FruitWanted,
            [
                .. (year?.Counted?.Kept ?? [])
                    .Select(k => k.Entry.Read())
                    .Select(c => new KitCropCount(c.Point, c.Row, c.Tree, c.Clusters, c.Fruit)),
            ],
            CropCounts.Believed
        );
}

/// <summary>A tree counted already.</summary>
/// <param name="Point">The point of the year.</param>
/// <param name="Row">Row number.</param>
/// <param name="Tree">Tree in the row.</param>
/// <param name="Clusters">Clusters; null where not counted.</param>
/// <param name="Fruit">Fruitlets or fruit; null where not counted.</param>
public sealed record KitCropCount(CropPoint Point, int Row, int Tree, double? Clusters, double? Fruit);
