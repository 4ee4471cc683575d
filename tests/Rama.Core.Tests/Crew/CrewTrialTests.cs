using Rama.Core.Crew;
using Rama.Core.Crew.Schedule;
using Rama.Core.Crew.Trial;
using Rama.Core.Passes;

namespace Rama.Core.Tests.Crew;

/// <summary>Changes tried out: numbers by hand.</summary>
public sealed class CrewTrialTests
{
    // 1 February 2027.
    private static readonly DateOnly Monday = new(2027, 2, 1);

    private static readonly IReadOnlyDictionary<string, WorkWays> NoWays = new Dictionary<string, WorkWays>();

    // Two people, 16 hours a day, 10 money an hour.
    private static readonly WorkCrew Two = new(
        "A",
        [.. Enumerable.Repeat<IReadOnlySet<Hands>>(new HashSet<Hands> { Hands.Pruner, Hands.Height }, 2)],
        new(WorkCalendar.MondayToFriday, 8, []),
        new HashSet<string>(),
        10
    );

    private static CrewTask Task(string id, double hours, int? due = null, params string[] after) =>
        new(id, hours, Monday, due is { } d ? Monday.AddDays(d) : null, new(100), [Hands.Pruner], "home", 0, after);

    private static CrewProblem Problem(params IReadOnlyList<CrewTask> tasks) => new(Monday, tasks, [Two], 0, new(0, 0));

    private static TrialResult Of(
        CrewTrial? trial,
        CrewProblem problem,
        IReadOnlyDictionary<string, WorkWays>? ways = null
    )
    {
        var changed = trial?.In(problem, ways ?? NoWays)[0] ?? problem;
        return TrialResult.Of(trial, changed, new CrewPlanner(changed).First(), trial?.MarginLost(ways ?? NoWays) ?? 0);
    }

    [Fact]
    public void Two_hired_for_a_week_take_half_of_its_work()
    {
        // 160 hours are ten days of two people, due within five.
        var problem = Problem(Task("1", 80, 4), Task("2", 80, 4));
        var asItIs = Of(null, problem);
        // Five days each: the second is done on the Friday a week later.
        Assert.Equal((1, 7, 700.0, 160, 1_600, 2_300), Told(asItIs));

        var hired = Of(new("hire", new(2, new(Monday, Monday.AddDays(6)), 20)), problem);
        // Half of the hours at twice the wage, and nothing late.
        Assert.Equal((2, 0, 0.0, 160, 80 * 10 + 80 * 20, 2_400), Told(hired));
        Assert.Equal(Monday.AddDays(4), hired.Last);
    }

    [Fact]
    public void Those_hired_work_their_weeks_and_no_day_more()
    {
        var hired = new HiredPeople(2, new(Monday.AddDays(7), Monday.AddDays(13)), 20);
        var problem = new CrewTrial("hire", hired).In(Problem(Task("1", 80)) with { Crews = [] }, NoWays)[0];
        var placed = Assert.Single(new CrewPlanner(problem).First().Tasks);
        Assert.Equal((Monday.AddDays(7), Monday.AddDays(11)), (placed.First, placed.Last));
        // Twice the work does not fit into their week.
        var more = new CrewTrial("hire", hired).In(Problem(Task("1", 81)) with { Crews = [] }, NoWays)[0];
        Assert.Single(new CrewPlanner(more).First().Unplaced);
    }

    [Fact]
    public void Two_weeks_lost_move_the_end_by_two_weeks()
    {
        var problem = Problem(Task("1", 80, 4));
        var lost = Of(new("rain", Lost: new(Monday, Monday.AddDays(13))), problem);
        Assert.Equal((Monday.AddDays(18), 14, 1_400.0), (lost.Last, lost.DaysLate, lost.Beside.Late));
    }

