using Rama.Core.Explain;
using Rama.Core.Quantities;
using Rama.Core.Target.Capacity;
using Rama.Core.Target.Insurance;
using Rama.Core.Target.Margin;
using Rama.Core.Target.Size;

namespace Rama.Core.Tests.Target;

/// <summary>
/// What may be typed about a target: at its limits it is taken, just beyond them it is told at its field. The limits
/// are Rama's own, wide enough for every orchard.
/// </summary>
public sealed class EntryLimitsTests
{
    private static readonly EconomicsEntry Money = new()
    {
        Planting = Entries.Planting,
        TcsaCm2 = 20,
        Prices = PriceList.Assumption(180),
        FruitMassG = 180,
    };

    private static void Takes(string field, Action<double> read, double least, double most)
    {
        foreach (var value in new[] { least, most })
            Assert.DoesNotContain(Problems(read, value), p => p.Field == field && p.Code == "range");
        foreach (var value in new[] { least - 0.02 * Math.Max(0.01, Math.Abs(least)), most + 0.02 * most })
            Assert.Contains(Problems(read, value), p => p.Field == field && p.Code == "range");
    }

    private static IReadOnlyList<FieldProblem> Problems(Action<double> read, double value)
    {
        try
        {
            read(value);
            return [];
        }
        catch (UnusableEntryException e)
        {
            return e.Problems;
        }
    }

    private static Amount Of(double value, string unit) => new(value, unit);

    [Fact]
    public void Of_what_a_crop_is_worth()
    {
        void Field(string field, Func<double, EconomicsEntry> with, double least, double most) =>
            Takes(field, v => with(v).Calculate(), least, most);
        Field("tcsaCm2", v => Money with { TcsaCm2 = v }, 0.5, 3_000);
        Field("packOut", v => Money with { PackOut = Of(v, "%") }, 5, 100);
        Field("fruitMassG", v => Money with { FruitMassG = v }, 1, 1_500);
        Field("cropDensityLow", v => Money with { CropDensityLow = v, CropDensityHigh = 59 }, 0.5, 30);
        Field("cropDensityHigh", v => Money with { CropDensityLow = 0.5, CropDensityHigh = v }, 0.5, 60);
        Field("budFactor", v => Money with { BudFactor = v }, 0.1, 6);
        Field("setShare", v => Money with { SetShare = Of(v, "%") }, 2, 100);
        Field("fruitlets", v => Money with { Fruitlets = v }, 1, 20);
        Field("fruitPerTree", v => Money with { FruitPerTree = v }, 0.1, 5_000);
    }

    [Fact]
    public void Of_the_canopy()
    {
        CanopyLimitsEntry entry = new()
        {
            Kind = Core.Systems.CanopyKind.Wall,
            RowSpacing = new(3.5, "m"),
            TreeSpacing = new(1, "m"),
        };
        RowLightEntry light = new()
        {
            LatitudeDeg = 46,
            LongitudeDeg = 11,
            RowAzimuthDeg = 10,
        };
        Takes("rowSpacing", v => (entry with { RowSpacing = Of(v, "m") }).Calculate(), 1, 15);
        Takes("treeSpacing", v => (entry with { TreeSpacing = Of(v, "m") }).Calculate(), 0.2, 15);
        Takes("light.latitudeDeg", v => (entry with { Light = light with { LatitudeDeg = v } }).Calculate(), -66, 66);
        Takes(
            "light.longitudeDeg",
            v => (entry with { Light = light with { LongitudeDeg = v } }).Calculate(),
            -180,
            180
        );
        Takes(
            "light.rowAzimuthDeg",
            v => (entry with { Light = light with { RowAzimuthDeg = v } }).Calculate(),
            0,
            360
        );
        // The longest day is in June north of the equator and in December south of it.
        Assert.Equal(6, light.Read().Day.Month);
        Assert.Equal(6, (light with { LatitudeDeg = 0 }).Read().Day.Month);
        Assert.Equal(12, (light with { LatitudeDeg = -34 }).Read().Day.Month);
        Assert.Equal(new(2027, 8, 1), (light with { Day = new(2027, 8, 1) }).Read().Day);
    }

    [Fact]
    public void Of_the_insurance()
    {
        InsuranceKnown known = InsuranceKnown.Nothing with { Set = Core.Statistics.BetaShare.Of(.62, .08) };
        InsuranceEntry entry = new() { School = School.CheapestMistake };
        void Field(string field, Func<double, InsuranceEntry> with, double least, double most) =>
            Takes(field, v => with(v).Read(1.8, known), least, most);
        Field("reached", v => entry with { Reached = Of(v, "%") }, 50, 99);
        Field("costOver", v => entry with { CostOver = v }, 0.0001, 10_000);
        Field("costUnder", v => entry with { CostUnder = v }, 0.0001, 10_000);
        Field("setShare", v => entry with { SetShare = Of(v, "%"), SetShareSd = new(1, "%") }, 2, 98);
        Field("setShareSd", v => entry with { SetShare = new(50, "%"), SetShareSd = Of(v, "%") }, 1, 45);
        Field("pruningSd", v => entry with { PruningSd = Of(v, "%") }, 0, 25);
        Field("fruitlets", v => entry with { Fruitlets = v }, 1, 20);
    }

