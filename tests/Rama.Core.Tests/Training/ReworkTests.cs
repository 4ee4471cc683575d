using CsCheck;
using Rama.Core.Explain;
using Rama.Core.Training.Rework;

namespace Rama.Core.Tests.Training;

/// <summary>Trees grafted over: what each winter asks for. Handbook 3.6 and 9.4, common practice without a
/// source.</summary>
public sealed class ReworkTests
{
    private static readonly ReworkedTreeEntry Bark = new()
    {
        Row = 3,
        Tree = 17,
        Variety = "Abate",
        Graft = "bark",
        GraftedOn = new(2026, 4, 20),
        Union = "holds",
    };

    private static ReworkedTree Tree(Func<ReworkedTreeEntry, ReworkedTreeEntry>? with = null) =>
        (with?.Invoke(Bark) ?? Bark).Read();

    private static string[] Asked(ReworkedTree tree, int season, bool south = false) =>
        [.. tree.TasksIn(season, south).Select(t => t.Id)];

    // Grafted in April 2026 it grows for the harvest of 2026; its first winter is the one before the harvest of 2027.
    [Fact]
    public void Winters_are_counted_from_the_first_after_a_season_of_growth()
    {
        var tree = Tree();
        Assert.Equal(ReworkStanding.Grafted, tree.StandingIn(2026, false));
        Assert.Equal([1, 2, 6], [tree.WinterIn(2027, false), tree.WinterIn(2028, false), tree.WinterIn(2032, false)]);
        Assert.Equal(ReworkStanding.Winter, tree.StandingIn(2032, false));
        Assert.Equal(ReworkStanding.Finished, tree.StandingIn(2033, false));
        // In the south October 2026 belongs to the harvest of 2027.
        var south = Tree(t => t with { GraftedOn = new(2026, 10, 10) });
        Assert.Equal((0, 1), (south.WinterIn(2027, true), south.WinterIn(2028, true)));
    }

    [Fact]
    public void A_bud_set_in_summer_sleeps_a_winter_more()
    {
        var bud = Tree(t => t with { Graft = "chip", GraftedOn = new(2026, 8, 5), Union = null });
        Assert.Equal(["suckers", "bud-wakes"], Asked(bud, 2027));
        Assert.Equal(1, bud.WinterIn(2028, false));
        Assert.Contains("one-shoot", Asked(bud, 2028));
        // The season it was set it is grafted, and its bud is not to wake.
        Assert.Equal(["suckers"], Asked(bud, 2026));
    }

    [Fact]
    public void The_first_winter_chooses_one_shoot_and_keeps_the_nurse_limbs()
    {
        Assert.Equal(["tape", "one-shoot", "head", "nurse-short"], Asked(Tree(), 2027));
        Assert.Equal(["union", "one-shoot", "head", "nurse-short"], Asked(Tree(t => t with { Union = null }), 2027));
        Assert.Equal(
            ["tape-stays", "one-shoot", "head", "nurse-short", "guard"],
            Asked(Tree(t => t with { Union = "loose", Guard = true }), 2027)
        );
        Assert.DoesNotContain("tape", Asked(Tree(t => t with { Support = false }), 2027));
    }

    [Fact]
    public void Nurse_limbs_go_in_two_rounds_and_the_last_winters_only_shape()
    {
        Assert.Equal(["lath", "nurse-first", "shape", "true"], Asked(Tree(), 2028));
        Assert.Equal(["lath", "nurse-last", "shape", "true"], Asked(Tree(), 2029));
        Assert.Equal(["sprouts", "shape"], Asked(Tree(t => t with { TrueToName = 2029 }), 2031));
        Assert.Empty(Asked(Tree(), 2033));
    }

    [Fact]
    public void A_failed_graft_asks_for_one_thing()
    {
        Assert.Equal(["again"], Asked(Tree(t => t with { Union = "failed" }), 2027));
        Assert.Equal(
            ["scions", "cut-back", "graft"],
            Asked(Tree(t => t with { GraftedOn = null, Union = null }), 2027)
        );
    }

