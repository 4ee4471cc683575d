using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Explain;
using Rama.Core.Prescribe;
using Rama.Core.Systems;
using Rama.Data;
using Rama.Web.Accounts;

namespace Rama.Web.Prescribe;

internal static class PrescribeEndpoints
{
    public static RouteGroupBuilder MapPrescribe(this RouteGroupBuilder api)
    {
        api.MapGet("/plantings/{id:guid}/card", Card).For(Act.Read).WithTags("Prescribe").WithSummary("The card for the row, in one of the languages");
        return api;
    }

    public static RouteGroupBuilder MapPrescribeCalculators(this RouteGroupBuilder calculations)
    {
        calculations.MapPost("/prescription", (PrescriptionEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Cuts in order with what each is expected to drop");
        calculations.MapPost("/plan", async (PlanEntry entry, CatalogueStore catalogues, CancellationToken cancel) =>
                TypedResults.Ok(PruningPlan.Of(entry, (await catalogues.ReadAsync(cancel)).Catalogue)))
            .WithSummary("The whole plan of one planting, as far as the entries reach, with the problems of the rest");
        return calculations;
    }

    private static async Task<Results<Ok<PruningCard>, NotFound>> Card(
        Guid id, PlantingStore store, CancellationToken cancel, string language = "en", int? season = null)
    {
        if (!LocalText.Languages.Contains(language))
            throw new UnusableEntryException([new("language", "unknown", $"Language: expected one of {string.Join(", ", LocalText.Languages)}.")]);
        if (await store.FindAsync(id, cancel, season) is not { } stored) return TypedResults.NotFound();
        return PruningCard.Of(stored.Work(), stored.Plan.Season, language) is { } card ? TypedResults.Ok(card) : TypedResults.NotFound();
    }
}
