using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Count;
using Rama.Core.Count.Floral;
using Rama.Core.Count.Sample;
using Rama.Core.Count.Vigour;
using Rama.Data.Plan;
using Rama.Web.Accounts;
using Rama.Web.Field;
using Rama.Web.Plan;

namespace Rama.Web.Count;

/// <summary>A count to save, with the version of the plan it was read at.</summary>
public sealed record SaveCount(uint Version, SurveyEntry Count);

internal static class CountEndpoints
{
    public static RouteGroupBuilder MapCount(this RouteGroupBuilder api)
    {
        api.MapPut("/plantings/{id:guid}/count", Save)
            .For(Act.Count)
            .WithTags("Count")
            .WithSummary("Save the counted trees of the season");
        return api.MapSample().MapField().MapPhotos().MapScans();
    }

    public static RouteGroupBuilder MapCountCalculators(this RouteGroupBuilder calculations)
    {
        calculations
            .MapPost("/survey-estimate", (SurveyEstimateEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Mean floral buds per tree with interval and spread from counted trees");
        calculations
            .MapPost("/trees-needed", (TreesNeededEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Trees to count for an interval of a given width");
        calculations
            .MapPost("/floral-share", (FloralSharesEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Floral share of each kind of bud cut, with interval and how many more to cut");
        calculations
            .MapPost("/vigour", (VigourEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("How strongly a planting grows, and what can be done");
        return calculations;
    }

    private static Task<Results<Ok<PlantingView>, NotFound, Conflict<EditConflict>>> Save(
        Guid id,
        SaveCount body,
        PlantingStore store,
        CancellationToken cancel
    ) => Saving.Answer(store.SaveAsync(id, body.Version, body.Count, cancel));
}
