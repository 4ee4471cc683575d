using System.Collections.Concurrent;
using System.Text;
using System.Text.Json.Nodes;

namespace Rama.Web.Tests.Faults;

/// <summary>
/// A manager at the desk: adds plantings, saves one again and again at the version seen, and keeps photographs.
/// </summary>
internal sealed class Office(HttpClient client, Seen seen)
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(30);

    private readonly ConcurrentQueue<string> _added = [];
    private readonly ConcurrentQueue<Guid> _photos = [];
    private int _saved;

    /// <summary>Codes of the plantings the application said it had added.</summary>
    public IReadOnlyCollection<string> Added => _added;

    /// <summary>Photographs it said it had kept.</summary>
    public IReadOnlyCollection<Guid> Photos => _photos;

    /// <summary>Yield of the last save that was acknowledged, t/ha above 10.</summary>
    public int Saved => _saved;

    /// <summary>Works until told to stop.</summary>
    /// <param name="planting">The planting it saves and whose photographs it keeps.</param>
    /// <param name="stop">Ends the work.</param>
    public async Task WorkAsync(Guid planting, CancellationToken stop)
    {
        for (var n = 1; !stop.IsCancellationRequested; n++)
        {
            await AddAsync($"X{n}", stop);
            await KeepAsync(planting, stop);
            await SaveAsync(planting, stop);
        }
    }

    // Until it is acknowledged, or refused since an earlier try whose answer was lost has added it.
    private async Task AddAsync(string code, CancellationToken stop)
    {
        var again = false;
        while (!stop.IsCancellationRequested)
        {
            var answer = await Ask(
                HttpMethod.Post,
                "/api/v1/plantings",
                $$$"""
                {"code": "{{{code}}}", "name": "Fault run", "variety": "Topaz", "rootstock": "M.9",
                 "system": "tall-spindle", "yearPlanted": 2018, "rowSpacing": {"value": 3.4, "unit": "m"},
                 "treeSpacing": {"value": 1, "unit": "m"}, "area": {"value": 1, "unit": "ha"}}
                """
            );
            if (answer is { Status: 201 } || again && answer is { Status: 400 or 409 })
            {
                _added.Enqueue(code);
                return;
            }
            if (answer is { } other)
                seen.Fault($"Adding {code}: {other.Status} {other.Body}");
            again = true;
        }
    }

    private async Task KeepAsync(Guid planting, CancellationToken stop)
    {
        var id = Guid.NewGuid();
        while (!stop.IsCancellationRequested)
        {
            var answer = await seen.AskAsync(
                client,
                () =>
                    new(
                        HttpMethod.Put,
                        $"/api/v1/plantings/{planting}/photos/{id}?at={DateTimeOffset.UtcNow:yyyy-MM-ddTHH:mm:ssZ}"
                    )
                    {
                        Content = new ByteArrayContent(JpegPictureTests.Jpeg(withMetadata: true))
                        {
                            Headers = { ContentType = new("image/jpeg") },
                        },
                    },
                Patience
            );
            if (answer is { Status: 204 })
            {
                _photos.Enqueue(id);
                return;
            }
            if (answer is { } other)
                seen.Fault($"A photograph: {other.Status} {other.Body}");
        }
    }

    private async Task SaveAsync(Guid planting, CancellationToken stop)
    {
        while (!stop.IsCancellationRequested)
        {
            if (await Ask(HttpMethod.Get, $"/api/v1/plantings/{planting}") is not { Status: 200, Body: var body })
                continue;
            var view = JsonNode.Parse(body)!;
            var stands = (int)((double?)view["target"]!["yield"]?["value"] ?? 10) - 10;
            // The last save acknowledged, or the one after it, whose answer was lost.
            if (stands != _saved && stands != _saved + 1)
                seen.Fault($"Save {_saved} was acknowledged, and {stands} stands");
            var next = stands + 1;
            var answer = await Ask(
                HttpMethod.Put,
                $"/api/v1/plantings/{planting}/target",
                $$$"""
                {"version": {{{view["planVersion"]}}}, "target": {"yield": {"value": {{{next + 10}}}, "unit": "t/ha"},
                 "fruitSize": {"value": 180, "unit": "g"}, "budFactor": 1.8}}
                """
            );
            _saved = stands;
            switch (answer?.Status)
            {
                case 200:
                    _saved = next;
                    return;
                case 409 or null: // Phones have changed the plan meanwhile, or nothing was promised.
                    break;
                default:
                    seen.Fault($"Saving: {answer!.Value.Status} {answer.Value.Body}");
                    return;
            }
        }
    }

    private Task<(int Status, string Body)?> Ask(HttpMethod method, string path, string? json = null) =>
        seen.AskAsync(
            client,
            () =>
                new(method, path)
                {
                    Content = json is null ? null : new StringContent(json, Encoding.UTF8, "application/json"),
                },
            Patience
        );
}
