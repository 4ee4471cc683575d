using System.Globalization;
using Ical.Net.CalendarComponents;
using Ical.Net.Serialization;
using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Crew.Schedule;
using Rama.Core.Explain;
using Rama.Web.Accounts;
using Rama.Web.Prescribe;
using Calendar = Ical.Net.Calendar;

namespace Rama.Web.Crew;

/// <summary>The crew plan as a calendar file (RFC 5545): an event for each run of days on a planting.</summary>
internal static class CrewCalendar
{
    private static readonly LocalText Until = new("in time until", "a tiempo hasta"),
        Late = new("days late", "días tarde"),
        People = new("people", "personas"),
        Hours = new("h paid", "h pagadas");

    public static RouteGroupBuilder MapCrewCalendar(this RouteGroupBuilder api)
    {
        api.MapGet("/crew-plan/calendar", File)
            .WithTags("Crew")
            .For(Act.Report)
            .WithSummary("The crew plan as a calendar file, of one crew or of all");
        return api;
    }

    private static async Task<Results<FileContentHttpResult, NotFound>> File(
        EstateWorks works,
        CancellationToken cancel,
        Guid? crew = null,
        string language = "en"
    )
    {
        PrescribeEndpoints.Known(language);
        var work = await works.ReadAsync(cancel);
        var only = work.Year.Crews.FirstOrDefault(c => c.Record.Id == crew);
        return crew is not null && only is null
            ? TypedResults.NotFound()
            : TypedResults.File(
                System.Text.Encoding.UTF8.GetBytes(Written(work, only?.Record.Id, language)),
                "text/calendar; charset=utf-8",
                $"{only?.Sheet.Name ?? work.Year.Estate.Name}.ics"
            );
    }

    /// <summary>The calendar of a plan.</summary>
    /// <param name="work">The work with its plan.</param>
    /// <param name="crew">Crew whose work it is; null for all.</param>
    /// <param name="language">Language of its words.</param>
    internal static string Written(EstateWork work, Guid? crew, string language)
    {
        var names = work.Year.Crews.ToDictionary(c => c.Record.Id.ToString(), c => c.Sheet.Name);
        Calendar calendar = new() { ProductId = "-//Rama//Crew plan//EN" };
        foreach (var task in work.Plan().Tasks.Where(t => crew is null || t.Crew == crew.ToString()))
        {
            var (planting, told) = work.Works[task.Task];
            foreach (var (i, run) in RunsOf(task, work.Problem).Index())
                calendar.Events.Add(
                    new CalendarEvent
                    {
                        // The same work keeps its identifier, so that a file taken in again moves it.
                        Uid = $"{task.Task.Replace('/', '-').Replace('#', '-')}-{i + 1}@rama",
                        DtStamp = new(work.Year.Today.ToDateTime(default, DateTimeKind.Utc)),
                        Summary = $"{planting.Planting.Line.Code} {told.Pass.Name.In(language)} · {names[task.Crew]}",
                        Location = planting.Planting.Site,
                        Description = AboutOf(task, told, planting.Planting.Line.Name, language),
                        Start = new(run.From),
                        End = new(run.To.AddDays(1)),
                        Transparency = Ical.Net.TransparencyType.Opaque,
                    }
                );
        }
        return new CalendarSerializer().SerializeToString(calendar)!;
    }

    private static string AboutOf(PlacedTask task, Core.Season.PassWork told, string planting, string language)
    {
        List<string> lines =
        [
            planting,
            told.Pass.What.In(language),
            string.Create(
                CultureInfo.InvariantCulture,
                $"{task.People} {People.In(language)}, {task.Hours:0} {Hours.In(language)}"
            ),
        ];
        if (told.Task.Due is { } due)
            lines.Add($"{Until.In(language)} {due:yyyy-MM-dd}");
        if (task.DaysLate > 0)
            lines.Add($"{task.DaysLate} {Late.In(language)}");
        if (told.Pass.Caution is { } caution)
            lines.Add(caution.In(language));
        return string.Join('\n', lines.Where(l => l.Length > 0));
    }

    // Days in a row; a day of rest or of weather that will not do parts them.
    private static IEnumerable<(DateOnly From, DateOnly To)> RunsOf(PlacedTask task, CrewProblem problem)
    {
        (DateOnly From, DateOnly To)? run = null;
        foreach (var span in task.Spans)
        {
            var (from, to) = (problem.DayOf(span.From), problem.DayOf(span.To - 1));
            if (run is { } last && from <= last.To.AddDays(1))
                run = (last.From, to);
            else
            {
                if (run is { } done)
                    yield return done;
                run = (from, to);
            }
        }
        if (run is { } end)
            yield return end;
    }
}
