using Rama.Core.Explain;
using Rama.Core.Target.Sharing;

namespace Rama.Core.Count.Estimate;

/// <summary>Share of the trees in a trunk class.</summary>
/// <param name="Name">Name of the class.</param>
/// <param name="FromGirthCm">Smallest girth, cm; null in the first class.</param>
/// <param name="ToGirthCm">Girth from which the next class begins, cm; null in the last.</param>
/// <param name="Share">Share of the trees.</param>
/// <param name="MeanTcsaCm2">Mean cross-section of its trunks, cm²; null where it was not kept.</param>
/// <param name="TcsaCv">Coefficient of variation of the cross-section within the class.</param>
public sealed record TrunkShare(
    string Name,
    double? FromGirthCm,
    double? ToGirthCm,
    double Share,
    double? MeanTcsaCm2 = null,
    double TcsaCv = 0
)
{
    /// <summary>Whether a trunk belongs to the class.</summary>
    public bool Holds(double girthCm) => TrunkClass.Within(girthCm, FromGirthCm, ToGirthCm);
}

/// <summary>Buds a scanner gave one tree.</summary>
/// <param name="Row">Row number.</param>
/// <param name="Tree">Tree in the row.</param>
/// <param name="Buds">Buds as the scanner saw them.</param>
public sealed record ScannedTree(int Row, int Tree, double Buds);

/// <summary>What is known of trees that nobody counted: every trunk, and what a scanner saw.</summary>
/// <param name="Trunks">Trunks measured.</param>
/// <param name="MeanTcsaCm2">Their mean cross-section, cm²; null where none was measured.</param>
/// <param name="Classes">Trunk classes; empty where too few trunks were measured.</param>
/// <param name="Scanned">Trees with buds from a scanner.</param>
/// <param name="MeanScannedBuds">Mean of the scanned buds; null without a scan.</param>
/// <param name="ScannedAt">Scanned buds of the trees that were counted by hand too.</param>
public sealed record MeasuredTrees(
    int Trunks,
    double? MeanTcsaCm2,
    IReadOnlyList<TrunkShare> Classes,
    int Scanned = 0,
    double? MeanScannedBuds = null,
    IReadOnlyList<ScannedTree>? ScannedAt = null
)
{
    /// <summary>Nothing known.</summary>
    public static readonly MeasuredTrees None = new(0, null, []);

    /// <summary>Tells where the numbers cannot be what they say.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public MeasuredTrees Read()
    {
        var reader = new EntryReader();
        reader.InRange("trunks", "Trunks measured", Trunks, "tree", 0, 10_000_000);
        reader.Optional("meanTcsaCm2", "Mean cross-section", MeanTcsaCm2, "cm²", 0.01, 10_000);
        reader.InRange("scanned", "Trees scanned", Scanned, "tree", 0, 10_000_000);
        reader.Optional("meanScannedBuds", "Mean of the scan", MeanScannedBuds, "bud/tree", 0, 40_000);
        if (
            Classes.Count > 10
            || (Classes.Count > 0 && Math.Abs(Classes.Sum(c => c.Share) - 1) > 0.001)
            || Classes.Any(c => !(c.Share > 0))
        )
            reader.Add("classes", "range", "Trunk classes: expected shares above 0 that add up to 1.");
        if (Classes.Any(c => c.MeanTcsaCm2 is not (null or (> 0 and <= 10_000)) || !(c.TcsaCv is >= 0 and <= 5)))
            reader.Add("classes", "range", "Trunk classes: expected cross-sections up to 10000 cm².");
        if (ScannedAt?.Count > SurveyEntry.MostTrees || ScannedAt?.Any(t => !(t.Buds is >= 0 and <= 40_000)) == true)
            reader.Add("scannedAt", "range", "Scanned trees: expected buds from 0 to 40000.");
        reader.ThrowIfAny();
        return this;
    }
}
