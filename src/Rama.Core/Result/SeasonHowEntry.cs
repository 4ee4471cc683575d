using Rama.Core.Explain;
using Rama.Core.Result.Chain;

namespace Rama.Core.Result;

/// <summary>How the numbers of a season came about, as typed.</summary>
public sealed record SeasonHowEntry
{
    /// <summary>Floral buds before pruning.</summary>
    public CountedHowEntry? BudsBefore { get; init; }

    /// <summary>Floral buds left.</summary>
    public CountedHowEntry? BudsLeft { get; init; }

    /// <summary>Clusters in bloom.</summary>
    public CountedHowEntry? BloomClusters { get; init; }

    /// <summary>Clusters set.</summary>
    public CountedHowEntry? SetClusters { get; init; }

    /// <summary>Fruit on the tree.</summary>
    public CountedHowEntry? FruitPerTree { get; init; }

    /// <summary>Floral buds the winter after.</summary>
    public CountedHowEntry? ReturnBuds { get; init; }

    // Half the interval of each number that a link of the chain rests on.
    internal Dictionary<LinkKind, double> Read()
    {
        var reader = new EntryReader();
        double? Half(string field, CountedHowEntry? how) => reader.Under(field, () => how?.Read())?.HalfWidth;
        Half("budsBefore", BudsBefore);
        Half("returnBuds", ReturnBuds);
        (LinkKind Link, double? Half)[] halves =
        [
            (LinkKind.Pruning, Half("budsLeft", BudsLeft)),
            (LinkKind.Bloom, Half("bloomClusters", BloomClusters)),
            (LinkKind.Set, Half("setClusters", SetClusters)),
            (LinkKind.Thinning, Half("fruitPerTree", FruitPerTree)),
        ];
        reader.ThrowIfAny();
        return halves.Where(h => h.Half is not null).ToDictionary(h => h.Link, h => h.Half!.Value);
    }
}
