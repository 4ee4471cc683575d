using CsCheck;
using Rama.Core.Decide;
using Rama.Core.Prescribe;
using Rama.Core.Systems;

namespace Rama.Core.Tests.Prescribe;

public sealed class PrescriptionTests
{
    private static readonly TrainingSystem Spindle = TrainingSystem.Find("tall-spindle")!;

    private static Prescription Of(double present, double toLeave = 163.2, double limbs = 22) =>
        Prescription.Of(Spindle, PruningDecision.Of(new(present, present - 20, present + 20), toLeave, new()), limbs);

    private static PrescribedCut Cut(Prescription prescription, string step) => prescription.Cuts.Single(c => c.StepId == step);

    [Fact]
    public void A_surplus_is_cut_to_the_number_big_limbs_first()
    {
        // By hand for 231 buds on 22 limbs: first limb 1.8 × 231/22 = 18.9 → 212.1; second 1.8 × 212.1/21 = 18.18 → 193.92.
        var prescription = Of(231);
        var limbs = Cut(prescription, "thick-limbs");
        Assert.Equal(2, limbs.CutsPerTree);
        Near.Printed(193.92, limbs.BudsAfter, 2);
        Assert.Equal(20, prescription.LimbsLeft);
        Assert.Equal(163.2, prescription.BudsLeft, 9);
        Assert.Equal([1, 2, 3, 4], prescription.Cuts.Select(c => c.Number));
    }

    [Fact]
    public void What_the_cap_keeps_back_goes_to_thinning()
    {
        var prescription = Of(290);
        Assert.Equal(174, prescription.BudsLeft, 9);
        Near.Printed(11, prescription.ClustersToThinning, 0);
    }

    [Fact]
    public void No_prune_cuts_unsound_wood_and_nothing_else()
    {
        var prescription = Of(88);
        Assert.Equal("unsound-wood", Assert.Single(prescription.Cuts).StepId);
        Assert.Equal(88, prescription.BudsLeft);
    }

    [Fact]
    public void Structure_only_rubs_no_buds_and_stays_within_its_allowance()
    {
        var prescription = Of(170);
        Assert.DoesNotContain(prescription.Cuts, c => c.StepId == "spurs");
        Assert.InRange(170 - prescription.BudsLeft, 0, 16.32);
    }

    [Fact]
    public void Drops_add_up_and_never_pass_the_number() =>
        Gen.Select(Gen.Double[0, 1_500], Gen.Double[5, 800], Gen.Double[1, 60]).Sample((present, toLeave, limbs) =>
        {
            var decision = PruningDecision.Of(new(present, null, null), toLeave, new());
            var prescription = Prescription.Of(Spindle, decision, limbs);
            return Math.Abs(present - prescription.Cuts.Sum(c => c.Drop) - prescription.BudsLeft) < 1e-6
                && prescription.Cuts.Sum(c => c.Drop) <= decision.RemoveBuds + 1e-6
                && prescription.Cuts.All(c => c.Drop >= 0 && c.CutsPerTree >= 0)
                && prescription.LimbsLeft >= 1 - 1e-9
                && double.IsFinite(prescription.BudsPerLimb);
        });

    [Fact]
    public void Uncounted_limbs_are_assumed_and_said_so() => Assert.Contains(
        Prescription.Of(Spindle, PruningDecision.Of(new(231, null, null), 163.2, new())).Warnings,
        w => w.Code == "prescription.limbs-assumed");

    [Fact]
    public void The_interval_of_the_count_carries_through()
    {
        var prescription = Of(231);
        Assert.True(prescription.BudsLeftLow < prescription.BudsLeft && prescription.BudsLeft < prescription.BudsLeftHigh);
    }
}
