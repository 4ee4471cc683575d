using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Explain;
using Rama.Core.Passes;
using Rama.Core.Plan;
using Rama.Core.Season;
using Rama.Data.Estate;
using Rama.Data.Passes;
using Rama.Data.Plan;
using Rama.Web.Accounts;
using Rama.Web.Plan;

namespace Rama.Web.Passes;

/// <summary>The year of a planting.</summary>
/// <param name="Today">The day taken as today.</param>
/// <param name="Programme">Its passes.</param>
/// <param name="Days">Days of its year in their order, those known or expected.</param>
/// <param name="Usable">By pass: days of its window in past years that were such as it needs; passes whose days
/// could be judged only.</param>
/// <param name="Noted">Days noted, as typed.</param>
/// <param name="Outlook">By pass: what the days at hand say; passes whose days need something only.</param>
/// <param name="Late">What pruning today costs; null before green tip or without an estimate.</param>
/// <param name="ColdNight">The last night its buds are looked at after; null without one.</param>
/// <param name="Versions">By pass: version of what was decided and reported, to be sent back when saving.</param>
public sealed record ProgrammeView(
    DateOnly Today,
    Programme Programme,
    IReadOnlyList<DayOfYear> Days,
    IReadOnlyDictionary<string, UsableDays> Usable,
    IReadOnlyDictionary<string, PassOutlook> Outlook,
    NotedDaysEntry Noted,
    LateCost? Late,
    ColdNight? ColdNight,
    IReadOnlyDictionary<string, uint> Versions
);

/// <summary>A day of the year of a planting.</summary>
/// <param name="Anchor">What happens.</param>
/// <param name="Day">When.</param>
/// <param name="Basis">How it is known.</param>
public sealed record DayOfYear(Anchor Anchor, DateOnly Day, AnchorBasis Basis);

/// <summary>Days to save, with the version of the plan they were read at.</summary>
public sealed record SaveDays(uint Version, NotedDaysEntry Days);

/// <summary>A decision on a pass to save, with the version it was read at; 0 for none.</summary>
public sealed record SavePass(uint Version, PassChoiceEntry Choice);

/// <summary>A report of a pass to save, with the version it was read at; 0 for none.</summary>
public sealed record ReportPass(uint Version, PassReportEntry Report);

/// <summary>The year of an estate.</summary>
/// <param name="Today">The day taken as today.</param>
/// <param name="CrewHoursPerWeek">Hours all crews together work in a week.</param>
/// <param name="Crew">Hours by month and hands, against what the crews have.</param>
/// <param name="Names">Names of the passes.</param>
/// <param name="Plantings">Each planting with its passes.</param>
public sealed record YearView(
    DateOnly Today,
    double CrewHoursPerWeek,
    CrewYear Crew,
    IReadOnlyDictionary<string, LocalText> Names,
    IReadOnlyList<YearLine> Plantings
);

/// <summary>The passes of one planting at a glance.</summary>
/// <param name="Id">Planting.</param>
/// <param name="Code">Its code.</param>
/// <param name="Name">Its name.</param>
/// <param name="Passes">Its passes.</param>
public sealed record YearLine(Guid Id, string Code, string Name, IReadOnlyList<PassGlance> Passes);

internal static class ProgrammeEndpoints
{
    private const int MostYears = 10;

    public static RouteGroupBuilder MapPasses(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("").WithTags("Passes").For(Act.Read);
        group
            .MapGet("/plantings/{id:guid}/programme", Of)
            .WithSummary("The passes of a planting in the season at hand, with their windows and hours");
        group
            .MapPut("/plantings/{id:guid}/days", SaveDays)
            .For(Act.Settings)
            .WithSummary("Save days of the year noted in the planting, such as green tip or full bloom");
        group
            .MapPut("/plantings/{id:guid}/passes/{pass}", SavePass)
            .For(Act.Plan)
            .WithSummary("Add a pass, move it, or leave it out for a reason");
        group
            .MapPut("/plantings/{id:guid}/passes/{pass}/done", Report)
            .For(Act.Report)
            .WithSummary("Report the day a pass was done, or take that back");
        group.MapDays();
        group.MapGet("/year", Year).WithSummary("The passes of all plantings, and their hours by month and hands");
        return api;
    }

