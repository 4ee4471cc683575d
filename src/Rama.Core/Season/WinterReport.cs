using Rama.Core.Crew.Cost;

namespace Rama.Core.Season;

/// <summary>What a planting has to tell of a winter.</summary>
/// <param name="AreaHa">Its area.</param>
/// <param name="Trees">Bearing trees.</param>
/// <param name="BudsWanted">Floral buds wanted on a mean tree; null without a target.</param>
/// <param name="LeftOfAsked">Floral buds left over those asked for, by trees checked; null where none were.</param>
/// <param name="Cost">What its work costs.</param>
/// <param name="TonnesWanted">Packed crop wanted; null without a target.</param>
/// <param name="TonnesToCome">Packed crop to be expected; null where nobody can tell.</param>
public sealed record WinterPlanting(
    double AreaHa,
    double Trees,
    double? BudsWanted,
    double? LeftOfAsked,
    WorkCost Cost,
    double? TonnesWanted,
    double? TonnesToCome
);

/// <summary>A winter on some plantings together.</summary>
/// <param name="Plantings">How many.</param>
/// <param name="AreaHa">Their area.</param>
/// <param name="Trees">Their bearing trees.</param>
/// <param name="BudsWanted">Floral buds wanted on a mean tree of those that have a target; null for none.</param>
/// <param name="LeftOfAsked">Floral buds left over those asked for on a mean tree of those checked; null for
/// none.</param>
/// <param name="Checked">How many of them were checked.</param>
/// <param name="Cost">What their work costs.</param>
/// <param name="TonnesWanted">Packed crop wanted of those that have a target.</param>
/// <param name="TonnesToCome">Packed crop to be expected of those that have one.</param>
public sealed record WinterLine(
    int Plantings,
    double AreaHa,
    double Trees,
    double? BudsWanted,
    double? LeftOfAsked,
    int Checked,
    WorkCost Cost,
    double? TonnesWanted,
    double? TonnesToCome
)
{
    /// <summary>Puts plantings together; numbers of a tree are means over trees.</summary>
    /// <param name="plantings">The plantings.</param>
    public static WinterLine Of(IReadOnlyCollection<WinterPlanting> plantings)
    {
        double? OverTrees(Func<WinterPlanting, double?> of)
        {
            var told = plantings.Where(p => of(p) is not null && p.Trees > 0).ToList();
            return told.Count == 0 ? null : told.Sum(p => of(p)!.Value * p.Trees) / told.Sum(p => p.Trees);
        }
        double? Sum(Func<WinterPlanting, double?> of) =>
            plantings.Select(of).OfType<double>().ToList() is { Count: > 0 } told ? told.Sum() : null;
        var (area, trees) = (plantings.Sum(p => p.AreaHa), plantings.Sum(p => p.Trees));
        return new(
            plantings.Count,
            area,
            trees,
            OverTrees(p => p.BudsWanted),
            OverTrees(p => p.LeftOfAsked),
            plantings.Count(p => p.LeftOfAsked is not null),
            WorkCost.Of(
                [
                    .. plantings.Select(p => new CostPart(
                        p.Cost.PlannedHours,
                        p.Cost.Planned,
                        p.Cost.SoFarHours,
                        p.Cost.SoFar,
                        p.Cost.LeftHours,
                        p.Cost.Left
                    )),
                ],
                new(trees, area, Sum(p => p.TonnesWanted))
            ),
            Sum(p => p.TonnesWanted),
            Sum(p => p.TonnesToCome)
        );
    }
}
