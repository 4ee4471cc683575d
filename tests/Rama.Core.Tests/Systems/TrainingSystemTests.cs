using Rama.Core.Decide;
using Rama.Core.Prescribe;
using Rama.Core.Systems;
using Rama.Core.Tests.Trees;

namespace Rama.Core.Tests.Systems;

public sealed class TrainingSystemTests
{
    [Fact]
    public void A_changed_copy_has_rules_of_its_own()
    {
        var pack = TrainingSystem.Parse(Packs.Json());
        Assert.Equal(14, pack.RulesFor().System.Settings[0].Value);
        var copy = pack with { Settings = [pack.Settings[0] with { Value = 20 }, pack.Settings[1]] };
        Assert.Equal(20, copy.RulesFor().System.Settings[0].Value);
    }

    [Fact]
    public void A_rule_pack_the_code_has_never_seen_is_carried_out()
    {
        var hand = new HandTree();
        hand.Limb(1, 20, buds: 10);
        hand.Limb(1.5, 16, buds: 8);
        hand.Limb(2, 15, buds: 7);
        for (var i = 0; i < 10; i++)
            hand.Limb(0.6 + i * 0.2, 13, buds: 3);
        // Over 14 mm, thickest first, two at most; 55 buds to 30: cut to the band of 27 at the lowest.
        var pruning = TreePruning.Of(
            TrainingSystem.Parse(Packs.Json()).RulesFor(),
            hand.Tree(),
            CutAllowance.Counted(55, 30, new(0.1, 0.9))
        );
        Assert.Equal([20, 16], pruning.Cuts.Select(c => c.DiameterMm));
        Assert.Equal(StepEnd.StepLimit, pruning.Ends["thick"]);
        Assert.Equal(37, pruning.Left.FloralBuds);
    }

    [Theory]
    [InlineData("diameter > big", "girth > big", "“girth” is no word for limbs")]
    [InlineData("diameter > big", "diameter > 22", "a length > a number means nothing")]
    [InlineData("diameter > big", "diameter", "is a length, expected yes or no")]
    [InlineData("diameter > big", "(diameter > big", "expected “)”")]
    [InlineData("diameter > big", "diameter > 3 mm mm", "“mm” was not expected")]
    [InlineData("diameter > big", "diameter * length > 3 mm", "means nothing here")]
    [InlineData("diameter > big", "diameter > §", "has no meaning here")]
    [InlineData("limbs where", "twigs where", "expected leaders, limbs, forks, shoots, wood or buds")]
    [InlineData("diameter down", "diameter", "expected “up”, “down” or “first”")]
    [InlineData("diameter down", "diameter first", "does not go with a length")]
    [InlineData("\"how-many\"", "\"how-few\"", "“how-few” is no word for tree")]
    [InlineData("\"collar\"", "\"renewalStub\"", "Say what this cut leaves")]
    [InlineData("\"collar\"", "\"rubOff\"", "Rubbing off is for buds")]
    [InlineData("\"collar\"", "\"saw\"", "cut.kind")]
    [InlineData("\"{height}\"", "\"{hight}\"", "{hight} is not known of a cut")]
    [InlineData("\"lookFor\": { \"en\": \"a\"", "\"lookFor\": { \"en\": \"over {bog}\"", "{bog} is no number")]
    [InlineData("\"secondsEach\": 4", "\"secondsEach\": -4", "secondsEach")]
    [InlineData("\"secondsEach\"", "\"secondEach\"", "secondEach")]
    [InlineData("\"reduce\"", "\"raise\"", "DecisionKind")]
    public void A_faulty_step_is_refused_with_the_reason(string good, string bad, string told) =>
        Refused(Packs.Json(Packs.Step.Replace(good, bad, StringComparison.Ordinal)), told);

