using Rama.Core.Crops;
using Rama.Core.Systems;

namespace Rama.Core.Estate;

/// <summary>Trees of one variety, rootstock, system, spacing and year within a block.</summary>
/// <param name="Site">Site of the block; null where none is named.</param>
/// <param name="Block">Short name of the block.</param>
/// <param name="Code">Short name of the planting.</param>
/// <param name="Name">Name of the planting.</param>
/// <param name="Variety">What is grown.</param>
/// <param name="Rootstock">What it grows on.</param>
/// <param name="System">How it is trained.</param>
/// <param name="YearPlanted">Calendar year of planting.</param>
/// <param name="Leaf">Growing season since planting in the season planned for; the planting year is 1.</param>
/// <param name="Form">Spacing, area and gaps in SI.</param>
public sealed record Planting(
    string? Site,
    string Block,
    string Code,
    string Name,
    Variety Variety,
    Rootstock Rootstock,
    TrainingSystem System,
    int YearPlanted,
    int Leaf,
    PlantingForm Form
)
{
    // Where the system says nothing of it: common practice, no source.
    private const int FirstCropLeaf = 3;

    /// <summary>Code and name; the code alone where it has no other name.</summary>
    public string Title => Name == Code ? Code : $"{Code} {Name}";

    /// <summary>
    /// Whether a crop would compete with its growth: it is trained and not asked for fruit before the first crop
    /// leaf of its system.
    /// </summary>
    public bool IsYoung => Leaf < (System.Training?.FirstCropLeaf ?? FirstCropLeaf);
}
