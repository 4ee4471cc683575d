using CsCheck;
using Rama.Core.Explain;
using Rama.Core.Quantities;
using Rama.Core.Result;
using Rama.Core.Result.Chain;

namespace Rama.Core.Tests.Result;

public class SeasonChainTests
{
    // Handbook of the trade 8.1: links .94, .91, 1.04 make .890 of plan; pruning takes 53 %, set 81 %, thinning gives
    // back 34 %.
    [Fact]
    public void Shares_of_the_miss_are_those_of_the_handbook()
    {
        var chain = new SeasonChainEntry
        {
            Wanted = new()
            {
                BudsLeft = 200,
                SetClusters = 130,
                Fruit = 110,
            },
            Came = new()
            {
                BudsLeft = 188,
                SetClusters = 130 * .94 * .91,
                Fruit = 110 * .94 * .91 * 1.04,
            },
        }.Calculate();
        Assert.Equal(.890, chain.Whole, 3);
        Assert.Equal([.94, .91, 1.04], chain.Links.Select(l => Math.Round(l.Factor, 10)));
        Assert.Equal([53, 81, -34], chain.Links.Select(l => Math.Round(l.Share!.Value * 100)));
        Assert.Equal("bloom and set", chain.Links[1].Name);
        Assert.Equal(1, chain.Most);
        Assert.Equal(
            "The crop came to 89 % of what was wanted. What made the difference was bloom and set: 91 % of what was "
                + "expected; thinning, at 104 %, made up for some of it.",
            chain.Sentence.Message
        );
        Assert.Contains(chain.Warnings, w => w.Code == "chain.together");
    }

    [Fact]
    public void Within_five_per_cent_nothing_is_shared_out()
    {
        var chain = SeasonChain.Of(new(200, null, 124, 110, 22, 19), new(150, null, 130, 112, 22.4, 18.5))!;
        Assert.Null(chain.Most);
        Assert.All(chain.Links, l => Assert.Null(l.Share));
        Assert.Equal("chain.as-wanted", chain.Sentence.Code);
    }

    [Fact]
    public void A_crop_over_the_one_wanted_is_told_as_such()
    {
        var chain = SeasonChain.Of(new(100, null, 60, 50, 10, 9), new(100, null, 78, 65, 13, 11.7))!;
        Assert.Equal(1.3, chain.Whole, 10);
        Assert.Equal("chain.over", chain.Sentence.Code);
        Assert.Equal([LinkKind.Bloom, LinkKind.Set], chain.Links[chain.Most!.Value].Kinds);
        Assert.Equal(1, chain.Links[chain.Most.Value].Share!.Value, 10);
    }

    // Common practice, no source: whoever thins a heavy set to the fruit wanted has done the job.
    [Fact]
    public void A_heavy_set_thinned_to_the_fruit_wanted_is_no_miss_of_thinning()
    {
        var chain = SeasonChain.Of(new(200, 200, 120, 100, 20, 18), new(200, 200, 150, 100, 20, 14.4))!;
        Assert.Equal("pack-out", chain.Links[chain.Most!.Value].Name);
        Assert.Equal([0, 0, 0, 0, 0, 1], chain.Links.Select(l => Math.Round(l.Share!.Value, 9)));
        // Thinned below it, it is.
        var harder = SeasonChain.Of(new(200, 200, 120, 100, 20, 18), new(200, 200, 150, 80, 16, 14.4))!;
        Assert.Equal("thinning", harder.Links[harder.Most!.Value].Name);
        Assert.Equal(1, harder.Links[harder.Most.Value].Share!.Value, 9);
    }

    [Fact]
    public void A_nought_before_a_crop_is_a_slip_and_breaks_nothing()
    {
        var chain = SeasonChain.Of(new(200, 190, 120, 100, 20, 18), new(180, 0, 0, 70, 14, 12))!;
        Assert.Equal(["pruning", "bloom, set and thinning", "fruit size", "pack-out"], chain.Links.Select(l => l.Name));
        Assert.All(chain.Links, l => Assert.True(double.IsFinite(l.Share!.Value)));
    }

