using Rama.Core.Crew;
using Rama.Core.Crew.Progress;
using Rama.Core.Crew.Schedule;
using Rama.Core.Explain;
using Rama.Core.Passes;
using Rama.Core.Season;
using Rama.Data.Crew;
using Rama.Web.Check;

namespace Rama.Web.Crew;

/// <summary>Which crew does what when.</summary>
/// <param name="Today">The day taken as today, the first of the plan.</param>
/// <param name="Season">Calendar year of the harvest.</param>
/// <param name="Version">Version of the plan in force; 0 before one was made.</param>
/// <param name="MadeOn">Day it was made for; null before.</param>
/// <param name="IsStale">Whether the work has changed since, so that the days were laid anew in its order.</param>
/// <param name="EstateVersion">Version of the estate, to be sent back when saving settings.</param>
/// <param name="Settings">What is the same for all work.</param>
/// <param name="Currency">Money of the estate, three letters; null until told.</param>
/// <param name="Sites">Names of its sites.</param>
/// <param name="Crews">The crews.</param>
/// <param name="Tasks">The work, in the order it begins; what has no place last.</param>
/// <param name="Cost">What the plan costs beside wages; null for those who are told no money.</param>
/// <param name="Late">Why what is late is late, the dearest first.</param>
/// <param name="Conflicts">Locks that cannot hold.</param>
public sealed record CrewPlanView(
    DateOnly Today,
    int Season,
    uint Version,
    DateOnly? MadeOn,
    bool IsStale,
    uint EstateVersion,
    CrewSettingsEntry Settings,
    string? Currency,
    IReadOnlyList<string> Sites,
    IReadOnlyList<CrewView> Crews,
    IReadOnlyList<CrewTaskView> Tasks,
    PlanCost Cost,
    IReadOnlyList<LateReason> Late,
    IReadOnlyList<LockConflict> Conflicts
)
{
    internal static CrewPlanView Of(EstateWork work)
    {
        var plan = work.Plan();
        var placed = plan.Tasks.ToDictionary(t => t.Task);
        var unplaced = plan.Unplaced.ToDictionary(t => t.Task, t => t.Why);
        return new(
            work.Year.Today,
            work.Year.Season,
            work.Record?.Version ?? 0,
            work.Record?.ToPlan().Start,
            work.Record?.ToPlan() is { } kept && (kept.Start != work.Problem.Start || kept.Stamp != work.Stamp),
            work.Year.Estate.Version,
            work.Year.Estate.ToCrewSettings(),
            work.Year.Estate.Currency,
            [.. work.Year.Sites.Values.Select(s => s.Site.Name).Order(StringComparer.CurrentCultureIgnoreCase)],
            [.. work.Year.Crews.Select(c => CrewView.Of(c, work.Year.Today, work.Year.Learned))],
            [
                .. work
                    .Works.Select(w =>
                        CrewTaskView.Of(
                            w.Key,
                            w.Value.Planting,
                            w.Value.Work,
                            work,
                            placed.GetValueOrDefault(w.Key),
                            unplaced.TryGetValue(w.Key, out var why) ? why : null
                        )
                    )
                    .OrderBy(t => t.Placed?.Begin ?? int.MaxValue)
                    .ThenBy(t => t.Due),
            ],
            plan.Cost,
            LateReason.AllOf(work.Problem, plan),
            LockConflict.AllOf(work.Problem)
        );
    }
}

/// <summary>A crew with those in it.</summary>
/// <param name="Id">Given by whoever added it.</param>
/// <param name="Version">Version, to be sent back when saving.</param>
/// <param name="Crew">As typed.</param>
/// <param name="People">People in it, those named and the others.</param>
/// <param name="Members">Names of those named.</param>
/// <param name="Weekdays">Days of the week they work.</param>
/// <param name="Pace">How many times as long as the others they take, by what was logged.</param>
/// <param name="Free">Days in the time ahead on which they do not, days of the week and holidays.</param>
public sealed record CrewView(
    Guid Id,
    uint Version,
    CrewEntry Crew,
    int People,
    IReadOnlyList<string> Members,
    IReadOnlyList<DayOfWeek> Weekdays,
    LearnedFactor Pace,
    IReadOnlyList<DateOnly> Free
)
{
    private const int DaysTold = 250;

    internal static CrewView Of(KeptCrew crew, DateOnly today, LearnedMinutes learned) =>
        new(
            crew.Record.Id,
            crew.Record.Version,
            crew.Record.ToEntry(),
            crew.ToCrew().People,
            [.. crew.Members.Select(m => m.Name)],
            [.. crew.Sheet.Calendar.Weekdays.Order()],
            learned.OfCrew(crew.Record.Id),
            [.. Enumerable.Range(0, DaysTold).Select(today.AddDays).Where(day => !crew.Sheet.Calendar.Works(day))]
        );
}

