using Rama.Core.Crew;
using Rama.Core.Crew.Schedule;
using Rama.Core.Passes;

namespace Rama.Core.Tests.Crew;

public sealed class FinishRangeTests
{
    // 1 February 2027.
    private static readonly DateOnly Monday = new(2027, 2, 1);

    [Fact]
    public void More_hours_end_later_on_days_that_are_worked()
    {
        WorkCrew crew = new(
            "A",
            [new HashSet<Hands> { Hands.Pruner }],
            new(WorkCalendar.MondayToFriday, 8, [new(Monday.AddDays(7), Monday.AddDays(7))]),
            new HashSet<string>(),
            15
        );
        // Four days of one person, from Monday to Thursday.
        CrewTask task = new("1", 32, Monday, null, LateCharge.None, [Hands.Pruner], "home");
        CrewProblem problem = new(Monday, [task], [crew], 0, new());
        var placed = Assert.Single(new CrewPlanner(problem).First().Tasks);

        var range = FinishRange.Of(problem, task, placed, 0.75, 1.5);
        // Three days; and six, of which the sixth is not the Monday off but the Tuesday after.
        Assert.Equal((Monday.AddDays(2), Monday.AddDays(8)), (range.First, range.Last));
        Assert.Equal(placed.Last, FinishRange.Of(problem, task, placed, 1, 1).Last);
    }
}
