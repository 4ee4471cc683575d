using System.Globalization;
using System.Text.Json;
using System.Text.Json.Nodes;
using Rama.Core.Quantities;
using Rama.Data.Database;

namespace Rama.Data.Exchange.Tables;

/// <summary>
/// Columns of what something says beside its main numbers. Their fields are the paths in the JSON it is kept as.
/// </summary>
/// <param name="all">The columns.</param>
internal sealed class DetailColumns(IReadOnlyList<ExchangeColumn> all)
{
    private const string Day = "yyyy-MM-dd";

    /// <summary>The columns.</summary>
    public IReadOnlyList<ExchangeColumn> All => all;

    /// <summary>The cells of details.</summary>
    public IEnumerable<object?> Cells(JsonObject details) => all.Select(c => CellOf(c.Kind, At(details, c.Field)));

    /// <summary>Something with what a line says of it.</summary>
    /// <param name="before">What it is known to be.</param>
    /// <param name="line">The line.</param>
    /// <param name="details">Its details as JSON.</param>
    /// <param name="read">It with other details; a <see cref="JsonException"/> names a word that is none.</param>
    public T Taken<T>(T before, LineReader line, Func<T, JsonObject> details, Func<T, JsonObject, T> read)
    {
        if (!all.Any(c => line.Has(c.Field)))
            return before;
        var json = details(before);
        foreach (var column in all.Where(c => line.Has(c.Field)))
            Put(json, column.Field.Split('.'), NodeOf(column, line));
        StoredJson.Prune(json);
        try
        {
            return read(before, json);
        }
        catch (JsonException e)
        {
            line.Problems.Add(
                (e.Path ?? "").TrimStart('$', '.'),
                "unknown",
                "This is none of the words Rama knows here."
            );
            return before;
        }
    }

    private static object? CellOf(ColumnKind kind, JsonNode? node) =>
        kind switch
        {
            ColumnKind.Amount => node is null
                ? new Amount()
                : new Amount((double?)node["value"], (string?)node["unit"]),
            ColumnKind.Number => (double?)node,
            ColumnKind.Date => (string?)node is { } day
                ? DateOnly.ParseExact(day, Day, CultureInfo.InvariantCulture)
                : (DateOnly?)null,
            _ => (string?)node,
        };

    private static JsonNode? NodeOf(ExchangeColumn column, LineReader line) =>
        column.Kind switch
        {
            ColumnKind.Amount => line.Amount(column.Field) is { } amount
                ? new JsonObject { ["value"] = amount.Value, ["unit"] = amount.Unit }
                : null,
            ColumnKind.Number => line.Number(column.Field) is { } number ? JsonValue.Create(number) : null,
            ColumnKind.Date => line.Date(column.Field) is { } day
                ? JsonValue.Create(day.ToString(Day, CultureInfo.InvariantCulture))
                : null,
            _ => line.Text(column.Field) is { } text ? JsonValue.Create(text) : null,
        };

    private static JsonNode? At(JsonObject json, string path) =>
        path.Split('.').Aggregate((JsonNode?)json, (node, name) => node?[name]);

    private static void Put(JsonObject json, string[] path, JsonNode? value)
    {
        foreach (var name in path[..^1])
        {
            if (json[name] is not JsonObject next)
                json[name] = next = [];
            json = next;
        }
        if (value is null)
            json.Remove(path[^1]);
        else
            json[path[^1]] = value;
    }
}
