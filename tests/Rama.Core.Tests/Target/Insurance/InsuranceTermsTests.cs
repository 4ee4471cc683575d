using CsCheck;
using Rama.Core.Statistics;
using Rama.Core.Target.Insurance;

namespace Rama.Core.Tests.Target.Insurance;

public sealed class InsuranceTermsTests
{
    private static InsuranceTerms Terms(double places, Losses? losses = null) =>
        new(School.CheapestMistake, 1.8, .8, .02, .11, BetaShare.Of(.6, .1), "", .1, losses ?? Losses.None, places);

    // A bud with three places for fruit stands for three buds with one: definition of the place.
    [Fact]
    public void A_bud_with_three_places_counts_three_times()
    {
        foreach (var school in (School[])[School.ServiceLevel, School.CheapestMistake])
            Assert.Equal(Terms(1).FactorOf(school)!.Value / 3, Terms(3).FactorOf(school)!.Value, 9);
        Assert.Equal(1.8, Terms(3).FactorOf(School.Fixed));
    }

    // What is lost one after the other multiplies: 10 % and then 20 % leave 72 %.
    [Fact]
    public void Losses_one_after_the_other_multiply()
    {
        Assert.Equal(.72, new Losses(.1, .2).Kept, 9);
        Gen.Select(Gen.Double[0, .9], Gen.Double[0, .9], Gen.Double[0, .9])
            .Sample(
                (winter, frost, mechanical) =>
                    Assert.Equal(
                        new Losses(winter, frost, mechanical).Kept,
                        new Losses(winter).Kept * new Losses(0, frost).Kept * new Losses(0, 0, mechanical).Kept,
                        9
                    )
            );
    }

    // One bud one fruit, unless a crop says otherwise.
    [Fact]
    public void A_bud_of_which_nothing_is_said_carries_one_fruit()
    {
        InsuranceTerms untold = new(School.Fixed, 1.8, .8, .02, .11, BetaShare.Of(.6, .1), "", .1, Losses.None);
        foreach (var school in Enum.GetValues<School>())
            Assert.Equal(Terms(1).FactorOf(school), untold.FactorOf(school));
        Assert.Equal(Terms(1).Fruitlets, untold.Fruitlets);
    }

    private static SchoolAnswer Answer(double factor, double places = 1, double fruitlets = 2) =>
        SchoolAnswer.Of(
            School.Fixed,
            100,
            new(School.Fixed, factor, .8, .02, .11, BetaShare.Of(.6, .1), "", .1, Losses.None, places, fruitlets)
        )!;

    // 100 fruit at a factor of 1.8 and a set of .6 are 108 clusters with two fruitlets each: 116 to thin. At .8 they
    // are 48 clusters with 96: nothing is left to thin. One fruitlet a bud that nobody thins stays on the tree.
    [Theory]
    [InlineData(1.8, 2, "insurance.meaning", 116)]
    [InlineData(0.8, 2, "insurance.meaning-short", 0)]
    [InlineData(3.5, 2, "insurance.meaning-always", 320)]
    [InlineData(1.8, 1, "insurance.meaning-over", 8)]
    [InlineData(1.2, 1, "insurance.meaning-short", 0)]
    public void What_a_factor_means_is_told_by_what_is_left_to_thin(
        double factor,
        double fruitlets,
        string code,
        double thin
    )
    {
        var meaning = Answer(factor, fruitlets: fruitlets).Meaning!;
        Assert.Equal(code, meaning.Code);
        Assert.Equal(thin, meaning.Figures.Single(f => f.Name == "thin").Value, 6);
    }

    [Fact]
    public void Fruit_a_place_carries_are_told_where_they_are_not_one()
    {
        static IEnumerable<string> Names(SchoolAnswer of) =>
            of
                .Steps.SelectMany(s => s.Inputs)
                .Select(i => i.Name)
                .Where(n => n.StartsWith("fruit one carries", StringComparison.Ordinal));
        Assert.Empty(Names(Answer(1.8)));
        Assert.NotEmpty(Names(Answer(1.8, places: 3)));
    }

    // Common practice: 1.5 to 2.0 buds a fruit of pome fruit; more than three are looked at twice.
    [Theory]
    [InlineData(1.4, "bud-factor.low")]
    [InlineData(1.5, null)]
    [InlineData(2.0, null)]
    [InlineData(2.1, "bud-factor.high")]
    [InlineData(3.1, "bud-factor.extreme")]
    public void An_unusual_factor_is_warned_of(double factor, string? code)
    {
        Assert.Equal(code, Answer(factor).Warnings.SingleOrDefault()?.Code);
        // With several fruit a bud a factor set by hand has no usual range.
        Assert.Empty(Answer(factor, places: 3).Warnings);
    }
}
