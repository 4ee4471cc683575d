using CsCheck;
using Rama.Core.Quantities;
using Rama.Core.Weather;

namespace Rama.Core.Tests.Weather;

public sealed class ColdTests
{
    private static FrostLoss Night(string crop, string stage, double fahrenheit) =>
        new FrostLossEntry
        {
            Crop = crop,
            Stage = stage,
            Lowest = new(fahrenheit, "°F"),
        }.Calculate();

    // Handbook 4.3 [derived]: apple tight cluster at 24 °F, full pink at 26 °F.
    [Theory]
    [InlineData("tight-cluster", 24, .50)]
    [InlineData("full-pink", 26, .675)]
    public void Flowers_killed(string stage, double fahrenheit, double share) =>
        Near.Printed(share, Night("apple", stage, fahrenheit).FlowerLoss, 3);

    // Definition of the scales: −4.444… °C are 24 °F, where half the flowers die at tight cluster (handbook 4.3
    // [derived]); −40 is the same on both.
    [Fact]
    public void A_night_is_told_in_either_scale()
    {
        var celsius = new FrostLossEntry
        {
            Crop = "apple",
            Stage = "tight-cluster",
            Lowest = new(-40.0 / 9, "°C"),
        };
        Near.Printed(.50, celsius.Calculate().FlowerLoss, 3);
        Assert.Equal(celsius.Calculate().FlowerLoss, Night("apple", "tight-cluster", 24).FlowerLoss, 9);
        Assert.Equal(-40, FrostLoss.Fahrenheit(-40), 9);
        Assert.Equal(32, FrostLoss.Fahrenheit(0), 9);
    }

    // Handbook 4.3 [published charts, from memory]: the chart's own points for every crop and stage.
    [Theory]
    [InlineData("apple", new[] { 15.0, 2, 18, 10, 23, 15, 27, 21, 28, 24, 28, 25 })]
    [InlineData("pear", new[] { 15.0, 0, 20, 6, 24, 15, 25, 19, 26, 22, 27, 23, 28, 24 })]
    [InlineData("cherry", new[] { 17.0, 5, 22, 9, 25, 14, 26, 17, 27, 21, 27, 24, 28, 25 })]
    [InlineData("peach", new[] { 18.0, 1, 21, 5, 23, 9, 25, 15, 26, 21, 27, 24 })]
    public void Ten_and_ninety_per_cent_die_where_the_chart_says(string crop, double[] chart)
    {
        var stages = FrostTables.Shipped.Of(crop);
        Assert.Equal(chart.Length / 2, stages.Count);
        foreach (var (i, stage) in stages.Index())
        {
            Assert.Equal(0.1, FrostLoss.Of(stage, chart[2 * i]).FlowerLoss, 9);
            Assert.Equal(0.9, FrostLoss.Of(stage, chart[2 * i + 1]).FlowerLoss, 9);
        }
    }

    // Handbook 4.3: from tight cluster on a pome-fruit cluster is lost with q², between q⁵ and q; single flowers with
    // q.
    [Fact]
    public void A_cluster_outlives_some_of_its_flowers()
    {
        var cluster = Night("apple", "tight-cluster", 24);
        Near.Printed(.25, cluster.ClusterLoss, 9);
        Near.Printed(.03125, cluster.ClusterLow, 9);
        Near.Printed(.5, cluster.ClusterHigh, 9);
        var bud = Night("apple", "green-tip", 14);
        Assert.Equal(bud.FlowerLoss, bud.ClusterLoss);
        var cherry = Night("cherry", "bloom", 26.5);
        Assert.Equal(cherry.FlowerLoss, cherry.ClusterLoss);
    }

    [Theory]
    [InlineData(0.1, "°C", 0)]
    [InlineData(33, "°F", 0)]
    public void Nothing_dies_above_freezing(double value, string unit, double loss) =>
        Assert.Equal(
            loss,
            new FrostLossEntry
            {
                Crop = "apple",
                Stage = "full-pink",
                Lowest = new(value, unit),
            }
                .Calculate()
                .ClusterLoss
        );

    [Fact]
    public void Colder_never_kills_less() =>
        Gen.Select(Gen.Double[-20, 40], Gen.Int[0, 5])
            .Sample(
                (fahrenheit, stage) =>
                {
                    var table = FrostTables.Shipped.Of("apple");
                    return FrostLoss.Of(table[stage], fahrenheit - 1).FlowerLoss
                        >= FrostLoss.Of(table[stage], fahrenheit).FlowerLoss;
                }
            );

