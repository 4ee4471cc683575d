using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Decide;
using Rama.Core.Estate;
using Rama.Core.Systems;
using Rama.Core.Target;
using Rama.Data;

namespace Rama.Web.Estate;

/// <summary>A planting to save, with the version it was read at.</summary>
public sealed record SavePlanting(uint Version, PlantingEntry Planting);

/// <summary>What can be chosen when a planting or target is entered.</summary>
/// <param name="Varieties">Varieties with their crop.</param>
/// <param name="Rootstocks">Rootstocks with their crop.</param>
/// <param name="Systems">Training systems.</param>
/// <param name="YieldUnits">Codes a yield may be typed in.</param>
/// <param name="FruitSizeUnits">Codes a fruit size may be typed in.</param>
/// <param name="Packages">Package masses used unless others are entered.</param>
/// <param name="Tolerance">Tolerance used unless another is entered, as a share.</param>
public sealed record CatalogueView(
    IReadOnlyList<Variety> Varieties,
    IReadOnlyList<Rootstock> Rootstocks,
    IReadOnlyList<SystemName> Systems,
    IReadOnlyList<string> YieldUnits,
    IReadOnlyList<string> FruitSizeUnits,
    PackageMasses Packages,
    double Tolerance);

/// <summary>A training system to choose.</summary>
public sealed record SystemName(string Id, LocalText Name, IReadOnlyList<string> Crops, double LimbsPerTree);

internal static class EstateEndpoints
{
    public static RouteGroupBuilder MapEstate(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("").WithTags("Estate");
        group.MapGet("/catalogue", () => TypedResults.Ok(Catalogue())).WithSummary("Varieties, rootstocks, systems and units");
        group.MapGet("/plantings/{id:guid}", Get).WithSummary("One planting with its plan of the season");
        group.MapPost("/plantings", Add).WithSummary("Add a planting");
        group.MapPut("/plantings/{id:guid}/estate", Save).WithSummary("Save what grows there and on which ground");
        return api;
    }

    public static RouteGroupBuilder MapEstateCalculators(this RouteGroupBuilder calculations)
    {
        calculations.MapPost("/density", (DensityEntry entry) => TypedResults.Ok(PlantingDensity.Of(entry.ReadForm())))
            .WithSummary("Trees per hectare and bearing trees from spacing, area and gaps");
        return calculations;
    }

    private static CatalogueView Catalogue() => new(
        Core.Estate.Catalogue.Shipped.Varieties, Core.Estate.Catalogue.Shipped.Rootstocks,
        [.. TrainingSystem.Shipped.Select(s => new SystemName(s.Id, s.Name, s.Crops, s.Form.LimbsPerTree))],
        YieldTarget.UnitCodes, FruitSize.UnitCodes, PackageMasses.Default, DecisionSettings.DefaultTolerance);

    private static async Task<Results<Ok<PlantingView>, NotFound>> Get(Guid id, PlantingStore store, CancellationToken cancel) =>
        await store.FindAsync(id, cancel) is { } stored ? TypedResults.Ok(PlantingView.Of(stored)) : TypedResults.NotFound();

    private static async Task<Created<PlantingView>> Add(PlantingEntry entry, PlantingStore store, CancellationToken cancel)
    {
        var stored = await store.AddAsync(entry, cancel);
        return TypedResults.Created($"/api/v1/plantings/{stored.Planting.Id}", PlantingView.Of(stored));
    }

    private static Task<Results<Ok<PlantingView>, NotFound, Conflict<EditConflict>>> Save(
        Guid id, SavePlanting body, PlantingStore store, CancellationToken cancel) =>
        Saving.Answer(store.SaveAsync(id, body.Version, body.Planting, cancel));
}
