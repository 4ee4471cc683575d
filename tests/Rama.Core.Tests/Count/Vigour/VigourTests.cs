using Rama.Core.Count.Vigour;
using Rama.Core.Crops;

namespace Rama.Core.Tests.Count.Vigour;

public sealed class VigourTests
{
    private static VigourMark Shoots(double cm) =>
        new VigourMarkEntry
        {
            Row = 1,
            Tree = 2,
            Extension = new(cm, "cm"),
        }.Read();

    // Shoots of 20 to 45 cm on a bearing tree: common practice, no source.
    [Theory]
    [InlineData(12, GrowthVigour.Weak, "fewer-fruit")]
    [InlineData(60, GrowthVigour.Strong, "more-fruit-buds")]
    public void Extension_tells_how_strongly_it_grows(double cm, GrowthVigour vigour, string first)
    {
        var summary = VigourSummary.Of([Shoots(cm), Shoots(cm + 2), Shoots(cm - 2)])!;
        Assert.Equal((vigour, first), (summary.Vigour, summary.Advice[0].Id));
    }

    // About 60 cm is wanted on cherry, 30 to 60 on peach: common practice, no source.
    [Theory]
    [InlineData(BearingHabit.SpurFlowerBud, 60, GrowthVigour.Balanced)]
    [InlineData(BearingHabit.SpurFlowerBud, 30, GrowthVigour.Weak)]
    [InlineData(BearingHabit.OneYearShoot, 50, GrowthVigour.Balanced)]
    [InlineData(BearingHabit.OneYearShoot, 90, GrowthVigour.Strong)]
    [InlineData(BearingHabit.MixedBud, 60, GrowthVigour.Strong)]
    public void Every_crop_grows_by_its_own_measure(BearingHabit habit, double cm, GrowthVigour vigour) =>
        Assert.Equal(vigour, VigourSummary.Of([Shoots(cm)], habit)!.Vigour);

    [Fact]
    public void Canker_keeps_pruners_out_of_wet_trees()
    {
        var canker = new VigourMarkEntry
        {
            Row = 3,
            Tree = 9,
            Conditions = [TreeCondition.Canker],
            LookAgain = new(2027, 5, 1),
        }.Read();
        var summary = VigourSummary.Of([Shoots(30), canker])!;
        Assert.Equal(GrowthVigour.Balanced, summary.Vigour);
        Assert.Equal("no-wet-cuts", Assert.Single(summary.Advice).Id);
        Assert.Equal(new DateOnly(2027, 5, 1), summary.LookAgain);
    }

    [Fact]
    public void A_mark_without_anything_seen_is_no_mark() =>
        Entries.AssertProblem(Entries.ProblemsOf(() => new VigourMarkEntry { Row = 1 }.Read()), "extension", "missing");

    [Fact]
    public void Shade_is_told_at_the_latest_sign_a_quarter_of_the_places_show()
    {
        ShadeSign[] seen =
        [
            ShadeSign.None,
            ShadeSign.Early,
            ShadeSign.Early,
            ShadeSign.Late,
            ShadeSign.VeryLate,
            ShadeSign.None,
            ShadeSign.None,
            ShadeSign.None,
        ];
        Assert.Equal(
            ShadeSign.Late,
            VigourSummary.Of([.. seen.Select(s => new VigourMarkEntry { Row = 1, Shade = s }.Read())])!.Shade
        );
    }
}
