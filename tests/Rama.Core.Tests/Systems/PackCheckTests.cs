using System.Text.Json;
using Rama.Core.Explain;
using Rama.Core.Systems;

namespace Rama.Core.Tests.Systems;

/// <summary>Faults of a pack somebody writes: at their field, with the word that was meant.</summary>
public sealed class PackCheckTests
{
    private static FieldProblem Fault(string good, string bad)
    {
        var json = Packs.Json();
        Assert.Contains(good, json, StringComparison.Ordinal);
        return Assert
            .Throws<UnusableEntryException>(() =>
                TrainingSystem.Read(json.Replace(good, bad, StringComparison.Ordinal))
            )
            .Problems[0];
    }

    [Theory]
    [InlineData("diameter > big", "daimeter > big", "steps[0].find", "did you mean “diameter”?")]
    [InlineData("diameter > big", "diameter > bgi", "steps[0].find", "did you mean “big”?")]
    [InlineData("limbs where", "lims where", "steps[0].find", "did you mean “limbs”?")]
    [InlineData("diameter down", "diametr down", "steps[0].first", "did you mean “diameter”?")]
    [InlineData("\"most\": \"how-many\"", "\"most\": \"how-mnay\"", "steps[0].most", "did you mean “how-many”?")]
    public void A_word_nobody_knows_is_told_with_the_one_that_was_meant(
        string good,
        string bad,
        string field,
        string told
    )
    {
        var fault = Fault(good, bad);
        Assert.Equal(field, fault.Field);
        Assert.Contains(told, fault.Message, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("\"keepOff\": []", "\"keepOff\": [{ \"en\": \"The tip\", \"es\": \"\" }]", "keepOff[0]")]
    [InlineData("\"canopy\": \"wall\"", "\"canopy\": \"wall\", \"wiresM\": [0.8, 40]", "form.wiresM")]
    public void What_the_card_and_the_drawing_show_is_checked(string good, string bad, string field) =>
        Assert.Equal(field, Fault(good, bad).Field);

    // A far cry is no help.
    [Fact]
    public void No_word_is_proposed_that_is_not_near() =>
        Assert.DoesNotContain("did you mean", Fault("diameter > big", "wind > big").Message, StringComparison.Ordinal);

    [Theory]
    [InlineData("\"secondsEach\": 4", "\"secondsEach\": null", "steps[0].secondsEach")]
    [InlineData("\"value\": 14", "\"value\": null", "settings[0].value")]
    [InlineData("\"value\": 14", "\"value\": \"\"", "settings[0].value")]
    public void An_empty_number_is_a_fault_at_its_field(string good, string bad, string field)
    {
        var fault = Fault(good, bad);
        Assert.Equal(field, fault.Field);
        Assert.StartsWith("This is empty", fault.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void All_faults_of_a_pack_are_told_at_once()
    {
        var json = Packs
            .Json()
            .Replace("diameter > big", "daimeter > big", StringComparison.Ordinal)
            .Replace("\"most\": \"how-many\"", "\"most\": \"how-few\"", StringComparison.Ordinal);
        var faults = Assert.Throws<UnusableEntryException>(() => TrainingSystem.Read(json)).Problems;
        Assert.Equal(["steps[0].find", "steps[0].most"], faults.Select(f => f.Field));
    }

    [Fact]
    public void A_new_system_begins_with_what_can_be_cut_at_once()
    {
        Assert.Single(TrainingSystem.Blank.Steps);
        Assert.Equal(TrainingSystem.Blank, TrainingSystem.Blank.RulesFor().System);
        Assert.Null(TrainingSystem.Find(TrainingSystem.Blank.Id));
    }

    [Fact]
    public void Every_kind_of_cut_can_be_chosen_and_what_it_leaves_can_be_read()
    {
        Assert.Equal(Enum.GetValues<CutKind>(), CutChoice.All.Select(c => c.Kind));
        var begin = PackChoices.All.Begin;
        Assert.All(CutChoice.All, c =>
        {
            var kind = JsonNamingPolicy.CamelCase.ConvertName(c.Kind.ToString());
            var leaves = c.Leaves is null ? "" : $", \"leave\": \"{c.Leaves}\"";
            var step = Packs
                .Step.Replace("limbs where diameter > big", c.OnlyFor ?? begin.Find, StringComparison.Ordinal)
                .Replace("diameter down", c.First ?? begin.First, StringComparison.Ordinal)
                .Replace("\"collar\"", $"\"{kind}\"{leaves}", StringComparison.Ordinal);
            Assert.Equal(c.Kind, TrainingSystem.Read(Packs.Json(step)).Steps[0].Cut.Kind);
        });
    }

    // Words as long as a body may be would else be compared letter by letter.
    [Fact]
    public void A_pack_beyond_measure_is_refused_at_once()
    {
        var name = new string('a', 200_000);
        var kind = Fault("diameter > big", $"diameter > {name[..300]}");
        Assert.DoesNotContain("did you mean", kind.Message, StringComparison.Ordinal);
        Assert.Equal("steps", Fault("\"lookFor\": { \"en\": \"a\"", $"\"lookFor\": {{ \"en\": \"{name}\"").Field);
        var steps = string.Join(",", Enumerable.Repeat(Packs.Step, 500));
        var problems = Assert.Throws<UnusableEntryException>(() => TrainingSystem.Read(Packs.Json(steps))).Problems;
        Assert.Equal("steps", Assert.Single(problems).Field);
    }
}
