using Rama.Core.Explain;

namespace Rama.Core.Result.Chain;

/// <summary>What a step of the year, or several that were not counted apart, made of the crop.</summary>
/// <param name="Kinds">The steps, in order.</param>
/// <param name="Name">Their name.</param>
/// <param name="Factor">What came through of what was expected to: 1 is as planned.</param>
/// <param name="Low">Low end of its 95 % interval by the counts on either side; null where none tells its own.</param>
/// <param name="High">High end.</param>
/// <param name="Share">Share of the whole miss; null where the whole came within 5 %.</param>
/// <param name="Steps">The arithmetic.</param>
public sealed record ChainLink(
    IReadOnlyList<LinkKind> Kinds,
    string Name,
    double Factor,
    double? Low,
    double? High,
    double? Share,
    IReadOnlyList<Step> Steps
) : Calculated(Factor, "share", Steps, [])
{
    /// <summary>Whether the counts tell it from a year as planned.</summary>
    public bool? IsTold => Low is { } low && High is { } high ? low > 1 || high < 1 : null;

    internal static string NameOf(LinkKind kind) =>
        kind switch
        {
            LinkKind.Pruning => "pruning",
            LinkKind.Bloom => "bloom",
            LinkKind.Set => "set",
            LinkKind.Thinning => "thinning",
            LinkKind.Size => "fruit size",
            _ => "pack-out",
        };
}
