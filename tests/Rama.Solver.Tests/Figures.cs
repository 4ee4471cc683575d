using System.Diagnostics;
using System.Globalization;
using Rama.Core.Crew;
using Rama.Core.Crew.Schedule;
using Rama.Core.Passes;

namespace Rama.Solver.Tests;

/// <summary>
/// How good plans of large estates are, and how soon. Run only when asked, with <c>-explicit only -showLiveOutput</c>;
/// <c>RAMA_CREW_SECONDS=10,600</c>, <c>RAMA_CREW_BLOCKS=80</c>, <c>RAMA_CREWS=6</c> in its environment say of what.
/// </summary>
public sealed class Figures(ITestOutputHelper output)
{
    private static int Wanted(string name, int usual) =>
        int.TryParse(Environment.GetEnvironmentVariable(name), CultureInfo.InvariantCulture, out var told)
            ? told
            : usual;

    [Fact(Explicit = true)]
    public void How_good_after_how_long()
    {
        var problem = Estate(Wanted("RAMA_CREW_BLOCKS", 80), Wanted("RAMA_CREWS", 6));
        var clock = Stopwatch.StartNew();
        var first = new CrewPlanner(problem).First();
        output.WriteLine(
            $"{problem.Tasks.Count} tasks, {problem.Crews.Count} crews: "
                + $"first plan after {clock.ElapsedMilliseconds} ms costs {first.Cost.Total:0}, "
                + $"{first.Late.Count()} late"
        );
        foreach (var seconds in (Environment.GetEnvironmentVariable("RAMA_CREW_SECONDS") ?? "10").Split(','))
        {
            clock.Restart();
            var limit = new SolveLimit(
                double.Parse(seconds, CultureInfo.InvariantCulture),
                Wanted("RAMA_CREW_WORKERS", 1)
            );
            void Tell(CrewSolution better) =>
                output.WriteLine($"  {clock.Elapsed.TotalSeconds:0.0} s: {better.Plan.Cost.Total:0}");
            var found = CrewSolver.Improve(problem, first, limit, Tell, TestContext.Current.CancellationToken);
            output.WriteLine(
                $"{clock.Elapsed.TotalSeconds:0.0} s: {found.Plan.Cost.Total:0}, {found.Plan.Late.Count()} late, "
                    + $"gap {found.Gap}, working set {Environment.WorkingSet >> 20} MB"
            );
        }
    }

    /// <summary>A made-up estate: 1.4 passes a block on the mean, more work than the crews have time for.</summary>
    private static CrewProblem Estate(int blocks, int crews)
    {
        Random random = new(11);
        List<CrewTask> tasks = [];
        for (var b = 0; b < blocks; b++)
        {
            var site = b % 2 == 0 ? "home" : "weir";
            var hours = 60 + random.Next(400);
            var due = Works.Monday.AddDays(25 + random.Next(25));
            var perDay = hours * (0.3 + random.NextDouble());
            CrewTask Task(string pass, double share, Hands[] needs, string[] after) =>
                new(
                    $"B{b} {pass}",
                    hours * share,
                    Works.Monday.AddDays(random.Next(10)),
                    due,
                    new(perDay * share),
                    needs,
                    site,
                    After: after,
                    Weather: random.Next(4) == 0 ? new WorkWeather(0.6) : new WorkWeather(0.95)
                );
            if (b % 5 < 2)
            {
                tasks.Add(Task("major", 0.4, [Hands.Lead], []));
                tasks.Add(Task("detail", 0.6, [Hands.Pruner], [$"B{b} major"]));
            }
            else
            {
                tasks.Add(Task("winter", 1, [Hands.Pruner], []));
            }
        }
        return new(
            Works.Monday,
            tasks,
            [
                .. Enumerable
                    .Range(0, crews)
                    .Select(c =>
                        Works.Crew(
                            $"C{c}",
                            3 + c % 4 * 2,
                            [new(Works.Monday.AddDays(10 + c), Works.Monday.AddDays(11 + c))],
                            WorkCalendar.MondayToFriday,
                            c % 2 == 0 ? [Hands.Lead] : []
                        )
                    ),
            ],
            2,
            new()
        );
    }
}
