using Rama.Core.Estate;
using Rama.Data.Estate;

namespace Rama.Data.Exchange.Tables;

/// <summary>Rows of trees; one line a row, known by planting, row and first tree.</summary>
internal sealed class RowTable : ExchangeTable
{
    public override string Name => "rows";

    public override IReadOnlyList<ExchangeColumn> Columns { get; } =
    [
        PlantingBook.Column,
        ExchangeColumn.Number("row", true, "Row", "Row number", "Fila", "Hilera"),
        ExchangeColumn.Number("firstTree", false, "First tree", "From tree", "Primer árbol"),
        ExchangeColumn.Number("trees", true, "Trees", "Tree positions", "Number of trees", "Árboles", "Plantas"),
        ExchangeColumn.Text("missing", false, "Missing", "Dead", "Gaps", "Faltantes", "Fallas"),
        ExchangeColumn.Text("replants", false, "Replants", "Replanted", "Repuestos", "Replantes"),
        ExchangeColumn.Text("pollinizers", false, "Pollinizers", "Pollinators", "Polinizadores"),
        ExchangeColumn.Text("toGrub", false, "To grub", "Remove", "Por arrancar"),
    ];

    internal override async Task<ITaking> BeginAsync(ImportTarget target, CancellationToken cancel) =>
        new Taking(target, await PlantingBook.LoadAsync(target.Database, cancel));

    internal override async Task<IEnumerable<IReadOnlyList<object?>>> WriteAsync(
        ExportSource source,
        CancellationToken cancel
    ) =>
        (await source.PlantingsAsync(cancel)).SelectMany(
            p => p.ToRows().Rows,
            (p, r) =>
                ExportSource.Line(p.Code, r.Row, r.FirstTree, r.Trees, r.Missing, r.Replants, r.Pollinizers, r.ToGrub)
        );

    private sealed class Taking(ImportTarget target, PlantingBook book) : GroupTaking<PlantingRecord, RowEntry>(target)
    {
        private readonly List<(PlantingRecord Planting, RowList Rows, IReadOnlyList<RowEntry> Entries)> _taken = [];

        protected override PlantingRecord? GroupOf(LineReader line) => book.Of(line);

        protected override IReadOnlyList<RowEntry> Known(PlantingRecord group) => group.ToRows().Rows;

        protected override object Key(RowEntry entry) => Whole(entry.Row, entry.FirstTree ?? 1)!;

        protected override object? KeyOf(LineReader line) => Whole(line.Number("row"), line.Number("firstTree") ?? 1);

        protected override RowEntry Entry(LineReader line, RowEntry? known)
        {
            var over = known ?? new();
            string? Text(string field, string? before) => line.Has(field) ? line.Text(field) ?? "" : before ?? "";
            return new()
            {
                Row = line.Number("row"),
                FirstTree = line.Number("firstTree") ?? 1,
                Trees = line.Has("trees") ? line.Number("trees") : over.Trees,
                Missing = Text("missing", over.Missing),
                Replants = Text("replants", over.Replants),
                Pollinizers = Text("pollinizers", over.Pollinizers),
                ToGrub = Text("toGrub", over.ToGrub),
            };
        }

        protected override void Save(PlantingRecord group, IReadOnlyList<RowEntry> entries)
        {
            var rows = new RowListEntry { Rows = entries }.Read();
            group.TakeOver(rows);
            if (rows is not null)
                _taken.Add((group, rows, entries));
        }

        public override void Finish()
        {
            base.Finish();
            // A tree place belongs to one planting of a block.
            foreach (
                var block in book.All.Where(p => p.Rows.Count > 0).GroupBy(p => p.BlockId).Where(b => b.Count() > 1)
            )
            {
                var rows = block
                    .SelectMany(
                        p => p.Rows,
                        (p, row) => (p.Code, row.Row, row.FirstTree, Last: row.FirstTree + row.Trees - 1)
                    )
                    .OrderBy(r => r.Row)
                    .ThenBy(r => r.FirstTree)
                    .ToList();
                foreach (
                    var (a, b) in rows.Zip(rows.Skip(1))
                        .Where(p => p.First.Row == p.Second.Row && p.Second.FirstTree <= p.First.Last)
                )
                    Target.Add(
                        0,
                        "row",
                        "duplicate",
                        $"Row {a.Row}: plantings {a.Code} and {b.Code} of one block both list tree {b.FirstTree}."
                    );
            }
        }
    }
}
