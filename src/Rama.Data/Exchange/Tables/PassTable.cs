using Microsoft.EntityFrameworkCore;
using Rama.Core.Season;
using Rama.Data.Estate;
using Rama.Data.Passes;

namespace Rama.Data.Exchange.Tables;

/// <summary>What was decided and reported of passes; one line a planting, season and pass.</summary>
internal sealed class PassTable : ExchangeTable
{
    public override string Name => "passes";

    public override IReadOnlyList<ExchangeColumn> Columns { get; } =
    [
        PlantingBook.Column,
        PlantingBook.SeasonColumn(required: false),
        ExchangeColumn.Text("pass", true, "Pass", "Pasada"),
        ExchangeColumn.Text("added", false, "Added", "Añadida"),
        ExchangeColumn.Text("reason", false, "Left out because", "Omitida porque"),
        ExchangeColumn.Date("from", "Moved to, first day", "Movida a, primer día"),
        ExchangeColumn.Date("to", "Moved to, last day", "Movida a, último día"),
        ExchangeColumn.Date("done", "Pass done", "Pasada hecha"),
    ];

    internal override async Task<ITaking> BeginAsync(ImportTarget target, CancellationToken cancel) =>
        new Taking(
            target,
            await PlantingBook.LoadAsync(target.Database, cancel),
            await target.Database.PassChoices.ToDictionaryAsync(c => (c.PlantingId, c.Season, c.Pass), cancel)
        );

    internal override async Task<IEnumerable<IReadOnlyList<object?>>> WriteAsync(
        ExportSource source,
        CancellationToken cancel
    )
    {
        var choices = (await source.Database.PassChoices.AsNoTracking().ToListAsync(cancel)).ToLookup(c =>
            c.PlantingId
        );
        return (await source.PlantingsAsync(cancel)).SelectMany(
            p => choices[p.Id].OrderBy(c => c.Season).ThenBy(c => c.Pass, StringComparer.Ordinal),
            (p, c) =>
                ExportSource.Line(p.Code, c.Season, c.Pass, YesNo.Write(c.IsAdded), c.LeftOut, c.From, c.To, c.Done)
        );
    }

    private sealed class Taking(
        ImportTarget target,
        PlantingBook book,
        Dictionary<(Guid, int, string), PassChoiceRecord> known
    ) : ITaking
    {
        private readonly Dictionary<(Guid, int, string), int> _lines = [];

        public void ReadLine(LineReader line)
        {
            if (book.Of(line) is not { } planting || PlantingBook.SeasonOf(line, target.Estate) is not { } season)
                return;
            if (PassOf(line, planting) is not { } pass)
                return;
            var key = (planting.Id, season, pass);
            if (!_lines.TryAdd(key, line.LineNumber))
            {
                target.Add(
                    line.LineNumber,
                    "pass",
                    "duplicate",
                    $"Pass: line {_lines[key]} has this planting, season and pass already."
                );
                return;
            }
            var record = known.GetValueOrDefault(key);
            var before = record?.ToChoice() ?? new(pass);
            DateOnly? Day(string field, DateOnly? was) => line.Has(field) ? line.Date(field) : was;
            var reason = line.Has("reason") ? line.Text("reason") : before.LeftOut;
            var done = Day("done", before.Done);
            PassChoiceEntry entry = new()
            {
                Added = line.Has("added") ? YesNo.Read(line, "added") : before.IsAdded,
                LeftOut = reason is not null,
                Reason = reason,
                From = Day("from", before.From),
                To = Day("to", before.To),
            };
            if (line.Problems.Problems.Count > 0)
                return;
            var passes = target.Catalogue.PassesOf(planting.System);
            PassChoice? choice = null;
            if (
                !target.Read(line.LineNumber, () =>
                    choice = new PassReportEntry { Done = done }.Read(
                        entry.Read(pass, season, done: null, passes),
                        season,
                        DateOnly.MaxValue,
                        passes
                    )
                )
            )
                return;
            Take(planting, season, record, before, choice!);
        }

        public void Finish() { }

        private void Take(
            PlantingRecord planting,
            int season,
            PassChoiceRecord? record,
            PassChoice before,
            PassChoice choice
        )
        {
            var isEmpty = choice == new PassChoice(choice.Pass);
            target.Was(
                choice == before ? LineOutcome.Same
                : record is null ? LineOutcome.Added
                : LineOutcome.Changed
            );
            if (isEmpty && record is not null)
                target.Database.Remove(record);
            if (isEmpty)
                return;
            if (record is null)
                target.Database.Add(
                    record = new()
                    {
                        EstateId = target.Estate.Id,
                        PlantingId = planting.Id,
                        Season = season,
                        Pass = choice.Pass,
                    }
                );
            record.TakeOver(choice);
        }

        // By its identifier, or by its name in either language; of two of one name the one for the crop.
        private string? PassOf(LineReader line, PlantingRecord planting)
        {
            var text = line.Text("pass");
            var crop = target.Catalogue.Variety(planting.Variety)?.Crop;
            var passes = target
                .Catalogue.PassesOf(planting.System)
                .Where(p => new[] { p.Id, p.Name.En, p.Name.Es }.Contains(text, StringComparer.OrdinalIgnoreCase))
                .ToList();
            var pass = passes.FirstOrDefault(p => p.IsForCrop(crop)) ?? passes.FirstOrDefault();
            if (pass is null)
                line.Problems.Add(
                    "pass",
                    text is null ? "missing" : "unknown",
                    text is null ? "Pass: please fill this in." : $"Pass: there is no pass “{text}”."
                );
            return pass?.Id;
        }
    }
}
