using Rama.Core.Estate;
using Rama.Core.Plan;
using Rama.Core.Target;
using Rama.Core.Target.Insurance;

namespace Rama.Core.Tests.Plan;

public sealed class TargetStartTests
{
    private static PlanEntry With(params (double Season, double Yield)[] seasons) =>
        Entries.Plan() with
        {
            Target = new(),
            Records = new()
            {
                Seasons =
                [
                    .. seasons.Select(s => new Core.Result.SeasonResultEntry
                    {
                        Season = s.Season,
                        Yield = new(s.Yield, "t/ha"),
                    }),
                ],
            },
        };

    private static ProposedTarget Proposed(PlanEntry entry) => PlanReading.Of(entry).Start.Proposed!;

    // A frost and a bumper year beside three like years: no orchardist would plan for their mean.
    [Fact]
    public void Neither_a_frost_nor_a_bumper_year_sets_the_crop()
    {
        var proposed = Proposed(With((2022, 50), (2023, 5), (2024, 52), (2025, 90), (2026, 48)));
        Assert.Equal(new(50, "t/ha"), proposed.Target.Yield);
        Assert.Equal(5, proposed.Seasons);
    }

    // 60 and 20 in turn: a tree that carries 40 each year is what thinning aims at, whichever came last.
    [Theory]
    [InlineData(5)]
    [InlineData(6)]
    [InlineData(7)]
    public void Where_heavy_and_light_years_take_turns_as_many_of_each_go_in(int seasons)
    {
        var records = Enumerable.Range(0, seasons).Select(i => (2026.0 - i, i % 2 == 0 ? 60.0 : 20)).ToArray();
        Assert.Equal(new(40, "t/ha"), Proposed(With(records)).Target.Yield);
    }

    [Fact]
    public void Only_the_last_six_seasons_count()
    {
        var old = Enumerable.Range(0, 8).Select(i => (2012.0 + i, 20.0));
        var late = Enumerable.Range(0, 6).Select(i => (2021.0 + i, 60.0));
        var proposed = Proposed(With([.. old, .. late]));
        Assert.Equal(new(60, "t/ha"), proposed.Target.Yield);
        Assert.Equal(6, proposed.Seasons);
    }

    [Fact]
    public void What_is_sold_is_wanted_and_not_what_was_picked()
    {
        var entry = With((2025, 50), (2026, 50));
        var seasons = entry.Records.Seasons.Select(s => s with { PackOut = new(80, "%"), FruitSize = new(183, "g") });
        var target = Proposed(entry with { Records = new() { Seasons = [.. seasons] } }).Target;
        // Two seasons of 80 % drawn to the usual 85 % with the weight of two: 82.5 %, and 50 t/ha × that.
        Assert.Equal(new(41, "t/ha"), target.Yield);
        Assert.Equal(new(185, "g"), target.FruitSize);
        Assert.Equal(new(82, "%"), target.PackOut);
    }

    // 20 short tons an acre are 44.8 t/ha (1 short ton = 907.185 kg, 1 acre = 0.404686 ha).
    [Fact]
    public void Records_by_the_acre_propose_tons_an_acre()
    {
        var entry = With((2025, 0), (2026, 0));
        var seasons = entry.Records.Seasons.Select(s => s with { Yield = new(20, "ton/ac") });
        Assert.Equal(
            new(20, "ton/ac"),
            Proposed(entry with { Records = new() { Seasons = [.. seasons] } }).Target.Yield
        );
    }

    [Fact]
    public void Without_past_yields_nothing_is_made_up()
    {
        var start = PlanReading.Of(With()).Start;
        Assert.Null(start.Proposed!.Target.Yield);
        Assert.Equal(0, start.Proposed.Seasons);
        Assert.Equal("yield", start.Lacks);
    }

    [Fact]
    public void A_proposal_can_be_set_as_it_stands()
    {
        var entry = With((2025, 50), (2026, 50));
        var plan = PruningPlan.Of(entry with { Target = Proposed(entry).Target });
        Assert.Empty(plan.Problems);
        Assert.NotNull(plan.Buds);
        Assert.Null(plan.Start.Lacks);
    }

    [Fact]
    public void Years_out_of_ten_are_the_start_and_a_factor_typed_is_a_fixed_one()
    {
        var fresh = Entries.Plan() with { Target = Entries.Target with { BudFactor = null } };
        var plan = PruningPlan.Of(fresh);
        Assert.Equal(School.ServiceLevel, plan.Start.School);
        // More buds than fruit, for not every bud sets.
        Assert.InRange(plan.Buds!.Factor, 1.05, 4);
        Assert.Equal(School.Fixed, PruningPlan.Of(Entries.Plan()).Start.School);
        Assert.Equal(1.8, PruningPlan.Of(Entries.Plan()).Buds!.Factor);
    }

    [Fact]
    public void The_one_entry_that_lacks_is_named()
    {
        string? Lacks(TargetEntry target) => PlanReading.Of(Entries.Plan() with { Target = target }).Start.Lacks;
        Assert.Equal("yield", Lacks(new()));
        Assert.Equal("fruitSize", Lacks(new() { Yield = new(40, "t/ha") }));
        Assert.Equal("yield", Lacks(new() { FruitSize = new(180, "g") }));
        Assert.Equal(
            "budFactor",
            Lacks(
                Entries.Target with
                {
                    BudFactor = null,
                    Insurance = new() { School = School.Fixed },
                }
            )
        );
        Assert.Equal("planting", PlanReading.Of(Entries.Plan() with { Planting = new PlantingEntry() }).Start.Lacks);
        Assert.Null(Lacks(Entries.Target));
    }

    [Fact]
    public void A_rule_takes_each_planting_by_its_own_seasons()
    {
        TargetRule rule = new()
        {
            FromRecords = true,
            Target = new() { PackOut = new(90, "%") },
        };
        var ruled = RuledTarget.Of(With((2025, 30), (2026, 30)), rule, Catalogue.Shipped);
        Assert.Equal(new(30, "t/ha"), ruled.Entry.Yield);
        Assert.Equal(new(90, "%"), ruled.Entry.PackOut);
        Assert.Empty(ruled.Problems);
        var without = RuledTarget.Of(With(), rule, Catalogue.Shipped);
        Assert.Equal(["yield"], without.Problems.Select(p => p.Field).Distinct());
    }
}