    // R 4.2: integrate(pmax(0, mean + half range · sin(2πt) − 6.1), 0, 1).
    [Theory]
    [InlineData(2, 14, 2.956443)]
    [InlineData(8, 20, 7.9)]
    [InlineData(-3, 5, 0)]
    [InlineData(0, 9, 0.7239282)]
    [InlineData(5, 25, 9.0101)]
    public void Heat_of_a_day(double min, double max, double degreeDays) =>
        Assert.Equal(degreeDays, DegreeDays.OfDay(min, max), 5e-5);

    private static DegreeDaysEntry Days(int count, Func<int, bool> known, string crop = "apple") =>
        new()
        {
            Crop = crop,
            Days =
            [
                .. Enumerable
                    .Range(0, count)
                    .Where(known)
                    .Select(i => new WeatherDayEntry(new DateOnly(2027, 1, 1).AddDays(i), 8.1, 10.1)),
            ],
        };

    // Handbook 4.3 [memory]: at 3 °C-days a day, green tip at 67 comes on day 23 and silver tip at 47 on day 16.
    [Fact]
    public void Stages_come_with_the_heat()
    {
        var heat = Days(25, _ => true).Calculate();
        Near.Printed(75, heat.TotalC, 9);
        Assert.Equal("green-tip", heat.Stage);
        Assert.Equal(new DateOnly(2027, 1, 16), heat.Stages.Single(s => s.Stage == "silver-tip").Reached);
        Assert.Equal(new DateOnly(2027, 1, 23), heat.Stages.Single(s => s.Stage == "green-tip").Reached);
    }

    [Fact]
    public void A_short_gap_is_filled_and_told()
    {
        var heat = Days(25, i => i is < 10 or > 12).Calculate();
        Near.Printed(75, heat.TotalC, 9);
        Assert.Equal(3, heat.Filled);
        Assert.Contains(heat.Warnings, w => w.Code == "degree-days.filled");
    }

    [Fact]
    public void A_long_gap_stops_the_sum()
    {
        var heat = Days(25, i => i is < 10 or > 13).Calculate();
        Near.Printed(30, heat.TotalC, 9);
        Assert.Equal(new DateOnly(2027, 1, 10), heat.Until);
        Assert.Contains(heat.Warnings, w => w.Code == "degree-days.gap");
    }

    // At 3 °C-days a day: a planting that showed green tip on day 20 and 26 took 60 and 78, two more in the mean than
    // the table's 67.
    [Fact]
    public void Own_dates_shift_the_table()
    {
        WeatherDay[] days =
        [
            .. new[] { 2025, 2026 }.SelectMany(year =>
                Enumerable.Range(0, 40).Select(i => new WeatherDay(new DateOnly(year, 1, 1).AddDays(i), 8.1, 10.1))
            ),
        ];
        var heats = FrostTables.Shipped.Heat.Where(h => h.Crop == "apple").ToList();
        Assert.Equal(2, DegreeDays.ShiftOf(days, [new(2025, 1, 20), new(2026, 1, 26)], heats), 9);
        Assert.Equal(0, DegreeDays.ShiftOf(days, [], heats));
        // A date beyond the temperatures known says nothing.
        Assert.Equal(0, DegreeDays.ShiftOf(days, [new(2025, 3, 20)], heats));
    }

    [Fact]
    public void A_crop_without_known_heat_has_no_estimate()
    {
        var heat = Days(25, _ => true, "cherry").Calculate();
        Assert.Null(heat.Stage);
        Assert.Contains(heat.Warnings, w => w.Code == "degree-days.no-table");
    }

    [Fact]
    public void What_is_wrong_is_told_at_its_field()
    {
        var problems = Entries.ProblemsOf(() =>
            new DegreeDaysEntry { Days = [new(null, 5, 4), new(new(2027, 1, 2), -80, null)] }.Calculate()
        );
        Entries.AssertProblem(problems, "days[0].date", "missing");
        Entries.AssertProblem(problems, "days[0].maxC", "conflict");
        Entries.AssertProblem(problems, "days[1].minC", "range");
        Entries.AssertProblem(problems, "days[1].maxC", "missing");
        Entries.AssertProblem(
            Entries.ProblemsOf(() =>
                new FrostLossEntry
                {
                    Crop = "apple",
                    Stage = "july",
                    Lowest = new Amount(-2, "K"),
                }.Calculate()
            ),
            "lowest",
            "unit"
        );
    }
}
