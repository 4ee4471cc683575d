using System.Globalization;
using Rama.Core.Prescribe;
using Rama.Core.Prescribe.Bench;
using Rama.Core.Prescribe.Practice;
using Rama.Core.Systems;
using Rama.Core.Trees;

namespace Rama.Core.Tests.Prescribe.Practice;

/// <summary>
/// Practice cannot be gamed: what no lead would let pass scores low in every system, what a good pruner does scores
/// high. The table is printed with <c>-showLiveOutput</c>.
/// </summary>
public sealed class PracticeWaysTests(ITestOutputHelper output)
{
    private const int Low = 50,
        High = 85;

    public static TheoryData<string> Systems => [.. TrainingSystem.Shipped.Select(s => s.Id)];

    // A tree a fifth to three fifths over its number, as those are that are practised on.
    private static IEnumerable<TreeBench> Benches(string id)
    {
        var system = TrainingSystem.Find(id)!;
        foreach (var (seed, load) in new[] { (3, 1.3), (4, 1.6), (11, 1.4) })
        {
            var shape = system.Form.Typical;
            var stock = TreeStock.Usual(system, new(shape.Buds * load, null, null), null);
            var tree = new TreeGenerator(stock.Shape, stock.Place).Make(
                stock.Classes[stock.Classes.Count / 2].Counts,
                seed
            );
            yield return new(system.RulesFor(), tree, tree.FloralBuds / load, new());
        }
    }

    private static PracticeScore Score(TreeBench bench, IReadOnlyList<HandCut> cuts) =>
        PracticeScore.Of(bench, bench.Made(cuts));

    // Where the system itself does about that, it is no bad way there.
    private static bool IsTheSystems(TreeBench bench, IReadOnlyList<HandCut> cuts)
    {
        var (card, hand) = (bench.Pruning.Left, new RemainingTree(bench.Tree));
        foreach (var cut in cuts)
            if (cut.Bud is { } bud)
                hand.RubOff(bud);
            else
                hand.Cut(cut.Branch!.Value, cut.LeaveM ?? 0);
        double both = 0,
            either = 0;
        foreach (var branch in bench.Tree.Branches.Where(b => b.Kind != BranchKind.Trunk))
        {
            var (a, b) = (branch.LengthM - card.LeftM(branch.Id), branch.LengthM - hand.LeftM(branch.Id));
            var weight = branch.DiameterMm * branch.DiameterMm;
            both += weight * Math.Min(a, b);
            either += weight * Math.Max(a, b);
        }
        return either > 0 && both / either > 0.5 && cuts.Count > 0 && hand.WoodCutCm3 > 0;
    }

    // Whatever is said against a tree says what to do next time, in both languages; praise does not.
    [Theory]
    [InlineData("tall-spindle")]
    [InlineData("open-vase")]
    [InlineData("multi-leader-wall")]
    public void Every_fault_of_a_bad_way_teaches_something(string system)
    {
        var scores = Benches(system).SelectMany(b => WaysToCut.Bad.Select(way => Score(b, way.Cut(b)))).ToList();
        Assert.True(scores.SelectMany(s => s.NextTime.Keys).Distinct().Count() >= 10);
        Assert.Empty(
            scores
                .SelectMany(s => s.Remarks.Select(r => r.Code).Except(s.NextTime.Keys))
                .Except(["practice.on-target", "practice.off-as-card"])
        );
        Assert.All(PracticeLesson.All, l => Assert.NotEqual(l.NextTime.En, l.NextTime.Es));
        Assert.Equal(PracticeLesson.All.Count, PracticeLesson.All.Select(l => l.Said).Distinct().Count());
    }

