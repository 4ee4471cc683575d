using Rama.Core.Explain;
using Rama.Core.Quantities;
using Rama.Core.Result;
using Rama.Core.Result.Harvest;

namespace Rama.Core.Tests.Result;

public class SeasonHarvestTests
{
    private static HarvestLineEntry Line(int pick, string grade, double kg, double? fruit = null) =>
        new()
        {
            Pick = pick,
            Grade = grade,
            Mass = new(kg, "kg"),
            Fruit = fruit,
        };

    [Fact]
    public void Picks_and_grades_are_added_up_and_what_is_no_fruit_to_sell_is_known_by_its_name()
    {
        var harvest = SeasonHarvest.Of([
            Line(1, "Class I", 30_000, 200_000),
            Line(1, "Juice", 6_000),
            Line(2, "class i", 10_000),
            Line(2, "Hail damage", 2_000),
            Line(2, "Granizo", 2_000),
        ])!;
        Assert.Equal((50_000, 40_000, .8), (harvest.Kg, harvest.PackedKg, harvest.PackOut!.Value));
        Assert.Equal(.15, harvest.FruitMassKg!.Value, 9);
        Assert.Equal(
            [(1, 36_000.0, 30_000.0), (2, 14_000, 10_000)],
            harvest.Picks.Select(p => (p.Pick, p.Kg, p.PackedKg))
        );
        Assert.Equal(["Class I", "Juice", "Hail damage", "Granizo"], harvest.Grades.Select(g => g.Name));
        Assert.Equal([true, false, false, false], harvest.Grades.Select(g => g.IsPacked));
        Assert.Equal(1, harvest.Grades.Sum(g => g.Share), 9);
    }

    [Theory]
    [InlineData("Class I", true)]
    [InlineData("70-75", true)]
    [InlineData("Rotterdam", true)]
    [InlineData("Class II / juice", false)]
    [InlineData("DESTRÍO", false)]
    [InlineData("hail-marked", false)]
    public void A_grade_says_by_its_name_whether_it_is_sold_as_wanted(string grade, bool packed) =>
        Assert.Equal(packed, SeasonHarvest.Of([Line(1, grade, 5)])!.Grades.Single().IsPacked);

    // Units of a pack-house: 1 short ton is 907.185 kg, 1 lb .453592 kg (NIST SP 811).
    [Theory]
    [InlineData("lb", 453.592)]
    [InlineData("ton", 907_184.74)]
    [InlineData("t", 1_000_000)]
    public void Masses_come_in_the_units_of_the_trade(string unit, double kg) =>
        Assert.Equal(kg, SeasonHarvest.Of([Line(1, "I", 0) with { Mass = new(1_000, unit) }])!.Kg, kg * 1e-5);

    [Fact]
    public void It_makes_yield_pack_out_and_size_of_the_record()
    {
        var harvest = SeasonHarvest.Of([Line(1, "I", 80_000, 500_000), Line(1, "cull", 20_000)])!;
        SeasonResultEntry typed = new()
        {
            Season = 2026,
            BudsLeft = 180,
            FruitSize = new(150, "g"),
        };
        var record = harvest.Into(typed, areaHa: 2);
        Assert.Equal(
            (new Amount(50, "t/ha"), new Amount(80, "%"), new Amount(160, "g")),
            (record.Yield, record.PackOut, record.FruitSize)
        );
        Assert.Equal(180, record.BudsLeft);
        // Nobody counted fruit: the size typed stays.
        Assert.Equal(typed.FruitSize, SeasonHarvest.Of([Line(1, "I", 5)])!.Into(typed, 1).FruitSize);
        Assert.Null(harvest.Against(50_900, 2));
        Assert.Equal("harvest.differs", harvest.Against(52_000, 2)!.Code);
        Assert.Null(harvest.Against(null, 2));
    }

    public static TheoryData<HarvestLineEntry[], string> Wrong =>
        new()
        {
            { [Line(1, "I", -1)], "harvest[0].mass" },
            { [Line(1, "", 1)], "harvest[0].grade" },
            { [Line(0, "I", 1)], "harvest[0].pick" },
            { [Line(1, "I", 1), Line(1, " i ", 2)], "harvest[1].grade" },
            // Sizes without kilograms.
            { [Line(1, "I", 1) with { Mass = null, Fruit = 10 }], "harvest[0].mass" },
            // A fruit of 50 kg.
            { [Line(1, "I", 5_000, 100)], "harvest[0].fruit" },
            { [Line(1, "I", 5) with { Mass = new(5, "m") }], "harvest[0].mass" },
            // Grades that do not come to what was delivered.
            { [Line(1, "I", 90) with { Delivered = new(100, "kg") }, Line(1, "II", 5)], "harvest[0].delivered" },
        };

    [Theory]
    [MemberData(nameof(Wrong))]
    public void What_cannot_be_is_told_at_its_field(HarvestLineEntry[] lines, string field) =>
        Assert.Equal(
            field,
            Assert.Throws<UnusableEntryException>(() => SeasonHarvest.Of(lines)).Problems.Single().Field
        );

    [Fact]
    public void Grades_within_two_per_cent_of_what_was_delivered_are_right()
    {
        HarvestLineEntry[] lines = [Line(1, "I", 93) with { Delivered = new(100, "kg") }, Line(1, "II", 5.5)];
        Assert.Equal(98.5, SeasonHarvest.Of(lines)!.Kg, 9);
    }

    [Fact]
    public void Nothing_picked_has_no_pack_out()
    {
        Assert.Null(SeasonHarvest.Of([]));
        Assert.Null(SeasonHarvest.Of([Line(1, "I", 0)])!.PackOut);
        Assert.Throws<UnusableEntryException>(() =>
            SeasonHarvest.Of([.. Enumerable.Range(0, SeasonHarvest.MostLines + 1).Select(i => Line(1, $"g{i}", 1))])
        );
    }
}