    [Fact]
    public void One_pass_walks_once_and_the_brush_follows_it()
    {
        var problem = Problem(Task("major", 32), Task("detail", 64, 30, "major"), Task("brush", 16, null, "detail"));
        Dictionary<string, WorkWays> ways = new() { ["major"] = new(OnePassWith: "detail", Looking: 16) };
        var one = new CrewTrial("one pass", OnePass: true).In(problem, ways)[0];

        Assert.Equal(["detail", "brush"], one.Tasks.Select(t => t.Id));
        Assert.Equal(80, one.Tasks[0].Hours);
        Assert.Empty(one.Tasks[0].Before);
        Assert.Equal(["detail"], one.Tasks[1].Before);
        Assert.Equal(200, one.Tasks[0].Late.PerDay);
    }

    [Fact]
    public void A_platform_is_used_where_it_is_sooner_done()
    {
        var high = Task("high", 80) with { Needs = [Hands.Height] };
        var ways = new CrewTrial("platform", Platforms: 1).In(Problem(high, Task("low", 80)), NoWays);

        // With the ladders, and on it.
        Assert.Equal([80, 48], ways.Select(p => p.Tasks[0].Hours));
        Assert.All(ways, p => Assert.Equal(80, p.Tasks[1].Hours));
        // Two people are as many as it carries: three days instead of five.
        Assert.Equal(
            [Monday.AddDays(4), Monday.AddDays(2)],
            ways.Select(p => new CrewPlanner(p with { Tasks = [p.Tasks[0]] }).First().Tasks[0].Last)
        );
    }

    [Fact]
    public void Structure_only_saves_hours_and_gives_margin_up()
    {
        var problem = Problem(Task("1", 80, 4), Task("2", 80, 4));
        Dictionary<string, WorkWays> ways = new() { ["2"] = new(0.25, MarginLost: 900) };
        var less = Of(new("less", Structure: new HashSet<string> { "2" }), problem, ways);

        // 20 hours instead of 80; whichever is second is late by the weekend.
        Assert.Equal((100, 1_000), (less.Hours, less.Wages));
        Assert.Equal(1_000 + less.Beside.Total + 900, less.Total);
        Assert.Equal(less.Total, less.Steps[^1].Result.Value);
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public void Hands_that_may_stay_idle_never_make_a_plan_dearer(int seed)
    {
        Random random = new(seed);
        var problem = Problem([
            .. Enumerable.Range(0, 8).Select(i => Task($"{i}", random.Next(8, 120), random.Next(3, 25))),
        ]);
        var plan = new CrewPlanner(problem).First();
        var more = new CrewTrial("hire", new(3, new(Monday, Monday.AddDays(27)), 0)).In(problem, NoWays)[0];

        Assert.True(new CrewPlanner(more).InOrder(plan.Order).Cost.Total <= plan.Cost.Total + 1e-6);
    }

    [Fact]
    public void What_cannot_be_tried_is_told_at_its_field()
    {
        var problem = Problem(Task("1", 80));
        CrewTrialEntry entry = new()
        {
            Name = "All at once",
            HirePeople = 2.5,
            HireFrom = Monday.AddDays(-1),
            HireWeeks = 0,
            LostWeeks = 60,
            Platforms = -1,
            Cost = -5,
            OnePass = true,
            StructureOnly = [Guid.NewGuid()],
        };
        var problems = Entries.ProblemsOf(() => entry.Read(problem, NoWays, _ => []));
        Assert.Equal(
            ["cost", "hireFrom", "hirePeople", "hireWeeks", "lostWeeks", "onePass", "platforms", "structureOnly"],
            problems.Select(p => p.Field).Distinct().Order()
        );
        Entries.AssertProblem(
            Entries.ProblemsOf(() => new CrewTrialEntry { Name = "Nothing" }.Read(problem, NoWays, _ => [])),
            "name",
            "no-change"
        );
    }

    private static (int InTime, int DaysLate, double Late, double Hours, double Wages, double Total) Told(
        TrialResult result
    ) => (result.InTime, result.DaysLate, result.Beside.Late, result.Hours, result.Wages, result.Total);
}
