using Rama.Core.Count;
using Rama.Core.Count.Estimate;
using Rama.Core.Decide;
using Rama.Core.Estate;
using Rama.Core.Prescribe;
using Rama.Core.Result;
using Rama.Core.Result.Learning;
using Rama.Core.Target;
using Rama.Core.Target.Size;

namespace Rama.Core.Plan;

/// <summary>All that is typed for one planting and season.</summary>
public sealed record PlanEntry
{
    /// <summary>Calendar year of the harvest planned for.</summary>
    public int Season { get; init; }

    /// <summary>What grows there.</summary>
    public PlantingEntry Planting { get; init; } = new();

    /// <summary>Its rows, where they are listed.</summary>
    public RowListEntry Rows { get; init; } = new();

    /// <summary>What past seasons brought.</summary>
    public SeasonRecordsEntry Records { get; init; } = new();

    /// <summary>What is not to be learned of them.</summary>
    public LearnedChoicesEntry Learning { get; init; } = new();

    /// <summary>Fruit that were measured and weighed.</summary>
    public FruitSampleEntry FruitSample { get; init; } = new();

    /// <summary>What is wanted.</summary>
    public TargetEntry Target { get; init; } = new();

    /// <summary>What was counted.</summary>
    public SurveyEntry Count { get; init; } = new();

    /// <summary>What is known of the trees not counted; nothing when left out.</summary>
    public MeasuredTrees Measured { get; init; } = MeasuredTrees.None;

    /// <summary>How far is near enough, and how much may go.</summary>
    public DecisionSettingsEntry Settings { get; init; } = new();

    /// <summary>How the system is cut here, and what demonstration trees showed.</summary>
    public CuttingEntry Cutting { get; init; } = new();
}
