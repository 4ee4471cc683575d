using System.Text.Json;
using Rama.Core.Decide;
using Rama.Core.Plan;
using Rama.Core.Prescribe.Issue;
using Rama.Core.Prescribe.Working;

namespace Rama.Core.Tests.Prescribe.Issue;

public sealed class IssuedPrescriptionTests
{
    private static readonly PlanEntry Entry = Entries.Plan(300, 310, 290, 305, 295, 300);

    private static PlanEntry Holding(string setting, double value) =>
        Entry with
        {
            Cutting = new() { Settings = new Dictionary<string, double?> { [setting] = value } },
        };

    private static PlanEntry Deciding(DecisionKind held) =>
        Entry with
        {
            Settings = Entry.Settings with { Held = held, HeldReason = "frost" },
        };

    private static IssuedPrescription Of(PlanEntry entry)
    {
        var reading = PlanReading.Of(entry);
        return IssuedPrescription.Of(PruningPlan.Of(reading).ToPrune(reading)!);
    }

    [Fact]
    public void Kept_and_read_again_it_asks_the_same()
    {
        var asks = Of(Entry);
        var kept = JsonSerializer.Deserialize<IssuedPrescription>(JsonSerializer.Serialize(asks))!;
        Assert.True(asks.AsksTheSame(kept));
        Assert.Equal(asks.Classes[0].Steps, kept.Classes[0].Steps);
        Assert.False(asks.AsksTheSame(null));
    }

    // What changes nothing in the row does not make a card out of date.
    [Fact]
    public void Other_expectations_ask_the_same()
    {
        var asks = Of(Entry);
        var slower = asks.Expected[0] with { Minutes = 9, ClustersToThinning = 40 };
        Assert.True(asks.AsksTheSame(asks with { Pack = asks.Pack + 1, Expected = [slower] }));
    }

    public static readonly TheoryData<string, PlanEntry> Others = new()
    {
        { "number", Entry with { Target = Entry.Target with { Yield = new(30, "t/ha") } } },
        { "way", Entry with { Cutting = new() { Way = WayOfWorking.Gauge } } },
        { "amount", Holding("big-limbs", 0) },
        { "length", Holding("stub", 4) },
        { "tolerance", Entry with { Settings = Entry.Settings with { Tolerance = new(5, "%") } } },
        { "decision", Deciding(DecisionKind.NoPrune) },
    };

    [Theory, MemberData(nameof(Others))]
    public void What_asks_something_else_is_another(string what, PlanEntry other) =>
        Assert.False(Of(Entry).AsksTheSame(Of(other)), what);

    [Fact]
    public void A_gauge_nobody_reads_is_no_difference()
    {
        static IssuedPrescription WithGauge(IssuedPrescription of, double gauge) =>
            of with
            {
                Classes = [.. of.Classes.Select(c => c with { BudsPerCm2 = gauge })],
            };
        var byAmounts = Of(Entry);
        var byGauge = Of(Entry with { Cutting = new() { Way = WayOfWorking.Gauge } });
        Assert.True(byAmounts.AsksTheSame(WithGauge(byAmounts, 99)));
        Assert.False(byGauge.AsksTheSame(WithGauge(byGauge, 99)));
    }
}
