using Rama.Core.Result;

namespace Rama.Core.Tests.Result;

public class BearingAdviceTests
{
    private static string? Say(double[] tonnes, double? standing, bool turns = true, int season = 2027)
    {
        var years = tonnes
            .Select((t, i) => new BearingYear(2027 - tonnes.Length + i, t, null, null, null, null))
            .ToList();
        return BearingAdvice.Of(years, season, turns, standing, wanted: 160, fruitWanted: 96)?.Code;
    }

    // Common practice, no source: many buds after a light year, few after a heavy one.
    [Theory]
    [InlineData(new[] { 52.0, 31, 55, 28 }, 300.0, "bearing.on-year")]
    [InlineData(new[] { 31.0, 55, 28, 56 }, 90.0, "bearing.off-year")]
    [InlineData(new[] { 31.0, 55, 28, 56 }, null, "bearing.off-year-ahead")]
    [InlineData(new[] { 52.0, 31, 55, 28 }, null, "bearing.on-year-ahead")]
    // Few buds after a light year have another cause, and so have many after a heavy one.
    [InlineData(new[] { 52.0, 31, 55, 28 }, 90.0, null)]
    [InlineData(new[] { 31.0, 55, 28, 56 }, 300.0, null)]
    [InlineData(new[] { 48.0, 50, 49 }, 170.0, null)]
    [InlineData(new[] { 48.0 }, 300.0, null)]
    public void Heavy_and_light_years_are_told_by_the_last_crop_and_the_buds_after_it(
        double[] tonnes,
        double? standing,
        string? code
    ) => Assert.Equal(code, Say(tonnes, standing));

    [Fact]
    public void Before_a_count_only_those_that_take_turns_are_told() =>
        Assert.Null(Say([31.0, 55, 28, 56], null, turns: false));

    [Fact]
    public void A_last_season_nobody_told_of_says_nothing() => Assert.Null(Say([52.0, 31, 55, 28], 300, season: 2028));
}
