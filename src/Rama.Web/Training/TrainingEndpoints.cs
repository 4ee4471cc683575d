using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Passes;
using Rama.Core.Plan;
using Rama.Core.Training;
using Rama.Core.Training.Renewal;
using Rama.Core.Training.Rework;
using Rama.Data.Estate;
using Rama.Data.Passes;
using Rama.Data.Training;
using Rama.Web.Accounts;
using Rama.Web.Passes;

namespace Rama.Web.Training;

internal static class TrainingEndpoints
{
    private const int SeasonsAhead = 6;

    public static RouteGroupBuilder MapTraining(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/plantings/{id:guid}").WithTags("Training").For(Act.Read);
        group
            .MapGet("/training", Of)
            .WithSummary("The training of a planting leaf by leaf, with what was measured and done");
        group.MapGet("/training/trees", Trees).WithSummary("A tree as it stands at the end of each leaf, to be drawn");
        group
            .MapPut("/training/measures/{season}", Save)
            .For(Act.Report)
            .WithSummary("Save what was measured on young trees at the end of a season");
        group.MapGet("/sides", Sides).WithSummary("Which side of each alley is renewed in which season");
        group.MapPut("/sides", SaveSides).For(Act.Plan).WithSummary("Save how the sides of a planting take turns");
        return api;
    }

    public static RouteGroupBuilder MapTrainingCalculators(this RouteGroupBuilder calculations)
    {
        calculations
            .MapPost(
                "/training-programme",
                async (TrainingProgrammeEntry entry, CatalogueStore catalogues, CancellationToken cancel) =>
                    TypedResults.Ok(entry.Calculate((await catalogues.ReadAsync(cancel)).Catalogue))
            )
            .WithSummary("The training of a young planting leaf by leaf, with hours, first crops and the top wire");
        calculations
            .MapPost("/bare-leader", (BareLeaderEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("A bare leader bud by bud, and how branches are made on it");
        calculations
            .MapPost("/flush-tips", (FlushTipsEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Growing tips of a young tree tipped flush by flush, and the fruit they will hold");
        calculations
            .MapPost("/bud-removal", (BudRemovalEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Buds to take off a bare leader so that limbs come in their places");
        calculations
            .MapPost("/first-crop", (FirstCropEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Most fruit a young tree may carry, and when its leader reaches the top wire");
        calculations
            .MapPost("/system-comparison", (SystemComparisonEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Labour of two systems leaf by leaf, and the leaf in which their lines cross");
        calculations
            .MapPost(
                "/system-choice",
                async (SystemChoiceEntry entry, CatalogueStore catalogues, CancellationToken cancel) =>
                    TypedResults.Ok(entry.Calculate((await catalogues.ReadAsync(cancel)).Catalogue))
            )
            .WithSummary("Systems side by side over fifteen leaves: work, crop, height, margin");
        calculations
            .MapPost("/renewal-forecast", (RenewalForecastEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Age of the limbs over the winters ahead when the oldest go first");
        calculations
            .MapPost(
                "/renewal-ledger",
                async (RenewalLedgerEntry entry, CatalogueStore catalogues, CancellationToken cancel) =>
                    TypedResults.Ok(entry.Calculate((await catalogues.ReadAsync(cancel)).Catalogue.Systems))
            )
            .WithSummary("Limbs by age, how fast they are renewed, spent wood, cohorts and the round of scaffolds");
        calculations
            .MapPost("/rework-plan", (ReworkPlanEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("What a winter asks of trees grafted over and of trees to go, with hours and crop");
        calculations
            .MapPost("/side-calendar", (SideCalendarEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Which side of each alley is renewed in which season");
        calculations
            .MapPost("/taking-out", (TakingOutEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Taking trees, rows or the block out against keeping all, with the break-even decline");
        return calculations;
    }

    private static async Task<Results<Ok<TrainingView>, NotFound>> Of(
        Guid id,
        PlantingYears years,
        TrainingStore store,
        PassStore passes,
        CancellationToken cancel
    )
    {
        var all = await years.ReadAsync(cancel);
        if (all.Find(id) is not { } year || year.Training is not { Planting: var planting } terms)
            return TypedResults.NotFound();
        var names = planting.System.AllPasses().Where(p => p.Task is not null).ToDictionary(p => p.Id, p => p.Name);
        var shared = PassDefinition.All.Select(p => p.Id).ToHashSet();
        return TypedResults.Ok(
            new TrainingView(
                all.Season,
                planting.Leaf,
                TrainingPlan.Of(terms),
                BareLeaderEntry.ToBegin(terms.Measured),
                [
                    .. (await store.OfAsync(id, cancel)).Select(r => new MeasuredSeason(
                        r.Season,
                        r.ToEntry(),
                        r.Version
                    )),
                ],
                [
                    .. from done in await passes.DoneAsync(id, cancel)
                    // Passes all systems share are told in the year of their season.
                    where !shared.Contains(done.Pass)
                    select new TaskDone(
                        done.Season,
                        done.Season - planting.YearPlanted + 1,
                        done.Pass,
                        names.GetValueOrDefault(done.Pass),
                        done.Done!.Value
                    ),
                ]
            )
        );
    }

    private static async Task<Results<Ok<IReadOnlyList<YoungTree>>, NotFound>> Trees(
        Guid id,
        PlantingYears years,
        CancellationToken cancel
    ) =>
        (await years.ReadAsync(cancel)).Find(id)?.Training is { } terms
            ? TypedResults.Ok(YoungTree.Of(terms))
            : TypedResults.NotFound();

    private static async Task<Results<NoContent, NotFound>> Save(
        Guid id,
        int season,
        SaveYoungTrees body,
        TrainingStore store,
        CancellationToken cancel
    ) =>
        await store.SaveAsync(id, season, body.Version, body.Trees, cancel)
            ? TypedResults.NoContent()
            : TypedResults.NotFound();

    private static async Task<Results<Ok<SidesView>, NotFound>> Sides(
        Guid id,
        PlantingYears years,
        TrainingStore store,
        CancellationToken cancel
    )
    {
        var all = await years.ReadAsync(cancel);
        if (all.Find(id) is not { } year || year.Training is not { Planting: var planting })
            return TypedResults.NotFound();
        var record = await store.SidesOfAsync(id, cancel);
        var plan = record?.ToPlan();
        return TypedResults.Ok(
            new SidesView(
                all.Season,
                planting.System.Sides is not null,
                planting.System.Note,
                SidePlan.Earliest(planting.YearPlanted),
                record?.ToEntry(),
                record?.Version ?? 0,
                year.Planting.Rows,
                plan is null
                    ? []
                    :
                    [
                        .. plan.Calendar(year.Planting.Rows, Math.Max(all.Season, plan.Start) + SeasonsAhead)
                            .Seasons.Where(s => s.Season >= all.Season - 1),
                    ],
                year.Programme?.Warnings ?? []
            )
        );
    }

    private static async Task<Results<NoContent, NotFound>> SaveSides(
        Guid id,
        SaveSides body,
        TrainingStore store,
        CancellationToken cancel
    ) =>
        await store.SaveSidesAsync(id, body.Version, body.Sides, cancel)
            ? TypedResults.NoContent()
            : TypedResults.NotFound();
}
