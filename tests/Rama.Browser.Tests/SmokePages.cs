using System.Text.Json.Nodes;

namespace Rama.Browser.Tests;

/// <summary>Every page there is, and what it can be opened for.</summary>
internal static class SmokePages
{
    /// <summary>Pages of the estate.</summary>
    public static readonly string[] OfEstate =
    [
        "",
        "map",
        "known",
        "year",
        "days",
        "weather",
        "catalogue",
        "catalogue/systems",
        "catalogue/systems/compare",
        "catalogue/systems/trees",
        "practice",
        "exchange",
        "estate",
        "results",
        "results/learned",
        "results/seasons",
        "results/winter",
        "people",
        "sessions",
        "crew",
        "crew/people",
        "crew/what-if",
        "crew/costs",
        "crew/list",
        "crew/depth",
        "crew/checks",
        "plantings/new",
        "targets",
        "cards",
        "cards/wall",
        "routes",
        "scans",
        "field",
        "field/not-taken",
        "field/today",
    ];

    /// <summary>Pages of a planting, <c>{0}</c>.</summary>
    public static readonly string[] OfPlanting =
    [
        "plantings/{0}/estate",
        "plantings/{0}/target",
        "plantings/{0}/count",
        "plantings/{0}/decide",
        "plantings/{0}/prescribe",
        "plantings/{0}/passes",
        "plantings/{0}/check",
        "plantings/{0}/result",
        "plantings/{0}/history",
        "plantings/{0}/card",
        "plantings/{0}/passes/cold-look/card",
        "plantings/{0}/training",
        "plantings/{0}/training/leader",
        "plantings/{0}/training/print",
        "plantings/{0}/sides",
        "plantings/{0}/renewal",
        "plantings/{0}/rework",
        "plantings/{0}/taking-out",
        "plantings/{0}/bench",
        "plantings/{0}/bench?practice",
        "plantings/{0}/route",
        "plantings/{0}/trees",
        "field/{0}",
        "field/{0}/buds",
        "field/{0}/walk",
        "field/{0}/pass",
        "field/{0}/rework",
        "field/{0}/work",
        "field/{0}/check",
        "field/{0}/crop",
    ];

    /// <summary>Those whose content is worked out from the planting, and may break on one alone.</summary>
    public static readonly string[] WorkedOut =
    [
        "plantings/{0}/target",
        "plantings/{0}/count",
        "plantings/{0}/decide",
        "plantings/{0}/prescribe",
        "plantings/{0}/passes",
        "plantings/{0}/card",
        "plantings/{0}/passes/cold-look/card",
        "plantings/{0}/training",
        "plantings/{0}/renewal",
        "plantings/{0}/rework",
        "plantings/{0}/bench",
    ];

    public static readonly string[] Languages = ["en", "es"],
        Units = ["metric", "us"];

    /// <summary>The plantings of the demo, by code.</summary>
    public static Dictionary<string, SmokePlanting> PlantingsOf(RamaServer server)
    {
        using var client = server.ClientOf();
        return PlantingsOf(client);
    }

    /// <summary>The plantings somebody sees, by code.</summary>
    public static Dictionary<string, SmokePlanting> PlantingsOf(HttpClient client)
    {
        using var answer = client.Send(new(HttpMethod.Get, "/api/v1/season"));
        using var reader = new StreamReader(answer.Content.ReadAsStream());
        return JsonNode.Parse(reader.ReadToEnd())!["plantings"]!
            .AsArray()
            .ToDictionary(
                p => (string)p!["code"]!,
                p => new SmokePlanting((string)p!["code"]!, (string)p["id"]!, p["decision"] is not null)
            );
    }
}

/// <summary>A planting to look at.</summary>
/// <param name="Code">Its code.</param>
/// <param name="Id">Its identifier.</param>
/// <param name="IsDecided">Whether its count is in, so that there is a card and a tree for the bench.</param>
public sealed record SmokePlanting(string Code, string Id, bool IsDecided);
