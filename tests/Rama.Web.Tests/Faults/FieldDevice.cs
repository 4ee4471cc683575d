using System.Text;
using System.Text.Json.Nodes;

namespace Rama.Web.Tests.Faults;

/// <summary>
/// A phone in the row: it makes entries, sends them in any order, sends some of them again or twice at once, hangs up
/// now and then, and forgets nothing before the receipt.
/// </summary>
internal sealed class FieldDevice(HttpClient client, Seen seen, int number, TimeSpan skew, int seed)
{
    private const int MostPerRequest = 30;

    private readonly Random _random = new(seed);
    private readonly Guid _id = Guid.NewGuid();
    private readonly List<Made> _waiting = [],
        _sent = [];
    private readonly Dictionary<(Guid Planting, int Tree), (Guid Id, int? Buds)> _trees = [];
    private readonly Dictionary<Guid, (Guid Planting, int Tree, int Floral)> _cuts = [];
    private readonly HashSet<Guid> _acknowledged = [];
    private long _sequence;
    private int _tree;

    /// <summary>Row nobody else counts in.</summary>
    public int Row => number;

    /// <summary>Row two devices count in, each tree once.</summary>
    public const int SharedRow = 90;

    /// <summary>Trees of its own row as they should stand, in every planting.</summary>
    public IEnumerable<(Guid Planting, int Tree, int Buds)> Trees =>
        _trees.Where(t => t.Value.Buds is not null).Select(t => (t.Key.Planting, t.Key.Tree, t.Value.Buds!.Value));

    /// <summary>Buds cut as they should stand.</summary>
    public IEnumerable<(Guid Planting, int Tree, int Floral)> Cuts => _cuts.Values;

    /// <summary>What the application has said it has.</summary>
    public IReadOnlyList<Guid> Acknowledged
    {
        get
        {
            lock (_acknowledged)
                return [.. _acknowledged];
        }
    }

    /// <summary>How often an entry was sent that had been acknowledged before.</summary>
    public int Replayed { get; private set; }

    private sealed record Made(Guid Id, string Json);

    /// <summary>Counts and sends until told to stop, and then sends what is left.</summary>
    /// <param name="plantings">Where it counts.</param>
    /// <param name="shared">A planting where another device counts the same trees.</param>
    /// <param name="stop">Ends the counting.</param>
    public async Task WorkAsync(IReadOnlyList<Guid> plantings, Guid? shared, CancellationToken stop)
    {
        while (!stop.IsCancellationRequested || _waiting.Count > 0)
        {
            if (!stop.IsCancellationRequested && _waiting.Count < 2 * MostPerRequest)
                for (var i = _random.Next(1, 6); i > 0; i--)
                    Make(plantings[_random.Next(plantings.Count)]);
            if (!stop.IsCancellationRequested && shared is { } both && _random.Next(4) == 0)
                Add(both, SharedRow, ++_tree, $"\"kind\": \"tree\", \"body\": {{\"floralBuds\": {100 * number + 7}}}");
            await SendAsync();
        }
    }

    private void Make(Guid planting)
    {
        var own = _trees.Where(t => t.Value.Buds is not null).ToList();
        switch (_random.Next(12))
        {
            case 0 when own.Count > 0:
                var (place, (taken, _)) = own[_random.Next(own.Count)];
                _trees[place] = (Add(place.Planting, Row, place.Tree, "", taken), null);
                break;
            case 1 or 2 when own.Count > 0:
                var (again, (before, _)) = own[_random.Next(own.Count)];
                var corrected = _random.Next(50, 400);
                _trees[again] = (Add(again.Planting, Row, again.Tree, Tree(corrected), before), corrected);
                break;
            case 3 when _cuts.Count > 0:
                var (cut, (where, tree, _)) = _cuts.ElementAt(_random.Next(_cuts.Count));
                Add(where, Row, tree, "", cut);
                _cuts.Remove(cut);
                break;
            case 3 or 4:
                var floral = _random.Next(20);
                _cuts.Add(Add(planting, Row, ++_tree, Cut(floral)), (planting, _tree, floral));
                break;
            default:
                var buds = _random.Next(50, 400);
                _trees[(planting, ++_tree)] = (Add(planting, Row, _tree, Tree(buds)), buds);
                break;
        }
    }

