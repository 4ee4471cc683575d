using Rama.Core.Decide;
using Rama.Core.Prescribe;
using Rama.Core.Systems;

namespace Rama.Core.Tests.Systems;

public sealed class TrainingSystemTests
{
    private const string Steps = """
        "steps": [
          { "id": "water-shoots", "under": ["reduce"], "amount": { "kind": "upTo", "perTree": 3 },
            "drop": { "kind": "limbShare", "ofMeanLimb": 0.5 }, "takesLimb": false, "secondsEach": 4,
            "name": { "en": "a", "es": "b" }, "lookFor": { "en": "a", "es": "b" }, "how": { "en": "a", "es": "b" },
            "why": { "en": "a", "es": "b" }, "caution": null, "source": "test" }
        ]
        """;

    private static string Pack(string steps = Steps, string aim = "number", string id = "made-up") => $$"""
        { "$schema": "x", "system": { "id": "{{id}}", "version": 1, "name": { "en": "Made up", "es": "Inventado" }, "crops": ["apple"],
          "aim": "{{aim}}", "form": { "leaders": 1, "limbsPerTree": 10, "canopy": "wall", "source": "test" }, "caps": { "shareOfBuds": 0.4, "source": "test" },
          "labour": { "baseSeconds": 30, "source": "test" }, {{steps}}, "keepOff": [] } }
        """;

    [Fact]
    public void A_rule_pack_the_code_has_never_seen_is_carried_out()
    {
        // By hand: 200 buds on 10 limbs, 3 cuts of half a mean limb: 200 × (1 − .5/10)³ = 171.475; 30 + 3 × 4 = 42 s.
        var decision = PruningDecision.Of(new(200, null, null), 120, new());
        var prescription = Prescription.Of(TrainingSystem.Parse(Pack()), decision);
        Near.Printed(171.475, prescription.BudsLeft, 3);
        Near.Printed(0.70, prescription.MinutesPerTree, 2);
    }

    [Theory]
    [InlineData("\"perTree\": 3", "\"perTree\": 0", "amount.perTree")]
    [InlineData("\"ofMeanLimb\": 0.5", "\"ofMeanLimb\": -1", "drop.ofMeanLimb")]
    [InlineData("\"takesLimb\"", "\"takesLimbs\"", "takesLimb")]
    [InlineData("\"kind\": \"upTo\"", "\"kind\": \"asMany\"", "asMany")]
    [InlineData("\"reduce\"", "\"raise\"", "DecisionKind")]
    public void A_faulty_rule_pack_is_refused_with_the_reason(string good, string bad, string told)
    {
        var fault = Assert.Throws<InvalidDataException>(() => TrainingSystem.Parse(Pack(Steps.Replace(good, bad, StringComparison.Ordinal))));
        Assert.Contains(told, fault.Message, StringComparison.Ordinal);
    }

    // Handbook 3.3: tall spindle is for apple and pear, one leader, about 20 limbs, pruned to the number, biggest first.
    [Fact]
    public void The_shipped_spindle_is_the_handbook_s()
    {
        var spindle = TrainingSystem.Find("tall-spindle")!;
        Assert.Equal(["apple", "pear"], spindle.Crops);
        Assert.Equal(SystemAim.Number, spindle.Aim);
        Assert.Equal(20, spindle.Form.LimbsPerTree);
        Assert.Equal(["unsound-wood", "thick-limbs", "forks", "spurs"], spindle.Steps.Select(s => s.Id));
    }

    [Fact]
    public void Unsound_wood_comes_out_whatever_the_decision() => Assert.All(TrainingSystem.Shipped, system =>
        Assert.All(Enum.GetValues<DecisionKind>(), kind => Assert.Contains(system.Steps, s => s.Amount is AsFound && s.Under.Contains(kind))));
}
