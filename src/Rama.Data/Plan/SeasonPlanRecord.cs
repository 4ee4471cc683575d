using Rama.Core.Count;
using Rama.Core.Count.Estimate;
using Rama.Core.Decide;
using Rama.Core.Plan;
using Rama.Core.Prescribe;
using Rama.Core.Quantities;
using Rama.Core.Target;
using Rama.Data.Count;
using Rama.Data.Database;
using Rama.Data.Estate;
using Rama.Data.History;
using Details = Rama.Data.Target.TargetDetails;

namespace Rama.Data.Plan;

/// <summary>
/// Target, count and settings of one planting for one season, as entered. Last year's stays readable.
/// </summary>
public sealed class SeasonPlanRecord : IHistoried
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Planting it belongs to.</summary>
    public Guid PlantingId { get; init; }

    /// <summary>Calendar year of the harvest planned for.</summary>
    public int Season { get; init; }

    /// <inheritdoc cref="CropTargetEntry.Yield" />
    public Amount Yield { get; private set; } = new();

    /// <inheritdoc cref="CropTargetEntry.FruitSize" />
    public Amount FruitSize { get; private set; } = new();

    /// <inheritdoc cref="CropTargetEntry.PackOut" />
    public Amount PackOut { get; private set; } = new();

    /// <summary>Mass of a box; empty for the usual one.</summary>
    public Amount BoxMass { get; private set; } = new();

    /// <summary>Mass of a bin; empty for the usual one.</summary>
    public Amount BinMass { get; private set; } = new();

    /// <summary>Mass of a bushel; empty for the usual one.</summary>
    public Amount BushelMass { get; private set; } = new();

    /// <inheritdoc cref="TargetEntry.BudFactor" />
    public double? BudFactor { get; private set; }

    /// <summary>Limbs per tree typed where none were counted.</summary>
    public double? LimbsPerTree { get; private set; }

    /// <inheritdoc cref="SurveyEntry.FloralShare" />
    public Amount FloralShare { get; private set; } = new();

    /// <inheritdoc cref="DecisionSettingsEntry.Tolerance" />
    public Amount Tolerance { get; private set; } = new();

    /// <inheritdoc cref="DecisionSettingsEntry.Cap" />
    public Amount Cap { get; private set; } = new();

    /// <summary>What the manager decided instead of the count; null where the count decides.</summary>
    public DecisionKind? HeldDecision { get; private set; }

    /// <summary>Why.</summary>
    public string? HeldReason { get; private set; }

    /// <summary>
    /// How the system is cut and what demonstration trees showed, as JSON; null where nothing was chosen.
    /// </summary>
    public string? CuttingDetails { get; private set; }

    /// <summary>Days of the year noted, as JSON; null for none.</summary>
    public string? NotedDays { get; private set; }

    /// <summary>Insurance, canopy and sharing of the target as JSON; null where nothing of it was typed.</summary>
    public string? TargetDetails { get; private set; }

    /// <summary>Sample, method and buds cut of the count as JSON; null where nothing of it was typed.</summary>
    public string? CountDetails { get; private set; }

    /// <summary>
    /// What is known of the trees not counted, as JSON, summed up from trunks and scans whenever these or the counted
    /// trees change: a plan then knows it without reading every tree.
    /// </summary>
    [NotInHistory]
    public string? Measured { get; private set; }

    /// <summary>Trees counted for the season, in the order of the sheet.</summary>
    public List<CountedTreeRecord> Trees { get; private set; } = [];

    /// <summary>
    /// Last change to the plan or its counted trees; touching it makes the row version see a change to a child.
    /// </summary>
    [NotInHistory]
    public DateTimeOffset ChangedAt { get; private set; } = DateTimeOffset.UtcNow;

    /// <summary>PostgreSQL's row version; 0 while nothing is saved.</summary>
    public uint Version { get; private set; }

    HistoryPlace IHistoried.Place => new("plan", PlantingId, Season);

    /// <summary>Takes over days the core has read without a problem.</summary>
    public void TakeOver(NotedDaysEntry entry)
    {
        NotedDays = entry.Noted.Count == 0 ? null : StoredJson.WritePart(entry);
        Touch();
    }

    /// <summary>Days of the year as noted.</summary>
    public NotedDaysEntry ToDays() => StoredJson.ReadPart<NotedDaysEntry>(NotedDays) ?? new();

    /// <summary>Takes over a target the core has read without a problem.</summary>
    public void TakeOver(TargetEntry entry)
    {
        (Yield, FruitSize, PackOut) = (entry.Yield ?? new(), entry.FruitSize ?? new(), entry.PackOut ?? new());
        (BudFactor, LimbsPerTree) = (entry.BudFactor, entry.LimbsPerTree);
        (BoxMass, BinMass, BushelMass) = (
            entry.Packages?.Box ?? new(),
            entry.Packages?.Bin ?? new(),
            entry.Packages?.Bushel ?? new()
        );
        TargetDetails = Details.Write(entry);
        Touch();
    }

    /// <summary>Takes over a count the core has read without a problem.</summary>
    public void TakeOver(SurveyEntry entry)
    {
        FloralShare = entry.FloralShare ?? new();
        // What has no column of its own is kept as an entry that says nothing else.
        CountDetails = StoredJson.WritePart(
            new SurveyEntry
            {
                Sample = entry.Sample,
                Method = entry.Method,
                BudCuts = entry.BudCuts,
            }
        );
        Trees.Merge(
            [.. entry.Trees.Index()],
            t => (t.Row, t.Tree),
            t => ((int)t.Item.Row!.Value, (int)t.Item.Tree!.Value),
            t => CountedTreeRecord.Of(this, t.Index, t.Item),
            (record, t) => record.TakeOver(t.Index, t.Item)
        );
        Touch();
    }

    /// <summary>Takes over settings the core has read without a problem.</summary>
    public void TakeOver(DecisionSettingsEntry entry)
    {
        (Tolerance, Cap) = (entry.Tolerance ?? new(), entry.Cap ?? new());
        (HeldDecision, HeldReason) = (entry.Held, entry.Held is null ? null : entry.HeldReason);
        Touch();
    }

    /// <summary>Takes over choices of cutting the core has read without a problem.</summary>
    public void TakeOver(CuttingEntry entry)
    {
        CuttingDetails = entry.IsUntouched ? null : StoredJson.WritePart(entry);
        Touch();
    }

    /// <summary>The target as it was typed.</summary>
    public TargetEntry ToTarget() =>
        Details.Read(
            new()
            {
                Yield = Yield,
                FruitSize = FruitSize,
                PackOut = PackOut,
                BudFactor = BudFactor,
                LimbsPerTree = LimbsPerTree,
                Packages = new()
                {
                    Box = BoxMass,
                    Bin = BinMass,
                    Bushel = BushelMass,
                },
            },
            TargetDetails
        );

    /// <summary>The count as it was typed.</summary>
    public SurveyEntry ToCount() =>
        (StoredJson.ReadPart<SurveyEntry>(CountDetails) ?? new()) with
        {
            FloralShare = FloralShare,
            Trees = [.. Trees.OrderBy(t => t.Line).Select(t => t.ToEntry())],
        };

    /// <summary>What is known of the trees not counted.</summary>
    public MeasuredTrees ToMeasured() =>
        Measured is null ? MeasuredTrees.None : StoredJson.Read<MeasuredTrees>(Measured);

    /// <summary>Takes over what is known of the trees not counted.</summary>
    internal void TakeOver(MeasuredTrees measured)
    {
        var written = measured is { Trunks: 0, Scanned: 0 } ? null : StoredJson.Write(measured);
        if (written == Measured)
            return;
        Measured = written;
        Touch();
    }

    /// <summary>Takes over what an archive tells beside its tables.</summary>
    /// <exception cref="Core.Explain.UnusableEntryException">It cannot be used.</exception>
    internal void TakeDetails(
        string? details,
        IReadOnlyDictionary<(int Row, int Tree), (string? Details, int? Buds)> trees
    )
    {
        CountDetails = details;
        foreach (var tree in Trees)
        {
            if (!trees.TryGetValue((tree.Row, tree.Tree), out var told))
                continue;
            var entry = tree.With(told.Details);
            tree.TakeOver(
                tree.Line,
                entry.Kinds.Count > 0 || told.Buds is not null
                    ? entry with
                    {
                        FloralBuds = null,
                        Buds = told.Buds,
                    }
                    : entry
            );
        }
        ToCount().Read();
        Touch();
    }

    /// <summary>Adds or changes a counted tree as the field says.</summary>
    internal void TakeOver(CountedTreeEntry tree, Guid fieldEntry)
    {
        var record = Find((int)tree.Row!.Value, (int)tree.Tree!.Value);
        if (record is null)
            Trees.Add(record = CountedTreeRecord.Of(this, Trees.Count == 0 ? 0 : Trees.Max(t => t.Line) + 1, tree));
        record.TakeOver(tree, fieldEntry);
        Touch();
    }

    /// <summary>Takes a counted tree out again.</summary>
    internal void Remove(CountedTreeRecord tree)
    {
        Trees.Remove(tree);
        Touch();
    }

    internal CountedTreeRecord? Find(int row, int tree) => Trees.SingleOrDefault(t => t.Row == row && t.Tree == tree);

    /// <summary>The settings as they were typed.</summary>
    public DecisionSettingsEntry ToSettings() =>
        new()
        {
            Tolerance = Tolerance,
            Cap = Cap,
            Held = HeldDecision,
            HeldReason = HeldReason,
        };

    /// <summary>The choices of cutting as they were made.</summary>
    public CuttingEntry ToCutting() => StoredJson.ReadPart<CuttingEntry>(CuttingDetails) ?? new();

    /// <summary>All that was entered for the planting and season, ready for the core.</summary>
    public PlanEntry ToEntry(PlantingRecord planting) =>
        new()
        {
            Season = Season,
            Planting = planting.ToEntry(),
            Rows = planting.ToRows(),
            Records = planting.ToRecords(),
            Learning = planting.ToLearning(),
            FruitSample = planting.ToFruitSample(),
            Target = ToTarget(),
            Count = ToCount(),
            Measured = ToMeasured(),
            Settings = ToSettings(),
            Cutting = ToCutting(),
        };

    private void Touch() => ChangedAt = DateTimeOffset.UtcNow;
}
