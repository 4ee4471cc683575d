using System.IO.Compression;
using System.Text.Json;
using System.Text.Json.Serialization;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.ChangeTracking;
using Microsoft.EntityFrameworkCore.Metadata;
using Rama.Data.Database;
using Rama.Data.History;
using Rama.Data.Target;

namespace Rama.Data.Exchange;

/// <summary>What stood in the rows an import touches, so that it can be undone.</summary>
internal sealed class ImportBefore
{
    // A file of 100 000 lines takes a tenth of it; what needs more is no list a person wrote.
    private const int MostBytes = 8_000_000;

    private readonly Dictionary<(string, string), RowBefore> _rows = [];

    /// <summary>The rows in the order they were first touched.</summary>
    public IReadOnlyCollection<RowBefore> Rows => _rows.Values;

    /// <summary>Looks at what the next save is going to touch.</summary>
    public void Look(RamaContext database)
    {
        database.ChangeTracker.DetectChanges();
        foreach (var entry in database.ChangeTracker.Entries<IEstateOwned>())
            // The history and the versions of a target are only added to.
            if (entry.Entity is not (BatchRecord or ChangeRecord or TargetVersionRecord))
                Look(entry);
    }

    /// <summary>The rows, compressed; null where they are too many to be kept.</summary>
    public byte[]? Written()
    {
        using var content = new MemoryStream();
        using (var packed = new BrotliStream(content, CompressionLevel.Fastest, leaveOpen: true))
            JsonSerializer.Serialize(packed, Rows, StoredJson.Row);
        return content.Length > MostBytes ? null : content.ToArray();
    }

    /// <summary>The rows as they were kept.</summary>
    public static IReadOnlyList<RowBefore> Read(byte[] written)
    {
        using var packed = new BrotliStream(new MemoryStream(written), CompressionMode.Decompress);
        return JsonSerializer.Deserialize<List<RowBefore>>(packed, StoredJson.Row)!;
    }

    /// <summary>The key of a row, to look it up by.</summary>
    public static string KeyOf(EntityEntry entry) => JsonSerializer.Serialize(Keys(entry), StoredJson.Row);

    /// <summary>The values of a row by path, such as <c>Area.Unit</c>.</summary>
    public static IEnumerable<(string Path, PropertyEntry Property)> Values(EntityEntry entry) =>
        entry
            .Properties.Where(p => !p.Metadata.IsPrimaryKey() && !p.Metadata.IsConcurrencyToken)
            .Select(p => (p.Metadata.Name, p))
            .Concat(
                entry.ComplexProperties.SelectMany(
                    c => c.Properties,
                    (c, p) => ($"{c.Metadata.Name}.{p.Metadata.Name}", p)
                )
            );

    /// <summary>A value as it was kept.</summary>
    public static object? Value(JsonElement? kept, IProperty property) =>
        kept is { } value ? value.Deserialize(property.ClrType, StoredJson.Row) : null;

    private void Look(EntityEntry entry)
    {
        if (entry.State is not (EntityState.Added or EntityState.Modified or EntityState.Deleted))
            return;
        var type = entry.Metadata.ClrType.Name;
        var key = KeyOf(entry);
        if (!_rows.TryGetValue((type, key), out var row))
            _rows.Add((type, key), row = new(type, Keys(entry), entry.State, []));
        if (row.State == EntityState.Added)
            return;
        row.State = entry.State;
        foreach (var (path, property) in Values(entry))
            if (entry.State == EntityState.Deleted || property.IsModified)
                row.Values.TryAdd(path, Element(property.OriginalValue));
    }

    private static List<JsonElement?> Keys(EntityEntry entry) =>
        [.. entry.Metadata.FindPrimaryKey()!.Properties.Select(p => Element(entry.Property(p.Name).CurrentValue))];

    private static JsonElement? Element(object? value) =>
        value is null ? null : JsonSerializer.SerializeToElement(value, value.GetType(), StoredJson.Row);
}

/// <summary>A row an import touched.</summary>
/// <param name="type">What it is.</param>
/// <param name="key">Its key.</param>
/// <param name="state">What became of it.</param>
/// <param name="values">What stood there, where it was changed or removed.</param>
[method: JsonConstructor]
internal sealed class RowBefore(
    string type,
    IReadOnlyList<JsonElement?> key,
    EntityState state,
    Dictionary<string, JsonElement?> values
)
{
    public string Type { get; } = type;

    public IReadOnlyList<JsonElement?> Key { get; } = key;

    public EntityState State { get; set; } = state;

    public Dictionary<string, JsonElement?> Values { get; } = values;
}
