using Rama.Core.Crew.Cost;
using Rama.Core.Crew.Progress;

namespace Rama.Core.Tests.Crew;

/// <summary>Pay and cost: numbers by hand.</summary>
public sealed class PaySheetTests
{
    // 27 January 2027 is a Wednesday.
    private static readonly DateOnly Wednesday = new(2027, 1, 27);

    private static readonly Guid CrewA = Guid.Parse("0198c0de-0000-7000-8000-00000000000a"),
        CrewB = Guid.Parse("0198c0de-0000-7000-8000-00000000000b"),
        Ann = Guid.Parse("0198c0de-0000-7000-8000-0000000000a1");

    private static readonly Dictionary<int, double> Rows = new() { [1] = 100, [2] = 80 };

    private static PayRate RateOf(Guid? crew) => crew == CrewB ? new(16, 0.5) : new(16);

    private static WorkReport Report(
        Guid crew,
        int day,
        int people,
        double? hours,
        int[] rows,
        double trees = 0,
        params Guid[] workers
    ) => new("winter", Wednesday.AddDays(day), crew, workers, people, hours, rows, trees, null, null, null);

    private static IReadOnlyList<PaidWork> Works(params WorkReport[] reports) => PaidWork.Of(reports, Rows, RateOf);

    [Theory]
    [InlineData("2027-01-25", "2027-01-25")]
    [InlineData("2027-01-31", "2027-01-25")]
    [InlineData("2027-02-01", "2027-02-01")]
    public void A_week_begins_on_its_monday(string day, string monday) =>
        Assert.Equal(DateOnly.Parse(monday), PaySheet.WeekOf(DateOnly.Parse(day)));

    [Fact]
    public void Hours_are_paid_to_whoever_worked_them()
    {
        var lines = PaySheet.Of(Works(Report(CrewA, 0, 4, 8, [1], 0, Ann), Report(CrewA, 1, 4, 7.5, [2])));

        Assert.Equal(2, lines.Count);
        var (ann, others) = (lines[0], lines[1]);
        Assert.Equal((Ann, 8.0, 25.0, 128.0), (ann.Worker!.Value, ann.Hours, ann.Trees, ann.Pay));
        // Three beside her on the first day, four on the second.
        Assert.Equal((4, 2, 3 * 8 + 4 * 7.5, 54 * 16.0), (others.People, others.Days, others.Hours, others.Pay));
        Assert.Equal(75 + 80, others.Trees);
        Assert.Equal(16, others.PerHour);
    }

    [Fact]
    public void Trees_are_paid_once_to_whoever_told_the_row_first()
    {
        var works = Works(Report(CrewB, 0, 2, 8, [1], 20), Report(CrewB, 5, 2, 8, [1, 2]));
        var lines = PaySheet.Of(works);

        // The week after comes first.
        Assert.Equal([new DateOnly(2027, 2, 1), new DateOnly(2027, 1, 25)], lines.Select(l => l.Week));
        Assert.Equal([80 * 0.5, 120 * 0.5], lines.Select(l => l.Pay));
        Assert.Equal(60.0 / 16, lines[1].PerHour);
        Assert.All(lines, l => Assert.Equal(l.Pay, l.Steps[0].Result.Value));
        Assert.Equal(100, works.Sum(w => w.Pay));
    }

    [Fact]
    public void More_names_than_people_are_all_paid()
    {
        var lines = PaySheet.Of(Works(Report(CrewA, 0, 1, 4, [1], 0, Ann, Guid.NewGuid())));
        Assert.Equal([64, 64], lines.Select(l => l.Pay));
        Assert.Equal([50, 50], lines.Select(l => l.Trees));
    }

    [Fact]
    public void What_is_expected_is_what_is_paid_and_what_is_left()
    {
        var cost = WorkCost.Of(
            [new(100, 1_600, 60, 960, 55, 900), new(20, 320, 0, 0, 20, 300)],
            new(Trees: 2_160, AreaHa: 2, Tonnes: 108)
        );
        Assert.Equal((2_160.0, 240.0), (cost.Value, cost.MoreThanPlanned));
        Assert.Equal((1.0, 1_080.0, 20.0), (cost.PerTree!.Value, cost.PerHa!.Value, cost.PerTonne!.Value));
        Assert.Null(WorkCost.Of([new(Left: 5)], new()).PerTree);
    }
}
