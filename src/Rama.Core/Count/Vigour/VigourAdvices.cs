using Rama.Core.Explain;

namespace Rama.Core.Count.Vigour;

/// <summary>A way to calm or strengthen a planting, or a caution its condition calls for.</summary>
/// <param name="Id">Stable name.</param>
/// <param name="Do">What to do.</param>
/// <param name="Window">When.</param>
/// <param name="Effect">What it does.</param>
/// <param name="Caution">What to mind.</param>
public sealed record VigourAdvice(string Id, LocalText Do, LocalText Window, LocalText Effect, LocalText Caution);

/// <summary>Ways to calm or strengthen trees, from <c>vigour-advice.json</c> (common practice, no source).</summary>
internal static class VigourAdvices
{
    private sealed record Tool(
        string Id,
        GrowthVigour? When,
        IReadOnlyList<TreeCondition> Conditions,
        bool StoneFruit,
        LocalText Do,
        LocalText Window,
        LocalText Effect,
        LocalText Caution
    );

    private static readonly IReadOnlyList<Tool> Tools = DataFile.Read<List<Tool>>("Count/Vigour/vigour-advice.json");

    /// <summary>What fits a planting, in the order of the file.</summary>
    public static IReadOnlyList<VigourAdvice> For(
        GrowthVigour? vigour,
        ICollection<TreeCondition> conditions,
        bool isStoneFruit
    ) =>
        [
            .. Tools
                .Where(t =>
                    t.Conditions.Count > 0 ? t.Conditions.Any(conditions.Contains)
                    : t.StoneFruit ? isStoneFruit
                    : t.When is not null && t.When == vigour
                )
                .Select(t => new VigourAdvice(t.Id, t.Do, t.Window, t.Effect, t.Caution)),
        ];
}
