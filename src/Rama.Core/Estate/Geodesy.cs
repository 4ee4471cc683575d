namespace Rama.Core.Estate;

/// <summary>A place on the ground, WGS 84.</summary>
/// <param name="Longitude">Degrees east, −180 to 180.</param>
/// <param name="Latitude">Degrees north, −90 to 90.</param>
public readonly record struct GeoPoint(double Longitude, double Latitude);

/// <summary>Lengths and areas on the ellipsoid of the earth (WGS 84), for things of the size of an estate.</summary>
public static class Geodesy
{
    // Defining constants of WGS 84: NIMA TR8350.2.
    private const double A = 6_378_137;
    private const double F = 1 / 298.257_223_563;
    private const double E2 = F * (2 - F);

    private static readonly double E = Math.Sqrt(E2);

    // Radius of the sphere of the same surface: 6 371 007.18 m.
    private static readonly double AuthalicRadiusM = A * Math.Sqrt(Q(1) / 2);

    /// <summary>Length of the shortest way between two places, metres. Error below 1 mm up to 10 000 km.</summary>
    /// <remarks>
    /// Source: Vincenty 1975, inverse formula. It does not converge for opposite sides of the earth: NaN.
    /// </remarks>
    public static double DistanceM(GeoPoint from, GeoPoint to)
    {
        if (from == to)
            return 0;
        var b = A * (1 - F);
        var l = Radians(to.Longitude - from.Longitude);
        var (sinU1, cosU1) = Math.SinCos(Math.Atan((1 - F) * Math.Tan(Radians(from.Latitude))));
        var (sinU2, cosU2) = Math.SinCos(Math.Atan((1 - F) * Math.Tan(Radians(to.Latitude))));
        var lambda = l;
        for (var i = 0; i < 100; i++)
        {
            var (sinLambda, cosLambda) = Math.SinCos(lambda);
            var sinSigma = Math.Sqrt(
                Math.Pow(cosU2 * sinLambda, 2) + Math.Pow(cosU1 * sinU2 - sinU1 * cosU2 * cosLambda, 2)
            );
            if (sinSigma == 0)
                return 0;
            var cosSigma = sinU1 * sinU2 + cosU1 * cosU2 * cosLambda;
            var sigma = Math.Atan2(sinSigma, cosSigma);
            var sinAlpha = cosU1 * cosU2 * sinLambda / sinSigma;
            var cos2Alpha = 1 - sinAlpha * sinAlpha;
            // On the equator the term has no meaning and no weight.
            var cos2SigmaM = cos2Alpha == 0 ? 0 : cosSigma - 2 * sinU1 * sinU2 / cos2Alpha;
            var c = F / 16 * cos2Alpha * (4 + F * (4 - 3 * cos2Alpha));
            var before = lambda;
            lambda =
                l
                + (1 - c)
                    * F
                    * sinAlpha
                    * (sigma + c * sinSigma * (cos2SigmaM + c * cosSigma * (2 * cos2SigmaM * cos2SigmaM - 1)));
            if (Math.Abs(lambda - before) > 1e-12)
                continue;

            var u2 = cos2Alpha * (A * A - b * b) / (b * b);
            var a1 = 1 + u2 / 16_384 * (4_096 + u2 * (-768 + u2 * (320 - 175 * u2)));
            var b1 = u2 / 1_024 * (256 + u2 * (-128 + u2 * (74 - 47 * u2)));
            var delta =
                b1
                * sinSigma
                * (
                    cos2SigmaM
                    + b1
                        / 4
                        * (
                            cosSigma * (2 * cos2SigmaM * cos2SigmaM - 1)
                            - b1 / 6 * cos2SigmaM * (4 * sinSigma * sinSigma - 3) * (4 * cos2SigmaM * cos2SigmaM - 3)
                        )
                );
            return b * a1 * (sigma - delta);
        }
        return double.NaN;
    }

    /// <summary>Length of a line, metres.</summary>
    public static double LengthM(IReadOnlyList<GeoPoint> line) => line.Zip(line.Skip(1), DistanceM).Sum();

    /// <summary>
    /// Area inside a closed ring, hectares, whichever way it runs. Error below one part in a million for rings of up to
    /// 10 km.
    /// </summary>
    /// <remarks>
    /// Source: latitudes are taken to the sphere of the same surface (authalic latitude; Snyder 1987, USGS Professional
    /// Paper
    /// 1395, eqs 3-11, 3-12), which keeps areas, and the area is that of the spherical polygon.
    /// </remarks>
    public static double AreaHa(IReadOnlyList<GeoPoint> ring)
    {
        // Spherical excess, edge by edge, over the equator: tan(E/2) = tan(Δλ/2) · (tan φ1/2 + tan φ2/2) ÷ (1 + tan
        // φ1/2 · tan φ2/2).
        var excess = 0.0;
        for (var i = 0; i < ring.Count; i++)
        {
            var (from, to) = (ring[i], ring[(i + 1) % ring.Count]);
            var (t1, t2) = (Math.Tan(AuthalicLatitude(from.Latitude) / 2), Math.Tan(AuthalicLatitude(to.Latitude) / 2));
            excess += 2 * Math.Atan(Math.Tan(Radians(to.Longitude - from.Longitude) / 2) * (t1 + t2) / (1 + t1 * t2));
        }
        return Math.Abs(excess) * AuthalicRadiusM * AuthalicRadiusM / 10_000;
    }

    /// <summary>
    /// Metres east and north of an origin, for drawing an estate: true to scale along both axes at the origin, and to
    /// one part in a thousand 20 km from it.
    /// </summary>
    public static (double EastM, double NorthM) Local(GeoPoint origin, GeoPoint place)
    {
        var (sin, cos) = Math.SinCos(Radians(origin.Latitude));
        var w2 = 1 - E2 * sin * sin;
        var primeVerticalM = A / Math.Sqrt(w2);
        var meridianM = A * (1 - E2) / (w2 * Math.Sqrt(w2));
        return (
            Radians(place.Longitude - origin.Longitude) * primeVerticalM * cos,
            Radians(place.Latitude - origin.Latitude) * meridianM
        );
    }

    private static double AuthalicLatitude(double degrees) =>
        Math.Asin(Math.Clamp(Q(Math.Sin(Radians(degrees))) / Q(1), -1, 1));

    private static double Q(double sin) => (1 - E2) * (sin / (1 - E2 * sin * sin) + Math.Atanh(E * sin) / E);

    private static double Radians(double degrees) => degrees * Math.PI / 180;
}