    [Theory]
    [InlineData("\"leanDeg\": 0", "\"leanDeg\": 95", "leanDeg")]
    [InlineData("\"trunkM\": 0", "\"trunkM\": 3", "the leaders would have no length")]
    [InlineData("\"limbMm\": 12", "\"limbMm\": 0", "limbMm")]
    [InlineData("\"value\": 14", "\"value\": 90", "settings[0].value")]
    [InlineData("\"unit\": \"mm\"", "\"unit\": \"inch\"", "Unknown unit “inch”")]
    [InlineData("\"shareOfWood\": 0.5", "\"shareOfWood\": 0", "shareOfWood")]
    [InlineData("\"crops\": [\"apple\"]", "\"crops\": [\"hops\"]", "crops")]
    [InlineData("\"leaders\": 1", "\"leaders\": 0", "form.leaders")]
    [InlineData("\"id\": \"made-up\"", "\"id\": \"../made up\"", "A name for rules has lower-case letters")]
    [InlineData("\"buds\": 200", "\"buds\": 1e9", "buds must lie")]
    [InlineData("\"most\": 40", "\"most\": 1e999", "settings[0].least")]
    public void A_faulty_form_is_refused_with_the_reason(string good, string bad, string told) =>
        Refused(Packs.Json().Replace(good, bad, StringComparison.Ordinal), told);

    [Fact]
    public void Terms_that_lead_back_to_themselves_are_refused() =>
        Refused(
            Packs.Json(
                Packs.Step.Replace("diameter > big", "strong", StringComparison.Ordinal),
                terms: """{ "strong": "not weak", "weak": "not strong" }"""
            ),
            "strong → weak → strong lead back to themselves"
        );

    // A pack is written by people and read by the server all estates share: no rule may exhaust it.
    public static readonly TheoryData<string, string> Endless = new()
    {
        { "limbs where " + string.Join(" and ", Enumerable.Repeat("diameter > big", 40)), "expected at most 400" },
        { $"limbs where {new string('(', 60)}diameter{new string(')', 60)} > big", "nests more than 40 deep" },
        { $"limbs where {string.Concat(Enumerable.Repeat("not ", 60))}rival", "nests more than 40 deep" },
        { "limbs where t0", "parts" },
    };

    [Theory]
    [MemberData(nameof(Endless))]
    public void A_rule_that_would_exhaust_the_server_is_refused(string find, string told)
    {
        // Each term names the next twice: a thousand million parts at the thirtieth.
        var terms = string.Join(
            ", ",
            Enumerable.Range(0, 30).Select(i => $"\"t{i}\": \"{(i == 29 ? "rival" : $"t{i + 1} and t{i + 1}")}\"")
        );
        Refused(
            Packs.Json(
                Packs.Step.Replace("limbs where diameter > big", find, StringComparison.Ordinal),
                terms: $"{{ {terms} }}"
            ),
            told
        );
    }

    // 24 questions of 24 answers, each with an order of its own over a term that comes to 500 parts.
    [Fact]
    public void Rules_that_are_too_many_together_are_refused()
    {
        var terms = string.Join(
            ", ",
            Enumerable.Range(0, 8).Select(i => $"\"t{i}\": \"{(i == 7 ? "diameter" : $"max(t{i + 1}, t{i + 1})")}\"")
        );
        string Option(int q, int o) =>
            $$$"""
                { "id": "o{{{o}}}", "name": { "en": "a", "es": "b" }, "why": { "en": "a", "es": "b" },
                  "orders": { "thick": "t0 * {{{q
                    * 24
                    + o}}} up" } }
                """;
        var questions = string.Join(
            ", ",
            Enumerable
                .Range(0, 24)
                .Select(q =>
                    $$"""
                    { "id": "q{{q}}", "name": { "en": "a", "es": "b" }, "options": [{{string.Join(
                        ", ",
                        Enumerable.Range(0, 24).Select(o => Option(q, o))
                    )}}] }
                    """
                )
        );
        Refused(Packs.Json(terms: $"{{ {terms} }}", questions: $"[{questions}]"), "parts together");
    }

