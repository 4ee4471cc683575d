using MathNet.Numerics.Distributions;
using Rama.Core.Count;
using Rama.Core.Count.Floral;

namespace Rama.Core.Tests.Count.Floral;

public sealed class FloralShareTests
{
    // Newcombe 1998, Stat Med 17:857: one bud a tree leaves Wilson's interval as it is.
    [Theory]
    [InlineData(81, 263, 0.2553, 0.3662)]
    [InlineData(15, 148, 0.0624, 0.1605)]
    [InlineData(0, 20, 0, 0.1611)]
    [InlineData(1, 29, 0.0061, 0.1718)]
    public void One_bud_a_tree_gives_the_published_interval(int floral, int cut, double low, double high)
    {
        var share = FloralShare.Of(
            "spur",
            [.. Enumerable.Range(1, cut).Select(i => new BudCut((1, i), "spur", 1, i <= floral ? 1 : 0, 0))]
        );
        Assert.Equal(1, share.DesignEffect, 9);
        Near.Printed(low, share.Low, 4);
        Near.Printed(high, share.High, 4);
    }

    [Fact]
    public void None_floral_of_twenty_is_no_certainty()
    {
        var share = FloralShare.Of("spur", [new(null, "spur", 20, 0, 0)]);
        Assert.Equal(0, share.Share);
        Assert.True(share.Variance > 0);
        Assert.Contains(share.Warnings, w => w.Code == "floral.no-trees");
    }

    // The textbook design effect at the assumed likeness: 1 + (20 − 1) × 0.1 = 2.9 (Kish 1965, Survey Sampling). Where
    // nobody noted the trees there is nothing that could move it.
    [Fact]
    public void Unplaced_buds_are_taken_as_twenty_a_tree() =>
        Assert.Equal(2.9, FloralShare.Of("spur", [new(null, "spur", 100, 55, 0)]).DesignEffect, 9);

    // Simulated: five trees, twenty buds each, correlation 0.1 (beta-binomial). Wilson alone covers about 72 %
    // (handbook 2.6).
    [Theory]
    [InlineData(5)]
    [InlineData(10)]
    public void Interval_covers_about_95_percent_of_clustered_samples(int trees)
    {
        const double truth = 0.55,
            likeness = 0.1;
        const int runs = 4_000,
            perTree = 20;
        var random = new Random(20261123);
        var spread = 1 / likeness - 1;
        var covered = 0;
        for (var run = 0; run < runs; run++)
        {
            var cuts = Enumerable
                .Range(1, trees)
                .Select(t =>
                {
                    var p = Beta.Sample(random, truth * spread, (1 - truth) * spread);
                    return new BudCut((1, t), "spur", perTree, Binomial.Sample(random, p, perTree), 0);
                })
                .ToList();
            var share = FloralShare.Of("spur", cuts);
            if (share.Low <= truth && truth <= share.High)
                covered++;
        }
        Assert.InRange(covered / (double)runs, 0.92, 0.98);
    }

    // By hand: half width of Wilson's interval at 50 of 100 is 0.0962, at 46 of 92 it is 0.1001 (z = 1.96).
    [Fact]
    public void More_buds_are_asked_for_until_ten_points()
    {
        List<BudCut> Single(int cut) =>
            [.. Enumerable.Range(1, cut).Select(i => new BudCut((1, i), "spur", 1, i % 2, 0))];
        Assert.Equal(93, 40 + FloralShare.Of("spur", Single(40)).MoreToCut);
        Assert.Equal(0, FloralShare.Of("spur", Single(100)).MoreToCut);
    }

    [Fact]
    public void Buds_by_kind_become_floral_buds()
    {
        var survey = new SurveyEntry
        {
            Trees =
            [
                new()
                {
                    Row = 1,
                    Tree = 1,
                    Kinds = [new() { Kind = "Spur", Buds = 200 }, new() { Kind = "lateral", Buds = 50 }],
                },
            ],
            BudCuts =
            [
                new()
                {
                    Row = 1,
                    Tree = 1,
                    Kind = "spur",
                    Floral = 12,
                    Vegetative = 6,
                    Dead = 2,
                },
                new()
                {
                    Row = 1,
                    Tree = 1,
                    Kind = "lateral",
                    Floral = 2,
                    Vegetative = 8,
                },
            ],
        }.Read();
        Assert.Equal(200 * 0.6 + 50 * 0.2, survey.Trees[0].FloralBuds, 9);
    }

