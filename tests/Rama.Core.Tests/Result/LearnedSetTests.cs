using Rama.Core.Result.Learning;
using Rama.Core.Statistics;
using Rama.Core.Target.Insurance;

namespace Rama.Core.Tests.Result;

public class LearnedSetTests
{
    private const double Usual = .62,
        Spread = .1;

    [Fact]
    public void Five_seasons_that_set_better_teach_a_higher_set_season_by_season()
    {
        var learned = LearnedSet.Of(
            [.. new[] { .69, .66, .72, .72, .73 }.Select((p, i) => (2022 + i, new PastSet(p, false)))],
            Usual,
            Spread
        )!;
        Assert.InRange(learned.Learned, .66, .704);
        Assert.Equal("learned.set-more", learned.Sentence.Code);
        Assert.Equal([0, 1, 2, 3, 4], learned.History.Select(h => h.Own));
        // Before the first season nothing but the variety is known; then each season draws nearer to what is seen.
        Assert.Equal(Usual, learned.History[0].Foretold, 9);
        Assert.Equal(0, learned.History[0].Gain, 9);
        Assert.Equal(learned.History.Select(h => h.Foretold).Order(), learned.History.Select(h => h.Foretold));
        Assert.All(learned.History, h => Assert.True(h.Low < h.Foretold && h.Foretold < h.High));
    }

    [Fact]
    public void A_season_is_foretold_by_those_before_it_alone()
    {
        (int, PastSet)[] seasons = [(2021, new(.5, false)), (2022, new(.7, true)), (2024, new(.55, false))];
        var whole = LearnedSet.Of(seasons, Usual, Spread)!;
        for (var i = 1; i < seasons.Length; i++)
            Assert.Equal(LearnedSet.Of(seasons[..i], Usual, Spread)!.Learned, whole.History[i].Foretold, 12);
    }

    // Held against the midpoint rule on the density.
    [Fact]
    public void Quantiles_leave_their_share_below()
    {
        var beta = BetaShare.Of(Usual, Spread)!.Value;
        foreach (var p in new[] { .1, .5, .9 })
        {
            var (q, below) = (beta.Quantile(p), 0.0);
            const int steps = 20_000;
            for (var i = 0; i < steps; i++)
                below += Math.Exp(beta.LogDensity(q * (i + .5) / steps)) * q / steps;
            Assert.Equal(p, below, 6);
        }
    }

    // Truth known: plantings differ from their variety by SD .08, years by .10.
    [Fact]
    public void Twelve_seasons_of_an_estate_recover_its_plantings_and_pass_the_back_test()
    {
        var random = new Random(12);
        List<(double Truth, LearnedValue Learned)> estate = [];
        for (var planting = 0; planting < 24; planting++)
        {
            var truth = Usual + .08 * Normal(random);
            estate.Add((truth, LearnedSet.Of(SeasonsOf(truth, 12, random), Usual, Spread)!));
        }
        double Rms(Func<(double Truth, LearnedValue Learned), double> of) =>
            Math.Sqrt(estate.Average(p => of(p) * of(p)));
        var (learned, shipped) = (Rms(p => p.Learned.Learned - p.Truth), Rms(p => Usual - p.Truth));
        Assert.True(learned < .6 * shipped, $"{learned:0.000} against {shipped:0.000}");
        var test = BackTest.Of(estate.Select(p => p.Learned))!;
        Assert.Equal(24 * 11, test.Foretold);
        Assert.False(test.Refused);
        Assert.True(test.Gain > 0);
        Assert.True(test.SdError < test.ShippedSdError);
    }

    [Fact]
    public void A_learner_made_worse_on_purpose_is_refused()
    {
        var random = new Random(3);
        // It takes every set for a third less than it was.
        BetaShare? Wrong(IReadOnlyList<PastSet> known) =>
            SetHistory.Of([.. known.Select(s => s with { Share = s.Share * .67 })], Usual, Spread)?.Predicted;
        var estate = Enumerable
            .Range(0, 12)
            .Select(_ => LearnedSet.Of(SeasonsOf(Usual + .08 * Normal(random), 5, random), Usual, Spread, Wrong)!)
            .ToList();
        var test = BackTest.Of(estate)!;
        Assert.True(test.Refused);
        Assert.Equal("back-test.set-refused", test.Sentence.Code);
    }

    [Fact]
    public void A_right_learner_is_seldom_refused_even_where_nothing_is_to_be_learned()
    {
        var random = new Random(8);
        var refused = Enumerable
            .Range(0, 60)
            .Count(_ =>
                BackTest
                    .Of(
                        Enumerable
                            .Range(0, 8)
                            .Select(_ =>
                                LearnedSet.Of(SeasonsOf(Usual + .08 * Normal(random), 5, random), Usual, Spread)!
                            )
                    )!
                    .Refused
            );
        Assert.True(refused <= 3, $"{refused} of 60");
    }

    // Box and Muller 1958.
    private static double Normal(Random random) =>
        Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());

    private static List<(int, PastSet)> SeasonsOf(double truth, int seasons, Random random) =>
        [
            .. Enumerable
                .Range(0, seasons)
                .Select(t => (2015 + t, new PastSet(Math.Clamp(truth + .1 * Normal(random), .05, .95), false))),
        ];
}
