using Rama.Core.Count;
using Rama.Core.Explain;
using Rama.Data.Plan;

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
        ExchangeColumn.Girth(
            "girth",
            false,
            "Girth",
            "Trunk girth",
            "Circumference",
            "Perímetro",
            "Perímetro de tronco"
        ),
        ExchangeColumn.Number("limbs", false, "Limbs", "Branches", "Ramas"),
        ExchangeColumn.Number(
            "floralBuds",
            true,
            "Floral buds",
            "Flower buds",
            "Yemas florales",
            "Yemas de flor",
            "Dardos florales"
        ),
        ExchangeColumn.Number("buds", false, "All buds", "Buds", "Yemas"),
    ];

    internal override async Task<ITaking> BeginAsync(ImportTarget target, CancellationToken cancel) =>
        new Taking(target, await PlantingBook.LoadAsync(target.Database, cancel, withPlans: true));

    internal override async Task<IEnumerable<IReadOnlyList<object?>>> WriteAsync(
        ExportSource source,
        CancellationToken cancel
    ) =>
        (await source.PlansAsync(cancel)).SelectMany(
            p => p.Plan.ToCount() is var count ? count.Trees.Zip(FloralBuds(count)) : [],
            (p, t) =>
                ExportSource.Line(
                    p.Planting.Code,
                    p.Plan.Season,
                    t.First.Row,
                    t.First.Tree,
                    t.First.Girth ?? new(),
                    t.First.Limbs,
                    t.Second,
                    t.Second is null ? t.First.Buds : null
                )
        );

    // Trees counted by kind, or whose share comes from buds cut, are told by the floral buds they come to.
    private static IEnumerable<double?> FloralBuds(SurveyEntry count)
    {
        List<double>? read = null;
        if (count.Trees.Any(t => t.FloralBuds is null))
        {
            try
            {
                read = [.. count.Read().Trees.Select(t => t.FloralBuds)];
            }
            catch (UnusableEntryException)
            {
                // Waiting for a share: the buds counted are all there is to tell.
                read = [.. count.Trees.Select(t => t.FloralBuds ?? t.Buds ?? t.Kinds.Sum(k => k.Buds ?? 0))];
            }
        }
        return count.Trees.Select(
            (t, i) =>
                t.FloralBuds
                ?? (t.Buds is not null && count.FloralShare?.Value is not null ? null : Math.Round(read![i]))
        );
    }

    private sealed class Taking(ImportTarget target, PlantingBook book)
        : GroupTaking<SeasonPlanRecord, CountedTreeEntry>(target)
    {
        protected override SeasonPlanRecord? GroupOf(LineReader line) =>
            book.Of(line) is { } planting && PlantingBook.SeasonOf(line, Target.Estate) is { } season
                ? book.Plan(Target.Database, planting, season)
                : null;

        protected override IReadOnlyList<CountedTreeEntry> Known(SeasonPlanRecord group) => group.ToCount().Trees;

        protected override object Key(CountedTreeEntry entry) => Whole(entry.Row, entry.Tree)!;

        protected override object? KeyOf(LineReader line) => Whole(line.Number("row"), line.Number("tree"));

        protected override CountedTreeEntry Entry(LineReader line, CountedTreeEntry? known)
        {
            var over = known ?? new();
            double? Number(string field, double? before) => line.Has(field) ? line.Number(field) : before;
            return over with
            {
                Row = line.Number("row"),
                Tree = line.Number("tree"),
                Girth = line.Has("girth") ? line.Amount("girth") ?? new() : over.Girth ?? new(),
                Limbs = Number("limbs", over.Limbs),
                // A tree counted by kind says more than the floral buds it comes to.
                FloralBuds = over.Kinds.Count > 0 ? null : Number("floralBuds", over.FloralBuds),
                Buds = over.Kinds.Count > 0 ? null : Number("buds", over.Buds),
            };
        }

        protected override void Save(SeasonPlanRecord group, IReadOnlyList<CountedTreeEntry> entries)
        {
            var count = group.ToCount() with { Trees = entries };
            count.Read();
            group.TakeOver(count);
        }
    }
}
