using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Plan;
using Rama.Core.Result;
using Rama.Core.Result.Learning;

namespace Rama.Core.Tests.Result;

public class LearnedNumbersTests
{
    private static SeasonResult Season(int season, double? packOut = null, double? girthCm = null) =>
        new(season, null, null, packOut, null) { Counts = SeasonCounts.None with { GirthCm = girthCm } };

    private static List<SeasonResult> Packed(params double[] shares) =>
        [.. shares.Select((share, i) => Season(2020 + i, packOut: share))];

    // Handbook 8.2: drawn to the usual number with the weight of two seasons. (2 · .85 + .70 + .74 + .72) ÷ 5 by hand.
    [Fact]
    public void Pack_out_is_the_mean_of_own_seasons_drawn_to_the_usual_by_two()
    {
        var learned = LearnedPackOut.Of(Packed(.70, .74, .72))!;
        Assert.Equal(.772, learned.Learned, 12);
        Assert.Equal("learned.pack-out-less", learned.Sentence.Code);
        Assert.Equal([0, 1, 2], learned.History.Select(h => h.Own));
        // What was known before: nothing, (1.7 + .70) ÷ 3, (1.7 + 1.44) ÷ 4.
        Assert.Equal([.85, .8, .785], learned.History.Select(h => Math.Round(h.Foretold, 12)));
        Assert.Null(LearnedPackOut.Of([Season(2024, girthCm: 14)]));
    }

    [Fact]
    public void Reasons_add_up_to_what_is_not_packed()
    {
        var harvest = Rama.Core.Result.Harvest.SeasonHarvest.Of([
            new() { Grade = "Class I", Mass = new(80, "t") },
            new() { Grade = "Hail", Mass = new(15, "t") },
            new() { Grade = "Russet", Mass = new(5, "t") },
        ])!;
        var learned = LearnedPackOut.Of([
            Season(2024, packOut: .8) with
            {
                Harvest = harvest,
            },
            Season(2025, packOut: .9),
        ])!;
        Assert.Equal(1 - learned.Learned, learned.Parts.Sum(p => p.Share), 12);
        // .15 of one season in the weight of four.
        Assert.Equal(("Hail", .15 / 4), (learned.Parts[0].Name, Math.Round(learned.Parts[0].Share, 12)));
        Assert.Null(learned.Parts[^1].Name);
    }

    // Truth known: plantings differ from the usual number by .05/√2, years by .05.
    [Fact]
    public void Pack_outs_of_an_estate_are_recovered_and_pass_the_back_test()
    {
        var random = new Random(4);
        List<(double Truth, LearnedValue Learned)> estate = [];
        for (var i = 0; i < 40; i++)
        {
            var truth = .85 - .02 + .05 / Math.Sqrt(2) * Normal(random);
            estate.Add(
                (
                    truth,
                    LearnedPackOut.Of(Packed([.. Years(12).Select(_ => Math.Min(1, truth + .05 * Normal(random)))]))!
                )
            );
        }
        double Rms(Func<(double Truth, LearnedValue Learned), double> of) =>
            Math.Sqrt(estate.Average(p => of(p) * of(p)));
        Assert.True(Rms(p => p.Learned.Learned - p.Truth) < .6 * Rms(p => .85 - p.Truth));
        Assert.False(BackTest.Of(estate.Select(e => e.Learned))!.Refused);
        // Eight coming years in ten, so that one truth in ten or fewer lies outside either end.
        Assert.True(estate.Count(e => e.Truth < e.Learned.Low) <= 4);
    }

    // Hail every other year: the mean of the years before always says the wrong thing.
    [Fact]
    public void Pack_outs_that_go_up_and_down_around_the_usual_are_refused()
    {
        var estate = Years(6)
            .Select(i => LearnedPackOut.Of(Packed([.. Years(8).Select(t => (t + i) % 2 == 0 ? .96 : .74)]))!);
        var test = BackTest.Of(estate)!;
        Assert.True(test.Refused, $"{test.Gain:0.000} ± {test.GainError:0.000}");
        Assert.Equal("back-test.pack-out-refused", test.Sentence.Code);
    }

    [Fact]
    public void Trunks_grow_as_they_did_and_past_ones_are_those_of_their_year()
    {
        // 14 cm to 17 cm in four years, by hand .75 a year; 2023 lies on the line between.
        var growth = LearnedGrowth.Of([
            Season(2022, girthCm: 14),
            Season(2024, girthCm: 15.6),
            Season(2026, girthCm: 17),
            Season(2025, packOut: .8),
        ]);
        Assert.Equal(.75, growth.CmPerYear!.Value, 12);
        double Girth(int season) => Math.Sqrt(4 * Math.PI * growth.TcsaCm2(season, .75)!.Value);
        Assert.Equal(14.8, Girth(2023), 12);
        Assert.Equal(15.6, Girth(2024), 12);
        Assert.Equal(17.75, Girth(2027), 12);
        Assert.Equal(12.5, Girth(2020), 12);
        Assert.Null(growth.TcsaCm2(2015, .75));
        Assert.Equal(2 * 1 + 0, growth.ToValue()!.History.Count);
    }

