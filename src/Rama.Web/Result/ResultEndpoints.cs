using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Result;
using Rama.Core.Target.Size;
using Rama.Data.Plan;
using Rama.Web.Accounts;
using Rama.Web.Plan;

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
        return api;
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
