using Rama.Core.Explain;

namespace Rama.Core.Count.Sample;

/// <summary>Which trees are to be counted, and what counting costs, as typed.</summary>
public sealed record SampleSettingsEntry
{
    /// <summary>Trees to count; worked out when left out.</summary>
    public double? Trees { get; init; }

    /// <summary>
    /// Number that fixes where the walk starts, so that the plan prints the same twice; 1 when left out.
    /// </summary>
    public double? Seed { get; init; }

    /// <summary>Whether the first and last row are counted too.</summary>
    public bool EdgeRows { get; init; }

    /// <summary>Whether replants are counted too.</summary>
    public bool Replants { get; init; }

    /// <summary>Whether pollinizers are counted too.</summary>
    public bool Pollinizers { get; init; }

    /// <summary>Minutes one tree takes to count, walk included.</summary>
    public double? MinutesPerTree { get; init; }

    /// <summary>What an hour of the counter costs, in the money of the prices.</summary>
    public double? WagePerHour { get; init; }

    /// <summary>Reads the entry.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public SampleSettings Read()
    {
        var reader = new EntryReader();
        var trees = reader.OptionalWhole("trees", "Trees to count", Trees, "tree", 2, SurveyEntry.MostTrees);
        var seed = reader.OptionalWhole("seed", "Start number", Seed, "", 1, 9_999) ?? 1;
        var minutes = reader.Optional("minutesPerTree", "Minutes per tree", MinutesPerTree, "min", 0.1, 120)
            ?? SampleSettings.UsualMinutesPerTree;
        var wage = reader.Optional("wagePerHour", "Wage", WagePerHour, "/h", 0, 1_000)
            ?? SampleSettings.UsualWagePerHour;
        reader.ThrowIfAny();
        return new((int?)trees, (int)seed, EdgeRows, Replants, Pollinizers, minutes, wage);
    }
}

/// <summary>Which trees are to be counted, and what counting costs.</summary>
/// <param name="Trees">Trees to count; null where it is worked out.</param>
/// <param name="Seed">Number that fixes where the walk starts.</param>
/// <param name="EdgeRows">Whether the first and last row are counted too.</param>
/// <param name="Replants">Whether replants are counted too.</param>
/// <param name="Pollinizers">Whether pollinizers are counted too.</param>
/// <param name="MinutesPerTree">Minutes one tree takes to count.</param>
/// <param name="WagePerHour">What an hour of the counter costs.</param>
public sealed record SampleSettings(
    int? Trees = null,
    int Seed = 1,
    bool EdgeRows = false,
    bool Replants = false,
    bool Pollinizers = false,
    double MinutesPerTree = SampleSettings.UsualMinutesPerTree,
    double WagePerHour = SampleSettings.UsualWagePerHour
)
{
    /// <summary>Minutes to count a spindle by hand and walk on (assumption).</summary>
    public const double UsualMinutesPerTree = 4;

    /// <summary>An hour's work with all that comes upon it (assumption).</summary>
    public const double UsualWagePerHour = 20;

    /// <summary>
    /// How much trees of a planting differ until they are counted (coefficient of variation; assumption).
    /// </summary>
    public const double UsualCv = 0.30;

    /// <summary>Half width of the 95 % interval the plan aims at, as a share of the mean.</summary>
    public const double Aim = 0.10;

    /// <summary>Trees to count in a planting of so many.</summary>
    public int Planned(double trees) =>
        Math.Min(Trees ?? SampleSize.TreesNeeded(UsualCv, Aim, Math.Max(2, trees)), (int)Math.Max(2, trees));
}
