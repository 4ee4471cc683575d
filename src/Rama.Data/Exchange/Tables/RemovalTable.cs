using Microsoft.EntityFrameworkCore;
using Rama.Core.Explain;
using Rama.Data.Training.Rework;

namespace Rama.Data.Exchange.Tables;

/// <summary>When trees to be grubbed go; one line a planting.</summary>
internal sealed class RemovalTable : ExchangeTable
{
    public override string Name => "removals";

    public override IReadOnlyList<ExchangeColumn> Columns { get; } =
    [
        PlantingBook.Column,
        ExchangeColumn.Number("goSeason", true, "Trees go before season", "Árboles fuera antes de la temporada"),
    ];

    internal override async Task<ITaking> BeginAsync(ImportTarget target, CancellationToken cancel) =>
        new Taking(
            target,
            await PlantingBook.LoadAsync(target.Database, cancel),
            await target.Database.Removals.ToDictionaryAsync(p => p.PlantingId, cancel)
        );

    internal override async Task<IEnumerable<IReadOnlyList<object?>>> WriteAsync(
        ExportSource source,
        CancellationToken cancel
    )
    {
        var removals = await source.Database.Removals.AsNoTracking().ToDictionaryAsync(r => r.PlantingId, cancel);
        return
        [
            .. from planting in await source.PlantingsAsync(cancel)
            let removal = removals.GetValueOrDefault(planting.Id)
            where removal is not null
            select ExportSource.Line(planting.Code, removal.Season),
        ];
    }

    private sealed class Taking(ImportTarget target, PlantingBook book, Dictionary<Guid, RemovalRecord> known) : ITaking
    {
        private readonly Dictionary<Guid, int> _lines = [];

        public void ReadLine(LineReader line)
        {
            if (book.Of(line) is not { } planting)
                return;
            if (!_lines.TryAdd(planting.Id, line.LineNumber))
            {
                target.Add(
                    line.LineNumber,
                    "code",
                    "duplicate",
                    $"Planting: line {_lines[planting.Id]} has it already."
                );
                return;
            }
            var season = 0;
            var typed = line.Number("goSeason");
            if (line.Problems.Problems.Count > 0 || !target.Read(line.LineNumber, () =>
                {
                    var reader = new EntryReader();
                    season = (int)reader.RequiredWhole("goSeason", "Season", typed, "", planting.YearPlanted + 1, 2240);
                    reader.ThrowIfAny();
                }))
                return;
            var record = known.GetValueOrDefault(planting.Id);
            target.Was(
                record?.Season == season ? LineOutcome.Same
                : record is null ? LineOutcome.Added
                : LineOutcome.Changed
            );
            if (record is null)
                target.Database.Add(record = new() { EstateId = target.Estate.Id, PlantingId = planting.Id });
            record.Season = season;
        }

        public void Finish() { }
    }
}
