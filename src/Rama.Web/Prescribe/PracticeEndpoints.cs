using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Explain;
using Rama.Core.Prescribe.Practice;
using Rama.Data.Estate;
using Rama.Data.Plan;
using Rama.Data.Prescribe;
using Rama.Web.Accounts;
using Rama.Web.Hosting;

namespace Rama.Web.Prescribe;

/// <summary>A practice tree of one's own to keep.</summary>
public record OwnRun : BenchCuts
{
    /// <summary>Given by the device, so that a tree sent twice is one.</summary>
    public Guid Id { get; init; }
}

/// <summary>A practice tree to keep for somebody of the crew.</summary>
public sealed record PracticeRun : OwnRun
{
    /// <summary>Who cut it.</summary>
    public Guid Worker { get; init; }
}

/// <summary>A practice tree that was kept.</summary>
public sealed record PracticeLine(
    Guid Id,
    string Pruner,
    DateTimeOffset At,
    string Tree,
    int Score,
    int BudsLeft,
    double Target,
    double Minutes,
    IReadOnlyList<Notice> Remarks
);

/// <summary>How the practice of whoever is signed in goes.</summary>
/// <param name="Worker">Who of the crew they are; null where no manager said so yet, and nothing can be kept.</param>
/// <param name="Pruner">Name or number the crew knows them by; null likewise.</param>
/// <param name="Trees">Trees of the classes cut this season, as they were cut first; counted ones not.</param>
/// <param name="Season">What they show; null before the first tree.</param>
/// <param name="Progress">All years, system by system; null likewise.</param>
public sealed record MyPractice(
    Guid? Worker,
    string? Pruner,
    IReadOnlyList<MyTree> Trees,
    PrunerPractice? Season,
    PracticeProgress? Progress
);

/// <summary>A tree of one's own.</summary>
/// <param name="Planting">Planting it stands in.</param>
/// <param name="Class">Its trunk class.</param>
/// <param name="Number">Which of the class it is.</param>
/// <param name="Score">0 to 100.</param>
public sealed record MyTree(Guid Planting, string Class, int Number, int Score)
{
    internal static IEnumerable<MyTree> Of(PractisedTree tree)
    {
        if (tree.InClass is var (trunk, number))
            yield return new(tree.Planting, trunk, number, tree.Score);
    }
}

/// <summary>A tree of a course.</summary>
/// <param name="Planting">Planting it stands in.</param>
/// <param name="Code">Code of that planting.</param>
/// <param name="Name">Its name.</param>
/// <param name="System">Name of its system.</param>
/// <param name="Asks">Which tree, and what it asks.</param>
public sealed record CourseTree(Guid Planting, string Code, string Name, LocalText System, PracticeAsk Asks);

/// <summary>What the last tree showed, to choose the next.</summary>
public sealed record NextTreeEntry
{
    private const int MostSeen = 200,
        MostSaid = 60;

    /// <summary>Trunk class; the middle one when left out.</summary>
    public string? Class { get; init; }

    /// <summary>Numbers of the trees cut already, the last one last.</summary>
    public IReadOnlyList<int> Seen { get; init; } = [];

    /// <summary>Codes of what was said of the last, the gravest first.</summary>
    public IReadOnlyList<string> Said { get; init; } = [];

    internal NextTreeEntry Bounded() =>
        this with
        {
            Seen = [.. Seen.TakeLast(MostSeen)],
            Said = [.. Said.Take(MostSaid)],
        };
}

/// <summary>The next tree to practise on.</summary>
/// <param name="Tree">The tree; null where every tree of the class was cut.</param>
/// <param name="Trains">What it trains; null likewise.</param>
public sealed record NextTree(PracticeAsk? Tree, Trains? Trains);

internal static class PracticeEndpoints
{
    public static RouteGroupBuilder MapPractice(this RouteGroupBuilder api)
    {
        var planting = api.MapGroup("/plantings/{id:guid}").WithTags("Prescribe");
        planting.MapGet("/practice", Runs).For(Act.Practice).WithSummary("Trees cut for practice, the latest first");
        planting
            .MapPost("/practice", Keep)
            .For(Act.Practice)
            .WithSummary("Keep a tree somebody of the crew cut for practice");
        planting
            .MapPost("/practice/mine", KeepMine)
            .For(Act.Read)
            .WithSummary("Keep a tree one cut oneself for practice");
        planting
            .MapPost("/practice/next", Next)
            .For(Act.Read)
            .WithSummary("The next tree to practise on: one that trains what went worst on the last");
        api.MapGet("/practice", Pruners)
            .For(Act.Practice)
            .WithTags("Prescribe")
            .WithSummary("What the season's practice shows of each pruner, over all plantings");
        api.MapGet("/practice/progress", Progress)
            .For(Act.Practice)
            .WithTags("Prescribe")
            .WithSummary("How the practice of each pruner went over the years, system by system");
        api.MapGet("/practice/mine", Mine)
            .For(Act.Read)
            .WithTags("Prescribe")
            .WithSummary("How one's own practice goes");
        api.MapGet("/practice/course", Course)
            .For(Act.Read)
            .WithTags("Prescribe")
            .WithSummary("Five trees for a first day, of the estate's own systems and rising difficulty");
        return api;
    }