    private static string Tree(int buds) =>
        $$"""
            "kind": "tree", "body": {"floralBuds": {{buds}}}
            """;

    private static string Cut(int floral) =>
        $$"""
            "kind": "cut", "body": {"kind": "spur", "floral": {{floral}}, "vegetative": 1}
            """;

    private Guid Add(Guid planting, int row, int tree, string told, Guid? supersedes = null)
    {
        var id = Guid.CreateVersion7();
        var entry = new JsonObject
        {
            ["id"] = id,
            ["sequence"] = ++_sequence,
            ["planting"] = planting,
            ["at"] = DateTimeOffset.UtcNow + skew,
            ["row"] = row,
            ["tree"] = tree,
        };
        if (supersedes is { } before)
            entry["supersedes"] = before;
        var json = entry.ToJsonString();
        _waiting.Add(new(id, told.Length == 0 ? json : $"{json[..^1]}, {told}}}"));
        return id;
    }

    private async Task SendAsync()
    {
        var replayed = _sent.Count == 0 ? [] : _random.GetItems(_sent.ToArray(), _random.Next(4));
        var batch = _waiting
            .OrderBy(_ => _random.Next())
            .Take(_random.Next(1, MostPerRequest))
            .Concat(replayed)
            .DistinctBy(e => e.Id)
            .OrderBy(_ => _random.Next())
            .ToList();
        // Two tabs of one browser, or a phone that thinks its line was lost.
        var times = _random.Next(6) == 0 ? 2 : 1;
        var patience =
            _random.Next(15) == 0 ? TimeSpan.FromMilliseconds(_random.Next(1, 40)) : TimeSpan.FromSeconds(30);
        var answers = await Task.WhenAll(Enumerable.Range(0, times).Select(_ => AskAsync(batch, patience)));
        foreach (var receipts in answers)
        foreach (var receipt in receipts)
            Take((Guid)receipt!["id"]!, (string)receipt["outcome"]!, replayed.Select(e => e.Id), receipt);
    }

    private async Task<JsonArray> AskAsync(IReadOnlyList<Made> batch, TimeSpan patience)
    {
        var answer = await seen.AskAsync(
            client,
            () =>
                new(HttpMethod.Post, "/api/v1/field")
                {
                    Content = new StringContent(
                        $$"""
                        {"device": "{{_id}}", "sentAt": "{{DateTimeOffset.UtcNow + skew:O}}",
                         "entries": [{{string.Join(',', batch.Select(e => e.Json))}}]}
                        """,
                        Encoding.UTF8,
                        "application/json"
                    ),
                },
            patience
        );
        if (answer is not { Status: 200, Body: var body })
        {
            if (answer is { Status: not 200 } refused)
                seen.Fault($"Entries answered {refused.Status}: {refused.Body}");
            return [];
        }
        return JsonNode.Parse(body)!.AsArray();
    }

    private void Take(Guid id, string outcome, IEnumerable<Guid> replayed, JsonNode receipt)
    {
        var isReplay = replayed.Contains(id);
        if (isReplay)
            Replayed++;
        if (isReplay && outcome == "taken")
            seen.Fault($"{id} was lost: it was acknowledged, and taken again");
        if (outcome is not ("taken" or "known" or "conflict"))
            seen.Fault($"{id}: {receipt.ToJsonString()}");
        lock (_acknowledged)
            _acknowledged.Add(id);
        foreach (var made in _waiting.Where(e => e.Id == id).ToList())
        {
            _waiting.Remove(made);
            _sent.Add(made);
        }
    }
}
