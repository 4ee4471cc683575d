using System.Text.Json.Nodes;
using Rama.Data.People;

namespace Rama.Web.Tests;

/// <summary>Passes decided on and reported, and their cards.</summary>
public sealed class PassTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private readonly HttpClient _client = application.ClientOf();

    private async Task<string> PathOf(string code) =>
        $"/api/v1/plantings/{(string)(await _client.PlantingAsync(code))["id"]!}";

    private static async Task<(int Status, JsonNode Body)> Plan(
        HttpClient client,
        string path,
        string pass,
        string choice,
        uint version = 0
    ) => await client.PutAsync($"{path}/passes/{pass}", $$"""{"version": {{version}}, "choice": {{choice}}}""");

    private static async Task<(int Status, JsonNode Body)> Report(
        HttpClient client,
        string path,
        string pass,
        string done,
        uint version = 0
    ) =>
        await client.PutAsync(
            $"{path}/passes/{pass}/done",
            $$"""{"version": {{version}}, "report": {"done": {{done}} } }"""
        );

    private static JsonNode Pass(JsonNode view, string id) =>
        view["programme"]!["passes"]!.AsArray().Single(p => (string)p!["id"]! == id)!;

    [Fact]
    public async Task A_crew_lead_reports_a_pass_and_the_season_has_it_behind_it()
    {
        var path = await PathOf("H3");
        using var lead = application.ClientOf(Role.CrewLead);
        Assert.Equal(204, (await Report(lead, path, "winter", "\"2027-01-20\"")).Status);
        var view = await _client.ReadAsync($"{path}/programme");
        Assert.Equal(
            ("done", "2027-01-20"),
            ((string)Pass(view, "winter")["state"]!, (string)Pass(view, "winter")["choice"]!["done"]!)
        );
        var season = await _client.ReadAsync("/api/v1/season");
        Assert.Null(season["plantings"]!.AsArray().Single(p => (string)p!["code"]! == "H3")!["work"]);
        Assert.Contains((await _client.ReadAsync($"{path}/history")).AsArray(), c =>
            (string)c!["subject"]! == "pass" && c.ToJsonString().Contains("2027-01-20", StringComparison.Ordinal)
        );
        // What was read before the report is no longer what stands; and it can be taken back.
        var (status, body) = await Report(lead, path, "winter", "null");
        Assert.Equal((400, "pass"), (status, Api.ProblemFields(body)[0]));
        Assert.Equal(204, (await Report(lead, path, "winter", "null", (uint)view["versions"]!["winter"]!)).Status);
        Assert.Equal("open", (string)Pass(await _client.ReadAsync($"{path}/programme"), "winter")["state"]!);
        // A crew lead reports, a manager plans, a counter does neither.
        Assert.Equal(403, (await Plan(lead, path, "thinning", """{"leftOut": true, "reason": "x"}""")).Status);
        using var counter = application.ClientOf(Role.Counter);
        Assert.Equal(403, (await Report(counter, path, "winter", "\"2027-01-20\"")).Status);
    }

    [Fact]
    public async Task A_manager_moves_adds_and_leaves_out()
    {
        var path = await PathOf("H10");
        var before = (double)(await _client.ReadAsync("/api/v1/year"))["crew"]!["hours"]!;
        Assert.Equal(
            204,
            (await Plan(_client, path, "thinning", """{"leftOut": true, "reason": "thinned by spray"}""")).Status
        );
        Assert.Equal(204, (await Plan(_client, path, "summer-light", """{"added": true}""")).Status);
        Assert.Equal(
            204,
            (await Plan(_client, path, "winter", """{"from": "2027-02-01", "to": "2027-02-05"}""")).Status
        );
        var view = await _client.ReadAsync($"{path}/programme");
        Assert.Equal("leftOut", (string)Pass(view, "thinning")["state"]!);
        Assert.Equal("2027-02-05", (string)Pass(view, "winter")["to"]!);
        var after = (double)(await _client.ReadAsync("/api/v1/year"))["crew"]!["hours"]!;
        double Paid(string pass) => (double)Pass(view, pass)["hours"]!["paid"]!;
        Assert.Equal(before - Paid("thinning") + Paid("summer-light"), after, 6);
        var season = await _client.ReadAsync("/api/v1/season");
        var line = season["plantings"]!.AsArray().Single(p => (string)p!["code"]! == "H10")!;
        Assert.Equal("2027-02-05", (string)line["work"]!["window"]!["to"]!);
        // The season at hand alone has them: the winter before was another.
        var (status, _) = await Plan(_client, path, "winter", "{}", (uint)view["versions"]!["winter"]!);
        Assert.Equal(204, status);
    }

    [Theory]
    [InlineData("no-such-pass", """{}""", "pass")]
    [InlineData("winter", """{"leftOut": true}""", "reason")]
    [InlineData("winter", """{"from": "2027-02-05", "to": "2027-02-01"}""", "to")]
    [InlineData("winter", """{"added": true}""", "added")]
    public async Task What_cannot_be_decided_is_told_at_its_field(string pass, string choice, string field)
    {
        var (status, body) = await Plan(_client, await PathOf("W1"), pass, choice);
        Assert.Equal(400, status);
        Assert.Contains(field, Api.ProblemFields(body));
    }

    [Fact]
    public async Task Nobody_plans_the_passes_of_another_estate()
    {
        using var other = await application.InNewEstateAsync(_client, "Elsewhere");
        var path = await PathOf("W1");
        Assert.Equal(404, (await Plan(other, path, "thinning", """{"leftOut": true, "reason": "x"}""")).Status);
        Assert.Equal(404, (await Report(other, path, "winter", "\"2027-01-20\"")).Status);
        Assert.Equal(404, (await other.SendAsync(HttpMethod.Get, $"{path}/passes/winter/card")).Status);
    }

    // Two at once: one is saved, the other told.
    [Fact]
    public async Task Of_two_who_decide_at_once_one_is_told()
    {
        var path = await PathOf("W6");
        var answers = await Task.WhenAll(
            Enumerable
                .Range(0, 6)
                .Select(i => Plan(_client, path, "set-count", $$"""{"leftOut": true, "reason": "{{i}}"}"""))
        );
        Assert.Equal(1, answers.Count(a => a.Status == 204));
        Assert.All(answers.Where(a => a.Status != 204), a => Assert.Equal(["pass"], Api.ProblemFields(a.Body)));
    }

    [Fact]
    public async Task Decisions_come_in_from_a_file_and_say_what_is_wrong_by_line()
    {
        await _client.ImportAsync(
            "save",
            "Planting,Pass,Left out because,Pass done\nW1,Hand thinning,sprayed,\nW1,winter,,2027-01-25\n",
            "passes"
        );
        var view = await _client.ReadAsync($"{await PathOf("W1")}/programme");
        Assert.Equal("leftOut", (string)Pass(view, "thinning")["state"]!);
        Assert.Equal("done", (string)Pass(view, "winter")["state"]!);
        var checkedFile = await _client.ImportAsync(
            "check",
            "Planting,Pass,Left out because,Pass done\nW1,Moon walk,,\nW1,winter,why,2027-01-25\n",
            "passes"
        );
        Assert.Equal(
            [(2, "pass"), (3, "done")],
            checkedFile["problems"]!.AsArray().Select(p => ((int)p!["line"]!, (string)p["field"]!))
        );
    }

    [Fact]
    public async Task Cards_of_two_passes_share_the_cuts_between_them()
    {
        var planting = await _client.PlantingAsync("H4");
        var path = $"/api/v1/plantings/{(string)planting["id"]!}";
        var (status, _) = await _client.PutAsync(
            $"{path}/cutting",
            $$"""{"version": {{(uint)planting["planVersion"]!}}, "cutting": {"answers": {"passes": "two"} } }"""
        );
        Assert.Equal(200, status);
        var all = await _client.ReadAsync($"{path}/card");
        string[] Made(JsonNode card) =>
            [.. card["cuts"]!.AsArray().Where(c => (bool)c!["made"]!).Select(c => $"{c!["stepId"]} {c["howMany"]}")];
        var major = await _client.ReadAsync($"{path}/passes/major/card");
        var detail = await _client.ReadAsync($"{path}/card?pass=detail");
        Assert.NotEmpty(Made(major));
        Assert.Empty(Made(major).Intersect(Made(detail)));
        // What is cut is the same, whether in one go or in two.
        Assert.Equal(Made(all).Order(), Made(major).Concat(Made(detail)).Order());
        Assert.Equal(all["headline"]!.ToJsonString(), detail["headline"]!.ToJsonString());
        Assert.Contains("major cuts", detail["notes"]!.ToJsonString(), StringComparison.Ordinal);
        Assert.NotEmpty(major["drawing"]!["cuts"]!.AsArray());
    }

    [Theory]
    [InlineData("H8", "top")]
    [InlineData("W7", "side")]
    public async Task What_is_cut_after_harvest_has_its_card_and_its_bench(string code, string step)
    {
        var path = await PathOf(code);
        var card = await _client.ReadAsync($"{path}/passes/after-harvest/card?language=es");
        Assert.Contains(step, card["cuts"]!.AsArray().Select(c => (string)c!["stepId"]!));
        Assert.NotEmpty(card["drawing"]!["cuts"]!.AsArray());
        Assert.Contains("secos", card["days"]!.ToJsonString(), StringComparison.Ordinal);
        var (status, bench) = await _client.PostAsync($"{path}/bench", """{"pass": "after-harvest"}""");
        Assert.Equal(200, status);
        Assert.Contains(step, bench["prescribed"]!.AsArray().Select(c => (string?)c!["stepId"]));
        // The winter's bench has none of it.
        (_, bench) = await _client.PostAsync($"{path}/bench", "{}");
        Assert.DoesNotContain(step, bench["prescribed"]!.AsArray().Select(c => (string?)c!["stepId"]));
    }

    // One truth: what a late pass costs is told alike by programme and card. Green tip noted a month before today.
    [Fact]
    public async Task A_late_card_says_to_leave_more()
    {
        var planting = await _client.PlantingAsync("H6");
        var path = $"/api/v1/plantings/{(string)planting["id"]!}";
        Assert.DoesNotContain("knocked off", (await _client.ReadAsync($"{path}/card"))["notes"]!.ToJsonString());
        await _client.PutAsync(
            $"{path}/days",
            $$"""
            {"version": {{(uint)planting["planVersion"]!}}, "days": {"noted": [
              {"anchor": "greenTip", "day": "2026-12-27"}, {"anchor": "bloom", "day": "2027-01-20"} ] } }
            """
        );
        var programme = await _client.ReadAsync($"{path}/programme");
        Assert.Equal(0.15, (double)programme["late"]!["share"]!, 9);
        // 1 ÷ .85 is 18 % more.
        var notes = (await _client.ReadAsync($"{path}/card"))["notes"]!.ToJsonString();
        Assert.Contains("about 15 %", notes, StringComparison.Ordinal);
        Assert.Contains("Leave 18 % more", notes, StringComparison.Ordinal);
    }
}