    private static Task<Ok<IReadOnlyList<CourseTree>>> Course(
        PracticeStore store,
        CatalogueStore catalogues,
        BenchTrees trees,
        HttpContext http,
        HeavyWork gate
    ) => gate.InTurnAsync<Ok<IReadOnlyList<CourseTree>>>(http, async cancel =>
        {
            var catalogue = (await catalogues.ReadAsync(cancel)).Catalogue;
            List<CourseTree> offered = [];
            foreach (var grounds in await store.GroundsAsync(cancel))
            foreach (var ground in grounds)
            {
                if (await trees.AsksAsync(ground.Id, null, cancel) is not { Count: > 0 } asks)
                    continue;
                var system = catalogue.System(ground.System)!.Name;
                offered.AddRange(asks.Select(a => new CourseTree(ground.Id, ground.Code, ground.Name, system, a)));
                break;
            }
            return TypedResults.Ok(PracticeCourse.Rising(offered, t => t.Asks.Difficulty, t => t.Planting));
        });

    private static Task<Results<Ok<NextTree>, NotFound>> Next(
        Guid id,
        NextTreeEntry body,
        BenchTrees trees,
        HttpContext http,
        HeavyWork gate
    ) => gate.InTurnAsync<Results<Ok<NextTree>, NotFound>>(http, async cancel =>
        {
            if (await trees.AsksAsync(id, body.Class, cancel) is not { } asks)
                return TypedResults.NotFound();
            var entry = body.Bounded();
            var next = PracticeCourse.Next(asks, entry.Seen, entry.Said);
            return TypedResults.Ok(new NextTree(next?.Tree, next?.Trains));
        });

    private static async Task<Ok<IReadOnlyList<PrunerPractice>>> Pruners(
        EstateStore estates,
        PracticeStore store,
        CancellationToken cancel
    ) => TypedResults.Ok(await store.PrunersAsync((await estates.ReadAsync(cancel)).Season, cancel));

    private static async Task<Ok<IReadOnlyList<PracticeProgress>>> Progress(
        PracticeStore store,
        CancellationToken cancel
    ) => TypedResults.Ok(PracticeProgress.Of(await store.TreesAsync(null, season: null, remarks: false, cancel)));

    private static async Task<Ok<MyPractice>> Mine(EstateStore estates, PracticeStore store, CancellationToken cancel)
    {
        if (await store.MyselfAsync(cancel) is not { } me)
            return TypedResults.Ok(new MyPractice(null, null, [], null, null));
        var season = (await estates.ReadAsync(cancel)).Season;
        var all = await store.TreesAsync(me.Id, season: null, remarks: true, cancel);
        PractisedTree[] now = [.. all.Where(t => t.Season == season)];
        return TypedResults.Ok(
            new MyPractice(
                me.Id,
                me.Name,
                [.. PractisedTree.CountedOnce(now).SelectMany(MyTree.Of)],
                PrunerPractice.Of(now).SingleOrDefault(),
                PracticeProgress.Of(all).SingleOrDefault()
            )
        );
    }

    private static async Task<Results<Ok<IReadOnlyList<PracticeLine>>, NotFound>> Runs(
        Guid id,
        PlantingStore plantings,
        PracticeStore store,
        CancellationToken cancel
    )
    {
        if (await plantings.FindAsync(id, cancel) is null)
            return TypedResults.NotFound();
        var runs = await store.OfPlantingAsync(id, cancel);
        return TypedResults.Ok<IReadOnlyList<PracticeLine>>([
            .. runs.Select(r => new PracticeLine(
                r.Id,
                r.Worker!.Name,
                r.At,
                r.Tree,
                r.Score,
                r.BudsLeft,
                r.Target,
                r.Minutes,
                r.ToRemarks()
            )),
        ]);
    }

    private static Task<Results<Ok<MadeCuts>, NotFound>> Keep(
        Guid id,
        PracticeRun body,
        BenchTrees trees,
        PracticeStore store,
        CancellationToken cancel
    ) => KeepAsync(id, body, body.Worker, own: false, trees, store, cancel);

    private static async Task<Results<Ok<MadeCuts>, NotFound>> KeepMine(
        Guid id,
        OwnRun body,
        BenchTrees trees,
        PracticeStore store,
        CancellationToken cancel
    )
    {
        if (await store.MyselfAsync(cancel) is not { } me)
            throw new UnusableEntryException([
                new("worker", "unknown", "Who: your account is nobody's of the crew yet. A manager can say whose."),
            ]);
        return await KeepAsync(id, body, me.Id, own: true, trees, store, cancel);
    }

    private static async Task<Results<Ok<MadeCuts>, NotFound>> KeepAsync(
        Guid id,
        OwnRun run,
        Guid worker,
        bool own,
        BenchTrees trees,
        PracticeStore store,
        CancellationToken cancel
    )
    {
        if (await trees.PutAsync(id, run.ToChoice(), cancel) is not { } put)
            return TypedResults.NotFound();
        var made = MadeCuts.Of(put.Bench, run.Cuts);
        var left = made.Cuts.Count == 0 ? put.Bench.Before.FloralBuds : made.Cuts[^1].After.FloralBuds;
        var tree = run.Row is { } row ? $"{row}/{run.Tree}" : PractisedTree.NameOf(put.Of.Class.Name, run.Number);
        PracticeTree kept = new(run.Id, worker, tree, put.Bench.ToLeave, left, made.Score);
        return await store.KeepAsync(id, put.Season, kept, own, cancel)
            ? TypedResults.Ok(made)
            : TypedResults.NotFound();
    }
}
