using System.Globalization;
using Microsoft.EntityFrameworkCore;
using Rama.Core.Estate;
using Rama.Data.Database;
using Rama.Data.Estate;
using Rama.Data.Exchange.Reading;

namespace Rama.Data.Exchange;

/// <summary>How far an import is.</summary>
/// <param name="Done">Lines taken.</param>
/// <param name="Lines">Lines of the file.</param>
public sealed record ImportProgress(int Done, int Lines);

/// <summary>What became of a file.</summary>
/// <param name="Lines">Lines of the file.</param>
/// <param name="Added">Lines that are new.</param>
/// <param name="Changed">Lines that change what was known.</param>
/// <param name="Same">Lines that say what was known.</param>
/// <param name="ProblemCount">Problems found; with any, nothing is saved.</param>
/// <param name="Problems">The problems, by line.</param>
/// <param name="Warnings">What is worth a look and does not stop the import.</param>
/// <param name="Saved">Whether it was saved.</param>
public sealed record ImportReport(
    int Lines,
    int Added,
    int Changed,
    int Same,
    int ProblemCount,
    IReadOnlyList<LineProblem> Problems,
    IReadOnlyList<LineProblem> Warnings,
    bool Saved
);

/// <summary>
/// Takes a file into the estate of the scope: all lines or none. Checking does everything but save, so that what is
/// checked is what will be done.
/// </summary>
public sealed class Importer(RamaContext database, EstateScope scope, CatalogueStore catalogues, TimeProvider clock)
{
    private const int MostWarnings = 500;
    private const int Stride = 250;

    // Every column of a file, and as many names again.
    private const int MostMapped = 2 * SheetReader.MostColumns;

    // Fields that say what a line is about, and nothing of it.
    private static readonly HashSet<string> Keys =
    [
        "site",
        "block",
        "code",
        "season",
        "row",
        "tree",
        "date",
        "crop",
        "pass",
    ];

    /// <summary>Reads the file as the mapping says and tells what it would do, or does it.</summary>
    /// <param name="sheet">The file.</param>
    /// <param name="mapping">Which column fills which field.</param>
    /// <param name="save">Whether to save when there is no problem.</param>
    /// <param name="progress">Is told now and then; null for nobody.</param>
    /// <param name="cancel">Stops the import; nothing is saved then.</param>
    public async Task<ImportReport> RunAsync(
        Sheet sheet,
        ImportMapping mapping,
        bool save,
        Func<ImportProgress, Task>? progress,
        CancellationToken cancel
    )
    {
        var table = ExchangeTables.Find(mapping.Table)
            ?? throw new UnreadableFileException("table", $"There is no table “{mapping.Table}”.");
        var estate = await database.Estates.SingleAsync(e => e.Id == scope.EstateId, cancel);
        var target = new ImportTarget(
            database,
            estate,
            (await catalogues.ReadAsync(cancel)).Catalogue,
            clock.GetUtcNow()
        );
        var leftOut = mapping.LeftOut.ToHashSet();
        Faults(sheet, mapping, table, target);
        database.ChangeTracker.AutoDetectChangesEnabled = false;
        try
        {
            if (target.Problems.Count == 0)
            {
                Questions(sheet, mapping, table, target);
                await TakeAsync(sheet, mapping, table, target, progress, cancel);
            }
            var saved = save && target.Problems.Count == 0;
            if (saved)
                await SaveAsync(sheet, mapping, table, target, cancel);
            return new(
                sheet.Lines.Count(l => !leftOut.Contains(l.Number)),
                target.Count(LineOutcome.Added),
                target.Count(LineOutcome.Changed),
                target.Count(LineOutcome.Same),
                target.Problems.Count,
                WithValues(sheet, mapping, target.Problems),
                [.. target.Warnings.OrderBy(w => w.Line).Take(MostWarnings)],
                saved
            );
        }
        finally
        {
            scope.Batch = null;
            database.ChangeTracker.Clear();
            database.ChangeTracker.AutoDetectChangesEnabled = true;
        }
    }

