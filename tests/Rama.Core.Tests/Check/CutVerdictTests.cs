using MathNet.Numerics.Distributions;
using Rama.Core.Check;

namespace Rama.Core.Tests.Check;

public sealed class CutVerdictTests
{
    private static readonly CutSpread Spread = new(CutSpread.Usual, 0);

    private static readonly AskedOfTree Asked = new(192, 24, 16, 4, 23);

    [Fact]
    public void Nothing_is_said_before_it_is_earned()
    {
        Assert.Equal(VerdictKind.None, Of([]).Kind);
        // Two trees a third short say nothing yet.
        var two = Of([0.67, 0.67]);
        Assert.Equal(VerdictKind.TooFewCounts, two.Kind);
        Assert.Null(two.Correction);
        Assert.True(two.ToDecide > 0);
        // Handbook 5.3: at CV 20 % three counts of an honest pruner show 10 % off in 39 % of cases.
        Assert.Equal(VerdictKind.TooFewCounts, Of([0.9, 0.88, 0.92]).Kind);
    }

    // Handbook 5.3: at CV 20 % three counts show a 10 % error in 39 % of pruners who are on target; here hardly any is
    // told so.
    [Fact]
    public void Few_on_target_are_told_off()
    {
        var random = new Random(5);
        const int Pruners = 6_000;
        var (shown, told) = (0, 0);
        for (var i = 0; i < Pruners; i++)
        {
            var trees = Trees(random, 1, 3);
            shown += Math.Abs(trees.Average() - 1) > 0.1 ? 1 : 0;
            told += Of(trees).Kind is VerdictKind.TooMany or VerdictKind.TooFew ? 1 : 0;
        }
        Assert.Equal(0.39, shown / (double)Pruners, 0.02);
        Assert.InRange(told / (double)Pruners, 0, 0.01);
    }

    [Theory]
    [InlineData(0.7, VerdictKind.TooFew)]
    [InlineData(1.4, VerdictKind.TooMany)]
    [InlineData(1, VerdictKind.OnTarget)]
    public void Twenty_four_counts_alike_are_enough(double share, VerdictKind kind)
    {
        var centred = share * Math.Exp(-CutSpread.Usual * CutSpread.Usual / 2);
        var verdict = Of([.. Enumerable.Repeat(centred, 24)]);
        Assert.Equal(kind, verdict.Kind);
        Assert.Equal(share - 1, verdict.Off, 1e-9);
        Assert.Equal(0, verdict.ToDecide);
        Assert.InRange(verdict.Off, verdict.Low!.Value, verdict.High!.Value);
        Assert.Equal(kind is VerdictKind.OnTarget, verdict.Correction is null);
    }

    [Fact]
    public void Advice_is_taken_back_when_it_no_longer_holds()
    {
        var hard = Enumerable.Repeat(0.75, 14).ToList();
        Assert.Equal(VerdictKind.TooFew, Of(hard).Kind);
        Assert.NotEqual(VerdictKind.TooFew, Of([.. hard, .. Enumerable.Repeat(1.05, 14)]).Kind);
    }

    [Fact]
    public void A_few_more_counts_are_asked_for_and_then_it_is_said()
    {
        for (var n = CutVerdict.Fewest; n < 12; n++)
        {
            var centred = Math.Exp(-CutSpread.Usual * CutSpread.Usual / 2);
            var verdict = Of([.. Enumerable.Repeat(centred, n)]);
            if (verdict.Kind == VerdictKind.OnTarget)
                continue;
            Assert.Equal(VerdictKind.OnTarget, Of([.. Enumerable.Repeat(centred, n + verdict.ToDecide)]).Kind);
            Assert.NotEqual(VerdictKind.OnTarget, Of([.. Enumerable.Repeat(centred, n + verdict.ToDecide - 1)]).Kind);
        }
    }

    // Half the band asks for four times the trees; it must not be out of reach.
    [Theory]
    [InlineData(0.1, 24)]
    [InlineData(0.05, 80)]
    [InlineData(0.03, 220)]
    public void On_target_can_be_reached_with_any_band(double tolerance, int trees)
    {
        var centred = -CutSpread.Usual * CutSpread.Usual / 2;
        var verdict = CutVerdict.Of([.. Enumerable.Repeat(centred, trees)], Spread, tolerance);
        Assert.Equal(VerdictKind.OnTarget, verdict.Kind);
    }

