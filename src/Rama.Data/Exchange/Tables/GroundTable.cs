using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Rama.Core.Estate;
using Rama.Data.Database;
using Rama.Data.Estate;

namespace Rama.Data.Exchange.Tables;

/// <summary>Outlines of blocks and lines of rows, from GeoJSON; one feature a block, or a block and row.</summary>
internal sealed class GroundTable : ExchangeTable
{
    // Estates are large, not spread over continents.
    private const double FarthestM = 300_000;

    private const double LengthTolerance = 0.15;

    public override string Name => "ground";

    public override IReadOnlyList<ExchangeColumn> Columns { get; } =
    [
        ExchangeColumn.Text(
            "block",
            required: true,
            "Block",
            "Block code",
            "Code",
            "Name",
            "Parcela",
            "Cuartel",
            "Bloque",
            "Código",
            "Nombre"
        ),
        ExchangeColumn.Number("row", false, "Row", "Row number", "Fila", "Hilera"),
        new("geometry", ColumnKind.Geometry, [GeoJsonSheet.GeometryHeader], [], Required: true),
    ];

    internal override async Task<ITaking> BeginAsync(ImportTarget target, CancellationToken cancel)
    {
        var plantings = await target.Database.ReadPlantingsAsync(cancel);
        return new Taking(
            target,
            await target.Database.Blocks.ToListAsync(cancel),
            await target.Database.RowLines.ToListAsync(cancel),
            plantings.ToLookup(p => p.BlockId)
        );
    }

    internal override async Task<IEnumerable<IReadOnlyList<object?>>> WriteAsync(
        ExportSource source,
        CancellationToken cancel
    )
    {
        var blocks = (await source.Database.Blocks.AsNoTracking().ToListAsync(cancel))
            .OrderBy(b => b.Code, StringComparer.Ordinal)
            .ToList();
        var lines = (await source.Database.RowLines.AsNoTracking().ToListAsync(cancel)).ToLookup(l => l.BlockId);
        var outlines = blocks.Where(b => b.Outline is not null).Select(b => ExportSource.Line(b.Code, null, b.Outline));
        return outlines.Concat(
            blocks.SelectMany(
                b => lines[b.Id].OrderBy(l => l.Row),
                (b, l) => ExportSource.Line(b.Code, l.Row, Shape.Written(l.ToLine()))
            )
        );
    }

