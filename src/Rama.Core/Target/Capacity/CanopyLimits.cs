using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Systems;

namespace Rama.Core.Target.Capacity;

/// <summary>One limit to the height of a canopy.</summary>
/// <param name="Code">Stable name: <c>row</c>, <c>alley</c>, <c>shade</c>.</param>
/// <param name="HeightM">Height it allows right after pruning, metres.</param>
/// <param name="Binds">Whether it is the lowest.</param>
public sealed record HeightLimit(string Code, double HeightM, bool Binds);

/// <summary>The two planes of a V.</summary>
/// <param name="SlantM">Length of a plane along its slant, metres.</param>
/// <param name="SpreadM">Distance of the planes at the top, metres.</param>
/// <param name="AlleyM">Clear alley left between two rows at the top, metres.</param>
public sealed record VGeometry(double SlantM, double SpreadM, double AlleyM);

/// <summary>How high and wide a canopy may be.</summary>
/// <param name="HeightM">Height right after pruning, metres.</param>
/// <param name="Limits">What limits it.</param>
/// <param name="ToCutM">Metres the trees stand above it; negative where they are below, null where the height was not
/// measured.</param>
/// <param name="ReachAlongM">How far a limb may reach along the row, metres.</param>
/// <param name="ReachAcrossM">How far a limb may reach across the row, metres.</param>
/// <param name="V">Geometry of a V at that height; null for other canopies.</param>
/// <param name="LeaderSpacingM">Metres between leaders of a plane; null for one leader.</param>
/// <param name="Steps">The arithmetic.</param>
/// <param name="Warnings">What is unusual.</param>
public sealed record CanopyLimits(
    double HeightM,
    IReadOnlyList<HeightLimit> Limits,
    double? ToCutM,
    double ReachAlongM,
    double ReachAcrossM,
    VGeometry? V,
    double? LeaderSpacingM,
    IReadOnlyList<Step> Steps,
    IReadOnlyList<Notice> Warnings
) : Calculated(HeightM, "m", Steps, Warnings)
{
    /// <summary>Usual height over row spacing (common practice, no source).</summary>
    public const double SpindleFactor = 0.9,
        WallFactor = 1.0,
        BroadRowFactor = 0.8,
        BroadAlleyFactor = 2.5;

    /// <summary>
    /// Usual angle of the planes of a V from the vertical, degrees, and its usual height in metres (common practice, no
    /// source).
    /// </summary>
    public const double UsualAngleDeg = 15,
        UsualVHeightM = 2.5;

    // Below this a V is no use as one, and below that nothing stands: assumptions. Half of the last digit shown
    // is no difference.
    private const double UsualRegrowthM = 0.6,
        WholeLeaders = 0.02,
        LeastVHeightM = 1.5,
        NoRoomM = 0.5,
        Shown = 0.05;

    /// <summary>Limits of a canopy on its ground.</summary>
    /// <param name="kind">How the canopy fills its row.</param>
    /// <param name="form">Spacing.</param>
    /// <param name="canopy">What was measured and is wanted.</param>
    /// <param name="leaders">Leaders of a tree of the system.</param>
    public static CanopyLimits Of(CanopyKind kind, PlantingForm form, Canopy canopy, int leaders = 1)
    {
        List<Step> steps = [];
        List<Notice> warnings = [];
        Figure row = new("row spacing", form.RowSpacingM, "m"),
            alley = new("clear alley", canopy.AlleyM, "m");
        var regrowth = canopy.RegrowthM ?? UsualRegrowthM;
        List<(string Code, double HeightM)> limits = [];
        switch (kind)
        {
            case CanopyKind.Broad:
                limits.Add(("row", BroadRowFactor * form.RowSpacingM - regrowth));
                limits.Add(("alley", BroadAlleyFactor * canopy.AlleyM - regrowth));
                Figure grows = new("growth of a season", regrowth, "m");
                steps.Add(
                    new(
                        "canopy.row",
                        "row spacing × height factor − growth of a season",
                        new("height by row spacing", limits[0].HeightM, "m"),
                        [row, new("height factor", BroadRowFactor, "1"), grows],
                        Sources.Practice
                    )
                );
                steps.Add(
                    new(
                        "canopy.alley",
                        "clear alley × alley factor − growth of a season",
                        new("height by alley", limits[1].HeightM, "m"),
                        [alley, new("alley factor", BroadAlleyFactor, "1"), grows],
                        Sources.Practice
                    )
                );
                if (canopy.RegrowthM is null)
                    warnings.Add(
                        new(
                            "canopy.regrowth",
                            $"Growth of a season is taken as {UsualRegrowthM} m. Measure last year's extension "
                                + "at the top.",
                            new Figure("growth of a season", UsualRegrowthM, "m")
                        )
                    );
                break;
            case CanopyKind.OpenV:
                limits.Add(("usual", UsualVHeightM));
                var slope = 2 * Math.Tan(Radians(canopy.AngleDeg ?? UsualAngleDeg));
                limits.Add(
                    ("alley", (form.RowSpacingM - canopy.BaseGapM - 2 * canopy.OverhangM - canopy.AlleyM) / slope)
                );
                steps.Add(
                    new(
                        "canopy.alley",
                        "(row spacing − gap at the base − 2 × overhang − clear alley) ÷ (2 × tan angle)",
                        new("height by alley", limits[1].HeightM, "m"),
                        [
                            row,
                            new("gap at the base", canopy.BaseGapM, "m"),
                            new("overhang", canopy.OverhangM, "m"),
                            alley,
                            new("angle", canopy.AngleDeg ?? UsualAngleDeg, "°"),
                        ],
                        "geometry of the V"
                    )
                );
                break;
            default:
                var factor = canopy.HeightFactor ?? (kind == CanopyKind.Wall ? WallFactor : SpindleFactor);
                limits.Add(("row", factor * form.RowSpacingM));
                steps.Add(
                    new(
                        "canopy.row",
                        "row spacing × height factor",
                        new("height by row spacing", limits[0].HeightM, "m"),
                        [row, new("height factor", factor, "1")],
                        canopy.HeightFactor is null ? Sources.Practice : Sources.Entered
                    )
                );
                break;
        }
        // Where more is asked for than there is room, there is no height, not one below the ground.
        var lowest = limits.Min(l => l.HeightM);
        var height = Math.Max(0, lowest);
        if (kind == CanopyKind.OpenV && height is > NoRoomM and < LeastVHeightM)
            warnings.Add(
                new(
                    "canopy.angle",
                    $"Planes at {canopy.AngleDeg ?? UsualAngleDeg:0}° from the vertical do not fit rows of "
                        + $"{form.RowSpacingM:0.0} m: to keep the alley they may stand only {height:0.0} m high. "
                        + "Take a steeper angle or wider rows.",
                    new("angle", canopy.AngleDeg ?? UsualAngleDeg, "°"),
                    row,
                    new("height after pruning", height, "m")
                )
            );
        if (height <= NoRoomM)
            warnings.Add(
                new(
                    "canopy.no-room",
                    $"The clear alley of {canopy.AlleyM:0.0} m leaves no room for trees of this form in rows of "
                        + $"{form.RowSpacingM:0.0} m. Check row spacing, alley and angle.",
                    alley,
                    row
                )
            );

        double? toCut = canopy.HeightM - height;
        if (canopy.HeightM is { } stands)
        {
            steps.Add(
                new(
                    "canopy.to-cut",
                    "height measured − height after pruning",
                    new("above the limit", toCut!.Value, "m"),
                    [new("height measured", stands, "m"), new("height after pruning", height, "m")],
                    Sources.Definition
                )
            );
            if (toCut > 0.05)
                warnings.Add(
                    new(
                        "canopy.too-high",
                        $"The trees stand {stands:0.0} m high, {toCut:0.0} m above what the rows carry. Bring "
                            + "leaders back to a weak side shoot; never to a strong upright.",
                        new("height measured", stands, "m"),
                        new("above the limit", toCut.Value, "m")
                    )
                );
        }
        VGeometry? v = kind == CanopyKind.OpenV ? Planes(height, form, canopy, steps) : null;
        if (v is { AlleyM: < Canopy.LeastAlleyM - Shown })
            warnings.Add(
                new(
                    "canopy.narrow-top",
                    $"At the top only {v.AlleyM:0.0} m of alley stay clear.",
                    new Figure("alley at the top", v.AlleyM, "m")
                )
            );
        var along = form.TreeSpacingM / 2 + canopy.OverlapM;
        var across = Math.Max(0, (form.RowSpacingM - canopy.AlleyM) / 2);
        steps.Add(
            new(
                "canopy.along",
                "tree spacing ÷ 2 + overlap",
                new("reach along the row", along, "m"),
                [new("tree spacing", form.TreeSpacingM, "m"), new("overlap", canopy.OverlapM, "m")],
                Sources.Definition
            )
        );
        steps.Add(
            new(
                "canopy.across",
                "(row spacing − clear alley) ÷ 2",
                new("reach across the row", across, "m"),
                [row, alley],
                Sources.Definition
            )
        );
        return new(
            height,
            [.. limits.Select(l => new HeightLimit(l.Code, l.HeightM, l.HeightM <= lowest))],
            toCut,
            along,
            across,
            v,
            Leaders(kind, form, canopy, canopy.Leaders ?? leaders, steps, warnings),
            steps,
            warnings
        );
    }

    /// <summary>A V of a height: slant h ÷ cos θ, spread 2·h·tan θ + gap.</summary>
    /// <param name="heightM">Vertical height, metres.</param>
    /// <param name="angleDeg">Angle of each plane from the vertical, degrees.</param>
    /// <param name="rowSpacingM">Metres between rows.</param>
    /// <param name="baseGapM">Distance of the planes at the base, metres.</param>
    /// <param name="overhangM">Overhang of shoots on each side, metres.</param>
    public static VGeometry VOf(
        double heightM,
        double angleDeg,
        double rowSpacingM,
        double baseGapM = 0,
        double overhangM = 0
    )
    {
        var spread = 2 * heightM * Math.Tan(Radians(angleDeg)) + baseGapM;
        return new(heightM / Math.Cos(Radians(angleDeg)), spread, rowSpacingM - spread - 2 * overhangM);
    }

    private static VGeometry Planes(double height, PlantingForm form, Canopy canopy, List<Step> steps)
    {
        var angle = canopy.AngleDeg ?? UsualAngleDeg;
        var v = VOf(height, angle, form.RowSpacingM, canopy.BaseGapM, canopy.OverhangM);
        Figure high = new("height after pruning", height, "m"),
            slant = new("angle", angle, "°");
        steps.Add(
            new(
                "canopy.slant",
                "height ÷ cos angle",
                new("length of a plane", v.SlantM, "m"),
                [high, slant],
                "geometry of the V"
            )
        );
        steps.Add(
            new(
                "canopy.spread",
                "2 × height × tan angle + gap at the base",
                new("spread at the top", v.SpreadM, "m"),
                [high, slant, new("gap at the base", canopy.BaseGapM, "m")],
                "geometry of the V"
            )
        );
        steps.Add(
            new(
                "canopy.alley-top",
                "row spacing − spread − 2 × overhang",
                new("alley at the top", v.AlleyM, "m"),
                [
                    new("row spacing", form.RowSpacingM, "m"),
                    new("spread at the top", v.SpreadM, "m"),
                    new("overhang", canopy.OverhangM, "m"),
                ],
                "geometry of the V"
            )
        );
        return v;
    }

    private static double? Leaders(
        CanopyKind kind,
        PlantingForm form,
        Canopy canopy,
        int leaders,
        List<Step> steps,
        List<Notice> warnings
    )
    {
        var planes = kind == CanopyKind.OpenV ? 2 : 1;
        if (leaders > 1 && leaders % planes != 0)
            warnings.Add(
                new(
                    "canopy.uneven-planes",
                    $"{leaders} leaders do not divide between two planes. One plane will carry more than the other.",
                    new Figure("leaders", leaders, "leader/tree")
                )
            );
        if (canopy.LeaderSpacingM is { } wanted)
        {
            var perPlane = form.TreeSpacingM / wanted;
            var whole = Math.Max(1, Math.Round(perPlane));
            if (Math.Abs(perPlane - whole) > WholeLeaders * whole)
                warnings.Add(
                    new(
                        "canopy.leader-spacing",
                        $"Leaders {wanted:0.00} m apart do not divide trees {form.TreeSpacingM:0.00} m apart: "
                            + $"{perPlane:0.0} a plane. With {whole:0} they stand {form.TreeSpacingM / whole:0.00} m "
                            + "apart.",
                        new("leader spacing wanted", wanted, "m"),
                        new("leaders of a plane", perPlane, "1"),
                        new("leaders of a plane, whole", whole, "1"),
                        new("leader spacing", form.TreeSpacingM / whole, "m")
                    )
                );
        }
        if (leaders == 1)
            return null;
        var apart = LeaderSpacing.MetresApart(form.TreeSpacingM, leaders, planes);
        steps.Add(
            new(
                "canopy.leaders",
                "tree spacing × planes ÷ leaders",
                new("leader spacing", apart, "m"),
                [
                    new("tree spacing", form.TreeSpacingM, "m"),
                    new("planes", planes, "1"),
                    new("leaders", leaders, "leader/tree"),
                ],
                Sources.Definition
            )
        );
        return apart;
    }

    private static double Radians(double degrees) => degrees * Math.PI / 180;
}
