using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using Rama.Core.Crew.Schedule;
using Rama.Core.Season;
using Rama.Data.Crew;
using Rama.Web.Check;
using Rama.Web.Passes;

namespace Rama.Web.Crew;

/// <summary>The work of an estate with its crews, and the plan in force laid on the days ahead.</summary>
/// <param name="Year">Its plantings with their years.</param>
/// <param name="Choices">What is said of passes, by planting and pass.</param>
/// <param name="Works">The work at hand, by its identifier.</param>
/// <param name="Problem">The same for the planner.</param>
/// <param name="Record">The plan in force; null before one was made.</param>
/// <param name="Said">What checks of finished trees say, by planting.</param>
internal sealed record EstateWork(
    EstateYear Year,
    IReadOnlyDictionary<(Guid Planting, string Pass), TaskChoiceRecord> Choices,
    IReadOnlyDictionary<string, (PlantingYear Planting, PassWork Work)> Works,
    CrewProblem Problem,
    CrewPlanRecord? Record,
    IReadOnlyDictionary<Guid, CheckedPlanting> Said
)
{
    /// <summary>What an hour costs where nobody knows whose, money.</summary>
    public double Wage => Year.Wage;

    /// <summary>What is said of how a crew cuts a planting, or of the planting where nothing is said of the crew; null
    /// where no number is cut to, or nothing is checked.</summary>
    /// <param name="planting">The planting.</param>
    /// <param name="pass">The pass.</param>
    /// <param name="crew">The crew; null for none.</param>
    public ToldVerdict? VerdictOf(PlantingYear planting, string pass, string? crew)
    {
        if (
            !EstateChecks.PassesOf(planting).Contains(pass)
            || Said.GetValueOrDefault(planting.Planting.Id)?.Says is not { } says
        )
            return null;
        var mine = crew is null ? null : says.Crews.FirstOrDefault(c => c.Who == Guid.Parse(crew));
        return ToldVerdict.Of(mine?.Verdict ?? says.All);
    }

    /// <summary>
    /// The plan: as it was made while the work is the same; else the work in the order it was planned in, laid anew on
    /// the days from today. Before there is one, the plan shown at once.
    /// </summary>
    public CrewPlan Plan()
    {
        CrewPlanner planner = new(Problem);
        if (Record?.ToPlan() is not { Tasks.Count: > 0 } kept)
            return planner.First();
        var turns = kept
            .Tasks.Select(t => (Turn: t, Id: PassWork.IdOf(t.Planting, t.Part)))
            .Where(t => Works.ContainsKey(t.Id))
            .ToList();
        if (
            kept.Start == Problem.Start
            && kept.Stamp == Stamp
            && planner.Of(
                turns.Select(t =>
                    (
                        t.Id,
                        t.Turn.Crew.ToString(),
                        t.Turn.Overtime,
                        (IReadOnlyList<int>)[.. t.Turn.Spans.SelectMany(s => Enumerable.Range(s[0], s[1] - s[0]))]
                    )
                )
            )
                is { } same
        )
            return same;
        return planner.InOrder([.. turns.Select(t => new Turn(t.Id, t.Turn.Crew.ToString(), t.Turn.Overtime))]);
    }

    /// <summary>Tells whether the work, the crews and the day are still those of a plan.</summary>
    public string Stamp =>
        Convert.ToHexString(
            SHA256.HashData(
                Encoding.UTF8.GetBytes(
                    JsonSerializer.Serialize(
                        new
                        {
                            Problem.Start,
                            Problem.Platforms,
                            Problem.Settings,
                            Tasks = Problem.Tasks.Select(t => new
                            {
                                t.Id,
                                t.Hours,
                                t.From,
                                t.Due,
                                t.Needs,
                                t.Platforms,
                                t.Before,
                                t.OnlyCrew,
                                t.OnlyFrom,
                                Share = t.Weather?.UsableShare,
                                Known = t.Weather?.Known?.OrderBy(k => k.Key).Select(k => $"{k.Key:o}{k.Value}"),
                            }),
                            Crews = Problem.Crews.Select(c => new
                            {
                                c.Id,
                                Members = c.Members.Select(m => m.Order()),
                                Weekdays = c.Calendar.Weekdays.Order(),
                                c.Calendar.HoursPerDay,
                                Off = c.Calendar.DaysOff.Select(d => $"{d.From:o}{d.To:o}"),
                                Sites = c.Sites.Order(),
                                c.Overtime,
                                c.Speed,
                            }),
                        }
                    )
                )
            )
        );

    /// <summary>A plan as it is kept.</summary>
    public StoredCrewPlan Stored(CrewPlan plan)
    {
        var placed = plan.Tasks.ToDictionary(t => t.Task);
        return new(
            Problem.Start,
            Stamp,
            [
                .. plan
                    .Order.Select(o => placed[o.Task])
                    .Select(t => new StoredTurn(
                        Works[t.Task].Planting.Planting.Id,
                        t.Task[(t.Task.IndexOf('/') + 1)..],
                        Guid.Parse(t.Crew),
                        t.Overtime,
                        [.. t.Spans.Select(s => new[] { s.From, s.To })]
                    )),
            ]
        );
    }

    /// <summary>The winter of each planting as planned: its passes with a place, and whether all of them have
    /// one.</summary>
    /// <param name="plan">The plan.</param>
    public IReadOnlyDictionary<Guid, (IReadOnlyList<PlacedTask> Winter, bool IsWhole)> Winters(CrewPlan plan)
    {
        var placed = plan.Tasks.ToDictionary(t => t.Task);
        return Works
            .Where(w => w.Value.Work.Pass.IsWinter)
            .GroupBy(w => w.Value.Planting.Planting.Id, w => placed.GetValueOrDefault(w.Key))
            .ToDictionary(g => g.Key, g => ((IReadOnlyList<PlacedTask>)[.. g.OfType<PlacedTask>()], !g.Contains(null)));
    }
}