    [Fact]
    public void A_question_may_only_change_what_is_there() =>
        Refused(
            Packs.Json(
                questions: """
                [{ "id": "q", "name": { "en": "a", "es": "b" }, "options": [
                  { "id": "one", "name": { "en": "a", "es": "b" }, "why": { "en": "a", "es": "b" }, "leavesOut": ["forks"] },
                  { "id": "two", "name": { "en": "a", "es": "b" }, "why": { "en": "a", "es": "b" }, "sets": { "how-many": 9 } }] }]
                """
            ),
            "There is no step “forks”",
            "how-many must lie between 0 and 5"
        );

    [Fact]
    public void A_step_names_what_its_terms_name_and_no_part_of_a_word()
    {
        var system = Packs.Finding(
            "limbs where strong",
            terms: """{ "strong": "thick and not rival", "thick": "diameter > big" }"""
        );
        var step = Assert.Single(system.Steps);
        Assert.All(["big", "how-many", "rival"], word => Assert.True(system.Names(step, word)));
        Assert.All(["how", "many", "ratio"], word => Assert.False(system.Names(step, word)));
    }

    [Fact]
    public void An_answer_may_only_suit_traits_varieties_have() =>
        Refused(
            Packs.Json(
                questions: """
                [{ "id": "q", "name": { "en": "a", "es": "b" }, "options": [
                  { "id": "one", "name": { "en": "a", "es": "b" }, "why": { "en": "a", "es": "b" }, "suits": ["red"] },
                  { "id": "two", "name": { "en": "a", "es": "b" }, "why": { "en": "a", "es": "b" } }] }]
                """
            ),
            "It suits “red”"
        );

    [Theory]
    [InlineData("[")]
    [InlineData("null")]
    [InlineData("{ \"system\": 4 }")]
    [InlineData("{ \"$schema\": \"x\", \"system\": { \"steps\": [null] } }")]
    [InlineData("{ \"$schema\": \"x\", \"system\": { \"steps\": [{ \"use\": \"spray\" }] } }")]
    public void What_is_no_pack_is_refused(string json) =>
        Assert.Throws<InvalidDataException>(() => TrainingSystem.Parse(json));

    [Theory]
    [InlineData("terms")]
    [InlineData("orders")]
    public void A_rule_that_is_not_there_is_refused_at_its_place(string list) =>
        Assert.Contains(
            $"{list}.anything is empty",
            Assert
                .Throws<InvalidDataException>(() =>
                    TrainingSystem.Parse($$$"""{ "$schema": "x", "system": { "{{{list}}}": { "anything": null } } }""")
                )
                .Message,
            StringComparison.Ordinal
        );

    // Handbook 3.3: which crops, how many leaders, what pruning stops at.
    [Theory]
    [InlineData("tall-spindle", 1, SystemAim.Number, "apple", "pear")]
    [InlineData("long-pruned-spindle", 1, SystemAim.Light, "apple", "pear")]
    [InlineData("two-axis-short-renewal", 2, SystemAim.Number, "apple", "pear")]
    [InlineData("multi-leader-wall", 6, SystemAim.Number, "apple", "pear")]
    [InlineData("open-v", 6, SystemAim.Number, "apple", "pear", "peach")]
    [InlineData("cherry-spindle", 1, SystemAim.Number, "cherry")]
    [InlineData("cherry-multi-leader-bush", 4, SystemAim.Number, "cherry")]
    [InlineData("cherry-slender-axe", 1, SystemAim.Number, "cherry")]
    [InlineData("pedestrian-peach", 4, SystemAim.Number, "peach")]
    [InlineData("central-leader-in-tiers", 1, SystemAim.Number, "apple", "pear", "cherry")]
    public void The_ten_systems_ship(string id, int leaders, SystemAim aim, params string[] crops)
    {
        var system = TrainingSystem.Find(id)!;
        Assert.Equal((leaders, aim), (system.Form.Leaders, system.RulesFor().Aim));
        Assert.Equal(crops, system.Crops);
    }

