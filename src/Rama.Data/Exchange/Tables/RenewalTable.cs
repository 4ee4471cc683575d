using Microsoft.EntityFrameworkCore;
using Rama.Core.Training.Renewal;
using Rama.Data.Training;

namespace Rama.Data.Exchange.Tables;

/// <summary>What was renewed of the wood; one line a planting and winter.</summary>
internal sealed class RenewalTable : ExchangeTable
{
    public override string Name => "renewals";

    public override IReadOnlyList<ExchangeColumn> Columns { get; } =
    [
        PlantingBook.Column,
        PlantingBook.SeasonColumn(required: false),
        ExchangeColumn.Number("limbs", false, "Limbs renewed", "Ramas renovadas"),
        ExchangeColumn.Number("scaffold", false, "Scaffold renewed", "Brazo renovado"),
    ];

    internal override async Task<ITaking> BeginAsync(ImportTarget target, CancellationToken cancel) =>
        new Taking(
            target,
            await PlantingBook.LoadAsync(target.Database, cancel),
            await target.Database.LimbRenewals.ToDictionaryAsync(r => (r.PlantingId, r.Season), cancel)
        );

    internal override async Task<IEnumerable<IReadOnlyList<object?>>> WriteAsync(
        ExportSource source,
        CancellationToken cancel
    )
    {
        var winters = (await source.Database.LimbRenewals.AsNoTracking().ToListAsync(cancel)).ToLookup(r =>
            r.PlantingId
        );
        return (await source.PlantingsAsync(cancel)).SelectMany(
            p => winters[p.Id].OrderBy(r => r.Season),
            (p, r) => ExportSource.Line(p.Code, r.Season, r.Limbs, r.Scaffold)
        );
    }

    private sealed class Taking(
        ImportTarget target,
        PlantingBook book,
        Dictionary<(Guid, int), LimbRenewalRecord> known
    ) : ITaking
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
            WinterRenewalEntry entry = new() { Limbs = line.Number("limbs"), Scaffold = line.Number("scaffold") };
            WinterRenewal? renewal = null;
            if (
                line.Problems.Problems.Count > 0
                || !target.Read(line.LineNumber, () => renewal = entry.Read(season, planting.YearPlanted))
            )
                return;
            var record = known.GetValueOrDefault(key);
            target.Was(
                entry.IsEmpty && record is null || record?.ToRenewal() == renewal ? LineOutcome.Same
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
            record.TakeOver(renewal!);
        }

        public void Finish() { }
    }
}
