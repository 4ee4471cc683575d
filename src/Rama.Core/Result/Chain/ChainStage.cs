namespace Rama.Core.Result.Chain;

/// <summary>What a mean tree carried at a step of the year beside what was wanted.</summary>
/// <param name="Link">The step that leads there.</param>
/// <param name="Wanted">What was wanted; null where it was not said.</param>
/// <param name="Came">What came; null where it was not counted.</param>
/// <param name="HalfWidth">Half the 95 % interval of what came; null where it is not known.</param>
/// <param name="Unit">Unit of the three.</param>
public sealed record ChainStage(LinkKind Link, double? Wanted, double? Came, double? HalfWidth, string Unit)
{
    internal static string UnitOf(LinkKind link) =>
        link switch
        {
            LinkKind.Pruning => "bud/tree",
            LinkKind.Bloom or LinkKind.Set => "cluster/tree",
            LinkKind.Thinning => "fruit/tree",
            _ => "kg/tree",
        };
}
