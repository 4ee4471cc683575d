using System.IO.Compression;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Rama.Data.Count.Scan;
using Rama.Data.Database;
using Rama.Data.Exchange;
using Rama.Data.Field;

namespace Rama.Data.Count;

/// <summary>
/// What of counting fits no table of lines: goes out with an estate as JSON, CSV by season and pictures, and comes back
/// in.
/// </summary>
internal sealed class CountArchive(RamaContext database, EstateScope scope, FieldHandlers handlers)
{
    private const string DetailsFile = "counting.json";

    // Buds of all kinds need buds cut, which the table of counts knows nothing of: it tells the floral ones they come
    // to.
    private sealed record TreePart(int Row, int Tree, string? Details, int? Buds);

    private sealed record PlanPart(string Planting, int Season, string? Details, IReadOnlyList<TreePart> Trees);

    private sealed record EntryPart(
        string Planting,
        int Season,
        Guid Id,
        Guid Device,
        long Sequence,
        FieldKind? Kind,
        FieldState Standing,
        int? Row,
        int? Tree,
        DateTimeOffset At,
        string? Person,
        Guid? Supersedes,
        string Data
    );

    private sealed record PhotoPart(
        string Planting,
        int Season,
        Guid Id,
        int? Row,
        int? Tree,
        DateTimeOffset At,
        string? Person,
        string? Caption = null
    );

    private sealed record Parts(
        IReadOnlyList<PlanPart> Plans,
        IReadOnlyList<EntryPart> Entries,
        IReadOnlyList<PhotoPart> Photos
    );

    /// <summary>Writes it into a zip.</summary>
    public async Task WriteAsync(ZipArchive zip, CancellationToken cancel)
    {
        var codes = await database.Plantings.ToDictionaryAsync(p => p.Id, p => p.Code, cancel);
        var plans = (await database.ReadPlansAsync(cancel)).Where(p =>
            p.CountDetails is not null || p.Trees.Exists(t => t.Details is not null || t.Buds is not null)
        );
        var entries = await database.FieldEntries.AsNoTracking().OrderBy(e => e.Id).ToListAsync(cancel);
        var photos = await database
            .Photos.AsNoTracking()
            .OrderBy(p => p.Id)
            .Select(p => new
            {
                p.PlantingId,
                p.Season,
                p.Id,
                p.Row,
                p.Tree,
                p.At,
                p.Person,
                p.Caption,
            })
            .ToListAsync(cancel);
        Parts parts = new(
            [
                .. plans
                    .Select(p => new PlanPart(
                        codes[p.PlantingId],
                        p.Season,
                        p.CountDetails,
                        [
                            .. p
                                .Trees.Where(t => t.Details is not null || t.Buds is not null)
                                .OrderBy(t => (t.Row, t.Tree))
                                .Select(t => new TreePart(t.Row, t.Tree, t.Details, t.Buds)),
                        ]
                    ))
                    .OrderBy(p => p.Planting, StringComparer.Ordinal)
                    .ThenBy(p => p.Season),
            ],
            [
                .. entries.Select(e => new EntryPart(
                    codes[e.PlantingId],
                    e.Season,
                    e.Id,
                    e.Device,
                    e.Sequence,
                    e.Kind,
                    e.State,
                    e.Row,
                    e.Tree,
                    e.At,
                    e.Person,
                    e.Supersedes,
                    e.Data
                )),
            ],
            [
                .. photos.Select(p => new PhotoPart(
                    codes[p.PlantingId],
                    p.Season,
                    p.Id,
                    p.Row,
                    p.Tree,
                    p.At,
                    p.Person,
                    p.Caption
                )),
            ]
        );
        await using (var entry = zip.CreateEntry(DetailsFile).Open())
            await JsonSerializer.SerializeAsync(entry, parts, StoredJson.SparseFile, cancel);
        foreach (var photo in photos)
        {
            await using var entry = zip.CreateEntry(PhotoFile(photo.Id)).Open();
            await entry.WriteAsync(
                await database.Photos.Where(p => p.Id == photo.Id).Select(p => p.Picture).SingleAsync(cancel),
                cancel
            );
        }
        foreach (
            var season in await database.ScanRows.Select(s => s.Season).Distinct().OrderBy(s => s).ToListAsync(cancel)
        )
        {
            await using var entry = zip.CreateEntry(ScanFile(season)).Open();
            await WriteScanAsync(entry, season, codes, cancel);
        }
    }

    /// <summary>Reads it back in, after the tables.</summary>
    /// <exception cref="UnreadableFileException">It cannot be read.</exception>
    public async Task ReadAsync(ArchiveFiles files, int season, ScanImporter scans, CancellationToken cancel)
    {
        if (files.Read(DetailsFile) is { } content)
            await ReadDetailsAsync(files, content, cancel);
        // Scans of seasons long past are not kept by anybody.
        for (var year = season - 20; year <= season; year++)
        {
            await using var stream = files.Open(ScanFile(year));
            if (stream is null)
                continue;
            var report = await scans.RunAsync(ScanFile(year), stream, null, save: true, null, cancel, year);
            if (!report.Saved)
                throw new UnreadableFileException("broken", $"{ScanFile(year)} holds trees that are not in the rows.");
        }
    }