    // Caution where work can hurt someone (handbook 5.5): saw, knife, felling.
    [Theory]
    [InlineData("cut-back", "Chain-saws only by trained people")]
    [InlineData("graft", "away from hands and body")]
    [InlineData("out", "Felling and chain-saw only by trained people")]
    [InlineData("nurse-last", "Ladder on firm ground")]
    [InlineData("hold-back", "nobody below")]
    public void Dangerous_work_carries_its_caution(string task, string words) =>
        Assert.Contains(
            words,
            ReworkRules.Shipped.Tasks.Single(t => t.Id == task).Caution!.En,
            StringComparison.Ordinal
        );

    private static ReworkPlanTerms Block(params ReworkedTree[] trees) => new(2027, false, 100, trees, [], null, []);

    // By hand: two trees in their first winter (tape 1, shoot 1.5, head .5, nurse limbs 2 = 5 min each) and half a
    // minute to find each: 11 minutes of work, at .85 productive .2157 h paid.
    [Fact]
    public void A_winters_work_with_its_hours()
    {
        var plan = ReworkPlan.Of(Block(Tree(), Tree(t => t with { Tree = 18 })));
        Assert.Equal([new(ReworkStanding.Winter, 1, 2, 0)], plan.Standings);
        Assert.Equal(11 / 60.0 / 0.85, plan.Hours!.Paid, 9);
        Assert.Equal(2033, plan.FinishedFrom);
        var done = ReworkPlan.Of(Block(Tree(), Tree(t => t with { Tree = 18, DoneSeason = 2027 })));
        Assert.Equal(5.5 / 60 / 0.85, done.Hours!.Paid, 9);
        Assert.Equal((2, 1), (done.Work[0].Trees, done.Work[0].Done));
        // Done in another winter is not done in this one.
        Assert.Equal(
            plan.Hours.Paid,
            ReworkPlan.Of(Block(Tree(), Tree(t => t with { Tree = 18, DoneSeason = 2026 }))).Hours!.Paid
        );
    }

    // By hand: all 100 trees grafted in 2026; shares of the data .0 .2 .45 .75 1 from the harvest of 2027 on.
    [Fact]
    public void When_a_block_crops_again()
    {
        var plan = ReworkPlan.Of(Block([.. Enumerable.Range(1, 100).Select(n => Tree(t => t with { Tree = n }))]));
        Assert.Equal([0, 0.2, 0.45, 0.75, 1], plan.Crop.Take(5).Select(c => Math.Round(c.Share, 9)));
        Assert.Equal((2030, 2031), (plan.HalfCropFrom, plan.FullCropFrom));
        Assert.Contains(plan.Warnings, w => w.Code == "rework.not-replants");
    }

    [Fact]
    public void Trees_to_go_are_held_back_and_felled_in_their_winter()
    {
        ReworkPlan In(int? season) => ReworkPlan.Of(Block() with { ToGo = [new(1, [1, 3])], GoingSeason = season });
        Assert.Equal(["hold-back", "crop-last"], In(2028).Work.Select(w => w.Task.Id));
        Assert.Equal(["out"], In(2027).Work.Select(w => w.Task.Id));
        Assert.Equal((1, 0.98), (In(2028).Crop[0].Share, In(2028).Crop[1].Share));
        Assert.Contains(In(null).Warnings, w => w.Code == "rework.no-winter");
        // What stays bears in full.
        Assert.Equal(2027, In(2028).FullCropFrom);
    }

    [Fact]
    public void A_tree_both_reworked_and_to_go_counts_once_and_is_told()
    {
        var plan = ReworkPlan.Of(Block(Tree()) with { ToGo = [new(3, [17])], GoingSeason = 2027 });
        Assert.Equal([new(ReworkStanding.ToRemove, null, 1, 0)], plan.Standings);
        Assert.Contains(plan.Warnings, w => w.Code == "rework.both");
    }

