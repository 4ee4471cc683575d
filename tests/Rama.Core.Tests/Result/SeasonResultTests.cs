using Rama.Core.Result;

namespace Rama.Core.Tests.Result;

public sealed class SeasonResultTests
{
    // A frost that takes all is a season like any other: common practice, no source.
    [Fact]
    public void A_season_without_a_crop_is_a_season()
    {
        var result = new SeasonResultEntry { Season = 2026, Yield = new(0, "t/ha") }.Read(2027);
        Assert.Equal(0, result.KgPerHa(2_500));
        Entries.AssertProblem(
            Entries.ProblemsOf(() => new SeasonResultEntry { Season = 2026, Yield = new(-1, "t/ha") }.Read(2027)),
            "yield",
            "range"
        );
    }

    // Nothing between two crops: (50 − 0) ÷ 50 both ways, and pairs of nothing are none (handbook 2.10).
    [Fact]
    public void It_counts_as_an_off_year()
    {
        var alternation = Alternation.Of([(2023, 50), (2024, 0), (2025, 50), (2026, 0), (2027, 0)])!;
        Assert.Equal((1.0, 3), (alternation.Index, alternation.Pairs));
    }
}
