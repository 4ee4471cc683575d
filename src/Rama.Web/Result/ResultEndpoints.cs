using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Plan;
using Rama.Core.Result;
using Rama.Core.Result.Chain;
using Rama.Core.Result.Forecast;
using Rama.Core.Result.Learning;
using Rama.Core.Result.Thinning;
using Rama.Core.Target.Size;
using Rama.Data.Estate;
using Rama.Data.Plan;
using Rama.Data.Result;
using Rama.Web.Accounts;
using Rama.Web.Plan;
using Rama.Web.Season;

namespace Rama.Web.Result;

/// <summary>Past seasons to save, with the version of the planting they were read at.</summary>
public sealed record SaveRecords(uint Version, SeasonRecordsEntry Records);

/// <summary>Weighed fruit to save, with the version of the planting they were read at.</summary>
public sealed record SaveFruit(uint Version, FruitSampleEntry FruitSample);

internal static class ResultEndpoints
{
    public static RouteGroupBuilder MapResult(this RouteGroupBuilder api)
    {
        api.MapPut("/plantings/{id:guid}/records", Save)
            .For(Act.Records)
            .WithTags("Result")
            .WithSummary("Save what past seasons brought");
        api.MapPut("/plantings/{id:guid}/fruit", SaveFruit)
            .For(Act.Records)
            .WithTags("Result")
            .WithSummary("Save fruit that were measured and weighed");
        api.MapGet("/results", Results)
            .For(Act.Read)
            .WithTags("Result")
            .WithSummary("What came of a season over the estate, and which step of the year made the difference");
        return api;
    }

    public static RouteGroupBuilder MapResultCalculators(this RouteGroupBuilder calculations)
    {
        calculations
            .MapPost("/season-chain", (SeasonChainEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("A season from what was wanted to what came, step by step");
        calculations
            .MapPost("/learning", (LearningEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("What past seasons taught of a planting's numbers, and whether they foretell better");
        calculations
            .MapPost("/thinning-load", (ThinningLoadEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("What hand thinning has to take off, and how long it takes");
        calculations
            .MapPost("/crop-forecast", (CropForecastEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("The crop to be expected at each point of the year that something is known of");
        return calculations;
    }

    private static async Task<Ok<ResultsView>> Results(
        PlanCache cache,
        LearningStore learned,
        EstateStore estates,
        CancellationToken cancel,
        int? season = null
    )
    {
        var current = (await estates.ReadAsync(cancel)).Season;
        return TypedResults.Ok(
            ResultsView.Of(season, current, await ChainsAsync(cache, current, cancel), await learned.TestsAsync(cancel))
        );
    }

    /// <summary>The seasons on record of all plantings.</summary>
    /// <param name="cache">What plans come to.</param>
    /// <param name="current">The season at hand.</param>
    /// <param name="cancel">Stops it.</param>
    public static async Task<IReadOnlyList<PlantingChains>> ChainsAsync(
        PlanCache cache,
        int current,
        CancellationToken cancel
    ) =>
        [
            // A site may have got another name since: it is no part of what a planting's version tells.
            .. (await cache.ReadAsync("chains", current, current, ChainsOf, cancel)).Select(p =>
                p.Told with
                {
                    Planting = p.Told.Planting with { Site = p.Version.Site },
                }
            ),
        ];

    private static PlantingChains ChainsOf(StoredPlanting stored)
    {
        var entry = stored.ToEntry();
        var reading = PlanReading.Of(entry, stored.Catalogue);
        var (plan, seasons) = (PruningPlan.ToCount(reading), entry.Records.Read(stored.Season));
        var area = stored.Planting.AreaHa();
        return new(
            stored.Planting.Id,
            new(
                stored.Planting.Code,
                stored.Planting.Name,
                stored.Planting.Variety,
                stored.Planting.System,
                stored.Planting.Block!.Site!.Name
            ),
            area,
            PastChain.AllOf(reading, plan, seasons),
            PastSeasons.AllOf(reading, plan, seasons, area)
        );
    }

    private static Task<Results<Ok<PlantingView>, NotFound, Conflict<EditConflict>>> SaveFruit(
        Guid id,
        SaveFruit body,
        PlantingStore store,
        CancellationToken cancel
    ) => Saving.Answer(store.SaveAsync(id, body.Version, body.FruitSample, cancel));

    private static Task<Results<Ok<PlantingView>, NotFound, Conflict<EditConflict>>> Save(
        Guid id,
        SaveRecords body,
        PlantingStore store,
        CancellationToken cancel
    ) => Saving.Answer(store.SaveAsync(id, body.Version, body.Records, cancel));
}
