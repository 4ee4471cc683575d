using Rama.Core.Explain;
using Rama.Core.Quantities;
using Rama.Core.Result.Harvest;
using Rama.Core.Target;
using Rama.Core.Target.Size;

namespace Rama.Core.Result;

/// <summary>What a planting brought in one season, as typed.</summary>
public sealed record SeasonResultEntry
{
    /// <summary>First season records may be kept for.</summary>
    public const int FirstSeason = 1950;

    private const int FirstSouthernMonth = 7;

    /// <summary>Calendar year of the harvest.</summary>
    public double? Season { get; init; }

    /// <summary>Picked yield per area or tree, or fruit per tree; units <see cref="YieldTarget.UnitCodes"/>.</summary>
    public Amount? Yield { get; init; }

    /// <summary>
    /// Mean fruit size as mass, count per package or diameter; units <see cref="FruitSize.UnitCodes"/>.
    /// </summary>
    public Amount? FruitSize { get; init; }

    /// <summary>Share of the picked mass sold as wanted.</summary>
    public Amount? PackOut { get; init; }

    /// <summary>Day of green tip in that year.</summary>
    public DateOnly? GreenTip { get; init; }

    /// <summary>Floral buds left per tree after pruning.</summary>
    public double? BudsLeft { get; init; }

    /// <summary>
    /// Setting clusters thinned off by hand per tree; 0 when nothing was thinned, left out when nobody noted it.
    /// </summary>
    public double? ClustersThinned { get; init; }

    /// <summary>What was counted and measured on the trees; nothing when left out.</summary>
    public SeasonCountsEntry? Counts { get; init; }

    /// <summary>What was wanted of the season; not known when left out.</summary>
    public SeasonWantedEntry? Wanted { get; init; }

    /// <summary>
    /// Its harvest, pick by pick and grade by grade; as it is known when left out, since few who save a season have it
    /// at hand.
    /// </summary>
    public IReadOnlyList<HarvestLineEntry>? Harvest { get; init; }

    /// <summary>Reads the entry into SI.</summary>
    /// <param name="current">Season at hand; results are of seasons before it, or of itself once it is picked.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public SeasonResult Read(int current)
    {
        var reader = new EntryReader();
        var season = reader.RequiredWhole("season", "Season", Season, "", FirstSeason, current);
        var yield = Yield?.Value is null
            ? null
            : YieldTarget.Read(reader, "yield", Yield, PackageMasses.Default, orNothing: true);
        var size = FruitSize?.Value is null
            ? null
            : Target.Size.FruitSize.Read(reader, "fruitSize", FruitSize, PackageMasses.Default);
        var packOut = reader.Optional("packOut", "Pack-out", PackOut, Units.Share, 0, 1);
        // The spring of a southern harvest lies in the year before.
        if (
            GreenTip is { } day
            && !double.IsNaN(season)
            && day.Year != (int)season
            && !(day.Year == (int)season - 1 && day.Month >= FirstSouthernMonth)
        )
            reader.Add("greenTip", "conflict", $"Green tip: expected a day of {season:0}, got {day:yyyy-MM-dd}.");
        var buds = reader.Optional("budsLeft", "Buds left", BudsLeft, "bud/tree", 1, 20_000);
        var thinned = reader.Optional(
            "clustersThinned",
            "Clusters thinned off",
            ClustersThinned,
            "cluster/tree",
            0,
            20_000
        );
        if (thinned > buds)
            reader.Add("clustersThinned", "conflict", "Clusters thinned off: expected at most the buds left.");
        var counts = reader.Under("counts", () => Counts?.Read(buds, thinned));
        var wanted = reader.Under("wanted", () => Wanted?.Read());
        var harvest = reader.Under("", () => SeasonHarvest.Of(Harvest ?? []));
        if (
            yield is null
            && size is null
            && packOut is null
            && GreenTip is null
            && buds is null
            && (counts?.SaysNothing ?? Counts is null)
            && Wanted is null
            && harvest is null
        )
            reader.Add(
                "yield",
                "missing",
                "Yield: please fill in the yield, fruit size, pack-out, green tip or buds left."
            );
        reader.ThrowIfAny();
        return new((int)season, yield, size?.MassKg, packOut, GreenTip, buds, thinned)
        {
            Counts = counts ?? SeasonCounts.None,
            Wanted = wanted,
            Harvest = harvest,
        };
    }
}
