using Microsoft.EntityFrameworkCore;
using Rama.Core.Explain;
using Rama.Core.Training.Rework;
using Rama.Data.Database;
using Rama.Data.Estate;

namespace Rama.Data.Training.Rework;

/// <summary>A tree to save: what is told of it, or that it is in rework no more.</summary>
/// <param name="Version">Version it was read at; 0 for one that was not in rework.</param>
/// <param name="Tree">The tree.</param>
/// <param name="Remove">Whether it is taken off.</param>
public sealed record ReworkSave(uint Version, ReworkedTreeEntry Tree, bool Remove = false);

/// <summary>What a planting holds of trees in rework and trees to go.</summary>
/// <param name="Reworked">Trees in rework.</param>
/// <param name="ToGo">Trees to be grubbed.</param>
/// <param name="GoingSeason">Season before whose harvest they go; null where no winter is named.</param>
/// <param name="NotBearing">Replants.</param>
/// <param name="Trees">Trees of its rows, missing ones apart; 0 where no rows are listed.</param>
public sealed record ReworkHeld(
    IReadOnlyList<ReworkedTree> Reworked,
    IReadOnlyList<RowTrees> ToGo,
    int? GoingSeason,
    IReadOnlyList<RowTrees> NotBearing,
    int Trees
)
{
    /// <summary>The plan of a winter.</summary>
    /// <param name="season">Calendar year of the harvest.</param>
    /// <param name="isSouth">Whether the planting stands south of the equator.</param>
    /// <param name="trees">Trees of the planting where its rows are not listed.</param>
    public ReworkPlan PlanOf(int season, bool isSouth, double trees) =>
        ReworkPlan.Of(
            new(
                season,
                isSouth,
                Trees > 0 ? Trees : Math.Max(trees, Reworked.Count),
                Reworked,
                ToGo,
                GoingSeason,
                NotBearing
            )
        );
}

/// <summary>Reads and saves trees in rework and the winter trees go in, in the estate in scope.</summary>
public sealed class ReworkStore(RamaContext database, EstateStore estates, TimeProvider clock)
{
    /// <summary>Most trees saved at once.</summary>
    public const int MostAtOnce = 1_000;

    /// <summary>Those of a planting.</summary>
    public async Task<IReadOnlyList<ReworkedTreeRecord>> OfAsync(Guid planting, CancellationToken cancel) =>
        await database
            .ReworkedTrees.AsNoTracking()
            .Where(t => t.PlantingId == planting)
            .OrderBy(t => t.Row)
            .ThenBy(t => t.Tree)
            .ToListAsync(cancel);

    /// <summary>Those of a planting, to be read and changed; its rows must be loaded.</summary>
    public async Task<ReworkGround> GroundOfAsync(PlantingRecord planting, CancellationToken cancel) =>
        await ReworkGround.OfAsync(database, planting, await estates.ReadAsync(cancel), clock, cancel);

    /// <summary>When the trees of a planting go; null where no winter is named.</summary>
    public Task<RemovalRecord?> RemovalOfAsync(Guid planting, CancellationToken cancel) =>
        database.Removals.AsNoTracking().SingleOrDefaultAsync(r => r.PlantingId == planting, cancel);

    /// <summary>What the plantings hold that have trees in rework or trees to go.</summary>
    public async Task<IReadOnlyDictionary<Guid, ReworkHeld>> HeldAsync(CancellationToken cancel)
    {
        var trees = (await database.ReworkedTrees.AsNoTracking().ToListAsync(cancel)).ToLookup(t => t.PlantingId);
        var removals = await database
            .Removals.AsNoTracking()
            .ToDictionaryAsync(r => r.PlantingId, r => r.Season, cancel);
        var reworked = trees.Select(g => g.Key).ToList();
        var rows = await database
            .Set<PlantingRowRecord>()
            .AsNoTracking()
            .Where(r => r.ToGrub.Length > 0 || reworked.Contains(r.PlantingId))
            .ToListAsync(cancel);
        var listed = rows.ToLookup(r => r.PlantingId);
        // Where one row has trees to go, the others count as well.
        var whole = listed.Where(g => !trees.Contains(g.Key)).Select(g => g.Key).ToList();
        var places = await database
            .Set<PlantingRowRecord>()
            .Where(r => whole.Contains(r.PlantingId))
            .GroupBy(r => r.PlantingId)
            .Select(g => new { g.Key, Trees = g.Sum(r => r.Trees - r.Missing.Length) })
            .ToDictionaryAsync(g => g.Key, g => g.Trees, cancel);
        return reworked
            .Union(listed.Select(g => g.Key))
            .ToDictionary(
                id => id,
                id => new ReworkHeld(
                    [.. trees[id].Select(t => t.ToTree())],
                    RowsOf(listed[id], r => r.ToGrub),
                    removals.TryGetValue(id, out var season) ? season : null,
                    RowsOf(listed[id], r => r.Replants),
                    places.TryGetValue(id, out var all) ? all : listed[id].Sum(r => r.Trees - r.Missing.Length)
                )
            );
    }

