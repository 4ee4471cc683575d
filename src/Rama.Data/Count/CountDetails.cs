using System.Text.Json;
using System.Text.Json.Serialization;
using Rama.Core.Count;
using Rama.Core.Count.Estimate;
using Rama.Core.Count.Floral;
using Rama.Core.Count.Sample;
using Rama.Data.Target;

namespace Rama.Data.Count;

/// <summary>What a count says beside its trees, kept as one JSON text: which trees are to be counted, how, and the buds cut.</summary>
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
        CountJson.Write(
            new CountDetails(
                count.Sample == new SampleSettingsEntry() ? null : count.Sample,
                count.Method,
                count.BudCuts.Count == 0 ? null : count.BudCuts
            )
        );

    /// <summary>A count with the details of a text kept.</summary>
    public static SurveyEntry Read(SurveyEntry count, string? json)
    {
        if (CountJson.Read<CountDetails>(json) is not { } details)
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
        CountJson.Write(
            new TreeDetails(
                tree.Kinds.Count == 0 ? null : tree.Kinds,
                tree.LimbSizes.Count == 0 ? null : tree.LimbSizes,
                tree.Note
            )
        );

    /// <summary>A tree with the details of a text kept.</summary>
    public static CountedTreeEntry Read(CountedTreeEntry tree, string? json) =>
        CountJson.Read<TreeDetails>(json) is { } details
            ? tree with
            {
                Kinds = details.Kinds ?? [],
                LimbSizes = details.LimbSizes ?? [],
                Note = details.Note,
            }
            : tree;
}

/// <summary>How parts of a count are kept as JSON: without what says nothing.</summary>
internal static class CountJson
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingDefault,
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false) },
    };

    /// <summary>The text of a part; null where it says nothing.</summary>
    public static string? Write<T>(T part)
    {
        var json = JsonSerializer.SerializeToNode(part, Options)!.AsObject();
        TargetDetails.Prune(json);
        return json.Count == 0 ? null : json.ToJsonString();
    }

    /// <summary>A part from its text; null where there is none.</summary>
    public static T? Read<T>(string? json)
        where T : class => json is null ? null : JsonSerializer.Deserialize<T>(json, Options);
}
