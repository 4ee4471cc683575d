using Microsoft.EntityFrameworkCore;
using Rama.Data.Database;

namespace Rama.Data.Estate;

/// <summary>Sites and blocks of the estate by name. What a planting names and is not there yet is made.</summary>
internal sealed class Ground
{
    private readonly RamaContext _database;
    private readonly EstateRecord _estate;
    private readonly Dictionary<string, SiteRecord> _sites;
    private readonly Dictionary<string, BlockRecord> _blocks;

    private Ground(
        RamaContext database,
        EstateRecord estate,
        IEnumerable<SiteRecord> sites,
        IEnumerable<BlockRecord> blocks
    )
    {
        (_database, _estate) = (database, estate);
        _sites = sites.ToDictionary(s => s.Name, StringComparer.OrdinalIgnoreCase);
        _blocks = blocks.ToDictionary(b => b.Code, StringComparer.OrdinalIgnoreCase);
    }

    // Headlands, tracks and rounding; assumption.
    private const double AreaTolerance = 0.1;

    /// <summary>Whether an outline holds another area than the plantings in it state.</summary>
    public static bool AreasDiffer(double drawnHa, double statedHa) =>
        statedHa > 0 && Math.Abs(drawnHa / statedHa - 1) > AreaTolerance;

    public static async Task<Ground> LoadAsync(RamaContext database, EstateRecord estate, CancellationToken cancel)
    {
        var sites = await database.Sites.ToListAsync(cancel);
        return new(database, estate, sites.OrderBy(s => s.Id), await database.Blocks.ToListAsync(cancel));
    }

    /// <summary>Puts a planting on its block, and the block on the site, where one is named.</summary>
    public void Place(PlantingRecord planting, string? site, string block)
    {
        var ground = Block(site, block);
        if (site is not null && !string.Equals(ground.Site!.Name, site, StringComparison.OrdinalIgnoreCase))
            ground.LieOn(Site(site));
        planting.StandOn(ground);
    }

    /// <summary>The block of that code; one that is not there yet is made on the site.</summary>
    public BlockRecord Block(string? site, string code)
    {
        if (_blocks.TryGetValue(code, out var ground))
            return ground;
        ground = new() { EstateId = _estate.Id, Code = code };
        ground.LieOn(Site(site));
        _blocks.Add(code, ground);
        _database.Add(ground);
        return ground;
    }

    /// <summary>
    /// Removes blocks that hold no planting and have no outline any more, and sites that hold no block.
    /// </summary>
    public async Task ClearEmptyAsync(CancellationToken cancel)
    {
        var empty = await _database
            .Blocks.Where(b =>
                b.Outline == null
                && !_database.Plantings.Any(p => p.BlockId == b.Id)
                && !_database.RowLines.Any(l => l.BlockId == b.Id)
            )
            .ToListAsync(cancel);
        var bare = await _database
            .Sites.Where(s => !_database.Blocks.Any(b => b.SiteId == s.Id && !empty.Select(e => e.Id).Contains(b.Id)))
            .ToListAsync(cancel);
        _database.RemoveRange(empty);
        _database.RemoveRange(bare);
    }

    // Where no site is named, the first one of the estate is meant; an estate's first site is named after it.
    private SiteRecord Site(string? name)
    {
        if (name is null && _sites.Count > 0)
            return _sites.Values.First();
        name ??= _estate.Name[..Math.Min(_estate.Name.Length, 60)];
        if (_sites.TryGetValue(name, out var site))
            return site;
        site = new() { EstateId = _estate.Id, Name = name };
        _sites.Add(name, site);
        _database.Add(site);
        return site;
    }
}