    private async Task ReadDetailsAsync(ArchiveFiles files, byte[] content, CancellationToken cancel)
    {
        try
        {
            var parts = JsonSerializer.Deserialize<Parts>(content, StoredJson.SparseFile)!;
            var ids = await database.Plantings.ToDictionaryAsync(p => p.Code, p => p.Id, cancel);
            var plans = (await database.ReadPlansAsync(cancel)).ToDictionary(p => (p.PlantingId, p.Season));
            foreach (var part in parts.Plans)
            {
                if (!plans.TryGetValue((ids[part.Planting], part.Season), out var plan))
                    database.Add(
                        plan = new()
                        {
                            EstateId = scope.EstateId,
                            PlantingId = ids[part.Planting],
                            Season = part.Season,
                        }
                    );
                plan.TakeDetails(part.Details, part.Trees.ToDictionary(t => (t.Row, t.Tree), t => (t.Details, t.Buds)));
            }
            foreach (var e in parts.Entries)
            {
                FieldEntryRecord entry = new()
                {
                    EstateId = scope.EstateId,
                    Id = e.Id,
                    PlantingId = ids[e.Planting],
                    Season = e.Season,
                    Device = e.Device,
                    Sequence = e.Sequence,
                    Kind = e.Kind,
                    State = e.Standing,
                    Row = e.Row,
                    Tree = e.Tree,
                    At = e.At,
                    ReceivedAt = e.At,
                    Person = e.Person,
                    Supersedes = e.Supersedes,
                    Data = e.Data,
                };
                // One that cannot be read would break every page that reads it.
                if (
                    e is { Kind: { } kind, Standing: FieldState.InForce }
                    && handlers.Of(kind) is { IsReadAsKept: true } handler
                )
                    handler.CheckKept(entry);
                database.Add(entry);
            }
            foreach (var p in parts.Photos)
                database.Add(
                    new PhotoRecord
                    {
                        EstateId = scope.EstateId,
                        Id = p.Id,
                        PlantingId = ids[p.Planting],
                        Season = p.Season,
                        Row = p.Row,
                        Tree = p.Tree,
                        At = p.At,
                        Person = p.Person,
                        Caption = p.Caption,
                        Picture = JpegPicture.WithoutMetadata(files.Read(PhotoFile(p.Id)) ?? [])
                            ?? throw new JsonException($"photograph {p.Id} is missing"),
                    }
                );
            await database.SaveChangesAsync(cancel);
            database.ChangeTracker.Clear();
        }
        catch (Exception e)
            when (e is JsonException or KeyNotFoundException or DbUpdateException or Core.Explain.UnusableEntryException
            )
        {
            throw new UnreadableFileException("broken", $"{DetailsFile} cannot be read: {e.Message}", e);
        }
    }

    private async Task WriteScanAsync(
        Stream stream,
        int season,
        Dictionary<Guid, string> codes,
        CancellationToken cancel
    )
    {
        var rows = await database.ScanRows.AsNoTracking().Where(s => s.Season == season).ToListAsync(cancel);
        var leaders = rows.Max(r => r.Leaders);
        SheetWriter.WriteCsv(
            stream,
            [
                "Planting",
                "Row",
                "Tree",
                "Trunk (mm)",
                "Limbs",
                "Buds",
                .. Enumerable.Range(1, leaders).Select(i => $"Leader {i}"),
            ],
            rows.OrderBy(r => codes[r.PlantingId], StringComparer.Ordinal)
                .ThenBy(r => r.Row)
                .SelectMany(r => ScannedTrees(r, codes[r.PlantingId], leaders))
        );
    }

    private static IEnumerable<IReadOnlyList<object?>> ScannedTrees(ScanRowRecord row, string code, int leaders)
    {
        static object? Known(float value) => float.IsNaN(value) ? null : value;
        for (var i = 0; i < row.Buds.Length; i++)
        {
            object?[] told =
            [
                Known(row.TrunksMm[i]),
                Known(row.Limbs[i]),
                Known(row.Buds[i]),
                .. Enumerable
                    .Range(0, leaders)
                    .Select(l => l < row.Leaders ? Known(row.LeaderBuds[i * row.Leaders + l]) : null),
            ];
            if (told.Any(v => v is not null))
                yield return [code, row.Row, row.FirstTree + i, .. told];
        }
    }

    private static string ScanFile(int season) => $"scans-{season}.csv";

    private static string PhotoFile(Guid id) => $"photos/{id}.jpg";
}
