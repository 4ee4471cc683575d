using Rama.Core.Crew;
using Rama.Core.Crew.Schedule;
using Rama.Core.Passes;

namespace Rama.Core.Tests.Crew;

public sealed class CrewPlannerTests
{
    // 1 February 2027.
    private static readonly DateOnly Monday = new(2027, 2, 1);

    private static WorkCrew Crew(string id, int people = 4, params Hands[] skills) =>
        new(
            id,
            [.. Enumerable.Repeat<IReadOnlySet<Hands>>(skills.Append(Hands.Pruner).ToHashSet(), people)],
            new(WorkCalendar.MondayToFriday, 8, []),
            new HashSet<string>(),
            15
        );

    private static CrewTask Task(string id, double days, int? due = null, params Hands[] needs) =>
        new(
            id,
            days * 32,
            Monday,
            due is { } d ? Monday.AddDays(d - 1) : null,
            new(10),
            needs.Length == 0 ? [Hands.Pruner] : needs,
            "home"
        );

    private static CrewProblem Problem(IReadOnlyList<CrewTask> tasks, params IReadOnlyList<WorkCrew> crews) =>
        new(Monday, tasks, crews, 1, new());

    private static CrewPlan First(IReadOnlyList<CrewTask> tasks, params IReadOnlyList<WorkCrew> crews) =>
        new CrewPlanner(Problem(tasks, crews)).First();

    [Fact]
    public void Weekends_and_holidays_are_not_worked()
    {
        var crew = Crew("A");
        crew = crew with { Calendar = crew.Calendar with { DaysOff = [new(Monday.AddDays(2), Monday.AddDays(2))] } };

        var placed = Assert.Single(First([Task("1", 5)], crew).Tasks);

        // Monday, Tuesday, Thursday, Friday, the Monday after.
        Assert.Equal(Monday.AddDays(7), placed.Last);
        Assert.Equal([new(0, 4), new(6, 10), new(14, 16)], placed.Spans);
    }

    [Fact]
    public void Days_that_will_not_do_are_left_to_other_work()
    {
        var wet = Enumerable.Range(0, 3).ToDictionary(d => Monday.AddDays(d), _ => false);
        var plan = First([Task("dry", 1, 5) with { Weather = new WorkWeather(1, wet) }, Task("any", 2, 9)], Crew("A"));

        Assert.Equal(Monday.AddDays(3), plan.Tasks.Single(t => t.Task == "dry").First);
        Assert.Equal(Monday.AddDays(1), plan.Tasks.Single(t => t.Task == "any").Last);
    }

    [Fact]
    public void A_share_of_usable_days_is_kept_and_spread()
    {
        WorkWeather weather = new(0.6);
        var usable = Enumerable.Range(0, 100).Select(d => weather.IsUsable(Monday.AddDays(d), Monday)).ToList();

        Assert.Equal(60, usable.Count(u => u));
        Assert.All(Enumerable.Range(0, 96), i => Assert.InRange(usable.Skip(i).Take(5).Count(u => u), 2, 4));
    }

    [Fact]
    public void What_follows_is_half_a_day_behind_at_start_and_end()
    {
        var plan = First(
            [
                Task("major", 2),
                Task("detail", 4) with
                {
                    After = ["major"],
                },
                Task("brush", 1) with
                {
                    After = ["detail"],
                },
            ],
            Crew("A"),
            Crew("B"),
            Crew("C")
        );
        var (major, detail, brush) = (At("major"), At("detail"), At("brush"));

        Assert.Equal(major.Begin + 1, detail.Begin);
        Assert.True(detail.End >= major.End + 1);
        Assert.Equal(detail.End + 1, brush.End);
        PlacedTask At(string id) => plan.Tasks.Single(t => t.Task == id);
    }

    [Fact]
    public void One_platform_is_at_one_place()
    {
        var plan = First(
            [
                Task("1", 1, null, Hands.Height) with
                {
                    Platforms = 1,
                },
                Task("2", 1, null, Hands.Height) with
                {
                    Platforms = 1,
                },
            ],
            Crew("A", 2, Hands.Height),
            Crew("B", 2, Hands.Height)
        );

        Assert.Equal(4, plan.Tasks.Max(t => t.End) / 2);
        Assert.All(plan.Tasks, t => Assert.Equal(2, t.People));
    }

    [Fact]
    public void Whoever_lacks_a_hand_does_not_do_it()
    {
        Assert.Equal(UnplacedReason.NoSkill, First([Task("1", 1, null, Hands.ChainSaw)], Crew("A")).Unplaced[0].Why);
        Assert.Equal(
            UnplacedReason.NoSite,
            First([Task("1", 1)], Crew("A") with { Sites = new HashSet<string> { "weir" } }).Unplaced[0].Why
        );
        Assert.Equal(
            UnplacedReason.NoPlatform,
            First([Task("1", 1) with { Platforms = 2 }], Crew("A")).Unplaced[0].Why
        );
    }

    [Fact]
    public void A_crew_on_holiday_all_season_does_nothing()
    {
        var crew = Crew("A");
        crew = crew with { Calendar = crew.Calendar with { DaysOff = [new(Monday, Monday.AddDays(400))] } };

        Assert.Equal(UnplacedReason.NoDays, First([Task("1", 1)], crew).Unplaced[0].Why);
    }

