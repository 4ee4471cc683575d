using CsCheck;
using Rama.Core.Estate;
using Rama.Core.Plan;
using Rama.Core.Systems;
using Rama.Core.Tests.Systems;
using Rama.Core.Training;

namespace Rama.Core.Tests.Training;

public sealed class TrainingPlanTests
{
    private const int Season = 2027;

    public static TheoryData<string> Systems => [.. TrainingSystem.Shipped.Select(s => s.Id)];

    private static PlantingEntry EntryOf(string system, int leaf, string? variety = null, string? rootstock = null)
    {
        var crop = TrainingSystem.Find(system)!.Crops[0];
        var ground = TrainingSystem.Find(system)!.Form.UsualGround;
        return Entries.Planting with
        {
            Variety = variety ?? Catalogue.Shipped.Varieties.First(v => v.Crop == crop).Name,
            Rootstock = rootstock ?? Catalogue.Shipped.Rootstocks.First(r => r.IsFor(crop)).Name,
            System = system,
            YearPlanted = Season - leaf + 1,
            RowSpacing = new(ground.RowM, "m"),
            TreeSpacing = new(ground.TreeM, "m"),
        };
    }

    private static TrainingPlan PlanOf(PlantingEntry planting, params YoungSeasonEntry[] young) =>
        new TrainingProgrammeEntry
        {
            Plan = new() { Season = Season, Planting = planting },
            Young = young,
        }.Calculate();

    private static YoungSeasonEntry At(int season, double heightM, double? limbs = null, double? growthM = null) =>
        new()
        {
            Season = season,
            Trees = new()
            {
                Height = new(heightM, "m"),
                Limbs = limbs,
                Growth = growthM is { } g ? new(g, "m") : null,
            },
        };

    // Must show: a young planting of every shipped system from leaf 1 to full bearing.
    [Theory]
    [MemberData(nameof(Systems))]
    public void Every_system_leads_from_the_first_leaf_to_full_bearing(string id)
    {
        var plan = PlanOf(EntryOf(id, 1));
        Assert.True(plan.State.IsOn);
        Assert.NotEmpty(plan.Leaves[0].Tasks);
        Assert.Equal(1, plan.Leaves[^1].CropShare);
        Assert.Null(plan.Leaves[0].Crop);
        foreach (var (before, after) in plan.Leaves.Zip(plan.Leaves.Skip(1)))
        {
            Assert.True(after.HeightM >= before.HeightM, $"{id}: height");
            Assert.True(after.GirthCm > before.GirthCm, $"{id}: girth");
            Assert.True((after.Crop?.FruitPerTree ?? 0) >= (before.Crop?.FruitPerTree ?? 0), $"{id}: crop");
        }
        // Nothing crops before its flowers were taken off for the last time, and half a crop comes first.
        var first = plan.Leaves.First(l => l.CropShare > 0);
        Assert.Equal(0.5, first.CropShare);
        Assert.DoesNotContain(first.Tasks, t => t.Task.Id == "blossom-off");
        Assert.All(plan.Leaves.Where(l => l.Leaf < first.Leaf), l =>
            Assert.Contains(l.Tasks, t => t.Task.Id == "blossom-off")
        );
    }

    // One truth: what the training page tells of a leaf are the passes of the year, with the same hours.
    [Theory]
    [MemberData(nameof(Systems))]
    public void Tasks_of_a_leaf_are_passes_of_its_season(string id)
    {
        var system = TrainingSystem.Find(id)!;
        for (var leaf = 1; leaf <= system.Training!.Leaves; leaf++)
        {
            var planting = EntryOf(id, leaf);
            var now = PlanOf(planting).Now!;
            var programme = new ProgrammeEntry
            {
                Plan = new() { Season = Season, Planting = planting },
                GreenTip = new(2027, 3, 15),
            }.Calculate();
            Assert.Equal(
                now.Tasks.ToDictionary(t => t.Task.Id, t => t.Hours?.Paid),
                programme.Passes.Where(p => p.Task is not null).ToDictionary(p => p.Id, p => p.Hours?.Paid)
            );
            Assert.DoesNotContain(programme.Passes, p => p.Window.NeverOpens && p.Task is not null);
        }
    }

    // Handbook 9.1: limbs of the first year are headed on productive × dwarfing, not on poor setters.
    [Theory]
    [InlineData("Burlat", "Weiroot 158", false)] // sets poorly
    [InlineData("Van", "Weiroot 158", true)]
    [InlineData("Van", "Colt", false)] // not dwarfing
    public void Cherry_limbs_are_headed_where_it_sets_on_a_dwarfing_stock(string variety, string stock, bool headed)
    {
        var plan = PlanOf(EntryOf("cherry-spindle", 2, variety, stock));
        Assert.Equal(headed, plan.Now!.Tasks.Any(t => t.Task.Id == "head-limbs"));
        Assert.DoesNotContain(plan.Leaves[0].Tasks, t => t.Task.Id == "head-limbs");
    }

