using System.Collections.Immutable;
using CsCheck;
using Rama.Core.Trees;

namespace Rama.Core.Tests.Trees;

public sealed class BranchTests
{
    private static Branch Of(params ImmutableArray<Point> path) =>
        new(0, null, 0, BranchKind.Limb, 20, 8, 0, 90, 3, WoodState.Sound, path);

    // An L: a metre up, then two metres along the row. All by hand.
    private static readonly Branch Bent = Of(new(0, 0, 1), new(0, 0, 2), new(2, 0, 2));

    [Theory]
    [InlineData(0, 0, 1)]
    [InlineData(0.4, 0, 1.4)]
    [InlineData(1, 0, 2)]
    [InlineData(1.5, 0.5, 2)]
    [InlineData(3, 2, 2)]
    [InlineData(9, 2, 2)] // past its tip: its tip
    [InlineData(-1, 0, 1)] // before its base: its base
    public void A_place_is_found_along_the_run(double metres, double alongM, double heightM) =>
        Assert.Equal(new(alongM, 0, heightM), Bent.PointAt(metres));

    [Theory]
    [InlineData(0, 20)]
    [InlineData(1.5, 14)]
    [InlineData(3, 8)]
    [InlineData(5, 8)]
    public void It_thins_evenly_to_its_tip(double metres, double mm) => Assert.Equal(mm, Bent.DiameterAt(metres), 12);

    // π · 2² ÷ 4 cm².
    [Fact]
    public void Its_section_is_that_of_a_circle() => Near.Printed(3.1416, Bent.CrossSectionCm2, 4);

    [Theory]
    [InlineData(1.5, 0.5)]
    [InlineData(0.5, 0)] // stands above it from its base on
    [InlineData(2.5, 3)] // never gets there
    public void It_passes_a_height_where_it_climbs(double heightM, double metres) =>
        Assert.Equal(metres, Bent.MetresToHeight(heightM), 12);

    // A metre out and down to half its height: 1 m above ground at its base, level with 0.75 m half way.
    [Theory]
    [InlineData(0.75, 0.5)]
    [InlineData(0.2, 1)]
    [InlineData(1.5, 0)]
    public void A_hanging_one_is_above_a_height_up_to_where_it_sinks_below(double heightM, double share)
    {
        var hanging = Of(new(0, 0, 1), new(0, 1, 0.5));
        Assert.Equal(share * Math.Sqrt(1.25), hanging.MetresAbove(heightM), 12);
    }

    [Fact]
    public void Its_tip_may_point_elsewhere_than_its_base()
    {
        Assert.Equal(0, Bent.TipRiseDeg, 12);
        Assert.Equal(-45, Of(new(0, 0, 2), new(1, 0, 1)).TipRiseDeg, 9);
    }

    // Walking a path from place to place adds up to its length, whatever its bends.
    [Fact]
    public void Short_steps_along_it_add_up_to_its_length() =>
        Gen.Double[-2, 2]
            .Array[3]
            .Select(p => new Point(p[0], p[1], p[2]))
            .Array[2, 6]
            .Sample(path =>
            {
                var branch = Of([.. path]);
                var places = Enumerable
                    .Range(0, 1_001)
                    .Select(i => branch.PointAt(branch.LengthM * i / 1_000))
                    .ToList();
                var walked = places.Zip(places.Skip(1), (a, b) => a.To(b)).Sum();
                // Corners are cut by less than a step each.
                return walked <= branch.LengthM + 1e-9 && walked >= branch.LengthM * (1 - path.Length / 1_000.0) - 1e-9;
            });

    [Fact]
    public void Distance_is_that_of_pythagoras() => Assert.Equal(7, new Point(1, 1, 1).To(new(3, 4, 7)), 12); // 2, 3, 6
}
