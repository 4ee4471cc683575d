using Rama.Core.Explain;

namespace Rama.Core.Weather;

/// <summary>What a cold night is expected to cost, until cut buds say.</summary>
/// <param name="FlowerLoss">Share of the single flowers killed.</param>
/// <param name="ClusterLoss">Share of the clusters lost, as a yield counts them.</param>
/// <param name="ClusterLow">Least it can be: every flower of a cluster dies for itself.</param>
/// <param name="ClusterHigh">Most it can be: the flowers of a cluster die together.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record FrostLoss(
    double FlowerLoss,
    double ClusterLoss,
    double ClusterLow,
    double ClusterHigh,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(ClusterLoss, "share", Steps, Warnings)
{
    private const double FlowersPerCluster = 5,
        Together = 2;
    private const double FreezingF = 32;

    // Logistic through 10 % and 90 %: ln 9 either side of the middle.
    private static readonly double Logit = Math.Log(9);

    /// <summary>Loss of one night. Within one stage the coldest night counts; nights are not multiplied.</summary>
    /// <param name="stage">Stage of the buds.</param>
    /// <param name="lowestF">Coldest temperature of the night, °F.</param>
    /// <param name="flowersEach">Exponent of the flower loss that gives the cluster's, 1 to 5; 2 when left out
    /// (assumption).</param>
    /// <remarks>
    /// The chart tells single flowers. A pome-fruit cluster is lost only when all five are; their fates go together, so
    /// its loss lies between q⁵ and q.
    /// </remarks>
    public static FrostLoss Of(BudStage stage, double lowestF, double? flowersEach = null)
    {
        var middle = (stage.TenPercentF + stage.NinetyPercentF) / 2;
        var flower =
            lowestF > FreezingF
                ? 0
                : 1 / (1 + Math.Exp(Logit * (lowestF - middle) / ((stage.TenPercentF - stage.NinetyPercentF) / 2)));
        var exponent = stage.ClustersOpen ? flowersEach ?? Together : 1;
        var cluster = Math.Pow(flower, exponent);
        Figure flowers = new("flowers killed", flower, "share"),
            lost = new("clusters lost", cluster, "share");
        List<Step> steps =
        [
            new(
                "frost.flowers",
                "logistic through the temperatures that kill 10 and 90 %; none above freezing",
                flowers,
                [
                    new("coldest", Celsius(lowestF), "°C"),
                    new("kills 10 %", Celsius(stage.TenPercentF), "°C"),
                    new("kills 90 %", Celsius(stage.NinetyPercentF), "°C"),
                ],
                FrostTables.Shipped.Source
            ),
        ];
        if (stage.ClustersOpen)
            steps.Add(
                new(
                    "frost.clusters",
                    "flowers killed ^ exponent, between all flowers apart (5) and together (1)",
                    lost,
                    [flowers, new("exponent", exponent, "1")],
                    flowersEach is null ? Sources.Assumption : Sources.Entered
                )
            );
        List<Notice> warnings = [];
        if (cluster > 0.02)
            warnings.Add(
                new(
                    "frost.cut-buds",
                    "This is a guess from a chart. Cut buds of each kind through and count those with no live "
                        + "pistil; their share takes its place."
                )
            );
        return new(
            flower,
            cluster,
            stage.ClustersOpen ? Math.Pow(flower, FlowersPerCluster) : flower,
            flower,
            steps,
            warnings
        );
    }

    /// <summary>°C from °F.</summary>
    public static double Celsius(double fahrenheit) => (fahrenheit - FreezingF) / 1.8;

    /// <summary>°F from °C.</summary>
    public static double Fahrenheit(double celsius) => celsius * 1.8 + FreezingF;
}
