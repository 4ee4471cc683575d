namespace Rama.Core.Count;

/// <summary>
/// Floral buds a tree of a planting likely has; a count outside is asked about while the tree is near.
/// </summary>
/// <param name="Low">A count below this is likely a slip, buds a tree.</param>
/// <param name="High">A count above this is likely a slip, buds a tree.</param>
/// <remarks>
/// Among trees counted: a modified z-score of 3.5 (Iglewicz and Hoaglin 1993, How to Detect and Handle Outliers), and
/// never nearer than 2.5 times the middle, since few trees tell their spread badly; assumption. Before that: a tenth to
/// ten times the typical tree of the system; assumption, wide on purpose.
/// </remarks>
public sealed record LikelyBuds(double Low, double High)
{
    private const double MostZ = 3.5,
        NormalMad = 0.6745,
        Nearest = 2.5,
        OfTypical = 10;

    private const int Fewest = 5;

    /// <summary>What is likely after some trees.</summary>
    /// <param name="counted">Floral buds of the trees counted.</param>
    /// <param name="typical">Floral buds of a typical tree of the system.</param>
    public static LikelyBuds Of(IReadOnlyCollection<double> counted, double typical)
    {
        if (counted.Count < Fewest)
            return new(typical / OfTypical, typical * OfTypical);
        var middle = Middle(counted);
        var away = MostZ / NormalMad * Middle([.. counted.Select(c => Math.Abs(c - middle))]);
        return new(Math.Max(0, Math.Min(middle - away, middle / Nearest)), Math.Max(middle + away, middle * Nearest));
    }

    private static double Middle(IReadOnlyCollection<double> values)
    {
        var sorted = values.Order().ToList();
        return (sorted[(sorted.Count - 1) / 2] + sorted[sorted.Count / 2]) / 2;
    }
}
