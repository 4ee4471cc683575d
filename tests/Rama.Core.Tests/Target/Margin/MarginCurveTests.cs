using Rama.Core.Estate;
using Rama.Core.Target.Margin;
using Rama.Core.Target.Size;

namespace Rama.Core.Tests.Target.Margin;

public sealed class MarginCurveTests
{
    private static readonly PriceListEntry OnePrice = new()
    {
        Currency = "eur",
        Classes = [new() { PricePerKg = 0.8 }],
        RejectPricePerKg = 0.1,
        HarvestCostPerKg = 0.3,
        ThinningCostPer100 = 1,
        Cv = new(17, "%"),
    };

    private static readonly EconomicsEntry Entry = new()
    {
        Planting = new()
        {
            RowSpacing = new(4, "m"),
            TreeSpacing = new(1, "m"),
            Area = new(1, "ha"),
        },
        TcsaCm2 = 20,
        PackOut = new(90, "%"),
        Prices = OnePrice,
        FruitMassG = 180,
        BudFactor = 1.8,
        SetShare = new(60, "%"),
        Fruitlets = 2,
        FruitPerTree = 120,
    };

    // By hand: 120 fruit on 20 cm² are 6 fruit/cm²; 180 + 6 × (7 − 6) = 186 g; 2 500 trees pick 55 800 kg. They bring
    // 55 800 × (.9 × .8 + .1 × .1) = 40 734, cost 16 740 to pick and pack, and 1.8 × .6 × 2 − 1 = 1.16 fruitlets
    // thinned a fruit, 348 000, cost 3 480.
    [Fact]
    public void One_point_by_hand()
    {
        var point = Entry.Calculate().Chosen!;
        Near.Printed(6, point.CropDensity, 9);
        Near.Printed(186, point.FruitMassG, 9);
        Near.Printed(50_220, point.PackedKgPerHa, 4);
        Near.Printed(40_734, point.GrossPerHa, 4);
        Near.Printed(20_220, point.CostPerHa, 4);
        Near.Printed(20_514, point.MarginPerHa, 4);
    }

    // Mass 222 − 6·D at D fruit/cm², one price: margin = trees·A·(m·(222 − 6D)·D − t·D), m = .43 a kg and t = .0116 a
    // fruit.
    // Its derivative is nil at D = (222·.00043 − .0116) ÷ (12·.00043) = 16.25 fruit/cm².
    [Fact]
    public void The_best_point_is_where_calculus_puts_it()
    {
        var curve = (Entry with { FruitPerTree = 400 }).Calculate();
        var exact = (222 * 0.00043 - 0.0116) / (12 * 0.00043) * 20;
        Assert.Equal(exact, curve.BestThisYear.FruitPerTree, 1.0);
        // At 60 % set the bloom brings back 25.2 − .8 (D − 7) buds a cm² at most, and D of them fruit up to D = .6 ×
        // 30.8 ÷ 1.48 = 12.5.
        Assert.Equal(0.6 * 30.8 / 1.48 * 20, curve.Best.FlatTo, 2.0);
        // Within 2 % of a parabola's top lies √.02 of the way from its top to its root.
        Assert.Equal(exact * (1 - Math.Sqrt(0.02)), curve.BestThisYear.FlatFrom, 2.5);
        Assert.Equal(exact * (1 + Math.Sqrt(0.02)), curve.BestThisYear.FlatTo, 2.5);
    }

    [Fact]
    public void Prices_under_costs_are_said_to_lose_money() =>
        Assert.Equal(
            "margin.loses",
            (Entry with { Prices = OnePrice with { Classes = [new() { PricePerKg = 0.2 }] } }).Calculate().Meaning.Code
        );

    // A sum of money is given away only by one's own prices and seasons.
    [Fact]
    public void Money_is_not_given_away_on_assumptions()
    {
        var curve = (Entry with { FruitPerTree = 30 }).Calculate();
        Assert.Equal("margin.assumed", curve.Meaning.Code);
        Assert.True(curve.ChosenCosts > 1_000);
    }

