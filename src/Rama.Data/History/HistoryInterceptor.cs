using System.Collections;
using System.Globalization;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.ChangeTracking;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Microsoft.EntityFrameworkCore.Metadata;
using Rama.Core.Estate;
using Rama.Data.Database;

namespace Rama.Data.History;

/// <summary>
/// Writes the history: a line for every field that a save changes, and one for every row it adds or removes.
/// </summary>
internal sealed class HistoryInterceptor(EstateScope scope, TimeProvider clock) : SaveChangesInterceptor
{
    /// <summary>Longest value kept; longer ones end in an ellipsis.</summary>
    public const int LongestValue = 2_000;

    public override ValueTask<InterceptionResult<int>> SavingChangesAsync(
        DbContextEventData eventData,
        InterceptionResult<int> result,
        CancellationToken cancellationToken = default
    )
    {
        Record(eventData.Context!);
        return new(result);
    }

    public override InterceptionResult<int> SavingChanges(DbContextEventData eventData, InterceptionResult<int> result)
    {
        Record(eventData.Context!);
        return result;
    }

    private void Record(DbContext database)
    {
        database.ChangeTracker.DetectChanges();
        var now = clock.GetUtcNow();
        foreach (var entry in database.ChangeTracker.Entries<IStamped>().Where(e => e.State == EntityState.Added))
            entry.Entity.Stamp(now, scope.Author);
        var changes = database.ChangeTracker.Entries<IHistoried>().SelectMany(entry => ChangesOf(entry, now)).ToList();
        database.AddRange(changes);
    }

    private IEnumerable<ChangeRecord> ChangesOf(EntityEntry<IHistoried> entry, DateTimeOffset now)
    {
        var place = entry.Entity.Place;
        ChangeRecord Change(string field, string? old, string? current) =>
            new()
            {
                EstateId = entry.Entity.EstateId,
                At = now,
                PersonId = scope.Author?.PersonId,
                Person = scope.Author?.Name,
                BatchId = scope.Batch?.Id,
                Subject = place.Subject,
                PlantingId = place.PlantingId,
                Season = place.Season,
                Detail = place.Detail,
                Field = field,
                Old = Short(old),
                New = Short(current),
            };

        switch (entry.State)
        {
            case EntityState.Modified:
                foreach (var (field, old, current) in Fields(entry).Where(f => f.Old != f.New))
                    yield return Change(field, old, current);
                break;
            // What an import adds is told by its batch; the file itself is the record.
            case EntityState.Added when scope.Batch is null:
                yield return Change("", null, Summary(Fields(entry).Select(f => (f.Field, f.New))));
                break;
            case EntityState.Deleted:
                yield return Change("", Summary(Fields(entry).Select(f => (f.Field, f.Old))), null);
                break;
        }
    }

    private static IEnumerable<(string Field, string? Old, string? New)> Fields(EntityEntry entry)
    {
        foreach (var property in entry.Properties.Where(p => IsKept(p.Metadata)))
            yield return (Camel(property.Metadata.Name), Text(property.OriginalValue), Text(property.CurrentValue));
        // An amount is one field to the person who typed it.
        foreach (var amount in entry.ComplexProperties)
        {
            var parts = amount.Properties.ToList();
            yield return (
                Camel(amount.Metadata.Name),
                Joined(parts.Select(p => p.OriginalValue)),
                Joined(parts.Select(p => p.CurrentValue))
            );
        }
        // What is kept as JSON was typed field by field.
        foreach (var json in entry.Properties.Where(p => p.Metadata.GetColumnType() == "json"))
        {
            // The lines of a list go by its name.
            var list = Camel(json.Metadata.Name);
            var (old, current) = (
                JsonFields(json.OriginalValue as string, list),
                JsonFields(json.CurrentValue as string, list)
            );
            foreach (var field in old.Keys.Union(current.Keys))
                yield return (field, old.GetValueOrDefault(field), current.GetValueOrDefault(field));
        }
    }

    private static bool IsKept(IProperty property) =>
        !property.IsPrimaryKey()
        && !property.IsConcurrencyToken
        && property.GetColumnType() != "json"
        && property.PropertyInfo?.IsDefined(typeof(NotInHistoryAttribute), inherit: true) != true;

    private static Dictionary<string, string> JsonFields(string? json, string list)
    {
        Dictionary<string, string> fields = [];
        if (json is not null && JsonNode.Parse(json) is { } root)
            Walk(root is JsonArray ? list : "", root);
        return fields;

        void Walk(string path, JsonNode? node)
        {
            if (
                node is JsonObject amount
                && amount["value"] is { } value
                && amount.All(p => p.Key is "value" or "unit")
            )
                fields[path] = $"{value} {amount["unit"]}".TrimEnd();
            else if (node is JsonObject part)
                foreach (var (name, child) in part)
                    Walk(path.Length == 0 ? name : $"{path}.{name}", child);
            else if (node is JsonArray list)
                foreach (var (i, child) in list.Index())
                    Walk($"{path}[{i + 1}]", child);
            else if (node is not null)
                fields[path] = node.ToString();
        }
    }

    private static string? Joined(IEnumerable<object?> parts)
    {
        var values = parts.OrderBy(p => p is string).ToList();
        return values is [{ } number, ..]
            ? string.Join(' ', new[] { Text(number), values.ElementAtOrDefault(1) as string }.OfType<string>())
            : null;
    }

    private static string? Text(object? value) =>
        value switch
        {
            null => null,
            string text => text,
            int[] numbers => numbers.Length == 0 ? null : TreeNumbers.Write(numbers),
            IEnumerable list => string.Join(' ', list.Cast<object?>().Select(Text)) is { Length: > 0 } all ? all : null,
            DateOnly day => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
            DateTimeOffset time => time.ToUniversalTime()
                .ToString("yyyy-MM-dd HH:mm:ss'Z'", CultureInfo.InvariantCulture),
            IFormattable number => number.ToString(null, CultureInfo.InvariantCulture),
            _ => value.ToString(),
        };

    private static string Summary(IEnumerable<(string Field, string? Value)> fields) =>
        string.Join("; ", fields.Where(f => f.Value is not null).Select(f => $"{f.Field}: {f.Value}"));

    private static string? Short(string? value) =>
        value?.Length > LongestValue ? value[..(LongestValue - 1)] + "…" : value;

    private static string Camel(string name) => char.ToLowerInvariant(name[0]) + name[1..];
}
