using System.Text.Json.Nodes;

namespace Rama.Web.Tests.Fuzz;

/// <summary>
/// Makes bodies: as a schema asks, from what the estate really holds, and then with something wrong in them.
/// </summary>
/// <param name="document">The schemas.</param>
/// <param name="real">What the estate holds, by the name of a member.</param>
/// <param name="random">Seeded, so that a fault can be met again.</param>
public sealed class BodyMaker(ApiDocument document, IReadOnlyDictionary<string, JsonNode> real, Random random)
{
    private const int Deepest = 7;

    private static readonly string?[] Texts =
    [
        "",
        " ",
        "H4",
        "Topaz",
        "tall-spindle",
        "en",
        "a\0b",
        "\u202e\u0000",
        "=1+1",
        "'; drop table plantings; --",
        "<script>alert(1)</script>",
        new('x', 70_000),
        "🍎🍎",
        "NaN",
        "null",
        "../../etc/passwd",
        "2027-02-30",
    ];

    private static readonly double[] Numbers =
    [
        0,
        -0.0,
        1,
        -1,
        0.5,
        2027,
        1e-320,
        1e12,
        1e15,
        -1e308,
        1.7e308,
        int.MaxValue,
        int.MinValue,
        4_294_967_296,
        9_007_199_254_740_993,
        0.1 + 0.2,
    ];

    private static readonly string[] Times =
    [
        "2027-01-27",
        "0001-01-01",
        "9999-12-31",
        "2027-13-01",
        "2027-01-27T10:00:00Z",
        "0001-01-01T00:00:00Z",
        "9999-12-31T23:59:59-14:00",
        "2027-01-27T10:00:00",
        "now",
    ];

    private static readonly string[] Units = ["m", "cm", "kg", "t/ha", "%", "ft", "", "parsec", new('u', 40)];

    /// <summary>A body for a schema, whole half of the time.</summary>
    public JsonNode? Body(JsonNode schema)
    {
        var body = Value(schema, "", 0);
        for (var wrong = random.Next(4) - 1; wrong > 0; wrong--)
            body = Spoilt(body);
        return body;
    }

    /// <summary>A value for a parameter of the address.</summary>
    public string Parameter(JsonNode schema) =>
        random.Next(3) switch
        {
            0 => Pick(Texts)!,
            1 => Pick(Numbers).ToString(System.Globalization.CultureInfo.InvariantCulture),
            _ => Value(schema, "", Deepest)?.ToString() ?? "",
        };

    private T Pick<T>(IReadOnlyList<T> of) => of[random.Next(of.Count)];

    private JsonNode? Value(JsonNode schema, string name, int depth)
    {
        if (real.TryGetValue(name, out var known) && random.Next(4) > 0)
            return known.DeepClone();
        var read = document.Follow(schema);
        if (read["enum"] is JsonArray words)
            return Pick(words.ToList())?.DeepClone();
        if (read["oneOf"] is JsonArray choices)
            return Value(Pick(choices.ToList())!, name, depth);
        var types = read["type"] switch
        {
            JsonArray several => several.Select(t => (string)t!).ToList(),
            JsonNode one => [(string)one!],
            _ => ["object", "string", "number", "null"],
        };
        return Pick(types) switch
        {
            "null" => null,
            "string" => Text((string?)read["format"], name),
            "number" or "integer" => random.Next(3) == 0 ? Pick(Numbers) : random.Next(400),
            "boolean" => random.Next(2) == 0,
            "array" => new JsonArray([
                .. Enumerable
                    .Range(0, depth > Deepest ? 0 : random.Next(4))
                    .Select(_ => Value(read["items"] ?? new JsonObject(), "", depth + 1)),
            ]),
            _ => Whole(read, depth),
        };
    }

    private JsonObject Whole(JsonNode schema, int depth)
    {
        JsonObject made = [];
        if (depth > Deepest)
            return made;
        foreach (var (name, part) in schema["properties"]?.AsObject() ?? [])
            if (random.Next(6) > 0)
                made[name] = Value(part!, name, depth + 1);
        if (schema["additionalProperties"] is JsonObject each)
            for (var i = random.Next(3); i > 0; i--)
                made[Pick(Texts)!] = Value(each, "", depth + 1);
        return made;
    }

    private JsonNode Text(string? format, string name) =>
        format switch
        {
            "uuid" => random.Next(5) == 0 ? Pick(Texts)! : Guid.NewGuid().ToString(),
            "date" or "date-time" => Pick(Times),
            _ => name == "unit" ? Pick(Units) : Pick(Texts)!,
        };

    // Something in it is not what was asked for: another value, none, one too many, or the same many times over.
    private JsonNode? Spoilt(JsonNode? body)
    {
        List<JsonNode> parts = [];
        Collect(body, parts);
        if (parts.Count == 0)
            return Nasty();
        switch (Pick(parts))
        {
            case JsonObject whole when whole.Count > 0:
                var name = Pick(whole.Select(m => m.Key).ToList());
                if (random.Next(4) == 0)
                    whole.Remove(name);
                else if (random.Next(4) == 0)
                    whole[Pick(Texts) is { Length: > 0 and < 50 } odd ? odd : "odd"] = Nasty();
                else
                    whole[name] = Nasty();
                break;
            case JsonArray list when list.Count > 0 && random.Next(3) == 0:
                var again = list[0];
                for (var i = random.Next(300); i > 0; i--)
                    list.Add(again?.DeepClone());
                break;
            case JsonArray list:
                list.Add(Nasty());
                break;
        }
        return body;
    }

    private static void Collect(JsonNode? node, List<JsonNode> parts)
    {
        if (node is not (JsonObject or JsonArray))
            return;
        parts.Add(node);
        foreach (var part in node is JsonObject whole ? whole.Select(m => m.Value) : node.AsArray())
            Collect(part, parts);
    }

    private JsonNode? Nasty() =>
        random.Next(7) switch
        {
            0 => null,
            1 => Pick(Texts)!,
            2 => Pick(Numbers),
            3 => Pick(Times),
            4 => new JsonArray(null, new JsonArray()),
            5 => new JsonObject(),
            _ => random.Next(2) == 0,
        };
}