    // Crop density 7 × 20 cm² are 140 fruit: prices that pay for any fruit do not move the trunk.
    [Fact]
    public void No_crop_is_recommended_that_the_trunks_are_too_small_for()
    {
        var price = new PriceListEntry
        {
            Currency = "eur",
            Classes = [new() { PricePerKg = 2 }],
            RejectPricePerKg = 0.1,
            HarvestCostPerKg = 0.1,
            ThinningCostPer100 = 0.1,
            Cv = new(17, "%"),
        }.Read(PackageMasses.Default, DiameterLaw.Round(0.85, "test"));
        MarginTerms Terms(double? most) =>
            new(
                2_500,
                20,
                0.9,
                price,
                ResponseLines.Size([], 180, 6, 8),
                ResponseLines.Return([], false, 1.8, 6, 8),
                0.6,
                1.5,
                most
            );
        Assert.True(MarginCurve.Of(Terms(null), null).Best.FruitPerTree > 160);
        Assert.InRange(MarginCurve.Of(Terms(7), null).Best.FruitPerTree, 130, 140);
    }

    [Fact]
    public void What_pays_year_in_year_out_is_told_once_prices_and_seasons_are_ones_own()
    {
        var prices = OnePrice.Read(PackageMasses.Default, DiameterLaw.Round(0.85, "test"));
        MarginTerms Terms(params (double X, double Y)[] returns) =>
            new(
                2_500,
                20,
                0.9,
                prices,
                ResponseLines.Size([], 180, 6, 8),
                ResponseLines.Return(returns, false, 1.8, 6, 8),
                0.6,
                1.5
            );
        Assert.Null(MarginCurve.Of(Terms(), 120).Ahead);
        var curve = MarginCurve.Of(Terms((4, 14), (6, 12), (8, 11)), 120);
        Assert.Equal("margin.ahead", curve.Ahead!.Code);
        Assert.Equal(3, curve.Ahead.Figures[4].Value);
        Assert.Equal(curve.Best.FruitPerTree, curve.Ahead.Figures[0].Value);
        Assert.Equal(
            MarginCurve.At(Terms((4, 14), (6, 12), (8, 11)), curve.Best.FruitPerTree).PackedKgPerHa / 1_000,
            curve.Ahead.Figures[1].Value,
            12
        );
    }

    // Three seasons with more fruit and larger: the weather's doing. The line is level at most.
    [Fact]
    public void A_few_seasons_do_not_make_fruit_grow_by_being_many()
    {
        var line = ResponseLines.Size([(5, 160), (6, 175), (7, 181)], 180, 6, 8);
        Assert.InRange(line.Slope, -6, 0);
        // Scattered widely, three seasons move the slope less than three in a line.
        double Weight(params (double X, double Y)[] seasons) => ResponseLines.Size(seasons, 180, 6, 8).OwnWeight;
        Assert.True(Weight((5, 190), (6, 150), (7, 182)) < Weight((5, 190), (6, 186), (7, 182)));
    }

    [Fact]
    public void A_price_for_size_moves_the_best_crop_down()
    {
        var sized = Entry with
        {
            Prices = OnePrice with
            {
                Classes =
                [
                    new() { PricePerKg = 0.1 },
                    new() { From = new(150, "g"), PricePerKg = 0.5 },
                    new() { From = new(180, "g"), PricePerKg = 1 },
                ],
            },
        };
        Assert.True(sized.Calculate().Best.FruitPerTree < Entry.Calculate().Best.FruitPerTree);
    }