    private static List<RowTrees> RowsOf(IEnumerable<PlantingRowRecord> rows, Func<PlantingRowRecord, int[]> trees) =>
        [.. rows.Where(r => trees(r).Length > 0).OrderBy(r => r.Row).Select(r => new RowTrees(r.Row, trees(r)))];

    /// <summary>Saves trees, all or none; false when there is no such planting.</summary>
    /// <exception cref="UnusableEntryException">One cannot be used, or someone else saved first; nothing is
    /// saved.</exception>
    public async Task<bool> SaveAsync(Guid id, IReadOnlyList<ReworkSave> trees, CancellationToken cancel)
    {
        if (await PlantingAsync(id, cancel) is not { } planting)
            return false;
        if (trees.Count > MostAtOnce)
            throw new UnusableEntryException([new("trees", "range", $"Trees: expected at most {MostAtOnce} at once.")]);
        var ground = await GroundOfAsync(planting, cancel);
        var reader = new EntryReader();
        HashSet<(int, int)> seen = [];
        foreach (var (i, save) in trees.Index())
            reader.Under($"trees[{i}]", () => Take(ground, save, seen));
        if (!ground.Holds)
            reader.Add("trees", "range", ReworkGround.Full);
        reader.ThrowIfAny();
        await database.SaveOrRefuseAsync("trees", cancel);
        return true;
    }

    private static ReworkedTree? Take(ReworkGround ground, ReworkSave save, HashSet<(int, int)> seen)
    {
        var tree = save.Remove ? save.Tree.Read() : save.Tree.Read(ground.Terms);
        if (!seen.Add((tree.Row, tree.Tree)))
            throw new UnusableEntryException([
                new("tree", "duplicate", $"Tree: row {tree.Row}, tree {tree.Tree} is told twice."),
            ]);
        var known = ground.Find(tree.Row, tree.Tree);
        if ((known?.Version ?? 0) != save.Version)
            throw Conflicts.ChangedMeanwhile("tree");
        if (!save.Remove)
            ground.Put(save.Tree);
        else if (known is not null)
            ground.Remove(known);
        return tree;
    }

    /// <summary>Names the winter trees go in, or none; false when there is no such planting.</summary>
    /// <exception cref="UnusableEntryException">The season cannot be used, or someone else saved first; nothing is
    /// saved.</exception>
    public async Task<bool> SaveRemovalAsync(Guid id, uint version, double? season, CancellationToken cancel)
    {
        if (await PlantingAsync(id, cancel) is not { } planting)
            return false;
        var estate = await estates.ReadAsync(cancel);
        var reader = new EntryReader();
        var winter = reader.OptionalWhole("season", "Season", season, "", estate.Season, estate.Season + 20);
        reader.ThrowIfAny();
        var record = await database.Removals.SingleOrDefaultAsync(r => r.PlantingId == id, cancel);
        await database.PutAsync(
            "season",
            (record, record?.Version ?? 0),
            version,
            winter is { } named ? kept => kept.Season = (int)named : null,
            () => new() { EstateId = planting.EstateId, PlantingId = id },
            cancel
        );
        return true;
    }

    private Task<PlantingRecord?> PlantingAsync(Guid id, CancellationToken cancel) =>
        database.Plantings.Include(p => p.Rows).SingleOrDefaultAsync(p => p.Id == id, cancel);
}
