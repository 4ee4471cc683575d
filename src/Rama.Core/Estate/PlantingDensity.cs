using Rama.Core.Explain;

namespace Rama.Core.Estate;

/// <summary>How many trees stand on the ground and how many of them bear.</summary>
/// <param name="TreesPerHa">Tree positions per hectare.</param>
/// <param name="BearingTreesPerHa">Trees per hectare that stand and are picked.</param>
/// <param name="TreePlaces">Tree positions in the planting.</param>
/// <param name="BearingTrees">Trees in the planting that stand and are picked.</param>
/// <param name="RowMetresPerHa">Metres of row per hectare.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record PlantingDensity(
    double TreesPerHa,
    double BearingTreesPerHa,
    double TreePlaces,
    double BearingTrees,
    double RowMetresPerHa,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(BearingTreesPerHa, "tree/ha", Steps, Warnings)
{
    private const double SquareMetresPerHa = 10_000;

    // Headlands and turning room commonly take some per cent (common practice, no source).
    private const double ListedPlacesTolerance = 0.1;

    /// <summary>
    /// Trees per hectare = 10 000 m² ÷ (row spacing × tree spacing), less the missing and the unpicked. Where rows are
    /// listed, they tell who is missing and unpicked.
    /// </summary>
    public static PlantingDensity Of(PlantingForm form, RowList? rows = null)
    {
        form = rows?.Refine(form) ?? form;
        var perHa = SquareMetresPerHa / (form.RowSpacingM * form.TreeSpacingM);
        var bearing = perHa * (1 - form.MissingShare) * (1 - form.PollinizerShare);
        Figure row = new("row spacing", form.RowSpacingM, "m"),
            tree = new("tree spacing", form.TreeSpacingM, "m");
        Figure places = new("tree positions", perHa, "tree/ha"),
            bears = new("bearing trees", bearing, "tree/ha");
        Figure area = new("area", form.AreaHa, "ha");
        Step[] steps =
        [
            new(
                "density.tree-places",
                "a unit of area ÷ (row spacing × tree spacing)",
                places,
                [row, tree],
                Sources.SpacingTables
            ),
            new(
                "density.bearing-trees",
                "tree positions × (1 − missing) × (1 − pollinizers)",
                bears,
                [places, new("missing", form.MissingShare, "share"), new("pollinizers", form.PollinizerShare, "share")],
                Sources.Definition
            ),
            new(
                "density.trees",
                "bearing trees × area",
                new("bearing trees in the planting", bearing * form.AreaHa, "tree"),
                [bears, area],
                Sources.Definition
            ),
        ];
        return new(
            perHa,
            bearing,
            perHa * form.AreaHa,
            bearing * form.AreaHa,
            SquareMetresPerHa / form.RowSpacingM,
            [.. rows?.Steps ?? [], .. steps],
            Warn(form, perHa, rows)
        );
    }

    private static List<Notice> Warn(PlantingForm form, double perHa, RowList? rows)
    {
        List<Notice> warnings = [];
        if (perHa is < 200 or > 8_000)
            warnings.Add(
                new(
                    "density.unusual",
                    $"{perHa:0} trees per hectare is unusual for a high-density planting. Check that row and "
                        + "tree spacing are in the unit you meant.",
                    new Figure("tree positions", perHa, "tree/ha")
                )
            );
        if (form.TreeSpacingM > form.RowSpacingM)
            warnings.Add(
                new(
                    "density.swapped",
                    "Trees stand further apart in the row than the rows do. Check that the two spacings are "
                        + "not swapped."
                )
            );
        if (form.MissingShare > 0.15)
            warnings.Add(
                new(
                    "density.gaps",
                    $"{form.MissingShare * 100:0} % of the trees are missing. The standing trees are asked to "
                        + "carry the whole yield; consider replanting or a lower target.",
                    new Figure("missing", form.MissingShare, "share")
                )
            );
        if (rows is not null && Math.Abs(rows.Places / (perHa * form.AreaHa) - 1) > ListedPlacesTolerance)
            warnings.Add(
                new(
                    "density.rows-differ",
                    $"The rows list {rows.Places} tree positions, spacing and area give {perHa * form.AreaHa:0}. "
                        + "Check area, spacing and rows; headlands and gaps explain small differences.",
                    new("tree positions listed", rows.Places, "tree"),
                    new("tree positions", perHa * form.AreaHa, "tree")
                )
            );
        return warnings;
    }
}
