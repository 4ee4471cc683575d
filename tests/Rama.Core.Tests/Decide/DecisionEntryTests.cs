using Rama.Core.Decide;

namespace Rama.Core.Tests.Decide;

public sealed class DecisionEntryTests
{
    // Handbook 2.7: 96 fruit × 1.7 = 163.2 buds; 231 stand.
    private static readonly DecisionEntry Entry = new() { BudsToLeave = 163.2, FloralBuds = 231 };

    [Fact]
    public void An_interval_has_both_ends_or_none()
    {
        var settled = (Entry with { FloralBudsLow = 220, FloralBudsHigh = 242 }).Calculate();
        Assert.Equal((DecisionKind.Reduce, true), (settled.Kind, settled.Settled));
        Near.Printed(56.8, settled.SurplusLow, 1);
        Near.Printed(78.8, settled.SurplusHigh, 1);
        Entries.AssertProblem(
            Entries.ProblemsOf(() => (Entry with { FloralBudsLow = 220 }).Calculate()),
            "floralBudsHigh",
            "missing"
        );
        Entries.AssertProblem(
            Entries.ProblemsOf(() => (Entry with { FloralBudsHigh = 242 }).Calculate()),
            "floralBudsLow",
            "missing"
        );
    }

    // Trees that are all alike have a mean with no width.
    [Fact]
    public void A_mean_may_be_an_end_of_its_interval() =>
        Assert.True((Entry with { FloralBudsLow = 231, FloralBudsHigh = 231 }).Calculate().Settled);

    [Theory]
    [InlineData(230, 230.9)]
    [InlineData(231.1, 240)]
    public void A_mean_outside_its_interval_is_refused(double low, double high) =>
        Entries.AssertProblem(
            Entries.ProblemsOf(() => (Entry with { FloralBudsLow = low, FloralBudsHigh = high }).Calculate()),
            "floralBuds",
            "conflict"
        );

    // An old cherry tree has some thousands of buds, and no more fruit sets than there are clusters: common practice,
    // no source.
    [Theory]
    [InlineData(20_000, 100_000, 1, null)]
    [InlineData(20_001, 100_000, 1, "floralBuds")]
    [InlineData(20_000, 100_001, 1, "floralBudsHigh")]
    [InlineData(20_000, 100_000, 1.01, "setShare")]
    public void What_no_tree_can_have_is_refused(double buds, double high, double set, string? field)
    {
        var entry = Entry with
        {
            FloralBuds = buds,
            FloralBudsLow = -100_000,
            FloralBudsHigh = high,
            SetShare = set,
            FruitPerTree = 96,
        };
        if (field is null)
            Assert.Equal(DecisionKind.Reduce, entry.Calculate().Kind);
        else
            Entries.AssertProblem(Entries.ProblemsOf(() => entry.Calculate()), field, "range");
    }

    // Handbook 2.7: tolerance 10 % and cap 40 % unless the manager says otherwise.
    [Fact]
    public void What_is_not_typed_is_as_usual()
    {
        var settings = new DecisionSettingsEntry { HeldReason = "nothing held" }.ReadSettings();
        Assert.Equal(new(0.10, 0.40), settings);
        Assert.Equal(0.25, new DecisionSettingsEntry().ReadSettings(0.25).Cap);
    }

    [Theory]
    [InlineData(1.0, 5.0, true)]
    [InlineData(50.0, 90.0, true)]
    [InlineData(0.9, 40.0, false)]
    [InlineData(51.0, 40.0, false)]
    [InlineData(10.0, 4.0, false)]
    [InlineData(10.0, 91.0, false)]
    public void Settings_have_limits(double tolerance, double cap, bool usable)
    {
        DecisionSettingsEntry entry = new() { Tolerance = new(tolerance, "%"), Cap = new(cap, "%") };
        if (usable)
            Assert.Equal(new(tolerance / 100, cap / 100), entry.ReadSettings());
        else
            Assert.Single(Entries.ProblemsOf(() => entry.ReadSettings()), p => p.Code == "range");
    }

    [Fact]
    public void A_decision_held_keeps_its_reason()
    {
        var held = new DecisionSettingsEntry { Held = DecisionKind.NoPrune, HeldReason = "frost" }.ReadSettings();
        Assert.Equal((DecisionKind.NoPrune, "frost"), (held.Held, held.HeldReason));
    }

