using Rama.Core.Check;
using Rama.Core.Explain;

namespace Rama.Web.Check;

/// <summary>What is said of how trees were cut.</summary>
/// <param name="Kind">What.</param>
/// <param name="Sentence">The sentence.</param>
/// <param name="Correction">What to do otherwise; null where nothing is.</param>
public sealed record ToldVerdict(VerdictKind Kind, Notice Sentence, Notice? Correction)
{
    internal static ToldVerdict? Of(CutVerdict? verdict) =>
        verdict is null or { Kind: VerdictKind.None }
            ? null
            : new(verdict.Kind, verdict.Sentence, verdict.Correction?.Sentence);
}
