using Rama.Core.Passes;
using Rama.Core.Weather;

namespace Rama.Core.Tests.Passes;

public sealed class PassWindowTests
{
    private static readonly string[] Crops = ["apple", "pear", "cherry", "peach"];

    private static GreenTip Tip(DateOnly day) => new(day, 3, GreenTipBasis.Planting);

    private static PassWindow Window(string pass, string crop, DateOnly tip, params (Anchor, DateOnly)[] noted) =>
        PassWindow.Of(
            PassDefinition.Find(pass)!.Window,
            AnchorDays.Of(crop, Tip(tip), noted.ToDictionary(n => n.Item1, n => n.Item2))
        );

    // A spring a month early or late, at the turn of the year and in a leap year, in the north and at 41° S.
    public static TheoryData<DateOnly> Tips =>
        [
            new DateOnly(2027, 3, 15),
            new DateOnly(2027, 2, 10),
            new DateOnly(2028, 2, 29),
            new DateOnly(2027, 4, 20),
            new DateOnly(2026, 9, 12),
            new DateOnly(2027, 1, 1),
        ];

    // Handbook 9.6: almond on dry wood after the hard frosts and before bloom; evergreens soon after harvest, not when
    // regrowth would compete with flowering.
    [Theory]
    [MemberData(nameof(Tips))]
    public void Other_canopies_are_cut_when_the_trade_says_so(DateOnly tip)
    {
        var almond = AnchorDays.Of("almond", Tip(tip));
        var vase = Window("vase-winter", "almond", tip);
        Assert.True(vase.From >= almond.Find(Anchor.LeafFallBefore)!.Day.AddDays(60));
        Assert.True(vase.To < almond.Find(Anchor.Bloom)!.Day && !vase.NeverOpens);
        foreach (var crop in new[] { "lemon", "lychee", "avocado" })
        {
            var days = AnchorDays.Of(crop, Tip(tip));
            var window = Window("evergreen-prune", crop, tip);
            Assert.Equal(days.Find(Anchor.HarvestEnd)!.Day.AddDays(-365), window.From);
            Assert.True(window.To <= days.Find(Anchor.Bloom)!.Day.AddDays(-30) && !window.NeverOpens);
        }
        foreach (var crop in Crops)
            Assert.DoesNotContain(PassDefinition.All.Where(p => p.IsForCrop(crop)), p =>
                p.Id is "vase-winter" or "evergreen-prune"
            );
    }

    // Handbook 5.1 and 6.1, line by line, for whatever spring.
    [Theory]
    [MemberData(nameof(Tips))]
    public void Nothing_is_cut_when_the_trade_says_it_is_dangerous(DateOnly tip)
    {
        foreach (var crop in Crops)
        {
            var days = AnchorDays.Of(crop, Tip(tip));
            DateOnly Day(Anchor anchor) => days.Find(anchor)!.Day;
            foreach (var pass in PassDefinition.All.Where(p => p.IsWinter && p.IsForCrop(crop)))
            {
                var window = PassWindow.Of(pass.Window, days);
                // After leaf fall and cold-hardening, and never past bloom.
                Assert.True(window.From >= Day(Anchor.LeafFallBefore).AddDays(21), $"{crop} {pass.Id}");
                Assert.True(window.To <= Day(Anchor.Bloom), $"{crop} {pass.Id}");
                Assert.False(window.NeverOpens);
            }
            // Pome fruit: the big cuts by silver tip, detail by green tip.
            Assert.Equal(Day(Anchor.SilverTip), Window("major", crop, tip).To);
            Assert.Equal(tip, Window("detail", crop, tip).To);
            // Cherry never from autumn to midwinter, peach from bud swell.
            Assert.True(Window("cherry-winter", "cherry", tip).From >= tip.AddDays(-28));
            Assert.Equal(
                AnchorDays.Of("peach", Tip(tip)).Find(Anchor.SilverTip)!.Day,
                Window("peach-winter", "peach", tip).From
            );
            // Wounds of autumn must close: eight weeks before leaf fall at the latest, six after picking.
            var after = Window("after-harvest", crop, tip);
            Assert.True(after.To <= Day(Anchor.LeafFall).AddDays(-56));
            Assert.True(after.To <= Day(Anchor.HarvestEnd).AddDays(42));
            // Thinning within sixty days of bloom, early enough for next year's bloom where a variety is biennial.
            Assert.InRange(Window("thinning", crop, tip).To!.Value.DayNumber - Day(Anchor.Bloom).DayNumber, 1, 60);
            Assert.InRange(
                Window("thinning-early", crop, tip).To!.Value.DayNumber - Day(Anchor.Bloom).DayNumber,
                30,
                40
            );
        }
    }

    [Theory]
    [MemberData(nameof(Tips))]
    public void A_window_opens_no_earlier_than_its_anchor_and_closes_no_earlier_than_it_opens(DateOnly tip)
    {
        foreach (var crop in Crops)
        foreach (var pass in PassDefinition.All)
        {
            var days = AnchorDays.Of(crop, Tip(tip));
            var window = PassWindow.Of(pass.Window, days, new(tip.AddDays(-60), tip.AddDays(-20), null, [], false));
            Assert.Equal(window.NeverOpens, window.From > window.To);
            foreach (var offset in pass.Window.From)
                if (days.Find(offset.Anchor) is { } anchor && window.From is { } from)
                    Assert.True(from >= anchor.Day.AddDays(offset.Days), $"{crop} {pass.Id}");
            Assert.Equal(
                window.Unknown.Count > 0,
                window.Says()?.Code.StartsWith("pass.unknown", StringComparison.Ordinal) == true
            );
        }
    }

