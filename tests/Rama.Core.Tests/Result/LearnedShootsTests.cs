using Rama.Core.Crops;
using Rama.Core.Estate;
using Rama.Core.Result;
using Rama.Core.Result.Learning;

namespace Rama.Core.Tests.Result;

public sealed class LearnedShootsTests
{
    private static SeasonResult Season(int season, double wood, double? cm = null, double? uprights = null) =>
        new(season, null, null, null, null)
        {
            Counts = SeasonCounts.None with { WoodCut = wood, ShootLengthCm = cm, Uprights = uprights },
        };

    // Two plantings of three winters, by hand: squares of the wood .02 each, products 2.6 and 3.0 (cm · share), so
    // 140 cm per whole; drawn to 100 by three plantings of their spread: (2 · 140 + 3 · 100) ÷ 5.
    private static readonly SeasonResult[] Orchard = [Season(2024, .1, 30), Season(2025, .2, 43), Season(2026, .3, 56)];
    private static readonly SeasonResult[] Hillside =
    [
        Season(2024, .1, 20),
        Season(2025, .2, 35),
        Season(2026, .3, 50),
    ];

    [Fact]
    public void One_slope_of_plantings_is_drawn_to_the_shipped_by_the_weight_of_three()
    {
        var estate = ShootsOfEstate.Of([Orchard, Hillside]);
        Assert.Equal(116, ShootAnswer.Length.SlopeOf(estate).Slope, 9);
        var learned = LearnedShoots.Of(ShootAnswer.Length, Orchard, estate, BearingHabit.MixedBud)!;
        Assert.Equal((11.6, 10, 3), (Math.Round(learned.Learned, 9), learned.Shipped, learned.Seasons));
        Assert.Equal("learned.shoots", learned.Sentence.Code);
        Assert.InRange(learned.Learned, learned.Low, learned.High);
        // A planting whose cuts never differed tells nothing, and adds nothing to the spread.
        var level = ShootsOfEstate.Of([Orchard, Hillside, [Season(2025, .2, 60), Season(2026, .2, 20)]]);
        Assert.Equal(116, ShootAnswer.Length.SlopeOf(level).Slope, 9);
        Assert.Null(
            LearnedShoots.Of(
                ShootAnswer.Length,
                Orchard,
                ShootsOfEstate.Of([
                    [Season(2026, .2, 40)],
                ]),
                BearingHabit.MixedBud
            )
        );
    }

    // The level of own seasons is drawn to the usual one by the weight of one season: with slope 100, the usual 45 cm
    // after a fifth of the wood, and (3 · 43 + 45) ÷ 4 = 43.5 at a fifth; a tenth more is 10 cm more.
    [Fact]
    public void Shoots_to_come_go_through_own_seasons_drawn_to_the_usual_level()
    {
        static double Of(BearingHabit habit, double wood, params SeasonResult[] own) =>
            LearnedShoots
                .Expected(
                    ShootAnswer.Length,
                    LearnedShoots.LevelOf(ShootAnswer.Length, own, 100, habit),
                    (100, .06),
                    wood
                )
                .Mean;
        static double At(double wood, params SeasonResult[] own) => Of(BearingHabit.MixedBud, wood, own);
        Assert.Equal(43.5, At(.2, Orchard), 9);
        Assert.Equal(53.5, At(.3, Orchard), 9);
        Assert.Equal(45, At(.2), 9);
        Assert.Equal(35, At(.1), 9);
        // Cherry is wanted longer: 80 cm is too strong (handbook of the trade 3, common practice).
        Assert.Equal(80, Of(BearingHabit.SpurFlowerBud, .2), 9);
        // No shoot is shorter than none.
        Assert.Equal(0, At(0, Season(2026, .6, 5)), 9);
    }

    // Truth known: shoots answer by 16 cm to a tenth of the wood where 10 are usual, plantings at their own levels.
    [Fact]
    public void The_slope_of_an_estate_is_recovered_and_passes_the_back_test()
    {
        var random = new Random(12);
        List<SeasonResult[]> plantings =
        [
            .. Enumerable
                .Range(0, 30)
                .Select(_ =>
                {
                    var level = 40 + 8 * Normal(random);
                    return Enumerable
                        .Range(0, 12)
                        .Select(t =>
                        {
                            var wood = .05 + .25 * random.NextDouble();
                            return Season(2014 + t, wood, Math.Max(0, level + 160 * (wood - .2) + 8 * Normal(random)));
                        })
                        .ToArray();
                }),
        ];
        var estate = ShootsOfEstate.Of(plantings);
        Assert.InRange(ShootAnswer.Length.SlopeOf(estate).Slope, 145, 170);
        BackTest Test(EstatePairs of) =>
            BackTest.Of(plantings.Select(p => LearnedShoots.Of(ShootAnswer.Length, p, of, BearingHabit.MixedBud)!))!;
        Assert.True(Test(estate) is { Refused: false, Gain: > 0 });
        // Another estate where shoots grow shorter the more is cut teaches these plantings nothing true.
        var wrong = ShootsOfEstate.Of(
            plantings.Select(p =>
                p.Select(s => Season(s.Season, s.Counts.WoodCut!.Value, 60 - 100 * s.Counts.WoodCut!.Value)).ToArray()
            )
        );
        Assert.True(Test(wrong) is { Refused: true, Sentence.Code: "back-test.shoots-refused" });
    }

