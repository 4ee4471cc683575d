namespace Rama.Core.Crew.Schedule;

/// <summary>Why a task is late, and what would bring it in time.</summary>
/// <param name="Task">The task.</param>
/// <param name="DaysLate">Days it is finished late.</param>
/// <param name="Cost">What that costs, money.</param>
/// <param name="Crew">Who does it.</param>
/// <param name="Instead">What they do between the day it opens and the day they begin, the longest first.</param>
/// <param name="IsTooShort">Whether its window is too short for it even if it came first.</param>
/// <param name="Helps">What would bring it in time, each by itself; none where nothing of that does.</param>
public sealed record LateReason(
    string Task,
    int DaysLate,
    double Cost,
    string Crew,
    IReadOnlyList<WorkInstead> Instead,
    bool IsTooShort,
    IReadOnlyList<Relief> Helps
)
{
    // People more that are tried.
    private static readonly int[] MorePeople = [1, 2, 4, 8];

    private const int MostInstead = 3;

    // Reasons told; whoever has more late than this needs other means.
    private const int MostTold = 100;

    /// <summary>Those of a plan, the dearest first.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="plan">Its plan.</param>
    /// <remarks>The work is laid once more in the order of the plan with one thing relaxed. Source: derived.</remarks>
    public static IReadOnlyList<LateReason> AllOf(CrewProblem problem, CrewPlan plan)
    {
        var late = plan
            .Late.OrderByDescending(t => t.LateCost)
            .ThenByDescending(t => t.DaysLate)
            .Take(MostTold)
            .ToList();
        var told = late.Select(t => t.Task).ToHashSet();
        if (late.Count == 0)
            return [];
        List<(Relief Relief, HashSet<string> InTime)> tried = [];
        foreach (var (relief, relaxed) in Relaxed(problem))
        {
            var again = new CrewPlanner(relaxed).InOrder([
                // Another crew only where that is what is tried: it keeps a large estate quick.
                .. plan.Order.Select(t =>
                    relief.Kind == ReliefKind.Skill && told.Contains(t.Task) ? t with { Crew = null } : t
                ),
            ]);
            tried.Add((relief, [.. again.Tasks.Where(t => t.DaysLate == 0).Select(t => t.Task)]));
        }
        var alone = late.ToDictionary(t => t.Task, t => IsLateAlone(problem, t.Task));
        var opens = problem.Tasks.ToDictionary(t => t.Id, t => problem.HalfOf(t.From));
        return
        [
            .. late.Select(t => new LateReason(
                t.Task,
                t.DaysLate,
                t.LateCost,
                t.Crew,
                [
                    .. plan
                        .Tasks.Where(o => o.Crew == t.Crew && o.Task != t.Task)
                        .Select(o => new WorkInstead(o.Task, Between(o, opens[t.Task], t.End)))
                        .Where(o => o.HalfDays > 0)
                        .OrderByDescending(o => o.HalfDays)
                        .Take(MostInstead),
                ],
                alone[t.Task],
                [
                    .. tried
                        .Where(r => r.InTime.Contains(t.Task))
                        // Of more people the fewest.
                        .DistinctBy(r => r.Relief.Kind)
                        .Select(r => r.Relief),
                ]
            )),
        ];
    }

    private static IEnumerable<(Relief, CrewProblem)> Relaxed(CrewProblem problem)
    {
        foreach (var more in MorePeople)
            yield return (
                new(ReliefKind.People, more),
                problem with
                {
                    Crews =
                    [
                        .. problem.Crews.Select(c =>
                            c with
                            {
                                // More of the most skilled of them.
                                Members =
                                [
                                    .. c.Members,
                                    .. c
                                        .Members.OrderByDescending(m => m.Count)
                                        .Take(1)
                                        .SelectMany(m => Enumerable.Repeat(m, more)),
                                ],
                            }
                        ),
                    ],
                }
            );
        var all = problem.Tasks.SelectMany(t => t.Needs).ToHashSet();
        yield return (
            new(ReliefKind.Skill, 0),
            problem with
            {
                Crews = [.. problem.Crews.Select(c => c with { Members = [.. c.Members.Select(_ => all)] })],
            }
        );
        if (problem.Tasks.Any(t => t.Platforms > 0))
            yield return (new(ReliefKind.Platform, 1), problem with { Platforms = problem.Platforms + 1 });
        if (problem.Tasks.Any(t => t.Weather is not null))
            yield return (
                new(ReliefKind.Weather, 0),
                problem with
                {
                    Tasks =
                    [
                        .. problem.Tasks.Select(t => t.Weather is null ? t : t with { Weather = new WorkWeather(1) }),
                    ],
                }
            );
    }

    private static bool IsLateAlone(CrewProblem problem, string task)
    {
        var one = problem.Tasks.First(t => t.Id == task) with { After = [], OnlyFrom = null };
        var plan = new CrewPlanner(problem with { Tasks = [one] }).InOrder([]);
        return plan.Tasks is not [{ DaysLate: 0 }];
    }

    private static int Between(PlacedTask task, int from, int to) =>
        task.Spans.Sum(s => Math.Max(0, Math.Min(s.To, to) - Math.Max(s.From, from)));
}

/// <summary>What a crew does while something else waits.</summary>
/// <param name="Task">What it does.</param>
/// <param name="HalfDays">Half-days of it.</param>
public sealed record WorkInstead(string Task, int HalfDays);

/// <summary>Something that would bring work in time.</summary>
/// <param name="Kind">What.</param>
/// <param name="By">How many, for people of each crew and for platforms; 0 elsewhere.</param>
public sealed record Relief(ReliefKind Kind, int By);

/// <summary>What would bring work in time.</summary>
public enum ReliefKind
{
    /// <summary>More people in each crew.</summary>
    People,

    /// <summary>Everybody able to do it.</summary>
    Skill,

    /// <summary>One platform more.</summary>
    Platform,

    /// <summary>No days lost to weather.</summary>
    Weather,
}
