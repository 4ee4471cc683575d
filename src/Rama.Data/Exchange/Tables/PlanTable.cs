using Rama.Core.Decide;
using Rama.Core.Plan;
using Rama.Core.Quantities;
using Rama.Core.Target;
using Rama.Data.Target;

namespace Rama.Data.Exchange.Tables;

/// <summary>Targets and limits; one line a planting and season.</summary>
internal sealed class PlanTable : ExchangeTable
{
    public override string Name => "plans";

    public override IReadOnlyList<ExchangeColumn> Columns { get; } =
    [
        PlantingBook.Column,
        PlantingBook.SeasonColumn(required: false),
        new(
            "yield",
            ColumnKind.Amount,
            ["Target yield", "Yield wanted", "Target", "Objetivo", "Cosecha objetivo"],
            [.. YieldTarget.UnitCodes, .. YieldTarget.BudCodes]
        ),
        ExchangeColumn.FruitSize("Target fruit size", "Fruit size wanted", "Calibre objetivo"),
        ExchangeColumn.Share("packOut", "Target pack-out", "Embalaje objetivo"),
        ExchangeColumn.Number("budFactor", false, "Bud factor", "Factor de yemas"),
        ExchangeColumn.Number("limbsPerTree", false, "Limbs on a tree", "Ramas por árbol"),
        ExchangeColumn.Mass("packages.box", "Net mass of a box", "Peso neto de caja"),
        ExchangeColumn.Mass("packages.bin", "Net mass of a bin", "Peso neto de bin"),
        ExchangeColumn.Mass("packages.bushel", "Net mass of a bushel", "Peso neto de bushel"),
        ExchangeColumn.Share("floralShare", "Floral share", "Proporción floral"),
        ExchangeColumn.Share("tolerance", "Tolerance", "Tolerancia"),
        ExchangeColumn.Share("cap", "Most to cut", "Máximo a cortar"),
        .. TargetDetailColumns.Columns.All,
    ];

    internal override async Task<ITaking> BeginAsync(ImportTarget target, CancellationToken cancel) =>
        new Taking(target, await PlantingBook.LoadAsync(target.Database, cancel, withPlans: true));

    internal override async Task<IEnumerable<IReadOnlyList<object?>>> WriteAsync(
        ExportSource source,
        CancellationToken cancel
    ) =>
        (await source.PlansAsync(cancel)).Select(p =>
            ExportSource.Line([
                p.Planting.Code,
                p.Plan.Season,
                p.Plan.Yield,
                p.Plan.FruitSize,
                p.Plan.PackOut,
                p.Plan.BudFactor,
                p.Plan.LimbsPerTree,
                p.Plan.BoxMass,
                p.Plan.BinMass,
                p.Plan.BushelMass,
                p.Plan.FloralShare,
                p.Plan.Tolerance,
                p.Plan.Cap,
                .. TargetDetailColumns.Cells(p.Plan.ToTarget()),
            ])
        );

    private sealed class Taking(ImportTarget target, PlantingBook book) : ITaking
    {
        private readonly Dictionary<(Guid, int), int> _lines = [];

        public void ReadLine(LineReader line)
        {
            if (book.Of(line) is not { } planting || PlantingBook.SeasonOf(line, target.Estate) is not { } season)
                return;
            if (!_lines.TryAdd((planting.Id, season), line.LineNumber))
            {
                target.Add(
                    line.LineNumber,
                    "season",
                    "duplicate",
                    $"Season: line {_lines[(planting.Id, season)]} has this planting and season already."
                );
                return;
            }
            var plan = book.Plan(target.Database, planting, season);
            var (before, limits, count) = (plan.ToTarget(), plan.ToSettings(), plan.ToCount());
            Amount? Amount(string field, Amount? known) => line.Has(field) ? line.Amount(field) ?? new() : known;
            double? Number(string field, double? known) => line.Has(field) ? line.Number(field) : known;
            var entry = before with
            {
                Yield = Amount("yield", before.Yield),
                FruitSize = Amount("fruitSize", before.FruitSize),
                PackOut = Amount("packOut", before.PackOut),
                BudFactor = Number("budFactor", before.BudFactor),
                LimbsPerTree = Number("limbsPerTree", before.LimbsPerTree),
                Packages = new()
                {
                    Box = Amount("packages.box", before.Packages!.Box),
                    Bin = Amount("packages.bin", before.Packages.Bin),
                    Bushel = Amount("packages.bushel", before.Packages.Bushel),
                },
            };
            entry = TargetDetailColumns.Taken(entry, line);
            DecisionSettingsEntry settings = new()
            {
                Tolerance = Amount("tolerance", limits.Tolerance),
                Cap = Amount("cap", limits.Cap),
            };
            var counted = count with { FloralShare = Amount("floralShare", count.FloralShare) };
            if (line.Problems.Problems.Count > 0)
                return;
            TargetEntry? settled = null;
            if (
                !target.Read(line.LineNumber, () =>
                    settled = Settled(
                        plan.ToEntry(planting) with
                        {
                            Target = entry,
                            Settings = settings,
                            Count = counted,
                        },
                        before
                    )
                )
            )
                return;
            var same =
                plan.Version != 0
                && settled == before
                && settings == limits
                && counted.FloralShare == count.FloralShare;
            target.Was(
                plan.Version == 0 ? LineOutcome.Added
                : same ? LineOutcome.Same
                : LineOutcome.Changed
            );
            if (same)
                return;
            if (settled != before)
                target.Database.Add(
                    TargetVersionRecord.Of(plan.EstateId, planting.Id, season, TargetAct.Set, settled!)
                );
            plan.TakeOver(settled!);
            plan.TakeOver(settings);
            plan.TakeOver(counted);
        }

        public void Finish() { }

        // A plan may hold nothing but a floral share, as when counting comes before the target.
        private TargetEntry Settled(PlanEntry plan, TargetEntry before)
        {
            var reading = PlanReading.Of(plan, target.Catalogue);
            reading.ThrowIfWrong("target", "settings", "count");
            // A line that says what stood there changes nothing, whatever holds by now.
            return plan.Target.IsUntouched || plan.Target == before ? plan.Target : plan.Target.Settled(reading.Known);
        }
    }
}
