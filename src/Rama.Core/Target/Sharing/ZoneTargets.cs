using Rama.Core.Explain;

namespace Rama.Core.Target.Sharing;

/// <summary>How the tops of the trees grow, as seen on the walk.</summary>
public enum TopVigour
{
    /// <summary>Thin, blind or short growth: less than its share of buds, or growth stops there.</summary>
    Weak,

    /// <summary>As the rest.</summary>
    Normal,

    /// <summary>Strong uprights: its full share of buds calms it.</summary>
    Strong,
}

/// <summary>Buds of one third of a tree's height.</summary>
/// <param name="Name"><c>top</c>, <c>middle</c> or <c>bottom</c>.</param>
/// <param name="Share">Share of the buds.</param>
/// <param name="BudsPerTree">Buds to leave.</param>
public sealed record ZoneTarget(string Name, double Share, double BudsPerTree);

/// <summary>The buds of a tree shared along its height.</summary>
/// <param name="Zones">From the top down.</param>
/// <param name="Steps">The arithmetic.</param>
public sealed record ZoneTargets(IReadOnlyList<ZoneTarget> Zones, IReadOnlyList<Step> Steps)
{
    /// <summary>
    /// Share of the limb area in the top, middle and bottom third of a slender tree (assumption, until limbs are
    /// measured).
    /// </summary>
    private static readonly (string Name, double Share)[] LimbArea = [("top", 0.2), ("middle", 0.35), ("bottom", 0.45)];

    /// <summary>
    /// What a weak or strong top carries of its share of the limb area (assumption); normal tops carry a little less,
    /// as they pull growth up.
    /// </summary>
    private static double TopOf(TopVigour top) =>
        top switch
        {
            TopVigour.Weak => 0.6,
            TopVigour.Strong => 1.0,
            _ => 0.85,
        };

    /// <summary>
    /// Shares buds by limb area, with the top held to what its vigour bears; the rest goes below in proportion.
    /// </summary>
    /// <param name="budsPerTree">Buds to leave on the tree.</param>
    /// <param name="top">How the top grows.</param>
    /// <remarks>
    /// A weak top carries less than its share of limb area, a strong one its full share: common practice, no source.
    /// </remarks>
    public static ZoneTargets Of(double budsPerTree, TopVigour top)
    {
        var topShare = LimbArea[0].Share * TopOf(top);
        var below = (1 - topShare) / (1 - LimbArea[0].Share);
        List<ZoneTarget> zones =
        [
            .. LimbArea
                .Select((z, i) => (z.Name, Share: i == 0 ? topShare : z.Share * below))
                .Select(z => new ZoneTarget(z.Name, z.Share, z.Share * budsPerTree)),
        ];
        return new(
            zones,
            [
                new(
                    "zones.top",
                    "share of limb area × what such a top bears",
                    new("share of the top", topShare, "share"),
                    [
                        new("limb area in the top third", LimbArea[0].Share, "share"),
                        new("of it borne", TopOf(top), "share"),
                    ],
                    Sources.Assumption
                ),
                new(
                    "zones.below",
                    "the rest in proportion to limb area",
                    new("share below", 1 - topShare, "share"),
                    [new("share of the top", topShare, "share")],
                    Sources.Definition
                ),
            ]
        );
    }
}
