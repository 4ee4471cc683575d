using Rama.Core.Crops;
using Rama.Core.Explain;
using Rama.Core.Quantities;
using Rama.Core.Target.Insurance;

namespace Rama.Core.Result.Learning;

/// <summary>Seasons of a planting that tell of its numbers, as typed.</summary>
public sealed record LearningEntry
{
    /// <summary>Most seasons one asks of at a time.</summary>
    public const int MostSeasons = 20;

    /// <summary>Mean share of the variety's clusters that hold fruit; asked where a season tells of the set.</summary>
    public double? SetShare { get; init; }

    /// <summary>Its standard deviation from year to year.</summary>
    public double? SetShareSd { get; init; }

    /// <summary>The variety's fruit mass at a moderate crop; asked where a season tells of it.</summary>
    public Amount? FruitMass { get; init; }

    /// <summary>Whether a heavy year tends to be followed by a light one.</summary>
    public bool BiennialProne { get; init; }

    /// <summary>How the crop bears; as pome fruit does when left out.</summary>
    public BearingHabit Habit { get; init; } = BearingHabit.MixedBud;

    /// <summary>The seasons, each once.</summary>
    public IReadOnlyList<SeenSeasonEntry> Seasons { get; init; } = [];

    /// <summary>Works it out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public LearningAnswer Calculate()
    {
        var reader = new EntryReader();
        if (Seasons.Count is 0 or > MostSeasons)
            reader.Add("seasons", "range", $"Seasons: expected 1 to {MostSeasons}.");
        SortedDictionary<int, SeenSeason> seen = [];
        foreach (var (i, entry) in Seasons.Take(MostSeasons).Index())
            if (reader.Under($"seasons[{i}]", entry.Read) is { } read && !seen.TryAdd(read.Result.Season, read))
                reader.Add($"seasons[{i}].season", "duplicate", $"Season {read.Result.Season} is told twice.");
        List<(int, PastSet)> sets =
        [
            .. seen.Values.Where(s => s.Set is not null).Select(s => (s.Season, s.Set!.Value)),
        ];
        var (mean, sd) =
            sets.Count == 0
                ? (0, 0)
                : (
                    reader.Required("setShare", "Cluster set", SetShare, "share", 0.02, 0.98),
                    reader.Required("setShareSd", "Spread of the set", SetShareSd, "share", 0.01, 0.4)
                );
        List<(int, double, double)> masses = [.. seen.Values.Select(s => s.Mass).OfType<(int, double, double)>()];
        var massG =
            masses.Count == 0
                ? 0
                : reader.Required("fruitMass", "Fruit mass", FruitMass, Units.Mass, 0.001, 6) * GramsPerKg;
        reader.ThrowIfAny();
        var set = LearnedSet.Of(sets, mean, sd);
        if (sets.Count > 0 && set is null)
            throw new UnusableEntryException([
                new("setShareSd", "range", $"Spread of the set: too wide for a mean of {mean:0.##}."),
            ]);
        List<SeasonResult> results = [.. seen.Values.Select(s => s.Result)];
        var shoots = ShootsOfEstate.Of([results]);
        IReadOnlyList<LearnedValue> learned =
        [
            .. new[]
            {
                set,
                LearnedPackOut.Of(results),
                LearnedGrowth.Of(results).ToValue(),
                LearnedResponse.OfMass(masses, massG),
                LearnedResponse.OfReturn(
                    [.. seen.Values.Select(s => s.Return).OfType<(int, double, double)>()],
                    BiennialProne
                ),
            }
                .Concat(ShootAnswer.All.Select(a => LearnedShoots.Of(a, results, shoots, Habit)))
                .OfType<LearnedValue>(),
        ];
        return new(learned, BackTest.AllOf(learned));
    }

    private const double GramsPerKg = 1_000;
}

/// <summary>What a season tells of the numbers of a planting, as typed; any of it may be left out.</summary>
public sealed record SeenSeasonEntry
{
    /// <summary>Calendar year of the harvest.</summary>
    public double? Season { get; init; }

    /// <summary>Share of the floral buds that held fruit.</summary>
    public double? Share { get; init; }

    /// <summary>Whether it is only known to have been at least this.</summary>
    public bool AtLeast { get; init; }

    /// <summary>Share of the picked mass sold as wanted.</summary>
    public Amount? PackOut { get; init; }

    /// <summary>Mean trunk girth at the end of the season.</summary>
    public Amount? Girth { get; init; }

    /// <summary>Fruit per cm² of trunk.</summary>
    public double? CropDensity { get; init; }

    /// <summary>Mean fruit mass at that crop.</summary>
    public Amount? FruitMass { get; init; }

    /// <summary>Floral buds per cm² of trunk the winter after.</summary>
    public double? ReturnBuds { get; init; }

    /// <summary>Share of the canopy's wood cut the winter before.</summary>
    public Amount? WoodCut { get; init; }

    /// <summary>Mean length of the shoots grown.</summary>
    public Amount? ShootLength { get; init; }

    /// <summary>Uprights per tree grown.</summary>
    public double? Uprights { get; init; }

    internal SeenSeason Read()
    {
        var reader = new EntryReader();
        var season = reader.RequiredWhole("season", "Season", Season, "", SeasonResultEntry.FirstSeason, 2200);
        var share = reader.Optional("share", "Share", Share, "share", 0.001, 0.999);
        var packOut = reader.Optional("packOut", "Pack-out", PackOut, Units.Share, 0.01, 1);
        var density = reader.Optional("cropDensity", "Crop density", CropDensity, "fruit/cm²", 0.01, 60);
        var mass = reader.Optional("fruitMass", "Fruit mass", FruitMass, Units.Mass, 0.001, 6);
        var buds = reader.Optional("returnBuds", "Return bloom", ReturnBuds, "bud/cm²", 0, 500);
        var counts = reader.Under("", () => new SeasonCountsEntry
            {
                Girth = Girth,
                WoodCut = WoodCut,
                ShootLength = ShootLength,
                Uprights = Uprights,
            }.Read(null, null));
        reader.ThrowIfAny();
        return new((int)season, new((int)season, null, null, packOut, null) { Counts = counts! })
        {
            Set = share is { } set ? new(set, AtLeast) : null,
            Mass = density is { } crop && mass is { } kg ? ((int)season, crop, kg * 1_000) : null,
            Return = density is { } fruit && buds is { } next ? ((int)season, fruit, next) : null,
        };
    }
}

internal sealed record SeenSeason(int Season, SeasonResult Result)
{
    public PastSet? Set { get; init; }

    public (int Season, double X, double Y)? Mass { get; init; }

    public (int Season, double X, double Y)? Return { get; init; }
}

/// <summary>What seasons taught.</summary>
/// <param name="Learned">Number by number, those they tell of.</param>
/// <param name="BackTests">How well each of them was foretold; none for a number a single season tells.</param>
public sealed record LearningAnswer(IReadOnlyList<LearnedValue> Learned, IReadOnlyList<BackTest> BackTests);
