using System.Collections.Concurrent;
using Rama.Core.Statistics;

namespace Rama.Core.Estate;

/// <summary>What a planting did in a season, and what was seen after it.</summary>
/// <param name="Season">Calendar year of the harvest.</param>
/// <param name="X">What was done.</param>
/// <param name="Y">What was seen.</param>
public readonly record struct SeasonPair(int Season, double X, double Y);

/// <summary>
/// What all plantings of an estate saw of numbers that are a matter of the ground and the hands, and of which one
/// planting has too few seasons to tell.
/// </summary>
public sealed class EstatePairs
{
    private readonly IReadOnlyDictionary<LearnedQuantity, IReadOnlyList<IReadOnlyList<SeasonPair>>> _pairs;
    private readonly ConcurrentDictionary<(LearnedQuantity Of, int Before), PooledSlope> _slopes = [];

    /// <summary>Takes the pairs of plantings.</summary>
    /// <param name="pairs">By number, planting by planting.</param>
    public EstatePairs(IReadOnlyDictionary<LearnedQuantity, IReadOnlyList<IReadOnlyList<SeasonPair>>> pairs) =>
        _pairs = pairs;

    /// <summary>Nothing seen.</summary>
    public static EstatePairs None { get; } =
        new(new Dictionary<LearnedQuantity, IReadOnlyList<IReadOnlyList<SeasonPair>>>());

    /// <summary>One slope through all plantings, each at its own level, as known before a season.</summary>
    /// <param name="quantity">Which number.</param>
    /// <param name="before">The season.</param>
    /// <param name="fit">Lays the slope through the plantings; always the same for a number.</param>
    public PooledSlope Slope(
        LearnedQuantity quantity,
        int before,
        Func<IEnumerable<IReadOnlyCollection<(double X, double Y)>>, PooledSlope> fit
    ) =>
        _slopes.GetOrAdd((quantity, before), _ =>
            fit(
                (_pairs.GetValueOrDefault(quantity) ?? []).Select(p =>
                    (IReadOnlyCollection<(double, double)>)[.. p.Where(s => s.Season < before).Select(s => (s.X, s.Y))]
                )
            )
        );
}
