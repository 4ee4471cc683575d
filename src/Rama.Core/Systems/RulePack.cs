using System.Globalization;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using Rama.Core.Explain;

namespace Rama.Core.Systems;

/// <summary>
/// Reads rule packs. A step, question or training task of a pack may say <c>use</c>: it is then taken from
/// <c>Systems/common.json</c>, with whatever else the pack writes in its place.
/// </summary>
internal static class RulePack
{
    private static readonly string[] Names =
    [
        "tall-spindle",
        "long-pruned-spindle",
        "two-axis-short-renewal",
        "multi-leader-wall",
        "open-v",
        "cherry-spindle",
        "cherry-multi-leader-bush",
        "cherry-slender-axe",
        "pedestrian-peach",
        "central-leader-in-tiers",
        "broad-canopy",
        "open-vase",
        "open-vase-two-harvests",
        "layered-windows",
        "flush-tipped-dome",
        "one-leader-flat-limbs",
    ];

    private static readonly Lazy<JsonObject> Common = new(() =>
        JsonNode.Parse(DataFile.Text("Systems/common.json"))!.AsObject()
    );

    public static IReadOnlyList<TrainingSystem> Shipped() =>
        [.. Names.Select(n => Parse(DataFile.Text($"Systems/Packs/{n}.json"), $"Rule pack {n}"))];

    /// <summary>Reads a pack of the core and checks it.</summary>
    /// <exception cref="InvalidDataException">Says what is wrong.</exception>
    public static TrainingSystem Parse(string json, string name)
    {
        try
        {
            return Read(json);
        }
        catch (UnusableEntryException e)
        {
            var told = e.Problems.Select(p => p.Field.Length == 0 ? p.Message : $"{p.Field}: {p.Message}");
            throw new InvalidDataException($"{name}: {string.Join("; ", told)}", e);
        }
    }

    /// <summary>Reads a pack a person wrote and checks it.</summary>
    /// <exception cref="UnusableEntryException">Says at which of its fields what is wrong.</exception>
    public static TrainingSystem Read(string json)
    {
        TrainingSystem system;
        try
        {
            system = DataFile.Parse<File>(Expanded(json, "rule pack"), "rule pack").System;
        }
        catch (InvalidDataException e)
        {
            throw new UnusableEntryException([Unread(json, e)]);
        }
        var problems = PackCheck.Of(system);
        return problems.Count == 0 ? system : throw new UnusableEntryException(problems);
    }

    private const string Whole = "$.system.";

    // What stands at a place in another form than it has to: an empty number, a word nobody knows.
    private static FieldProblem Unread(string json, InvalidDataException fault)
    {
        if (
            fault.InnerException is not JsonException { Path: { } path } inner
            || !path.StartsWith(Whole, StringComparison.Ordinal)
        )
            return new("", "pack", fault.Message);
        var at = path[Whole.Length..];
        return new(
            at,
            "form",
            IsEmpty(json, at) ? "This is empty: a value is expected." : $"This cannot be read: {inner.Message}"
        );
    }

    private static bool IsEmpty(string json, string path)
    {
        var node = JsonNode.Parse(json)?["system"];
        foreach (var part in path.Split(['.', '[', ']'], StringSplitOptions.RemoveEmptyEntries))
            node =
                node is JsonArray list && int.TryParse(part, CultureInfo.InvariantCulture, out var i)
                    ? list.ElementAtOrDefault(i)
                    : (node as JsonObject)?[part];
        return node is null || node is JsonValue value && value.TryGetValue<string>(out var text) && text.Length == 0;
    }

    private static string Expanded(string json, string name)
    {
        try
        {
            var file = JsonNode.Parse(json);
            var system = file?["system"];
            foreach (
                var (list, entries) in new[]
                {
                    ("steps", system?["steps"]),
                    ("questions", system?["questions"]),
                    ("tasks", system?["training"]?["tasks"]),
                }
            )
                for (var i = 0; i < (entries as JsonArray)?.Count; i++)
                    if (entries[i] is JsonObject own && own["use"] is { } use)
                        entries[i] = Over(list, use.GetValue<string>(), own, name);
            NoNulls(file, "pack");
            return file?.ToJsonString() ?? "null";
        }
        catch (Exception e) when (e is JsonException or InvalidOperationException)
        {
            throw new InvalidDataException($"{name}: {e.Message}", e);
        }
    }

    // Lists of a pack hold something at each place; left to the reader, a hole is found only where it is used.
    private static void NoNulls(JsonNode? node, string path)
    {
        if (node is JsonObject whole)
            foreach (var (name, value) in whole)
            {
                // A term and the order of a step are rules under a name; other members may be left empty.
                if (
                    value is null
                    && (
                        path.EndsWith(".terms", StringComparison.Ordinal)
                        || path.EndsWith(".orders", StringComparison.Ordinal)
                    )
                )
                    throw new InvalidDataException($"{path}.{name} is empty.");
                NoNulls(value, $"{path}.{name}");
            }
        if (node is JsonArray list)
            for (var i = 0; i < list.Count; i++)
            {
                if (list[i] is null)
                    throw new InvalidDataException($"{path}[{i}] is empty.");
                NoNulls(list[i], $"{path}[{i}]");
            }
    }

    /// <summary>A step of <c>Systems/common.json</c>.</summary>
    public static CuttingStep CommonStep(string id) =>
        DataFile.Parse<CuttingStep>(Common.Value["steps"]![id]!.ToJsonString(), id);

    private static JsonObject Over(string list, string use, JsonObject own, string name)
    {
        if (Common.Value[list]?[use]?.DeepClone() is not JsonObject common)
            throw new InvalidDataException($"{name}: {list} has no common entry “{use}”.");
        foreach (var (key, value) in own)
            if (key != "use")
                common[key] = value?.DeepClone();
        return common;
    }

    // The file names its schema beside the system, for editors and checkers.
    private sealed record File([property: JsonPropertyName("$schema")] string Schema, TrainingSystem System);
}
