using System.Globalization;
using System.Text.Json.Nodes;
using Rama.Core.Estate;

namespace Rama.Data.Estate;

/// <summary>
/// Free columns as they are kept: one JSON object by name, so that the history tells them name by name. A number is a
/// number, a day is a text of its own form.
/// </summary>
internal static class FreeColumns
{
    private const string Day = "yyyy-MM-dd";

    /// <summary>Values as kept; null for none.</summary>
    public static string? Written(IReadOnlyList<FreeValue> values)
    {
        JsonObject kept = [];
        foreach (var value in values.Where(v => v.Written.Length > 0))
            kept[value.Name!.Trim()] = value.Number is { } number ? number : value.Written.Trim();
        return kept.Count == 0 ? null : kept.ToJsonString();
    }

    /// <summary>Values as they were kept.</summary>
    public static IReadOnlyList<FreeValue> Read(string? kept) =>
        kept is null ? [] : [.. JsonNode.Parse(kept)!.AsObject().Select(p => Value(p.Key, p.Value!.AsValue()))];

    private static FreeValue Value(string name, JsonValue value) =>
        value.TryGetValue(out double number) ? new() { Name = name, Number = number }
        : DateOnly.TryParseExact((string)value!, Day, CultureInfo.InvariantCulture, DateTimeStyles.None, out var day)
            ? new() { Name = name, Date = day }
        : new() { Name = name, Text = (string)value! };
}