    private static List<LineProblem> WithValues(Sheet sheet, ImportMapping mapping, IEnumerable<LineProblem> problems)
    {
        var columns = mapping.Columns.DistinctBy(c => c.Field).ToDictionary(c => c.Field, c => c.Column);
        var lines = sheet.Lines.ToDictionary(l => l.Number);
        return
        [
            .. problems
                .OrderBy(p => p.Line)
                .Select(p =>
                    lines.TryGetValue(p.Line, out var line) && columns.TryGetValue(p.Field, out var column)
                        ? p with
                        {
                            Value = Convert.ToString(line[column], CultureInfo.InvariantCulture),
                        }
                        : p
                ),
        ];
    }

    // A mapping comes from outside: what it names must be there.
    private static void Faults(Sheet sheet, ImportMapping mapping, ExchangeTable table, ImportTarget target)
    {
        if (mapping.Columns.Count > MostMapped || mapping.Values.Count > MostMapped)
        {
            target.Add(0, "mapping", "range", $"Mapping: expected at most {MostMapped} columns and names.");
            return;
        }
        foreach (var twice in mapping.Columns.GroupBy(c => (c.Field, c.Season)).Where(g => g.Count() > 1))
            target.Add(0, twice.Key.Field, "duplicate", "Two columns are to fill this field.");
        foreach (var column in mapping.Columns)
        {
            if (column.Package is { } package && package is not { Value: > 0 and < 2_000, Unit: "kg" or "lb" })
                target.Add(0, column.Field, "range", "Net mass of a package: expected up to 2000 kg or lb.");
            if (column.Season is not null && !table.HasYearColumns)
                target.Add(0, column.Field, "unknown", $"Table {table.Name} has no column for each season.");
            if (table.KeepsFree && FreeMapping.IsFree(column.Field))
                FreeFaults(column, target);
            else if (table.Columns.All(c => c.Field != column.Field))
                target.Add(0, column.Field, "unknown", $"Table {table.Name} has no field “{column.Field}”.");
            if (
                column.Column < 0
                || column.Column >= sheet.Headers.Count
                || column.UnitColumn is { } unit && (unit < 0 || unit >= sheet.Headers.Count)
            )
                target.Add(0, column.Field, "unknown", "The file has no such column.");
        }
        if (mapping.Decimal is not ("." or ","))
            target.Add(0, "decimal", "unknown", "The decimal sign is a point or a comma.");
        foreach (var column in table.Columns.Where(c => c.Required && !mapping.Fills(c, table)))
            target.Add(0, column.Field, "missing", $"Choose the column for {column.Header}.");
        if (mapping.Columns.Count(c => FreeMapping.IsFree(c.Field)) > FreeValue.Most)
            target.Add(0, "mapping", "range", $"Own columns: expected at most {FreeValue.Most}.");
        var told = mapping.Columns.Where(m => !Keys.Contains(m.Field)).ToList();
        if (target.Problems.Count == 0 && told.Count == 0)
            target.Add(
                0,
                table.Columns.First(c => !Keys.Contains(c.Field)).Field,
                "missing",
                "Only names and numbers of what is meant are mapped, and nothing that is told of it. Choose a column "
                    + $"for one of: {string.Join(", ", Told(table).Take(6))}."
            );
    }

    private static void FreeFaults(ColumnMapping column, ImportTarget target)
    {
        if (FreeMapping.NameOf(column.Field).Trim() is not { Length: > 0 and <= FreeValue.LongestName })
            target.Add(
                0,
                column.Field,
                "length",
                $"Name of an own column: expected 1 to {FreeValue.LongestName} characters."
            );
    }

    // What somebody must say does not keep the lines from being looked at.
    private static void Questions(Sheet sheet, ImportMapping mapping, ExchangeTable table, ImportTarget target)
    {
        foreach (var column in mapping.Columns.Where(c => c.UnitFrom == UnitSource.Open))
            target.Add(0, column.Field, "unit", $"{HeaderOf(column.Field, table)}: {Question(sheet, column, table)}");
        foreach (var column in mapping.Columns.Where(c => table.HasYearColumns && c.Package is null))
            if (PackageYield.Of(column.Unit) is { } package)
                target.Add(
                    0,
                    column.Field,
                    "package",
                    $"How much does a {package} hold? It differs from house to house."
                );
        foreach (var value in mapping.Values.Where(v => v.IsGuess || v.Name is null))
            target.Add(
                0,
                value.Field,
                "value",
                value.Name is null
                    ? $"{HeaderOf(value.Field, table)}: “{value.Written}” is not known. Choose what it stands for."
                    : $"{HeaderOf(value.Field, table)}: does “{value.Written}” stand for {value.Name}?"
            );
    }

