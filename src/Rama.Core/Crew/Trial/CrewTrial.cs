using Rama.Core.Crew.Schedule;
using Rama.Core.Passes;

namespace Rama.Core.Crew.Trial;

/// <summary>A change of crews, platforms or work that is tried out before anybody makes it.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Hired">People hired for a time; null for none.</param>
/// <param name="Lost">Days no crew works on; null for none.</param>
/// <param name="Platforms">Platforms more than there are.</param>
/// <param name="Cost">What the change itself costs, such as the rent of platforms, money.</param>
/// <param name="OnePass">Whether what is planned in two passes is done in one.</param>
/// <param name="Structure">Tasks done as structure only.</param>
public sealed record CrewTrial(
    string Name,
    HiredPeople? Hired = null,
    DaySpan? Lost = null,
    int Platforms = 0,
    double Cost = 0,
    bool OnePass = false,
    IReadOnlySet<string>? Structure = null
)
{
    /// <summary>Identifier of the crew of those hired.</summary>
    public const string HiredCrew = "hired";

    // Platforms a crew may have under it at work high up that are tried; all of them beside.
    private static readonly int[] PlatformsTried = [1, 2];

    /// <summary>
    /// The problem with the change made. Where platforms come, once for each number of them a crew may have at a
    /// time, and once with the work as it was: none is used where ladders are done sooner.
    /// </summary>
    /// <param name="problem">The problem as it is.</param>
    /// <param name="ways">Other ways to do its tasks.</param>
    public IReadOnlyList<CrewProblem> In(CrewProblem problem, IReadOnlyDictionary<string, WorkWays> ways)
    {
        var changed = problem with
        {
            Tasks = TasksOf(problem.Tasks, ways),
            Crews =
            [
                .. problem.Crews.Select(c => Lost is { } lost ? Without(c, lost) : c),
                .. Hired is { } hired ? [hired.ToCrew(problem)] : Array.Empty<WorkCrew>(),
            ],
            Platforms = problem.Platforms + Platforms,
        };
        return Platforms == 0
            ? [changed]
            :
            [
                changed,
                .. PlatformsTried
                    .Append(changed.Platforms)
                    .Where(n => n <= changed.Platforms)
                    .Distinct()
                    .Select(n => changed with { Tasks = [.. changed.Tasks.Select(t => OnPlatforms(t, n))] }),
            ];
    }

    /// <summary>Margin the change gives up, money.</summary>
    /// <param name="ways">Other ways to do the tasks.</param>
    public double MarginLost(IReadOnlyDictionary<string, WorkWays> ways) =>
        Structure?.Sum(t => ways.GetValueOrDefault(t)?.MarginLost ?? 0) ?? 0;

    private IReadOnlyList<CrewTask> TasksOf(IReadOnlyList<CrewTask> tasks, IReadOnlyDictionary<string, WorkWays> ways)
    {
        var less = tasks
            .Select(t =>
                Structure?.Contains(t.Id) == true && ways.GetValueOrDefault(t.Id)?.LessShare is { } share
                    ? t with
                    {
                        Hours = Math.Max(t.Hours * share, LeastHours),
                    }
                    : t
            )
            .ToList();
        return OnePass ? Merged(less, ways) : less;
    }

    // A task of no hours is none.
    private const double LeastHours = 0.01;

    private static List<CrewTask> Merged(List<CrewTask> tasks, IReadOnlyDictionary<string, WorkWays> ways)
    {
        var byId = tasks.ToDictionary(t => t.Id);
        var into = tasks
            .Select(t => (Task: t, With: ways.GetValueOrDefault(t.Id)?.OnePassWith))
            .Where(t => t.With is not null && byId.ContainsKey(t.With))
            .ToDictionary(t => t.With!, t => t.Task);
        var gone = into.Values.ToDictionary(t => t.Id, t => ways[t.Id].OnePassWith!);
        return
        [
            .. tasks
                .Where(t => !gone.ContainsKey(t.Id))
                .Select(t => into.TryGetValue(t.Id, out var first) ? InOne(first, t, ways[first.Id].Looking) : t)
                .Select(t =>
                    t with
                    {
                        After =
                        [
                            .. t.Before.Select(b => gone.GetValueOrDefault(b, b)).Where(b => b != t.Id).Distinct(),
                        ],
                    }
                ),
        ];
    }

    // Begun with the hands of the first, in time when the last is.
    private static CrewTask InOne(CrewTask first, CrewTask last, double looking) =>
        last with
        {
            Hours = Math.Max(first.Hours + last.Hours - looking, LeastHours),
            From = first.From < last.From ? first.From : last.From,
            Late = new(
                first.Late.PerDay + last.Late.PerDay,
                last.Late.Beside is { Count: > 0 } ? last.Late.Beside : first.Late.Beside
            ),
            Needs = [.. first.Needs.Union(last.Needs)],
            Platforms = Math.Max(first.Platforms, last.Platforms),
            After = [.. first.Before.Union(last.Before)],
            NeverLate = first.NeverLate || last.NeverLate,
            OnlyCrew = last.OnlyCrew ?? first.OnlyCrew,
            OnlyFrom = first.OnlyFrom ?? last.OnlyFrom,
        };

    private static CrewTask OnPlatforms(CrewTask task, int platforms) =>
        task.Platforms > 0 || !task.Needs.Contains(Hands.Height)
            ? task
            : task with
            {
                Platforms = platforms,
                Hours = task.Hours * PassHours.PlatformShare,
            };

    private static WorkCrew Without(WorkCrew crew, DaySpan lost) =>
        crew with
        {
            Calendar = crew.Calendar with { DaysOff = [.. crew.Calendar.DaysOff, lost] },
        };
}

/// <summary>People hired for a time: a crew of their own that prunes and goes on ladders, on any site.</summary>
/// <param name="People">How many.</param>
/// <param name="Days">From when to when.</param>
/// <param name="WagePerHour">What an hour of one of them costs, money.</param>
public sealed record HiredPeople(int People, DaySpan Days, double WagePerHour)
{
    private const double UsualHours = 8;

    private static readonly IReadOnlySet<Hands> Skills = new HashSet<Hands>
    {
        Hands.Pruner,
        Hands.Height,
        Hands.Helper,
    };

    // The days and hours of the largest crew.
    internal WorkCrew ToCrew(CrewProblem problem)
    {
        var like = problem.Crews.MaxBy(c => c.People)?.Calendar;
        return new(
            CrewTrial.HiredCrew,
            [.. Enumerable.Repeat(Skills, People)],
            new(
                like?.Weekdays ?? WorkCalendar.MondayToFriday,
                like?.HoursPerDay ?? UsualHours,
                [
                    .. like?.DaysOff ?? [],
                    new(DateOnly.MinValue, Days.From.AddDays(-1)),
                    new(Days.To.AddDays(1), DateOnly.MaxValue),
                ]
            ),
            new HashSet<string>(),
            WagePerHour
        );
    }
}
