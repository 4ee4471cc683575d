using CsCheck;
using Rama.Core.Estate;

namespace Rama.Core.Tests.Estate;

/// <summary>
/// Lengths and areas against GeographicLib 2.1.2 (its tools GeodSolve -i and Planimeter), a general geometry library.
/// </summary>
public sealed class GeodesyTests
{
    private static GeoPoint At(double latitude, double longitude) => new(longitude, latitude);

    [Theory]
    [InlineData(45.6, 9.9, 45.602, 9.904, 383.146)]
    [InlineData(0, 0, 0, 1, 111_319.491)]
    [InlineData(45.6, 9.9, -33, 151, 16_428_109.566)]
    public void A_length_is_the_geodesic(double lat1, double lon1, double lat2, double lon2, double metres) =>
        Assert.Equal(metres, Geodesy.DistanceM(At(lat1, lon1), At(lat2, lon2)), 0.001);

    public static TheoryData<double[], double> Rings() =>
        new()
        {
            { [45.600, 9.900, 45.600, 9.904, 45.602, 9.904, 45.602, 9.900], 69_369.68 },
            { [45.6012, 9.9001, 45.6013, 9.9049, 45.6034, 9.9041, 45.6029, 9.8998], 76_391.7 },
            { [-33.600, 150.100, -33.600, 150.110, -33.592, 150.112, -33.590, 150.105, -33.592, 150.100], 1_029_525.5 },
            { [0, 0, 0, 0.001, 0.001, 0.001, 0.001, 0], 12_309.1 },
            { [64.0, 20.0, 64.0, 20.1, 64.05, 20.1, 64.05, 20.0], 27_249_616.2 },
        };

    [Theory]
    [MemberData(nameof(Rings))]
    public void An_area_is_that_of_the_ellipsoid(double[] latLon, double squareMetres)
    {
        GeoPoint[] ring = [.. latLon.Chunk(2).Select(p => At(p[0], p[1]))];
        Assert.Equal(squareMetres, Geodesy.AreaHa(ring) * 10_000, Math.Max(0.06, squareMetres * 1e-6)); // the tool prints 0.1 m²
        Assert.Equal(Geodesy.AreaHa(ring), Geodesy.AreaHa([.. ring.Reverse()]), 1e-9);
    }

    // By hand: at the equator a degree is 111 319.49 m east and 110 574.28 m north (WGS 84), so 0.002° × 0.003° is
    // 221.149 × 333.958 m.
    [Fact]
    public void A_rectangle_can_be_worked_out_by_hand()
    {
        GeoPoint[] ring = [At(0, 0), At(0, 0.003), At(0.002, 0.003), At(0.002, 0)];
        Assert.Equal(221.14855 * 333.95847 / 10_000, Geodesy.AreaHa(ring), 1e-4);
        Assert.Equal(2 * (221.14855 + 333.95847), Geodesy.LengthM([.. ring, ring[0]]), 0.01);
    }

    [Fact]
    public void A_drawing_is_true_to_scale_near_its_origin() =>
        Gen.Double[-60, 60]
            .Select(Gen.Double[-0.1, 0.1], Gen.Double[-0.1, 0.1])
            .Sample(
                (latitude, north, east) =>
                {
                    var (from, to) = (At(latitude, 9.9), At(latitude + north, 9.9 + east));
                    var (x, y) = Geodesy.Local(from, to);
                    var drawn = Math.Sqrt(x * x + y * y);
                    Assert.Equal(Geodesy.DistanceM(from, to), drawn, Math.Max(0.01, drawn * 4e-3));
                }
            );

    [Fact]
    public void A_ring_and_its_halves_have_the_same_area() =>
        Gen.Double[-60, 60]
            .Select(Gen.Double[0.001, 0.02], Gen.Double[0.1, 0.9])
            .Sample(
                (latitude, size, cut) =>
                {
                    GeoPoint a = At(latitude, 10),
                        b = At(latitude, 10 + size),
                        c = At(latitude + size, 10 + size),
                        d = At(latitude + size, 10);
                    GeoPoint e = At(latitude, 10 + size * cut),
                        f = At(latitude + size, 10 + size * cut);
                    Assert.Equal(
                        Geodesy.AreaHa([a, b, c, d]),
                        Geodesy.AreaHa([a, e, f, d]) + Geodesy.AreaHa([e, b, c, f]),
                        1e-3
                    );
                }
            );
}
