using Rama.Core.Crew.Progress;
using Rama.Core.Explain;

namespace Rama.Core.Tests.Crew;

public sealed class WorkProgressTests
{
    private static readonly DateOnly Today = new(2027, 1, 27);

    private static readonly Dictionary<int, double> Rows = Enumerable.Range(1, 10).ToDictionary(r => r, _ => 100.0);

    private static WorkReport Report(int[] rows, double trees = 0, double? hours = 8, int day = 25, int people = 5) =>
        new("winter", new DateOnly(2027, 1, day), null, [], people, hours, rows, trees, null, null, null);

    private static WorkProgress Of(params WorkReport[] reports) => WorkProgress.Of(reports, Rows, 1_000, Today);

    [Fact]
    public void Rows_done_are_trees_done()
    {
        var progress = Of(Report([1, 2]), Report([3], trees: 50, day: 26));

        Assert.Equal(350, progress.TreesDone);
        Assert.Equal(0.35, progress.Value, 9);
        Assert.Equal(80, progress.PaidHours);
        Assert.Equal([1, 2, 3], progress.RowsDone);
        Assert.Empty(progress.Warnings);
        Assert.False(progress.IsDone);
    }

    [Fact]
    public void A_row_told_twice_counts_once_and_is_told()
    {
        var progress = Of(Report([1, 2]), Report([2, 3]));

        Assert.Equal(300, progress.TreesDone);
        Assert.Equal(80, progress.PaidHours);
        var said = Assert.Single(progress.Warnings);
        Assert.Equal("progress.twice", said.Code);
        Assert.Equal(2, said.Figures[0].Value);
    }

    [Fact]
    public void What_cannot_be_is_told()
    {
        Assert.Equal("progress.no-row", Assert.Single(Of(Report([11])).Warnings).Code);
        Assert.Equal("progress.over", Assert.Single(Of(Report([1], trees: 1_200)).Warnings).Code);
        Assert.Equal(1, Of(Report([1], trees: 1_200)).Value);
        Assert.Equal("progress.to-come", Assert.Single(Of(Report([1], day: 28)).Warnings).Code);
    }

    [Fact]
    public void All_rows_done_is_done()
    {
        Assert.True(Of(Report([1, 2, 3, 4, 5, 6, 7, 8, 9, 10])).IsDone);
        // Nearly all trees are listed: those listed count.
        Assert.True(WorkProgress.Of([Report([.. Rows.Keys])], Rows, 1_050, Today).IsDone);
        // Few are: rows done are a part.
        Assert.Equal(0.5, WorkProgress.Of([Report([.. Rows.Keys])], Rows, 2_000, Today).Value, 9);
    }

    [Theory]
    [InlineData("people", 0.0, 8.0)]
    [InlineData("people", 2.5, 8.0)]
    [InlineData("hours", 4.0, 30.0)]
    [InlineData("hours", 4.0, -1.0)]
    public void Nobody_works_thirty_hours(string field, double people, double hours)
    {
        var refused = Assert.Throws<UnusableEntryException>(() =>
            new WorkReportEntry
            {
                Pass = "winter",
                Day = Today,
                People = people,
                Hours = hours,
                Rows = [1],
            }.Read()
        );
        Assert.Equal(field, Assert.Single(refused.Problems).Field);
    }

    [Fact]
    public void A_report_of_nothing_is_none() =>
        Assert.Equal(
            "rows",
            Assert
                .Single(
                    Assert
                        .Throws<UnusableEntryException>(() =>
                            new WorkReportEntry
                            {
                                Pass = "winter",
                                Day = Today,
                                People = 3,
                            }.Read()
                        )
                        .Problems
                )
                .Field
        );
}
