using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Count;
using Rama.Core.Explain;
using Rama.Data;
using Rama.Web.Accounts;
using Rama.Web.Estate;

namespace Rama.Web.Count;

/// <summary>A count to save, with the version of the plan it was read at.</summary>
public sealed record SaveCount(uint Version, SurveyEntry Count);

/// <summary>Counted trees, and how many they stand for.</summary>
public sealed record SurveyEstimateRequest
{
    /// <summary>The counted trees.</summary>
    public SurveyEntry Count { get; init; } = new();

    /// <summary>Trees in the planting, where known; the interval then uses the finite correction.</summary>
    public double? TreesInPlanting { get; init; }

    internal SurveyEstimate Calculate()
    {
        var reader = new EntryReader();
        var survey = reader.Under("count", Count.Read);
        var trees = reader.Optional("treesInPlanting", "Trees in the planting", TreesInPlanting, "tree", 1, 10_000_000);
        if (survey?.Trees.Count == 0) reader.Add("count.trees", "missing", "Trees: please count at least one tree.");
        if (trees < survey?.Trees.Count)
            reader.Add("treesInPlanting", "conflict", "Trees in the planting: expected at least as many as were counted.");
        reader.ThrowIfAny();
        return SurveyEstimate.Of(survey!, trees)!;
    }
}

internal static class CountEndpoints
{
    public static RouteGroupBuilder MapCount(this RouteGroupBuilder api)
    {
        api.MapPut("/plantings/{id:guid}/count", Save).For(Act.Count).WithTags("Count").WithSummary("Save the counted trees of the season");
        return api;
    }

    public static RouteGroupBuilder MapCountCalculators(this RouteGroupBuilder calculations)
    {
        calculations.MapPost("/survey-estimate", (SurveyEstimateRequest request) => TypedResults.Ok(request.Calculate()))
            .WithSummary("Mean floral buds per tree with interval and spread from counted trees");
        return calculations;
    }

    private static Task<Results<Ok<PlantingView>, NotFound, Conflict<EditConflict>>> Save(
        Guid id, SaveCount body, PlantingStore store, CancellationToken cancel) =>
        Saving.Answer(store.SaveAsync(id, body.Version, body.Count, cancel));
}
