using Rama.Core.Systems;

namespace Rama.Core.Tests.Systems;

/// <summary>Rule packs to start a test from.</summary>
internal static class Packs
{
    public const string Step = """
        { "id": "thick", "under": ["reduce"], "find": "limbs where diameter > big", "first": "diameter down", "most": "how-many", "per": "tree", "limits": [],
          "cut": { "kind": "collar" }, "stop": "band", "secondsEach": 4, "name": { "en": "a", "es": "b" }, "lookFor": { "en": "a", "es": "b" },
          "how": { "en": "a", "es": "b" }, "why": { "en": "a", "es": "b" }, "because": { "en": "{height}", "es": "{height}" }, "caution": null, "source": "test" }
        """;

    public static string Json(
        string step = Step,
        string aim = "number",
        string terms = "{}",
        string questions = "[]"
    ) =>
        $$"""
            { "$schema": "x", "system": { "id": "made-up", "version": 1, "name": { "en": "Made up", "es": "Inventado" }, "note": null, "crops": ["apple"], "aim": "{{aim}}",
              "form": { "leaders": 1, "limbsPerTree": 10, "canopy": "wall", "source": "test", "typical": {
                "layout": "axis", "planes": 1, "leanDeg": 0, "trunkM": 0, "trunkMm": 50, "heightM": 3, "firstLimbM": 0.5, "buds": 200, "limbMm": 12, "limbCv": 0.3, "metresPerMm": 0.05,
                "riseLowDeg": 10, "riseTopDeg": 20, "droopDeg": 10, "spreadDeg": 180, "tiers": 0, "ageYears": 4, "forkShare": 0.3, "uprightShare": 0.1, "pendantShare": 0.1,
                "unsoundShare": 0, "shootM": 0.2, "bearing": "spurs", "budsPerSite": 1, "innerVigour": 1, "innerBuds": 1, "source": "test" } },
              "caps": { "shareOfBuds": 0.4, "bigCutMm": 20, "bigCuts": 3, "shareOfWood": 0.5, "source": "test" }, "labour": { "baseSeconds": 30, "source": "test" },
              "settings": [
                { "id": "big", "value": 14, "unit": "mm", "least": 5, "most": 40, "tries": [], "name": { "en": "a", "es": "b" }, "source": "test" },
                { "id": "how-many", "value": 2, "unit": "", "least": 0, "most": 5, "tries": [], "name": { "en": "a", "es": "b" }, "source": "test" }],
              "terms": {{terms}}, "questions": {{questions}}, "steps": [{{step}}], "keepOff": [] } }
            """;

    /// <summary>The made-up pack with a step that looks for something.</summary>
    public static TrainingSystem Finding(
        string find,
        string first = "height up",
        string cut = "collar",
        string terms = "{}"
    )
    {
        var leave = cut switch
        {
            "shorten" or "head" or "toSideShoot" => ", \"leave\": \"50 cm\"",
            _ => "",
        };
        return TrainingSystem.Parse(
            Json(
                Step.Replace("limbs where diameter > big", find, StringComparison.Ordinal)
                    .Replace("diameter down", first, StringComparison.Ordinal)
                    .Replace("\"collar\"", $"\"{cut}\"{leave}", StringComparison.Ordinal),
                terms: terms
            )
        );
    }
}