    [Theory]
    [MemberData(nameof(Systems))]
    public void Bad_ways_score_low_and_sensible_ones_high(string system)
    {
        List<string> wrong = [];
        var tried = 0;
        foreach (var (bench, tree) in Benches(system).Select((b, i) => (b, i)))
        {
            foreach (var (name, cut) in WaysToCut.Bad)
            {
                var cuts = cut(bench);
                // What goes on from the card is another way as far as it goes on.
                var goesOn = name.StartsWith("the card", StringComparison.Ordinal);
                if (goesOn ? cuts.Count <= WaysToCut.Card(bench).Count + 1 : IsTheSystems(bench, cuts))
                    continue;
                tried++;
                Tell(name, Score(bench, cuts), s => s < Low);
            }
            foreach (var (name, cut) in WaysToCut.Sensible)
                Tell(name, Score(bench, cut(bench)), s => s > High);

            void Tell(string name, PracticeScore score, Func<int, bool> right)
            {
                var line = string.Create(
                    CultureInfo.InvariantCulture,
                    $"{system} {tree} {score.Score, 3} {name}: n {score.Number.Points:0} w {score.Work.Points:0} "
                        + $"l {score.Limits.Points:0} o {score.Order.Points:0} m {score.Minutes.Points:0} "
                        + $"most {score.Most} {string.Join(" ", score.Remarks.Select(r => r.Code[9..]))}"
                );
                output.WriteLine(line);
                if (!right(score.Score))
                    wrong.Add(line);
            }
        }
        Assert.True(wrong.Count == 0, string.Join("\n", wrong));
        Assert.True(tried >= 3 * 20, $"{tried} bad ways were none of the system's own");
    }

    // From the card on, each step away costs: a cut left out, a limb more, a bud more than the band allows.
    [Theory]
    [MemberData(nameof(Systems))]
    public void Steps_away_from_the_card_lower_the_score(string system)
    {
        foreach (var bench in Benches(system))
        {
            var card = WaysToCut.Card(bench);
            var best = Total(Score(bench, card));
            foreach (var (i, cut) in card.Index().Where((_, i) => i % Math.Max(1, card.Count / 12) == 0))
            {
                var without = Total(Score(bench, [.. card.Where((_, j) => j != i)]));
                Assert.True(
                    without <= best + 1e-9,
                    $"{system}: {without:0.00} without cut {i + 1}, {best:0.00} with it"
                );
                // Unless it falls with another piece all the same.
                Assert.True(
                    cut.Bud is not null || without < best || !Differs(bench, card, i),
                    $"{system}: cut {i + 1} costs nothing"
                );
            }
            var more = card;
            var before = best;
            foreach (
                var limb in bench
                    .Tree.Branches.Where(b =>
                        b is { Kind: BranchKind.Limb, State: WoodState.Sound }
                        && bench.Pruning.Left.LeftM(b.Id) >= b.LengthM
                    )
                    .OrderBy(b => b.DiameterMm)
                    .Take(3)
            )
            {
                more = [.. more, new() { Branch = limb.Id }];
                var after = Total(Score(bench, more));
                Assert.True(after <= before + 1e-9, $"{system}: {after:0.00} with one limb more, {before:0.00} before");
                before = after;
            }
            Assert.True(
                more.Count < card.Count + 3 || before < best - 5,
                $"{system}: three limbs the card keeps cost {best - before:0.0}"
            );
        }
    }

    private static bool Differs(TreeBench bench, List<HandCut> cuts, int without)
    {
        var tree = new RemainingTree(bench.Tree);
        foreach (var cut in cuts.Where((_, i) => i != without))
            if (cut.Bud is { } bud)
                tree.RubOff(bud);
            else
                tree.Cut(cut.Branch!.Value, cut.LeaveM ?? 0);
        // A peg of it that another cut left is gone all the same.
        var branch = bench.Tree.Branches[cuts[without].Branch!.Value];
        var leaves = cuts[without].LeaveM ?? 0;
        return tree.LeftM(branch.Id) > leaves + Math.Max(0.1, 0.2 * (branch.LengthM - leaves));
    }

    private static double Total(PracticeScore of) =>
        Math.Min(of.Most, of.Number.Points + of.Work.Points + of.Limits.Points + of.Order.Points + of.Minutes.Points);
}
