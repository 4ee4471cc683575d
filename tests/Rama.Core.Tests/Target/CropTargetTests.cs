using CsCheck;
using Rama.Core.Estate;
using Rama.Core.Target;
using Rama.Core.Target.Size;

namespace Rama.Core.Tests.Target;

public sealed class CropTargetTests
{
    private static readonly DensityEntry Metric = Entries.Planting;

    private static readonly DensityEntry American = new()
    {
        RowSpacing = new(13, "ft"),
        TreeSpacing = new(4, "ft"),
        Area = new(5, "ac"),
        MissingShare = new(2, "%"),
    };

    private static CropTarget Of(
        DensityEntry ground,
        double yield,
        string yieldUnit,
        double size,
        string sizeUnit,
        double packOut = 100
    ) =>
        CropTarget.Of(
            PlantingDensity.Of(ground.ReadForm()),
            new CropTargetEntry
            {
                Yield = new(yield, yieldUnit),
                FruitSize = new(size, sizeUnit),
                PackOut = new(packOut, "%"),
            }.ReadCrop()
        );

    // Handbook 2.3 [derived].
    [Fact]
    public void Sixty_tonnes_of_190_grams() =>
        Near.Printed(122.7, Of(Metric, 60, "t/ha", 190, "g", 88).FruitPerTree, 1);

    // Handbook 2.3 [derived]: the mass of a bushel cancels where the size is told per bushel.
    [Fact]
    public void Nine_hundred_fifty_bushels_of_a_hundred() =>
        Near.Printed(115.7, Of(American, 950, "bushel/ac", 100, "fruit/bushel").FruitPerTree, 1);

    [Fact]
    public void The_same_in_boxes_when_size_is_told_per_box() =>
        Near.Printed(115.7, Of(American, 950, "box/ac", 100, "fruit/box").FruitPerTree, 1);

    // Handbook 2.2 [practice]: fruit of a 40 lb carton.
    [Theory]
    [InlineData(80, 227)]
    [InlineData(100, 181)]
    [InlineData(125, 145)]
    public void Count_size_to_grams(double count, double grams) =>
        Near.Printed(grams, Of(Metric, 60, "t/ha", count, "fruit/box").FruitMassG, 0);

    // Handbook 2.2 [derived]: round fruit of 0.85 g/cm³.
    [Theory]
    [InlineData(65, 122)]
    [InlineData(70, 153)]
    [InlineData(75, 188)]
    [InlineData(80, 228)]
    [InlineData(85, 273)]
    public void Diameter_to_grams(double mm, double grams) => Near.Printed(grams, DiameterLaw.Apple.MassG(mm), 0);

    [Theory]
    [InlineData("bin/ha", 200)] // 60 t in bins of 300 kg
    [InlineData("kg/ha", 60_000)]
    public void The_same_yield_in_another_unit_is_the_same_target(string unit, double value) =>
        Near.Printed(122.7, Of(Metric, value, unit, 190, "g", 88).FruitPerTree, 1);

    // 60 t/ha on 2 925.4 bearing trees/ha is 20.51 kg a tree, worked by hand.
    [Theory]
    [InlineData(20.51, "kg/tree")]
    [InlineData(45.217, "lb/tree")]
    public void Yield_per_tree_needs_no_density(double value, string unit) =>
        Near.Printed(122.7, Of(Metric, value, unit, 190, "g", 88).FruitPerTree, 1);

    [Fact]
    public void Fruit_per_tree_is_taken_as_it_is() =>
        Assert.Equal(96, Of(Metric, 96, "fruit/tree", 190, "g", 50).FruitPerTree);

    [Fact]
    public void Own_package_masses_win() =>
        Near.Printed(
            122.7,
            CropTarget
                .Of(
                    PlantingDensity.Of(Metric.ReadForm()),
                    new CropTargetEntry
                    {
                        Yield = new(150, "bin/ha"),
                        FruitSize = new(190, "g"),
                        PackOut = new(88, "%"),
                        Packages = new() { Bin = new(400, "kg") },
                    }.ReadCrop()
                )
                .FruitPerTree,
            1
        );

    [Fact]
    public void More_yield_never_means_fewer_buds() =>
        Gen.Select(
                Gen.Int[0, YieldTarget.UnitCodes.Count - 1].Select(i => YieldTarget.UnitCodes[i]),
                Gen.Double[1, 2],
                Gen.Double[1, 3],
                Gen.Double[1, 6],
                Gen.Double[0.05, 1]
            )
            .Sample(
                (unit, low, more, factor, packOut) =>
                {
                    // A start that three-fold more still keeps within what every unit accepts.
                    var start =
                        unit.EndsWith("/tree", StringComparison.Ordinal) ? 4 * low
                        : unit is "kg/ha" or "lb/ac" ? 5_000 * low
                        : 10 * low;
                    double Buds(double yield) => Of(Metric, yield, unit, 190, "g", packOut * 100).FruitPerTree * factor;
                    return Buds(start * more) >= Buds(start);
                }
            );

