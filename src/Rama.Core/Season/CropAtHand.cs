using Rama.Core.Passes;
using Rama.Core.Result.Counts;

namespace Rama.Core.Season;

/// <summary>At which point of the year the crop would be counted today.</summary>
public static class CropAtHand
{
    // The set is counted and thinned within these days of the drop; before harvest what hangs is counted.
    private const int DaysOfSet = 14,
        DaysBeforeHarvest = 30;

    /// <summary>The point of the year.</summary>
    /// <param name="days">Days of the year of the planting.</param>
    /// <param name="today">Today.</param>
    /// <param name="isThinned">Whether its fruit are thinned by hand.</param>
    public static CropPoint Of(AnchorDays days, DateOnly today, bool isThinned) =>
        today >= days.Find(Anchor.HarvestBegin)?.Day.AddDays(-DaysBeforeHarvest) ? CropPoint.Harvest
        : today >= days.Find(Anchor.NaturalDrop)?.Day.AddDays(DaysOfSet) && isThinned ? CropPoint.Thinned
        : today >= days.Find(Anchor.NaturalDrop)?.Day ? CropPoint.Set
        : CropPoint.Bloom;
}
