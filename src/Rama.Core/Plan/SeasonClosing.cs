using Rama.Core.Check;
using Rama.Core.Explain;
using Rama.Core.Result;
using Rama.Core.Result.Counts;

namespace Rama.Core.Plan;

/// <summary>What closing the season at hand makes of the record of a planting, and what it still lacks.</summary>
/// <param name="Record">The record with what closing fills in; null where there is nothing to tell.</param>
/// <param name="Fills">What closing fills in.</param>
/// <param name="Missing">What nobody told.</param>
public sealed record SeasonClosing(
    SeasonResultEntry? Record,
    IReadOnlyList<SeasonFact> Fills,
    IReadOnlyList<SeasonFact> Missing
)
{
    /// <summary>What it comes to.</summary>
    /// <param name="reading">What was typed, read.</param>
    /// <param name="plan">The plan that follows.</param>
    /// <param name="known">The record of the season as typed; null for none.</param>
    /// <param name="left">What the walk after pruning says; null for none.</param>
    /// <param name="counts">What was counted in the course of the season; nothing when left out.</param>
    /// <remarks>
    /// What was wanted is what the plan says on the day of closing: the next season has a plan of its own. What is
    /// typed is never written over, and what was counted is left out where it does not fit to what is typed.
    /// </remarks>
    public static SeasonClosing Of(
        PlanReading reading,
        PruningPlan plan,
        SeasonResultEntry? known,
        LeftAfterPruning? left,
        CropCounts? counts
    )
    {
        var before = ReadOf(known, reading.Year);
        var start = SeasonStart.Of(reading, plan, left, counts);
        var record = start is null ? known : new[]
            {
                start,
                new() { Season = start.Season, Wanted = start.Wanted },
            }.Select(from => Filled(known, from)).FirstOrDefault(r => ReadOf(r, reading.Year) is not null) ?? known;
        var after = ReadOf(record, reading.Year);
        var ruled = reading.Crop is { } crop && ShootsAhead.AreRuledByWinter(crop);
        List<SeasonFact> facts = [.. Enum.GetValues<SeasonFact>().Where(f => f != SeasonFact.Shoots || ruled)];
        return new(
            record,
            [.. facts.Where(f => !IsTold(before, f) && IsTold(after, f))],
            [.. facts.Where(f => !IsTold(after, f))]
        );
    }

    /// <summary>A record with what is open in it filled in.</summary>
    /// <param name="known">The record; null for none.</param>
    /// <param name="from">What fills it in.</param>
    public static SeasonResultEntry Filled(SeasonResultEntry? known, SeasonResultEntry from)
    {
        if (known is null)
            return from;
        var (mine, other) = (known.Counts ?? new(), from.Counts ?? new());
        var (how, otherHow) = (mine.How ?? new(), other.How ?? new());
        // How a number was counted is told of that number alone.
        static CountedHowEntry? How(double? number, CountedHowEntry? of, CountedHowEntry? filled) =>
            number is null ? of ?? filled : of;
        return known with
        {
            BudsLeft = known.BudsLeft ?? from.BudsLeft,
            ClustersThinned = known.ClustersThinned ?? from.ClustersThinned,
            Wanted = known.Wanted ?? from.Wanted,
            Counts =
                known.Counts is null && from.Counts is null
                    ? null
                    : mine with
                    {
                        BudsBefore = mine.BudsBefore ?? other.BudsBefore,
                        BloomClusters = mine.BloomClusters ?? other.BloomClusters,
                        SetClusters = mine.SetClusters ?? other.SetClusters,
                        FruitPerTree = mine.FruitPerTree ?? other.FruitPerTree,
                        WoodCut = mine.WoodCut ?? other.WoodCut,
                        How = how with
                        {
                            BudsBefore = How(mine.BudsBefore, how.BudsBefore, otherHow.BudsBefore),
                            BudsLeft = How(known.BudsLeft, how.BudsLeft, otherHow.BudsLeft),
                            BloomClusters = How(mine.BloomClusters, how.BloomClusters, otherHow.BloomClusters),
                            SetClusters = How(mine.SetClusters, how.SetClusters, otherHow.SetClusters),
                            FruitPerTree = How(mine.FruitPerTree, how.FruitPerTree, otherHow.FruitPerTree),
                        },
                    },
        };
    }

    private static SeasonResult? ReadOf(SeasonResultEntry? entry, int season)
    {
        try
        {
            return entry?.Read(season);
        }
        catch (UnusableEntryException)
        {
            return null;
        }
    }

    private static bool IsTold(SeasonResult? of, SeasonFact fact) =>
        of is not null
        && fact switch
        {
            SeasonFact.Wanted => of.Wanted is not null,
            SeasonFact.BudsLeft => of.BudsLeft is not null,
            SeasonFact.Bloom => (of.Counts.BloomClusters ?? of.Counts.ColdLoss) is not null,
            SeasonFact.Set => of.Counts.SetClusters is not null,
            SeasonFact.Yield => of.Yield is not null,
            SeasonFact.FruitSize => of.FruitMassKg is not null,
            SeasonFact.PackOut => of.PackOut is not null,
            SeasonFact.Shoots => (of.Counts.ShootLengthCm ?? of.Counts.Uprights) is not null,
            _ => of.Counts.GirthCm is not null,
        };
}

/// <summary>What a season is told by.</summary>
public enum SeasonFact
{
    /// <summary>What was wanted.</summary>
    Wanted,

    /// <summary>Floral buds left by pruning.</summary>
    BudsLeft,

    /// <summary>Clusters in bloom, or what was lost before.</summary>
    Bloom,

    /// <summary>Clusters set.</summary>
    Set,

    /// <summary>Picked yield.</summary>
    Yield,

    /// <summary>Mean fruit size.</summary>
    FruitSize,

    /// <summary>Pack-out.</summary>
    PackOut,

    /// <summary>Trunk girth in autumn.</summary>
    Girth,

    /// <summary>Shoots grown after the wood cut.</summary>
    Shoots,
}
