using Microsoft.EntityFrameworkCore;
using NetTopologySuite.Geometries;
using Rama.Core.Estate;
using Rama.Data.Database;
using Rama.Data.Exchange;

namespace Rama.Data.Estate;

/// <summary>
/// Reads the ground of the estate in scope: outlines and row lines, in metres from the middle of the estate.
/// </summary>
public sealed class MapStore(RamaContext database)
{
    // More would make the drawing slow and say nothing at that scale.
    private const int MostRowLines = 6_000;

    /// <summary>All blocks, those without an outline too.</summary>
    public async Task<EstateMap> ReadAsync(CancellationToken cancel)
    {
        var blocks = await database.Blocks.Include(b => b.Site).ToListAsync(cancel);
        var plantings = (await database.ReadPlantingsAsync(cancel)).ToLookup(p => p.BlockId);
        var lines =
            await database.RowLines.CountAsync(cancel) > MostRowLines
                ? []
                : await database.RowLines.AsNoTracking().ToListAsync(cancel);
        var linesOf = lines.ToLookup(l => l.BlockId);
        var outlines = blocks.Where(b => b.Outline is not null).ToDictionary(b => b.Id, b => Shape.Stored(b.Outline!));

        var envelope = new Envelope();
        foreach (var outline in outlines.Values)
            envelope.ExpandToInclude(outline.EnvelopeInternal);
        foreach (var line in lines)
            envelope.ExpandToInclude(line.ToLine().EnvelopeInternal);
        var origin = envelope.IsNull ? default : new GeoPoint(envelope.Centre.X, envelope.Centre.Y);
        IReadOnlyList<MapPoint> Drawn(IEnumerable<GeoPoint> points) =>
            [
                .. points
                    .Select(p => Geodesy.Local(origin, p))
                    .Select(p => new MapPoint(Math.Round(p.EastM, 1), Math.Round(p.NorthM, 1))),
            ];
        return new([
            .. blocks
                .OrderBy(b => b.Code, StringComparer.Ordinal)
                .Select(b => new MapBlock(
                    b.Code,
                    b.Site!.Name,
                    [.. plantings[b.Id].OrderByDescending(p => p.AreaHa()).Select(p => p.Id)],
                    outlines.TryGetValue(b.Id, out var outline) ? Shape.AreaHa(outline) : null,
                    plantings[b.Id].Sum(p => p.AreaHa()),
                    outline is not null
                        && Ground.AreasDiffer(Shape.AreaHa(outline), plantings[b.Id].Sum(p => p.AreaHa())),
                    outline is null
                        ? []
                        :
                        [
                            .. Shape
                                .Polygons(outline)
                                .SelectMany(p => p.InteriorRings.Prepend(p.ExteriorRing))
                                .Select(ring => Drawn(Shape.Ring(ring))),
                        ],
                    [.. linesOf[b.Id].OrderBy(l => l.Row).Select(l => Drawn(Shape.Points(l.ToLine())))],
                    [
                        .. plantings[b.Id]
                            .SelectMany(p => p.Rows)
                            .OrderBy(r => r.Row)
                            .ThenBy(r => r.FirstTree)
                            .Select(r => new MapRow(r.Row, r.FirstTree, r.Trees)),
                    ]
                )),
        ]);
    }
}

/// <summary>The ground of an estate.</summary>
/// <param name="Blocks">Blocks by code.</param>
public sealed record EstateMap(IReadOnlyList<MapBlock> Blocks);

/// <summary>A block on the ground.</summary>
/// <param name="Code">Short name.</param>
/// <param name="Site">Site it lies on.</param>
/// <param name="Plantings">Plantings in it, the largest first.</param>
/// <param name="OutlineHa">Area inside its outline; null where none is known.</param>
/// <param name="StatedHa">Area its plantings state.</param>
/// <param name="AreasDiffer">Whether the two differ by more than headlands and rounding.</param>
/// <param name="Rings">Rings of the outline, holes too; empty where none is known.</param>
/// <param name="Lines">Lines of its rows.</param>
/// <param name="Rows">Its listed rows, to draw a block without an outline by.</param>
public sealed record MapBlock(
    string Code,
    string Site,
    IReadOnlyList<Guid> Plantings,
    double? OutlineHa,
    double StatedHa,
    bool AreasDiffer,
    IReadOnlyList<IReadOnlyList<MapPoint>> Rings,
    IReadOnlyList<IReadOnlyList<MapPoint>> Lines,
    IReadOnlyList<MapRow> Rows
);

/// <summary>Metres east and north of the middle of the estate.</summary>
public sealed record MapPoint(double X, double Y);

/// <summary>A listed row of trees.</summary>
public sealed record MapRow(int Row, int FirstTree, int Trees);
