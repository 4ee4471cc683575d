using CsCheck;
using Rama.Core.Crew;
using Rama.Core.Crew.Schedule;
using Rama.Core.Passes;
using static Rama.Solver.Tests.Works;

namespace Rama.Solver.Tests;

/// <summary>Plans of small random problems, against enumeration.</summary>
public sealed class SmallProblemsTests
{
    private const int MostInterrupted = 2;

    private static readonly Gen<CrewTask> Tasks =
        from days in Gen.Int[1, 5]
        from opens in Gen.Int[0, 4]
        from due in Gen.Int[1, 9]
        from perDay in Gen.Int[1, 40]
        from usable in Gen.Int[0, 3].Select(i => new double?[] { null, null, 0.5, 0.75 }[i])
        from isTopped in Gen.Frequency((4, Gen.Const(false)), (1, Gen.Const(true)))
        // What may be interrupted is tried half-day by half-day, and is kept short.
        select Task("", (usable is null ? days : Math.Min(days, 3)) / 2.0, due, perDay * 10) with
        {
            From = Monday.AddDays(opens),
            Weather = usable is { } share ? new WorkWeather(share) : null,
            Needs = isTopped ? [Hands.ChainSaw] : [Hands.Pruner],
        };

    private static readonly Gen<CrewProblem> Problems =
        from tasks in Tasks.Array[2, 5]
        from follows in Gen.Bool
        from off in Gen.Int[0, 6]
        from overtime in Gen.Int[0, 1].Select(i => i * 2.0)
        from week in Gen.Bool
        select Problem(
            [
                .. tasks.Select(
                    (t, i) =>
                        t with
                        {
                            Id = $"T{i}",
                            After = follows && i == tasks.Length - 1 ? ["T0"] : [],
                            // Half-days of two can be tried in every order; those of five take hours.
                            Weather =
                                tasks.Take(i).Count(before => before.Weather is not null) < MostInterrupted
                                    ? t.Weather
                                    : null,
                        }
                ),
            ],
            Crew("A", off: [new(Monday.AddDays(off), Monday.AddDays(off + 1))], skills: Hands.ChainSaw) with
            {
                Overtime = overtime,
            },
            Crew("B", weekdays: week ? WorkCalendar.MondayToFriday : EveryDay)
        );

    [Fact]
    public void The_plan_costs_what_enumeration_finds() =>
        Problems.Sample(
            problem =>
            {
                var found = Solve(problem);
                PlanChecks.Holds(problem, found.Plan);
                Assert.True(found.IsBest);
                Assert.Equal(new Enumeration(problem).Least(), found.Plan.Cost.Total, 2);
            },
            iter: 30,
            threads: 1
        );

    [Fact]
    public void It_is_never_worse_than_the_first_and_never_under_its_bound() =>
        Gen.Select(Problems, Gen.Int[0, 8], Gen.Int[0, 3])
            .Sample(
                (problem, moves, idle) =>
                {
                    problem = problem with
                    {
                        Settings = new(moves, idle),
                        Tasks = [.. problem.Tasks.Select((t, i) => t with { Site = i % 2 == 0 ? "home" : "weir" })],
                    };
                    var first = new CrewPlanner(problem).First();
                    var found = Solve(problem);
                    PlanChecks.Holds(problem, first);
                    PlanChecks.Holds(problem, found.Plan);
                    Assert.False(CrewPlanner.IsBetter(first, found.Plan));
                    Assert.True(found.IsBest);
                    Assert.InRange(found.Plan.Cost.Total, found.Bound!.Value - 0.01, double.PositiveInfinity);
                },
                iter: 20,
                threads: 1
            );

    /// <summary>Of plans proven best.</summary>
    [Fact]
    public void One_crew_more_never_costs_more_and_a_lock_never_less() =>
        Gen.Select(Problems, Gen.Int[0, 1], Gen.Int[0, 6])
            .Sample(
                (problem, crew, day) =>
                {
                    var found = Solve(problem);
                    var more = Solve(problem with { Crews = [.. problem.Crews, Crew("C", skills: Hands.ChainSaw)] });
                    Assert.True(more.Plan.Cost.Total <= found.Plan.Cost.Total + 0.01);
                    var locked = Solve(
                        problem with
                        {
                            Tasks =
                            [
                                problem.Tasks[0] with
                                {
                                    OnlyCrew = problem.Crews[crew].Id,
                                    OnlyFrom = problem.Tasks[0].From.AddDays(day),
                                },
                                .. problem.Tasks.Skip(1),
                            ],
                        }
                    );
                    if (locked is { IsBest: true, Plan.Unplaced.Count: 0 })
                        Assert.True(locked.Plan.Cost.Total >= found.Plan.Cost.Total - 0.01);
                },
                iter: 12,
                threads: 1
            );

    /// <summary>Both where the solver is asked, and where the order is searched.</summary>
    [Theory]
    [InlineData(12)]
    [InlineData(60)]
    public void The_same_problem_gives_the_same_plan(int tasks)
    {
        var problem = Problem(
            [.. Enumerable.Range(0, tasks).Select(i => Task($"T{i}", 1 + i % 4, 2 + i, 10 + i % 5))],
            Crew("A"),
            Crew("B")
        );

        static object Told(CrewSolution s) =>
            string.Join(';', s.Plan.Tasks.Select(t => $"{t.Task} {t.Crew} {string.Join(',', t.Spans)}"));

        Assert.Equal(Told(Solve(problem, 2)), Told(Solve(problem, 2)));
    }

    [Fact]
    public void Stopped_it_keeps_the_best_so_far()
    {
        var problem = Problem(
            [.. Enumerable.Range(0, 60).Select(i => Task($"T{i}", 1 + i * 7 % 5, 2 + i * 11 % 40, 10 + i * 13 % 7))],
            Crew("A"),
            Crew("B")
        );
        var first = new CrewPlanner(problem).First();
        using CancellationTokenSource stop = new();
        List<double> told = [];

        var found = CrewSolver.Improve(
            problem,
            first,
            new SolveLimit(60),
            better =>
            {
                told.Add(better.Plan.Cost.Total);
                if (told.Count == 2)
                    stop.Cancel();
            },
            stop.Token
        );

        Assert.True(told.Count >= 2);
        Assert.Equal(told.OrderDescending(), told);
        Assert.Equal(told[^1], found.Plan.Cost.Total);
    }

    [Fact]
    public void A_searched_plan_holds_and_is_never_worse()
    {
        var problem = Problem(
            [
                .. Enumerable
                    .Range(0, 60)
                    .Select(i =>
                        Task($"T{i}", 1 + i * 7 % 5, 2 + i * 11 % 40, 10 + i * 13 % 7) with
                        {
                            After = i % 6 == 5 ? [$"T{i - 1}"] : [],
                            Weather = i % 3 == 0 ? new WorkWeather(0.7) : null,
                        }
                    ),
            ],
            Crew("A", weekdays: WorkCalendar.MondayToFriday) with
            {
                Overtime = 2,
            },
            Crew("B", off: [new(Monday.AddDays(3), Monday.AddDays(9))])
        );
        var first = new CrewPlanner(problem).First();

        var found = Solve(problem, 1);

        PlanChecks.Holds(problem, found.Plan);
        Assert.True(found.Plan.Cost.Total < first.Cost.Total);
        Assert.Null(found.Gap);
        // Its order alone gives it again.
        Assert.Equal(found.Plan.Cost.Total, new CrewPlanner(problem).InOrder(found.Plan.Order).Cost.Total, 6);
    }
}
