using Rama.Core.Plan;
using Rama.Core.Systems;
using Rama.Core.Training;

namespace Rama.Core.Tests.Training;

public sealed class SystemChoiceTests
{
    private static SystemChoice Of(SystemChoiceEntry entry) => entry.Calculate();

    private static SystemChoiceEntry Apples(params string[] systems) =>
        new() { Systems = [.. systems.Select(s => new ChosenSystem { System = s })], Wage = 19 };

    // Handbook 9.2: spindle-like systems front-loaded, about half the mature hours of steep multi-leader trees
    // [practice].
    [Theory]
    [InlineData("tall-spindle")]
    [InlineData("long-pruned-spindle")]
    public void A_spindle_asks_early_and_half_as_much_later(string spindle)
    {
        var choice = Of(Apples(spindle, "multi-leader-wall", "open-v"));
        var (one, wall, v) = (choice.Systems[0], choice.Systems[1], choice.Systems[2]);
        Assert.True(one.Leaves.Take(2).Sum(l => l.Hours) > 1.5 * one.Leaves.TakeLast(2).Sum(l => l.Hours));
        foreach (var steep in new[] { wall, v })
        {
            Assert.InRange(one.Leaves[^1].Hours / steep.Leaves[^1].Hours, 0.4, 0.7);
            Assert.True(one.Leaves[0].Hours > 1.5 * steep.Leaves[0].Hours);
        }
        // Lines of the hours cross within the years that are compared, after the planting is trained.
        Assert.All(choice.Crossings, c => Assert.InRange(c.HoursLeaf!.Value, 5, 15));
    }

    // Handbook 3.3: more leaders a tree reach the top wire a season later.
    [Fact]
    public void More_leaders_reach_the_top_later()
    {
        var choice = Of(Apples("tall-spindle", "two-axis-short-renewal", "multi-leader-wall"));
        Assert.True(choice.Systems[0].TopLeaf < choice.Systems[1].TopLeaf);
        Assert.True(choice.Systems[0].TopLeaf < choice.Systems[2].TopLeaf);
    }

    // By hand: 10 000 ÷ (4 × 1.25) = 2 000 trees; at 6 a tree and 9 000 a hectare 21 000 of capital; the first leaf
    // brings nothing, so the margin is what trees, wires and wages cost.
    [Fact]
    public void Capital_and_wages_are_the_margin_of_the_first_leaf()
    {
        var choice = Of(
            new()
            {
                Systems =
                [
                    new()
                    {
                        System = "tall-spindle",
                        RowSpacing = new(4, "m"),
                        TreeSpacing = new(1.25, "m"),
                        TreePrice = 6,
                        SupportPerHa = 9_000,
                    },
                ],
                Wage = 20,
                PricePerKg = 0.4,
                DiscountPercent = 5,
            }
        );
        var system = choice.Systems.Single();
        Assert.Equal((2_000, 21_000), (system.TreesPerHa, system.Capital));
        var first = system.Leaves[0];
        Assert.Equal(-21_000 - 20 * first.Hours, first.Margin!.Value, 6);
        Assert.Equal(first.Margin.Value / 1.05, first.Discounted!.Value, 6);
        // Sums of the leaves are what is told of all.
        Assert.Equal(system.Leaves.Sum(l => l.Margin!.Value), system.Leaves[^1].Cumulated!.Value, 6);
        Assert.Equal(system.Leaves.Sum(l => l.Training + l.Pruning + l.Thinning), system.Hours, 6);
    }

    [Fact]
    public void Grown_plantings_bring_what_was_told_and_first_crops_less()
    {
        var choice = Of(
            new() { Systems = [new() { System = "tall-spindle", GrownYield = new(20, "ton/ac") }], Wage = 19 }
        );
        var leaves = choice.Systems[0].Leaves;
        // 20 short tons an acre are 44.8 t/ha (definition: 907.185 kg, 0.404686 ha).
        Assert.Equal(44.83, leaves[^1].CropT, 2);
        Assert.Equal(0, leaves[1].CropT);
        Assert.True(leaves.Zip(leaves.Skip(1)).All(l => l.Second.CropT >= l.First.CropT));
        Assert.InRange(leaves[2].CropT, 5, 15);
        Assert.Null(leaves[0].Margin);
    }

