using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Plan;
using Rama.Core.Training;
using Rama.Core.Training.Rework;
using Rama.Data.Estate;
using Rama.Data.Plan;
using Rama.Data.Training.Rework;
using Rama.Web.Accounts;
using Rama.Web.Passes;
using Rama.Web.Plan;

namespace Rama.Web.Training;

/// <summary>Trees in rework and trees to go of a planting.</summary>
/// <param name="Season">Season at hand.</param>
/// <param name="Rules">Kinds of grafts, tasks and colours there are.</param>
/// <param name="Ribbons">Colour of the ribbon by standing.</param>
/// <param name="EstateVersion">Version of the estate, to be sent back with other colours.</param>
/// <param name="Plan">What this winter asks for; null where there is no such tree.</param>
/// <param name="Trees">The trees in rework as typed.</param>
/// <param name="GoingSeason">Season before whose harvest trees go; null where no winter is named.</param>
/// <param name="GoingVersion">Version of that, to be sent back when saving; 0 for none.</param>
/// <param name="HasRows">Whether the rows of the planting are listed.</param>
/// <param name="Varieties">Varieties of the crop, to be proposed.</param>
public sealed record ReworkView(
    int Season,
    ReworkRules Rules,
    IReadOnlyDictionary<ReworkStanding, string> Ribbons,
    uint EstateVersion,
    ReworkPlan? Plan,
    IReadOnlyList<ReworkTreeView> Trees,
    int? GoingSeason,
    uint GoingVersion,
    bool HasRows,
    IReadOnlyList<string> Varieties
);

/// <summary>A tree in rework.</summary>
/// <param name="Version">Version, to be sent back when saving.</param>
/// <param name="Tree">The tree as typed.</param>
public sealed record ReworkTreeView(uint Version, ReworkedTreeEntry Tree)
{
    internal static ReworkTreeView Of(ReworkedTreeRecord record) => new(record.Version, record.ToEntry());
}

/// <summary>Trees to save, all or none.</summary>
public sealed record SaveRework(IReadOnlyList<ReworkSave> Trees);

/// <summary>The winter trees go in, with the version it was read at; no season for none.</summary>
public sealed record SaveRemoval(uint Version, double? Season = null);

/// <summary>Colours of the ribbons, with the version of the estate they were read at.</summary>
public sealed record SaveRibbons(uint Version, IReadOnlyDictionary<ReworkStanding, string> Ribbons);

/// <summary>Trees to mark as to be grubbed, with the version the planting was read at.</summary>
/// <param name="Version">Version of the planting.</param>
/// <param name="Pattern">What goes: tree, row or whole.</param>
/// <param name="Every">Every how many one goes.</param>
/// <param name="From">First tree of a row, or first row, that goes; 1 when left out.</param>
public sealed record MarkTaken(uint Version, string? Pattern = null, double? Every = null, double? From = null);

/// <summary>Trees that are out, with the version the planting was read at.</summary>
public sealed record TakenOut(uint Version);

internal static class ReworkEndpoints
{
    public static RouteGroupBuilder MapRework(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/plantings/{id:guid}").WithTags("Training").For(Act.Read);
        group.MapGet("/rework", Read).WithSummary("Trees in rework and trees to go, and what this winter asks of them");
        group.MapPut("/rework", Save).For(Act.Report).WithSummary("Save trees in rework, all of them or none");
        group.MapPut("/removal", SaveRemoval).For(Act.Plan).WithSummary("Name the winter in which trees go");
        group
            .MapGet("/taking-out", Begin)
            .For(Act.Money)
            .WithSummary("What is known of a planting from which trees may be taken, to begin the comparison with");
        group
            .MapPost("/taking-out/mark", Mark)
            .For(Act.Plan)
            .WithSummary("Mark every nth tree, every nth row or all trees as to be grubbed");
        group
            .MapPost("/taking-out/done", Done)
            .For(Act.Plan)
            .WithSummary("Tell that the trees to be grubbed are out: their places stand empty");
        api.MapPut("/ribbons", SaveRibbons)
            .WithTags("Training")
            .For(Act.Plan)
            .WithSummary("Save the colours of the ribbons on trees in rework and trees to go");
        return api;
    }

