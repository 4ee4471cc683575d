using MathNet.Numerics.Distributions;
using Rama.Core.Check;
using Rama.Core.Decide;
using Rama.Core.Prescribe;
using Rama.Core.Prescribe.Issue;
using Rama.Core.Prescribe.Working;
using Rama.Core.Statistics;
using Rama.Core.Target.Insurance;

namespace Rama.Core.Tests.Check;

public sealed class PlantingChecksTests
{
    private static readonly DateTimeOffset Morning = new(2027, 1, 25, 8, 0, 0, TimeSpan.Zero);

    private static readonly Guid Hard = Guid.NewGuid(),
        Fair = Guid.NewGuid();

    private static readonly IssuedPrescription Card = new(
        1,
        "tall-spindle",
        1,
        DecisionKind.Reduce,
        0.1,
        0.5,
        WayOfWorking.Amounts,
        new Dictionary<string, double>(),
        new Dictionary<string, string>(),
        [Class("small", null, 12, 150, null), Class("large", 12, null, 220, 40)],
        [Expected(150), Expected(220)]
    );

    [Fact]
    public void Who_cuts_too_hard_is_found_and_who_does_not_is_left_alone()
    {
        var random = new Random(1);
        var checks = Enumerable
            .Range(0, 60)
            .Select(i => Checked(i, random, i % 2 == 0 ? Hard : Fair, i % 2 == 0 ? 0.75 : 1))
            .ToList();
        var said = Of(checks);
        Assert.Equal(VerdictKind.TooFew, Verdict(said, Hard).Kind);
        Assert.NotEqual(VerdictKind.TooFew, Verdict(said, Fair).Kind);
        Assert.NotEqual(VerdictKind.TooMany, Verdict(said, Fair).Kind);
        Assert.NotNull(Verdict(said, Hard).Correction);
        // The planting as a whole lies between, and says what it costs.
        Assert.InRange(said.All.Off, Verdict(said, Hard).Off, Verdict(said, Fair).Off);
        Assert.Equal(60, said.Classes.Sum(c => c.Left.Count));
        Assert.Empty(said.Warnings);
    }

    [Fact]
    public void The_effect_is_told_so_far_and_if_it_goes_on()
    {
        var random = new Random(2);
        var said = Of([.. Enumerable.Range(0, 24).Select(i => Checked(i, random, Hard, 0.8))], done: 0.24);
        var effect = said.Effect!;
        Assert.Equal(240, effect.Done.Trees, 1e-9);
        Assert.Equal(1_000, effect.GoesOn.Trees, 1e-9);
        Assert.True(effect.Done.Fruit > 0);
        // What is still to be pruned comes out as the latest trees do.
        Assert.Equal(
            effect.PerTree.TonnesPerHa!.Value / 2_800 * 760,
            effect.GoesOn.Tonnes!.Value - effect.Done.Tonnes!.Value,
            1e-9
        );
        Assert.True(said.Rest!.BudsPerTree > 185);
        // All of it done: nothing is left to put right.
        Assert.Null(Of([.. Enumerable.Range(0, 24).Select(i => Checked(i, random, Hard, 0.8))], done: 1).Rest);
    }

    [Fact]
    public void Before_it_is_earned_nothing_is_said_of_the_crop()
    {
        var random = new Random(3);
        var said = Of([.. Enumerable.Range(0, 3).Select(i => Checked(i, random, Hard, 0.95))]);
        Assert.Equal(VerdictKind.TooFewCounts, said.All.Kind);
        Assert.Null(said.Effect);
        Assert.Null(said.Rest);
        Assert.Equal(VerdictKind.None, Of([]).All.Kind);
    }

