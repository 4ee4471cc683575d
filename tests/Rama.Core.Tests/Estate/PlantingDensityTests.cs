using CsCheck;
using Rama.Core.Estate;
using Rama.Core.Quantities;

namespace Rama.Core.Tests.Estate;

public sealed class PlantingDensityTests
{
    private static PlantingDensity Of(
        double row,
        double tree,
        string unit,
        double missing = 0,
        double pollinizer = 0
    ) =>
        PlantingDensity.Of(
            new DensityEntry
            {
                RowSpacing = new(row, unit),
                TreeSpacing = new(tree, unit),
                Area = new(1, "ha"),
                MissingShare = new(missing, "%"),
                PollinizerShare = new(pollinizer, "%"),
            }.ReadForm()
        );

    // [published: standard spacing tables, 43 560 ÷ (a·b)] 3 ft × 12 ft → 1 210 trees per acre.
    [Fact]
    public void Twelve_by_three_feet() => Near.Printed(1210, Of(12, 3, "ft").TreesPerHa * Units.HaPerAcre, 0);

    // Handbook 2.1 [derived].
    [Theory]
    [InlineData(3.4, 1.1, 2673.8, 1)]
    [InlineData(4.0, 1.2, 2083, 0)]
    [InlineData(4.0, 2.4, 1042, 0)]
    [InlineData(4.0, 3.6, 694, 0)]
    [InlineData(4.0, 1.8, 1389, 0)]
    public void Trees_per_hectare(double row, double tree, double printed, int decimals) =>
        Near.Printed(printed, Of(row, tree, "m").TreesPerHa, decimals);

    // Handbook 2.1 [derived]: walls with rows 4.0 m apart and leaders 0.6 m apart carry 4 167 leaders/ha whatever the
    // tree spacing.
    [Theory]
    [InlineData(1.2, 2, 1, 4167)]
    [InlineData(2.4, 4, 1, 4167)]
    [InlineData(3.6, 6, 1, 4167)]
    [InlineData(1.8, 6, 2, 8333)]
    public void Leaders_stand_six_tenths_apart(double tree, int leaders, int planes, double leadersPerHa)
    {
        Assert.Equal(0.6, LeaderSpacing.MetresApart(tree, leaders, planes), 12);
        Near.Printed(leadersPerHa, Of(4.0, tree, "m").TreesPerHa * leaders, 0);
    }

    // Handbook 2.1: 10 000 m² of rows 4.0 m apart are 2 500 m of row.
    [Fact]
    public void Row_metres_per_hectare() => Assert.Equal(2_500, Of(4.0, 1.2, "m").RowMetresPerHa, 9);

    // Handbook 2.3 [derived].
    [Fact]
    public void Gaps_and_pollinizers_do_not_bear()
    {
        Near.Printed(2925.4, Of(3.5, 0.9, "m", missing: 3, pollinizer: 5).BearingTreesPerHa, 1);
        Near.Printed(820.9, Of(13, 4, "ft", missing: 2).BearingTreesPerHa * Units.HaPerAcre, 1);
    }

    [Fact]
    public void Density_times_area_is_the_number_of_trees() =>
        Gen.Select(
                Gen.Double[1, 15],
                Gen.Double[0.2, 15],
                Gen.Double[0.01, 1000],
                Gen.Double[0, 0.95],
                Gen.Double[0, 0.5]
            )
            .Sample(
                (row, tree, area, missing, pollinizer) =>
                {
                    var density = PlantingDensity.Of(new(row, tree, area, missing, pollinizer));
                    var ground = density.TreePlaces * row * tree;
                    return Math.Abs(ground - area * 10_000) <= area * 1e-6
                        && Math.Abs(density.BearingTrees - density.BearingTreesPerHa * area)
                            <= 1e-6 * (1 + density.BearingTrees)
                        && density.BearingTrees <= density.TreePlaces + 1e-9;
                }
            );

    [Theory]
    [InlineData(0.0, "m", "range")]
    [InlineData(-3.5, "m", "range")]
    [InlineData(350.0, "m", "range")]
    [InlineData(double.NaN, "m", "range")]
    [InlineData(3.5, "furlong", "unit")]
    [InlineData(3.5, null, "unit")]
    [InlineData(null, "m", "missing")]
    public void Row_spacing_that_cannot_be_is_told_at_its_field(double? value, string? unit, string code)
    {
        var problems = Entries.ProblemsOf(() => (Entries.Planting with { RowSpacing = new(value, unit) }).ReadForm());
        Entries.AssertProblem(problems, "rowSpacing", code);
        Assert.Single(problems);
    }

    [Fact]
    public void A_range_is_told_in_the_unit_typed()
    {
        var problem = Assert.Single(
            Entries.ProblemsOf(() => (Entries.Planting with { RowSpacing = new(0, "ft") }).ReadForm())
        );
        Assert.Equal("Row spacing: expected 3.28 to 49.2 ft, got 0.", problem.Message);
    }

    [Fact]
    public void Every_wrong_field_is_named_at_once()
    {
        var problems = Entries.ProblemsOf(() => new DensityEntry { MissingShare = new(120, "%") }.ReadForm());
        Entries.AssertProblem(problems, "rowSpacing", "missing");
        Entries.AssertProblem(problems, "treeSpacing", "missing");
        Entries.AssertProblem(problems, "area", "missing");
        Entries.AssertProblem(problems, "missingShare", "range");
    }

    [Fact]
    public void Swapped_spacings_are_noticed() =>
        Assert.Contains(Of(1.0, 3.5, "m").Warnings, w => w.Code == "density.swapped");
}
