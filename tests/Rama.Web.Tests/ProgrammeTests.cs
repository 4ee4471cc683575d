using System.Text.Json.Nodes;
using Rama.Data.People;

namespace Rama.Web.Tests;

/// <summary>The year of a planting and of an estate.</summary>
public sealed class ProgrammeTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private readonly HttpClient _client = application.ClientOf();

    private async Task<JsonNode> Programme(string code) =>
        await _client.ReadAsync($"/api/v1/plantings/{(string)(await _client.PlantingAsync(code))["id"]!}/programme");

    private static JsonNode Pass(JsonNode view, string id) =>
        view["programme"]!["passes"]!.AsArray().Single(p => (string)p!["id"]! == id)!;

    private static async Task<(int Status, JsonNode Body)> Note(HttpClient client, JsonNode planting, string days) =>
        await client.PutAsync(
            $"/api/v1/plantings/{(string)planting["id"]!}/days",
            $$"""{"version": {{(uint)planting["planVersion"]!}}, "days": {"noted": [{{days}}]} }"""
        );

    [Fact]
    public async Task Every_planting_of_the_demo_has_its_year_and_the_winter_of_the_season_page()
    {
        var season = await _client.ReadAsync("/api/v1/season");
        foreach (var line in season["plantings"]!.AsArray())
        {
            var view = await Programme((string)line!["code"]!);
            Assert.NotEmpty(view["programme"]!["passes"]!.AsArray());
            // One truth: hours and window of the winter are those of the season page, less what is reported done.
            double Left(JsonNode pass) =>
                (double)pass["hours"]!["paid"]!
                * (
                    1
                    - (double)line["passes"]!.AsArray().Single(p => (string)p!["id"]! == (string)pass["id"]!)!["done"]!
                );
            var winter = view["programme"]!["passes"]!
                .AsArray()
                .Where(p => (bool)p!["isWinter"]! && (string)p["state"]! is not ("done" or "leftOut"))
                .ToList();
            Assert.Equal(winter.Count == 0, line["work"] is null);
            if (winter.Count > 0)
            {
                Assert.Equal((double)line["work"]!["hours"]!, winter.Sum(p => Left(p!)), 6);
                Assert.Equal((string?)line["work"]!["window"]!["to"], winter.Max(p => (string?)p!["to"]));
            }
            // And the glance of each pass is the pass.
            Assert.Equal(
                view["programme"]!["passes"]!.AsArray().Select(p => $"{p!["id"]} {p["from"]} {p["to"]} {p["state"]}"),
                line["passes"]!.AsArray().Select(p => $"{p!["id"]} {p["from"]} {p["to"]} {p["state"]}")
            );
        }
    }

    [Fact]
    public async Task A_day_noted_moves_what_comes_after_it_and_the_history_tells_it()
    {
        var planting = await _client.PlantingAsync("H4");
        var before = await Programme("H4");
        var (status, body) = await Note(
            _client,
            planting,
            """{"anchor": "greenTip", "day": "2027-04-02"}, {"anchor": "coldNight", "day": "2027-01-20"}"""
        );
        Assert.True(status == 200, body.ToJsonString());
        var after = await Programme("H4");
        Assert.NotEqual(
            (string)Pass(before, "winter")["window"]!["to"]!,
            (string)Pass(after, "winter")["window"]!["to"]!
        );
        Assert.Equal("2027-03-25", (string)Pass(after, "winter")["window"]!["to"]!); // silver tip, eight days before
        Assert.Equal("2027-01-21", (string)Pass(after, "cold-look")["window"]!["from"]!);
        var history = await _client.ReadAsync($"/api/v1/plantings/{(string)planting["id"]!}/history");
        Assert.Contains(history.AsArray(), c => (string?)c!["new"] == "2027-04-02");
    }

    [Theory]
    [InlineData(
        """{"anchor": "harvestBegin", "day": "2027-04-01"}, {"anchor": "bloom", "day": "2027-05-01"}""",
        "noted[0].day"
    )]
    [InlineData(
        """{"anchor": "bloom", "day": "2027-05-01"}, {"anchor": "bloom", "day": "2027-05-02"}""",
        "noted[1].anchor"
    )]
    [InlineData("""{"anchor": "bloom"}""", "noted[0].day")]
    public async Task Days_that_cannot_be_are_told_at_their_place(string days, string field)
    {
        var (status, body) = await Note(_client, await _client.PlantingAsync("H2"), days);
        Assert.Equal(400, status);
        Assert.Contains(field, Api.ProblemFields(body));
    }

    [Fact]
    public async Task A_counter_reads_the_year_and_notes_nothing()
    {
        using var counter = application.ClientOf(Role.Counter);
        Assert.NotEmpty((await counter.ReadAsync("/api/v1/year"))["plantings"]!.AsArray());
        Assert.Equal(403, (await Note(counter, await _client.PlantingAsync("H3"), "")).Status);
    }

    [Fact]
    public async Task The_year_of_the_estate_is_the_sum_of_its_plantings()
    {
        var year = await _client.ReadAsync("/api/v1/year");
        var passes = year["plantings"]!.AsArray().SelectMany(p => p!["passes"]!.AsArray());
        var told = passes
            .Where(p => p!["from"] is not null && p["hours"] is not null && (string)p["state"]! != "leftOut")
            .Sum(p => (double)p!["hours"]!);
        Assert.Equal(told, (double)year["crew"]!["hours"]!, 3);
        Assert.True(told > 0);
    }

    // W5 is not counted yet: what was answered holds all the same.
    [Fact]
    public async Task Two_passes_chosen_before_the_count_are_two_passes()
    {
        var planting = await _client.PlantingAsync("W5");
        var before = await _client.ReadAsync("/api/v1/season");
        var (status, body) = await _client.PutAsync(
            $"/api/v1/plantings/{(string)planting["id"]!}/cutting",
            $$"""{"version": {{(uint)planting["planVersion"]!}}, "cutting": {"answers": {"passes": "two"} } }"""
        );
        Assert.True(status == 200, body.ToJsonString());
        var passes = (await Programme("W5"))["programme"]!["passes"]!.AsArray().Select(p => (string)p!["id"]!).ToList();
        Assert.Contains("major", passes);
        Assert.DoesNotContain("winter", passes);
        string To(JsonNode season) =>
            (string)season["plantings"]!.AsArray().Single(p => (string)p!["code"]! == "W5")!["work"]!["window"]!["to"]!;
        // Detail goes on to green tip, eight days longer.
        Assert.Equal(
            DateOnly.Parse(To(before), System.Globalization.CultureInfo.InvariantCulture).AddDays(8),
            DateOnly.Parse(
                To(await _client.ReadAsync("/api/v1/season")),
                System.Globalization.CultureInfo.InvariantCulture
            )
        );
    }

    // 41° S: green tip on 12 September of the year before the harvest; the winter lies from May to September.
    [Fact]
    public async Task An_estate_in_the_south_is_pruned_from_may_to_september()
    {
        using var client = await application.InNewEstateAsync(_client, "South");
        await client.ImportAsync(
            "save",
            "Site,Block,Planting,Name,Variety,Rootstock,Year planted,Row spacing (m),Tree spacing (m),Area (ha)\n"
                + "Lake,L1,L1,Piece,Topaz,M.9,2016,3.5,1,2\n"
        );
        var planting = await client.PlantingAsync("L1");
        var (status, body) = await client.PutAsync(
            $"/api/v1/plantings/{(string)planting["id"]!}/records",
            $$"""
            {"version": {{(uint)planting["plantingVersion"]!}}, "records": {"seasons": [
              {"season": 2025, "yield": {"value": 40, "unit": "t/ha"}, "greenTip": "2024-09-10"},
              {"season": 2026, "yield": {"value": 44, "unit": "t/ha"}, "greenTip": "2025-09-14"} ] } }
            """
        );
        Assert.True(status == 200, body.ToJsonString());
        var view = await client.ReadAsync($"/api/v1/plantings/{(string)planting["id"]!}/programme");
        var winter = Pass(view, "winter")["window"]!;
        Assert.Equal(("2026-05-26", "2026-09-04"), ((string)winter["from"]!, (string)winter["to"]!));
        Assert.Equal(
            "2027-02-24",
            (string)view["days"]!.AsArray().Single(d => (string)d!["anchor"]! == "harvestBegin")!["day"]!
        );
    }

    [Fact]
    public async Task The_calculators_answer_alone()
    {
        var (status, hours) = await _client.PostAsync(
            "/api/v1/calculations/pass-hours",
            """{"trees": 6400, "minutesPerTree": 2.6, "logs": [0.21, 0.34, 0.08, 0.27]}"""
        );
        Assert.Equal((200, 413.8), (status, Math.Round((double)hours["paid"]!, 1))); // handbook 6.3
        (status, var window) = await _client.PostAsync(
            "/api/v1/calculations/pass-window",
            """{"pass": "brush", "crop": "apple", "greenTip": "2027-03-15"}"""
        );
        Assert.Equal((200, "2027-03-15"), (status, (string)window["to"]!));
        (status, var late) = await _client.PostAsync(
            "/api/v1/calculations/late-cost",
            """{"day": "2027-04-30", "greenTip": "2027-03-15", "crop": "apple"}"""
        );
        Assert.Equal((200, 0.15), (status, Math.Round((double)late["share"]!, 9)));
        Assert.Equal(400, (await _client.PostAsync("/api/v1/calculations/late-cost", "{}")).Status);
        Assert.Equal(400, (await _client.PostAsync("/api/v1/calculations/programme", "{}")).Status);
        var planting = await _client.PlantingAsync("W4");
        (status, var programme) = await _client.PostAsync(
            "/api/v1/calculations/programme",
            new JsonObject
            {
                ["plan"] = new JsonObject { ["season"] = 2027, ["planting"] = planting["planting"]!.DeepClone() },
                ["greenTip"] = "2027-03-15",
            }.ToJsonString()
        );
        Assert.True(status == 200, programme.ToJsonString());
        Assert.NotEmpty(programme["passes"]!.AsArray());
    }
}