    // By hand: 1.30 and 1.90 m at the ends of leaf 1 and 2 is .6 m a year; to the top wire of 2.6 m, with two first
    // crops on the way (leaves 3 and 4) .48 m: .7 ÷ .48 = 1.46 leaves after the second, so in the fourth, a leaf either
    // way.
    [Fact]
    public void The_top_wire_is_told_from_two_heights()
    {
        var plan = PlanOf(EntryOf("tall-spindle", 3), At(2025, 1.3), At(2026, 1.9));
        Assert.Equal(0.48, plan.TopWire!.GrowthM, 9);
        Assert.Equal(3.46, plan.TopWire.Leaf, 2);
        Assert.Equal((4, 3, 5), (plan.TopWire.InLeaf, plan.TopWire.From, plan.TopWire.To));
        Assert.Equal(1.9 + 0.48, plan.Leaves[2].HeightM, 9);
    }

    [Fact]
    public void It_ends_when_height_space_and_crop_are_there_and_not_before()
    {
        bool IsOn(params YoungSeasonEntry[] young) => PlanOf(EntryOf("tall-spindle", 5), young).State.IsOn;
        Assert.True(IsOn());
        Assert.True(IsOn(At(2026, 3.1, 12)));
        Assert.False(IsOn(At(2026, 3.2, 19)));
        // Leaf 5 may carry in full; leaf 4 may not.
        Assert.True(PlanOf(EntryOf("tall-spindle", 4), At(2026, 3.2, 19)).State.IsOn);
        // What is measured at the end of this season tells of the next.
        Assert.True(IsOn(At(2027, 3.2, 19)));
    }

    [Fact]
    public void Trees_that_lag_behind_are_trained_on_and_told()
    {
        var plan = PlanOf(EntryOf("tall-spindle", 8), At(2026, 2.4, 12));
        Assert.True(plan.State.IsOn);
        Assert.Equal(6, plan.State.Leaf);
        Assert.Contains(plan.Warnings, w => w.Code == "training.over");
        Assert.False(PlanOf(EntryOf("tall-spindle", 14), At(2026, 2.4, 12)).State.IsOn);
    }

    // Handbook 9.1: half the mature density at first crop. By hand: Jonagold carries 4 to 6 fruit per cm² [memory], 5
    // in the middle; a girth of 10 cm is 7.96 cm²; half of 5 on it is 19.9.
    [Fact]
    public void The_first_crop_is_half_of_what_the_trunk_would_carry()
    {
        var jonagold = Catalogue.Shipped.Varieties.Single(v => v.Name == "Jonagold");
        var density = (jonagold.CropDensityLow!.Value + jonagold.CropDensityHigh!.Value) / 2;
        YoungSeasonEntry measured = new()
        {
            Season = 2026,
            Trees = new() { Girth = new(10, "cm") },
        };
        var plan = PlanOf(EntryOf("tall-spindle", 3, "Jonagold"), measured);
        Assert.Equal(0.5 * density * 100 / (4 * Math.PI), plan.Now!.Crop!.FruitPerTree, 9);
    }

    [Fact]
    public void A_target_above_the_first_crop_is_warned_of()
    {
        var planting = EntryOf("tall-spindle", 3, "Jonagold").Read(Season);
        Assert.Contains(Core.Target.Capacity.CropLoad.Check(planting, 60, 8), w => w.Code == "crop-load.first-crop");
        Assert.DoesNotContain(Core.Target.Capacity.CropLoad.Check(planting, 12, 8), w =>
            w.Code == "crop-load.first-crop"
        );
    }

    // One truth: where young trees were counted with their girths, training, passes and target tell one limit.
    [Fact]
    public void Counted_trunks_tell_the_first_crop_everywhere()
    {
        var counted = Entries.Counted(60, 55, 64);
        var entry = new PlanEntry
        {
            Season = Season,
            Planting = EntryOf("tall-spindle", 3, "Jonagold"),
            Target = Entries.Target,
            Count = counted with { Trees = [.. counted.Trees.Select(t => t with { Girth = new(11, "cm") })] },
        };
        var most = new TrainingProgrammeEntry { Plan = entry }
            .Calculate()
            .Now!.Crop!.FruitPerTree;
        var jonagold = Catalogue.Shipped.Varieties.Single(v => v.Name == "Jonagold");
        var density = (jonagold.CropDensityLow!.Value + jonagold.CropDensityHigh!.Value) / 2;
        Assert.Equal(0.5 * density * 121 / (4 * Math.PI), most, 6);
        var plan = PruningPlan.Of(entry);
        var warned = plan.LoadWarnings.Single(w => w.Code == "crop-load.first-crop");
        Assert.Equal(most, warned.Figures[0].Value, 6);
        var pass = new ProgrammeEntry { Plan = entry, GreenTip = new(2027, 3, 15) }
            .Calculate()
            .Passes.Single(p => p.Id == "first-crop");
        Assert.Equal(Math.Floor(most), pass.Task!.PerTree);
    }