    public static RouteGroupBuilder MapPassCalculators(this RouteGroupBuilder calculations)
    {
        calculations
            .MapPost("/programme", async (ProgrammeEntry entry, CatalogueStore catalogues, CancellationToken cancel) =>
                TypedResults.Ok(entry.Calculate((await catalogues.ReadAsync(cancel)).Catalogue))
            )
            .WithSummary("The passes of a planting from its plan and the days of its year");
        calculations
            .MapPost("/pass-window", (PassWindowEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Days between which a pass is done in a crop, from green tip");
        calculations
            .MapPost("/pass-hours", (PassHoursEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Hours of a pass from trees and minutes, with what row sets done tell");
        calculations
            .MapPost("/late-cost", (LateCostEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Buds knocked off by pruning after green tip, and what to leave for them");
        return calculations;
    }

    private static async Task<Results<Ok<ProgrammeView>, NotFound>> Of(
        Guid id,
        PlantingYears years,
        PlantingStore plantings,
        CancellationToken cancel
    )
    {
        var all = await years.ReadAsync(cancel);
        if (all.Find(id) is not { Programme: { } programme } year)
            return TypedResults.NotFound();
        if (await plantings.FindAsync(id, cancel) is not { } stored)
            return TypedResults.NotFound();
        var judge = all.Sites.GetValueOrDefault(year.Planting.SiteId)?.Judge(year.Planting.Crop);
        return TypedResults.Ok(
            new ProgrammeView(
                all.Today,
                programme,
                [
                    .. from anchor in Enum.GetValues<Anchor>()
                    let day = year.Days.Find(anchor)
                    where day is not null
                    select new DayOfYear(anchor, day.Day, day.Basis),
                ],
                programme
                    .Passes.Where(p => judge is not null && p is { From: not null, To: not null })
                    .Select(p => (p.Id, Usable: UsableDays.Of(judge!, p.On, p.From!.Value, p.To!.Value, MostYears)))
                    .Where(p => p.Usable is not null)
                    .ToDictionary(p => p.Id, p => p.Usable!),
                all.OutlookOf(year),
                stored.Plan.ToDays(),
                year.Late(all.Today),
                year.ColdNight,
                year.Choices.ToDictionary(c => c.Key, c => c.Value.Version)
            )
        );
    }

    private static Task<Results<Ok<PlantingView>, NotFound, Conflict<EditConflict>>> SaveDays(
        Guid id,
        SaveDays body,
        PlantingStore store,
        CancellationToken cancel
    ) => Saving.Answer(store.SaveAsync(id, body.Version, body.Days, cancel));

    private static async Task<Results<NoContent, NotFound>> SavePass(
        Guid id,
        string pass,
        SavePass body,
        PassStore store,
        CancellationToken cancel
    ) =>
        await store.SaveAsync(id, pass, body.Version, body.Choice, cancel)
            ? TypedResults.NoContent()
            : TypedResults.NotFound();

    private static async Task<Results<NoContent, NotFound>> Report(
        Guid id,
        string pass,
        ReportPass body,
        PassStore store,
        EstateStore estates,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var today = (await estates.ReadAsync(cancel)).TodayBy(clock);
        return await store.ReportAsync(id, pass, body.Version, body.Report, today, cancel)
            ? TypedResults.NoContent()
            : TypedResults.NotFound();
    }

    private static async Task<Ok<YearView>> Year(PlantingYears years, CancellationToken cancel)
    {
        var year = await years.ReadAsync(cancel);
        var plantings = year
            .Plantings.Where(p => p.Programme is not null)
            .OrderBy(p => p.Planting.Line.Code, StringComparer.Ordinal)
            .ToList();
        return TypedResults.Ok(
            new YearView(
                year.Today,
                year.CrewHoursPerWeek,
                CrewYear.Of(plantings.Select(p => p.Programme!), year.CrewHoursPerWeek, year.Today),
                PassGlance.NamesOf(plantings),
                [
                    .. plantings.Select(p => new YearLine(
                        p.Planting.Id,
                        p.Planting.Line.Code,
                        p.Planting.Line.Name,
                        PassGlance.AllOf(p)
                    )),
                ]
            )
        );
    }
}