/// <summary>A pass of a planting in the crew plan, or the part of it one of two crews has.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Planting">The planting.</param>
/// <param name="Code">Its code.</param>
/// <param name="Name">Its name.</param>
/// <param name="Site">Its site.</param>
/// <param name="Pass">The pass.</param>
/// <param name="PassName">The pass in two or three words.</param>
/// <param name="IsWinter">Whether the cuts of the winter belong to it.</param>
/// <param name="Needs">Hands it needs.</param>
/// <param name="Hours">Hours paid that are left, at the pace of a crew like the others.</param>
/// <param name="HoursSteps">How they came about.</param>
/// <param name="Assumed">Whether they rest on an assumption.</param>
/// <param name="From">First day of its window.</param>
/// <param name="Due">Last day of it.</param>
/// <param name="Done">How far it is; null before anything was reported.</param>
/// <param name="LatePerDay">What the first day late costs, money.</param>
/// <param name="LateSteps">How that came about.</param>
/// <param name="Choice">What a manager says of it.</param>
/// <param name="Version">Version of that, to be sent back when saving.</param>
/// <param name="UsableShare">Share of its days it can be worked on; null where every day will do.</param>
/// <param name="Pace">How many times as long as expected it takes its crew, or anybody where it has none; null for
/// work nobody learns of.</param>
/// <param name="Finish">Days between which it is finished, 9 in 10; null where it has no place.</param>
/// <param name="Check">What is said of how it is cut; null while nothing is.</param>
/// <param name="Placed">Its place in the plan; null where it has none.</param>
/// <param name="Unplaced">Why it has none.</param>
public sealed record CrewTaskView(
    string Id,
    Guid Planting,
    string Code,
    string Name,
    string Site,
    string Pass,
    LocalText PassName,
    bool IsWinter,
    IReadOnlyList<Hands> Needs,
    double Hours,
    IReadOnlyList<Step> HoursSteps,
    bool Assumed,
    DateOnly From,
    DateOnly? Due,
    WorkProgress? Done,
    double LatePerDay,
    IReadOnlyList<Step> LateSteps,
    TaskChoice Choice,
    uint Version,
    double? UsableShare,
    LearnedFactor? Pace,
    FinishRange? Finish,
    ToldVerdict? Check,
    PlacedTask? Placed,
    UnplacedReason? Unplaced
)
{
    internal static CrewTaskView Of(
        string id,
        Passes.PlantingYear planting,
        PassWork work,
        EstateWork all,
        PlacedTask? placed,
        UnplacedReason? unplaced
    )
    {
        var choice = all.Choices.GetValueOrDefault((planting.Planting.Id, work.Pass.Id));
        var pace = work.Pass.IsWinter
            ? all.Year.Learned.Of(planting.Planting.Id, placed is null ? null : Guid.Parse(placed.Crew))
            : null;
        return new(
            id,
            planting.Planting.Id,
            planting.Planting.Line.Code,
            planting.Planting.Line.Name,
            planting.Planting.Site,
            work.Pass.Id,
            work.Pass.Name,
            work.Pass.IsWinter,
            work.Pass.Hands,
            work.Task.Hours,
            work.Hours.Steps,
            work.Pass.Hours?.Assumed != false,
            work.Pass.From!.Value,
            work.Task.Due,
            planting.Progress.GetValueOrDefault(work.Pass.Id),
            work.Task.Late.Of(1),
            work.LateSteps,
            choice?.ToChoice() ?? new(),
            choice?.Version ?? 0,
            work.Task.Weather?.UsableShare,
            pace,
            placed is null || pace is null ? null : FinishOf(all, work, placed, pace),
            all.VerdictOf(planting, work.Pass.Id, placed?.Crew),
            placed,
            unplaced
        );
    }

    // What the plan takes it for is the middle of what the logs leave open; a day's rows are a set.
    private static FinishRange FinishOf(EstateWork all, PassWork work, PlacedTask placed, LearnedFactor pace)
    {
        var halves = placed.Spans.Sum(s => s.To - s.From);
        var (low, high) = pace.EndsFor((halves + 1) / CrewProblem.HalvesPerDay);
        return FinishRange.Of(all.Problem, work.Task, placed, low / pace.Factor, high / pace.Factor);
    }
}

/// <summary>A crew to save, with the version it was read at; 0 for a new one.</summary>
public sealed record SaveCrew(uint Version, CrewEntry Crew);

/// <summary>What is said of a pass in the crew plan to save, with the version it was read at; 0 for none.</summary>
public sealed record SaveTask(uint Version, TaskChoiceEntry Task);

/// <summary>What is the same for all work to save, with the version of the estate it was read at.</summary>
public sealed record SaveCrewSettings(uint Version, CrewSettingsEntry Settings);

/// <summary>How long to look for a better plan.</summary>
public sealed record ImproveRequest
{
    /// <summary>Most seconds a plan is improved.</summary>
    public const double MostSeconds = 60;

    /// <summary>Seconds; ten when left out.</summary>
    public double? Seconds { get; init; }

    /// <summary>Version of the plan it is to replace; 0 for none.</summary>
    public uint Version { get; init; }
}

/// <summary>A step of looking for a better plan.</summary>
/// <param name="Share">How much of the time has gone.</param>
/// <param name="Late">Tasks late in the best plan so far.</param>
/// <param name="Cost">What it costs beside wages, money.</param>
/// <param name="Gap">How much cheaper a plan could still be, as a share; null where nothing is proven.</param>
/// <param name="IsSaved">Whether it is in force now, and the last step.</param>
/// <param name="Problem">What went wrong; null for nothing.</param>
/// <param name="Ahead">Work of others that comes first, while it waits for its turn.</param>
public sealed record ImproveStep(
    double Share,
    int? Late = null,
    double? Cost = null,
    double? Gap = null,
    bool IsSaved = false,
    string? Problem = null,
    int? Ahead = null
);
