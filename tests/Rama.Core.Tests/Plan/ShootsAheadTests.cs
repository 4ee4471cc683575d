using Rama.Core.Count.Vigour;
using Rama.Core.Crops;
using Rama.Core.Plan;

namespace Rama.Core.Tests.Plan;

public sealed class ShootsAheadTests
{
    // Without own seasons the shipped line, over every system: 10 cm for each tenth of the wood, just too strong after
    // a fifth of it.
    [Fact]
    public void Made_plantings_are_told_shoots_a_grower_has_seen()
    {
        var (told, untold) = (0, 0);
        foreach (var (name, reading, plan) in MadePlantings.All)
        {
            var wood = plan.Prescription!.WoodShare;
            if (plan.Shoots is not { } shoots)
            {
                // Evergreens grow in flushes; of cuts harder than a third nobody told.
                Assert.True(reading.Crop!.Habit >= BearingHabit.Terminal || wood > .35, name);
                untold++;
                continue;
            }
            told++;
            var strong = GrowthLimits.Of(reading.Crop!.Habit).StrongAboveCm;
            Assert.Equal(strong + 100 * (wood - .2), shoots.Length.Mean, 9);
            Assert.Equal(Math.Max(0, 8 + 30 * (wood - .2)), shoots.Uprights.Mean, 9);
            Assert.InRange(shoots.Length.Mean, shoots.Length.Low, shoots.Length.High);
            Assert.Equal(wood >= .2, shoots.AreStrong);
            Assert.Equal(shoots.AreStrong ? "shoots.strong" : "shoots.usual", shoots.Sentence.Code);
        }
        Assert.True(told > 100 && untold > 20, $"{told} told, {untold} not");
    }

    // One winter of its own that was cut as hard is enough to speak of it; young trees are to grow.
    [Fact]
    public void Harder_cuts_are_told_by_own_winters_and_young_trees_not_at_all()
    {
        var reading = MadePlantings.All.First(p => p.Reading.Crop!.Habit == BearingHabit.MixedBud).Reading;
        Assert.Null(ShootsAhead.Of(reading, .5));
        Assert.NotNull(ShootsAhead.Of(reading, .3));
        var own = reading with
        {
            Seasons =
            [
                new(2026, null, null, null, null)
                {
                    Counts = Rama.Core.Result.SeasonCounts.None with { WoodCut = .5, ShootLengthCm = 60 },
                },
            ],
        };
        // (60 + 75) ÷ 2: its one winter against the usual line there.
        Assert.Equal(67.5, ShootsAhead.Of(own, .5)!.Length.Mean, 9);
        Assert.Null(ShootsAhead.Of(reading with { Planting = reading.Planting! with { Leaf = 2 } }, .1));
    }
}
