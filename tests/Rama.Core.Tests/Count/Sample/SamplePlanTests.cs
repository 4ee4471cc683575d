using CsCheck;
using Rama.Core.Count.Estimate;
using Rama.Core.Count.Sample;
using Rama.Core.Estate;

namespace Rama.Core.Tests.Count.Sample;

public sealed class SamplePlanTests
{
    private static readonly RowList Rows = new([
        .. Enumerable.Range(1, 20).Select(r => new TreeRow(r, 1, 100, [5, 17], [40], [50, 51], [])),
    ]);

    private static readonly TrunkShare[] Classes =
    [
        new("small", null, 15, 0.3),
        new("medium", 15, 18, 0.5),
        new("large", 18, null, 0.2),
    ];

    private static readonly PlantingForm Form = new(3.2, 0.9, 0.56);

    private static double? Girth(int row, int tree) =>
        ((row * 7 + tree * 3) % 10) switch
        {
            < 3 => 13,
            < 8 => 16.5,
            _ => 20,
        };

    private static SamplePlan Plan(SampleSettings? settings = null, bool trunks = false) =>
        SamplePlan.Of(1_940, Rows, Form, settings ?? new(), trunks ? Classes : [], trunks ? Girth : null);

    // Handbook 2.5: CV .30, ± 10 % at 95 %; 37 of 2 400, and as many of 1 940.
    [Fact]
    public void As_many_trees_as_the_usual_spread_needs() => Assert.Equal(37, Plan().Trees);

    [Fact]
    public void The_same_number_draws_the_same_walk_and_another_draws_another()
    {
        Assert.Equal(Plan().Route, Plan().Route);
        Assert.NotEqual(Plan().Route, Plan(new(Seed: 2)).Route);
    }

    [Fact]
    public void Each_round_crosses_the_planting()
    {
        foreach (var round in Plan().Route.GroupBy(t => t.Round))
        {
            Assert.True(round.Max(t => t.Row) - round.Min(t => t.Row) >= 12, $"round {round.Key}");
            Assert.Equal(round.Select(t => t.Row).Order(), round.Select(t => t.Row));
        }
    }

    // A walk goes through the first round and then the next: stopping early leaves whole rounds.
    [Fact]
    public void Rounds_are_walked_one_after_the_other()
    {
        var rounds = Plan().Route.Select(t => t.Round).ToList();
        Assert.Equal(rounds.Order(), rounds);
        Assert.Equal(Enumerable.Range(1, rounds.Max()), rounds.Distinct());
    }

    [Fact]
    public void Classes_are_drawn_by_their_trunks()
    {
        var plan = Plan(trunks: true);
        Assert.Equal(["small", "medium", "large"], plan.Classes.Select(c => c.Name));
        Assert.All(plan.Route, t =>
            Assert.Contains(Classes, c => c.Name == t.Class && c.Holds(Girth(t.Row, t.Tree)!.Value))
        );
        // Neyman, by hand: shares × mean cross-sections .3·13.45, .5·21.67, .2·31.83 = 4.03, 10.83, 6.37 of 21.23,
        // times 37.
        Assert.Equal([7, 19, 11], plan.Classes.Select(c => c.Trees));
    }

    [Fact]
    public void Position_is_metres_from_the_first_tree() =>
        Assert.All(Plan().Route, t => Assert.Equal((t.Tree - 1) * 0.9, t.PositionM, 9));

    [Fact]
    public void Without_rows_there_is_a_number_and_no_route()
    {
        var plan = SamplePlan.Of(1_940, null, Form, new(), []);
        Assert.Equal(37, plan.Trees);
        Assert.Empty(plan.Route);
        Assert.Contains(plan.Warnings, w => w.Code == "sample.no-rows");
        Assert.Equal(plan.Paced!.Told(37).Message, plan.Warnings[0].Message);
        Assert.Equal(
            [plan.Trees, plan.Paced.EveryRow, plan.Paced.EveryTree],
            plan.Steps.Select(step => step.Result.Value)
        );
        var unknown = SamplePlan.Of(1_940, null, null, new(), []);
        Assert.Null(unknown.Paced);
        Assert.Contains(unknown.Warnings, w => w.Code == "sample.no-spacing");
    }

    [Fact]
    public void Any_walk_keeps_to_the_trees_it_may_count() =>
        Gen.Select(Gen.Int[1, 30], Gen.Int[1, 40], Gen.Int[1, 9999], Gen.Int[2, 60], Gen.Bool)
            .Sample(
                (rows, trees, seed, wanted, edges) =>
                {
                    RowList list = new([
                        .. Enumerable
                            .Range(1, rows)
                            .Select(r => new TreeRow(r, 3, trees, [3], trees > 1 ? [4] : [], trees > 2 ? [5] : [], [])),
                    ]);
                    var plan = SamplePlan.Of(rows * trees, list, Form, new(wanted, seed, EdgeRows: edges), []);
                    Assert.Equal(plan.Trees, plan.Route.Count);
                    Assert.Equal(plan.Route.Count, plan.Route.Select(t => (t.Row, t.Tree)).Distinct().Count());
                    Assert.Equal(Enumerable.Range(1, plan.Route.Count), plan.Route.Select(t => t.Order));
                    Assert.All(plan.Route, t => Assert.InRange(t.Tree, 6, trees + 2));
                    if (!edges && rows > 4)
                        Assert.All(plan.Route, t => Assert.InRange(t.Row, 2, rows - 1));
                }
            );
}