    [Fact]
    public void Uprights_are_learned_apart_and_seasons_without_wood_cut_tell_nothing()
    {
        SeasonResult[] seasons = [Season(2025, .1, uprights: 3), Season(2026, .3, uprights: 13)];
        var estate = ShootsOfEstate.Of([seasons]);
        Assert.Null(LearnedShoots.Of(ShootAnswer.Length, seasons, estate, BearingHabit.MixedBud));
        // 50 per whole by one planting, 30 by three: 35, that is 3.5 for a tenth.
        Assert.Equal(3.5, LearnedShoots.Of(ShootAnswer.Uprights, seasons, estate, BearingHabit.MixedBud)!.Learned, 9);
        var untold = new SeasonResult(2026, null, null, null, null)
        {
            Counts = SeasonCounts.None with { ShootLengthCm = 40 },
        };
        Assert.Empty(ShootsOfEstate.TellingOf([untold]));
    }

    // What later seasons taught is not told of an earlier one.
    [Fact]
    public void A_past_season_knows_only_what_came_before_it()
    {
        var estate = ShootsOfEstate.Of([Orchard, Hillside]);
        Assert.Equal(0, ShootAnswer.Length.SlopeOf(estate, 2025).Groups);
        Assert.Equal(4, ShootAnswer.Length.SlopeOf(estate, 2026).Points);
        Assert.Null(LearnedShoots.Of(ShootAnswer.Length, Orchard, estate, BearingHabit.MixedBud, 2024));
        // In 2025 no planting had told of two winters yet.
        Assert.Equal(
            [(2025, 0), (2026, 2)],
            LearnedShoots
                .Of(ShootAnswer.Length, Orchard, estate, BearingHabit.MixedBud)!
                .History.Select(h => (h.Season, h.Own))
        );
    }

    // One planting alone: 130 cm per whole of two winters a fifth apart drawn to 100 by three such, (130 + 300) ÷ 4.
    [Fact]
    public void The_calculator_tells_each_number_its_seasons_speak_of()
    {
        LearningEntry entry = new()
        {
            FruitMass = new(180, "g"),
            Seasons =
            [
                new()
                {
                    Season = 2025,
                    WoodCut = new(10, "%"),
                    ShootLength = new(30, "cm"),
                    CropDensity = 4,
                    FruitMass = new(200, "g"),
                    PackOut = new(80, "%"),
                },
                new()
                {
                    Season = 2026,
                    WoodCut = new(30, "%"),
                    ShootLength = new(56, "cm"),
                    CropDensity = 8,
                    FruitMass = new(160, "g"),
                },
            ],
        };
        var learned = entry.Calculate().Learned.ToDictionary(v => v.Quantity, v => v.Learned);
        Assert.Equal(10.75, learned[LearnedQuantity.ShootLength], 9);
        // Two pairs count a fifth of their slope of −10 g: .2 · −10 + .8 · −6 (handbook 2.10).
        Assert.Equal(-6.8, learned[LearnedQuantity.FruitMass], 9);
        Assert.Equal((2 * .85 + .8) / 3, learned[LearnedQuantity.PackOut], 9);
        Assert.Equal(3, learned.Count);
    }

    [Fact]
    public void Seasons_that_cannot_be_are_told_at_their_fields()
    {
        void Is(string field, LearningEntry entry) =>
            Assert.Contains(
                field,
                Assert.Throws<Rama.Core.Explain.UnusableEntryException>(entry.Calculate).Problems.Select(p => p.Field)
            );
        Is("seasons", new());
        Is("setShare", new() { Seasons = [new() { Season = 2026, Share = .5 }] });
        Is(
            "fruitMass",
            new()
            {
                Seasons =
                [
                    new()
                    {
                        Season = 2026,
                        CropDensity = 4,
                        FruitMass = new(150, "g"),
                    },
                ],
            }
        );
        Is("seasons[0].woodCut", new() { Seasons = [new() { Season = 2026, WoodCut = new(110, "%") }] });
        Is("seasons[0].shootLength", new() { Seasons = [new() { Season = 2026, ShootLength = new(40, "kg") }] });
        Is("seasons[1].season", new() { Seasons = [new() { Season = 2026 }, new() { Season = 2026 }] });
        Is("seasons[0].uprights", new() { Seasons = [new() { Season = 2026, Uprights = double.NaN }] });
    }

    private static double Normal(Random random) =>
        Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
}
