using Rama.Core.Target.Capacity;

namespace Rama.Core.Target.Sharing;

/// <summary>Trees of similar trunks.</summary>
/// <param name="Name">Name: <c>small</c>, <c>medium</c>, <c>large</c>, or as typed.</param>
/// <param name="FromGirthCm">Smallest girth, cm; null in the first class.</param>
/// <param name="ToGirthCm">Girth from which the next class begins, cm; null in the last.</param>
/// <param name="Share">Share of the trees.</param>
/// <param name="MeanTcsaCm2">Mean trunk cross-section, cm².</param>
/// <param name="Weight">Mean of the cross-sections raised to the exponent of sharing.</param>
/// <param name="Trees">Trunks measured in it; null where only the share is known.</param>
/// <param name="TcsaCv">Coefficient of variation of the cross-section within the class.</param>
public sealed record TrunkClass(
    string Name,
    double? FromGirthCm,
    double? ToGirthCm,
    double Share,
    double MeanTcsaCm2,
    double Weight,
    int? Trees,
    double TcsaCv = 0
)
{
    /// <summary>What a mean tree has, shared among classes by their weight: M · w_c ÷ Σ share · w.</summary>
    /// <param name="mean">Fruit or buds of the mean tree, which the classes keep exactly.</param>
    /// <param name="classes">Classes, their shares adding up to 1.</param>
    public static IReadOnlyList<double> Shared(double mean, IReadOnlyList<TrunkClass> classes)
    {
        var all = classes.Sum(c => c.Share * c.Weight);
        return [.. classes.Select(c => mean * c.Weight / all)];
    }

    /// <summary>Fewest trunks that can be told apart into classes.</summary>
    public const int FewestTrunks = 8;

    /// <summary>Whether a trunk belongs to the class.</summary>
    public bool Holds(double girthCm) => Within(girthCm, FromGirthCm, ToGirthCm);

    internal static bool Within(double girthCm, double? fromCm, double? toCm) =>
        (fromCm is null || girthCm >= fromCm) && (toCm is null || girthCm < toCm);

    private static readonly string[] Names = ["small", "medium", "large"];

    // What a pruner can tell apart at a glance, and what is worth a line of its own on a card: common practice,
    // no source.
    private const double ToldApartMm = 4,
        FewestShare = 0.15;

    /// <summary>
    /// Small, medium and large, split at the 25th and 75th percentile unless told otherwise; empty classes are
    /// left out. Classes split by percentile that nobody could tell apart in the row, or that hold hardly a
    /// tree, are one.
    /// </summary>
    /// <param name="girthsCm">Girths measured, cm.</param>
    /// <param name="exponent">Exponent of sharing.</param>
    /// <param name="smallBelowCm">Girth below which trunks are small, cm; the 25th percentile when left out.</param>
    /// <param name="largeFromCm">Girth from which trunks are large, cm; the 75th percentile when left out.</param>
    /// <returns>Null for too few trunks.</returns>
    public static IReadOnlyList<TrunkClass>? Split(
        IReadOnlyCollection<double> girthsCm,
        double exponent = 1,
        double? smallBelowCm = null,
        double? largeFromCm = null
    )
    {
        if (girthsCm.Count < FewestTrunks)
            return null;
        var ordered = girthsCm.Order().ToList();
        var (low, high) = (smallBelowCm ?? Percentile(ordered, 0.25), largeFromCm ?? Percentile(ordered, 0.75));
        high = Math.Max(low, high);
        List<double> limits = [low, high];
        if (smallBelowCm is null && largeFromCm is null)
            limits = ToldApart(ordered, low, high);
        var names = limits.Count switch
        {
            0 => ["all"],
            1 => [Names[0], Names[2]],
            _ => Names,
        };
        List<TrunkClass> classes = [];
        for (var i = 0; i < names.Length; i++)
        {
            double? from = i == 0 ? null : limits[i - 1],
                to = i == limits.Count ? null : limits[i];
            var members = ordered.Where(g => Within(g, from, to)).Select(Trunk.CrossSectionCm2).ToList();
            if (members.Count == 0)
                continue;
            classes.Add(
                new(
                    names[i],
                    from,
                    to,
                    members.Count / (double)ordered.Count,
                    members.Average(),
                    members.Average(a => Math.Pow(a, exponent)),
                    members.Count,
                    CvOf(members)
                )
            );
        }
        return classes;
    }

    // The quartiles where the class between them is wide enough to be seen; else the median, where two halves
    // are; else none.
    private static List<double> ToldApart(List<double> ordered, double low, double high)
    {
        bool AreApart(double girthCm, double fromCm) => (girthCm - fromCm) * 10 / Math.PI >= ToldApartMm;
        List<double> Between(double? from, double? to) => [.. ordered.Where(g => Within(g, from, to))];
        bool AreMany(params IEnumerable<List<double>> parts) => parts.All(p => p.Count >= FewestShare * ordered.Count);
        if (AreApart(high, low) && AreMany(Between(null, low), Between(low, high), Between(high, null)))
            return [low, high];
        var median = Percentile(ordered, 0.5);
        var (below, above) = (Between(null, median), Between(median, null));
        return AreMany(below, above) && AreApart(above.Average(), below.Average()) ? [median] : [];
    }

    private static double CvOf(List<double> values)
    {
        var mean = values.Average();
        return values.Count < 2 ? 0 : Math.Sqrt(values.Sum(v => (v - mean) * (v - mean)) / (values.Count - 1)) / mean;
    }

    // Linear between the two neighbours, as spreadsheets do.
    private static double Percentile(List<double> ordered, double share)
    {
        var place = share * (ordered.Count - 1);
        var (below, part) = ((int)place, place - (int)place);
        return ordered[below] + part * (ordered[Math.Min(below + 1, ordered.Count - 1)] - ordered[below]);
    }
}
