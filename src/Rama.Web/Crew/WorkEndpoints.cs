using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Crew.Depth;
using Rama.Core.Crew.Progress;
using Rama.Core.Crew.Schedule;
using Rama.Data.Crew;
using Rama.Data.Field;
using Rama.Solver;
using Rama.Web.Accounts;
using Rama.Web.Hosting;
using Rama.Web.Passes;

namespace Rama.Web.Crew;

/// <summary>Work reported of a planting.</summary>
/// <param name="Reports">What was reported and holds, the latest first.</param>
/// <param name="Progress">How far each pass is, by pass.</param>
public sealed record WorkView(
    IReadOnlyList<WorkReportView> Reports,
    IReadOnlyDictionary<string, WorkProgress> Progress
);

/// <summary>A report of work.</summary>
/// <param name="Id">The entry, to be corrected or taken back through the field inbox.</param>
/// <param name="At">When it was made.</param>
/// <param name="Person">Who made it.</param>
/// <param name="Report">What is told.</param>
public sealed record WorkReportView(Guid Id, DateTimeOffset At, string? Person, WorkReportEntry Report);

/// <summary>A crew plan worked out from a problem sent.</summary>
/// <param name="Plan">The plan.</param>
/// <param name="Bound">No plan costs less, money; null where nothing is proven.</param>
/// <param name="Gap">How much cheaper a plan could still be, as a share; null where it is not proven to be under a
/// fifth.</param>
/// <param name="Late">Why what is late is late.</param>
/// <param name="Conflicts">Locks that cannot hold.</param>
public sealed record CrewPlanAnswer(
    CrewPlan Plan,
    double? Bound,
    double? Gap,
    IReadOnlyList<LateReason> Late,
    IReadOnlyList<LockConflict> Conflicts
);

internal static class WorkEndpoints
{
    public static RouteGroupBuilder MapWork(this RouteGroupBuilder api)
    {
        api.MapGet("/plantings/{id:guid}/work", Read)
            .WithTags("Crew")
            .For(Act.Report)
            .WithSummary("Work reported of a planting, and how far its passes are");
        return api;
    }

    public static RouteGroupBuilder MapCrewCalculators(this RouteGroupBuilder calculations)
    {
        calculations
            .MapPost("/crew-plan", Plan)
            .WithSummary("A plan of a whole crew problem, with its bound and why what is late is late");
        calculations
            .MapPost("/depth-trade", (DepthTradeEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("How deep each planting is pruned when the hours do not reach");
        calculations
            .MapPost("/work-forecast", (WorkForecastEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("When work left will be finished, from what row sets done tell");
        return calculations;
    }

    private static async Task<Results<Ok<WorkView>, NotFound>> Read(
        Guid id,
        PlantingYears years,
        FieldInbox inbox,
        FieldHandlers handlers,
        CancellationToken cancel
    )
    {
        var year = await years.ReadAsync(cancel);
        if (year.Find(id) is not { } planting)
            return TypedResults.NotFound();
        var told = (await inbox.InForceAsync(FieldKind.Work, year.Season, cancel))[id];
        return TypedResults.Ok(
            new WorkView(
                [
                    .. told.OrderByDescending(e => e.At)
                        .Select(e => new WorkReportView(e.Id, e.At, e.Person, handlers.Of<WorkFromField>().BodyOf(e))),
                ],
                planting.Progress
            )
        );
    }

    private static async Task<Ok<CrewPlanAnswer>> Plan(CrewPlanEntry entry, HeavyWork heavy, HttpContext http)
    {
        var problem = entry.Read();
        var best = await heavy.InTurnAsync(http, cancel => Task.Run(
                () =>
                {
                    var first = new CrewPlanner(problem).First();
                    return entry.Seconds is > 0 and { } seconds
                        ? CrewSolver.Improve(problem, first, new SolveLimit(seconds, Workers: 1), null, cancel)
                        : new(first, null);
                },
                CancellationToken.None
            ));
        return TypedResults.Ok(
            new CrewPlanAnswer(
                best.Plan,
                best.Bound,
                best.Gap,
                LateReason.AllOf(problem, best.Plan),
                LockConflict.AllOf(problem)
            )
        );
    }
}
