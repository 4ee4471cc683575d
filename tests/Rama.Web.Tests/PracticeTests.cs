using System.Text.Json.Nodes;
using Rama.Data.People;

namespace Rama.Web.Tests;

/// <summary>Which trees a pruner of the demo estate is given.</summary>
public sealed class PracticeTests(RamaApplication application) : IClassFixture<RamaApplication>
{
    private readonly HttpClient _pruner = application.ClientOf(Role.Counter);

    [Fact]
    public async Task A_first_day_is_five_trees_of_several_systems_each_harder_than_the_last()
    {
        var course = (await _pruner.ReadAsync("/api/v1/practice/course")).AsArray();
        Assert.Equal(5, course.Count);
        var hard = course.Select(t => (double)t!["asks"]!["difficulty"]!).ToList();
        Assert.Equal(hard.Order(), hard);
        Assert.True(course.Select(t => (string)t!["system"]!["en"]!).Distinct().Count() >= 3);
        foreach (var tree in course)
        {
            var bench = await Bench(tree!["planting"]!, tree["asks"]!);
            // Each carries more than it should, and its card cuts what the course says.
            Assert.True((double)bench["before"]!["floralBuds"]! > (double)bench["toLeave"]!);
            Assert.Equal((int)tree["asks"]!["cuts"]!, bench["prescribed"]!.AsArray().Count(c => c!["bud"] is null));
        }
    }

    [Fact]
    public async Task The_next_tree_is_another_and_trains_what_was_said_of_the_last()
    {
        var id = (string)(await _pruner.PlantingAsync("H4"))["id"]!;
        List<int> seen = [];
        for (var i = 0; i < 20; i++)
        {
            var (status, next) = await _pruner.PostAsync(
                $"/api/v1/plantings/{id}/practice/next",
                $$"""{"seen": [{{string.Join(", ", seen)}}], "said": ["practice.big-left"]}"""
            );
            Assert.Equal(200, status);
            if (next["tree"] is null)
                break;
            var number = (int)next["tree"]!["number"]!;
            Assert.DoesNotContain(number, seen);
            if (i == 0)
                Assert.Equal("bigLimbs", (string)next["trains"]!);
            seen.Add(number);
        }
        Assert.InRange(seen.Count, 5, 12);
    }

    private async Task<JsonNode> Bench(JsonNode planting, JsonNode asks)
    {
        var (status, bench) = await _pruner.PostAsync(
            $"/api/v1/plantings/{planting}/bench",
            $$"""{"class": "{{asks["class"]}}", "number": {{asks["number"]}}}"""
        );
        Assert.Equal(200, status);
        return bench;
    }
}
