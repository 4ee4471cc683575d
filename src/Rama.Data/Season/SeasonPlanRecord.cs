using Rama.Core.Count;
using Rama.Core.Decide;
using Rama.Core.Prescribe;
using Rama.Core.Target;
using Rama.Core.Quantities;
using Rama.Data.Count;
using Rama.Data.Estate;
using Rama.Data.History;
using Details = Rama.Data.Target.TargetDetails;

namespace Rama.Data.Season;

/// <summary>Target, count and settings of one planting for one season, as entered. Last year's stays readable.</summary>
public sealed class SeasonPlanRecord : IHistoried
{
    public Guid EstateId { get; init; }

    public Guid PlantingId { get; init; }

    /// <summary>Calendar year of the harvest planned for.</summary>
    public int Season { get; init; }

    public Amount Yield { get; private set; } = new();

    public Amount FruitSize { get; private set; } = new();

    public Amount PackOut { get; private set; } = new();

    public Amount BoxMass { get; private set; } = new();

    public Amount BinMass { get; private set; } = new();

    public Amount BushelMass { get; private set; } = new();

    public double? BudFactor { get; private set; }

    public double? LimbsPerTree { get; private set; }

    public Amount FloralShare { get; private set; } = new();

    public Amount Tolerance { get; private set; } = new();

    public Amount Cap { get; private set; } = new();

    /// <summary>Insurance, canopy and sharing of the target as JSON; null where nothing of it was typed.</summary>
    public string? TargetDetails { get; private set; }

    public List<CountedTreeRecord> Trees { get; private set; } = [];

    /// <summary>Last change to the plan or its counted trees; touching it makes the row version see a change to a child.</summary>
    public DateTimeOffset ChangedAt { get; private set; } = DateTimeOffset.UtcNow;

    /// <summary>PostgreSQL's row version; 0 while nothing is saved.</summary>
    public uint Version { get; private set; }

    HistoryPlace IHistoried.Place => new("plan", PlantingId, Season);

    /// <summary>Takes over a target the core has read without a problem.</summary>
    public void Take(TargetEntry entry)
    {
        (Yield, FruitSize, PackOut) = (entry.Yield ?? new(), entry.FruitSize ?? new(), entry.PackOut ?? new());
        (BudFactor, LimbsPerTree) = (entry.BudFactor, entry.LimbsPerTree);
        (BoxMass, BinMass, BushelMass) =
            (entry.Packages?.Box ?? new(), entry.Packages?.Bin ?? new(), entry.Packages?.Bushel ?? new());
        TargetDetails = Details.Write(entry);
        Touch();
    }

    /// <summary>Takes over a count the core has read without a problem.</summary>
    public void Take(SurveyEntry entry)
    {
        FloralShare = entry.FloralShare ?? new();
        Trees.Merge(
            [.. entry.Trees.Index()], t => (t.Row, t.Tree), t => ((int)t.Item.Row!.Value, (int)t.Item.Tree!.Value),
            t => CountedTreeRecord.Of(this, t.Index, t.Item), (record, t) => record.Take(t.Index, t.Item));
        Touch();
    }

    /// <summary>Takes over settings the core has read without a problem.</summary>
    public void Take(DecisionSettingsEntry entry)
    {
        (Tolerance, Cap) = (entry.Tolerance ?? new(), entry.Cap ?? new());
        Touch();
    }

    public TargetEntry ToTarget() => Details.Read(
        new()
        {
            Yield = Yield, FruitSize = FruitSize, PackOut = PackOut, BudFactor = BudFactor, LimbsPerTree = LimbsPerTree,
            Packages = new() { Box = BoxMass, Bin = BinMass, Bushel = BushelMass },
        },
        TargetDetails);

    public SurveyEntry ToCount() => new()
    {
        FloralShare = FloralShare, Trees = [.. Trees.OrderBy(t => t.Line).Select(t => t.ToEntry())],
    };

    public DecisionSettingsEntry ToSettings() => new() { Tolerance = Tolerance, Cap = Cap };

    /// <summary>All that was entered for the planting and season, ready for the core.</summary>
    public PlanEntry ToPlan(PlantingRecord planting) => new()
    {
        Season = Season, Planting = planting.ToEntry(), Rows = planting.ToRows(), Records = planting.ToRecords(), FruitSample = planting.ToFruitSample(),
        Target = ToTarget(), Count = ToCount(), Settings = ToSettings(),
    };

    private void Touch() => ChangedAt = DateTimeOffset.UtcNow;
}
