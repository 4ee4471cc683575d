using System.IO.Compression;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using Rama.Core.Crops;
using Rama.Core.Explain;
using Rama.Core.Prescribe;
using Rama.Core.Season;
using Rama.Core.Systems;
using Rama.Core.Target.Size;
using Rama.Core.Training.Rework;
using Rama.Data.Count;
using Rama.Data.Count.Scan;
using Rama.Data.Crew;
using Rama.Data.Database;
using Rama.Data.Estate;
using Rama.Data.Estate.Notes;
using Rama.Data.Exchange.Reading;
using Rama.Data.Field;
using Rama.Data.Prescribe;

namespace Rama.Data.Exchange;

/// <summary>
/// Everything an estate owns as open files: <c>estate.json</c>, a CSV per table, <c>ground.geojson</c>, and the history
/// to read. docs/exchange.md describes them. What is written can be read into an empty estate with the same result.
/// </summary>
public sealed class EstateArchive(
    RamaContext database,
    EstateScope scope,
    CatalogueStore catalogues,
    Importer importer,
    ScanImporter scans,
    FieldHandlers handlers
)
{
    /// <summary>Version of the format; a reader refuses later ones.</summary>
    public const int Version = 1;

    private const string Format = "rama-estate";

    private static readonly string[] HistoryHeaders =
    [
        "At",
        "Person",
        "Imported",
        "Subject",
        "Planting",
        "Season",
        "Detail",
        "Field",
        "Old",
        "New",
    ];

    /// <summary>Name of a table's file.</summary>
    public static string FileOf(ExchangeTable table) => table.Name == "ground" ? "ground.geojson" : $"{table.Name}.csv";

    /// <summary>What <c>estate.json</c> says; throws where it says nothing Rama can read.</summary>
    public static EstateFacts Facts(ArchiveFiles files)
    {
        try
        {
            var facts = files.Read("estate.json") is { } content
                ? JsonSerializer.Deserialize<EstateFacts>(content, StoredJson.File)
                : null;
            if (facts is not { Format: Format })
                throw new UnreadableFileException(
                    "type",
                    "This holds no estate: estate.json is missing or of another program."
                );
            if (facts.Version > Version)
                throw new UnreadableFileException(
                    "version",
                    $"This was exported by a later Rama (format {facts.Version}); this one reads up to {Version}."
                );
            facts.BodyMarks?.Read();
            Ribbons.Read(facts.Ribbons ?? new Dictionary<ReworkStanding, string>());
            new EstateEntry { Name = facts.Name, Currency = facts.Currency }.Read();
            return facts;
        }
        catch (Exception e) when (e is JsonException or UnusableEntryException)
        {
            throw new UnreadableFileException("broken", "estate.json cannot be read.", e);
        }
    }

    /// <summary>Writes the estate of the scope as a zip.</summary>
    public async Task WriteAsync(Stream stream, CancellationToken cancel)
    {
        var estate = await database.Estates.AsNoTracking().SingleAsync(e => e.Id == scope.EstateId, cancel);
        var source = new ExportSource(database, estate);
        using var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true);
        await using (var entry = zip.CreateEntry("estate.json").Open())
            await JsonSerializer.SerializeAsync(
                entry,
                new EstateFacts(
                    Format,
                    Version,
                    estate.Name,
                    estate.Season,
                    estate.Today,
                    estate.CrewHoursPerWeek,
                    estate.BodyMarks is null ? null : estate.ToBodyMarks(),
                    estate.Currency,
                    estate.Ribbons is null ? null : estate.ToRibbons().Colours
                ),
                StoredJson.File,
                cancel
            );
        foreach (var table in ExchangeTables.All)
        {
            var lines = await table.WriteAsync(source, cancel);
            await using var entry = zip.CreateEntry(FileOf(table)).Open();
            if (table.Name == "ground")
                WriteGeoJson(entry, lines);
            else
                SheetWriter.WriteCsv(entry, await table.HeadersAsync(source, cancel), lines);
        }
        await using (var entry = zip.CreateEntry("varieties.json").Open())
            await JsonSerializer.SerializeAsync(
                entry,
                await OwnEntriesAsync<OwnVarietyRecord, Variety>(cancel),
                StoredJson.File,
                cancel
            );
        await using (var entry = zip.CreateEntry("rootstocks.json").Open())
            await JsonSerializer.SerializeAsync(
                entry,
                await OwnEntriesAsync<OwnRootstockRecord, Rootstock>(cancel),
                StoredJson.File,
                cancel
            );
        await using (var entry = zip.CreateEntry("systems.json").Open())
            await JsonSerializer.SerializeAsync(
                entry,
                await OwnEntriesAsync<OwnSystemRecord, TrainingSystem>(cancel),
                StoredJson.File,
                cancel
            );
        await using (var entry = zip.CreateEntry("prices.json").Open())
            await JsonSerializer.SerializeAsync(entry, await PricesAsync(cancel), StoredJson.File, cancel);
        await new CountArchive(database, scope, handlers).WriteAsync(zip, cancel);
        await new CrewArchive(database, scope).WriteAsync(zip, cancel);
        await new PrescribeArchive(database, scope).WriteAsync(zip, cancel);
        await new NoteArchive(database, scope).WriteAsync(zip, cancel);
        await using (var entry = zip.CreateEntry("history.csv").Open())
            SheetWriter.WriteCsv(entry, HistoryHeaders, await HistoryAsync(source, cancel));
    }

    /// <summary>Writes one table of the estate of the scope; its file name comes back.</summary>
    public async Task<string> WriteAsync(ExchangeTable table, bool workbook, Stream stream, CancellationToken cancel)
    {
        var estate = await database.Estates.AsNoTracking().SingleAsync(e => e.Id == scope.EstateId, cancel);
        ExportSource source = new(database, estate);
        var headers = await table.HeadersAsync(source, cancel);
        var lines = await table.WriteAsync(source, cancel);
        if (table.Name == "ground")
            WriteGeoJson(stream, lines);
        else if (workbook)
            SheetWriter.WriteXlsx(stream, table.Name, headers, lines);
        else
            SheetWriter.WriteCsv(stream, headers, lines);
        return table.Name == "ground" || !workbook ? FileOf(table) : $"{table.Name}.xlsx";
    }

    /// <summary>
    /// Reads an archive into the estate of the scope, which must hold no planting: all of it or nothing.
    /// </summary>
    /// <exception cref="UnreadableFileException">It cannot be read, or the estate is not empty.</exception>
    /// <exception cref="ArchiveProblemException">A table of it holds lines that cannot be used.</exception>
    public async Task ReadAsync(ArchiveFiles files, Func<ImportProgress, Task>? progress, CancellationToken cancel)
    {
        var facts = Facts(files);
        if (await database.Plantings.AnyAsync(cancel))
            throw new UnreadableFileException(
                "not-empty",
                "This estate holds plantings already. Make a new estate and read the archive into that."
            );
        await database.InTransactionAsync(
            async () =>
            {
                var estate = await database.Estates.SingleAsync(e => e.Id == scope.EstateId, cancel);
                (estate.Season, estate.Today, estate.CrewHoursPerWeek, estate.Currency) = (
                    facts.Season,
                    facts.Today,
                    facts.CrewHoursPerWeek,
                    facts.Currency
                );
                estate.TakeOver(facts.BodyMarks);
                estate.TakeOver(Ribbons.Of(facts.Ribbons ?? new Dictionary<ReworkStanding, string>()));
                await database.SaveChangesAsync(cancel);
                ReadOwnEntries(files, "varieties.json", json =>
                {
                    var variety = OwnVarietyRecord.Parse(json);
                    variety.ToEntry().Read();
                    var record = new OwnVarietyRecord { EstateId = scope.EstateId, Name = variety.Name };
                    record.TakeOver(variety);
                    database.Add(record);
                });
                ReadOwnEntries(files, "rootstocks.json", json =>
                {
                    var rootstock = OwnRootstockRecord.Parse(json);
                    rootstock.ToEntry().Read();
                    var record = new OwnRootstockRecord { EstateId = scope.EstateId, Name = rootstock.Name };
                    record.TakeOver(rootstock);
                    database.Add(record);
                });
                ReadOwnEntries(files, "systems.json", json =>
                {
                    var system = TrainingSystem.Parse(
                        $$"""{ "$schema": "training-system.schema.json", "system": {{json}} }"""
                    );
                    var record = new OwnSystemRecord { EstateId = scope.EstateId, Name = system.Id };
                    record.TakeOver(system);
                    database.Add(record);
                });
                ReadOwnEntries(files, "prices.json", json =>
                {
                    var named = JsonNode.Parse(json)!.AsObject();
                    var prices = OwnPriceListRecord.Parse(
                        (named["prices"] ?? throw new JsonException("a list has no prices")).ToJsonString()
                    );
                    prices.Read(PackageMasses.Default, DiameterLaw.Apple);
                    var record = new OwnPriceListRecord
                    {
                        EstateId = scope.EstateId,
                        Name = (string?)named["variety"] ?? throw new JsonException("a list names no variety"),
                    };
                    record.TakeOver(prices);
                    database.Add(record);
                });
                await database.SaveChangesAsync(cancel);
                catalogues.Forget();
                foreach (var table in ExchangeTables.All)
                {
                    if (files.Read(FileOf(table)) is not { } content || IsHeaderOnly(content))
                        continue;
                    var sheet = SheetReader.Read(FileOf(table), content, cancel);
                    var report = await importer.RunAsync(
                        sheet,
                        FreeMapping.KeepAll(MappingGuess.Of(sheet, table), sheet),
                        save: true,
                        progress,
                        cancel
                    );
                    if (!report.Saved)
                        throw new ArchiveProblemException(sheet.Name, report.Problems[0]);
                }
                await new CountArchive(database, scope, handlers).ReadAsync(files, facts.Season, scans, cancel);
                await new CrewArchive(database, scope).ReadAsync(files, cancel);
                await new PrescribeArchive(database, scope).ReadAsync(files, cancel);
                await new NoteArchive(database, scope).ReadAsync(files, cancel);
            },
            cancel
        );
    }

    private async Task<JsonArray> OwnEntriesAsync<TRecord, T>(CancellationToken cancel)
        where TRecord : OwnEntryRecord<T>
        where T : class =>
        [
            .. (await database.Set<TRecord>().AsNoTracking().ToListAsync(cancel))
                .OrderBy(v => v.Name, StringComparer.Ordinal)
                .Select(v => JsonNode.Parse(v.Data)),
        ];

    private async Task<JsonArray> PricesAsync(CancellationToken cancel) =>
        [
            .. (await database.OwnPriceLists.AsNoTracking().ToListAsync(cancel))
                .OrderBy(p => p.Name, StringComparer.Ordinal)
                .Select(p => new JsonObject { ["variety"] = p.Name, ["prices"] = JsonNode.Parse(p.Data) }),
        ];

    private static void ReadOwnEntries(ArchiveFiles files, string name, Action<string> read)
    {
        if (files.Read(name) is not { } content)
            return;
        try
        {
            foreach (var json in JsonNode.Parse(content)!.AsArray())
                read(json!.ToJsonString());
        }
        catch (Exception e)
            when (e is JsonException or InvalidOperationException or InvalidDataException or UnusableEntryException)
        {
            throw new UnreadableFileException(
                "broken",
                $"{name} cannot be read: {(e as UnusableEntryException)?.Problems[0].Message ?? e.Message}",
                e
            );
        }
    }

    private static bool IsHeaderOnly(byte[] content) =>
        content.Length < 10_000
        && Encoding.UTF8.GetString(content).TrimEnd() is var text
        && (
            !text.Contains('\n', StringComparison.Ordinal)
            || text.Contains("\"features\": []", StringComparison.Ordinal)
        );

    private static void WriteGeoJson(Stream stream, IEnumerable<IReadOnlyList<object?>> lines)
    {
        var features = lines.Select(line =>
        {
            var properties = new JsonObject { ["block"] = (string)line[0]! };
            if (line[1] is int row)
                properties["row"] = row;
            return (JsonNode)
                new JsonObject
                {
                    ["type"] = "Feature",
                    ["properties"] = properties,
                    ["geometry"] = JsonNode.Parse((string)line[2]!),
                };
        });
        JsonSerializer.Serialize(
            stream,
            new JsonObject { ["type"] = "FeatureCollection", ["features"] = new JsonArray([.. features]) },
            StoredJson.File
        );
    }

    private async Task<IEnumerable<IReadOnlyList<object?>>> HistoryAsync(ExportSource source, CancellationToken cancel)
    {
        var codes = (await source.PlantingsAsync(cancel)).ToDictionary(p => p.Id, p => p.Code);
        var changes = await database.Changes.AsNoTracking().OrderBy(c => c.Id).ToListAsync(cancel);
        return changes.Select(c =>
            ExportSource.Line(
                c.At.ToString("u", System.Globalization.CultureInfo.InvariantCulture),
                c.Person,
                c.BatchId is null ? "" : "yes",
                c.Subject,
                c.PlantingId is { } id ? codes.GetValueOrDefault(id) : null,
                c.Season,
                c.Detail,
                c.Field,
                c.Old,
                c.New
            )
        );
    }
}

