using Rama.Core.Count;
using Rama.Data.Season;

namespace Rama.Data.Exchange.Tables;

/// <summary>Counted trees; one line a tree, known by planting, season, row and tree.</summary>
internal sealed class CountTable : ExchangeTable
{
    public override string Name => "counts";

    public override IReadOnlyList<ExchangeColumn> Columns { get; } =
    [
        PlantingBook.Column,
        PlantingBook.SeasonColumn(required: false),
        ExchangeColumn.Number("row", true, "Row", "Row number", "Fila", "Hilera"),
        ExchangeColumn.Number("tree", true, "Tree", "Tree number", "Árbol", "Planta"),
        ExchangeColumn.Girth("girth", false, "Girth", "Trunk girth", "Circumference", "Perímetro", "Perímetro de tronco"),
        ExchangeColumn.Number("limbs", false, "Limbs", "Branches", "Ramas"),
        ExchangeColumn.Number("floralBuds", true, "Floral buds", "Flower buds", "Yemas florales", "Yemas de flor", "Dardos florales"),
        ExchangeColumn.Number("buds", false, "All buds", "Buds", "Yemas"),
    ];

    internal override async Task<ITaking> BeginAsync(ImportTarget target, CancellationToken cancel) =>
        new Taking(target, await PlantingBook.LoadAsync(target.Database, cancel, withPlans: true));

    internal override async Task<IEnumerable<IReadOnlyList<object?>>> WriteAsync(ExportSource source, CancellationToken cancel) =>
        (await source.PlansAsync(cancel)).SelectMany(p => p.Plan.ToCount().Trees, (p, t) => ExportSource.Line(
            p.Planting.Code, p.Plan.Season, t.Row, t.Tree, t.Girth ?? new(), t.Limbs, t.FloralBuds, t.Buds));

    private sealed class Taking(ImportTarget target, PlantingBook book) : GroupTaking<SeasonPlanRecord, CountedTreeEntry>(target)
    {
        protected override SeasonPlanRecord? GroupOf(LineReader line) =>
            book.Of(line) is { } planting && PlantingBook.SeasonOf(line, Target.Estate) is { } season ? book.Plan(Target.Database, planting, season) : null;

        protected override IReadOnlyList<CountedTreeEntry> Known(SeasonPlanRecord group) => group.ToCount().Trees;

        protected override object Key(CountedTreeEntry entry) => Whole(entry.Row, entry.Tree)!;

        protected override object? KeyOf(LineReader line) => Whole(line.Number("row"), line.Number("tree"));

        protected override CountedTreeEntry Entry(LineReader line, CountedTreeEntry? known)
        {
            var over = known ?? new();
            double? Number(string field, double? before) => line.Has(field) ? line.Number(field) : before;
            return new()
            {
                Row = line.Number("row"), Tree = line.Number("tree"),
                Girth = line.Has("girth") ? line.Amount("girth") ?? new() : over.Girth ?? new(),
                Limbs = Number("limbs", over.Limbs), FloralBuds = Number("floralBuds", over.FloralBuds), Buds = Number("buds", over.Buds),
            };
        }

        protected override void Save(SeasonPlanRecord group, IReadOnlyList<CountedTreeEntry> entries)
        {
            var count = group.ToCount() with { Trees = entries };
            count.Read();
            group.Take(count);
        }
    }
}
