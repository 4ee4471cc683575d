using Rama.Core.Explain;
using Rama.Core.Target.Insurance;

namespace Rama.Core.Prescribe.Working;

/// <summary>How a crew works to the number.</summary>
public enum WayOfWorking
{
    /// <summary>So many cuts of each kind, as the card has them; nobody measures or counts.</summary>
    Amounts,

    /// <summary>After the cuts of wood each limb kept is brought to the buds its thickness says.</summary>
    Gauge,

    /// <summary>
    /// By gauge, and one tree in so many is counted and brought to its number; the pruner goes on corrected by
    /// it.
    /// </summary>
    Count,
}

internal static class WaysThatRead
{
    /// <summary>Whether each limb is read and brought to its number.</summary>
    public static bool ReadsLimbs(this WayOfWorking way) => way is WayOfWorking.Gauge or WayOfWorking.Count;
}

/// <summary>How well people read and judge, and how long it takes them.</summary>
/// <param name="ThicknessCv">Coefficient of variation of a thickness as it is read.</param>
/// <param name="JudgementCv">Coefficient of variation of the buds on a limb as they are judged.</param>
/// <param name="CountedEvery">One tree in so many is counted.</param>
/// <param name="SecondsPerLimb">Seconds to read a limb.</param>
/// <param name="MinutesPerCount">Minutes to count a tree.</param>
/// <remarks>All are assumptions until checks tell.</remarks>
public sealed record CrewSkill(
    double ThicknessCv = 0.08,
    double JudgementCv = 0.10,
    int CountedEvery = 10,
    double SecondsPerLimb = 3,
    double MinutesPerCount = 4
)
{
    /// <summary>Who neither misreads nor misjudges.</summary>
    public static CrewSkill Faultless { get; } = new(0, 0);
}

/// <summary>What a tree that misses its number costs, and an hour of work.</summary>
/// <param name="FruitPerBud">Fruit wanted for each bud to leave.</param>
/// <param name="Outcome">Cluster set over the years; null where nothing is known of it.</param>
/// <param name="SetMean">Its mean.</param>
/// <param name="CostOver">Cost of one cluster too many.</param>
/// <param name="CostUnder">Cost of one fruit too few.</param>
/// <param name="WagePerHour">What an hour of a pruner costs.</param>
public sealed record MissCosts(
    double FruitPerBud,
    SetOutcome? Outcome,
    double SetMean,
    double CostOver,
    double CostUnder,
    double WagePerHour
)
{
    /// <summary>
    /// Fruit short in the mean of the years on a tree left with so many buds, above what a tree at its number
    /// is short.
    /// </summary>
    /// <param name="left">Buds left.</param>
    /// <param name="number">The tree's number.</param>
    public double FruitShort(double left, double number)
    {
        var wanted = number * FruitPerBud;
        return wanted <= 0 ? 0 : Math.Max(0, ShortOf(left, wanted) - ShortOf(number, wanted));
    }

    /// <summary>
    /// Hours, fruit short and clusters over in money; of the clusters over only those that set ask to be
    /// thinned.
    /// </summary>
    /// <param name="minutes">Minutes per tree.</param>
    /// <param name="isShort">Fruit short per tree.</param>
    /// <param name="over">Clusters over the number per tree.</param>
    public double Of(double minutes, double isShort, double over) =>
        minutes / 60 * WagePerHour + isShort * CostUnder + over * SetMean * CostOver;

    /// <summary>Fruit short in the mean of the years on a tree left with so many buds.</summary>
    /// <param name="buds">Buds left.</param>
    /// <param name="wanted">Fruit wanted.</param>
    public double ShortOf(double buds, double wanted) =>
        buds <= 0 ? wanted
        : Outcome is { } outcome ? wanted * outcome.ShortWith(buds / wanted)
        : Math.Max(0, wanted - buds * SetMean);
}

/// <summary>What one way of working comes to on the trees of a planting.</summary>
/// <param name="Way">The way.</param>
/// <param name="OnTarget">Share of the trees above their number before that end within the tolerance of it.</param>
/// <param name="BudsLeft">Floral buds left per tree.</param>
/// <param name="BudsLeftSd">Their standard deviation among trees of a trunk class.</param>
/// <param name="Minutes">Minutes per tree.</param>
/// <param name="FruitShort">Fruit short per tree in the mean of the years, for missing the number.</param>
/// <param name="ClustersOver">Clusters over the number per tree.</param>
/// <param name="CostPerTree">Hours, fruit short and clusters over in money, per tree.</param>
/// <param name="IsProposed">Whether it is the cheapest in sum.</param>
/// <param name="Steps">The arithmetic of the cost.</param>
public sealed record WayResult(
    WayOfWorking Way,
    double OnTarget,
    double BudsLeft,
    double BudsLeftSd,
    double Minutes,
    double FruitShort,
    double ClustersOver,
    double CostPerTree,
    bool IsProposed,
    IReadOnlyList<Step> Steps
);
