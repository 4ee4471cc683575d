using Rama.Core.Crew.Cost;
using Rama.Core.Season;

namespace Rama.Core.Tests.Season;

public class WinterReportTests
{
    private static WinterPlanting Planting(double trees, double? wanted, double? left, double cost, double? tonnes) =>
        new(
            2,
            trees,
            wanted,
            left,
            WorkCost.Of([new(PlannedHours: 10, Planned: 100, SoFarHours: 4, SoFar: cost / 2, Left: cost / 2)], new()),
            tonnes,
            tonnes
        );

    [Fact]
    public void Numbers_of_a_tree_are_means_over_trees_and_the_rest_sums()
    {
        var line = WinterLine.Of([
            Planting(3_000, 200, .9, 900, 60),
            Planting(1_000, 160, 1.1, 300, 20),
            Planting(1_000, null, null, 60, null),
        ]);
        Assert.Equal((3, 6.0, 5_000.0, 2), (line.Plantings, line.AreaHa, line.Trees, line.Checked));
        Assert.Equal(190, line.BudsWanted!.Value, 9);
        Assert.Equal(.95, line.LeftOfAsked!.Value, 9);
        Assert.Equal(
            (1_260, 1_260 / 5_000.0, 210, 1_260 / 80.0),
            (line.Cost.Value, line.Cost.PerTree!.Value, line.Cost.PerHa!.Value, line.Cost.PerTonne!.Value)
        );
        Assert.Equal(80, line.TonnesToCome);
    }

    [Fact]
    public void Where_nothing_is_known_nothing_is_told()
    {
        var line = WinterLine.Of([]);
        Assert.Equal((null, null, null), (line.BudsWanted, line.LeftOfAsked, line.TonnesToCome));
        Assert.Null(line.Cost.PerTree);
        Assert.Null(WinterLine.Of([Planting(0, 100, 1, 5, 1)]).BudsWanted);
    }
}