    [Fact]
    public void Trunks_measured_thinner_do_not_shrink_and_one_girth_teaches_nothing()
    {
        Assert.Equal(0, LearnedGrowth.Of([Season(2024, girthCm: 15), Season(2025, girthCm: 14.6)]).CmPerYear);
        Assert.Null(LearnedGrowth.Of([Season(2024, girthCm: 15)]).ToValue());
        Assert.Null(LearnedGrowth.Of([]).TcsaCm2(2024, 1));
    }

    [Fact]
    public void Growing_trunks_pass_the_back_test_and_standing_ones_refuse_nothing()
    {
        var random = new Random(9);
        BackTest Of(double growth) =>
            BackTest.Of(
                Years(8)
                    .Select(_ =>
                        LearnedGrowth
                            .Of(Years(6).Select(t => Season(2018 + t, girthCm: 15 + growth * t + .3 * Normal(random))))
                            .ToValue()!
                    )
            )!;
        Assert.True(Of(.9) is { Refused: false, Gain: > 0 });
        Assert.False(Of(0).Refused);
    }

    // Trunks that grew once and stand since: a girth grown on is always too thick, and no crop is told by it.
    [Fact]
    public void Where_the_growth_of_trunks_is_refused_fruit_mass_is_told_by_trunks_measured()
    {
        LearnedValue Mass(double slope) =>
            LearnedResponse.OfMass([(2024, 4, 200), (2025, 6, 200 + 2 * slope), (2026, 8, 200 + 4 * slope)], 180)!;
        LearnedOfEstate Of(params double[] girths)
        {
            List<SeasonResult> seasons = [.. girths.Select((cm, i) => Season(2020 + i, girthCm: cm))];
            TaughtOfPlanting planting = new(
                [LearnedGrowth.Of(seasons).ToValue()!, Mass(-12)],
                Mass(-2),
                [],
                Habit: null
            );
            return LearnedOfEstate.Of(Years(12).ToDictionary(_ => Guid.NewGuid(), _ => planting));
        }
        double Told(LearnedOfEstate of) =>
            of.Plantings.Values.First().Single(v => v.Quantity == LearnedQuantity.FruitMass).Learned;
        var standing = Of(10, 14, 14, 14, 14, 14, 14, 14);
        Assert.Contains(LearnedQuantity.TrunkGrowth, standing.KeptTo);
        Assert.Equal(Mass(-2).Learned, Told(standing));
        var growing = Of(10, 11, 12, 13, 14, 15, 16, 17);
        Assert.Empty(growing.KeptTo);
        Assert.Equal(Mass(-12).Learned, Told(growing));
    }

    [Fact]
    public void What_a_person_chose_goes_before_the_test_and_the_test_before_the_seasons()
    {
        LearnedStandings standings = new(
            [new(LearnedQuantity.Set, .7, "bees"), new(LearnedQuantity.TrunkGrowth, null, "other trees")],
            new HashSet<LearnedQuantity> { LearnedQuantity.Set, LearnedQuantity.PackOut }
        );
        Assert.Equal(.7, standings.Held(LearnedQuantity.Set, .5, .62));
        Assert.Equal(LearnedStanding.Pinned, standings.Of(LearnedQuantity.Set, true));
        Assert.Equal(.85, standings.Held(LearnedQuantity.PackOut, .7, .85));
        Assert.Equal(LearnedStanding.Refused, standings.Of(LearnedQuantity.PackOut, true));
        Assert.Equal(LearnedStanding.Untaught, standings.Of(LearnedQuantity.PackOut, false));
        Assert.Null(standings.Held(LearnedQuantity.TrunkGrowth, .8, null));
        Assert.Equal(LearnedStanding.PutBack, standings.Of(LearnedQuantity.TrunkGrowth, true));
        Assert.Equal(.5, new LearnedStandings([], new HashSet<LearnedQuantity>()).Held(LearnedQuantity.Set, .5, .62));
    }

    [Theory]
    [InlineData(1.4, "share")]
    [InlineData(double.NaN, "share")]
    [InlineData(.7, "kg")]
    public void A_pin_nobody_can_mean_is_told_at_its_field(double value, string unit)
    {
        LearnedChoicesEntry entry = new()
        {
            Choices =
            [
                new()
                {
                    Quantity = LearnedQuantity.Set,
                    Pinned = new(value, unit),
                    Reason = "so",
                },
            ],
        };
        var problems = Assert.Throws<UnusableEntryException>(() => entry.Read()).Problems;
        Assert.Contains(problems, p => p.Field == "choices[0].pinned");
    }

    [Fact]
    public void A_choice_wants_its_number_its_reason_and_to_be_told_once()
    {
        LearnedChoiceEntry choice = new() { Quantity = LearnedQuantity.PackOut, Reason = "new sorter" };
        Assert.Null(Assert.Single(new LearnedChoicesEntry { Choices = [choice] }.Read()).Pinned);
        string[] Told(params LearnedChoiceEntry[] choices) =>
            [
                .. Assert
                    .Throws<UnusableEntryException>(() => new LearnedChoicesEntry { Choices = choices }.Read())
                    .Problems.Select(p => p.Field),
            ];
        Assert.Equal(["choices[1].quantity"], Told(choice, choice));
        Assert.Equal(["choices[0].quantity", "choices[0].reason"], Told(new LearnedChoiceEntry()));
    }

    private static IEnumerable<int> Years(int count) => Enumerable.Range(0, count);

    // Box and Muller 1958.
    private static double Normal(Random random) =>
        Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
}
