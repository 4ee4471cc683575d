using CsCheck;
using Rama.Core.Training;

namespace Rama.Core.Tests.Training;

public sealed class BareLeaderTests
{
    private static BareLeader Of(BranchWay way = BranchWay.Buds, params int[] turned) =>
        new BareLeaderEntry
        {
            Way = way,
            Length = new(1.1, "m"),
            Internode = new(2.4, "cm"),
            Turned = turned,
        }.Calculate();

    // Handbook 9.1: of 45.8 buds 11.7 are kept; drawn, whole buds: 46 and 12, the top five off first, then one kept
    // and two or three taken, a limb every 12 to 18 cm.
    [Fact]
    public void Buds_are_kept_one_in_three_or_four_below_the_top()
    {
        var leader = Of();
        Assert.Equal((46, 12, 34), (leader.Buds.Count, leader.Kept, leader.Off));
        Assert.Equal([1, 2, 3, 4, 5], leader.Buds.Where(b => b.Fate == BudFate.TopOff).Select(b => b.Number));
        var kept = leader.Buds.Where(b => b.Fate == BudFate.Kept).Select(b => b.Number).ToList();
        Assert.All(kept.Zip(kept.Skip(1)), k => Assert.InRange(k.Second - k.First - 1, 2, 3));
        Assert.InRange(leader.LimbSpacingCm!.Value, 12, 18);
        Assert.InRange(leader.Off / 46.0, 0.70, 0.85);
    }

    // Handbook 9.1: the kept ones turn round the leader.
    [Fact]
    public void Kept_buds_stand_on_every_side() => Assert.All(Of().Quarters, q => Assert.InRange(q, 1, 5));

    [Fact]
    public void A_bud_turned_by_hand_is_told_anew()
    {
        var kept = Of().Buds.First(b => b.Fate == BudFate.Kept).Number;
        Assert.Equal(11, Of(BranchWay.Buds, kept).Kept);
        Assert.Equal(13, Of(BranchWay.Buds, kept + 1).Kept);
        // A top bud stays off, and what is no bud is passed over.
        Assert.Equal(12, Of(BranchWay.Buds, 1, 999).Kept);
    }

    [Fact]
    public void Kept_buds_of_one_side_alone_are_warned_of()
    {
        var all = Of();
        var oneSide = all.Buds.Where(b => b.Number > 5 && (b.Fate == BudFate.Kept) != (b.AzimuthDeg < 90));
        Assert.Contains(Of(BranchWay.Buds, [.. oneSide.Select(b => b.Number)]).Warnings, w =>
            w.Code == "bare-leader.one-sided"
        );
    }

    // Handbook 9.1: bands about 30 cm apart; label and licensed applicator; never on the length where buds are taken.
    [Fact]
    public void Bands_of_an_agent_stand_about_thirty_centimetres_apart()
    {
        var leader = Of(BranchWay.Agent);
        Assert.Equal(4, leader.BandsCm.Count);
        Assert.All(leader.BandsCm.Zip(leader.BandsCm.Skip(1)), b => Assert.InRange(b.Second - b.First, 20, 40));
        Assert.Equal(0, leader.Off);
        Assert.Contains(leader.Warnings, w => w.Message.Contains("licensed", StringComparison.Ordinal));
        Entries.AssertProblem(Entries.ProblemsOf(() => Of(BranchWay.Agent, 9)), "turned", "conflict");
    }

    [Fact]
    public void No_buds_or_too_many_are_refused()
    {
        var kept = Of().Buds.Where(b => b.Fate == BudFate.Kept).Select(b => b.Number).ToArray();
        Entries.AssertProblem(Entries.ProblemsOf(() => Of(BranchWay.Buds, kept)), "turned", "conflict");
        var off = Of().Buds.Where(b => b.Fate == BudFate.Off).Select(b => b.Number).ToArray();
        Entries.AssertProblem(Entries.ProblemsOf(() => Of(BranchWay.Buds, off)), "turned", "conflict");
        Entries.AssertProblem(
            Entries.ProblemsOf(() =>
                new BareLeaderEntry { Length = new(9, "m"), Internode = new(2, "cm") }.Calculate()
            ),
            "length",
            "range"
        );
    }

    [Fact]
    public void A_length_without_a_bud_below_the_top_is_refused_at_it() =>
        Entries.AssertProblem(
            Entries.ProblemsOf(() =>
                new BareLeaderEntry { Length = new(0.25, "m"), Internode = new(5, "cm") }.Calculate()
            ),
            "length",
            "conflict"
        );

    // Property: what is kept and what comes off are all the buds, for any leader that is not refused.
    [Fact]
    public void Kept_and_taken_are_all_the_buds() =>
        Gen.Select(Gen.Double[0.8, 3], Gen.Double[1.6, 5])
            .Sample(
                (length, internode) =>
                {
                    var leader = new BareLeaderEntry
                    {
                        Length = new(length, "m"),
                        Internode = new(internode, "cm"),
                    }.Calculate();
                    return leader.Kept + leader.Off == leader.Buds.Count
                        && leader.Quarters.Sum() == leader.Kept
                        && leader.Kept == leader.Buds.Count(b => b.Fate == BudFate.Kept);
                },
                iter: 300
            );
}
