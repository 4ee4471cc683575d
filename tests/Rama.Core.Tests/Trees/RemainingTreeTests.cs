using Rama.Core.Trees;

namespace Rama.Core.Tests.Trees;

public sealed class RemainingTreeTests
{
    [Fact]
    public void A_limb_takes_all_that_grows_on_it()
    {
        var hand = new HandTree();
        var limb = hand.Limb(1, 15, buds: 6);
        hand.Arm(limb, 0.4, 10, buds: 3, riseDeg: 40);
        hand.Dart(limb, 0.6);
        hand.Limb(2, 10, buds: 5);
        var tree = new RemainingTree(hand.Tree());
        var loss = tree.Cut(limb, 0.015);
        Assert.Equal((10, true), (loss.Buds, loss.TookLimb));
        Assert.Equal((5, 1), (tree.FloralBuds, tree.Limbs));
    }

    [Fact]
    public void A_limb_cut_back_keeps_what_grows_below_the_cut()
    {
        // Nine buds at 8, 16, … 72 cm of 80; cut at 40 cm five stay, and the arm at 30 cm with its three.
        var hand = new HandTree();
        var limb = hand.Limb(1, 15, buds: 9);
        hand.Arm(limb, 0.3, 10, buds: 3, riseDeg: 40);
        hand.Dart(limb, 0.6);
        var tree = new RemainingTree(hand.Tree());
        Assert.Equal(5, tree.Cut(limb, 0.4).Buds);
        Assert.Equal((8, 1), (tree.FloralBuds, tree.Limbs));
        Assert.Equal(default, tree.Cut(limb, 0.5));
    }

    [Fact]
    public void Wood_is_the_volume_of_what_tapers()
    {
        // Frustum of 15 mm to 5 mm over 80 cm: π/12 × (1.5² + 1.5 × .5 + .5²) × 80 = 68.07 cm³; general geometry.
        var hand = new HandTree();
        var limb = hand.Limb(1, 15, buds: 1);
        var tree = new RemainingTree(hand.Tree());
        Near.Printed(68.07, tree.WoodBeyondCm3(limb, 0), 2);
        Near.Printed(68.07, tree.Cut(limb, 0).WoodCm3, 2);
        Assert.Equal(1, tree.WoodCutShare, 9);
    }

    [Fact]
    public void A_branch_listed_before_the_wood_it_grows_on_is_refused()
    {
        var tree = new HandTree().Tree();
        var swapped = tree with { Branches = [.. tree.Branches, tree.Branches[0] with { Id = 1, Parent = 2 }] };
        Assert.Throws<ArgumentException>(() => new RemainingTree(swapped));
    }
}
