using Rama.Core.Count;

namespace Rama.Core.Tests.Count;

public sealed class LimbSpreadTests
{
    private static readonly LimbSize[] Limbs = [new(10, false, 10), new(20, true, 30)];

    private static LimbSpread Of(double? limbs, double floralBuds, params KindCount[] kinds) =>
        LimbSpread.Of([new CountedTree(3, 14, null, limbs, floralBuds, kinds, Limbs)])!;

    // By hand: two limbs of 10 and 20 mm have a mean of 15 and a standard deviation of √50 mm; their cross-sections are
    // π/4 and π cm², and 40 buds on them are 32 ÷ π for each cm².
    [Fact]
    public void Two_limbs_by_hand()
    {
        var spread = Of(2, 40);
        Assert.Equal((2, 1, 20, .5), (spread.Limbs, spread.Trees, spread.ThickestMm, spread.ForkedShare));
        Assert.Equal(15, spread.MeanMm, 9);
        Assert.Equal(Math.Sqrt(50), spread.SdMm!.Value, 9);
        Assert.Equal(32 / Math.PI, spread.BudsPerLcsa!.Value, 9);
        Assert.Equal(1.25 * Math.PI, spread.LcsaPerTreeCm2!.Value, 9);
        Assert.Equal([(8, 12, 1), (20, 24, 1)], spread.Classes.Select(c => ((int)c.FromMm, (int)c.ToMm, c.Limbs)));
    }

    // Of 80 buds on the tree 40 are floral, so half of those on its limbs are.
    [Fact]
    public void All_buds_are_floral_in_the_share_of_their_tree() =>
        Assert.Equal(16 / Math.PI, Of(2, 40, new KindCount("spur", 80)).BudsPerLcsa!.Value, 9);

    [Fact]
    public void A_tree_with_limbs_not_measured_has_no_limb_area() => Assert.Null(Of(3, 40).LcsaPerTreeCm2);

    [Fact]
    public void No_limb_has_no_spread_and_one_has_no_deviation()
    {
        Assert.Null(LimbSpread.Of([new(3, 14, null, 2, 40, [], [new(null, false, 10)])]));
        Assert.Null(LimbSpread.Of([new(3, 14, null, 1, 40, [], [new(10, false, 10)])])!.SdMm);
    }

    // Bad input: a limb of seven years on trees in their sixth leaf.
    [Fact]
    public void A_limb_older_than_the_trees_is_told_at_its_field()
    {
        SurveyEntry count = new()
        {
            Trees =
            [
                new()
                {
                    Row = 1,
                    Tree = 1,
                    FloralBuds = 10,
                    LimbSizes = [new() { Age = 6 }, new() { Age = 7 }],
                },
            ],
        };
        var problem = Assert.Single(count.OlderThan(6));
        Assert.Equal(("trees[0].limbSizes[1].age", "range"), (problem.Field, problem.Code));
        Assert.Empty(count.OlderThan(7));
        Assert.Equal([6, 7], count.Read().Trees[0].LimbSizes.Select(l => l.AgeYears!.Value));
        Assert.Throws<Core.Explain.UnusableEntryException>(() =>
            (count with { Trees = [count.Trees[0] with { LimbSizes = [new() { Age = 0 }] }] }).Read()
        );
    }
}
