using CsCheck;
using Rama.Core.Prescribe;
using Rama.Core.Systems;
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

    /// <summary>What is kept of a branch is what a count of its standing buds finds, whatever was cut before.</summary>
    [Fact]
    public void Buds_on_a_branch_are_those_that_stand_on_it_and_on_what_grows_on_it() =>
        Gen.Select(Gen.Int[0, 500], Gen.Select(Gen.Int, Gen.Double[0, 0.6], Gen.Bool).Array[0, 25])
            .Sample(
                (seed, cuts) =>
                {
                    var system = TrainingSystem.Shipped[seed % TrainingSystem.Shipped.Count];
                    var stock = TreeStock.Usual(system, new(system.Form.Typical.Buds, null, null), null);
                    var grown = new TreeGenerator(stock.Shape, stock.Place).Make(stock.Classes[0].Counts, seed);
                    var tree = new RemainingTree(grown);
                    foreach (var (at, leave, rubs) in cuts)
                        if (rubs)
                            tree.RubOff((at & int.MaxValue) % grown.Buds.Length);
                        else
                            tree.Cut((at & int.MaxValue) % grown.Branches.Length, leave);
                    var copy = tree.Copy();
                    foreach (var branch in grown.Branches)
                    {
                        var counted = grown
                            .Buds.Where(b => b.Floral && tree.BudStands(b.Id) && Carries(branch.Id, b.Branch))
                            .Sum(b => b.Count);
                        Assert.Equal((counted, counted), (tree.FloralOn(branch.Id), copy.FloralOn(branch.Id)));
                    }
                    bool Carries(int branch, int? on) =>
                        on is { } wood && (wood == branch || Carries(branch, grown.Branches[wood].Parent));
                },
                iter: 200
            );

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