    [Fact]
    public void A_kind_nobody_cut_waits_for_a_share()
    {
        SurveyEntry entry = new()
        {
            Trees =
            [
                new()
                {
                    Row = 1,
                    Tree = 1,
                    Kinds = [new() { Kind = "spur", Buds = 200 }],
                },
            ],
        };
        Entries.AssertProblem(Entries.ProblemsOf(() => entry.Read()), "floralShare", "missing");
        Assert.Equal(100, (entry with { FloralShare = new(50, "%") }).Read().Trees[0].FloralBuds);
    }

    [Fact]
    public void A_kind_nobody_cut_takes_the_share_of_all_buds_cut_and_says_so()
    {
        var survey = new SurveyEntry
        {
            Trees =
            [
                new()
                {
                    Row = 1,
                    Tree = 1,
                    Kinds =
                    [
                        new() { Kind = "spur", Buds = 100 },
                        new() { Kind = "terminal", Buds = 10 },
                        new() { Kind = "lateral", Buds = 0 },
                    ],
                },
            ],
            BudCuts =
            [
                new()
                {
                    Row = 1,
                    Tree = 1,
                    Kind = "spur",
                    Floral = 12,
                    Vegetative = 8,
                },
            ],
        }.Read();
        Assert.Equal(110 * 0.6, survey.Trees[0].FloralBuds, 9);
        Assert.Contains(SurveyEstimate.Of(survey)!.Warnings, w => w.Code == "survey.kind-not-cut");
    }

    [Fact]
    public void No_buds_cut_is_told_at_its_line()
    {
        SurveyEntry entry = new() { BudCuts = [new() { Kind = "spur", Floral = 0 }, new() { Row = 3, Floral = 2 }] };
        var problems = Entries.ProblemsOf(() => entry.Read());
        Entries.AssertProblem(problems, "budCuts[0].floral", "missing");
        Entries.AssertProblem(problems, "budCuts[1].tree", "missing");
    }

    // Var(ȳ) + c̄²·Var(s) (handbook 2.6): with a share from few buds the interval must be wider than with a typed one.
    [Fact]
    public void The_share_s_own_error_widens_the_interval()
    {
        CountedTreeEntry[] trees =
        [
            .. new[] { 300, 320, 280, 310, 290 }.Select(
                (b, i) =>
                    new CountedTreeEntry
                    {
                        Row = 1,
                        Tree = i + 1,
                        Buds = b,
                    }
            ),
        ];
        var typed = SurveyEstimate.Of(new SurveyEntry { Trees = trees, FloralShare = new(50, "%") }.Read())!;
        var cut = SurveyEstimate.Of(
            new SurveyEntry
            {
                Trees = trees,
                BudCuts =
                [
                    .. Enumerable
                        .Range(1, 40)
                        .Select(i => new BudCutEntry
                        {
                            Row = 2,
                            Tree = i,
                            Floral = i % 2,
                            Vegetative = 1 - i % 2,
                        }),
                ],
            }.Read()
        )!;
        Assert.Equal(150, cut.Buds.Mean, 9);
        // By hand: SD of 150 160 140 155 145 is 7.906, standard error 3.536; share 20 of 40 has p̃ = 21/42, variance
        // .25/40 = .00625; mean 300.
        Near.Printed(3.54, typed.Buds.StandardError, 2);
        Near.Printed(Math.Round(Math.Sqrt(7.9057 * 7.9057 / 5 + 300 * 300 * 0.00625), 2), cut.Buds.StandardError, 2);
    }

    // One tree tells nothing of how trees differ: the usual likeness, .1, stands for it. 1 + 39 × .1 = 4.9.
    [Fact]
    public void Buds_of_one_tree_have_the_usual_likeness()
    {
        var share = FloralShare.Of("spur", [new((3, 14), "spur", 40, 22, 2)]);
        Assert.Equal(4.9, share.DesignEffect, 9);
        Assert.True(share.Low < 0.55 && share.High > 0.55 && double.IsFinite(share.High));
    }
}
