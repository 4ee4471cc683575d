using System.Text.Json;
using System.Text.Json.Serialization;
using Rama.Core.Systems;

namespace Rama.Core.Tests.Systems;

public sealed class PartNeedsTests
{
    private static readonly JsonSerializerOptions Written = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
    };

    private sealed record PackFile([property: JsonPropertyName("$schema")] string Schema, TrainingSystem System);

    // Whatever is taken over from any shipped system reads without fault beside what it brings along.
    [Fact]
    public void Every_step_reads_in_an_empty_system_with_what_it_needs()
    {
        foreach (var system in TrainingSystem.Shipped)
        foreach (var step in system.Steps)
        {
            var needs = PartNeeds.Of(system, step);
            var taken = TrainingSystem.Blank with
            {
                Settings =
                [
                    .. system.Settings.Where(s => needs.Settings.Contains(s.Id)).Select(s => s with { Tries = [] }),
                ],
                Terms = system.Terms.Where(t => needs.Terms.Contains(t.Key)).ToDictionary(),
                Passes = system.Passes,
                Steps = [step],
            };
            var json = JsonSerializer.Serialize(new PackFile("x", taken), Written);
            Assert.Equal(step.Id, TrainingSystem.Parse(json).Steps[0].Id);
        }
    }

    [Fact]
    public void A_step_brings_what_its_terms_name_and_nothing_else()
    {
        var system = TrainingSystem.Find("two-axis-short-renewal")!;
        var needs = PartNeeds.Of(system, system.Steps.Single(s => s.Id == "thick-limbs"));
        Assert.Equal(["too-big"], needs.Terms);
        Assert.Equal(["big-from", "big-limbs", "stub"], needs.Settings.Order(StringComparer.Ordinal));
    }

    [Fact]
    public void A_question_brings_the_numbers_its_answers_change()
    {
        var system = TrainingSystem.Find("two-axis-short-renewal")!;
        var needs = PartNeeds.Of(system, system.Questions.Single(q => q.Id == "renewal"));
        Assert.Equal(["renewal-share"], needs.Settings);
    }
}
