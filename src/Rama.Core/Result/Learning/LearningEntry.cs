using Rama.Core.Explain;
using Rama.Core.Target.Insurance;

namespace Rama.Core.Result.Learning;

/// <summary>Seasons of a planting that tell of its set, as typed.</summary>
public sealed record LearningEntry
{
    /// <summary>Most seasons one asks of at a time.</summary>
    public const int MostSeasons = 20;

    /// <summary>Mean share of the variety's clusters that hold fruit.</summary>
    public double? SetShare { get; init; }

    /// <summary>Its standard deviation from year to year.</summary>
    public double? SetShareSd { get; init; }

    /// <summary>The seasons, each once.</summary>
    public IReadOnlyList<SeenSetEntry> Seasons { get; init; } = [];

    /// <summary>Works it out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public LearningAnswer Calculate()
    {
        var reader = new EntryReader();
        var mean = reader.Required("setShare", "Cluster set", SetShare, "share", 0.02, 0.98);
        var sd = reader.Required("setShareSd", "Spread of the set", SetShareSd, "share", 0.01, 0.4);
        if (Seasons.Count is 0 or > MostSeasons)
            reader.Add("seasons", "range", $"Seasons: expected 1 to {MostSeasons}.");
        SortedDictionary<int, PastSet> seen = [];
        foreach (var (i, entry) in Seasons.Take(MostSeasons).Index())
            if (reader.Under($"seasons[{i}]", entry.Read) is { } read && !seen.TryAdd(read.Season, read.Set))
                reader.Add($"seasons[{i}].season", "duplicate", $"Season {read.Season} is told twice.");
        reader.ThrowIfAny();
        var learned = LearnedSet.Of([.. seen.Select(s => (s.Key, s.Value))], mean, sd)
            ?? throw new UnusableEntryException([
                new("setShareSd", "range", $"Spread of the set: too wide for a mean of {mean:0.##}."),
            ]);
        return new(learned, BackTest.Of([learned]));
    }
}

/// <summary>A season that tells of the set, as typed.</summary>
public sealed record SeenSetEntry
{
    /// <summary>Calendar year of the harvest.</summary>
    public double? Season { get; init; }

    /// <summary>Share of the floral buds that held fruit.</summary>
    public double? Share { get; init; }

    /// <summary>Whether it is only known to have been at least this.</summary>
    public bool AtLeast { get; init; }

    internal SeenSet Read()
    {
        var reader = new EntryReader();
        var season = reader.RequiredWhole("season", "Season", Season, "", SeasonResultEntry.FirstSeason, 2200);
        var share = reader.Required("share", "Share", Share, "share", 0.001, 0.999);
        reader.ThrowIfAny();
        return new((int)season, new(share, AtLeast));
    }

    internal sealed record SeenSet(int Season, PastSet Set);
}

/// <summary>What seasons taught.</summary>
/// <param name="Set">Of the set.</param>
/// <param name="BackTest">Whether it foretells better than the variety's number; null for a single season.</param>
public sealed record LearningAnswer(LearnedValue Set, BackTest? BackTest);