    [Fact]
    public void What_cannot_be_judged_is_set_apart_and_said_why()
    {
        CheckStanding Standing(TreeCheck check, bool withCard = true) =>
            PlantingChecks
                .Of(
                    [(Morning, check)],
                    withCard ? [(Morning.AddHours(-1), Card)] : [(Morning.AddHours(1), Card)],
                    Terms(1)
                )
                .Trees[0]
                .Standing;
        var check = Tree(1, 1, 14, 220);
        Assert.Equal(CheckStanding.Charted, Standing(check));
        Assert.Equal(CheckStanding.NoCard, Standing(check, withCard: false));
        Assert.Equal(CheckStanding.NoSuchTree, Standing(check with { Tree = 200 }));
        Assert.Equal(CheckStanding.NoSuchTree, Standing(check with { Row = 9 }));
        Assert.Equal(CheckStanding.OtherPass, Standing(check with { Pass = "tying" }));
        Assert.Equal(CheckStanding.NotPruned, Standing(check with { Row = 3 }));
        Assert.Equal(CheckStanding.UnknownClass, Standing(check with { GirthCm = null }));
        Assert.Equal(CheckStanding.Charted, Standing(check with { GirthCm = null, Class = "small", Left = 150 }));
        Assert.Equal(CheckStanding.ShortBefore, Standing(check with { WasShort = true }));
        Assert.Equal(CheckStanding.NoNumber, Standing(check with { Left = null, BigCuts = 2 }));
        // Ten times off: a slip, until somebody counted twice.
        Assert.Equal(CheckStanding.Unlikely, Standing(check with { Left = 2_200 }));
        Assert.Equal(CheckStanding.Charted, Standing(check with { Left = 2_200, IsSure = true }));
        // No bud left at all, and counted twice, is a count.
        Assert.Equal(CheckStanding.Charted, Standing(check with { Left = 0, IsSure = true }));
    }

    [Fact]
    public void A_tree_checked_twice_counts_once()
    {
        var said = Of([(Morning, Tree(1, 1, 14, 160)), (Morning.AddHours(1), Tree(1, 1, 14, 219))]);
        Assert.Equal([CheckStanding.Charted, CheckStanding.Twice], said.Trees.Select(t => t.Standing));
        Assert.Equal(["check.twice"], said.Warnings.Select(w => w.Code));
        // The walk after pruning may come by the same tree.
        said = Of([(Morning, Tree(1, 1, 14, 160)), (Morning, Tree(1, 1, 14, 160) with { AfterPruning = true })]);
        Assert.Equal(1, said.AfterPruning!.Trees);
        Assert.Equal(1, said.All.Counts);
    }

    [Fact]
    public void A_new_card_judges_no_tree_from_before_it()
    {
        var lower = Card with { Classes = [.. Card.Classes.Select(c => c with { Number = c.Number / 2 })] };
        var trees = PlantingChecks
            .Of(
                [(Morning, Tree(1, 1, 14, 220)), (Morning.AddHours(2), Tree(1, 2, 14, 110))],
                [(Morning.AddHours(-1), Card), (Morning.AddHours(1), lower)],
                Terms(1)
            )
            .Trees;
        Assert.All(trees, t => Assert.Equal(0, t.Ratio!.Value, 1e-9));
    }

    [Fact]
    public void A_new_card_may_have_other_classes_and_ask_for_no_number()
    {
        var whole = Card with
        {
            Kind = DecisionKind.StructureOnly,
            Classes = [Class("all", null, null, null, 3)],
            Expected = [Expected(200)],
        };
        var said = PlantingChecks.Of(
            [
                (Morning, Tree(1, 1, 14, 220)),
                (Morning, Tree(1, 2, 14, 0) with { Left = null, BigCuts = 1 }),
                (Morning.AddHours(2), Tree(1, 3, 14, 0) with { Left = null, BigCuts = 2 }),
            ],
            [(Morning.AddHours(-1), Card), (Morning.AddHours(1), whole)],
            Terms(1)
        );
        // Each by the card of its time: at most one thick cut and forty, then three.
        Assert.Equal((40 + 3) / 2.0, said.Amounts!.Asked);
        Assert.Equal(0, said.Trees[0].Ratio!.Value, 1e-9);
    }

    [Fact]
    public void A_tree_counted_again_counts_where_its_first_check_did_not()
    {
        var said = Of([(Morning, Tree(1, 1, 14, 2_200)), (Morning.AddHours(1), Tree(1, 1, 14, 219))]);
        Assert.Equal([CheckStanding.Unlikely, CheckStanding.Charted], said.Trees.Select(t => t.Standing));
    }

    [Fact]
    public void By_gauge_a_tree_is_held_against_its_own_limbs()
    {
        var byGauge = Card with
        {
            Way = WayOfWorking.Gauge,
            Classes = [.. Card.Classes.Select(c => c with { BudsPerCm2 = 5 })],
        };
        // Two limbs of 20 mm: 3.14 cm² each.
        var check = Tree(1, 1, 14, 31) with { Limbs = [new(20, 16), new(20, 15)] };
        var tree = CheckedTree.HeldAgainst(check, byGauge, Terms(1).Ground);
        Assert.True(tree.ByGauge);
        Assert.Equal(5 * 2 * Math.PI, tree.Asked!.Value, 1e-9);
        // One that was not measured: the number of the class.
        Assert.Equal(
            220,
            CheckedTree.HeldAgainst(check with { Limbs = [new(20, 16), new(null, 15)] }, byGauge, Terms(1).Ground).Asked
        );
    }

