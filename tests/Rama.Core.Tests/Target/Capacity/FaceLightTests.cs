using CsCheck;
using Rama.Core.Target.Capacity;

namespace Rama.Core.Tests.Target.Capacity;

public sealed class FaceLightTests
{
    private static readonly DateOnly Equinox = new(2027, 3, 20);

    private static FaceLightEntry At(double latitude, double azimuth, DateOnly day, double height = 3) =>
        new()
        {
            Rows = new()
            {
                LatitudeDeg = latitude,
                LongitudeDeg = 0,
                RowAzimuthDeg = azimuth,
                Day = day,
            },
            RowSpacing = new(4, "m"),
            Height = new(height, "m"),
            Depth = new(1, "m"),
        };

    // By hand: on the equator at the equinox the sun crosses overhead from east to west, fifteen degrees an hour. At
    // height h of a row running north, 3 m high with 3 m of alley, it comes over the row beside above
    // atan((3 − h) ÷ 3), and lights each face until noon or from noon on: (90° − that) ÷ 180° of the day.
    [Fact]
    public void On_the_equator_light_falls_with_the_angle_over_the_row_beside()
    {
        var light = At(0, 0, Equinox).Calculate();
        foreach (var h in light.Heights)
        {
            var expected = (90 - Math.Atan((3 - h.HeightM) / 3) * 180 / Math.PI) / 180;
            Assert.Equal(expected, h.Left, 0.015);
            Assert.Equal(expected, h.Right, 0.015);
        }
    }

    // Common practice, no source: rows that run north and south are lit alike on both faces; of rows that run east and
    // west the face to the sun has nearly all at midsummer outside the tropics at the top.
    [Fact]
    public void Rows_to_the_north_are_lit_alike_and_rows_to_the_east_are_not()
    {
        var north = At(45, 0, new(2027, 6, 21)).Calculate();
        Assert.All(north.Heights, h => Assert.Equal(h.Left, h.Right, 0.02));
        var east = At(45, 90, Equinox).Calculate();
        // Looking east, the south is on the right.
        Assert.True(east.Heights[^1].Right > 0.9 && east.Heights[^1].Left < 0.1);
    }

    // Property: light grows upwards, a lower row and a wider alley never take any, and the top is lit as the face of a
    // single row.
    [Fact]
    public void Lower_and_wider_bring_light() =>
        Gen.Select(Gen.Double[-60, 60], Gen.Double[0, 180], Gen.Double[1.2, 5])
            .Sample(
                (latitude, azimuth, height) =>
                {
                    var entry = At(latitude, azimuth, Equinox, height);
                    var light = entry.Calculate();
                    var alone = RowLight.Of(Equinox, latitude, 0, azimuth, height);
                    return light
                            .Heights.Zip(light.Heights.Skip(1))
                            .All(h => h.Second.Left >= h.First.Left && h.Second.Right >= h.First.Right)
                        && light.Lower >= light.LowestThird
                        && light.Wider >= light.LowestThird
                        && light.Heights[^1].Left <= alone.LeftFaceLit + 0.02
                        && light.Heights[^1].Right <= alone.RightFaceLit + 0.02;
                },
                iter: 60
            );

    [Fact]
    public void Rows_without_an_alley_are_refused()
    {
        Entries.AssertProblem(
            Entries.ProblemsOf(() => (At(45, 0, Equinox) with { Depth = new(3.9, "m") }).Calculate()),
            "depth",
            "conflict"
        );
        Entries.AssertProblem(
            Entries.ProblemsOf(() => (At(80, 0, Equinox) with { Height = null }).Calculate()),
            "rows.latitudeDeg",
            "range"
        );
    }
}
