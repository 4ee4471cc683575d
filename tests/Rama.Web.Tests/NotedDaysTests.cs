using System.Text.Json.Nodes;

namespace Rama.Web.Tests;

/// <summary>Days of the year, noted at many plantings at once.</summary>
public sealed class NotedDaysTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private readonly HttpClient _client = application.ClientOf();

    private async Task<JsonArray> Lines(string anchor = "greenTip") =>
        [
            .. (await _client.ReadAsync($"/api/v1/days?anchor={anchor}"))["groups"]!
                .AsArray()
                .SelectMany(g => g!["plantings"]!.AsArray())
                .Select(p => p!.DeepClone()),
        ];

    private async Task<JsonNode> Line(string code, string anchor = "greenTip") =>
        (await Lines(anchor)).Single(p => (string)p!["code"]! == code)!;

    private static string Day(JsonNode line, string? day, string anchor = "greenTip") =>
        $$"""
            {"planting": "{{line["id"]}}", "version": {{line["version"]}}, "anchor": "{{anchor}}",
             "day": {{(day is null ? "null" : $"\"{day}\"")}} }
            """;

    private Task<(int Status, JsonNode Body)> Note(params string[] days) =>
        _client.PutAsync("/api/v1/days", $$"""{"days": [{{string.Join(", ", days)}}]}""");

    [Fact]
    public async Task Every_planting_stands_in_one_line_and_its_day_is_that_of_its_programme()
    {
        var season = (await _client.ReadAsync("/api/v1/season"))["plantings"]!.AsArray();
        var lines = await Lines("bloom");
        Assert.Equal(season.Select(p => (string)p!["code"]!).Order(), lines.Select(p => (string)p!["code"]!).Order());
        foreach (var line in lines)
        {
            var days = (await _client.ReadAsync($"/api/v1/plantings/{line!["id"]}/programme"))["days"]!.AsArray();
            var bloom = days.SingleOrDefault(d => (string)d!["anchor"]! == "bloom");
            Assert.Equal((string?)bloom?["day"], (string?)line["day"]);
            Assert.Equal((string?)bloom?["basis"], (string?)line["basis"]);
        }
    }

    [Fact]
    public async Task One_day_is_noted_at_all_of_a_variety_and_taken_back_at_one()
    {
        var group = (await _client.ReadAsync("/api/v1/days"))["groups"]!
            .AsArray()
            .First(g => g!["plantings"]!.AsArray().Count > 1)!;
        var lines = group["plantings"]!.AsArray();
        var (status, body) = await Note([.. lines.Select(l => Day(l!, "2027-03-10"))]);
        Assert.True(status == 204, body?.ToJsonString());
        foreach (var line in lines)
        {
            var now = await Line((string)line!["code"]!);
            Assert.Equal(("2027-03-10", "recorded"), ((string)now["day"]!, (string)now["basis"]!));
        }
        var one = await Line((string)lines[0]!["code"]!);
        Assert.Equal(204, (await Note(Day(one, null))).Status);
        Assert.NotEqual("recorded", (string?)(await Line((string)one["code"]!))["basis"]);
        Assert.Equal("recorded", (string?)(await Line((string)lines[1]!["code"]!))["basis"]);
    }

    [Fact]
    public async Task What_cannot_be_is_told_at_its_line_and_nothing_is_noted()
    {
        var (h4, h5) = (await Line("H4"), await Line("H5"));
        Assert.Equal(204, (await Note(Day(h5, "2027-04-20", "bloom"))).Status);
        h5 = await Line("H5");
        // After its bloom; and of another season.
        foreach (var day in new[] { "2027-05-02", "2026-02-10" })
        {
            var (status, body) = await Note(Day(h4, "2027-03-11"), Day(h5, day));
            Assert.Equal(400, status);
            Assert.Equal(["days[1].day"], Api.ProblemFields(body));
        }
        Assert.NotEqual("2027-03-11", (string?)(await Line("H4"))["day"]);
    }

    [Fact]
    public async Task A_plan_changed_meanwhile_is_not_written_over()
    {
        var before = await Line("H3");
        Assert.Equal(204, (await Note(Day(before, "2027-03-09"))).Status);
        var (status, body) = await Note(Day(before, "2027-03-12"));
        Assert.Equal(400, status);
        Assert.Equal(["days"], Api.ProblemFields(body));
        Assert.Equal("2027-03-09", (string)(await Line("H3"))["day"]!);
    }

    [Fact]
    public async Task Two_who_note_at_once_do_not_both_win()
    {
        var line = await Line("W2");
        var answers = await Task.WhenAll(Note(Day(line, "2027-03-08")), Note(Day(line, "2027-03-15")));
        Assert.Equal([204, 400], answers.Select(a => a.Status).Order());
    }

    [Fact]
    public async Task Nothing_told_notes_nothing() => Assert.Equal(["days"], Api.ProblemFields((await Note()).Body));
}
