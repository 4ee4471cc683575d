using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Data.Database;
using Rama.Data.Estate;
using Rama.Data.Estate.Removed;
using Rama.Data.Plan;
using Rama.Web.Accounts;
using Rama.Web.Plan;

namespace Rama.Web.Estate;

/// <summary>A planting to save, with the version it was read at.</summary>
public sealed record SavePlanting(uint Version, PlantingEntry Planting);

/// <summary>Rows to save, with the version of the planting they were read at.</summary>
public sealed record SaveRows(uint Version, RowListEntry Rows);

/// <summary>Plantings to remove, or to bring back.</summary>
public sealed record ChosenPlantings
{
    private const int Most = 500;

    /// <summary>The plantings.</summary>
    public IReadOnlyList<Guid> Plantings { get; init; } = [];

    internal IEnumerable<Guid> Read()
    {
        EntryReader reader = new();
        if (Plantings.Count is 0 or > Most)
            reader.Add("plantings", "range", $"Plantings: expected 1 to {Most}.");
        reader.ThrowIfAny();
        return Plantings.Distinct();
    }
}

/// <summary>One change: who, when, from what to what.</summary>
/// <param name="At">When.</param>
/// <param name="Person">Who; null for Rama itself.</param>
/// <param name="Imported">Whether it came with an import.</param>
/// <param name="Batch">The import it came with; null for what was typed.</param>
/// <param name="File">Name of the file it came with.</param>
/// <param name="Subject">What kind of thing changed: planting, row, plan, countedTree, trunkRow, seasonResult.</param>
/// <param name="Season">Season it belongs to; null where it is the same in all.</param>
/// <param name="Detail">Which one of its kind, such as row/tree.</param>
/// <param name="Field">The field; empty where the whole was added or removed.</param>
/// <param name="Old">What stood there.</param>
/// <param name="New">What stands there since.</param>
public sealed record ChangeView(
    DateTimeOffset At,
    string? Person,
    bool Imported,
    Guid? Batch,
    string? File,
    string Subject,
    int? Season,
    string Detail,
    string Field,
    string? Old,
    string? New
);

/// <summary>A planting that was removed and can be brought back.</summary>
/// <param name="Id">The planting.</param>
/// <param name="Code">Its code.</param>
/// <param name="Name">Its name.</param>
/// <param name="Variety">Its variety.</param>
/// <param name="Site">Site it stood on.</param>
/// <param name="At">When it was removed.</param>
/// <param name="Person">Who removed it; null for Rama itself.</param>
/// <param name="Until">Until when it is kept.</param>
public sealed record RemovedPlantingView(
    Guid Id,
    string Code,
    string Name,
    string Variety,
    string Site,
    DateTimeOffset At,
    string? Person,
    DateTimeOffset Until
);

internal static class EstateEndpoints
{
    private const int MostChanges = 500;

    public static RouteGroupBuilder MapEstate(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("").WithTags("Estate").For(Act.Read);
        group.MapCatalogue();
        api.MapNotes();
        group
            .MapGet("/map", async (MapStore store, CancellationToken cancel) =>
                TypedResults.Ok(await store.ReadAsync(cancel))
            )
            .WithSummary("Outlines of blocks and lines of rows, in metres from the middle of the estate");
        group
            .MapGet("/plantings/{id:guid}", Get)
            .WithSummary("One planting with its plan of a season, the one at hand unless another is named");
        group
            .MapGet("/plantings/{id:guid}/history", History)
            .WithSummary("What changed at a planting, the latest first");
        group.MapPost("/plantings", Add).For(Act.Plantings).WithSummary("Add a planting");
        group
            .MapPut("/plantings/{id:guid}/estate", Save)
            .For(Act.Plantings)
            .WithSummary("Save what grows there and on which ground");
        group
            .MapPut("/plantings/{id:guid}/rows", SaveTreeRows)
            .For(Act.Rows)
            .WithSummary("Save the rows and the trees that stand out in them");
        group
            .MapDelete("/plantings/{id:guid}", Remove)
            .For(Act.Plantings)
            .WithSummary("Remove a planting with its plans and records; for 30 days it can be brought back");
        group
            .MapPost("/plantings/removed", RemoveMany)
            .For(Act.Plantings)
            .WithSummary("Remove several plantings, all of them or none; for 30 days they can be brought back");
        group
            .MapGet("/plantings/removed", Removed)
            .For(Act.Plantings)
            .WithSummary("Plantings removed that can be brought back, the latest first");
        group
            .MapPost("/plantings/removed/back", BringBack)
            .For(Act.Plantings)
            .WithSummary("Bring removed plantings back as they were, all of them or none");
        return api;
    }