/// <summary>What <c>estate.json</c> says of an estate.</summary>
/// <param name="Format">Always <c>rama-estate</c>.</param>
/// <param name="Version">Version of the format.</param>
/// <param name="Name">Name of the estate.</param>
/// <param name="Season">Season at hand.</param>
/// <param name="Today">The day the estate's season logic takes as today; null for the real one.</param>
/// <param name="CrewHoursPerWeek">Hours all crews together work in a week; null until told.</param>
/// <param name="BodyMarks">Measures the crews take with the body; null without any.</param>
/// <param name="Currency">Money of the estate, three letters; null until told.</param>
/// <param name="Ribbons">Colours of the ribbons on trees in rework; null for those that ship.</param>
public sealed record EstateFacts(
    string Format,
    int Version,
    string Name,
    int Season,
    DateOnly? Today,
    double? CrewHoursPerWeek = null,
    BodyMarksEntry? BodyMarks = null,
    string? Currency = null,
    IReadOnlyDictionary<ReworkStanding, string>? Ribbons = null
);

/// <summary>A table of an archive holds a line that cannot be used.</summary>
public sealed class ArchiveProblemException(string file, LineProblem problem)
    : Exception($"{file}, line {problem.Line}: {problem.Message}")
{
    /// <summary>The first problem.</summary>
    public LineProblem Problem { get; } = problem;
}