    [Fact]
    public void Before_there_are_fruit_nothing_is_missed_yet()
    {
        var chain = SeasonChain.Of(new(200, 200, 124, 110, 22, 19), new(170, 150, null, null, null, null))!;
        Assert.Equal("So far 75 % of the clusters in bloom wanted; the crop is not told yet.", chain.Sentence.Message);
        Assert.Null(chain.Most);
        Assert.All(chain.Links, l => Assert.Null(l.Share));
    }

    [Fact]
    public void Nothing_of_the_crop_is_told_without_a_share()
    {
        var chain = SeasonChain.Of(new(100, 100, 60, 50, 10, 9), new(98, 0, 0, 0, 0, 0))!;
        Assert.Equal("chain.nothing", chain.Sentence.Code);
        Assert.Null(chain.Most);
        // What became of nothing cannot be told.
        Assert.Equal(2, chain.Links.Count);
    }

    [Fact]
    public void A_count_too_coarse_to_tell_is_said_to_be()
    {
        var chain = SeasonChain.Of(
            new(200, null, 120, 100, null, null),
            new(196, null, 100, 84, null, null),
            new Dictionary<LinkKind, double> { [LinkKind.Set] = 25 }
        )!;
        var set = chain.Links[1];
        Assert.Equal(100.0 / 120 / (196.0 / 200) * Math.Exp(-.25), set.Low!.Value, 10);
        Assert.False(set.IsTold);
        Assert.Contains(chain.Warnings, w => w.Code == "chain.unsure");
        Assert.Null(chain.Links[0].IsTold);
    }

    [Fact]
    public void Links_multiply_to_the_whole_and_shares_add_up_to_one() =>
        Gen.Select(Gen.Double[1, 500], Gen.Int[0, 9])
            .Select((value, luck) => luck < 3 ? (double?)null : value)
            .Array[6]
            .Select(Gen.Double[.5, 2].Array[6])
            .Sample(
                (wanted, by) =>
                {
                    ChainFigures Of(Func<int, double?> at) => new(at(0), at(1), at(2), at(3), at(4), at(5));
                    var chain = SeasonChain.Of(Of(i => wanted[i]), Of(i => wanted[i] * by[i]));
                    if (chain is null)
                    {
                        Assert.All(wanted, w => Assert.False(w.HasValue));
                        return;
                    }
                    Assert.Equal(chain.Whole, chain.Links.Aggregate(1.0, (all, l) => all * l.Factor), 9);
                    Assert.Equal(
                        Enum.GetValues<LinkKind>().Length
                            - Enumerable.Reverse(wanted).TakeWhile(w => w is null).Count(),
                        chain.Links.Sum(l => l.Kinds.Count)
                    );
                    if (chain.Most is not null)
                        Assert.Equal(1, chain.Links.Sum(l => l.Share!.Value), 9);
                }
            );

    [Fact]
    public void What_was_wanted_and_what_came_are_read_from_the_record()
    {
        var season = new SeasonResultEntry
        {
            Season = 2026,
            Yield = new(40, "t/ha"),
            FruitSize = new(200, "g"),
            PackOut = new(85, "%"),
            BudsLeft = 180,
            Counts = new() { ColdLoss = new(10, "%"), SetClusters = 100 },
            Wanted = new()
            {
                BudsLeft = 190,
                SetShare = new(60, "%"),
                FruitPerTree = 95,
                FruitSize = new(210, "g"),
                PackOut = new(88, "%"),
            },
        }.Read(2027);
        var wanted = ChainFigures.Of(season.Wanted!, .5);
        Assert.Equal(new(190, 190, 114, 95, 95 * .21, 95 * .21 * .88), wanted);
        // 40 t/ha from 2 000 trees are 20 kg a tree, 100 fruit of 200 g.
        var came = ChainFigures.Of(season, 2_000);
        Assert.Equal((180, 162, 100, 20), (came.BudsLeft, came.BloomClusters, came.SetClusters, came.PickedKg));
        Assert.Equal(100, came.Fruit!.Value, 9);
        Assert.Equal(17, came.PackedKg!.Value, 9);
    }

