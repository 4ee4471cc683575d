using System.Text.Json.Nodes;
using Rama.Data.People;

namespace Rama.Web.Tests;

/// <summary>Notes at plantings, with a day to come back to them.</summary>
public sealed class NoteTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private readonly HttpClient _client = application.ClientOf();

    private async Task<string> Of(string code) => $"/api/v1/plantings/{(await _client.PlantingAsync(code))["id"]}";

    private static string Note(string text, string? comeBack = null, bool inRow = false, uint version = 0) =>
        new JsonObject
        {
            ["version"] = version,
            ["note"] = new JsonObject
            {
                ["text"] = text,
                ["comeBack"] = comeBack,
                ["inRow"] = inRow,
            },
        }.ToJsonString();

    private async Task<JsonNode?> Told(string planting, Guid id) =>
        (await _client.ReadAsync($"{planting}/notes")).AsArray().SingleOrDefault(n => (string)n!["id"]! == $"{id}");

    // The demo's day is 27 January 2027.
    [Fact]
    public async Task A_note_comes_back_on_its_day_and_no_more_once_it_is_done()
    {
        var (planting, today, later) = (await Of("H10"), Guid.NewGuid(), Guid.NewGuid());
        Assert.Equal(204, (await _client.PutAsync($"{planting}/notes/{today}", Note("Props", "2027-01-27"))).Status);
        Assert.Equal(204, (await _client.PutAsync($"{planting}/notes/{later}", Note("Wire", "2027-01-28"))).Status);
        async Task<IEnumerable<string>> Due() =>
            (await _client.ReadAsync("/api/v1/notes/due"))
                .AsArray()
                .Where(d => (string)d!["code"]! == "H10")
                .Select(d => (string)d!["note"]!["text"]!);
        Assert.Equal(["Props"], await Due());
        var version = (uint)(await Told(planting, today))!["version"]!;
        Assert.Equal(
            204,
            (
                await _client.PutAsync(
                    $"{planting}/notes/{today}/done",
                    $$"""{"version": {{version}}, "isDone": true}"""
                )
            ).Status
        );
        Assert.Empty(await Due());
        var done = (await Told(planting, today))!;
        Assert.Equal(("2027-01-27", false), ((string)done["done"]!, (bool)done["isDue"]!));
        // The history tells all of it.
        var told = (await _client.ReadAsync($"{planting}/history"))
            .AsArray()
            .Where(c => (string)c!["subject"]! == "note")
            .Select(c => $"{c!["field"]} {c["new"]}")
            .ToList();
        Assert.Contains("done 2027-01-27", told);
        Assert.Contains(told, c => c.Contains("text: Props", StringComparison.Ordinal));
    }

    [Fact]
    public async Task Whoever_changes_a_note_second_is_told_and_a_note_sent_twice_is_one()
    {
        var (planting, id) = (await Of("H3"), Guid.NewGuid());
        Assert.Equal(204, (await _client.PutAsync($"{planting}/notes/{id}", Note("Hail net torn"))).Status);
        var (status, body) = await _client.PutAsync($"{planting}/notes/{id}", Note("Hail net torn"));
        Assert.Equal((400, "changed"), (status, (string)body["problems"]![0]!["code"]!));
        var version = (uint)(await Told(planting, id))!["version"]!;
        var answers = await Task.WhenAll(
            Enumerable
                .Range(1, 2)
                .Select(i => _client.PutAsync($"{planting}/notes/{id}", Note($"Net {i}", version: version)))
        );
        Assert.Equal([204, 400], answers.Select(a => a.Status).Order());
        Assert.Equal(204, (await _client.SendAsync(HttpMethod.Delete, $"{planting}/notes/{id}")).Status);
        Assert.Equal(404, (await _client.SendAsync(HttpMethod.Delete, $"{planting}/notes/{id}")).Status);
    }

    [Fact]
    public async Task Only_what_is_for_the_row_goes_along_into_it()
    {
        var planting = await Of("W4");
        foreach (var (text, inRow) in new[] { ("Mind the bees", true), ("Ask for a price", false) })
            Assert.Equal(
                204,
                (await _client.PutAsync($"{planting}/notes/{Guid.NewGuid()}", Note(text, inRow: inRow))).Status
            );
        using var counter = application.ClientOf(Role.Counter);
        Assert.Contains("Mind the bees", Along(await counter.ReadAsync($"{planting}/kit")));
        Assert.DoesNotContain("Ask for a price", Along(await counter.ReadAsync($"{planting}/kit")));

        static IEnumerable<string> Along(JsonNode kit) => kit["notes"]!.AsArray().Select(n => (string)n!);
    }

    [Theory]
    [InlineData("", null, "text")]
    [InlineData("Come back in our time", "2090-01-01", "comeBack")]
    public async Task What_cannot_be_noted_is_told_at_its_field(string text, string? comeBack, string field)
    {
        var (status, body) = await _client.PutAsync($"{await Of("H2")}/notes/{Guid.NewGuid()}", Note(text, comeBack));
        Assert.Equal(400, status);
        Assert.Equal([field], Api.ProblemFields(body));
    }

    [Fact]
    public async Task A_planting_takes_a_hundred_notes_and_another_estate_none_of_them()
    {
        var planting = await Of("H5");
        for (var i = (await _client.ReadAsync($"{planting}/notes")).AsArray().Count; i < 100; i++)
            Assert.Equal(204, (await _client.PutAsync($"{planting}/notes/{Guid.NewGuid()}", Note($"No. {i}"))).Status);
        var (status, body) = await _client.PutAsync($"{planting}/notes/{Guid.NewGuid()}", Note("One more"));
        Assert.Equal((400, "full"), (status, (string)body["problems"]![0]!["code"]!));
        using var elsewhere = await application.InNewEstateAsync(_client, "Beside the notes");
        Assert.Equal(404, (await elsewhere.SendAsync(HttpMethod.Get, $"{planting}/notes")).Status);
        Assert.Empty((await elsewhere.ReadAsync("/api/v1/notes/due")).AsArray());
        Assert.Equal(404, (await elsewhere.PutAsync($"{planting}/notes/{Guid.NewGuid()}", Note("Theirs"))).Status);
    }
}