    [Fact]
    public void The_sentence_has_its_interval()
    {
        var verdict = Of([.. Enumerable.Repeat(0.7, 24)]);
        var (least, most) = (-verdict.High!.Value * 100, -verdict.Low!.Value * 100);
        Assert.Contains($"({least:0} to {most:0} %)", verdict.Sentence.Message, StringComparison.Ordinal);
    }

    [Theory]
    // 14 % of 192 are 27 buds, about one on each of 24 limbs (24) or two big limbs (32): one a limb is nearer.
    [InlineData(0.14, CorrectionKind.BudsPerLimb, 1)]
    // 8 % are 15 buds: one big limb.
    [InlineData(0.08, CorrectionKind.BigLimbs, 1)]
    // 12 % too few are 23 buds: what the last step drops.
    [InlineData(-0.12, CorrectionKind.LeaveOutStep, 4)]
    [InlineData(-0.25, CorrectionKind.BudsPerLimb, 2)]
    // 3 % are six buds: nobody can tell them by the limb.
    [InlineData(0.03, CorrectionKind.BudsPerTree, 6)]
    public void The_correction_is_what_comes_nearest(double off, CorrectionKind kind, int amount)
    {
        var correction = Asked.Correction(off);
        Assert.Equal((kind, amount), (correction.Kind, correction.Amount));
    }

    // Handbook of the trade 7.3.
    [Fact]
    public void The_rest_of_the_block_makes_up_for_what_is_done()
    {
        var rest = RestOfBlock.Of(192.5, 158, 0.24, 0.1);
        Assert.Equal(203.4, rest.BudsPerTree, 0.05);
        Assert.True(rest.IsWithin);
        Assert.False(RestOfBlock.Of(192.5, 158, 0.6, 0.1).IsWithin);
        // Together they come to what was asked.
        Assert.Equal(192.5, 0.24 * 158 + 0.76 * rest.BudsPerTree, 1e-9);
    }

    [Fact]
    public void Trees_are_drawn_by_chance_and_the_same_on_every_phone()
    {
        List<(int, IReadOnlyList<int>)> rows =
        [
            .. Enumerable.Range(1, 40).Select(r => (r, (IReadOnlyList<int>)[.. Enumerable.Range(1, 100)])),
        ];
        var draws = TreeDraw.Of(rows, 7);
        Assert.Equal(draws.SelectMany(d => d.Trees), TreeDraw.Of(rows, 7).SelectMany(d => d.Trees));
        Assert.NotEqual(draws.SelectMany(d => d.Trees), TreeDraw.Of(rows, 8).SelectMany(d => d.Trees));
        // One in forty of 4 000.
        Assert.Equal(100, draws.Sum(d => d.Due));
        Assert.All(draws, d => Assert.Equal(d.Trees.Count, d.Trees.Distinct().Count()));
        Assert.All(draws, d => Assert.All(d.Trees, t => Assert.InRange(t, 1, 100)));
        // The whole row, not its beginning.
        Assert.Equal(50.5, draws.SelectMany(d => d.Trees).Average(), 6.0);
        // Rows of a dozen trees have one between them now and then.
        var shortRows = TreeDraw.Of(
            [.. Enumerable.Range(1, 40).Select(r => (r, (IReadOnlyList<int>)[.. Enumerable.Range(1, 12)]))],
            7
        );
        Assert.Equal(12, shortRows.Sum(d => d.Due));
    }

    private static double[] Trees(Random random, double share, int trees)
    {
        var sigma = CutSpread.Usual;
        return
        [
            .. Enumerable
                .Range(0, trees)
                .Select(_ => Math.Exp(Normal.Sample(random, Math.Log(share) - sigma * sigma / 2, sigma))),
        ];
    }

    private static CutVerdict Of(IReadOnlyList<double> shares) =>
        CutVerdict.Of([.. shares.Select(s => Math.Log(s))], Spread, 0.1, Asked);
}