/// <summary>Reads the work of the estate in scope.</summary>
internal sealed class EstateWorks(PlantingYears years, CrewStore crews, EstateChecks checks)
{
    // Share of days work can be done on where nothing tells (assumption).
    private const double UsualUsable = 0.85;

    // Nothing is planned on less.
    private const double LeastUsable = 0.1;

    private const int YearsBack = 10;

    /// <summary>The work at hand, with what is done of it taken off.</summary>
    public async Task<EstateWork> ReadAsync(CancellationToken cancel) =>
        await OfAsync(await years.ReadAsync(cancel), cancel);

    /// <summary>The work at hand of a year read already.</summary>
    /// <param name="year">The year at hand.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<EstateWork> OfAsync(EstateYear year, CancellationToken cancel)
    {
        var kept = year.Crews;
        var choices = await crews.TasksAsync(year.Season, cancel);
        var settings = year.Estate.ToCrewSettings().Read();
        var wage = year.Wage;
        Dictionary<(Guid, bool, string, DateOnly?, DateOnly?), WorkWeather> weather = [];
        Dictionary<string, (PlantingYear, PassWork)> works = [];
        List<CrewTask> tasks = [];
        // In the order of their codes, so that works alike come in the same order every time they are read.
        foreach (
            var planting in year
                .Plantings.OrderBy(p => p.Planting.Line.Code, StringComparer.Ordinal)
                .ThenBy(p => p.Planting.Id)
        )
        {
            if (planting.Programme is null)
                continue;
            PassWorkTerms terms = new(
                planting.Planting.Id,
                planting.Planting.Site,
                planting.Programme,
                year.Today,
                planting.Planting.Facts?.Crop,
                wage,
                settings.LateShare,
                planting.Late,
                pass => choices.GetValueOrDefault((planting.Planting.Id, pass))?.ToChoice(),
                planting.Done,
                pass => WeatherOf(year, planting, pass, weather)
            );
            foreach (var work in PassWork.Of(terms))
            {
                works.Add(work.Task.Id, (planting, work));
                tasks.Add(work.Task);
            }
        }
        CrewProblem problem = new(
            year.Today,
            tasks,
            [.. kept.Select(c => c.ToCrew(year.Learned.OfCrew(c.Record.Id).Pace))],
            settings.Platforms,
            new(settings.MoveHours)
        );
        return new(
            year,
            choices,
            works,
            problem,
            await crews.PlanAsync(year.Season, cancel),
            await checks.ReadAsync(year, cancel)
        );
    }

    private static WorkWeather? WeatherOf(
        EstateYear year,
        PlantingYear planting,
        PlannedPass pass,
        Dictionary<(Guid, bool, string, DateOnly?, DateOnly?), WorkWeather> known
    )
    {
        if (pass.On.Count == 0)
            return null;
        if (year.Sites.GetValueOrDefault(planting.Planting.SiteId) is not { } site)
            return new(UsualUsable);
        var from = pass.From > year.Today ? pass.From : year.Today;
        var to = pass.To > from ? pass.To : from;
        var key = (
            planting.Planting.SiteId,
            Core.Passes.CropKinds.IsStone(planting.Planting.Crop),
            string.Join(' ', pass.On),
            from,
            to
        );
        if (known.TryGetValue(key, out var told))
            return told;
        var judge = site.Judge(planting.Planting.Crop);
        var past = UsableDays.Of(judge, pass.On, from!.Value, to!.Value, YearsBack);
        Dictionary<DateOnly, bool> ahead = [];
        for (var day = year.Today; day < year.Today.AddDays(PassOutlook.Days); day = day.AddDays(1))
            if (judge.Holds(pass.On, day) is { } holds)
                ahead.Add(day, holds);
        return known[key] = new(
            past is null ? UsualUsable : Math.Max(LeastUsable, (double)past.Usable / past.Known),
            ahead
        );
    }
}
