using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Rama.Core.Passes;
using Rama.Core.Plan;
using Rama.Core.Season;
using Rama.Data.Database;
using Rama.Data.Estate;
using Rama.Data.Plan;
using Rama.Web.Accounts;
using Rama.Web.Plan;
using Rama.Web.Season;

namespace Rama.Web.Passes;

/// <summary>The year of a planting.</summary>
/// <param name="Today">The day taken as today.</param>
/// <param name="Programme">Its passes.</param>
/// <param name="Days">Days of its year in their order, those known or expected.</param>
/// <param name="Usable">By pass: days of its window in past years that were such as it needs; passes whose days
/// could be judged only.</param>
/// <param name="Noted">Days noted, as typed.</param>
/// <param name="Late">What pruning today costs; null before green tip or without an estimate.</param>
public sealed record ProgrammeView(
    DateOnly Today,
    Programme Programme,
    IReadOnlyList<DayOfYear> Days,
    IReadOnlyDictionary<string, UsableDays> Usable,
    NotedDaysEntry Noted,
    LateCost? Late
);

/// <summary>A day of the year of a planting.</summary>
/// <param name="Anchor">What happens.</param>
/// <param name="Day">When.</param>
/// <param name="Basis">How it is known.</param>
public sealed record DayOfYear(Anchor Anchor, DateOnly Day, AnchorBasis Basis);

/// <summary>Days to save, with the version of the plan they were read at.</summary>
public sealed record SaveDays(uint Version, NotedDaysEntry Days);

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
    IReadOnlyDictionary<string, Core.Explain.LocalText> Names,
    IReadOnlyList<YearLine> Plantings
);

/// <summary>The passes of one planting at a glance.</summary>
/// <param name="Id">Planting.</param>
/// <param name="Code">Its code.</param>
/// <param name="Name">Its name.</param>
/// <param name="Passes">Its passes.</param>
public sealed record YearLine(Guid Id, string Code, string Name, IReadOnlyList<PassGlance> Passes);

/// <summary>A pass at a glance.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="From">First day; null without an estimate.</param>
/// <param name="To">Last day.</param>
/// <param name="Hours">Hours paid; null where nobody can tell.</param>
public sealed record PassGlance(string Id, DateOnly? From, DateOnly? To, double? Hours);

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
        EstateStore estates,
        SeasonLines lines,
        PlantingStore plantings,
        RamaContext database,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var estate = await estates.ReadAsync(cancel);
        var all = await lines.ReadAsync(estate.Season, estate.Season, cancel);
        if (all.FirstOrDefault(p => p.Id == id) is not { Facts: { } facts } planned)
            return TypedResults.NotFound();
        if (await plantings.FindAsync(id, cancel) is not { } stored)
            return TypedResults.NotFound();
        var today = estate.Today ?? DateOnly.FromDateTime(clock.GetLocalNow().Date);
        var tip = new KnownGreenTips(all).Expected(planned, estate.Season);
        var days = AnchorDays.Of(planned.Crop, tip, facts.Noted);
        var programme = facts.With(tip);
        var weather = (
            await database
                .WeatherDays.AsNoTracking()
                .Where(d => d.SiteId == stored.Planting.Block!.SiteId && d.Date >= today.AddYears(-MostYears))
                .ToListAsync(cancel)
        ).Select(d => d.ToDay());
        DayJudge judge = new(weather, isTender: planned.Crop is "cherry" or "peach");
        return TypedResults.Ok(
            new ProgrammeView(
                today,
                programme,
                [
                    .. from anchor in Enum.GetValues<Anchor>()
                    let day = days.Find(anchor)
                    where day is not null
                    select new DayOfYear(anchor, day.Day, day.Basis),
                ],
                programme
                    .Passes.Where(p => p.Window is { From: not null, To: not null, NeverOpens: false })
                    .Select(p =>
                        (p.Id, Usable: UsableDays.Of(judge, p.On, p.Window.From!.Value, p.Window.To!.Value, MostYears))
                    )
                    .Where(p => p.Usable is not null)
                    .ToDictionary(p => p.Id, p => p.Usable!),
                stored.Plan.ToDays(),
                LateToday(today, days)
            )
        );
    }

    private static LateCost? LateToday(DateOnly today, AnchorDays days) =>
        days.Find(Anchor.GreenTip) is { } tip && days.Find(Anchor.Bloom) is { } bloom && today >= tip.Day
            ? LateCost.Of(today, tip.Day, bloom.Day)
            : null;

    private static Task<Results<Ok<PlantingView>, NotFound, Conflict<EditConflict>>> SaveDays(
        Guid id,
        SaveDays body,
        PlantingStore store,
        CancellationToken cancel
    ) => Saving.Answer(store.SaveAsync(id, body.Version, body.Days, cancel));

    private static async Task<Ok<YearView>> Year(
        EstateStore estates,
        SeasonLines lines,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var estate = await estates.ReadAsync(cancel);
        var all = await lines.ReadAsync(estate.Season, estate.Season, cancel);
        var tips = new KnownGreenTips(all);
        var programmes = all.Where(p => p.Facts is not null)
            .OrderBy(p => p.Line.Code, StringComparer.Ordinal)
            .Select(p => (p.Line, Programme: p.Facts!.With(tips.Expected(p, estate.Season))))
            .ToList();
        var today = estate.Today ?? DateOnly.FromDateTime(clock.GetLocalNow().Date);
        var week = estate.CrewHoursPerWeek ?? WorkAhead.DefaultCrewHoursPerWeek;
        return TypedResults.Ok(
            new YearView(
                today,
                week,
                CrewYear.Of(programmes.Select(p => p.Programme), week, today),
                programmes
                    .SelectMany(p => p.Programme.Passes)
                    .DistinctBy(p => p.Id)
                    .ToDictionary(p => p.Id, p => p.Name),
                [
                    .. programmes.Select(p => new YearLine(
                        p.Line.Id,
                        p.Line.Code,
                        p.Line.Name,
                        [
                            .. p.Programme.Passes.Select(x => new PassGlance(
                                x.Id,
                                x.Window.NeverOpens ? null : x.Window.From,
                                x.Window.NeverOpens ? null : x.Window.To,
                                x.Hours?.Paid
                            )),
                        ]
                    )),
                ]
            )
        );
    }
}