    // Steady return: slope −.8 × .6 set is a swing of less than 1, so the trees settle; at −2.5 × .6 they cannot.
    [Fact]
    public void A_heavy_crop_of_a_biennial_variety_pays_in_the_second_year()
    {
        var heavy = (
            Entry with
            {
                BiennialProne = true,
                CropDensityLow = 4,
                CropDensityHigh = 6,
                FruitPerTree = 180,
            }
        ).Calculate();
        Assert.True(heavy.Chosen!.NextFruitPerTree < 180);
        Assert.True(heavy.Chosen.SteadyPerHa < heavy.Chosen.MarginPerHa);
        Assert.Contains(heavy.Warnings, w => w.Code == "margin.alternates");
        // Twice the wanted buds at mid-range: 5 fruit/cm² leave 18 buds/cm², ten of them fruit at 60 % set.
        Near.Printed(
            100,
            (Entry with { BiennialProne = true, CropDensityLow = 4, CropDensityHigh = 6, FruitPerTree = 100 })
                .Calculate()
                .Chosen!.NextFruitPerTree,
            9
        );
        // 9 fruit/cm² leave 18 − 1.5 × 4 = 12 buds/cm², 7.2 × 20 = 144 fruit.
        Near.Printed(144, heavy.Chosen.NextFruitPerTree, 9);
    }

    // Where the return line binds: 2 × 1.8 × m buds at mid-range m and 1.5 fewer for each fruit more (handbook 2.10)
    // bear D fruit at .62 set up to D = .62 × 5.1 m ÷ (1 + .62 × 1.5) = 1.64 m; at .8 fewer, .62 × 4.4 m ÷ 1.496 =
    // 1.82 m. So heavy crops of a biennial variety do not come back where the curve still claims to know, 1.4 × the
    // upper end of its range; usual crops do, and of the others every crop the curve knows (common practice: a variety
    // is called biennial for just that; no source).
    [Fact]
    public void The_return_of_bloom_binds_on_biennial_varieties_and_on_heavy_crops_only()
    {
        var told = Catalogue.Shipped.Varieties.Where(v => v.CropDensityLow is not null).ToList();
        Assert.Contains(told, v => v.Traits.BiennialProne);
        Assert.All(told, v =>
        {
            var (prone, low, high) = (v.Traits.BiennialProne, v.CropDensityLow!.Value, v.CropDensityHigh!.Value);
            bool Lasts(double density) =>
                (
                    Entry with
                    {
                        BiennialProne = prone,
                        CropDensityLow = low,
                        CropDensityHigh = high,
                        SetShare = new(62, "%"),
                        FruitPerTree = density * 20,
                    }
                )
                    .Calculate()
                    .Chosen!.Lasts;
            var binds = (prone ? 1.64 : 1.82) * (low + high) / 2;
            Assert.True(Lasts(high));
            Assert.True(Lasts(0.98 * binds));
            Assert.False(Lasts(1.02 * binds));
            Assert.Equal(prone, binds < 1.4 * high);
        });
    }

    [Fact]
    public void Where_bloom_swings_more_than_the_crop_there_is_no_steady_state()
    {
        ResponsePair[] returns = [.. Enumerable.Range(0, 6).Select(i => new ResponsePair(4 + i, 22 - 2.5 * i))];
        var curve = (Entry with { Returns = returns, FruitPerTree = 170 }).Calculate();
        Assert.Contains(curve.Warnings, w => w.Code == "margin.no-steady");
        Assert.True(curve.Alternates);
    }

    [Fact]
    public void Two_seasons_of_size_are_warned_of() =>
        Assert.Contains((Entry with { Sizes = [new(5, 190), new(8, 170)] }).Calculate().Warnings, w =>
            w.Code == "margin.few-seasons"
        );

    [Fact]
    public void The_curve_does_not_claim_what_it_has_not_seen()
    {
        ResponsePair[] sizes = [.. Enumerable.Range(0, 6).Select(i => new ResponsePair(5 + 0.4 * i, 190 - 3 * i))];
        var points = (Entry with { Sizes = sizes }).Calculate().Points;
        Assert.All(points, p => Assert.Equal(p.FruitPerTree / 20 is >= 5 - 1e-9 and <= 7 + 1e-9, p.Known));
        Assert.Contains(points, p => !p.Known);
    }

