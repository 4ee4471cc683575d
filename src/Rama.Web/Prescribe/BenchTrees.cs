using Microsoft.Extensions.Caching.Memory;
using Rama.Core.Explain;
using Rama.Core.Passes;
using Rama.Core.Plan;
using Rama.Core.Prescribe;
using Rama.Core.Prescribe.Bench;
using Rama.Core.Prescribe.Practice;
using Rama.Data.Estate;
using Rama.Data.Plan;

namespace Rama.Web.Prescribe;

/// <summary>
/// Trees on the bench. One is put there once per version of what it rests on, so that a cut need not wait for the whole
/// plan;
/// the versions come from the database each time.
/// </summary>
internal sealed class BenchTrees(PlantingStore store, CatalogueStore catalogues, BenchCache cache)
{
    /// <summary>A tree of a planting on its bench; null without the planting or a prescription for it.</summary>
    public async Task<TreeOnBench?> PutAsync(Guid id, BenchChoice choice, CancellationToken cancel)
    {
        if (await store.VersionAsync(id, cancel) is not { } version)
            return null;
        var key = ("bench", version, (await catalogues.ReadAsync(cancel)).Stamp, choice);
        if (cache.Find<TreeOnBench>(key) is { } known)
            return known;
        if (await ToPruneAsync(id, cancel) is not var (stored, reading, toPrune))
            return null;
        var (bench, of) = choice.Put(toPrune);
        TreeOnBench tree = new(
            bench,
            of,
            [.. toPrune.Stock.Classes.Select(c => c.Class.Name)],
            PassesOf(toPrune),
            [.. BenchChoice.Models(toPrune.Counted).Select(t => new BenchModel(t.Row, t.Tree))],
            reading.Crop!.Counted,
            stored.Season
        );
        // What was read may be newer than the version asked for just before; it is then read once more, no harm done.
        return cache.Keep(key, tree);
    }

    /// <summary>What trees of a class ask of who practises on them; null without the planting or a prescription for it.
    /// </summary>
    public async Task<IReadOnlyList<PracticeAsk>?> AsksAsync(Guid id, string? trunk, CancellationToken cancel)
    {
        if (await store.VersionAsync(id, cancel) is not { } version)
            return null;
        var key = ("asks", version, (await catalogues.ReadAsync(cancel)).Stamp, trunk);
        if (cache.Find<IReadOnlyList<PracticeAsk>>(key) is { } known)
            return known;
        return await ToPruneAsync(id, cancel) is var (_, _, toPrune)
            ? cache.Keep(key, PracticeAsk.Of(toPrune, trunk))
            : null;
    }

    private async Task<(StoredPlanting, PlanReading, PrescribedPlanting)?> ToPruneAsync(
        Guid id,
        CancellationToken cancel
    )
    {
        if (await store.FindAsync(id, cancel) is not { } stored)
            return null;
        var reading = PlanReading.Of(stored.ToEntry(), stored.Catalogue);
        return PruningPlan.Of(reading).ToPrune(reading) is { } toPrune ? (stored, reading, toPrune) : null;
    }

    private static IReadOnlyList<BenchPass> PassesOf(PrescribedPlanting of)
    {
        var (system, answers) = (of.Planting.System, of.Prescription.Answers);
        List<BenchPass> passes = [new("", PassDefinition.Find("winter")!.Name)];
        if (system.InTwoPasses(answers))
            passes.Add(new(PassIds.Major, PassDefinition.Find(PassIds.Major)!.Name));
        var cutIn = system.StepsByPass(answers).Select(s => s.Pass).ToHashSet();
        passes.AddRange(
            system
                .AllPasses()
                .Where(p => !PassIds.IsWinter(p.Id) && cutIn.Contains(p.Id))
                .Select(p => new BenchPass(p.Id, p.Name))
        );
        return passes;
    }
}

/// <summary>A tree on its bench, with what there is to choose from.</summary>
/// <param name="Bench">The bench.</param>
/// <param name="Of">Its trunk class.</param>
/// <param name="Classes">Trunk classes to choose from.</param>
/// <param name="Passes">Passes its cuts belong to.</param>
/// <param name="Models">Counted trees that can be put on the bench.</param>
/// <param name="Counted">What is counted on the crop.</param>
/// <param name="Season">Its season.</param>
internal sealed record TreeOnBench(
    TreeBench Bench,
    ClassPrescription Of,
    IReadOnlyList<string> Classes,
    IReadOnlyList<BenchPass> Passes,
    IReadOnlyList<BenchModel> Models,
    LocalText Counted,
    int Season
);

/// <summary>Trees put on the bench lately, by what they rest on: a few hundred, however many are asked for.</summary>
internal sealed class BenchCache : IDisposable
{
    private const int MostTrees = 300;

    private static readonly TimeSpan Kept = TimeSpan.FromMinutes(20);

    private readonly MemoryCache _trees = new(new MemoryCacheOptions { SizeLimit = MostTrees });

    public T? Find<T>(object key)
        where T : class => _trees.Get<T>(key);

    public T Keep<T>(object key, T tree)
        where T : class => _trees.Set(key, tree, new MemoryCacheEntryOptions { Size = 1, SlidingExpiration = Kept });

    public void Dispose() => _trees.Dispose();
}
