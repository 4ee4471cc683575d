using CsCheck;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Training;
using Rama.Core.Training.Renewal;

namespace Rama.Core.Tests.Training;

/// <summary>Check values of handbook 9 [derived], worked out once more apart from this code where it says so.</summary>
public sealed class TrainingCalculatorsTests
{
    // Handbook 9.1: 1.1 m at 2.4 cm → 45.8 buds, 11.7 kept (25 %), 8.4 cm apart, a limb per 12.9 cm at .65.
    [Fact]
    public void Buds_of_a_bare_leader()
    {
        var removal = new BudRemovalEntry { LengthM = 1.1, InternodeCm = 2.4 }.Calculate();
        Assert.Equal(
            (45.8, 11.7, 8.4, 12.9),
            (
                Math.Round(removal.Buds, 1),
                Math.Round(removal.Kept, 1),
                Math.Round(removal.SpacingCm, 1),
                Math.Round(removal.LimbSpacingCm, 1)
            )
        );
        Assert.InRange(removal.TakenShare, 0.70, 0.85);
        Assert.DoesNotContain(removal.Warnings, w =>
            w.Code.StartsWith("bud-removal.", StringComparison.Ordinal) && w.Code != "bud-removal.caution"
        );
    }

    // Handbook 9.1: limbs closer than 8 cm are refused with the reason.
    [Fact]
    public void Limbs_that_would_shade_each_other_are_refused()
    {
        var problem = Assert
            .Throws<UnusableEntryException>(() =>
                new BudRemovalEntry
                {
                    LengthM = 1.1,
                    InternodeCm = 2.4,
                    TakenEach = 1,
                }.Calculate()
            )
            .Problems.Single();
        Assert.Equal("takenEach", problem.Field);
        Assert.Contains("7.4 cm", problem.Message, StringComparison.Ordinal); // 2.4 × 2 ÷ .65
        Assert.Throws<UnusableEntryException>(() => new BudRemovalEntry { LengthM = 0.2, InternodeCm = 5 }.Calculate());
    }

    // Handbook 9.6: 4 scaffolds, three rounds at 3.5 → 14, 49, 171.5 tips; 0.6 flowering × 0.3 held → 31 fruit.
    [Fact]
    public void Tips_multiply_flush_by_flush()
    {
        var tips = new FlushTipsEntry { Scaffolds = 4, Rounds = 3 }.Calculate();
        Assert.Equal([14, 49, 171.5], tips.Rounds);
        Assert.Equal(31, Math.Round(tips.Fruit));
        Assert.Throws<UnusableEntryException>(() => new FlushTipsEntry { Scaffolds = 4, Rounds = 0 }.Calculate());
        // The shipped programme asks for those amounts, leaf by leaf.
        Assert.Equal(
            [14, 49, 171],
            Core.Systems.TrainingSystem.Find("flush-tipped-dome")!
                .Training!.Tasks.Where(t => t.Id.StartsWith("tip-", StringComparison.Ordinal))
                .Select(t => t.PerTree!.Value)
        );
    }

    // By hand: girth 12 cm is 11.46 cm²; half of 6 fruit per cm² on it are 34.4. From 1.8 m in the fourth leaf at .5 m
    // a year, less a tenth for one first crop, .45 m: 3 m after 2.67 leaves more.
    [Fact]
    public void A_first_crop_and_the_leaf_of_the_top_wire()
    {
        var crop = new FirstCropEntry
        {
            GirthCm = 12,
            CropDensity = 6,
            Leaf = 4,
            HeightM = 1.8,
            ExtensionM = 0.5,
            WireM = 3,
            FirstCrops = 1,
        }.Calculate();
        Assert.Equal(34.4, crop.FruitPerTree, 1);
        Assert.Equal(4 + 1.2 / 0.45, crop.TopWireLeaf!.Value, 9);
        Assert.Equal(7, crop.TopWireInLeaf); // 6.67
        Assert.Equal((crop.TopWireLeaf - 1, crop.TopWireLeaf + 1), (crop.TopWireFrom, crop.TopWireTo));
        Assert.Null(
            new FirstCropEntry { GirthCm = 12, CropDensity = 6 }
                .Calculate()
                .TopWireLeaf
        );
    }

