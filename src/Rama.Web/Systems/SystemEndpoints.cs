using System.Text.Json;
using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Passes;
using Rama.Core.Prescribe;
using Rama.Core.Systems;
using Rama.Core.Systems.Language;
using Rama.Core.Weather;
using Rama.Data.Estate;
using Rama.Web.Accounts;
using Rama.Web.Estate;
using Rama.Web.Hosting;

namespace Rama.Web.Systems;

/// <summary>A rule pack with its version.</summary>
/// <param name="Version">Version of the estate's own; 0 where it is as shipped.</param>
/// <param name="System">The system.</param>
/// <param name="Words">Words its rules may use, by what they look for.</param>
/// <param name="Choices">What a system can be put together from.</param>
/// <param name="Steps">What each of its steps needs where another system takes it over.</param>
/// <param name="Questions">What each of its questions needs likewise.</param>
public sealed record SystemPack(
    uint Version,
    TrainingSystem System,
    IReadOnlyDictionary<string, IReadOnlyList<RuleWord>> Words,
    PackChoices Choices,
    IReadOnlyDictionary<string, PartNeeds> Steps,
    IReadOnlyDictionary<string, PartNeeds> Questions
)
{
    internal static SystemPack Of(TrainingSystem system, uint version = 0) =>
        new(
            version,
            system,
            Enum.GetValues<Subject>().ToDictionary(s => s.ToString().ToLowerInvariant(), Vocabulary.For),
            PackChoices.All,
            system.Steps.ToDictionary(s => s.Id, s => PartNeeds.Of(system, s)),
            system.Questions.ToDictionary(q => q.Id, q => PartNeeds.Of(system, q))
        );
}

/// <summary>A rule pack to try or save.</summary>
/// <param name="Version">Version it was read at.</param>
/// <param name="System">The system as JSON, in the form of the shipped ones.</param>
public sealed record SavePack(uint Version, JsonElement System);

/// <summary>A pack tried on a sample tree.</summary>
/// <param name="System">The system.</param>
/// <param name="FloralBuds">Floral buds before.</param>
/// <param name="BudsToLeave">Floral buds to leave.</param>
/// <param name="Sample">The tree and what the pack cuts on it in winter.</param>
/// <param name="GreenTip">Green tip its own passes are told for.</param>
/// <param name="Windows">When its own passes would be done, by pass.</param>
public sealed record PackPreview(
    string System,
    int FloralBuds,
    double BudsToLeave,
    CutTree Sample,
    DateOnly GreenTip,
    IReadOnlyDictionary<string, PassWindow> Windows
);

internal static class SystemEndpoints
{
    private static readonly DateOnly SampleGreenTip = new(2027, 3, 15);

    public static void MapSystems(this RouteGroupBuilder group)
    {
        group
            .MapGet("/catalogue/systems/{system}", Pack)
            .WithSummary("A training system's rule pack, with the words its rules may use");
        group
            .MapGet("/catalogue/systems/{system}/trees", Trees)
            .WithSummary("Typical trees of a training system, cut by it, and what is measured on many of them");
        group
            .MapGet("/catalogue/systems/blank", Blank)
            .For(Act.Catalogue)
            .WithSummary("A training system to begin a new one with, and the words its rules may use");
        group
            .MapPost("/catalogue/systems/preview", Preview)
            .For(Act.Catalogue)
            .WithSummary("Try a rule pack on a sample tree");
        group
            .MapPut("/catalogue/systems", Save)
            .For(Act.Catalogue)
            .WithSummary("Save a training system of the estate's own, or its own rules for a shipped one");
        group
            .MapDelete("/catalogue/systems/{system}", Remove)
            .For(Act.Catalogue)
            .WithSummary("Go back to the shipped training system, or remove one of the estate's own");
    }

    private static async Task<Results<Ok<SystemPack>, NotFound>> Pack(
        string system,
        CatalogueStore store,
        CancellationToken cancel,
        bool shipped = false
    )
    {
        if (shipped)
            return TrainingSystem.Find(system) is { } original
                ? TypedResults.Ok(SystemPack.Of(original))
                : TypedResults.NotFound();
        var read = await store.ReadAsync(cancel);
        return read.Catalogue.System(system) is { } pack
            ? TypedResults.Ok(SystemPack.Of(pack, read.SystemVersions.GetValueOrDefault(system)))
            : TypedResults.NotFound();
    }

    private static Ok<SystemPack> Blank() => TypedResults.Ok(SystemPack.Of(TrainingSystem.Blank));

    private static async Task<Results<Ok<SystemTrees>, NotFound>> Trees(
        string system,
        CatalogueStore store,
        HttpContext http,
        HeavyWork gate,
        CancellationToken cancel
    )
    {
        var catalogue = (await store.ReadAsync(cancel)).Catalogue;
        return catalogue.System(system) is { } pack
            ? TypedResults.Ok(await gate.InTurnAsync(http, _ => Task.FromResult(SystemTrees.Of(pack))))
            : TypedResults.NotFound();
    }

    private static Task<Ok<PackPreview>> Preview(SavePack body, HttpContext http, HeavyWork gate) =>
        gate.InTurnAsync(http, _ => Task.FromResult(Tried(body)));

    private static Ok<PackPreview> Tried(SavePack body)
    {
        var system = TrainingSystem.Read(Written(body.System));
        var entry = new CutTreeEntry
        {
            System = system.Id,
            BudsToLeave = Math.Max(1, system.Form.Typical.Buds * SystemTrees.ShareToLeave),
            Seed = SystemTrees.Seed,
        };
        var cut = entry.Calculate(Rama.Core.Estate.Catalogue.Shipped with { OwnSystems = [system] });
        var days = AnchorDays.Of(system.Crops[0], new(SampleGreenTip, 1, GreenTipBasis.Crop));
        return TypedResults.Ok(
            new PackPreview(
                system.Id,
                cut.Tree.FloralBuds,
                entry.BudsToLeave!.Value,
                cut,
                SampleGreenTip,
                system
                    .AllPasses()
                    .Where(p => PassDefinition.Find(p.Id) is null)
                    .ToDictionary(p => p.Id, p => PassWindow.Of(p.Window, days))
            )
        );
    }

    private static async Task<Ok<CatalogueView>> Save(SavePack body, CatalogueStore store, CancellationToken cancel)
    {
        await store.SaveSystemAsync(Written(body.System), body.Version, cancel);
        return await CatalogueEndpoints.View(store, cancel);
    }

    private static async Task<Results<Ok<CatalogueView>, NotFound>> Remove(
        string system,
        CatalogueStore store,
        CancellationToken cancel
    ) =>
        await store.RemoveSystemAsync(system, cancel)
            ? await CatalogueEndpoints.View(store, cancel)
            : TypedResults.NotFound();

    private static string Written(JsonElement system) =>
        $$"""{ "$schema": "training-system.schema.json", "system": {{system.GetRawText()}} }""";
}
