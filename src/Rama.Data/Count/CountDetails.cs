using Rama.Core.Count;
using Rama.Core.Count.Estimate;
using Rama.Core.Count.Floral;
using Rama.Core.Count.Sample;
using Rama.Data.Database;

namespace Rama.Data.Count;

/// <summary>
/// What a count says beside its trees, kept as one JSON text: which trees are to be counted, how, and the buds cut.
/// </summary>
/// <param name="Sample">Which trees are to be counted; null where nothing was typed.</param>
/// <param name="Method">How the mean is to be estimated.</param>
/// <param name="BudCuts">Buds cut.</param>
internal sealed record CountDetails(
    SampleSettingsEntry? Sample,
    EstimateMethod? Method,
    IReadOnlyList<BudCutEntry>? BudCuts
)
{
    /// <summary>The text kept; null where nothing was typed.</summary>
    public static string? Write(SurveyEntry count) =>
        StoredJson.WritePart(
            new CountDetails(
                count.Sample == new SampleSettingsEntry() ? null : count.Sample,
                count.Method,
                count.BudCuts.Count == 0 ? null : count.BudCuts
            )
        );

    /// <summary>A count with the details of a text kept.</summary>
    public static SurveyEntry Read(SurveyEntry count, string? json)
    {
        if (StoredJson.ReadPart<CountDetails>(json) is not { } details)
            return count;
        return count with
        {
            Sample = details.Sample ?? new(),
            Method = details.Method,
            BudCuts = details.BudCuts ?? [],
        };
    }
}

/// <summary>What was told of a counted tree beside its main numbers.</summary>
/// <param name="Kinds">Buds by kind.</param>
/// <param name="LimbSizes">Limbs one by one.</param>
/// <param name="Note">A note.</param>
internal sealed record TreeDetails(
    IReadOnlyList<KindCountEntry>? Kinds,
    IReadOnlyList<LimbSizeEntry>? LimbSizes,
    string? Note
)
{
    /// <summary>The text kept; null where nothing was told.</summary>
    public static string? Write(CountedTreeEntry tree) =>
        StoredJson.WritePart(
            new TreeDetails(
                tree.Kinds.Count == 0 ? null : tree.Kinds,
                tree.LimbSizes.Count == 0 ? null : tree.LimbSizes,
                tree.Note
            )
        );

    /// <summary>A tree with the details of a text kept.</summary>
    public static CountedTreeEntry Read(CountedTreeEntry tree, string? json) =>
        StoredJson.ReadPart<TreeDetails>(json) is { } details
            ? tree with
            {
                Kinds = details.Kinds ?? [],
                LimbSizes = details.LimbSizes ?? [],
                Note = details.Note,
            }
            : tree;
}
