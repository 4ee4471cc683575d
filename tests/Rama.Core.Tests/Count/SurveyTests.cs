using Rama.Core.Count;
using Rama.Core.Count.Sample;

namespace Rama.Core.Tests.Count;

public sealed class SurveyTests
{
    // Handbook 2.5 [derived, R; method published: Cochran, Sampling Techniques].
    [Fact]
    public void Trees_needed_at_cv_30_for_10_percent() => Assert.Equal(37, SampleSize.TreesNeeded(0.30, 0.10, 2_400));

    // By hand: t(1) = 12.706, t(2) = 4.303; with CV .05 three trees give 4.303 × .05 ÷ √3 = .124, four 3.182 × .05 ÷ 2
    // = .0796.
    [Fact]
    public void Trees_needed_is_the_smallest_that_will_do() => Assert.Equal(4, SampleSize.TreesNeeded(0.05, 0.10, 1e9));

    [Fact]
    public void Mean_girth_and_trunk_are_over_the_trees_measured()
    {
        var survey = new SurveyEntry
        {
            Trees =
            [
                new()
                {
                    Row = 1,
                    Tree = 1,
                    Girth = new(16, "cm"),
                    Limbs = 20,
                    FloralBuds = 100,
                },
                new()
                {
                    Row = 1,
                    Tree = 2,
                    Girth = new(200, "mm"),
                    Limbs = 22,
                    FloralBuds = 120,
                },
                new()
                {
                    Row = 1,
                    Tree = 3,
                    FloralBuds = 140,
                },
            ],
        };
        var estimate = SurveyEstimate.Of(survey.Read())!;
        Assert.Equal(18, estimate.Means.GirthCm!.Value, 9);
        Near.Printed(26.10, estimate.Means.TcsaCm2, 2); // (20.37 + 31.83) ÷ 2, handbook 2.3
        Assert.Equal(21, estimate.Means.Limbs);
        Assert.Equal(120, estimate.Value);
    }

    // R 4.2: t.test(c(0, 10, 400))$conf.int is −430.0 to 703.3; a tree has no fewer than no buds.
    [Fact]
    public void An_interval_does_not_reach_below_no_buds()
    {
        CountedTreeEntry Tree(int tree, double buds) =>
            new()
            {
                Row = 1,
                Tree = tree,
                FloralBuds = buds,
            };
        var buds = SurveyEstimate.Of(new SurveyEntry { Trees = [Tree(1, 0), Tree(2, 10), Tree(3, 400)] }.Read())!.Buds;
        Assert.Equal(0, buds.Low);
        Near.Printed(703.3, buds.High, 1);
    }

    [Fact]
    public void All_buds_times_floral_share_are_floral_buds()
    {
        var survey = new SurveyEntry
        {
            FloralShare = new(40, "%"),
            Trees =
            [
                new()
                {
                    Row = 1,
                    Tree = 1,
                    Buds = 300,
                },
            ],
        }.Read();
        Assert.Equal(120, survey.Trees[0].FloralBuds, 9);
    }

    [Fact]
    public void No_trees_is_no_estimate() => Assert.Null(SurveyEstimate.Of(new SurveyEntry().Read()));

    [Fact]
    public void One_tree_has_no_interval_and_says_so()
    {
        var estimate = SurveyEstimate.Of(Entries.Counted(200).Read())!;
        Assert.Null(estimate.Buds.High);
        Assert.Contains(estimate.Warnings, w => w.Code == "survey.one-tree");
    }

    [Fact]
    public void More_trees_counted_than_stand_are_noticed()
    {
        var survey = Entries.Counted(100, 110, 120, 130, 140).Read();
        Assert.Contains(SurveyEstimate.Of(survey, treesInPlanting: 4)!.Warnings, w =>
            w.Code == "survey.more-than-stand"
        );
        Assert.DoesNotContain(SurveyEstimate.Of(survey, treesInPlanting: 5)!.Warnings, w =>
            w.Code == "survey.more-than-stand"
        );
    }

    [Fact]
    public void A_tree_counted_twice_is_told_at_its_line()
    {
        var twice = new CountedTreeEntry
        {
            Row = 4,
            Tree = 12,
            FloralBuds = 100,
        };
        var problems = Entries.ProblemsOf(() =>
            new SurveyEntry { Trees = [twice, twice with { FloralBuds = 90 }] }.Read()
        );
        var problem = Assert.Single(problems);
        Assert.Equal("trees[1].tree", problem.Field);
        Assert.Equal("Tree 12 of row 4 is already on line 1.", problem.Message);
    }

    [Fact]
    public void What_is_wrong_with_a_line_is_told_at_its_cells()
    {
        var problems = Entries.ProblemsOf(() =>
            new SurveyEntry
            {
                FloralShare = new(140, "%"),
                Trees =
                [
                    new()
                    {
                        Row = 0,
                        Tree = 1.5,
                        Girth = new(4, "m"),
                        Limbs = -1,
                        FloralBuds = 2.5,
                    },
                    new() { FloralBuds = 10, Buds = 20 },
                    new() { Row = 3, Tree = 3 },
                ],
            }.Read()
        );
        Entries.AssertProblem(problems, "floralShare", "range");
        Entries.AssertProblem(problems, "trees[0].row", "range");
        Entries.AssertProblem(problems, "trees[0].tree", "whole");
        Entries.AssertProblem(problems, "trees[0].girth", "range");
        Entries.AssertProblem(problems, "trees[0].limbs", "range");
        Entries.AssertProblem(problems, "trees[0].floralBuds", "whole");
        Entries.AssertProblem(problems, "trees[1].row", "missing");
        Entries.AssertProblem(problems, "trees[1].tree", "missing");
        Entries.AssertProblem(problems, "trees[1].buds", "conflict");
        Entries.AssertProblem(problems, "trees[2].floralBuds", "missing");
    }

    [Fact]
    public void All_buds_without_a_share_ask_for_it() =>
        Entries.AssertProblem(
            Entries.ProblemsOf(() =>
                new SurveyEntry
                {
                    Trees =
                    [
                        new()
                        {
                            Row = 1,
                            Tree = 1,
                            Buds = 300,
                        },
                    ],
                }.Read()
            ),
            "floralShare",
            "missing"
        );
}