    [Theory]
    [InlineData(null, 120.0, 130.0, null, "counts.setClusters")]
    [InlineData(100.0, null, 130.0, null, "counts.setClusters")]
    [InlineData(100.0, 126.0, null, null, "counts.bloomClusters")]
    [InlineData(100.0, null, 40.0, 50.0, "counts.setClusters")]
    [InlineData(100.0, null, null, -5.0, "clustersThinned")]
    public void Counts_that_cannot_be_are_refused_at_their_field(
        double? left,
        double? bloom,
        double? set,
        double? thinned,
        string field
    )
    {
        var entry = new SeasonResultEntry
        {
            Season = 2026,
            Yield = new(40, "t/ha"),
            BudsLeft = left,
            ClustersThinned = thinned,
            Counts = new() { BloomClusters = bloom, SetClusters = set },
        };
        var e = Assert.Throws<UnusableEntryException>(() => entry.Read(2027));
        Assert.Equal(field, Assert.Single(e.Problems).Field);
    }

    [Fact]
    public void An_interval_below_nothing_is_refused_at_its_field()
    {
        var entry = new SeasonResultEntry
        {
            Season = 2026,
            BudsLeft = 100,
            Counts = new()
            {
                How = new()
                {
                    BudsLeft = new() { Trees = 12, HalfWidth = -1 },
                },
            },
        };
        var e = Assert.Throws<UnusableEntryException>(() => entry.Read(2027));
        Assert.Equal("counts.how.budsLeft.halfWidth", Assert.Single(e.Problems).Field);

        // One wider than the number would tell nothing, and of what was not counted there is none.
        SeasonResultEntry With(double? left, double half) =>
            entry with
            {
                BudsLeft = left,
                Yield = new(40, "t/ha"),
                Counts = new() { How = new() { BudsLeft = new() { HalfWidth = half } } },
            };
        e = Assert.Throws<UnusableEntryException>(() => With(100, 101).Read(2027));
        Assert.Equal("counts.how.budsLeft.halfWidth", Assert.Single(e.Problems).Field);
        Assert.Empty(With(null, 20_000).Read(2027).Counts.HalfWidths);
    }

    [Fact]
    public void A_season_is_held_against_its_own_trunk()
    {
        var season = new SeasonResultEntry
        {
            Season = 2024,
            Yield = new(40, "t/ha"),
            FruitSize = new(200, "g"),
            // 16 cm of girth are 20.37 cm² (handbook of the trade 2.3).
            Counts = new() { Girth = new(16, "cm"), ReturnBuds = 250 },
        };
        var pair = season.Read(2027).Return(2_000)!;
        Assert.Equal(100 / 20.37, pair.CropDensity, 3);
        Assert.Equal(250 / 20.37, pair.Value, 2);
        // Counted fruit go before those worked out from mass.
        var counted = season with { Counts = season.Counts with { FruitPerTree = 112 } };
        Assert.Equal(112 / 20.37, counted.Read(2027).Return(2_000)!.CropDensity, 2);
        Assert.Null((season with { Counts = new() { ReturnBuds = 250 } }).Read(2027).Return(2_000));
    }

    [Fact]
    public void Clusters_counted_after_the_drop_tell_the_set_without_fruit_thinned()
    {
        SeasonResult Read(SeasonCountsEntry? counts) =>
            new SeasonResultEntry
            {
                Season = 2026,
                Yield = new(100, "fruit/tree"),
                BudsLeft = 200,
                Counts = counts,
            }.Read(2027);
        // Picked alone is "at least", counted it is exact; and what cold took is no failure to set.
        Assert.Equal(new(.5, true), Read(null).Set(2_000, 1));
        Assert.Equal(new(.65, false), Read(new() { SetClusters = 130 }).Set(2_000, 1));
        Assert.Equal(
            new(.8125, false),
            Read(new() { SetClusters = 130, ColdLoss = new Amount(.2, "share") }).Set(2_000, 1)
        );
    }
}
