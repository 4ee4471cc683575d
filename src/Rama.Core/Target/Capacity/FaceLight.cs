using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Target.Capacity;

/// <summary>How much of the day the sun reaches each face of a row, by height, past the row beside it.</summary>
/// <param name="Heights">From the foot of the canopy to its top.</param>
/// <param name="LowestThird">Share of the daylight the lowest third of both faces is lit, in the mean.</param>
/// <param name="Lower">The same with a lower canopy.</param>
/// <param name="LowerByM">How much lower, metres.</param>
/// <param name="Wider">The same with a wider alley.</param>
/// <param name="WiderByM">How much wider, metres.</param>
/// <param name="DepthM">Depth of the canopy across the row, metres.</param>
/// <param name="AlleyM">Clear alley between the faces, metres.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record FaceLight(
    IReadOnlyList<LitHeight> Heights,
    double LowestThird,
    double Lower,
    double LowerByM,
    double Wider,
    double WiderByM,
    double DepthM,
    double AlleyM,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(LowestThird, "share", Steps, Warnings)
{
    private const int MinutesApart = 4,
        Levels = 12,
        LowLevels = Levels / 3;

    // What is tried beside what stands.
    private const double StepLowerM = 0.3,
        StepWiderM = 0.5;

    // Below this share little is set and coloured in the low canopy: assumption.
    private const double TooDark = 0.15;

    /// <summary>Follows the sun over a day.</summary>
    /// <param name="place">Where and how the rows lie.</param>
    /// <param name="rowM">Metres between rows.</param>
    /// <param name="heightM">Height of the canopy, metres.</param>
    /// <param name="depthM">Depth of the canopy across the row, metres.</param>
    /// <remarks>
    /// The row beside is taken as a wall of the same height: a face is lit at a height where the sun stands on its side
    /// and the wall's shadow ends below, height − alley × tan elevation ÷ |sin (sun − row)|. Light through leaves and
    /// from the sky is not told. Source: derived; position of the sun: Astronomical Almanac, low precision.
    /// </remarks>
    public static FaceLight Of(RowDirection place, double rowM, double heightM, double depthM)
    {
        var sun = SunOver(place);
        var alley = rowM - depthM;
        var heights = Lit(sun, heightM, alley);
        var low = LowOf(heights);
        List<Notice> warnings = [];
        if (low < TooDark)
            warnings.Add(
                new(
                    "row-light.dark",
                    $"The lowest third is lit for {low * 100:0} % of the day only: little sets and colours there.",
                    new Figure("lowest third lit", low, "share")
                )
            );
        Figure lit = new("lowest third lit", low, "share");
        return new(
            heights,
            low,
            LowOf(Lit(sun, Math.Max(0.5, heightM - StepLowerM), alley)),
            StepLowerM,
            LowOf(Lit(sun, heightM, alley + StepWiderM)),
            StepWiderM,
            depthM,
            alley,
            [
                new(
                    "row-light.shadow",
                    "height − alley × tan elevation ÷ |sin (sun − row)|, over the day",
                    lit,
                    [
                        new("height", heightM, "m"),
                        new("alley", alley, "m"),
                        new("latitude", place.LatitudeDeg, "°"),
                        new("direction of the row", place.RowAzimuthDeg, "°"),
                    ],
                    "derived; position of the sun: Astronomical Almanac, low precision"
                ),
            ],
            warnings
        );
    }

    private static List<(double Side, double Tan)> SunOver(RowDirection place)
    {
        var midnight = new DateTimeOffset(place.Day.ToDateTime(default), TimeSpan.Zero).AddHours(
            -place.LongitudeDeg / 15
        );
        return
        [
            .. from step in Enumerable.Range(0, 24 * 60 / MinutesApart)
            let sun = SunPosition.At(midnight.AddMinutes(step * MinutesApart), place.LatitudeDeg, place.LongitudeDeg)
            where sun.ElevationDeg > 0
            select (
                Math.Sin((sun.AzimuthDeg - place.RowAzimuthDeg) * Math.PI / 180),
                Math.Tan(sun.ElevationDeg * Math.PI / 180)
            ),
        ];
    }

    private static List<LitHeight> Lit(List<(double Side, double Tan)> sun, double heightM, double alleyM)
    {
        // Each level is told at its middle.
        double At(int level) => heightM * (level + 0.5) / Levels;
        double Share(double height, int face) =>
            sun.Count(s => s.Side * face > 0 && height > heightM - alleyM * s.Tan / Math.Abs(s.Side))
            / (double)Math.Max(1, sun.Count);
        return [.. Enumerable.Range(0, Levels).Select(l => new LitHeight(At(l), Share(At(l), -1), Share(At(l), 1)))];
    }

    private static double LowOf(IReadOnlyList<LitHeight> heights) =>
        heights.Take(LowLevels).Average(h => (h.Left + h.Right) / 2);
}

/// <summary>Light on the two faces of a row at a height.</summary>
/// <param name="HeightM">The height, metres.</param>
/// <param name="Left">Share of the daylight the left face is lit there, looking along the row's direction.</param>
/// <param name="Right">The same of the right face.</param>
public sealed record LitHeight(double HeightM, double Left, double Right);

/// <summary>Rows and their canopy, as typed.</summary>
public sealed record FaceLightEntry
{
    // Depth of a narrow canopy where nobody says: assumption.
    private const double UsualDepthM = 1;

    /// <summary>Where and how the rows lie.</summary>
    public RowLightEntry Rows { get; init; } = new();

    /// <summary>Metres between rows.</summary>
    public Amount? RowSpacing { get; init; }

    /// <summary>Height of the canopy.</summary>
    public Amount? Height { get; init; }

    /// <summary>Depth of the canopy across the row; 1 m when left out.</summary>
    public Amount? Depth { get; init; }

    /// <summary>Works it out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public FaceLight Calculate()
    {
        var reader = new EntryReader();
        var rows = reader.Under("rows", Rows.Read);
        var row = reader.Required("rowSpacing", "Row spacing", RowSpacing, Units.Length, 1, 15);
        var height = reader.Required("height", "Height", Height, Units.Length, 0.5, 12);
        var depth = reader.Optional("depth", "Depth of the canopy", Depth, Units.Length, 0.1, 10) ?? UsualDepthM;
        if (row - depth < 0.3)
            reader.Add("depth", "conflict", "Depth of the canopy: no alley is left between the rows.");
        reader.ThrowIfAny();
        return FaceLight.Of(rows!, row, height, depth);
    }
}