    // Handbook 3.4: the questions that concern cutting, and what is usual.
    [Theory]
    [InlineData("tall-spindle", "order", "biggest-first", "top-down", "inside-out")]
    [InlineData("tall-spindle", "aim", "number", "light")]
    [InlineData("long-pruned-spindle", "aim", "light", "number")]
    [InlineData("tall-spindle", "spur-removal", "yes", "no")]
    [InlineData("tall-spindle", "height", "by-row", "by-reach")]
    [InlineData("tall-spindle", "renewal", "limbs", "eighth", "quarter")]
    [InlineData("two-axis-short-renewal", "renewal", "eighth", "limbs", "quarter")]
    [InlineData("tall-spindle", "years", "every-year", "hard-now", "rest-now")]
    [InlineData("tall-spindle", "uprights", "out", "one-crop")]
    [InlineData("tall-spindle", "tops", "even", "lighter", "full")]
    [InlineData("cherry-spindle", "cherry-top", "after-harvest", "dormant")]
    [InlineData("pedestrian-peach", "sides", "rest", "left", "right")]
    public void Both_sides_of_a_disagreement_can_be_chosen(
        string id,
        string question,
        string usual,
        params string[] others
    )
    {
        var asked = TrainingSystem.Find(id)!.Questions.Single(q => q.Id == question);
        Assert.Equal(usual, asked.Answer(null).Id);
        Assert.All(others, other => Assert.Equal(other, asked.Answer(other).Id));
    }

    // Handbook 3.1: stubs of 4–6 cm for varieties slow to resprout; 3.3: cherries tipped where productive, not on poor
    // setters.
    [Theory]
    [InlineData("tall-spindle", "stubs", "Jonagold", "short")]
    [InlineData("tall-spindle", "stubs", "Idared", "long")]
    [InlineData("cherry-spindle", "tipping", "Kordia", "third")]
    [InlineData("cherry-spindle", "tipping", "Burlat", "none")]
    public void A_question_is_answered_as_suits_the_variety_unless_the_manager_chooses(
        string id,
        string question,
        string variety,
        string answer
    )
    {
        var (system, traits) = (TrainingSystem.Find(id)!, Rama.Core.Estate.Catalogue.Shipped.Variety(variety)!.Traits);
        Assert.Equal(answer, system.AnswersFor(new Dictionary<string, string>(), traits)[question]);
        Assert.All(system.Questions.Single(q => q.Id == question).Options, o =>
            Assert.Equal(
                o.Id,
                system.AnswersFor(new Dictionary<string, string> { [question] = o.Id }, traits)[question]
            )
        );
    }

    [Fact]
    public void The_peach_s_side_renewal_says_that_it_is_experimental() =>
        Assert.Contains("Experimental", TrainingSystem.Find("pedestrian-peach")!.Note!.En, StringComparison.Ordinal);

    // Handbook 3.3: leaders of a wall and of each plane of a V stand about 0.5 m apart.
    [Theory]
    [InlineData("multi-leader-wall")]
    [InlineData("open-v")]
    public void Leaders_stand_half_a_metre_apart_on_the_usual_ground(string id)
    {
        var form = TrainingSystem.Find(id)!.Form;
        Assert.InRange(form.UsualGround.TreeM * form.Typical.Planes / form.Leaders, 0.45, 0.55);
        Assert.Equal(id == "open-v" ? TreeView.Across : TreeView.Along, form.SeenFrom);
    }

    [Fact]
    public void Unsound_wood_comes_out_whatever_the_decision() =>
        Assert.All(TrainingSystem.Shipped, system =>
            Assert.All(Enum.GetValues<DecisionKind>(), kind =>
                Assert.Contains(system.Steps, s =>
                    s.Find == "limbs where unsound" && s.Stop == StepStop.Never && s.Under.Contains(kind)
                )
            )
        );

    private static void Refused(string json, params string[] told)
    {
        var fault = Assert.Throws<InvalidDataException>(() => TrainingSystem.Parse(json));
        Assert.All(told, t => Assert.Contains(t, fault.Message, StringComparison.Ordinal));
    }
}
