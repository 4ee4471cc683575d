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
}
