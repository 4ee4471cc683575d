using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Decide;
using Rama.Data.Plan;
using Rama.Web.Accounts;
using Rama.Web.Plan;

namespace Rama.Web.Decide;

/// <summary>Tolerance and cap to save, with the version of the plan they were read at.</summary>
public sealed record SaveSettings(uint Version, DecisionSettingsEntry Settings);

internal static class DecideEndpoints
{
    public static RouteGroupBuilder MapDecide(this RouteGroupBuilder api)
    {
        api.MapPut("/plantings/{id:guid}/settings", Save)
            .For(Act.Settings)
            .WithTags("Decide")
            .WithSummary("Save tolerance and cap of the season");
        return api;
    }

    public static RouteGroupBuilder MapDecideCalculators(this RouteGroupBuilder calculations)
    {
        calculations
            .MapPost("/decision", (DecisionEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("No prune, structure only or reduce, from buds standing and buds wanted");
        return calculations;
    }

    private static Task<Results<Ok<PlantingView>, NotFound, Conflict<EditConflict>>> Save(
        Guid id,
        SaveSettings body,
        PlantingStore store,
        CancellationToken cancel
    ) => Saving.Answer(store.SaveAsync(id, body.Version, body.Settings, cancel));
}
