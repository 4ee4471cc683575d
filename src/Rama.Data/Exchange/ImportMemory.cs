using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Rama.Core.Estate;
using Rama.Data.Database;
using Rama.Data.Estate;
using Rama.Data.Exchange.Reading;

namespace Rama.Data.Exchange;

/// <summary>How files of the same headings were read before: a list comes again every year.</summary>
public sealed class ImportMemory(RamaContext database)
{
    // A mapping of 200 columns and as many names takes a quarter.
    private const int MostKept = 200_000;

    /// <summary>How a file is best read: as one of the same headings was, else as it is guessed.</summary>
    /// <param name="sheet">The file.</param>
    /// <param name="table">The table, where somebody has said it.</param>
    /// <param name="said">What has been said of it and is not saved yet; null for nothing.</param>
    /// <param name="catalogue">What the estate knows.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<ImportMapping> ReadAsync(
        Sheet sheet,
        ExchangeTable? table,
        ImportMapping? said,
        Catalogue catalogue,
        CancellationToken cancel
    )
    {
        if (said is not null && ExchangeTables.Find(said.Table) is { } named)
            return MappingGuess.Of(sheet, named, catalogue).Like(said) with { Decimal = said.Decimal };
        var shape = ShapeOf(sheet);
        var batches = database.Batches.Where(b => b.Shape == shape && b.Mapping != null);
        if (table is not null)
            batches = batches.Where(b => b.Table == table.Name);
        var text = await batches.OrderByDescending(b => b.Id).Select(b => b.Mapping).FirstOrDefaultAsync(cancel);
        var known = await FreeNamesAsync(cancel);
        var kept = text is null ? null : JsonSerializer.Deserialize<ImportMapping>(text, StoredJson.Part);
        var guess = MappingGuess.Of(sheet, table ?? ExchangeTables.Find(kept?.Table), catalogue);
        return FreeMapping.KeepKnown(kept is null ? guess : guess.Like(kept), sheet, known);
    }

    private async Task<HashSet<string>> FreeNamesAsync(CancellationToken cancel) =>
        (await database.Plantings.Where(p => p.Free != null).Select(p => p.Free).ToListAsync(cancel))
            .SelectMany(FreeColumns.Read)
            .Select(f => f.Name!)
            .ToHashSet(StringComparer.OrdinalIgnoreCase);

    /// <summary>Files taken over, the latest first.</summary>
    /// <param name="most">No more than so many.</param>
    /// <param name="cancel">Stops it.</param>
    public async Task<IReadOnlyList<PastImport>> PastAsync(int most, CancellationToken cancel)
    {
        var past = await database
            .Batches.AsNoTracking()
            .OrderByDescending(b => b.At)
            .ThenByDescending(b => b.Id)
            .Take(most)
            .Select(b => new PastImport(
                b.Id,
                b.At,
                b.Person,
                b.File,
                b.Table,
                b.Added,
                b.Changed,
                b.UndoneAt,
                b.Undoes,
                b.Before != null
            ))
            .ToListAsync(cancel);
        var last = past.Where(b => b is { UndoneAt: null, Undoes: null })
            .DistinctBy(b => b.Table == ImportUndo.Weather)
            .Select(b => b.Id)
            .ToHashSet();
        return [.. past.Select(b => last.Contains(b.Id) ? b : b with { CanUndo = false })];
    }

    /// <summary>What tells the headings of a file from others.</summary>
    internal static string ShapeOf(Sheet sheet) =>
        Convert.ToHexString(
            SHA256.HashData(
                Encoding.UTF8.GetBytes(string.Join('\u001f', sheet.Headers.Select((_, i) => sheet.FullHeader(i))))
            )
        );

    /// <summary>A mapping as it is kept; null for one too long to be worth it.</summary>
    internal static string? Written(ImportMapping mapping) =>
        JsonSerializer.Serialize(mapping with { LeftOut = [] }, StoredJson.Part) is { Length: < MostKept } text
            ? text
            : null;
}

/// <summary>A file that was taken over.</summary>
/// <param name="Id">The import.</param>
/// <param name="At">When.</param>
/// <param name="Person">Who; null for Rama itself.</param>
/// <param name="File">Name of the file.</param>
/// <param name="Table">What it was read as.</param>
/// <param name="Added">Lines that were new.</param>
/// <param name="Changed">Lines that said something else than before.</param>
/// <param name="UndoneAt">When it was undone; null while it stands.</param>
/// <param name="Undoes">The import it undid; null for a file.</param>
/// <param name="CanUndo">Whether it may be undone now, if nothing of it was changed since.</param>
public sealed record PastImport(
    Guid Id,
    DateTimeOffset At,
    string? Person,
    string File,
    string Table,
    int Added,
    int Changed,
    DateTimeOffset? UndoneAt,
    Guid? Undoes,
    bool CanUndo
);
