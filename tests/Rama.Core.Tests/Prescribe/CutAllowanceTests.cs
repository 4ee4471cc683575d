using CsCheck;
using Rama.Core.Decide;
using Rama.Core.Prescribe;

namespace Rama.Core.Tests.Prescribe;

public sealed class CutAllowanceTests
{
    // Handbook 2.7: 163.2 buds wanted, tolerance 10 %, cap 40 %.
    private static readonly DecisionSettings Usual = new();

    private static PruningDecision Class(double standing) =>
        PruningDecision.Of(new(standing, null, null), 163.2, Usual);

    // By hand. The class stands at 170: structure only, 16.3 buds may lie on the ground, and those a pruner counts.
    [Fact]
    public void Structure_by_the_card_is_told_by_what_lies_on_the_ground()
    {
        var allowance = CutAllowance.ByCard(Class(170), 200, Usual);
        Assert.Equal((DecisionKind.StructureOnly, true), (allowance.Kind, allowance.CountsBuds));
        Near.Printed(183.7, allowance.BandLow, 1); // 200 − 16.3
        Near.Printed(183.7, allowance.NumberLow, 1);
        Near.Printed(120, allowance.CapLow, 1);
    }

    // At 231 the class is reduced: by the card a tree is cut by amounts, whatever it bore, and only the cap holds.
    [Fact]
    public void A_reduction_by_the_card_knows_no_tree_s_buds()
    {
        var allowance = CutAllowance.ByCard(Class(231), 300, Usual);
        Assert.Equal(
            new(DecisionKind.Reduce, 163.2, 0, 0, 180, false),
            allowance with
            {
                CapLow = Math.Round(allowance.CapLow, 9),
            }
        );
    }

    // By hand: 231 on the tree, 163.2 wanted: wood may go to 146.9, single buds to 163.2, the cap to 138.6.
    [Fact]
    public void On_a_counted_tree_wood_may_dip_into_the_band_and_single_buds_may_not()
    {
        var allowance = CutAllowance.Counted(231, 163.2, Usual);
        Near.Printed(146.9, allowance.BandLow, 1);
        Near.Printed(163.2, allowance.NumberLow, 1);
        Near.Printed(138.6, allowance.CapLow, 1);
        Assert.True(allowance.CountsBuds);
        // 400 stand: the cap leaves 240, and neither wood nor buds go below it.
        var capped = CutAllowance.Counted(400, 163.2, Usual);
        Assert.Equal((240, 240, 240), (capped.BandLow, capped.NumberLow, capped.CapLow));
    }

    // What nobody decided to cut stays.
    [Fact]
    public void No_allowance_lets_a_tree_fall_below_what_was_decided() =>
        Gen.Select(Gen.Double[1, 900], Gen.Double[1, 900])
            .Sample(
                (standing, wanted) =>
                {
                    var allowance = CutAllowance.Counted(standing, wanted, Usual);
                    return allowance.BandLow <= allowance.NumberLow + 1e-9
                        && allowance.CapLow <= allowance.NumberLow + 1e-9
                        && (allowance.Kind != DecisionKind.NoPrune || allowance.NumberLow >= standing - 1e-9)
                        && (allowance.Kind != DecisionKind.Reduce || allowance.NumberLow >= wanted - 1e-9);
                }
            );
}
