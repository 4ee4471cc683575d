using System.Diagnostics;
using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Crew.Schedule;
using Rama.Core.Crew.Trial;
using Rama.Core.Explain;
using Rama.Solver;
using Rama.Web.Accounts;
using Rama.Web.Hosting;

namespace Rama.Web.Crew;

/// <summary>Changes to try out.</summary>
public sealed record TrialRequest
{
    /// <summary>Most changes tried at once.</summary>
    public const int Most = 6;

    /// <summary>Most seconds a plan is improved for each.</summary>
    public const double MostSeconds = 10;

    /// <summary>The changes.</summary>
    public IReadOnlyList<CrewTrialEntry> Trials { get; init; } = [];

    /// <summary>Seconds a plan is improved for each, and for the work as it is; two when left out.</summary>
    public double? Seconds { get; init; }
}

/// <summary>A step of trying changes out.</summary>
/// <param name="Share">How much of the work has gone.</param>
/// <param name="Results">What each comes to so far; first the work as it is.</param>
/// <param name="Problem">What went wrong; null for nothing.</param>
/// <param name="Ahead">Work of others that comes first, while it waits for its turn.</param>
public sealed record TrialStep(
    double Share,
    IReadOnlyList<TrialResult>? Results = null,
    string? Problem = null,
    int? Ahead = null
);

internal static class TrialEndpoints
{
    private const double UsualSeconds = 2;

    private static readonly TimeSpan TellEvery = TimeSpan.FromMilliseconds(500);

    public static RouteGroupBuilder MapTrials(this RouteGroupBuilder api)
    {
        api.MapPost("/crew-plan/what-if", Try)
            .WithTags("Crew")
            .For(Act.Plan)
            .WithSummary("What the work would come to with more people, lost weeks, platforms, one pass or less depth");
        return api;
    }

    private static async Task<ServerSentEventsResult<TrialStep>> Try(
        TrialRequest body,
        EstateWorks works,
        EstateDepths depths,
        HeavyWork heavy,
        HttpContext http,
        CancellationToken cancel
    )
    {
        var reader = new EntryReader();
        var seconds = reader.Optional("seconds", "Time", body.Seconds, "s", 0, TrialRequest.MostSeconds)
            ?? UsualSeconds;
        if (body.Trials is not { Count: > 0 and <= TrialRequest.Most })
            reader.Add("trials", "range", $"Changes: expected 1 to {TrialRequest.Most}.");
        reader.ThrowIfAny();
        var work = await works.ReadAsync(cancel);
        var structure = body.Trials!.SelectMany(t => t.StructureOnly ?? []).Distinct().ToList();
        // Only what is named is planned anew.
        var less = structure.Count == 0 ? [] : await depths.ReadAsync(work, cancel, structure);
        var ways = WaysOf(work, less);
        IReadOnlyList<string> TasksOf(Guid planting) =>
            less.FirstOrDefault(d => d.Planting.Planting.Id == planting) is { Known.Depths: not null } found
                ? [.. found.Winter.Select(t => t.Id)]
                : [];
        List<CrewTrial> trials = [];
        foreach (var (i, entry) in body.Trials!.Index())
            if (reader.Under($"trials[{i}]", () => entry.Read(work.Problem, ways, TasksOf)) is { } trial)
                trials.Add(trial);
        reader.ThrowIfAny();
        return TypedResults.ServerSentEvents(
            StepStream.InTurn<TrialStep>(
                heavy.JoinFor(http),
                ahead => new(0, Ahead: ahead),
                (tell, gone) => TryAsync(work, trials, ways, seconds, tell, gone),
                e => new(1, Problem: Failed(e, http)),
                cancel
            )
        );
    }

    private static async Task TryAsync(
        EstateWork work,
        IReadOnlyList<CrewTrial> trials,
        IReadOnlyDictionary<string, WorkWays> ways,
        double seconds,
        Func<TrialStep, Task> tell,
        CancellationToken gone
    )
    {
        List<TrialResult> results = [];
        // As it is, looked at as long as each change, so that none gains by the looking alone.
        var now = await BestAsync(null, [work.Problem], work.Plan().Order);
        foreach (var trial in trials)
            await BestAsync(trial, trial.In(work.Problem, ways), now.Order);

        async Task Add(TrialResult result)
        {
            results.Add(results.Count == 0 ? result : result.Against(results[0]));
            await tell(new((double)results.Count / (trials.Count + 1), [.. results]));
        }

        // The plan is looked for without wages, which hardly hang on it; what is told counts them.
        async Task<CrewPlan> BestAsync(CrewTrial? trial, IReadOnlyList<CrewProblem> problems, IReadOnlyList<Turn> order)
        {
            var plans = problems.SelectMany(p => FirstOf(p, order).Select(plan => (Problem: p, Plan: plan))).ToList();
            var (problem, first) = plans.Aggregate((a, b) => CrewPlanner.IsBetter(b.Plan, a.Plan) ? b : a);
            if (seconds > 0)
                plans.Add((problem, await ImprovedAsync(problem, first)));
            var lost = trial?.MarginLost(ways) ?? 0;
            var (result, best) = plans
                .Select(p => (Result: TrialResult.Of(trial, p.Problem, p.Plan, lost), p.Plan))
                .Aggregate((a, b) => b.Result.IsBetterThan(a.Result) ? b : a);
            await Add(result);
            return best;
        }

        async Task<CrewPlan> ImprovedAsync(CrewProblem problem, CrewPlan first)
        {
            var clock = Stopwatch.StartNew();
            var solving = Task.Run(
                () => CrewSolver.Improve(problem, first, new(seconds, Workers: 1), null, gone).Plan,
                CancellationToken.None
            );
            while (await Task.WhenAny(solving, Task.Delay(TellEvery, CancellationToken.None)) != solving)
                if (!gone.IsCancellationRequested)
                    await tell(
                        new(
                            (results.Count + Math.Min(1, clock.Elapsed.TotalSeconds / seconds)) / (trials.Count + 1),
                            [.. results]
                        )
                    );
            return await solving;
        }
    }

    private static IEnumerable<CrewPlan> FirstOf(CrewProblem problem, IReadOnlyList<Turn> order)
    {
        CrewPlanner planner = new(problem);
        var known = problem.Tasks.Select(t => t.Id).ToHashSet();
        yield return planner.InOrder([.. order.Where(t => known.Contains(t.Task))]);
        yield return planner.First();
    }

    // Two passes in one hang on no depth; depths only where somebody asked for them.
    private static Dictionary<string, WorkWays> WaysOf(EstateWork work, IReadOnlyList<WorkDepths> less)
    {
        var ways = work
            .Works.Values.GroupBy(w => w.Planting.Planting.Id)
            .SelectMany(g => Core.Season.PassWork.WaysOf(g.Key, [.. g.Select(w => w.Work)], null, null))
            .ToDictionary();
        foreach (var (task, way) in less.SelectMany(d => d.Ways()))
            ways[task] = way;
        return ways;
    }

    private static string Failed(Exception e, HttpContext http)
    {
        http.RequestServices.GetRequiredService<ILogger<TrialStep>>().LogError(e, "A change could not be tried out.");
        return "Trying it out broke off on the server. Nothing was changed.";
    }
}