    // Handbook 4.2: stocks tell when trees begin to bear. Colt is late in the catalogue [memory].
    [Fact]
    public void A_late_stock_crops_a_leaf_later()
    {
        SystemChoice On(string stock) => Of(Apples("cherry-spindle") with { Variety = "Van", Rootstock = stock });
        Assert.Equal(On("Tabel Edabriz").Systems[0].FirstCropLeaf + 1, On("Colt").Systems[0].FirstCropLeaf);
        Assert.Equal(On("Tabel Edabriz").Systems[0].Leaves[4].CropT, On("Colt").Systems[0].Leaves[5].CropT, 9);
    }

    [Fact]
    public void What_cannot_be_compared_is_refused_at_its_field()
    {
        Entries.AssertProblem(Entries.ProblemsOf(() => Of(new() { Wage = 19 })), "systems", "list");
        Entries.AssertProblem(Entries.ProblemsOf(() => Of(Apples("tall-spindle") with { Wage = 0 })), "wage", "range");
        Entries.AssertProblem(Entries.ProblemsOf(() => Of(Apples("a-way-of-mine"))), "systems[0].system", "unknown");
        Entries.AssertProblem(
            Entries.ProblemsOf(() => Of(Apples("tall-spindle", "tall-spindle"))),
            "systems",
            "duplicate"
        );
        Entries.AssertProblem(
            Entries.ProblemsOf(() => Of(Apples("tall-spindle", "pedestrian-peach") with { Variety = "Topaz" })),
            "systems[1].system",
            "conflict"
        );
        Entries.AssertProblem(
            Entries.ProblemsOf(() =>
                Of(new() { Systems = [new() { System = "tall-spindle", RowSpacing = new(0, "m") }], Wage = 19 })
            ),
            "systems[0].rowSpacing",
            "range"
        );
    }

    // One truth: heights, task hours and first crops of a planting are those of the comparison on its ground.
    [Fact]
    public void A_system_compared_on_the_ground_of_a_planting_is_its_training()
    {
        foreach (var system in TrainingSystem.Shipped)
        {
            var variety = Core.Estate.Catalogue.Shipped.Varieties.First(v => v.Crop == system.Crops[0]);
            // On a late stock the comparison crops later, which a planting's own leaves do not tell.
            if (
                Core.Estate.Catalogue.Shipped.Rootstocks.FirstOrDefault(r =>
                    r.IsFor(system.Crops[0]) && r.Precocity != Core.Crops.Precocity.Late
                )
                is not { } stock
            )
                continue;
            var planting = Entries.Planting with
            {
                Variety = variety.Name,
                Rootstock = stock.Name,
                System = system.Id,
                YearPlanted = 2027,
                RowSpacing = new(system.Form.UsualGround.RowM, "m"),
                TreeSpacing = new(system.Form.UsualGround.TreeM, "m"),
                Area = new(1, "ha"),
                MissingShare = null,
                PollinizerShare = null,
            };
            var plan = new TrainingProgrammeEntry
            {
                Plan = new() { Season = 2027, Planting = planting },
            }.Calculate();
            var years = Of(Apples(system.Id) with { Variety = variety.Name, Rootstock = stock.Name }).Systems[0];
            foreach (var leaf in plan.Leaves)
            {
                Assert.Equal(leaf.HeightM, years.Leaves[leaf.Leaf - 1].HeightM, 9);
                Assert.Equal(leaf.Hours, years.Leaves[leaf.Leaf - 1].Training, 6);
                Assert.Equal(leaf.CropShare > 0, years.Leaves[leaf.Leaf - 1].CropT > 0);
            }
        }
    }

    [Fact]
    public void Every_shipped_system_can_be_compared()
    {
        foreach (var system in TrainingSystem.Shipped)
        {
            var years = Of(Apples(system.Id)).Systems[0];
            Assert.Equal(SystemChoice.Leaves, years.Leaves.Count);
            Assert.Equal(system.Training!.GrownYieldTHa, years.Leaves[^1].CropT, 9);
            Assert.InRange(years.Leaves[^1].Hours, 20, 400);
        }
    }
}