    private sealed class Taking(
        ImportTarget target,
        IReadOnlyList<BlockRecord> blocks,
        IEnumerable<RowLineRecord> lines,
        ILookup<Guid, PlantingRecord> plantings
    ) : ITaking
    {
        private readonly Dictionary<string, BlockRecord> _blocks = blocks.ToDictionary(
            b => b.Code,
            StringComparer.OrdinalIgnoreCase
        );
        private readonly Dictionary<(Guid, int), RowLineRecord> _lines = lines.ToDictionary(l => (l.BlockId, l.Row));
        private readonly Dictionary<(Guid, int?), int> _seen = [];
        private readonly List<(int Line, GeoPoint Place)> _places = [];
        private readonly List<GeoPoint> _known =
        [
            .. blocks
                .Where(b => b.Outline is not null)
                .Select(b => Shape.Stored(b.Outline!).Centroid)
                .Select(c => new GeoPoint(c.X, c.Y)),
        ];

        public void ReadLine(LineReader line)
        {
            var code = line.Text("block");
            var row = line.Problems.OptionalWhole("row", "Row", line.Number("row"), "", 1, 9_999);
            if (code is null)
                line.Problems.Add("block", "missing", "Block: please fill this in.");
            else if (!_blocks.ContainsKey(code))
                line.Problems.Add(
                    "block",
                    "unknown",
                    $"Block: there is no block “{code}” in the estate. Import its plantings first, or mend the code."
                );
            if (line.Geometry("geometry") is not { } json)
                line.Problems.Add("geometry", "missing", "This feature has no geometry.");
            else if (line.Problems.Problems.Count == 0)
                ReadLine(line, _blocks[code!], (int?)row, json);
        }

        public void Finish()
        {
            if (_places.Count == 0)
                return;
            var all = _known.Count > 0 ? _known : [.. _places.Select(p => p.Place)];
            var middle = new GeoPoint(Median(all.Select(p => p.Longitude)), Median(all.Select(p => p.Latitude)));
            foreach (var (line, place) in _places)
                if (Geodesy.DistanceM(middle, place) is var distance and not <= FarthestM)
                    target.Add(
                        line,
                        "geometry",
                        "far",
                        $"This lies {distance / 1000:#,0} km from the rest of the estate. Check that longitude "
                            + "and latitude are not swapped, and the file is the right one."
                    );
        }

        private void ReadLine(LineReader line, BlockRecord block, int? row, JsonElement json)
        {
            if (!_seen.TryAdd((block.Id, row), line.LineNumber))
            {
                target.Add(
                    line.LineNumber,
                    "block",
                    "duplicate",
                    $"Feature {_seen[(block.Id, row)]} is of the same block{(row is null ? "" : " and row")}."
                );
                return;
            }
            if (row is null)
                TakeOutline(line, block, json);
            else
                TakeRow(line, block, row.Value, json);
        }

        private void TakeOutline(LineReader line, BlockRecord block, JsonElement json)
        {
            if (Shape.Outline(line.Problems, "geometry", json) is not { } outline)
                return;
            _places.Add((line.LineNumber, new(outline.Centroid.X, outline.Centroid.Y)));
            var same = block.Outline is not null && Shape.Stored(block.Outline).EqualsExact(outline);
            target.Was(
                block.Outline is null ? LineOutcome.Added
                : same ? LineOutcome.Same
                : LineOutcome.Changed
            );
            if (!same)
                block.Outline = Shape.Written(outline);

            var (measured, stated) = (Shape.AreaHa(outline), plantings[block.Id].Sum(p => p.AreaHa()));
            if (Ground.AreasDiffer(measured, stated))
                target.Warn(
                    line.LineNumber,
                    "geometry",
                    "area-differs",
                    $"Block {block.Code}: the outline holds {measured:0.00} ha, its plantings state {stated:0.00} ha."
                );
        }

        private void TakeRow(LineReader line, BlockRecord block, int row, JsonElement json)
        {
            if (Shape.Line(line.Problems, "geometry", json) is not { } shape)
                return;
            _places.Add((line.LineNumber, new(shape.Centroid.X, shape.Centroid.Y)));
            double[] coordinates = [.. shape.Coordinates.SelectMany(c => new[] { c.X, c.Y })];
            var known = _lines.GetValueOrDefault((block.Id, row));
            var same = known is not null && known.Coordinates.AsSpan().SequenceEqual(coordinates);
            target.Was(
                known is null ? LineOutcome.Added
                : same ? LineOutcome.Same
                : LineOutcome.Changed
            );
            if (known is null)
                target.Database.Add(
                    _lines[(block.Id, row)] = new()
                    {
                        EstateId = target.Estate.Id,
                        BlockId = block.Id,
                        Row = row,
                        Coordinates = coordinates,
                    }
                );
            else if (!same)
                known.Coordinates = coordinates;

            var rows = plantings[block.Id].SelectMany(p => p.Rows).Select(r => r.Row).ToList();
            if (rows.Count > 0 && !rows.Contains(row))
                target.Warn(
                    line.LineNumber,
                    "row",
                    "no-row",
                    $"Row {row}: the plantings of block {block.Code} list rows {rows.Min()} to {rows.Max()} and not "
                        + "this one. It is drawn, and no trees are placed on it."
                );
            var measured = Geodesy.LengthM(Shape.Points(shape));
            var stated = plantings[block.Id].Sum(p => p.RowLengthM(row));
            if (stated > 0 && Math.Abs(measured / stated - 1) > LengthTolerance)
                target.Warn(
                    line.LineNumber,
                    "geometry",
                    "length-differs",
                    $"Row {row} of block {block.Code}: the line is {measured:0} m long, its trees at their "
                        + $"spacing take {stated:0} m."
                );
        }

        private static double Median(IEnumerable<double> values)
        {
            var ordered = values.Order().ToList();
            return (ordered[(ordered.Count - 1) / 2] + ordered[ordered.Count / 2]) / 2;
        }
    }
}