    [Fact]
    public void What_is_wrong_is_told_at_its_field()
    {
        var problems = Entries.ProblemsOf(() =>
            (
                Entry with
                {
                    TcsaCm2 = null,
                    Prices = OnePrice with { Currency = "euros" },
                    Sizes = [new(-1, 100)],
                }
            ).Calculate()
        );
        Entries.AssertProblem(problems, "tcsaCm2", "missing");
        Entries.AssertProblem(problems, "prices.currency", "long");
        Entries.AssertProblem(problems, "sizes[0].cropDensity", "range");
    }

    [Fact]
    public void What_is_left_out_is_as_usual()
    {
        MarginPoint Chosen(EconomicsEntry entry) => entry.Calculate().Chosen!;
        Assert.Equal(
            Chosen(Entry with { PackOut = new(100, "%") }).MarginPerHa,
            Chosen(Entry with { PackOut = null }).MarginPerHa,
            6
        );
        Assert.Equal(
            Chosen(Entry with { BudFactor = 1.8, SetShare = new(62, "%"), Fruitlets = 2 }).MarginPerHa,
            Chosen(Entry with { BudFactor = null, SetShare = null, Fruitlets = null }).MarginPerHa,
            6
        );
        Assert.Equal(
            Chosen(Entry with { CropDensityLow = 6, CropDensityHigh = 8 }).FruitMassG,
            Chosen(Entry with { CropDensityLow = null, CropDensityHigh = null }).FruitMassG,
            6
        );
    }

    // Six seasons of larger fruit at heavier crops: weather, not physiology.
    [Fact]
    public void Fruit_that_grow_by_being_many_are_warned_of()
    {
        ResponsePair[] rising = [.. Enumerable.Range(0, 8).Select(i => new ResponsePair(5 + 0.4 * i, 160 + 4 * i))];
        Assert.Contains((Entry with { Sizes = rising }).Calculate().Warnings, w => w.Code == "margin.size-rises");
        Assert.DoesNotContain(Entry.Calculate().Warnings, w => w.Code == "margin.size-rises");
    }

    [Fact]
    public void What_cannot_be_used_is_told_at_its_field()
    {
        static void Problem(EconomicsEntry entry, string field, string code) =>
            Entries.AssertProblem(Entries.ProblemsOf(() => entry.Calculate()), field, code);
        Problem(Entry with { CropDensityLow = 8, CropDensityHigh = 8 }, "cropDensityHigh", "conflict");
        Problem(Entry with { Returns = [new(5, 501)] }, "returns[0].value", "range");
        Problem(Entry with { Sizes = [new(61, 100)] }, "sizes[0].cropDensity", "range");
        Problem(Entry with { Sizes = [new(5, 0.5)] }, "sizes[0].value", "range");
        Problem(Entry with { Sizes = [.. Enumerable.Repeat(new ResponsePair(5, 180), 201)] }, "sizes", "list");
        Problem(Entry with { FruitMassG = 0.5 }, "fruitMassG", "range");
        Problem(Entry with { Fruitlets = 0.5 }, "fruitlets", "range");
    }

    // The sums told, with the slopes as they are: 180 + 6 × 7 = 222 g at no crop, 1.16 fruitlets thinned a fruit.
    [Fact]
    public void Costs_and_gross_told_can_be_done_again()
    {
        var curve = Entry.Calculate();
        var steps = curve.Steps.ToDictionary(s => s.Code);
        double In(string step, string name) => steps[step].Inputs.Single(f => f.Name == name).Value;
        Assert.Equal((222, -6), (In("margin.size", "mass at no crop"), In("margin.size", "slope of size")));
        var picked =
            In("margin.gross", "fruit per tree")
            * In("margin.gross", "bearing trees")
            * In("margin.gross", "fruit mass")
            / 1_000;
        Assert.Equal(
            picked * (0.9 * 0.8 + 0.1 * In("margin.gross", "price of the rest")),
            steps["margin.gross"].Result.Value,
            4
        );
        Assert.Equal(
            picked * In("margin.cost", "cost of a kilogram")
                + 120
                    * 2_500
                    * (In("margin.cost", "fruitlets per fruit wanted") - 1)
                    * In("margin.cost", "cost of 100 fruitlets")
                    / 100,
            steps["margin.cost"].Result.Value,
            4
        );
    }
}
