using Rama.Core.Decide;
using Rama.Core.Estate;
using Rama.Core.Passes;
using Rama.Core.Season;
using Rama.Core.Systems;

namespace Rama.Core.Tests.Systems;

public sealed class SystemPassTests
{
    private const string Pass = """
        { "id": "own-summer", "name": { "en": "Own", "es": "Propia" }, "what": { "en": "a", "es": "b" },
          "from": [{ "anchor": "bloom", "days": 30 }], "to": [{ "anchor": "bloom", "days": 60 }], "hands": ["helper"],
          "secondsPerTree": 36, "source": "test" }
        """;

    private static string With(string pass, string step = Packs.Step) =>
        Packs.Json(step).Replace("\"keepOff\": []", $"\"keepOff\": [], \"passes\": [{pass}]", StringComparison.Ordinal);

    private static Programme Year(TrainingSystem system) =>
        Programme.Of(
            new(
                (Entries.Planting with { System = system.Id }).Read(
                    2027,
                    Catalogue.Shipped with
                    {
                        OwnSystems = [system],
                    }
                ),
                1_000,
                new Dictionary<string, string>(),
                AnchorDays.Of("apple", new(new(2027, 3, 15), 1, Core.Weather.GreenTipBasis.Planting)),
                DecisionKind.Reduce
            )
        );

    // Apple blooms 30 days after green tip: assumption of phenology.json. 1 000 trees at 36 s are ten hours.
    [Fact]
    public void A_pass_of_its_own_has_its_window_and_its_hours()
    {
        var pass = Year(TrainingSystem.Parse(With(Pass))).Passes.Single(p => p.Id == "own-summer");
        Assert.Equal((new DateOnly(2027, 5, 14), new DateOnly(2027, 6, 13)), (pass.From!.Value, pass.To!.Value));
        Assert.Equal(10, pass.Hours!.Working, 9);
        Assert.Empty(pass.Cuts);
    }

    [Fact]
    public void Steps_that_belong_to_it_are_cut_in_it_and_not_in_winter()
    {
        var step = Packs.Step.Replace(
            "\"id\": \"thick\",",
            "\"id\": \"thick\", \"pass\": \"own-summer\",",
            StringComparison.Ordinal
        );
        var rest = Packs.Step.Replace("\"thick\"", "\"other\"", StringComparison.Ordinal);
        var programme = Year(TrainingSystem.Parse(With(Pass, $"{step}, {rest}")));
        var own = programme.Passes.Single(p => p.Id == "own-summer");
        Assert.Equal(["thick"], own.Cuts.Select(c => c.Id));
        Assert.Equal(("own-summer", false), (own.BenchPass, own.GoesToNumber));
        Assert.Equal(["other"], programme.Passes.Single(p => p.IsWinter).Cuts.Select(c => c.Id));
    }

    [Theory]
    [InlineData("\"own-summer\"", "\"winter\"", "all systems share one")]
    [InlineData("\"own-summer\"", "\"Own!\"", "is no id")]
    [InlineData("\"days\": 60", "\"days\": 600", "to expects")]
    [InlineData("[{ \"anchor\": \"bloom\", \"days\": 60 }]", "[]", "to expects")] // a repeating pass without an end
    [InlineData("[\"helper\"]", "[]", "hands expects")]
    [InlineData("36", "-1", "secondsPerTree")]
    [InlineData("\"source\": \"test\"", "\"source\": \"test\", \"everyDays\": 0", "everyDays")]
    [InlineData("\"source\": \"test\"", "\"source\": \"test\", \"times\": 3", "times")]
    public void What_cannot_be_of_it_is_told(string find, string put, string said)
    {
        var fault = Assert.Throws<InvalidDataException>(() =>
            TrainingSystem.Parse(With(Pass.Replace(find, put, StringComparison.Ordinal)))
        );
        Assert.Contains(said, fault.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_step_names_a_pass_there_is_and_no_more_than_twelve_are_its_own()
    {
        var step = Packs.Step.Replace(
            "\"id\": \"thick\",",
            "\"id\": \"thick\", \"pass\": \"nowhere\",",
            StringComparison.Ordinal
        );
        Assert.Throws<InvalidDataException>(() => TrainingSystem.Parse(With(Pass, step)));
        var many = string.Join(
            ", ",
            Enumerable
                .Range(0, 13)
                .Select(i => Pass.Replace("own-summer", $"own-{(char)('a' + i)}", StringComparison.Ordinal))
        );
        Assert.Throws<InvalidDataException>(() => TrainingSystem.Parse(With(many)));
    }
}
