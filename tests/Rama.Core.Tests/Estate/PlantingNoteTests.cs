using Rama.Core.Estate;
using Rama.Core.Explain;

namespace Rama.Core.Tests.Estate;

public sealed class PlantingNoteTests
{
    private static readonly DateOnly Today = new(2027, 1, 27);

    private static PlantingNoteEntry On(string? day) =>
        new() { Text = " Props ", ComeBack = day is null ? null : DateOnly.ParseExact(day, "yyyy-MM-dd") };

    [Theory]
    [InlineData("2027-01-26", true)]
    [InlineData("2027-01-27", true)]
    [InlineData("2027-01-28", false)]
    [InlineData(null, false)]
    public void A_note_is_due_from_its_day_on(string? day, bool due) =>
        Assert.Equal((due, "Props"), (On(day).Read(Today).IsDue(Today), On(day).Read(Today).Text));

    [Theory]
    [InlineData("2025-12-31")]
    [InlineData("2058-01-01")]
    [InlineData("0001-01-01")]
    [InlineData("9999-12-31")]
    public void A_day_nobody_comes_back_on_is_told_at_its_field(string day) =>
        Assert.Equal(
            ["comeBack"],
            Assert.Throws<UnusableEntryException>(() => On(day).Read(Today)).Problems.Select(p => p.Field)
        );

    [Fact]
    public void A_note_says_something_and_not_too_much()
    {
        Assert.Throws<UnusableEntryException>(() => new PlantingNoteEntry { Text = " " }.Read(Today));
        var longest = new string('x', PlantingNoteEntry.LongestText);
        Assert.Equal(
            longest,
            new PlantingNoteEntry { Text = longest }
                .Read(Today)
                .Text
        );
        Assert.Throws<UnusableEntryException>(() => new PlantingNoteEntry { Text = longest + "x" }.Read(Today));
    }
}
