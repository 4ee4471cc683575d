using Rama.Core.Quantities;
using Rama.Core.Result;
using Rama.Data.Estate;

namespace Rama.Data.Exchange.Tables;

/// <summary>What past seasons brought; one line a planting and season.</summary>
internal sealed class SeasonTable : ExchangeTable
{
    public override string Name => "seasons";

    internal override bool HasYearColumns => true;

    public override IReadOnlyList<ExchangeColumn> Columns { get; } =
    [
        PlantingBook.Column,
        PlantingBook.SeasonColumn(required: true),
        ExchangeColumn.Yield("Yield", "Crop", "Production", "Cosecha", "Rendimiento", "Producción"),
        ExchangeColumn.FruitSize("Fruit size", "Size", "Fruit weight", "Calibre", "Peso de fruto"),
        ExchangeColumn.Share("packOut", "Pack-out", "Packout", "Embalaje", "Exportable"),
        ExchangeColumn.Number("budsLeft", false, "Buds left", "Buds left per tree", "Yemas dejadas"),
        ExchangeColumn.Number(
            "clustersThinned",
            false,
            "Clusters thinned",
            "Clusters thinned per tree",
            "Racimos aclarados"
        ),
        ExchangeColumn.Date("greenTip", "Green tip", "Budbreak", "Punta verde", "Brotación"),
        .. SeasonDetailColumns.Columns.All,
    ];

    internal override async Task<ITaking> BeginAsync(ImportTarget target, CancellationToken cancel) =>
        new Taking(target, await PlantingBook.LoadAsync(target.Database, cancel));

    internal override async Task<IEnumerable<IReadOnlyList<object?>>> WriteAsync(
        ExportSource source,
        CancellationToken cancel
    ) =>
        (await source.PlantingsAsync(cancel)).SelectMany(
            p => p.ToRecords().Seasons,
            (p, s) =>
                ExportSource.Line([
                    p.Code,
                    s.Season,
                    s.Yield ?? new(),
                    s.FruitSize ?? new(),
                    s.PackOut ?? new(),
                    s.BudsLeft,
                    s.ClustersThinned,
                    s.GreenTip,
                    .. SeasonDetailColumns.Cells(s),
                ])
        );

    private sealed class Taking(ImportTarget target, PlantingBook book)
        : GroupTaking<PlantingRecord, SeasonResultEntry>(target)
    {
        protected override PlantingRecord? GroupOf(LineReader line) => book.Of(line);

        protected override IReadOnlyList<SeasonResultEntry> Known(PlantingRecord group) => group.ToRecords().Seasons;

        protected override object Key(SeasonResultEntry entry) => Whole(entry.Season)!;

        protected override object? KeyOf(LineReader line) => Whole(line.Number("season"));

        protected override SeasonResultEntry Entry(LineReader line, SeasonResultEntry? known)
        {
            var over = known ?? new();
            Amount? Amount(string field, Amount? before) =>
                line.Has(field) ? line.Amount(field) ?? new() : before ?? new();
            double? Number(string field, double? before) => line.Has(field) ? line.Number(field) : before;
            var main = over with
            {
                Season = line.Number("season"),
                Yield = Amount("yield", over.Yield),
                FruitSize = Amount("fruitSize", over.FruitSize),
                PackOut = Amount("packOut", over.PackOut),
                GreenTip = line.Has("greenTip") ? line.Date("greenTip") : over.GreenTip,
                BudsLeft = Number("budsLeft", over.BudsLeft),
                ClustersThinned = Number("clustersThinned", over.ClustersThinned),
            };
            // The harvest has a table of its own.
            return SeasonDetailColumns.Taken(main, line) with { Harvest = over.Harvest };
        }

        protected override void Save(PlantingRecord group, IReadOnlyList<SeasonResultEntry> entries)
        {
            var records = new SeasonRecordsEntry { Seasons = entries };
            records.Read(Target.Estate.Season);
            group.TakeOver(records);
        }
    }
}