    // Handbook 9.2, worked out once more in R: a <- c(260, 300, …); b <- c(110, 140, …); cumsum(a) and cumsum(b) cross
    // in leaf 9 (1 520 against 1 610); sum(19 * a / 1.05^seq_along(a)) is 25 091, of b 26 031.
    [Fact]
    public void Labour_of_two_systems_crosses_in_leaf_nine()
    {
        var compared = new SystemComparisonEntry
        {
            First = [260, 300, 220, 170, 140, 120, 110, 100, 100, 100],
            Second = [110, 140, 170, 190, 200, 200, 200, 200, 200, 200],
            Wage = 19,
            DiscountPercent = 5,
        }.Calculate();
        Assert.Equal(9, compared.CrossingLeaf);
        Assert.Equal(new(9, 1_520, 1_610), compared.Cumulated[8]);
        Assert.Equal((25_091, 26_031), (Math.Round(compared.FirstCost), Math.Round(compared.SecondCost)));
        // By hand: 10 and 5, 15 and 15, 15 and 20: they meet in the second leaf and cross in the third.
        Assert.Equal(3, SystemComparison.Of([10, 5, 0], [5, 10, 5], 1, 0).CrossingLeaf);
        Assert.Null(SystemComparison.Of([10, 5], [5, 10], 1, 0).CrossingLeaf);
    }

    // Handbook 9.3, worked out once more in Python: 4.25, 4.10, 3.95, 3.85 over four winters; 20 limbs at 3 are 6.7
    // years.
    [Fact]
    public void Limbs_grow_younger_when_the_oldest_go_first()
    {
        var forecast = new RenewalForecastEntry { ByAge = [3, 3, 2, 2, 2, 3, 3, 2], Renewed = 3 }.Calculate();
        Assert.Equal([4.25, 4.10, 3.95, 3.85], forecast.Winters.Skip(1).Select(w => Math.Round(w.MeanYears, 2)));
        Assert.Equal(6.7, forecast.CycleYears!.Value, 1);
        Assert.Empty(forecast.Warnings);
        Assert.Contains(RenewalForecast.Of([20], 0, 2).Warnings, w => w.Code == "renewal.none");
        Assert.Contains(RenewalForecast.Of([20], 0.5, 2, mostYears: 20).Warnings, w => w.Code == "renewal.slow");
    }

    [Fact]
    public void No_limb_is_lost_or_made() =>
        Gen.Select(Gen.Double[0, 20].Array[1, 20], Gen.Double[0, 30])
            .Where((ages, _) => ages.Sum() > 0)
            .Sample(
                (ages, renewed) =>
                    RenewalForecast.Of(ages, renewed, 5).Winters.All(w => Math.Abs(w.ByAge.Sum() - ages.Sum()) < 1e-6)
            );

    private static readonly TakingOutEntry Block = new()
    {
        TonnesPerHa = 52,
        MarginPerKg = 0.42,
        Wage = 19,
        KeptHoursPerHa = 120,
        FirstHoursPerHa = 90,
        LaterHoursPerHa = 85,
        GrubbingPerHa = 1_900,
        DiscountPercent = 5,
    };

    // Handbook 9.5, worked out once more in Python: keep 74 259, every second tree out 70 145 over five years at 5 %.
    [Fact]
    public void Every_second_tree_out_against_keeping_all()
    {
        var compared = Block.Calculate();
        Assert.Equal((74_259, 70_145), (Math.Round(compared.Keep), Math.Round(compared.TakeOut)));
        // At the break-even decline the two are one.
        var even = compared.BreakEvenDecline!.Value;
        Assert.True(even > 0.04);
        var at = (Block with { DeclinePercent = even * 100 }).Calculate();
        Assert.Equal(at.TakeOut, at.Keep, 0);
    }