    private static IEnumerable<string> Told(ExchangeTable table) =>
        table.Columns.Where(c => !Keys.Contains(c.Field)).Select(c => c.Header);

    private static string HeaderOf(string field, ExchangeTable table) =>
        table.Columns.FirstOrDefault(c => c.Field == field)?.Header ?? field;

    // What it would mean is shown: 5.16 ha or 5.16 ac?
    private static string Question(Sheet sheet, ColumnMapping column, ExchangeTable table)
    {
        var example = sheet
            .Lines.Select(l => Convert.ToString(l[column.Column], CultureInfo.InvariantCulture))
            .FirstOrDefault(c => !string.IsNullOrWhiteSpace(c));
        var units = table.Columns.First(c => c.Field == column.Field).Units;
        return string.Join(" or ", units.Take(4).Select(u => $"{example} {u}")) + "? Choose the unit.";
    }

    private static async Task TakeAsync(
        Sheet sheet,
        ImportMapping mapping,
        ExchangeTable table,
        ImportTarget target,
        Func<ImportProgress, Task>? progress,
        CancellationToken cancel
    )
    {
        var taking = await table.BeginAsync(target, cancel);
        var leftOut = mapping.LeftOut.ToHashSet();
        var days = table.Columns.Where(c => c.Kind == ColumnKind.Date).Select(c => c.Field).ToHashSet();
        IReadOnlyList<LineReading> readings =
        [
            .. LineReading
                .Of(mapping)
                .Select(r =>
                    r with
                    {
                        DayOrders = r
                            .Columns.Where(c => days.Contains(c.Key))
                            .ToDictionary(
                                c => c.Key,
                                c => WrittenDays.OrderOf(sheet.Lines.Select(l => l[c.Value.Column]))
                            ),
                    }
                ),
        ];
        foreach (var (i, line) in sheet.Lines.Index())
        {
            cancel.ThrowIfCancellationRequested();
            if (i % Stride == 0 && progress is not null)
                await progress(new(i, sheet.Lines.Count));
            if (leftOut.Contains(line.Number))
                continue;
            HashSet<(string, string)> told = [];
            foreach (var reading in readings.Where(r => r.HasCells(line)))
            {
                var reader = new LineReader(reading, line);
                taking.ReadLine(reader);
                // Once for all seasons of a line, and not what is asked for all lines.
                foreach (var problem in reader.Problems.Problems.Where(p => told.Add((p.Field, p.Code))))
                    if (problem.Code != "unknown" || !reader.IsAsked(problem.Field))
                        target.Add(line.Number, problem);
            }
        }
        taking.Finish();
        if (progress is not null)
            await progress(new(sheet.Lines.Count, sheet.Lines.Count));
    }

    private async Task SaveAsync(
        Sheet sheet,
        ImportMapping mapping,
        ExchangeTable table,
        ImportTarget target,
        CancellationToken cancel
    )
    {
        scope.Batch = new()
        {
            EstateId = scope.EstateId,
            At = clock.GetUtcNow(),
            PersonId = scope.Author?.PersonId,
            Person = scope.Author?.Name,
            Table = table.Name,
            File = sheet.Name[..Math.Min(sheet.Name.Length, 200)],
            Added = target.Count(LineOutcome.Added),
            Changed = target.Count(LineOutcome.Changed),
            Shape = ImportMemory.ShapeOf(sheet),
            Mapping = ImportMemory.Written(mapping),
        };
        database.Add(scope.Batch);
        ImportBefore before = new();
        var touched = ImportedSums.Touched(database);
        await database.InTransactionAsync(
            async () =>
            {
                before.Look(database);
                await database.SaveChangesAsync(cancel);
                await ImportedSums.RefreshAsync(database, touched, cancel);
                await (await Ground.LoadAsync(database, target.Estate, cancel)).ClearEmptyAsync(cancel);
                before.Look(database);
                scope.Batch.Before = before.Written();
                await database.SaveChangesAsync(cancel);
            },
            cancel
        );
    }
}