    [Fact]
    public void Where_no_number_is_asked_for_cuts_are_told()
    {
        var structure = Card with
        {
            Kind = DecisionKind.StructureOnly,
            Classes =
            [
                Class("all", null, null, null, null) with
                {
                    Steps = [new(1, "thick", AmountKind.UpTo, 2, null)],
                },
            ],
            Expected = [Expected(200)],
        };
        AmountsVerdict? Said(params double[] cuts) =>
            PlantingChecks
                .Of(
                    [.. cuts.Select((c, i) => (Morning, Tree(1, i + 1, 14, 0) with { Left = null, BigCuts = c }))],
                    [(Morning.AddHours(-1), structure)],
                    Terms(1)
                )
                .Amounts;
        Assert.Equal(VerdictKind.TooFew, Said(5, 6, 5, 4)!.Kind);
        Assert.Equal(VerdictKind.OnTarget, Said(1, 1, 1, 1)!.Kind);
        Assert.Equal(VerdictKind.TooFewCounts, Said(6, 6)!.Kind);
        Assert.Null(Said());
    }

    [Fact]
    public void The_walk_after_pruning_tells_left_against_wanted_by_class_and_crew()
    {
        var checks = Enumerable
            .Range(0, 40)
            .Select(i =>
                (
                    Morning,
                    Tree(1 + i % 2, 1 + i, i % 4 < 2 ? 10 : 14, i % 4 < 2 ? 150 : 220) with
                    {
                        AfterPruning = true,
                        Pruner = null,
                        Crew = null,
                    }
                )
            )
            .ToList();
        var walk = Of(checks).AfterPruning!;
        Assert.Equal(40, walk.Trees);
        Assert.Equal(185, walk.Left, 1e-9);
        Assert.Equal(185, walk.Asked, 1e-9);
        Assert.Equal([20, 20], walk.Classes.Select(c => c.Left.Count));
        Assert.Equal(2, walk.Crews.Count);
        Assert.All(walk.Crews, c => Assert.Equal(1, c.Share.Mean, 1e-9));
    }

    private static CutVerdict Verdict(PlantingChecks of, Guid who) => of.Pruners.Single(p => p.Who == who).Verdict;

    private static PlantingChecks Of(IReadOnlyList<(DateTimeOffset, TreeCheck)> checks, double done = 0.5) =>
        PlantingChecks.Of(checks, [(Morning.AddHours(-1), Card)], Terms(done));

    private static (DateTimeOffset, TreeCheck) Checked(int i, Random random, Guid who, double share)
    {
        var girth = i % 4 < 2 ? 10.0 : 14;
        var sigma = CutSpread.Usual;
        var left = (girth < 12 ? 150 : 220) * share * Math.Exp(Normal.Sample(random, -sigma * sigma / 2, sigma));
        return (Morning.AddMinutes(i), Tree(1 + i % 2, 1 + i / 2, girth, Math.Round(left)) with { Pruner = who });
    }

    private static TreeCheck Tree(int row, int tree, double girth, double left) =>
        new(
            row,
            tree,
            "winter",
            new(2027, 1, 25),
            Fair,
            null,
            girth,
            null,
            left,
            [],
            null,
            null,
            null,
            false,
            false,
            false,
            null
        );

    private static CheckTerms Terms(double done) =>
        new(
            new(
                [(1, 1, 100), (2, 1, 100), (3, 1, 100)],
                new HashSet<string> { "winter" },
                new Dictionary<string, IReadOnlyList<int>> { ["winter"] = [1, 2] }
            ),
            done,
            1_000,
            185,
            0.57,
            new(0.57, SetOutcome.Of(BetaShare.Of(0.62, 0.08)!.Value), 0.62, 0.02, 0.1, 15),
            new(2_800, 0.195, 0.87),
            new Dictionary<int, Guid> { [1] = Hard, [2] = Fair }
        );

    private static IssuedClass Class(string name, double? from, double? to, int? number, int? most) =>
        new(
            name,
            from,
            to,
            DecisionKind.Reduce,
            number is null ? ClassStop.Ground : ClassStop.Number,
            number,
            (int?)(number * 0.9),
            (int?)(number * 1.1),
            number ?? 200,
            null,
            null,
            [new(1, "thick", AmountKind.UpTo, most ?? 1, null)],
            new Dictionary<string, double>()
        );

    private static ExpectedOfClass Expected(double left) =>
        new(0.5, left * 1.5, left, 24, 6, 0, new Dictionary<string, double> { ["thick"] = 20 });
}
