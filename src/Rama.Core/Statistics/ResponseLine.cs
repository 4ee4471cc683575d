namespace Rama.Core.Statistics;

/// <summary>
/// How something answers to the crop: a known line until there are own pairs, then a line whose level and slope move
/// from the known one to their own as they become more.
/// </summary>
/// <param name="Intercept">Value at x = 0.</param>
/// <param name="Slope">Change per unit of x.</param>
/// <param name="OwnWeight">Weight of the own slope, 0 (all the known line's) to 1 (all own).</param>
/// <param name="Pairs">Own pairs it rests on.</param>
/// <param name="From">Smallest x seen, or of the known line's range.</param>
/// <param name="To">Largest x seen, or of the known line's range.</param>
public sealed record ResponseLine(double Intercept, double Slope, double OwnWeight, int Pairs, double From, double To)
{
    /// <summary>Own pairs from which the slope is all their own.</summary>
    public const int FreeFrom = 6;

    /// <summary>Range of x over their mean from which own pairs count in full.</summary>
    public const double WideRange = 0.3;

    /// <summary>Shrinks the slope of own pairs to a known line's.</summary>
    /// <param name="pairs">Own pairs.</param>
    /// <param name="slope">Slope of the known line.</param>
    /// <param name="anchor">A point of the known line; used without own pairs.</param>
    /// <param name="from">Smallest x the known line is good for.</param>
    /// <param name="to">Largest x the known line is good for.</param>
    /// <remarks>
    /// The weight of the own slope, (n − 1) ÷ 5 times how far their x differ against <see cref="WideRange"/> of their
    /// mean, is an assumption: two seasons tell little, six stand alone, and crops all alike tell nothing of a slope.
    /// Before there are six it is multiplied by s² ÷ (s² + e²), e the standard error of the own slope and s the known
    /// slope, by as much as which slopes are taken to differ: seasons that scatter widely tell little too.
    /// </remarks>
    public static ResponseLine Of(
        IReadOnlyList<(double X, double Y)> pairs,
        double slope,
        (double X, double Y) anchor,
        double from,
        double to
    )
    {
        var own = LineFit.Of(pairs);
        var weight = own is null
            ? 0
            : Math.Min(1, (pairs.Count - 1.0) / (FreeFrom - 1))
                * Math.Min(1, (pairs.Max(p => p.X) - pairs.Min(p => p.X)) / (WideRange * pairs.Average(p => p.X)));
        if (pairs.Count < FreeFrom && own?.SlopeError is { } error)
            weight *= slope * slope / (slope * slope + error * error);
        var shrunk = own is null ? slope : weight * own.Slope + (1 - weight) * slope;
        return Through(pairs, slope, shrunk, weight, anchor, from, to);
    }

    /// <summary>The line of a slope that stands, through the level of own pairs.</summary>
    /// <param name="pairs">Own pairs.</param>
    /// <param name="slope">The slope.</param>
    /// <param name="anchor">A point of the known line; used without own pairs.</param>
    /// <param name="from">Smallest x the known line is good for.</param>
    /// <param name="to">Largest x the known line is good for.</param>
    public static ResponseLine AtSlope(
        IReadOnlyList<(double X, double Y)> pairs,
        double slope,
        (double X, double Y) anchor,
        double from,
        double to
    ) => Through(pairs, slope, slope, 0, anchor, from, to);

    private static ResponseLine Through(
        IReadOnlyList<(double X, double Y)> pairs,
        double known,
        double slope,
        double weight,
        (double X, double Y) anchor,
        double from,
        double to
    )
    {
        var through = anchor;
        if (pairs.Count > 0)
        {
            // The level too leans on what is known until there are enough: one season may have been a freak.
            var (x, y) = (pairs.Average(p => p.X), pairs.Average(p => p.Y));
            var ownLevel = pairs.Count >= FreeFrom ? 1 : pairs.Count / (pairs.Count + 1.0);
            through = (x, ownLevel * y + (1 - ownLevel) * (anchor.Y + known * (x - anchor.X)));
        }
        return new(
            through.Y - slope * through.X,
            slope,
            weight,
            pairs.Count,
            weight < 1 ? Math.Min(from, pairs.Select(p => p.X).DefaultIfEmpty(from).Min()) : pairs.Min(p => p.X),
            weight < 1 ? Math.Max(to, pairs.Select(p => p.X).DefaultIfEmpty(to).Max()) : pairs.Max(p => p.X)
        );
    }

    /// <summary>The line at x.</summary>
    public double At(double x) => Intercept + Slope * x;

    /// <summary>Whether x lies where the line is known.</summary>
    public bool Knows(double x) => x >= From - 1e-9 && x <= To + 1e-9;
}
