using Rama.Core.Explain;
using Rama.Core.Result;
using Rama.Core.Result.Harvest;
using Rama.Data.Estate;

namespace Rama.Data.Exchange.Tables;

/// <summary>
/// The harvest by pick and grade, as a pack-house tells it; one line a planting, season, pick and grade. Yield,
/// pack-out and fruit size of the season follow from it.
/// </summary>
internal sealed class HarvestTable : ExchangeTable
{
    public override string Name => "harvest";

    public override IReadOnlyList<ExchangeColumn> Columns { get; } =
    [
        PlantingBook.Column,
        PlantingBook.SeasonColumn(required: false),
        ExchangeColumn.Number("pick", false, "Pick", "Pick number", "Pasada", "Recolección"),
        ExchangeColumn.Date("day", "Day", "Pick date", "Delivery date", "Date", "Día", "Fecha"),
        ExchangeColumn.Text("grade", true, "Grade", "Class", "Size class", "Quality", "Categoría", "Calidad"),
        ExchangeColumn.Mass("mass", "Mass", "Weight", "Net weight", "Kg", "Peso", "Peso neto") with
        {
            Required = true,
        },
        ExchangeColumn.Number("fruit", false, "Fruit", "Fruit count", "Frutos"),
        ExchangeColumn.Text("packed", false, "Packed", "Sold as wanted", "Empacado"),
        ExchangeColumn.Mass("delivered", "Delivered", "Delivered weight", "Entregado"),
    ];

    internal override async Task<ITaking> BeginAsync(ImportTarget target, CancellationToken cancel) =>
        new Taking(target, await PlantingBook.LoadAsync(target.Database, cancel));

    internal override async Task<IEnumerable<IReadOnlyList<object?>>> WriteAsync(
        ExportSource source,
        CancellationToken cancel
    ) =>
        from planting in await source.PlantingsAsync(cancel)
        from season in planting.ToRecords().Seasons
        from line in season.Harvest ?? []
        select ExportSource.Line(
            planting.Code,
            season.Season,
            line.Pick,
            line.Day,
            line.Grade,
            line.Mass ?? new(),
            line.Fruit,
            YesNo.Write(line.IsPacked),
            line.Delivered ?? new()
        );

    private sealed record HarvestOf(PlantingRecord Planting, int Season);

    private sealed class Taking(ImportTarget target, PlantingBook book)
        : GroupTaking<HarvestOf, HarvestLineEntry>(target)
    {
        // Picks of this file, with a line of each and the grades it tells.
        private readonly Dictionary<(HarvestOf, double), (int Line, HashSet<string> Grades)> _told = [];

        protected override HarvestOf? GroupOf(LineReader line)
        {
            if (book.Of(line) is not { } planting || PlantingBook.SeasonOf(line, Target.Estate) is not { } season)
                return null;
            HarvestOf group = new(planting, season);
            var pick = (group, line.Number("pick") ?? 1);
            if (!_told.TryGetValue(pick, out var told))
                _told.Add(pick, told = (line.LineNumber, new(StringComparer.OrdinalIgnoreCase)));
            told.Grades.Add(line.Text("grade")?.Trim() ?? "");
            return group;
        }

        protected override IReadOnlyList<HarvestLineEntry> Known(HarvestOf group) => RecordOf(group)?.Harvest ?? [];

        protected override object Key(HarvestLineEntry entry) => KeyOf(entry.Pick, entry.Grade);

        protected override object? KeyOf(LineReader line) =>
            line.Text("grade") is { Length: > 0 } grade ? KeyOf(line.Number("pick"), grade) : null;

        protected override HarvestLineEntry Entry(LineReader line, HarvestLineEntry? known) =>
            new()
            {
                Pick = line.Has("pick") ? line.Number("pick") : known?.Pick,
                Day = line.Has("day") ? line.Date("day") : known?.Day,
                Grade = line.Text("grade"),
                Mass = line.Amount("mass"),
                Fruit = line.Has("fruit") ? line.Number("fruit") : known?.Fruit,
                IsPacked = line.Has("packed") ? YesNo.ReadOrNothing(line, "packed") : known?.IsPacked,
                Delivered = line.Has("delivered") ? line.Amount("delivered") : known?.Delivered,
            };

        protected override void Save(HarvestOf group, IReadOnlyList<HarvestLineEntry> entries)
        {
            if (SeasonHarvest.Of(entries) is not { } harvest)
                return;
            var known = RecordOf(group) ?? new() { Season = group.Season };
            Warn(group, known, harvest);
            var record = harvest.Into(known, group.Planting.AreaHa()) with { Harvest = entries };
            var records = new SeasonRecordsEntry
            {
                Seasons = [.. group.Planting.ToRecords().Seasons.Where(s => s.Season != group.Season), record],
            };
            try
            {
                records.Read(Target.Estate.Season);
            }
            catch (UnusableEntryException e)
            {
                // A yield no orchard has comes of the masses.
                throw new UnusableEntryException([.. e.Problems.Select(p => p with { Field = "mass" })]);
            }
            group.Planting.TakeOver(records);
        }

        private void Warn(HarvestOf group, SeasonResultEntry known, SeasonHarvest harvest)
        {
            var picks = _told.Where(t => t.Key.Item1 == group).ToList();
            foreach (var ((_, pick), (line, grades)) in picks)
                if (
                    known.Harvest?.FirstOrDefault(l => (l.Pick ?? 1) == pick && !grades.Contains(l.Grade ?? "")) is
                    { } before
                )
                    Target.Warn(
                        line,
                        "grade",
                        "kept",
                        $"Pick {pick} has {before.Grade} from an earlier file, which stays and adds up."
                    );
            if (
                known.Yield is { Value: not null, Unit: "t/ha" or "kg/ha" } typed
                && harvest.Against(typed.Value * (typed.Unit == "t/ha" ? KgPerTonne : 1), group.Planting.AreaHa())
                    is { } differs
            )
                Target.Warn(picks[0].Value.Line, "mass", "differs", differs.Message);
        }

        private const double KgPerTonne = 1_000;

        private static SeasonResultEntry? RecordOf(HarvestOf group) =>
            group.Planting.ToRecords().Seasons.FirstOrDefault(s => s.Season == group.Season);

        private static string KeyOf(double? pick, string? grade) => $"{pick ?? 1}/{grade?.Trim().ToUpperInvariant()}";
    }
}