    public static RouteGroupBuilder MapEstateCalculators(this RouteGroupBuilder calculations)
    {
        calculations
            .MapPost("/density", (DensityEntry entry) => TypedResults.Ok(PlantingDensity.Of(entry.ReadForm())))
            .WithSummary("Trees per hectare and bearing trees from spacing, area and gaps");
        calculations
            .MapPost("/row-list", (RowRangesEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Rows one by one from ranges such as 1-24: 180, or from rows, area and spacings");
        return calculations;
    }

    private static async Task<Results<Ok<PlantingView>, NotFound>> Get(
        Guid id,
        PlantingStore store,
        CancellationToken cancel,
        int? season = null
    ) =>
        await store.FindAsync(id, cancel, season) is { } stored
            ? TypedResults.Ok(PlantingView.Of(stored))
            : TypedResults.NotFound();

    private static async Task<Created<PlantingView>> Add(
        PlantingEntry entry,
        PlantingStore store,
        CancellationToken cancel
    )
    {
        var stored = await store.AddAsync(entry, cancel);
        return TypedResults.Created($"/api/v1/plantings/{stored.Planting.Id}", PlantingView.Of(stored));
    }

    private static Task<Results<Ok<PlantingView>, NotFound, Conflict<EditConflict>>> Save(
        Guid id,
        SavePlanting body,
        PlantingStore store,
        CancellationToken cancel
    ) => Saving.Answer(store.SaveAsync(id, body.Version, body.Planting, cancel));

    private static Task<Results<Ok<PlantingView>, NotFound, Conflict<EditConflict>>> SaveTreeRows(
        Guid id,
        SaveRows body,
        PlantingStore store,
        CancellationToken cancel
    ) => Saving.Answer(store.SaveAsync(id, body.Version, body.Rows, cancel));

    private static async Task<Results<NoContent, NotFound, Conflict<EditConflict>>> Remove(
        Guid id,
        uint version,
        PlantingStore store,
        CancellationToken cancel
    )
    {
        try
        {
            return await store.RemoveAsync(id, version, cancel) ? TypedResults.NoContent() : TypedResults.NotFound();
        }
        catch (EditConflictException e)
        {
            return TypedResults.Conflict(EditConflict.Of(e));
        }
    }

    private static async Task<NoContent> RemoveMany(ChosenPlantings body, PlantingStore store, CancellationToken cancel)
    {
        await store.RemoveAsync(body.Read(), cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Ok<IReadOnlyList<RemovedPlantingView>>> Removed(
        RemovedPlantings removed,
        CancellationToken cancel
    ) =>
        TypedResults.Ok<IReadOnlyList<RemovedPlantingView>>([
            .. (await removed.ReadAsync(cancel)).Select(p => new RemovedPlantingView(
                p.Id,
                p.Code,
                p.Name,
                p.Variety,
                p.Site,
                p.At,
                p.Person,
                p.At.AddDays(RemovedPlantings.KeptDays)
            )),
        ]);

    private static async Task<NoContent> BringBack(
        ChosenPlantings body,
        RemovedPlantings removed,
        CancellationToken cancel
    )
    {
        await removed.BringBackAsync(body.Read(), cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Ok<IReadOnlyList<ChangeView>>> History(
        Guid id,
        PlantingStore store,
        CancellationToken cancel
    )
    {
        var changes = await store.HistoryAsync(id, MostChanges, cancel);
        var files = await store.FilesAsync([.. changes.Select(c => c.BatchId).OfType<Guid>().Distinct()], cancel);
        return TypedResults.Ok<IReadOnlyList<ChangeView>>([
            .. changes.Select(c => new ChangeView(
                c.At,
                c.Person,
                c.BatchId is not null,
                c.BatchId,
                c.BatchId is { } batch ? files.GetValueOrDefault(batch) : null,
                c.Subject,
                c.Season,
                c.Detail,
                c.Field,
                c.Old,
                c.New
            )),
        ]);
    }
}
