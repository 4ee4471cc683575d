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

    // Half the interval of each number that a link of the chain rests on; of what was not counted there is none.
    internal Dictionary<LinkKind, double> Read(double? budsLeft, SeasonCountsEntry of)
    {
        var reader = new EntryReader();
        double? Half(string field, CountedHowEntry? how, double? number)
        {
            var half = reader.Under(field, () => how?.Read())?.HalfWidth;
            if (half > number)
                reader.Add($"{field}.halfWidth", "conflict", "Half the interval: expected at most the number itself.");
            return number is null ? null : half;
        }
        Half("budsBefore", BudsBefore, of.BudsBefore);
        Half("returnBuds", ReturnBuds, of.ReturnBuds);
        (LinkKind Link, double? Half)[] halves =
        [
            (LinkKind.Pruning, Half("budsLeft", BudsLeft, budsLeft)),
            (LinkKind.Bloom, Half("bloomClusters", BloomClusters, of.BloomClusters)),
            (LinkKind.Set, Half("setClusters", SetClusters, of.SetClusters)),
            (LinkKind.Thinning, Half("fruitPerTree", FruitPerTree, of.FruitPerTree)),
        ];
        reader.ThrowIfAny();
        return halves.Where(h => h.Half is not null).ToDictionary(h => h.Link, h => h.Half!.Value);
    }
}