    // By hand: green tip 12 September at 41° S, apples fall their leaves 235 days after it, in May; the winter before
    // lies in May to September.
    [Fact]
    public void The_south_has_its_winter_in_june()
    {
        var winter = Window("winter", "apple", new(2026, 9, 12));
        Assert.Equal((new DateOnly(2026, 5, 26), new DateOnly(2026, 9, 4)), (winter.From, winter.To));
        Assert.Equal(3, AnchorDays.Of("apple", Tip(new(2026, 9, 12))).Find(Anchor.HarvestEnd)!.Day.Month);
    }

    [Fact]
    public void The_dormant_winter_goes_over_the_turn_of_the_year()
    {
        var winter = Window("winter", "apple", new(2027, 3, 15));
        Assert.Equal(2026, winter.From!.Value.Year);
        Assert.Equal(2027, winter.To!.Value.Year);
        Assert.True(winter.Holds(new(2026, 12, 31)));
        Assert.True(winter.Holds(new(2027, 1, 1)));
        Assert.False(winter.Holds(new(2026, 8, 1)));
    }

    // A bloom ten days late puts off what hangs on it, and not what came before it.
    [Fact]
    public void A_day_noted_moves_the_days_after_it()
    {
        DateOnly tip = new(2027, 3, 15);
        var usual = AnchorDays.Of("apple", Tip(tip));
        var late = AnchorDays.Of(
            "apple",
            Tip(tip),
            new Dictionary<Anchor, DateOnly>
            {
                [Anchor.GreenTip] = tip,
                [Anchor.Bloom] = usual.Find(Anchor.Bloom)!.Day.AddDays(10),
            }
        );
        Assert.Equal(usual.Find(Anchor.HarvestBegin)!.Day.AddDays(10), late.Find(Anchor.HarvestBegin)!.Day);
        Assert.Equal(AnchorBasis.FromRecorded, late.Find(Anchor.HarvestBegin)!.Basis);
        Assert.Equal(usual.Find(Anchor.SilverTip)!.Day, late.Find(Anchor.SilverTip)!.Day);
        Assert.Equal(AnchorBasis.Recorded, late.Find(Anchor.Bloom)!.Basis);
        // A spring three weeks late moves silver tip and not the leaf fall of the autumn before.
        var spring = AnchorDays.Of(
            "apple",
            Tip(tip),
            new Dictionary<Anchor, DateOnly> { [Anchor.GreenTip] = tip.AddDays(21) }
        );
        Assert.Equal(usual.Find(Anchor.SilverTip)!.Day.AddDays(21), spring.Find(Anchor.SilverTip)!.Day);
        Assert.Equal(usual.Find(Anchor.LeafFallBefore), spring.Find(Anchor.LeafFallBefore));
    }

    // A late peach picked until ten weeks before leaf fall has no dry month left: it waits for bud swell.
    [Fact]
    public void A_late_variety_has_no_window_after_harvest()
    {
        DateOnly tip = new(2027, 3, 1);
        var fall = AnchorDays.Of("peach", Tip(tip)).Find(Anchor.LeafFall)!.Day;
        var window = Window(
            "after-harvest",
            "peach",
            tip,
            (Anchor.HarvestEnd, fall.AddDays(-50)),
            (Anchor.LeafFall, fall)
        );
        Assert.True(window.NeverOpens);
        Assert.Equal("pass.never", window.Says()!.Code);
        Assert.False(window.Holds(fall));
    }

    [Fact]
    public void Without_any_day_there_is_no_estimate_and_it_is_said_how_to_give_one()
    {
        var window = PassWindow.Of(PassDefinition.Find("winter")!.Window, AnchorDays.Of("apple", null));
        Assert.Equal((null, null, null), (window.From, window.To, window.Holds(new(2027, 1, 1))));
        Assert.Contains("green tip", window.Says()!.Message, StringComparison.Ordinal);
        Assert.Equal("pass.unknown.cold", Window("cold-look", "apple", new(2027, 3, 15)).Says()!.Code);
        Assert.Equal(
            (new DateOnly(2027, 2, 2), new DateOnly(2027, 2, 4)),
            (
                Window("cold-look", "apple", new(2027, 3, 15), (Anchor.ColdNight, new(2027, 2, 1))).From,
                Window("cold-look", "apple", new(2027, 3, 15), (Anchor.ColdNight, new(2027, 2, 1))).To
            )
        );
    }

    [Fact]
    public void Every_pass_has_its_words_and_its_source()
    {
        Assert.Equal(PassDefinition.All.Count, PassDefinition.All.Select(p => p.Id).Distinct().Count());
        foreach (var pass in PassDefinition.All)
        {
            Assert.All(new[] { pass.Name.En, pass.Name.Es, pass.What.En, pass.What.Es, pass.Source }, Assert.NotEmpty);
            // Whoever saws, climbs or sprays is told how not to be hurt.
            if (pass.Hands.Intersect([Hands.Height, Hands.ChainSaw, Hands.Applicator]).Any())
                Assert.NotNull(pass.Caution);
            Assert.All(pass.Window.AfterPass, id => Assert.NotNull(PassDefinition.Find(id)));
            // What comes again has an end.
            Assert.True(pass.EveryDays is null || pass.Window.To.Count > 0);
        }
    }
}
