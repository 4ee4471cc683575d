using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Plan;
using Rama.Core.Systems;
using Rama.Core.Training.Renewal;
using Rama.Data.Plan;
using Rama.Data.Training;
using Rama.Web.Accounts;

namespace Rama.Web.Training;

/// <summary>How the wood of a planting is renewed.</summary>
/// <param name="Season">Season at hand.</param>
/// <param name="Leaf">Leaf of the planting in it.</param>
/// <param name="System">How its system renews; null where nothing is told of it.</param>
/// <param name="Ledger">The ledger; null before the planting can be planned.</param>
/// <param name="Winters">What was renewed, the first winter first.</param>
public sealed record RenewalView(
    int Season,
    int? Leaf,
    SystemRenewal? System,
    RenewalLedger? Ledger,
    IReadOnlyList<RenewedWinter> Winters
);

/// <summary>What was renewed in a winter.</summary>
/// <param name="Season">Calendar year of the harvest it was before.</param>
/// <param name="Renewal">What was renewed, as typed.</param>
/// <param name="Version">Version, to be sent back when saving.</param>
public sealed record RenewedWinter(int Season, WinterRenewalEntry Renewal, uint Version);

/// <summary>What was renewed, with the version it was read at; 0 for none.</summary>
public sealed record SaveRenewal(uint Version, WinterRenewalEntry Renewal);

internal static class RenewalEndpoints
{
    public static RouteGroupBuilder MapRenewal(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/plantings/{id:guid}").WithTags("Training").For(Act.Read);
        group.MapGet("/renewal", Read).WithSummary("The wood of a planting by age, and how fast it is renewed");
        group
            .MapPut("/renewal/{season}", Save)
            .For(Act.Report)
            .WithSummary("Save what was renewed in the winter before a harvest");
        return api;
    }

    private static async Task<Results<Ok<RenewalView>, NotFound>> Read(
        Guid id,
        PlantingStore plantings,
        TrainingStore store,
        CancellationToken cancel
    )
    {
        if (await plantings.FindAsync(id, cancel) is not { } stored)
            return TypedResults.NotFound();
        var reading = PlanReading.Of(stored.ToEntry(), stored.Catalogue);
        var winters = await store.RenewalsOfAsync(id, cancel);
        var before = await plantings.FindAsync(id, cancel, stored.Season - 1);
        return TypedResults.Ok(
            new RenewalView(
                stored.Season,
                reading.Planting?.Leaf,
                reading.Planting?.System.Renewal,
                RenewalReading.Of(
                    reading,
                    stored.Season,
                    [.. winters.Select(w => w.ToRenewal())],
                    before is { Plan.Version: > 0 } ? before.ToPlan() : null
                ),
                [
                    .. winters.Select(w => new RenewedWinter(
                        w.Season,
                        new() { Limbs = w.Limbs, Scaffold = w.Scaffold },
                        w.Version
                    )),
                ]
            )
        );
    }

    private static async Task<Results<NoContent, NotFound>> Save(
        Guid id,
        int season,
        SaveRenewal body,
        TrainingStore store,
        CancellationToken cancel
    ) =>
        await store.SaveRenewalAsync(id, season, body.Version, body.Renewal, cancel)
            ? TypedResults.NoContent()
            : TypedResults.NotFound();
}