    [Fact]
    public void What_waits_for_itself_is_told()
    {
        var plan = First(
            [Task("1", 1) with { After = ["2"] }, Task("2", 1) with { After = ["1"] }, Task("3", 1)],
            Crew("A")
        );

        Assert.Equal(["3"], plan.Tasks.Select(t => t.Task));
        Assert.Equal(
            [UnplacedReason.Circular, UnplacedReason.WaitsForOther],
            plan.Unplaced.Select(u => u.Why).OrderDescending()
        );
    }

    [Fact]
    public void Locks_are_kept()
    {
        var plan = First(
            [Task("1", 2, 3), Task("2", 1) with { OnlyCrew = "A", OnlyFrom = Monday.AddDays(1) }],
            Crew("A"),
            Crew("B")
        );

        var two = plan.Tasks.Single(t => t.Task == "2");
        Assert.Equal(("A", Monday.AddDays(1)), (two.Crew, two.First));
    }

    [Fact]
    public void A_lock_counts_for_more_than_the_order_it_was_planned_in()
    {
        var problem = Problem([Task("1", 1) with { OnlyCrew = "B" }], Crew("A"), Crew("B"));

        Assert.Equal("B", Assert.Single(new CrewPlanner(problem).InOrder([new("1", "A", false)]).Tasks).Crew);
    }

    [Theory]
    [InlineData(null, 5, LockClash.Day)]
    [InlineData("nobody", null, LockClash.Crew)]
    [InlineData("B", null, LockClash.Skill)]
    public void A_lock_that_cannot_hold_is_named(string? crew, int? day, LockClash why)
    {
        var conflict = Assert.Single(
            LockConflict.AllOf(
                Problem(
                    [
                        Task("1", 1, null, Hands.Height) with
                        {
                            OnlyCrew = crew,
                            OnlyFrom = day is { } d ? Monday.AddDays(d) : null,
                        },
                    ],
                    Crew("A", 4, Hands.Height),
                    Crew("B")
                )
            )
        );

        Assert.Equal(new("1", null, why), conflict);
    }

    [Fact]
    public void Two_locks_on_one_crew_and_day_are_named()
    {
        CrewTask Locked(string id, int day) => Task(id, 2) with { OnlyCrew = "A", OnlyFrom = Monday.AddDays(day) };

        Assert.Equal(
            [new LockConflict("1", "2", LockClash.CrewAndDay)],
            LockConflict.AllOf(Problem([Locked("1", 0), Locked("2", 1), Locked("3", 3)], Crew("A"), Crew("B")))
        );
        Assert.Equal(
            [new LockConflict("1", "2", LockClash.Order)],
            LockConflict.AllOf(
                Problem(
                    [Locked("1", 0) with { After = ["2"] }, Locked("2", 2) with { OnlyCrew = "B" }],
                    Crew("A"),
                    Crew("B")
                )
            )
        );
    }

    [Fact]
    public void It_says_what_is_done_instead_and_what_would_help()
    {
        var problem = Problem([Task("1", 4, 5), Task("2", 2, 5)], Crew("A"));
        var planner = new CrewPlanner(problem);
        var plan = planner.InOrder([new("1", null, false), new("2", null, false)]);

        var reason = Assert.Single(LateReason.AllOf(problem, plan));

        Assert.Equal(("2", 3, "A"), (reason.Task, reason.DaysLate, reason.Crew));
        Assert.Equal([new("1", 8)], reason.Instead);
        Assert.False(reason.IsTooShort);
        // In whole half-days: 7 and 4 with five people, 6 and 3 with six, in the ten there are.
        Assert.Equal([new(ReliefKind.People, 2)], reason.Helps);
    }

    [Fact]
    public void A_window_too_short_is_named()
    {
        var problem = Problem([Task("1", 6, 2)], Crew("A"));

        var reason = Assert.Single(LateReason.AllOf(problem, new CrewPlanner(problem).First()));

        Assert.True(reason.IsTooShort);
        Assert.Equal([new(ReliefKind.People, 8)], reason.Helps);
    }

    [Fact]
    public void Skill_and_weather_are_told_apart()
    {
        var wet = Enumerable.Range(0, 3).ToDictionary(d => Monday.AddDays(d), _ => false);
        var problem = Problem(
            [
                Task("saw", 2, 2, Hands.ChainSaw),
                Task("saw too", 2, 2, Hands.ChainSaw),
                Task("dry", 1, 3) with
                {
                    Weather = new(1, wet),
                },
            ],
            Crew("A", 4, Hands.ChainSaw),
            Crew("B"),
            Crew("C")
        );

        var reasons = LateReason.AllOf(problem, new CrewPlanner(problem).First()).ToDictionary(r => r.Task);

        Assert.Contains(new(ReliefKind.Skill, 0), reasons.Single(r => r.Key != "dry").Value.Helps);
        Assert.Equal([new(ReliefKind.Weather, 0)], reasons["dry"].Helps);
    }

    [Fact]
    public void Overtime_is_worked_where_it_pays()
    {
        var crew = Crew("A") with { Overtime = 2 };

        Assert.True(First([Task("1", 5, 4) with { Late = new(10_000) }], crew).Tasks[0].Overtime);
        Assert.False(First([Task("1", 5, 4) with { Late = new(1) }], crew).Tasks[0].Overtime);
    }
}