    // Handbook 9.5: hours 120 kept, 90 in the first year and 85 then, and .60 .75 .90 .98 1.00 of the crop, are what
    // is usual for every second tree; every fourth loses half as much, a whole block all.
    [Fact]
    public void What_is_usual_follows_from_the_share_that_goes()
    {
        var told = Block.Calculate();
        var usual = (Block with { FirstHoursPerHa = null, LaterHoursPerHa = null }).Calculate();
        Assert.Equal(told.TakeOut, usual.TakeOut, 6);
        double[] Crop(string pattern, double every) =>
            [
                .. (Block with { Pattern = pattern, Every = every })
                    .Calculate()
                    .Years.Select(y => Math.Round(y.OutKgPerHa / 52_000, 3)),
            ];
        Assert.Equal([0.8, 0.875, 0.95, 0.99, 1], Crop("tree", 4));
        Assert.Equal([0.6, 0.675, 0.725, 0.75, 0.75], Crop("row", 2));
        Assert.Equal([0, 0, 0, 0, 0], Crop("whole", 2));
        Assert.Equal(0.25, (Block with { Every = 4 }).Calculate().ShareOut);
        Assert.Throws<UnusableEntryException>(() => (Block with { Every = 1 }).Calculate());
        Assert.Throws<UnusableEntryException>(() => (Block with { Pattern = "2" }).Calculate());
    }

    // By hand: rows 1 to 3 of five trees; tree 2 of row 1 is missing, tree 4 of row 3 is to be grubbed already.
    [Fact]
    public void Trees_that_go_are_marked_in_the_rows()
    {
        TreeRow Row(int number, int[] missing, int[] toGrub) => new(number, 11, 5, missing, [], [], toGrub);
        TreeRow[] rows = [Row(1, [12], []), Row(2, [], []), Row(3, [], [14])];
        int[][] Marked(TakenPattern pattern, int every, int from) =>
            [.. new Taken(pattern, every, from).Marked(rows).Select(r => r.ToGrub.ToArray())];
        Assert.Equal(
            [
                [11, 13, 15],
                [11, 13, 15],
                [11, 13, 14, 15],
            ],
            Marked(TakenPattern.Tree, 2, 1)
        );
        Assert.Equal(
            [
                [14],
                [12, 14],
                [12, 14],
            ],
            Marked(TakenPattern.Tree, 2, 2)
        );
        Assert.Equal(
            [
                [],
                [11, 12, 13, 14, 15],
                [14],
            ],
            Marked(TakenPattern.Row, 2, 2)
        );
        Assert.Equal(
            [
                [11, 13, 14, 15],
                [11, 12, 13, 14, 15],
                [11, 12, 13, 14, 15],
            ],
            Marked(TakenPattern.Whole, 2, 1)
        );
    }

    [Fact]
    public void What_pays_at_once_or_never_has_no_other_break_even()
    {
        Assert.Equal(0, (Block with { KeptHoursPerHa = 1_000 }).Calculate().BreakEvenDecline);
        Assert.Null((Block with { GrubbingPerHa = 200_000 }).Calculate().BreakEvenDecline);
    }

    // Handbook 9.3: neighbouring rows face the same alley with the same state; never two seasons running; both cycles.
    [Theory]
    [InlineData(1, null)]
    [InlineData(2, null)]
    [InlineData(1, 2031)]
    [InlineData(2, 2030)]
    public void Sides_take_turns_and_none_is_renewed_two_seasons_running(int every, int? change)
    {
        var calendar = SideCalendar.Of(7, 2028, every, 14, change is { } from ? (from, 3 - every) : null);
        foreach (var (before, now) in calendar.Seasons.Zip(calendar.Seasons.Skip(1)))
        foreach (var (a, b) in before.Alleys.Zip(now.Alleys))
        {
            Assert.False(a == SideState.Renewed && b == SideState.Renewed);
            // What was cut back has its replacement chosen in the summer after.
            Assert.Equal(a == SideState.Renewed, b == SideState.Chosen);
        }
        foreach (var season in calendar.Seasons)
        foreach (var (left, right) in season.Alleys.Zip(season.Alleys.Skip(1)))
            Assert.False(left != SideState.Crops && right == left);
        // Every alley comes round.
        Assert.All(Enumerable.Range(0, 7), alley =>
            Assert.Contains(calendar.Seasons, s => s.Alleys[alley] == SideState.Renewed)
        );
    }