    private static async Task<Results<Ok<ReworkView>, NotFound>> Read(
        Guid id,
        PlantingYears years,
        ReworkStore store,
        CatalogueStore catalogues,
        CancellationToken cancel
    )
    {
        var all = await years.ReadAsync(cancel);
        if (all.Find(id) is not { } year)
            return TypedResults.NotFound();
        var removal = await store.RemovalOfAsync(id, cancel);
        var catalogue = (await catalogues.ReadAsync(cancel)).Catalogue;
        return TypedResults.Ok(
            new ReworkView(
                all.Season,
                ReworkRules.Shipped,
                all.Estate.ToRibbons().Colours,
                all.Estate.Version,
                year.Rework,
                [.. (await store.OfAsync(id, cancel)).Select(ReworkTreeView.Of)],
                removal?.Season,
                removal?.Version ?? 0,
                year.Planting.Rows > 0,
                [.. catalogue.Varieties.Where(v => v.Crop == year.Planting.Crop).Select(v => v.Name)]
            )
        );
    }

    private static async Task<Results<Ok<TakingOutEntry>, NotFound>> Begin(
        Guid id,
        PlantingYears years,
        PlantingStore plantings,
        CancellationToken cancel
    )
    {
        if (await plantings.FindAsync(id, cancel) is not { } stored)
            return TypedResults.NotFound();
        var year = (await years.ReadAsync(cancel)).Find(id);
        return TypedResults.Ok(
            TakingOutStart.Of(stored.ToPlan(), year?.Programme?.PaidHours / year?.Planting.Line.AreaHa)
        );
    }

    private static async Task<Results<NoContent, NotFound>> Save(
        Guid id,
        SaveRework body,
        ReworkStore store,
        CancellationToken cancel
    ) => await store.SaveAsync(id, body.Trees, cancel) ? TypedResults.NoContent() : TypedResults.NotFound();

    private static async Task<Results<NoContent, NotFound>> SaveRemoval(
        Guid id,
        SaveRemoval body,
        ReworkStore store,
        CancellationToken cancel
    ) =>
        await store.SaveRemovalAsync(id, body.Version, body.Season, cancel)
            ? TypedResults.NoContent()
            : TypedResults.NotFound();

    private static async Task<NoContent> SaveRibbons(SaveRibbons body, EstateStore estates, CancellationToken cancel)
    {
        await estates.SaveAsync(Ribbons.Read(body.Ribbons), body.Version, cancel);
        return TypedResults.NoContent();
    }

    private static Task<Results<Ok<PlantingView>, NotFound, Conflict<EditConflict>>> Mark(
        Guid id,
        MarkTaken body,
        PlantingStore plantings,
        CancellationToken cancel
    )
    {
        var taken = Taken.Read(body.Pattern, body.Every, body.From);
        return Saving.Answer(plantings.ChangeRowsAsync(id, body.Version, taken.Marked, cancel));
    }

    private static Task<Results<Ok<PlantingView>, NotFound, Conflict<EditConflict>>> Done(
        Guid id,
        TakenOut body,
        PlantingStore plantings,
        CancellationToken cancel
    ) =>
        Saving.Answer(
            plantings.ChangeRowsAsync(
                id,
                body.Version,
                rows =>
                    [
                        .. rows.Select(r =>
                            r with
                            {
                                Missing = [.. r.Missing.Union(r.ToGrub).Order()],
                                Replants = [.. r.Replants.Except(r.ToGrub)],
                                Pollinizers = [.. r.Pollinizers.Except(r.ToGrub)],
                                ToGrub = [],
                            }
                        ),
                    ],
                cancel
            )
        );
}