    private static PruningDecision Of(double standing, DecisionKind? held = null, double? set = 0.62) =>
        PruningDecision.Of(new(standing, null, null), 163.2, new(), fruitWanted: 96, setShare: set, held: held);

    // Handbook 2.7: the sentence for each outcome, with the numbers it is about.
    [Theory]
    [InlineData(88, "decision.no-prune", "best", 54.6, "short", 41.4)] // 88 × .62, and 96 less that
    [InlineData(170, "decision.structure-only", "standing", 170, "allowance", 16.3)]
    [InlineData(231, "decision.reduce", "remove", 67.8, "share", 0.3)]
    [InlineData(290, "decision.reduce-capped", "remove", 116, "thinning", 10.8)] // 40 % of 290; 290 − 116 − 163.2
    [InlineData(272.5, "decision.reduce", "remove", 109, "share", 0.4)] // the cap leaves .3 of a cluster: none
    public void Each_outcome_has_its_sentence(
        double standing,
        string code,
        string first,
        double firstValue,
        string second,
        double secondValue
    )
    {
        var reason = Of(standing).Reason;
        Assert.Equal(code, reason.Code);
        double Told(string name) => Math.Round(reason.Figures.Single(f => f.Name == name).Value, 1);
        Assert.Equal((firstValue, secondValue), (Told(first), Told(second)));
    }

    [Fact]
    public void Nothing_is_told_of_fruit_nobody_knows_of() =>
        Assert.Equal("decision.no-prune-plain", Of(88, set: null).Reason.Code);

    [Fact]
    public void The_arithmetic_ends_in_what_is_told()
    {
        static double? Step(PruningDecision decision, string code) =>
            decision.Steps.SingleOrDefault(s => s.Code == code)?.Result.Value;
        var capped = Of(290);
        Near.Printed(126.8, Step(capped, "decision.surplus"), 1);
        Near.Printed(16.32, Step(capped, "decision.tolerance"), 2);
        Near.Printed(116, Step(capped, "decision.remove"), 2);
        Near.Printed(10.8, Step(capped, "decision.thinning"), 2);
        Assert.Null(Step(capped, "decision.fruit-at-best"));
        var few = Of(88);
        Assert.Equal(0, Step(few, "decision.remove"));
        Near.Printed(54.56, Step(few, "decision.fruit-at-best"), 2);
        Assert.Null(Step(few, "decision.thinning"));
    }

    private static IEnumerable<string> Warned(double standing, double? low, double? high) =>
        PruningDecision.Of(new(standing, low, high), 163.2, new()).Warnings.Select(w => w.Code);

    [Fact]
    public void What_the_count_cannot_say_is_told()
    {
        Assert.Equal(["decision.no-interval"], Warned(231, null, null));
        Assert.Equal(["decision.not-settled"], Warned(231, 170, 292));
        Assert.Empty(Warned(231, 220, 242));
        Assert.Equal(["decision.no-interval", "decision.no-buds"], Warned(0, null, null));
        // Few buds are still buds.
        Assert.Equal(["decision.no-interval"], Warned(88, null, null));
    }

    // Nobody can take away what is not too many, whatever is held.
    [Theory]
    [InlineData(163.2, DecisionKind.StructureOnly)]
    [InlineData(88, DecisionKind.NoPrune)]
    [InlineData(164, DecisionKind.Reduce)]
    public void A_reduction_held_needs_a_surplus(double standing, DecisionKind kind) =>
        Assert.Equal(kind, Of(standing, DecisionKind.Reduce).Kind);

    // Handbook 2.7: light up to 15 %, standard up to 35 %.
    [Theory]
    [InlineData(85, PruningWeight.Light)]
    [InlineData(84, PruningWeight.Standard)]
    [InlineData(65, PruningWeight.Standard)]
    [InlineData(64, PruningWeight.Heavy)]
    public void The_label_changes_at_15_and_at_35_percent(double toLeave, PruningWeight weight) =>
        Assert.Equal(weight, PruningDecision.Of(new(100, null, null), toLeave, new()).Weight);
}