    [Fact]
    public void What_cannot_be_is_told_at_its_field()
    {
        string[] Fields(Action calculate) =>
            [.. Assert.Throws<UnusableEntryException>(calculate).Problems.Select(p => p.Field)];
        Assert.Equal(["wage", "first", "second"], Fields(() => new SystemComparisonEntry { Second = [1] }.Calculate()));
        Assert.Equal(["byAge"], Fields(() => new RenewalForecastEntry { Renewed = 1, ByAge = [0, 0] }.Calculate()));
        Assert.Equal(["cropPercent[1]"], Fields(() => (Block with { CropPercent = [60, -1] }).Calculate()));
        Assert.Equal(
            ["changeTo"],
            Fields(() =>
                new SideCalendarEntry
                {
                    Alleys = 3,
                    Start = 2028,
                    ChangeFrom = 2030,
                }.Calculate()
            )
        );
    }

    // Handbook 3.3 and 9.3: sides start after both have grown and cropped together, about the third season; a change
    // of cycle lays the calendar anew from next season on and never renews a side two seasons running.
    [Fact]
    public void Sides_of_a_planting_take_turns_from_the_third_leaf_on()
    {
        Entries.AssertProblem(
            Entries.ProblemsOf(() => new SidePlanEntry { Start = 2021 }.Read(2020)),
            "start",
            "range"
        );
        Entries.AssertProblem(
            Entries.ProblemsOf(() =>
                new SidePlanEntry
                {
                    Start = 2022,
                    ChangeFrom = 2022,
                    ChangeTo = 2,
                }.Read(2020)
            ),
            "changeFrom",
            "conflict"
        );
        var plan = new SidePlanEntry { Start = 2022 }.Read(2020);
        Assert.Null(plan.In(7, 2021));
        // An odd number of rows has an even number of alleys with the outer sides; every row is cut on one side.
        foreach (var rows in new[] { 6, 7, 0 })
            for (var season = 2022; season < 2030; season++)
            {
                var alleys = plan.In(rows, season)!.Alleys;
                Assert.Equal((rows == 0 ? SidePlan.RowsNotListed : rows) + 1, alleys.Count);
                Assert.All(alleys.Zip(alleys.Skip(1)), pair =>
                    Assert.Single(new[] { pair.First, pair.Second }, s => s == SideState.Renewed)
                );
            }
    }

    [Fact]
    public void No_alley_is_renewed_two_seasons_running_whatever_changes() =>
        Gen.Select(Gen.Int[1, 2], Gen.Int[2023, 2032], Gen.Int[1, 2])
            .Sample(
                (every, from, then) =>
                {
                    var plan = new SidePlanEntry
                    {
                        Start = 2022,
                        EveryYears = every,
                        ChangeFrom = from,
                        ChangeTo = then,
                    }.Read(2020);
                    var seasons = plan.Calendar(6, 2040).Seasons;
                    return seasons
                        .Zip(seasons.Skip(1))
                        .All(s => !s.First.In(SideState.Renewed).Intersect(s.Second.In(SideState.Renewed)).Any());
                }
            );

    [Fact]
    public void A_limit_that_cannot_be_read_is_told_where_it_was_typed()
    {
        var problem = Assert.Single(Entries.ProblemsOf(() => Taken.Read("tree", every: 99, from: 3)));
        // A limit that hangs on what cannot be used is no limit, and no NaN on its way out.
        Assert.All(Entries.ProblemsOf(() => Taken.Read("tree", every: 1, from: 1.5)), p =>
            Assert.False(double.IsNaN(p.Min ?? 0) || double.IsNaN(p.Max ?? 0), p.Message)
        );
        Assert.Equal(("every", 20.0), (problem.Field, problem.Max));
    }
}
