using Rama.Core.Decide;
using Rama.Core.Prescribe;
using Rama.Core.Tests.Trees;

namespace Rama.Core.Tests.Systems;

/// <summary>What rules find on a tree of two leaders that lean apart, drawn by hand.</summary>
public sealed class TreesWithLeadersTests
{
    // Leaders lean 0.8 m to either side of the row on 2.5 m of height.
    private static HandTree V(out int left, out int right)
    {
        var hand = HandTree.Bare();
        left = hand.Leader(0, 2.5, 40, acrossM: -0.8);
        right = hand.Leader(0.6, 2.5, 40, acrossM: 0.8);
        return hand;
    }

    private static IEnumerable<int> Found(HandTree hand, string find, string per = "tree", int most = 5)
    {
        var system = Core.Systems.TrainingSystem.Parse(
            Packs.Json(
                Packs
                    .Step.Replace("limbs where diameter > big", find, StringComparison.Ordinal)
                    .Replace("\"per\": \"tree\"", $"\"per\": \"{per}\"", StringComparison.Ordinal)
            )
        );
        var pruning = TreePruning.Of(
            system.RulesFor(),
            hand.Tree(),
            CutAllowance.Counted(hand.Tree().FloralBuds, 1, new(0.1, 0.9), DecisionKind.Reduce),
            new Dictionary<string, double> { ["how-many"] = most }
        );
        return pruning.Cuts.Select(c => c.Branch).Order();
    }

    // Common practice, no source: in a V what grows between the planes shades both.
    [Fact]
    public void A_limb_into_the_v_grows_inward_on_either_leader()
    {
        var hand = V(out var left, out var right);
        var inward = new[]
        {
            hand.Limb(1.5, 16, 5, azimuthDeg: 90, leader: left),
            hand.Limb(1.5, 16, 5, azimuthDeg: -90, leader: right),
        };
        hand.Limb(1.5, 16, 5, azimuthDeg: -90, leader: left);
        hand.Limb(1.5, 16, 5, azimuthDeg: 90, leader: right);
        Assert.Equal(inward.Order(), Found(hand, "limbs where inward"));
    }

    [Fact]
    public void A_number_for_each_leader_counts_on_each()
    {
        var hand = V(out var left, out var right);
        int[] limbs =
        [
            .. new[] { left, left, left, right, right, right }.Select(
                (l, i) => hand.Limb(0.8 + 0.2 * i, 16, 5, leader: l)
            ),
        ];
        var one = Found(hand, "limbs where diameter > big", "leader", most: 1).ToList();
        Assert.Equal(2, one.Count);
        Assert.Single(one.Intersect(limbs[..3]));
        Assert.Single(one.Intersect(limbs[3..]));
        Assert.Single(Found(hand, "limbs where diameter > big", most: 1));
    }
}
