using CsCheck;
using Rama.Core.Result;

namespace Rama.Core.Tests.Result;

public sealed class AlternationTests
{
    private static Alternation? Of(params double[] yields) => Alternation.Of(yields.Select((y, i) => (2020 + i, y)));

    // [published: Hoblyn et al. 1936; arithmetic derived, handbook 2.10] 52 31 55 28 49 → 0.283.
    [Fact]
    public void The_index_of_five_seasons()
    {
        var alternation = Of(52, 31, 55, 28, 49)!;
        Near.Printed(0.283, alternation.Index, 3);
        Assert.Equal((4, true), (alternation.Pairs, alternation.Alternates));
        Assert.Single(alternation.Warnings);
    }

    [Fact]
    public void High_and_low_must_take_turns() => Assert.False(Of(10, 30, 90)!.Alternates); // index 0.5, always rising

    [Fact]
    public void One_pair_shows_no_turns() => Assert.False(Of(20, 80)!.Alternates);

    [Fact]
    public void A_season_without_a_record_makes_no_pair()
    {
        Assert.Null(Alternation.Of([(2020, 50), (2022, 20)]));
        Assert.Equal(1, Alternation.Of([(2020, 50), (2022, 20), (2023, 40)])!.Pairs);
    }

    [Fact]
    public void Two_years_of_nothing_are_skipped() => Assert.Equal(1, Of(0, 0, 40)!.Pairs);

    [Fact]
    public void It_lies_between_none_and_one_and_no_unit_changes_it() =>
        Gen.Double[0.1, 100]
            .Array[2, 10]
            .Select(Gen.Double[0.1, 50])
            .Sample(
                (yields, factor) =>
                {
                    var index = Of(yields)!.Index;
                    Assert.InRange(index, 0, 1);
                    Assert.Equal(index, Of([.. yields.Select(y => y * factor)])!.Index, 1e-9);
                }
            );
}
