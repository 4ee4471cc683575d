using Rama.Core.Count.Estimate;
using Rama.Core.Estate;
using Rama.Core.Target.Capacity;

namespace Rama.Core.Count.Scan;

/// <summary>How a tree place stands.</summary>
public enum TreeStatus
{
    /// <summary>A tree that bears.</summary>
    Bearing,

    /// <summary>Counted by hand.</summary>
    Counted,

    /// <summary>Empty or dead.</summary>
    Missing,

    /// <summary>Replanted and not bearing yet.</summary>
    Replant,

    /// <summary>A pollinizer that is not picked.</summary>
    Pollinizer,

    /// <summary>To be grubbed.</summary>
    ToGrub,
}

/// <summary>What is known of one tree.</summary>
/// <param name="GirthCm">Girth of its trunk, cm; null where not measured.</param>
/// <param name="CountedBuds">Floral buds counted by hand; null where not counted.</param>
/// <param name="ScannedBuds">Buds as a scanner saw them; null without a scan.</param>
/// <param name="LeaderBuds">Buds of its leaders; empty where not told apart.</param>
public sealed record TreeFacts(
    double? GirthCm,
    double? CountedBuds,
    double? ScannedBuds,
    IReadOnlyList<double> LeaderBuds
);

/// <summary>One tree of the sheet.</summary>
/// <param name="Status">How it stands.</param>
/// <param name="Class">Number of its trunk class, from 0, smallest first; null where its trunk is not known.</param>
/// <param name="FloralBuds">Floral buds: counted, or by the calibrated scan; null where neither tells.</param>
/// <param name="Surplus">Floral buds less its own share of the target; null without these.</param>
/// <param name="Imbalance">Buds of its strongest leader over the mean of its leaders, less 1; null where leaders were
/// not told apart.</param>
public sealed record SheetTree(TreeStatus Status, int? Class, double? FloralBuds, double? Surplus, double? Imbalance);

/// <summary>What every tree of a planting is judged by.</summary>
/// <param name="Classes">Trunk classes, smallest first.</param>
/// <param name="Calibration">How the scan stands for counts; null without one.</param>
/// <param name="BudsToLeave">Floral buds to leave on the mean tree; null without a target.</param>
/// <param name="Exponent">How the target is shared by trunk.</param>
/// <param name="MeanWeight">Mean of the trunk cross-sections raised to it; null where trunks are not known.</param>
public sealed record TreeSheetTerms(
    IReadOnlyList<TrunkShare> Classes,
    ScanCalibration? Calibration,
    double? BudsToLeave,
    double Exponent,
    double? MeanWeight
)
{
    /// <summary>Judges a tree.</summary>
    public SheetTree Of(TreeStatus status, TreeFacts facts)
    {
        int? size = null;
        if (facts.GirthCm is { } girth)
            for (var i = 0; i < Classes.Count && size is null; i++)
                if (Classes[i].Holds(girth))
                    size = i;
        var buds = facts.CountedBuds
            ?? (
                facts.ScannedBuds is { } scanned && Calibration is { Usable: true, Line: { } line }
                    ? Math.Max(0, line.At(scanned))
                    : null
            );
        // Without a trunk a tree is wanted to bear as the mean tree does.
        var share =
            facts.GirthCm is { } around && MeanWeight is > 0 and var mean
                ? Math.Pow(Trunk.CrossSectionCm2(around), Exponent) / mean
                : 1;
        var leaders = facts.LeaderBuds;
        double? imbalance =
            leaders.Count > 1 && leaders.Average() is > 0 and var each ? leaders.Max() / each - 1 : null;
        return new(status, size, buds, buds - BudsToLeave * share, imbalance);
    }

    /// <summary>How a place of a row stands.</summary>
    public static TreeStatus StatusOf(TreeRow row, int tree, bool counted) =>
        row.Missing.Contains(tree) ? TreeStatus.Missing
        : row.Replants.Contains(tree) ? TreeStatus.Replant
        : row.Pollinizers.Contains(tree) ? TreeStatus.Pollinizer
        : row.ToGrub.Contains(tree) ? TreeStatus.ToGrub
        : counted ? TreeStatus.Counted
        : TreeStatus.Bearing;
}
