using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Plan;
using Rama.Core.Target;
using Rama.Core.Target.Capacity;
using Rama.Core.Target.Insurance;
using Rama.Core.Target.Margin;
using Rama.Core.Target.Sharing;
using Rama.Core.Target.Size;
using Rama.Data.Plan;
using Rama.Web.Accounts;
using Rama.Web.Plan;

namespace Rama.Web.Target;

/// <summary>A target to save, with the version of the plan it was read at.</summary>
public sealed record SaveTarget(uint Version, TargetEntry Target);

internal static class TargetEndpoints
{
    public static RouteGroupBuilder MapTarget(this RouteGroupBuilder api)
    {
        api.MapPut("/plantings/{id:guid}/target", Save)
            .For(Act.Target)
            .WithTags("Target")
            .WithSummary("Save the target of the season");
        api.MapTargetDesk();
        return api;
    }

    public static RouteGroupBuilder MapTargetCalculators(this RouteGroupBuilder calculations)
    {
        calculations
            .MapPost("/crop-target", (PlantingCropEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Fruit per tree from yield, fruit size, pack-out and bearing trees");
        calculations
            .MapPost("/bud-factor", (BudFactorEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary(
                "Floral buds to leave per tree and per limb from a fixed factor, a share of years, or the "
                    + "cheapest mistake, side by side"
            );
        calculations
            .MapPost("/fruit-size", (FruitSizeEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("A fruit size as mass, diameter and count, with the law of own weighings where there are any");
        calculations
            .MapPost("/size-classes", (SizeClassesEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Share of fruit and mass in each size class, and the mean price");
        calculations
            .MapPost("/capacity", (CapacityEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("A target against trunks, age and past years");
        calculations
            .MapPost("/row-light", (FaceLightEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary(
                "Share of the day each face of a row is lit by height, and what lower or wider rows would bring"
            );
        calculations
            .MapPost("/canopy-limits", (CanopyLimitsEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Height, reach, V geometry, leader spacing and light of a canopy");
        calculations
            .MapPost("/economics", (EconomicsEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Margin per hectare over fruit per tree, this year and in two steady years");
        calculations
            .MapPost("/class-targets", (ClassTargetsEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("A mean target shared among trunk classes");
        return calculations;
    }

    private static Task<Results<Ok<PlantingView>, NotFound, Conflict<EditConflict>>> Save(
        Guid id,
        SaveTarget body,
        PlantingStore store,
        CancellationToken cancel
    ) => Saving.Answer(store.SaveAsync(id, body.Version, body.Target, cancel));
}