    [Fact]
    public void The_last_step_gives_the_answer()
    {
        var target = Of(Metric, 60, "t/ha", 190, "g", 88);
        var step = target.Steps[^1];
        Assert.Equal("crop-target.fruit-per-tree", step.Code);
        Assert.Equal(target.Value, step.Result.Value);
        // What the screen shows can be worked by hand: 60 000 ÷ (0.190 × 0.88 × 2 925.4).
        Assert.Equal([60_000, 190, 0.88], step.Inputs.Take(3).Select(i => i.Value));
        Near.Printed(2925.4, step.Inputs[3].Value, 1);
    }

    [Theory]
    [InlineData("yield", "missing")]
    [InlineData("fruitSize", "missing")]
    public void Missing_yield_or_size_is_told_at_its_field(string field, string code) =>
        Entries.AssertProblem(Entries.ProblemsOf(() => new CropTargetEntry().ReadCrop()), field, code);

    [Theory]
    [InlineData(0, "t/ha")]
    [InlineData(-5, "t/ha")]
    [InlineData(9_000, "t/ha")]
    [InlineData(0, "fruit/tree")]
    public void Absurd_yield_is_told_at_its_field(double value, string unit) =>
        Entries.AssertProblem(
            Entries.ProblemsOf(() => (Entries.Target with { Yield = new(value, unit) }).ReadCrop()),
            "yield",
            "range"
        );

    [Theory]
    [InlineData(0, "g", "range")]
    [InlineData(-1, "fruit/box", "range")]
    [InlineData(9, "in", "range")]
    [InlineData(190, "stone", "unit")]
    public void Absurd_size_is_told_at_its_field(double value, string unit, string code) =>
        Entries.AssertProblem(
            Entries.ProblemsOf(() => (Entries.Target with { FruitSize = new(value, unit) }).ReadCrop()),
            "fruitSize",
            code
        );

    [Theory]
    [InlineData(1.01, "share")]
    [InlineData(101, "%")]
    [InlineData(0, "%")]
    public void Pack_out_above_one_or_nothing_is_told_at_its_field(double value, string unit) =>
        Entries.AssertProblem(
            Entries.ProblemsOf(() => (Entries.Target with { PackOut = new(value, unit) }).ReadCrop()),
            "packOut",
            "range"
        );

    [Theory]
    [InlineData(60, 190, 88, null)]
    [InlineData(120, 190, 100, null)]
    [InlineData(121, 190, 100, "crop-target.high-yield")]
    [InlineData(60, 190, 50, null)]
    [InlineData(60, 190, 49, "crop-target.pack-out")]
    public void An_unusual_target_is_warned_of(double tonnes, double grams, double packOut, string? code) =>
        Assert.Equal(code, Of(Metric, tonnes, "t/ha", grams, "g", packOut).Warnings.SingleOrDefault()?.Code);

    // Far is nearly twice, or half.
    [Theory]
    [InlineData(180, false)]
    [InlineData(330, false)]
    [InlineData(350, true)]
    [InlineData(100, false)]
    [InlineData(90, true)]
    public void A_size_far_from_the_variety_s_is_warned_of(double grams, bool isFar)
    {
        var wanted = new CropTargetEntry
        {
            Yield = new(60, "t/ha"),
            FruitSize = new(grams, "g"),
            PackOut = new(90, "%"),
        }.ReadCrop();
        var target = CropTarget.Of(PlantingDensity.Of(Metric.ReadForm()), wanted with { UsualMassG = 180 });
        Assert.Equal(isFar, target.Warnings.Any(w => w.Code == "crop-target.size"));
    }

    // Every form the target is told in, from 60 t/ha of 190 g at a pack-out of 88 %, by hand: boxes of 18.14 kg, bins
    // of 300 kg, an acre of .4047 ha, a short ton of 907.2 kg.
    [Fact]
    public void The_same_target_in_every_form()
    {
        var target = Of(Metric, 60, "t/ha", 190, "g", 88);
        double Told(string name, string unit) => target.SameTarget.Single(f => f.Name == name && f.Unit == unit).Value;
        var fruit = target.FruitPerTree;
        Near.Printed(60, Told("marketable yield", "t/ha"), 9);
        Near.Printed(200, Told("marketable yield", "bin/ha"), 9);
        Assert.Equal(60_000 / 18.14, Told("marketable yield", "box/ha"), 2.0);
        Assert.Equal(60_000 * 0.40469 / 907.185, Told("marketable yield", "ton/ac"), 0.01);
        Assert.Equal(fruit * 0.19, Told("picked", "kg/tree"), 9);
        Assert.Equal(fruit * 0.19 * 0.88, Told("packed", "kg/tree"), 9);
        Assert.Equal(
            fruit * PlantingDensity.Of(Metric.ReadForm()).BearingTreesPerHa / 1_000,
            Told("fruit grown", "thousand fruit/ha"),
            9
        );
        Assert.Equal(18.14 / 0.19, Told("count size", "fruit/box"), 0.05);
        Near.Printed(190, Told("fruit mass", "g"), 9);
        // 190 g of .85 g/cm³ are a ball of 75.3 mm.
        Assert.Equal(Math.Cbrt(190 / 0.85 * 6 / Math.PI) * 10, Told("diameter", "mm"), 0.1);
    }
}
