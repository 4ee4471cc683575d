using Rama.Core.Target.Insurance;

namespace Rama.Core.Check;

/// <summary>
/// How far trees come out from their number once a hand's own mean is taken off: what pruning misses by, whoever is
/// told to leave more or fewer.
/// </summary>
/// <param name="Estate">Over all.</param>
/// <param name="Crews">Of each crew, drawn to the estate's.</param>
/// <param name="Pruners">Of each pruner, drawn to their crew's.</param>
public sealed record PruningMiss(
    MissSpread Estate,
    IReadOnlyDictionary<Guid, MissSpread> Crews,
    IReadOnlyDictionary<Guid, MissSpread> Pruners
)
{
    // What is drawn to counts for so many counts: handbook of the trade 8.2.
    private const double Weight = 8;

    /// <summary>Learns it from checks.</summary>
    /// <param name="checks">Crew, pruner and log(left ÷ asked) of each tree checked.</param>
    /// <remarks>
    /// Scaled inverse χ²: (8 × variance drawn to + squares around the hand's own mean) ÷ (8 + counts − hands), from the
    /// shipped miss to the estate's, from that to the crew's, from that to the pruner's. Source: handbook of the trade
    /// 8.2; Gelman et al., Bayesian Data Analysis, normal data with a known mean, from memory.
    /// </remarks>
    public static PruningMiss Of(IReadOnlyCollection<(Guid? Crew, Guid? Pruner, double Ratio)> checks)
    {
        List<Hand> hands =
        [
            .. checks.GroupBy(c => (c.Crew, c.Pruner)).Select(g => Hand.Of(g.Key, [.. g.Select(c => c.Ratio)])),
        ];
        var estate = Drawn(hands, Variance(InsuranceTerms.DefaultPruningSd));
        var crews = hands
            .Where(h => h.Crew is not null)
            .GroupBy(h => h.Crew!.Value)
            .ToDictionary(g => g.Key, g => Drawn(g, estate.Variance));
        // Somebody who worked with two crews is drawn to the one checked most.
        var pruners = hands
            .Where(h => h.Pruner is not null)
            .GroupBy(h => h.Pruner!.Value)
            .ToDictionary(
                g => g.Key,
                g => Drawn(g, g.MaxBy(h => h.Counts)!.Crew is { } crew ? crews[crew].Variance : estate.Variance)
            );
        return new(estate, crews, pruners);
    }

    private static MissSpread Drawn(IEnumerable<Hand> hands, double to)
    {
        var (squares, free, counts) = (0.0, 0.0, 0);
        foreach (var hand in hands)
            (squares, free, counts) = (squares + hand.Squares, free + hand.Counts - 1, counts + hand.Counts);
        return new((Weight * to + squares) / (Weight + free), counts);
    }

    private static double Variance(double cv) => Math.Log(1 + cv * cv);

    private sealed record Hand(Guid? Crew, Guid? Pruner, int Counts, double Squares)
    {
        public static Hand Of((Guid? Crew, Guid? Pruner) who, double[] ratios)
        {
            var mean = ratios.Average();
            return new(who.Crew, who.Pruner, ratios.Length, ratios.Sum(r => (r - mean) * (r - mean)));
        }
    }
}

/// <summary>How far trees come out from their number.</summary>
/// <param name="Variance">Variance of log(left ÷ asked).</param>
/// <param name="Counts">Trees checked it rests on.</param>
public sealed record MissSpread(double Variance, int Counts)
{
    /// <summary>The same as a share of the number, standard deviation.</summary>
    public double Sd => Math.Sqrt(Math.Exp(Variance) - 1);
}
