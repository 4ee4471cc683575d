using Microsoft.EntityFrameworkCore;
using Rama.Core.Quantities;
using Rama.Data.Count;

namespace Rama.Data.Exchange.Tables;

/// <summary>
/// Trunk census; one line a tree, known by planting, season, row and tree. Kept as an array per row of trees.
/// </summary>
internal sealed class TrunkTable : ExchangeTable
{
    private const double SmallestM = 0.01,
        LargestM = 3;
    private const int MostTrees = 9_999;

    public override string Name => "trunks";

    public override IReadOnlyList<ExchangeColumn> Columns { get; } =
    [
        PlantingBook.Column,
        PlantingBook.SeasonColumn(required: false),
        ExchangeColumn.Number("row", true, "Row", "Row number", "Fila", "Hilera"),
        ExchangeColumn.Number("tree", true, "Tree", "Tree number", "Árbol", "Planta"),
        ExchangeColumn.Girth(
            "girth",
            true,
            "Girth",
            "Trunk girth",
            "Circumference",
            "Perímetro",
            "Perímetro de tronco"
        ),
    ];

    internal override async Task<ITaking> BeginAsync(ImportTarget target, CancellationToken cancel) =>
        new Taking(
            target,
            await PlantingBook.LoadAsync(target.Database, cancel),
            await target.Database.TrunkRows.ToDictionaryAsync(t => (t.PlantingId, t.Season, t.Row), cancel)
        );

    internal override async Task<IEnumerable<IReadOnlyList<object?>>> WriteAsync(
        ExportSource source,
        CancellationToken cancel
    )
    {
        var rows = (await source.Database.TrunkRows.AsNoTracking().ToListAsync(cancel)).ToLookup(t => t.PlantingId);
        return (await source.PlantingsAsync(cancel))
            .SelectMany(p => rows[p.Id].OrderBy(t => t.Season).ThenBy(t => t.Row), (p, t) => (p.Code, Trunks: t))
            .SelectMany(
                t => t.Trunks.GirthsCm.Index().Where(g => !float.IsNaN(g.Item)),
                (t, girth) =>
                    ExportSource.Line(
                        t.Code,
                        t.Trunks.Season,
                        t.Trunks.Row,
                        girth.Index + 1,
                        new Amount(Math.Round((double)girth.Item, 3), "cm")
                    )
            );
    }

    private sealed class Taking(
        ImportTarget target,
        PlantingBook book,
        Dictionary<(Guid, int, int), TrunkRowRecord> known
    ) : ITaking
    {
        private readonly Dictionary<(Guid, int, int), Dictionary<int, (int Line, float GirthCm)>> _rows = [];

        public void ReadLine(LineReader line)
        {
            var planting = book.Of(line);
            var season = PlantingBook.SeasonOf(line, target.Estate);
            var row = line.Problems.RequiredWhole("row", "Row", line.Number("row"), "", 1, MostTrees);
            var tree = line.Problems.RequiredWhole("tree", "Tree", line.Number("tree"), "", 1, MostTrees);
            var girth = line.Problems.Required(
                "girth",
                "Girth",
                line.Amount("girth"),
                Units.Length,
                SmallestM,
                LargestM
            );
            if (planting is null || season is null || line.Problems.Problems.Count > 0)
                return;

            var key = (planting.Id, season.Value, (int)row);
            if (!_rows.TryGetValue(key, out var trees))
                _rows.Add(key, trees = []);
            if (!trees.TryAdd((int)tree, (line.LineNumber, (float)(girth * 100))))
                target.Add(
                    line.LineNumber,
                    "tree",
                    "duplicate",
                    $"Tree {tree:0} of row {row:0}: line {trees[(int)tree].Line} has it already."
                );
        }

        public void Finish()
        {
            foreach (var ((planting, season, row), trees) in _rows)
            {
                var old = known.GetValueOrDefault((planting, season, row));
                var girths = Enumerable
                    .Repeat(float.NaN, Math.Max(old?.GirthsCm.Length ?? 0, trees.Keys.Max()))
                    .ToArray();
                old?.GirthsCm.CopyTo(girths, 0);
                foreach (var (tree, (_, girth)) in trees)
                {
                    target.Was(
                        float.IsNaN(girths[tree - 1]) ? LineOutcome.Added
                        : girths[tree - 1].Equals(girth) ? LineOutcome.Same
                        : LineOutcome.Changed
                    );
                    girths[tree - 1] = girth;
                }
                if (old is null)
                    target.Database.Add(
                        new TrunkRowRecord
                        {
                            EstateId = target.Estate.Id,
                            PlantingId = planting,
                            Season = season,
                            Row = row,
                            GirthsCm = girths,
                        }
                    );
                else if (!old.GirthsCm.AsSpan().SequenceEqual(girths))
                    old.GirthsCm = girths;
            }
        }
    }
}
