using Rama.Core.Crew.Schedule;

namespace Rama.Solver.Tests;

/// <summary>What every plan keeps, whoever made it.</summary>
internal static class PlanChecks
{
    public static void Holds(CrewProblem problem, CrewPlan plan)
    {
        var tasks = problem.Tasks.ToDictionary(t => t.Id);
        var crews = problem.Crews.ToDictionary(c => c.Id);
        Assert.Equal(
            problem.Tasks.Select(t => t.Id).Order(),
            plan.Tasks.Select(t => t.Task).Concat(plan.Unplaced.Select(u => u.Task)).Order()
        );
        var laid = plan.Tasks.ToDictionary(
            t => t.Task,
            t => t.Spans.SelectMany(s => Enumerable.Range(s.From, s.To - s.From)).ToList()
        );
        HashSet<(string, int)> taken = [];
        foreach (var placed in plan.Tasks)
        {
            var (task, crew, halves) = (tasks[placed.Task], crews[placed.Crew], laid[placed.Task]);
            Assert.All(halves, half => Assert.True(taken.Add((crew.Id, half)), "two things at once"));
            Assert.Equal(problem.HalvesFor(task, crew, placed.Overtime), halves.Count);
            Assert.All(halves, half => Assert.True(crew.Calendar.Works(problem.DayOf(half)), "on a day off"));
            Assert.True(placed.First >= task.From, "before it opens");
            Assert.True(task.OnlyFrom is null || placed.First == task.OnlyFrom, "not on its day");
            Assert.True(task.OnlyCrew is null || placed.Crew == task.OnlyCrew, "not by its crew");
            if (task.Weather is { } weather)
                Assert.All(halves, h => Assert.True(weather.IsUsable(problem.DayOf(h), problem.Start), "in the rain"));
            else
                Assert.DoesNotContain(Enumerable.Range(halves[0], halves[^1] - halves[0]).Except(halves), half =>
                    crew.Calendar.Works(problem.DayOf(half))
                );
            foreach (var before in task.Before)
            foreach (var (n, half) in halves.Index())
            {
                var ahead = laid[before];
                var share = (n + 1.0) / halves.Count;
                Assert.True(ahead.Count(h => h < half) >= share * ahead.Count - 1e-9, "ahead of what it follows");
            }
        }
        for (var half = 0; half < CrewProblem.Halves; half++)
            Assert.True(
                plan.Tasks.Where(t => laid[t.Task].Contains(half)).Sum(t => tasks[t.Task].Platforms)
                    <= problem.Platforms
            );
    }
}
