using Rama.Core.Count;
using Rama.Core.Estate;

namespace Rama.Core.Tests.Count;

public sealed class CountOutliersTests
{
    private static IReadOnlyList<CountOutlier> Of(params CountedTreeEntry[] trees) =>
        SurveyEstimate.Of(new SurveyEntry { Trees = trees }.Read())!.Outliers;

    [Fact]
    public void Millimetres_typed_as_centimetres_are_noticed()
    {
        var outlier = Assert.Single(
            Of([
                .. new[] { 16.0, 17, 15.5, 163, 16.4 }.Select(
                    (g, i) =>
                        new CountedTreeEntry
                        {
                            Row = 1,
                            Tree = i + 1,
                            Girth = new(g, "cm"),
                            FloralBuds = 150 + i,
                        }
                ),
            ])
        );
        Assert.Equal((4, "outlier.girth"), (outlier.Tree, outlier.Reason.Code));
    }

    // Iglewicz and Hoaglin: 0.6745 × |600 − 190| ÷ MAD 15 = 18.4 > 3.5. The tree stays in the mean.
    [Fact]
    public void A_tree_far_from_the_others_is_named_and_stays()
    {
        var survey = Entries.Counted(180, 190, 205, 175, 600, 190, 210).Read();
        var estimate = SurveyEstimate.Of(survey)!;
        Assert.Equal("outlier.buds", Assert.Single(estimate.Outliers).Reason.Code);
        Assert.Equal(250, estimate.Buds.Mean, 9);
    }

    [Fact]
    public void A_tree_where_none_stands_is_noticed()
    {
        RowList rows = new([new(1, 1, 90, [12], [], [], [])]);
        SurveyEntry entry = new()
        {
            Trees =
            [
                new()
                {
                    Row = 1,
                    Tree = 12,
                    FloralBuds = 9,
                },
                new()
                {
                    Row = 1,
                    Tree = 13,
                    FloralBuds = 9,
                },
                new()
                {
                    Row = 2,
                    Tree = 3,
                    FloralBuds = 9,
                },
            ],
        };
        Assert.Equal(
            [(1, 12), (2, 3)],
            SurveyEstimate.Of(entry.Read(), rows: rows)!.Outliers.Select(o => (o.Row, o.Tree))
        );
    }

    [Fact]
    public void A_limb_thicker_than_its_trunk_is_noticed() =>
        Assert.Equal(
            "outlier.limb",
            Assert
                .Single(
                    Of(
                        new CountedTreeEntry
                        {
                            Row = 1,
                            Tree = 1,
                            Girth = new(16, "cm"),
                            FloralBuds = 9,
                            LimbSizes = [new() { Diameter = new(60, "mm") }],
                        }
                    )
                )
                .Reason.Code
        );

    // By hand: 10 and 20 mm are .785 and 3.142 cm²; 6 + 24 buds on 3.927 cm² are 7.64 a cm².
    [Fact]
    public void Limbs_tell_their_spread_and_their_buds_per_area()
    {
        var limbs = SurveyEstimate
            .Of(
                new SurveyEntry
                {
                    Trees =
                    [
                        new()
                        {
                            Row = 1,
                            Tree = 1,
                            FloralBuds = 30,
                            LimbSizes =
                            [
                                new() { Diameter = new(10, "mm"), Buds = 6 },
                                new()
                                {
                                    Diameter = new(2, "cm"),
                                    Buds = 24,
                                    Forked = true,
                                },
                            ],
                        },
                    ],
                }.Read()
            )!
            .LimbSpread!;
        Assert.Equal((2, 15.0, 20.0, 0.5), (limbs.Limbs, limbs.MeanMm, limbs.ThickestMm, limbs.ForkedShare));
        Near.Printed(7.64, limbs.BudsPerLcsa, 2);
        Near.Printed(3.93, limbs.LcsaPerTreeCm2, 2);
        Assert.Equal([(8, 1), (20, 1)], limbs.Classes.Select(c => ((int)c.FromMm, c.Limbs)));
    }
}
