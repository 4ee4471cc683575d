using Microsoft.EntityFrameworkCore;
using Rama.Data.Count.Scan;
using Rama.Data.Database;

namespace Rama.Data.Count;

/// <summary>What was measured tree by tree: trunks and scans.</summary>
public sealed class MeasuredTreesStore(RamaContext database)
{
    /// <summary>
    /// Girth of every tree measured of a planting, cm, by row and tree: from the trunk list, else from the scanner.
    /// </summary>
    public async Task<IReadOnlyDictionary<(int Row, int Tree), double>> GirthsAsync(
        Guid planting,
        int season,
        CancellationToken cancel
    )
    {
        var trunks = await database
            .TrunkRows.AsNoTracking()
            .Where(t => t.PlantingId == planting && t.Season <= season)
            .ToListAsync(cancel);
        if (trunks.Count == 0)
            return (await ScanAsync(planting, season, cancel))
                .SelectMany(s => s.TrunksMm.Index(), (s, t) => (s.Row, Tree: s.FirstTree + t.Index, Mm: t.Item))
                .Where(t => !float.IsNaN(t.Mm))
                .ToDictionary(t => (t.Row, t.Tree), t => t.Mm * Math.PI / 10);
        var latest = trunks.Max(t => t.Season);
        return trunks
            .Where(t => t.Season == latest)
            .SelectMany(t => t.GirthsCm.Index(), (t, g) => (t.Row, Tree: g.Index + 1, Girth: g.Item))
            .Where(t => !float.IsNaN(t.Girth))
            .ToDictionary(t => (t.Row, t.Tree), t => (double)t.Girth);
    }

    /// <summary>What a scanner saw of a planting in a season, by row.</summary>
    public async Task<IReadOnlyList<ScanRowRecord>> ScanAsync(Guid planting, int season, CancellationToken cancel) =>
        await database
            .ScanRows.AsNoTracking()
            .Where(s => s.PlantingId == planting && s.Season == season)
            .OrderBy(s => s.Row)
            .ToListAsync(cancel);
}
