using Microsoft.EntityFrameworkCore;
using Rama.Core.Training;
using Rama.Data.Training;

namespace Rama.Data.Exchange.Tables;

/// <summary>What was measured on young trees; one line a planting and season.</summary>
internal sealed class YoungTable : ExchangeTable
{
    private static readonly string[] Long = ["m", "cm", "ft", "in"],
        Short = ["cm", "mm", "in"];

    public override string Name => "young";

    public override IReadOnlyList<ExchangeColumn> Columns { get; } =
    [
        PlantingBook.Column,
        PlantingBook.SeasonColumn(required: false),
        new("height", ColumnKind.Amount, ["Height of young trees", "Altura de árboles jóvenes"], Long),
        new("girth", ColumnKind.Amount, ["Girth of young trees", "Perímetro de árboles jóvenes"], Short),
        ExchangeColumn.Number("limbs", false, "Limbs of young trees", "Ramas de árboles jóvenes"),
        new("growth", ColumnKind.Amount, ["Leader growth", "Crecimiento del eje"], Long),
        new("internode", ColumnKind.Amount, ["Internode", "Entrenudo"], Short),
        ExchangeColumn.Number("trees", false, "Young trees measured", "Árboles jóvenes medidos"),
    ];

    internal override async Task<ITaking> BeginAsync(ImportTarget target, CancellationToken cancel) =>
        new Taking(
            target,
            await PlantingBook.LoadAsync(target.Database, cancel),
            await target.Database.YoungTrees.ToDictionaryAsync(r => (r.PlantingId, r.Season), cancel)
        );

    internal override async Task<IEnumerable<IReadOnlyList<object?>>> WriteAsync(
        ExportSource source,
        CancellationToken cancel
    )
    {
        var measured = (await source.Database.YoungTrees.AsNoTracking().ToListAsync(cancel)).ToLookup(r =>
            r.PlantingId
        );
        return (await source.PlantingsAsync(cancel)).SelectMany(
            p => measured[p.Id].OrderBy(r => r.Season),
            (p, r) => ExportSource.Line(p.Code, r.Season, r.Height, r.Girth, r.Limbs, r.Growth, r.Internode, r.Trees)
        );
    }

    private sealed class Taking(ImportTarget target, PlantingBook book, Dictionary<(Guid, int), YoungTreesRecord> known)
        : ITaking
    {
        private readonly Dictionary<(Guid, int), int> _lines = [];

        public void ReadLine(LineReader line)
        {
            if (book.Of(line) is not { } planting || PlantingBook.SeasonOf(line, target.Estate) is not { } season)
                return;
            var key = (planting.Id, season);
            if (!_lines.TryAdd(key, line.LineNumber))
            {
                target.Add(
                    line.LineNumber,
                    "season",
                    "duplicate",
                    $"Season: line {_lines[key]} has this planting and season already."
                );
                return;
            }
            var record = known.GetValueOrDefault(key);
            var before = record?.ToEntry() ?? new();
            T? Told<T>(string field, Func<string, T?> read, T? was) => line.Has(field) ? read(field) : was;
            YoungTreesEntry entry = new()
            {
                Height = Told("height", line.Amount, before.Height),
                Girth = Told("girth", line.Amount, before.Girth),
                Limbs = Told("limbs", line.Number, before.Limbs),
                Growth = Told("growth", line.Amount, before.Growth),
                Internode = Told("internode", line.Amount, before.Internode),
                Trees = Told("trees", line.Number, before.Trees),
            };
            if (
                line.Problems.Problems.Count > 0
                || !target.Read(line.LineNumber, () => entry.Read(season, planting.YearPlanted))
            )
                return;
            target.Was(
                entry == before ? LineOutcome.Same
                : record is null ? LineOutcome.Added
                : LineOutcome.Changed
            );
            if (entry.IsEmpty)
            {
                if (record is not null)
                    target.Database.Remove(record);
                return;
            }
            if (record is null)
                target.Database.Add(
                    record = new()
                    {
                        EstateId = target.Estate.Id,
                        PlantingId = planting.Id,
                        Season = season,
                    }
                );
            record.TakeOver(entry);
        }

        public void Finish() { }
    }
}
