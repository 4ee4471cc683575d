using Rama.Core.Count.Vigour;
using Rama.Core.Crops;
using Rama.Core.Estate;
using Rama.Core.Statistics;

namespace Rama.Core.Result.Learning;

/// <summary>How the shoots of a summer answer to the wood cut the winter before: by length, or by uprights.</summary>
/// <param name="Quantity">Which of the two.</param>
/// <param name="Tenth">What a tenth of the wood more brings, as shipped (assumption).</param>
/// <param name="YearSd">What differs from year to year, standard deviation (assumption).</param>
/// <param name="Unit">Unit of what is seen.</param>
public sealed record ShootAnswer(LearnedQuantity Quantity, double Tenth, double YearSd, string Unit)
{
    /// <summary>Length of the shoots, cm.</summary>
    public static readonly ShootAnswer Length = new(LearnedQuantity.ShootLength, 10, 8, "cm");

    /// <summary>Uprights, per tree.</summary>
    public static readonly ShootAnswer Uprights = new(LearnedQuantity.Uprights, 3, 2.5, "shoot/tree");

    /// <summary>Both.</summary>
    public static readonly IReadOnlyList<ShootAnswer> All = [Length, Uprights];

    /// <summary>Tenths of a whole: slopes are told by the tenth of the wood, as one speaks of it.</summary>
    internal const double Tenths = 10;

    /// <summary>Share of the wood after which usual trees just grow too strongly (assumption).</summary>
    public const double SevereWood = 0.2;

    // Uprights per tree from which summer has work with them (assumption).
    private const double ManyUprights = 8;

    // The shipped slope counts for so many plantings: handbook of the trade 8.2.
    private const double ShippedPlantings = 3;

    // Four winters whose cuts differ by five points of the wood.
    private const double UsualSpread = 4 * 0.05 * 0.05;

    /// <summary>Unit of what is learned.</summary>
    public string TenthUnit => $"{Unit}/10%";

    /// <summary>What is too strong.</summary>
    /// <param name="habit">How the crop bears.</param>
    public double StrongAbove(BearingHabit habit) =>
        Quantity == LearnedQuantity.ShootLength ? GrowthLimits.Of(habit).StrongAboveCm : ManyUprights;

    /// <summary>What was seen of it in a season; null where not, or where nobody knows what was cut before.</summary>
    /// <param name="season">The season.</param>
    public (double Wood, double Seen)? In(SeasonResult season) =>
        season.Counts.WoodCut is { } wood
        && (Quantity == LearnedQuantity.ShootLength ? season.Counts.ShootLengthCm : season.Counts.Uprights) is { } seen
            ? (wood, seen)
            : null;

    /// <summary>Its slope per whole of the wood over all plantings, as known before a season.</summary>
    /// <param name="estate">Wood cut and shoots of all plantings.</param>
    /// <param name="before">The season; all when left out.</param>
    public PooledSlope SlopeOf(EstatePairs estate, int before = int.MaxValue) =>
        estate.Slope(Quantity, before, plantings =>
            PooledSlope.Of(plantings, Tenth * Tenths, ShippedPlantings, UsualSpread)
        );
}
