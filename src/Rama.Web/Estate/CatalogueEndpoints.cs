using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Crops;
using Rama.Core.Decide;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Systems;
using Rama.Core.Target;
using Rama.Core.Target.Size;
using Rama.Core.Weather;
using Rama.Data.Estate;
using Rama.Web.Accounts;
using Rama.Web.Systems;

namespace Rama.Web.Estate;

/// <summary>What can be chosen when a planting or target is entered.</summary>
/// <param name="Crops">Crops with how they bear.</param>
/// <param name="Varieties">Varieties, the estate's own over the shipped ones.</param>
/// <param name="Rootstocks">Rootstocks, the estate's own over the shipped ones.</param>
/// <param name="Systems">Training systems.</param>
/// <param name="YieldUnits">Codes a yield may be typed in.</param>
/// <param name="FruitSizeUnits">Codes a fruit size may be typed in.</param>
/// <param name="Packages">Package masses used unless others are entered.</param>
/// <param name="TargetDefaults">What is used where a field of the target desk is left empty.</param>
/// <param name="FrostTables">Cold that kills buds, by crop and stage.</param>
/// <param name="Tolerance">Tolerance used unless another is entered, as a share.</param>
public sealed record CatalogueView(
    IReadOnlyList<Crop> Crops,
    IReadOnlyList<CatalogueVariety> Varieties,
    IReadOnlyList<CatalogueRootstock> Rootstocks,
    IReadOnlyList<SystemName> Systems,
    IReadOnlyList<string> YieldUnits,
    IReadOnlyList<string> FruitSizeUnits,
    PackageMasses Packages,
    TargetDefaults TargetDefaults,
    FrostTables FrostTables,
    double Tolerance
);

/// <summary>A variety as the estate knows it, beside the one that ships.</summary>
/// <param name="Name">Name of the variety.</param>
/// <param name="Crop">Crop it belongs to.</param>
/// <param name="Version">Version of the estate's own, to be sent back when saving it; 0 where it is as shipped.</param>
/// <param name="Current">As the estate knows it.</param>
/// <param name="Shipped">As shipped; null for one of the estate's own.</param>
public sealed record CatalogueVariety(string Name, string Crop, uint Version, Variety Current, Variety? Shipped);

/// <summary>A rootstock as the estate knows it, beside the one that ships.</summary>
/// <param name="Name">Name of the rootstock.</param>
/// <param name="Crop">Crop grown on it.</param>
/// <param name="Version">Version of the estate's own, to be sent back when saving it; 0 where it is as shipped.</param>
/// <param name="Current">As the estate knows it.</param>
/// <param name="Shipped">As shipped; null for one of the estate's own.</param>
public sealed record CatalogueRootstock(string Name, string Crop, uint Version, Rootstock Current, Rootstock? Shipped);

/// <summary>A training system to choose.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Name">Name.</param>
/// <param name="Note">What to know before choosing it.</param>
/// <param name="Crops">Crops it is used for.</param>
/// <param name="LimbsPerTree">Usual limbs per tree.</param>
/// <param name="Version">Version of the estate's own, to be sent back when saving it; 0 where it is as shipped.</param>
/// <param name="IsShipped">Whether Rama ships one of that identifier.</param>
public sealed record SystemName(
    string Id,
    LocalText Name,
    LocalText? Note,
    IReadOnlyList<string> Crops,
    double LimbsPerTree,
    uint Version,
    bool IsShipped
);

/// <summary>A variety to save, with the version it was read at.</summary>
public sealed record SaveVariety(uint Version, VarietyEntry Variety);

/// <summary>A rootstock to save, with the version it was read at.</summary>
public sealed record SaveRootstock(uint Version, RootstockEntry Rootstock);

internal static class CatalogueEndpoints
{
    public static void MapCatalogue(this RouteGroupBuilder group)
    {
        group
            .MapGet("/catalogue", View)
            .WithSummary("Crops, varieties beside the shipped ones, rootstocks, systems and units");
        group
            .MapPut("/catalogue/varieties", Save)
            .For(Act.Catalogue)
            .WithSummary("Save a variety of the estate's own, or its own numbers for a shipped one");
        group
            .MapDelete("/catalogue/varieties/{name}", Remove)
            .For(Act.Catalogue)
            .WithSummary("Go back to the shipped variety, or remove one of the estate's own");
        group
            .MapPut("/catalogue/rootstocks", SaveStock)
            .For(Act.Catalogue)
            .WithSummary("Save a rootstock of the estate's own, or its own facts for a shipped one");
        group
            .MapDelete("/catalogue/rootstocks/{name}", RemoveStock)
            .For(Act.Catalogue)
            .WithSummary("Go back to the shipped rootstock, or remove one of the estate's own");
        group.MapSystems();
    }

    internal static async Task<Ok<CatalogueView>> View(CatalogueStore store, CancellationToken cancel)
    {
        var read = await store.ReadAsync(cancel);
        return TypedResults.Ok(
            new CatalogueView(
                read.Catalogue.Crops,
                [
                    .. read.Catalogue.Varieties.Select(v => new CatalogueVariety(
                        v.Name,
                        v.Crop,
                        read.VarietyVersions.GetValueOrDefault(v.Name),
                        v,
                        Catalogue.Shipped.Variety(v.Name)
                    )),
                ],
                [
                    .. read.Catalogue.Rootstocks.Select(r => new CatalogueRootstock(
                        r.Name,
                        r.Crop,
                        read.RootstockVersions.GetValueOrDefault(r.Name),
                        r,
                        Catalogue.Shipped.Rootstock(r.Name)
                    )),
                ],
                [
                    .. read.Catalogue.Systems.Select(s => new SystemName(
                        s.Id,
                        s.Name,
                        s.Note,
                        s.Crops,
                        s.Form.LimbsPerTree,
                        read.SystemVersions.GetValueOrDefault(s.Id),
                        TrainingSystem.Find(s.Id) is not null
                    )),
                ],
                YieldTarget.UnitCodes,
                FruitSize.UnitCodes,
                PackageMasses.Default,
                TargetDefaults.Usual,
                FrostTables.Shipped,
                DecisionSettings.DefaultTolerance
            )
        );
    }

    private static async Task<Ok<CatalogueView>> Save(SaveVariety body, CatalogueStore store, CancellationToken cancel)
    {
        await store.SaveAsync(body.Variety, body.Version, cancel);
        return await View(store, cancel);
    }

    private static async Task<Results<Ok<CatalogueView>, NotFound>> Remove(
        string name,
        CatalogueStore store,
        CancellationToken cancel
    ) => await store.RemoveVarietyAsync(name, cancel) ? await View(store, cancel) : TypedResults.NotFound();

    private static async Task<Ok<CatalogueView>> SaveStock(
        SaveRootstock body,
        CatalogueStore store,
        CancellationToken cancel
    )
    {
        await store.SaveAsync(body.Rootstock, body.Version, cancel);
        return await View(store, cancel);
    }

    private static async Task<Results<Ok<CatalogueView>, NotFound>> RemoveStock(
        string name,
        CatalogueStore store,
        CancellationToken cancel
    ) => await store.RemoveRootstockAsync(name, cancel) ? await View(store, cancel) : TypedResults.NotFound();
}