    // A fixed factor needs no set; the two schools that weigh years do.
    [Theory]
    [InlineData(School.Fixed, false)]
    [InlineData(School.ServiceLevel, true)]
    [InlineData(School.CheapestMistake, true)]
    public void A_school_that_weighs_years_needs_their_set(School school, bool needs)
    {
        void Read() => new InsuranceEntry { School = school }.Read(1.8, InsuranceKnown.Nothing);
        if (needs)
            Entries.AssertProblem(Entries.ProblemsOf(Read), "setShare", "missing");
        else
            Read();
        // Nothing chosen is a fixed factor.
        Assert.Equal(School.Fixed, new InsuranceEntry().Read(1.8, InsuranceKnown.Nothing).School);
    }

    [Fact]
    public void A_limit_that_follows_from_another_field_is_a_number_whatever_that_holds()
    {
        var problems = Problems(
            v =>
                new BudFactorEntry
                {
                    FruitPerTree = 100,
                    FruitPlaces = v,
                    BudFactor = 9,
                }.Calculate(),
            0
        );
        Assert.Equal(["fruitPlaces", "budFactor"], problems.Select(p => p.Field));
        Assert.All(problems, p => Assert.True(double.IsFinite(p.Min!.Value) && double.IsFinite(p.Max!.Value)));
        // One that carries three fruit stands for three.
        Takes(
            "budFactor",
            v =>
                new BudFactorEntry
                {
                    FruitPerTree = 100,
                    FruitPlaces = 3,
                    BudFactor = v,
                }.Calculate(),
            0.33,
            6
        );
    }

    [Fact]
    public void Of_fruit_weighed()
    {
        WeighedFruitEntry fruit = new() { Diameter = new(70, "mm"), Mass = new(150, "g") };
        void Read(WeighedFruitEntry one) => new FruitSampleEntry { Fruit = [one] }.Read();
        Takes("fruit[0].diameter", v => Read(fruit with { Diameter = Of(v, "mm") }), 5, 150);
    }

    // Small fruit are dear by the kilogram, to buy and to pick: cherries of 10 g against apples of 180 g.
    [Fact]
    public void Prices_nobody_typed_are_said_to_be_assumed()
    {
        var (apple, cherry) = (PriceList.Assumption(180), PriceList.Assumption(10));
        double Price(PriceListEntry of, int grade) => of.Classes[grade].PricePerKg!.Value;
        foreach (var of in new[] { apple, cherry })
        {
            // Dearer up to the usual size.
            Assert.True(Price(of, 0) < Price(of, 1) && Price(of, 1) < Price(of, 2));
            Assert.Equal(4, of.Classes.Count);
        }
        // Very large apples sell worse again, very large cherries better.
        Assert.True(Price(apple, 3) < Price(apple, 2));
        Assert.True(Price(cherry, 3) > Price(cherry, 2));
        Assert.All(Enumerable.Range(0, 3), i => Assert.Equal(4, Price(cherry, i) / Price(apple, i), 9));
        Assert.Null(apple.HarvestCostPerKg);
        Assert.Equal(4 * PriceList.UsualHarvestPerKg, cherry.HarvestCostPerKg);
        Assert.Equal([null, 144, 171, 243], apple.Classes.Select(c => c.From?.Value));

        var read = apple.Read(PackageMasses.Default, DiameterLaw.Apple);
        Assert.Equal(["rejectPricePerKg", "harvestCostPerKg", "thinningCostPer100", "cv"], read.Assumed);
        Assert.Empty(
            (apple with { RejectPricePerKg = 0.1, HarvestCostPerKg = 0.2, ThinningCostPer100 = 1, Cv = new(15, "%") })
                .Read(PackageMasses.Default, DiameterLaw.Apple)
                .Assumed
        );
    }

    // Twice the ground as leaf area: 3.5 × .9 m are 63 000 cm², which feed 315 cherries with 200 cm² each.
    [Fact]
    public void A_tree_is_told_by_its_trunk_or_by_its_leaves()
    {
        var cherry = (
            Entries.Planting with
            {
                Variety = "Kordia",
                Rootstock = "Weiroot 158",
                System = "cherry-spindle",
            }
        ).Read(2027);
        var told = CropLoad.Of(cherry, 315, null, []);
        Assert.Equal((200, "cm²/fruit"), (Math.Round(told.Value, 6), told.Unit));
        Assert.Null(told.CropDensity);
        var measured = CropLoad.Of(cherry, 315, 63, []);
        Assert.Equal((5, "fruit/cm²"), (measured.Value, measured.Unit));
        var apple = CropLoad.Of(Entries.Planting.Read(2027), 120, null, []);
        Assert.Equal(0, apple.Value);
        Assert.Null(apple.LeafAreaPerFruitCm2);
    }
}