    [Fact]
    public void A_planting_of_next_year_and_measures_before_planting_are_refused()
    {
        Entries.AssertProblem(Entries.ProblemsOf(() => PlanOf(EntryOf("tall-spindle", 0))), "yearPlanted", "range");
        Entries.AssertProblem(
            Entries.ProblemsOf(() => PlanOf(EntryOf("tall-spindle", 2), At(2020, 1))),
            "young[0].season",
            "range"
        );
        Entries.AssertProblem(
            Entries.ProblemsOf(() => PlanOf(EntryOf("tall-spindle", 2), At(2026, 1), At(2026, 1.1))),
            "young[1].season",
            "duplicate"
        );
        Entries.AssertProblem(
            Entries.ProblemsOf(() => PlanOf(EntryOf("tall-spindle", 2), At(2026, 1, growthM: 1.2))),
            "young[0].growth",
            "conflict"
        );
    }

    private const string Training = """
        "training": { "firstCropLeaf": 2, "ready": ["fullCrop"], "growth": [
          { "height": 0.5, "trunk": 0.5, "limbs": 0.5, "crop": 0 }, { "height": 1, "trunk": 1, "limbs": 1, "crop": 1 }],
          "pruningSeconds": [0, 60], "thinningSeconds": 30, "grownYieldTHa": 40, "source": "test",
          "tasks": [{ "use": "tie-leader", "toLeaf": 2 }] }
        """;

    private static TrainingSystem Pack(string from, string to) =>
        TrainingSystem.Parse(
            Packs
                .Json()
                .Replace(
                    "\"keepOff\": []",
                    $"\"keepOff\": [], {Training.Replace(from, to, StringComparison.Ordinal)}",
                    StringComparison.Ordinal
                )
        );

    [Fact]
    public void A_pack_takes_tasks_from_the_common_ones_and_writes_over_them()
    {
        var task = Pack("x", "x").Training!.Tasks.Single();
        Assert.Equal(("tie-leader", 1, 2), (task.Id, task.FromLeaf, task.ToLeaf));
    }

    [Theory]
    [InlineData("\"firstCropLeaf\": 2", "\"firstCropLeaf\": 3", "firstCropLeaf")]
    [InlineData("\"crop\": 0 }", "\"crop\": 0.2 }", "no crop before")]
    [InlineData("\"height\": 0.5", "\"height\": 0", "height and trunk")]
    [InlineData("\"trunk\": 1", "\"trunk\": 0.4", "shrink")]
    [InlineData("\"limbs\": 1", "\"limbs\": 0.9", "grown tree")]
    [InlineData("[\"fullCrop\"]", "[]", "ready")]
    [InlineData("[0, 60]", "[]", "pruningSeconds")]
    [InlineData("\"grownYieldTHa\": 40", "\"grownYieldTHa\": 900", "grownYieldTHa")]
    [InlineData("\"toLeaf\": 2", "\"toLeaf\": 16", "fromLeaf to toLeaf")]
    [InlineData("\"toLeaf\": 2", "\"perTree\": 900", "perTree")]
    [InlineData("\"toLeaf\": 2", "\"when\": [\"lucky\"]", "lucky")]
    [InlineData("\"toLeaf\": 2", "\"id\": \"winter\"", "share one of that id")]
    [InlineData("\"toLeaf\": 2", "\"secondsEach\": -1", "secondsEach")]
    [InlineData("\"use\": \"tie-leader\"", "\"use\": \"nothing\"", "no common entry")]
    public void Packs_with_impossible_programmes_are_refused(string from, string to, string told) =>
        Assert.Contains(
            told,
            Assert.Throws<InvalidDataException>(() => Pack(from, to)).Message,
            StringComparison.Ordinal
        );

    // Property: whatever was measured, sizes never shrink from leaf to leaf and never pass the grown tree by more than
    // was measured.
    [Fact]
    public void Expected_sizes_grow_from_what_was_measured() =>
        Gen.Select(Gen.Int[0, TrainingSystem.Shipped.Count - 1], Gen.Int[1, 8], Gen.Double[0.3, 5], Gen.Double[0, 2])
            .Sample(
                (system, leaf, height, growth) =>
                {
                    var plan = PlanOf(
                        EntryOf(TrainingSystem.Shipped[system].Id, leaf + 1),
                        At(Season - 1, height, growthM: Math.Min(height, growth))
                    );
                    var later = plan.Leaves.Where(l => l.Leaf >= leaf).ToList();
                    return later.Zip(later.Skip(1)).All(l => l.Second.HeightM >= l.First.HeightM - 1e-9)
                        && later.All(l => l.HeightM <= Math.Max(height, 5) + 1e-9);
                },
                iter: 300
            );
}