    [Fact]
    public void What_cannot_be_so_is_refused_at_its_field()
    {
        ReworkTerms terms = new(2015, 2027, new(2027, 1, 14), (_, tree) => tree switch
            {
                1 => TreePlace.Empty,
                2 => TreePlace.ToGrub,
                > 90 => TreePlace.None,
                _ => TreePlace.Tree,
            });
        string[] Fields(ReworkedTreeEntry entry) => [.. entry.ProblemsIn(terms).Select(p => $"{p.Field} {p.Code}")];
        Assert.Empty(Fields(Bark));
        Assert.Equal(["tree conflict"], Fields(Bark with { Tree = 1 }));
        Assert.Equal(["tree to-grub"], Fields(Bark with { Tree = 2 }));
        Assert.Empty(Fields(Bark with { Tree = 2, Finished = true }));
        Assert.Equal(["tree outside"], Fields(Bark with { Tree = 99 }));
        Assert.Equal(["graftedOn range"], Fields(Bark with { GraftedOn = new(2027, 4, 1) }));
        Assert.Equal(["graftedOn range"], Fields(Bark with { GraftedOn = new(2014, 4, 1) }));
        Assert.Equal(["graftedOn missing"], Fields(Bark with { GraftedOn = null }));
        Assert.Equal(["trueToName range"], Fields(Bark with { TrueToName = 2025 }));
        Assert.Equal(["doneSeason range"], Fields(Bark with { DoneSeason = 2028 }));
        Assert.Equal(["graft unknown", "union unknown"], Fields(Bark with { Graft = "glue", Union = "1" }));
        Assert.Equal(["variety missing"], Fields(Bark with { Variety = " " }));
    }

    [Fact]
    public void A_tree_to_go_has_a_ribbon_that_no_tree_to_keep_has()
    {
        Assert.True(Ribbons.Of(new Dictionary<ReworkStanding, string>()).IsShipped);
        string Field(ReworkStanding standing, string colour) =>
            Assert
                .Throws<UnusableEntryException>(() =>
                    Ribbons.Read(new Dictionary<ReworkStanding, string> { [standing] = colour })
                )
                .Problems[0]
                .Field;
        Assert.Equal("ribbons.grafted", Field(ReworkStanding.Grafted, "red"));
        Assert.Equal("ribbons.toRemove", Field(ReworkStanding.ToRemove, "none"));
        Assert.Equal("ribbons.winter", Field(ReworkStanding.Winter, "tartan"));
    }

    // Whatever was told of a tree: it is asked for something in every winter before it is finished, never after, and
    // no task twice.
    [Fact]
    public void Every_winter_asks_for_something_until_a_tree_is_finished() =>
        Gen.Select(
                Gen.Int[0, 5].Select(i => ReworkRules.Shipped.Grafts.ElementAtOrDefault(i)?.Id),
                Gen.Int[0, 3].Select(i => new[] { "holds", "loose", "failed", null }[i]),
                Gen.Bool,
                Gen.Int[2027, 2040],
                Gen.Bool
            )
            .Sample(
                (graft, union, support, season, south) =>
                {
                    var tree = Tree(t => t with { Graft = graft, Union = union, Support = support });
                    var asked = Asked(tree, season, south);
                    var finished = tree.StandingIn(season, south) == ReworkStanding.Finished;
                    return finished == (asked.Length == 0) && asked.Distinct().Count() == asked.Length;
                }
            );

    [Fact]
    public void As_a_calculator_it_tells_every_field_that_cannot_be_used()
    {
        ReworkPlanEntry entry = new()
        {
            Season = 2027,
            Trees = 100,
            Reworked = [Bark],
            ToGo = [new() { Row = 1, Trees = "1, 3-5" }],
            GoingSeason = 2027,
        };
        // By hand: 4 to fell at 8 min, 5 min of a first winter, half a minute to find each of five.
        Assert.Equal((4 * 8 + 5 + 2.5) / 60 / 0.85, entry.Calculate().Hours!.Paid, 9);
        var bad = entry with
        {
            Trees = 5,
            Season = null,
            Reworked = [Bark, Bark, Bark with { Tree = null }],
            ToGo = [new() { Row = 0, Trees = "x" }],
        };
        Assert.Equal(
            ["season", "reworked[1].tree", "reworked[2].tree", "toGo[0].row", "toGo[0].trees"],
            Assert.Throws<UnusableEntryException>(bad.Calculate).Problems.Select(p => p.Field)
        );
        Assert.Equal(
            "trees",
            Assert.Throws<UnusableEntryException>((entry with { Trees = 4 }).Calculate).Problems.Single().Field
        );
    }
}
