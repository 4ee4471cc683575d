using Rama.Core.Systems;
using Rama.Core.Target.Capacity;

namespace Rama.Core.Tests.Target.Capacity;

public sealed class CanopyLimitsTests
{
    private static CanopyLimits Of(CanopyKind kind, double row, double tree, CanopyEntry? canopy = null) =>
        new CanopyLimitsEntry
        {
            Kind = kind,
            RowSpacing = new(row, "m"),
            TreeSpacing = new(tree, "m"),
            Canopy = canopy,
        }
            .Calculate()
            .Limits;

    // Handbook 2.9 [practice]: 0.9 × row spacing for spindles, the row spacing for thin walls.
    [Theory]
    [InlineData(CanopyKind.Spindle, 3.06)]
    [InlineData(CanopyKind.Wall, 3.4)]
    public void Height_by_row_spacing(CanopyKind kind, double height) =>
        Near.Printed(height, Of(kind, 3.4, 1).HeightM, 2);

    // A manager who keeps the top lower says so: .8 × 3.4.
    [Fact]
    public void A_height_factor_typed_takes_the_place_of_the_usual_one() =>
        Near.Printed(2.72, Of(CanopyKind.Spindle, 3.4, 1, new() { HeightFactor = 0.8 }).HeightM, 2);

    // Handbook 2.9 [derived]: min(.8 × 6.5, 2.5 × 1.9) − 1.2.
    [Fact]
    public void A_broad_canopy_is_cut_below_its_limit_by_what_it_grows()
    {
        var limits = Of(CanopyKind.Broad, 6.5, 4, new() { Alley = new(1.9, "m"), Regrowth = new(1.2, "m") });
        Near.Printed(3.55, limits.HeightM, 2);
        Assert.Equal(["alley"], limits.Limits.Where(l => l.Binds).Select(l => l.Code));
    }

    // Handbook 2.9 [derived]: 2.5 m high, 15, 20 and 25° from the vertical.
    [Theory]
    [InlineData(15, 2.59, 1.34)]
    [InlineData(20, 2.66, 1.82)]
    [InlineData(25, 2.76, 2.33)]
    public void A_v_of_2_5_m(double angle, double slant, double spread)
    {
        var v = CanopyLimits.VOf(2.5, angle, 4);
        Near.Printed(slant, v.SlantM, 2);
        Near.Printed(spread, v.SpreadM, 2);
        Near.Printed(Math.Round(4 - 2 * 2.5 * Math.Tan(angle * Math.PI / 180), 6), v.AlleyM, 6);
    }

    // By hand: (3 − 2) ÷ (2 tan 40°) = 0.60 m. A V so low is no V; what does not fit is the angle.
    [Fact]
    public void An_angle_that_does_not_fit_its_rows_is_said_so()
    {
        var limits = Of(CanopyKind.OpenV, 3, 1, new() { AngleDeg = 40 });
        Near.Printed(0.60, limits.HeightM, 2);
        Assert.Equal("canopy.angle", Assert.Single(limits.Warnings).Code);
    }

    // A height below the ground is none: .8 × 4 and 2.5 × 1 less 3 m of growth are 0.2 and −0.5 m.
    [Fact]
    public void What_outgrows_its_room_is_given_no_height()
    {
        var limits = Of(CanopyKind.Broad, 4, 3, new() { Alley = new(1, "m"), Regrowth = new(3, "m") });
        Assert.Equal((0.0, "alley"), (limits.HeightM, limits.Limits.Single(l => l.Binds).Code));
        Assert.Contains(limits.Warnings, w => w.Code == "canopy.no-room");
    }

    // Rows of 4 m, 15°: 2.5 m high by the usual, and the alley asked for, 2 m, is met to a hair where it binds.
    [Fact]
    public void An_alley_that_is_just_met_is_not_called_narrow()
    {
        var limits = Of(CanopyKind.OpenV, 3.2, 1, new() { AngleDeg = 15 });
        Near.Printed(2, limits.V!.AlleyM, 6);
        Assert.DoesNotContain(limits.Warnings, w => w.Code == "canopy.narrow-top");
    }

    // Rows of 3.5 m with a V of 20° and a gap of 0.3 m: (3.5 − 0.3 − 2) ÷ (2 tan 20°) = 1.65 m, below the usual 2.5 m.
    [Fact]
    public void The_alley_binds_a_v_in_narrow_rows()
    {
        var limits = Of(CanopyKind.OpenV, 3.5, 1.8, new() { AngleDeg = 20, BaseGap = new(0.3, "m") });
        Near.Printed(1.65, limits.HeightM, 2);
        Assert.Equal("alley", limits.Limits.Single(l => l.Binds).Code);
        Near.Printed(2.0, limits.V!.AlleyM, 9);
    }

    // Handbook 2.1 [derived]: open V, 1.8 m, six leaders in two planes stand 0.6 m apart.
    [Fact]
    public void Leaders_of_a_v() =>
        Near.Printed(0.6, Of(CanopyKind.OpenV, 4, 1.8, new() { Leaders = 6 }).LeaderSpacingM, 9);

    [Fact]
    public void A_leader_spacing_that_does_not_divide_is_told_with_one_that_does()
    {
        var warning = Of(CanopyKind.Wall, 4, 1.8, new() { Leaders = 4, LeaderSpacing = new(0.5, "m") })
            .Warnings.Single(w => w.Code == "canopy.leader-spacing");
        Assert.Equal(0.45, warning.Figures.Single(f => f.Name == "leader spacing").Value, 9);
    }

    [Fact]
    public void Trees_above_the_limit_are_told_by_how_much()
    {
        var limits = Of(CanopyKind.Spindle, 3.4, 1, new() { Height = new(3.6, "m") });
        Near.Printed(0.54, limits.ToCutM, 2);
        Assert.Contains(limits.Warnings, w => w.Code == "canopy.too-high");
        Near.Printed(0.5, limits.ReachAlongM, 9);
        Near.Printed(0.7, limits.ReachAcrossM, 9);
    }

    [Fact]
    public void An_alley_that_leaves_no_room_is_told() =>
        Assert.Contains(Of(CanopyKind.OpenV, 2.2, 1, new() { Alley = new(2.4, "m") }).Warnings, w =>
            w.Code == "canopy.no-room"
        );
}
