using Microsoft.EntityFrameworkCore;
using Rama.Core.Training;
using Rama.Data.Training;

namespace Rama.Data.Exchange.Tables;

/// <summary>How sides take turns; one line a planting.</summary>
internal sealed class SideTable : ExchangeTable
{
    public override string Name => "sides";

    public override IReadOnlyList<ExchangeColumn> Columns { get; } =
    [
        PlantingBook.Column,
        ExchangeColumn.Number("start", true, "Sides from season", "Lados desde la temporada"),
        ExchangeColumn.Number("everyYears", false, "Years between sides", "Años entre lados"),
        ExchangeColumn.Number("changeFrom", false, "Sides change from season", "Los lados cambian desde la temporada"),
        ExchangeColumn.Number("changeTo", false, "Years between sides then", "Años entre lados después"),
    ];

    internal override async Task<ITaking> BeginAsync(ImportTarget target, CancellationToken cancel) =>
        new Taking(
            target,
            await PlantingBook.LoadAsync(target.Database, cancel),
            await target.Database.SidePlans.ToDictionaryAsync(p => p.PlantingId, cancel)
        );

    internal override async Task<IEnumerable<IReadOnlyList<object?>>> WriteAsync(
        ExportSource source,
        CancellationToken cancel
    )
    {
        var plans = await source.Database.SidePlans.AsNoTracking().ToDictionaryAsync(p => p.PlantingId, cancel);
        return
        [
            .. from planting in await source.PlantingsAsync(cancel)
            let plan = plans.GetValueOrDefault(planting.Id)
            where plan is not null
            select ExportSource.Line(planting.Code, plan.Start, plan.EveryYears, plan.ChangeFrom, plan.ChangeTo),
        ];
    }

    private sealed class Taking(ImportTarget target, PlantingBook book, Dictionary<Guid, SidePlanRecord> known)
        : ITaking
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
            SidePlanEntry entry = new()
            {
                Start = line.Number("start"),
                EveryYears = line.Number("everyYears"),
                ChangeFrom = line.Number("changeFrom"),
                ChangeTo = line.Number("changeTo"),
            };
            SidePlan? plan = null;
            if (
                line.Problems.Problems.Count > 0
                || !target.Read(line.LineNumber, () => plan = entry.Read(planting.YearPlanted))
            )
                return;
            var record = known.GetValueOrDefault(planting.Id);
            target.Was(
                record?.ToPlan() == plan ? LineOutcome.Same
                : record is null ? LineOutcome.Added
                : LineOutcome.Changed
            );
            if (record is null)
                target.Database.Add(record = new() { EstateId = target.Estate.Id, PlantingId = planting.Id });
            record.TakeOver(plan!);
        }

        public void Finish() { }
    }
}
