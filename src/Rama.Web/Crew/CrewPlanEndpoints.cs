using System.Diagnostics;
using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Crew.Schedule;
using Rama.Core.Explain;
using Rama.Data.Crew;
using Rama.Data.Estate;
using Rama.Solver;
using Rama.Web.Accounts;
using Rama.Web.Hosting;

namespace Rama.Web.Crew;

internal static class CrewPlanEndpoints
{
    private const double UsualSeconds = 10;

    private static readonly TimeSpan TellEvery = TimeSpan.FromMilliseconds(500);

    public static RouteGroupBuilder MapCrewPlan(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("").WithTags("Crew");
        group.MapGet("/crew-plan", Read).For(Act.Report).WithSummary("Which crew does what when, what is late and why");
        group
            .MapPost("/crew-plan/improve", Improve)
            .For(Act.Plan)
            .WithSummary(
                "Look for a better plan and put it in force; closing the answer puts the best so far in force"
            );
        group
            .MapPut("/plantings/{id:guid}/passes/{pass}/crew", SaveTask)
            .For(Act.Plan)
            .WithSummary("Keep a pass with a crew or on a day, or say what it costs to be late");
        group
            .MapPut("/crew-plan/settings", SaveSettings)
            .For(Act.Plan)
            .WithSummary("Say what is the same for all work: platforms, moves, cost of lateness");
        group.MapPut("/crews/{id:guid}", SaveCrew).For(Act.Plan).WithSummary("Add a crew, or change it");
        group.MapDelete("/crews/{id:guid}", RemoveCrew).For(Act.Plan).WithSummary("Remove a crew nobody is in");
        return api;
    }

    private static async Task<Ok<CrewPlanView>> Read(EstateWorks works, CancellationToken cancel) =>
        TypedResults.Ok(CrewPlanView.Of(await works.ReadAsync(cancel)));

    private static async Task<ServerSentEventsResult<ImproveStep>> Improve(
        ImproveRequest body,
        EstateWorks works,
        CrewStore store,
        HeavyWork heavy,
        HttpContext http,
        CancellationToken cancel
    )
    {
        var reader = new EntryReader();
        var seconds = reader.Optional("seconds", "Time", body.Seconds, "s", 0, ImproveRequest.MostSeconds)
            ?? UsualSeconds;
        reader.ThrowIfAny();
        var work = await works.ReadAsync(cancel);
        if ((work.Record?.Version ?? 0) != body.Version)
            throw Data.Database.Conflicts.ChangedMeanwhile("plan");
        return TypedResults.ServerSentEvents(
            StepStream.InTurn<ImproveStep>(
                heavy.JoinFor(http),
                ahead => new(0, Ahead: ahead),
                async (tell, gone) =>
                {
                    var first = new CrewPlanner(work.Problem).First();
                    var planned = work.Plan();
                    CrewSolution best = new(CrewPlanner.IsBetter(first, planned) ? first : planned, null);
                    try
                    {
                        await ImproveAsync(work.Problem, seconds, () => best, better => best = better, tell, gone);
                    }
                    finally
                    {
                        // Who stops it keeps the best so far, and so does who closes the page.
                        await store.SavePlanAsync(
                            work.Year.Season,
                            work.Stored(best.Plan),
                            body.Version,
                            CancellationToken.None
                        );
                    }
                    await tell(StepOf(1, best) with { IsSaved = true });
                },
                e => new(1, Problem: Failed(e, http)),
                cancel
            )
        );
    }

    private static async Task ImproveAsync(
        CrewProblem problem,
        double seconds,
        Func<CrewSolution> best,
        Action<CrewSolution> improved,
        Func<ImproveStep, Task> tell,
        CancellationToken gone
    )
    {
        await tell(StepOf(0, best()));
        if (seconds == 0)
            return;
        var clock = Stopwatch.StartNew();
        var solving = Task.Run(
            () => improved(CrewSolver.Improve(problem, best().Plan, new(seconds, Workers: 1), improved, gone)),
            CancellationToken.None
        );
        while (await Task.WhenAny(solving, Task.Delay(TellEvery, CancellationToken.None)) != solving)
            if (!gone.IsCancellationRequested)
                await tell(StepOf(Math.Min(1, clock.Elapsed.TotalSeconds / seconds), best()));
        await solving;
    }

    private static ImproveStep StepOf(double share, CrewSolution best) =>
        new(share, best.Plan.Late.Count(), best.Plan.Cost.Total, best.Gap);

    private static string Failed(Exception e, HttpContext http)
    {
        if (e is UnusableEntryException { Problems: [var problem, ..] })
            return problem.Message;
        http.RequestServices.GetRequiredService<ILogger<ImproveStep>>().LogError(e, "A crew plan failed.");
        return "Planning broke off on the server. The plan in force is as it was.";
    }

    private static async Task<Results<NoContent, NotFound>> SaveTask(
        Guid id,
        string pass,
        SaveTask body,
        CrewStore store,
        CancellationToken cancel
    ) =>
        await store.SaveTaskAsync(id, pass, body.Version, body.Task, cancel)
            ? TypedResults.NoContent()
            : TypedResults.NotFound();

    private static async Task<NoContent> SaveSettings(
        SaveCrewSettings body,
        EstateStore store,
        CancellationToken cancel
    )
    {
        await store.SaveAsync(body.Settings, body.Version, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> SaveCrew(Guid id, SaveCrew body, CrewStore store, CancellationToken cancel)
    {
        await store.SaveAsync(id, body.Crew, body.Version, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound>> RemoveCrew(
        Guid id,
        CrewStore store,
        CancellationToken cancel
    ) => await store.RemoveAsync(id, cancel) ? TypedResults.NoContent() : TypedResults.NotFound();
}
