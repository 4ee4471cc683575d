using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Explain;
using Rama.Data.Crew;
using Rama.Web.Accounts;
using Rama.Web.Check;
using Rama.Web.Count;

namespace Rama.Web.Crew;

/// <summary>What the crews do these days, to be taken along into the row.</summary>
/// <param name="Today">The day taken as today.</param>
/// <param name="Crews">The crews.</param>
/// <param name="People">Those in them who are named.</param>
/// <param name="Turns">Their work, in the order of the days.</param>
public sealed record TodayView(
    DateOnly Today,
    IReadOnlyList<KitCrew> Crews,
    IReadOnlyList<TodayPerson> People,
    IReadOnlyList<TodayTurn> Turns
);

/// <summary>Somebody in a crew.</summary>
/// <param name="Id">Who.</param>
/// <param name="Name">Name or number.</param>
/// <param name="Crew">The crew.</param>
public sealed record TodayPerson(Guid Id, string Name, Guid Crew)
{
    internal static IReadOnlyList<TodayPerson> AllOf(IReadOnlyList<KeptCrew> crews) =>
        [.. crews.SelectMany(c => c.Members.Select(m => new TodayPerson(m.Id, m.Name, c.Record.Id)))];
}

/// <summary>Work of a crew on a planting.</summary>
/// <param name="Planting">The planting.</param>
/// <param name="Code">Its code.</param>
/// <param name="Name">Its name.</param>
/// <param name="Site">Its site.</param>
/// <param name="Pass">The pass.</param>
/// <param name="PassName">The pass in two or three words.</param>
/// <param name="Crew">Who does it.</param>
/// <param name="First">Day it begins.</param>
/// <param name="Last">Day it is finished.</param>
/// <param name="People">People who work on it.</param>
/// <param name="Hours">Hours paid that are left.</param>
/// <param name="Due">Last day it is in time; null for none.</param>
/// <param name="DaysLate">Days it is finished late.</param>
/// <param name="Done">Share of it that is done.</param>
/// <param name="Hazards">What was told lately that can hurt somebody there, the latest first.</param>
/// <param name="Check">What is said of how the crew cuts there; null while nothing is.</param>
public sealed record TodayTurn(
    Guid Planting,
    string Code,
    string Name,
    string Site,
    string Pass,
    LocalText PassName,
    Guid Crew,
    DateOnly First,
    DateOnly Last,
    int People,
    double Hours,
    DateOnly? Due,
    int DaysLate,
    double Done,
    IReadOnlyList<ToldHazard> Hazards,
    ToldVerdict? Check
);

/// <summary>Something that can hurt somebody.</summary>
/// <param name="Day">Day it was told.</param>
/// <param name="What">What it is.</param>
public sealed record ToldHazard(DateOnly Day, string What);

internal static class TodayEndpoint
{
    private const int DaysAhead = 14,
        MostHazards = 10;

    public static RouteGroupBuilder MapToday(this RouteGroupBuilder api)
    {
        api.MapGet("/crew-plan/today", Read)
            .WithTags("Crew")
            .For(Act.Report)
            .WithSummary("What each crew does in the two weeks ahead, with what can hurt somebody there");
        return api;
    }

    private static async Task<Ok<TodayView>> Read(EstateWorks works, EstateChecks checks, CancellationToken cancel)
    {
        var work = await works.ReadAsync(cancel);
        return TypedResults.Ok(
            new TodayView(
                work.Year.Today,
                [.. work.Year.Crews.Select(KitCrew.Of)],
                TodayPerson.AllOf(work.Year.Crews),
                [
                    .. work.Plan()
                        .Tasks.Where(t => t.First <= work.Year.Today.AddDays(DaysAhead))
                        .Select(t =>
                        {
                            var (planting, told) = work.Works[t.Task];
                            return new TodayTurn(
                                planting.Planting.Id,
                                planting.Planting.Line.Code,
                                planting.Planting.Line.Name,
                                planting.Planting.Site,
                                told.Pass.Id,
                                told.Pass.Name,
                                Guid.Parse(t.Crew),
                                t.First,
                                t.Last,
                                t.People,
                                t.Hours,
                                told.Task.Due,
                                t.DaysLate,
                                planting.Done(told.Pass.Id),
                                HazardsOf(planting),
                                work.VerdictOf(planting, told.Pass.Id, t.Crew)
                            );
                        }),
                ]
            )
        );
    }

    private static IReadOnlyList<ToldHazard> HazardsOf(Passes.PlantingYear planting) =>
        [
            .. planting
                .Reports.Values.SelectMany(r => r)
                .Where(r => r.Hazard is not null)
                .OrderByDescending(r => r.Day)
                .Select(r => new ToldHazard(r.Day, r.Hazard!))
                .DistinctBy(h => h.What)
                .Take(MostHazards),
        ];
}
