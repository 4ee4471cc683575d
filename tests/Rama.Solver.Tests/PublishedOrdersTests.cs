using Rama.Core.Crew.Schedule;
using static Rama.Solver.Tests.Works;

namespace Rama.Solver.Tests;

/// <summary>Total weighted tardiness on one machine.</summary>
public sealed class PublishedOrdersTests
{
    /// <summary>Source: Pinedo, Scheduling, example of total weighted tardiness; handbook of the trade 7.1.</summary>
    [Fact]
    public void Four_jobs_of_the_textbook()
    {
        var found = Solve(
            Problem([Task("1", 12, 16, 4), Task("2", 8, 26, 5), Task("3", 15, 25, 3), Task("4", 9, 27, 5)], Crew("A"))
        );

        Assert.Equal(["1", "2", "4", "3"], found.Plan.Tasks.Select(t => t.Task));
        Assert.Equal(67, found.Plan.Cost.Late);
        Assert.True(found.IsBest);
    }

    /// <summary>Source: handbook of the trade 7.1, by enumeration.</summary>
    [Fact]
    public void Six_jobs_by_enumeration()
    {
        var problem = Problem(
            [
                Task("1", 6, 9, 240),
                Task("2", 4, 8, 90),
                Task("3", 9, 30, 310),
                Task("4", 3, 12, 60),
                Task("5", 5, 22, 180),
                Task("6", 7, 26, 150),
            ],
            Crew("A")
        );

        var found = Solve(problem);

        Assert.Equal(["1", "2", "4", "5", "3", "6"], found.Plan.Tasks.Select(t => t.Task));
        Assert.Equal(1_440, found.Plan.Cost.Late);
        Assert.True(found.IsBest);
        var byDue = new CrewPlanner(problem).InOrder([
            .. problem.Tasks.OrderBy(t => t.Due).Select(t => new Turn(t.Id, null, false)),
        ]);
        Assert.Equal(1_540, byDue.Cost.Late);
    }
}
