namespace Rama.Core.Trees;

/// <summary>How the leaders of a tree stand.</summary>
public enum LeaderLayout
{
    /// <summary>One upright leader from the ground.</summary>
    Axis,

    /// <summary>Leaders side by side along the row, in one plane or in two that lean apart.</summary>
    Fan,

    /// <summary>Scaffolds that lean outward all round.</summary>
    Vase,
}

/// <summary>Where the buds sit that are counted.</summary>
public enum BearingWood
{
    /// <summary>On spurs along the limbs and at their ends.</summary>
    Spurs,

    /// <summary>At the base of one-year wood.</summary>
    ShootBases,

    /// <summary>One-year shoots, each counted as one.</summary>
    Shoots,
}

/// <summary>The shape of the typical grown tree of a training system, used where nothing else was counted.</summary>
/// <param name="Layout">How the leaders stand.</param>
/// <param name="Planes">Planes of the leaders: 2 for a V.</param>
/// <param name="LeanDeg">Lean of the leaders from the vertical, degrees.</param>
/// <param name="TrunkM">Height at which several leaders part, metres.</param>
/// <param name="TrunkMm">Trunk diameter, mm.</param>
/// <param name="HeightM">Height before pruning, metres.</param>
/// <param name="FirstLimbM">Height of the lowest limb, metres.</param>
/// <param name="Buds">Buds counted on such a tree.</param>
/// <param name="LimbMm">Mean diameter of its limbs, mm.</param>
/// <param name="LimbCv">Coefficient of variation of the diameter.</param>
/// <param name="MetresPerMm">Length of a limb for each mm of its diameter, metres.</param>
/// <param name="RiseLowDeg">Angle above the horizontal of the lowest limbs, degrees.</param>
/// <param name="RiseTopDeg">The same of the topmost.</param>
/// <param name="DroopDeg">How far a limb of mean length bends down to its tip, degrees.</param>
/// <param name="SpreadDeg">How far limbs turn from the row; 180 for all round.</param>
/// <param name="Tiers">Tiers the limbs stand in; 0 for none.</param>
/// <param name="AgeYears">Age of the oldest limbs, years.</param>
/// <param name="ForkShare">Share of limbs that fork.</param>
/// <param name="UprightShare">Water shoots as a share of the limbs.</param>
/// <param name="PendantShare">Share of limbs whose end hangs.</param>
/// <param name="UnsoundShare">Share of limbs dead, broken or diseased.</param>
/// <param name="ShootM">Length of last year's growth at the end of a limb, metres; 0 leaves it out.</param>
/// <param name="Bearing">Where the buds sit that are counted.</param>
/// <param name="BudsPerSite">Buds counted at one place, such as on a cherry spur.</param>
/// <param name="InnerVigour">Thickness of inner leaders against outer ones.</param>
/// <param name="InnerBuds">Buds for each cm² on inner leaders against outer ones.</param>
/// <param name="Source">Where the numbers come from.</param>
public sealed record TypicalTree(
    LeaderLayout Layout,
    int Planes,
    double LeanDeg,
    double TrunkM,
    double TrunkMm,
    double HeightM,
    double FirstLimbM,
    double Buds,
    double LimbMm,
    double LimbCv,
    double MetresPerMm,
    double RiseLowDeg,
    double RiseTopDeg,
    double DroopDeg,
    double SpreadDeg,
    int Tiers,
    int AgeYears,
    double ForkShare,
    double UprightShare,
    double PendantShare,
    double UnsoundShare,
    double ShootM,
    BearingWood Bearing,
    int BudsPerSite,
    double InnerVigour,
    double InnerBuds,
    string Source
)
{
    /// <summary>What makes the shape impossible, or null.</summary>
    internal string? Fault() =>
        this switch
        {
            { Planes: not (1 or 2) } => "planes must be 1 or 2",
            { LeanDeg: < 0 or > 80 } => "leanDeg must lie between 0 and 80",
            { HeightM: <= 0.5 or > 20 } => "heightM must lie above 0.5 and at most 20",
            { TrunkM: < 0 } or { FirstLimbM: < 0 } => "trunkM and firstLimbM must not be negative",
            var t when t.TrunkM >= t.HeightM => "trunkM must be below heightM: the leaders would have no length",
            var t when t.FirstLimbM >= t.HeightM => "firstLimbM must be below heightM",
            { TrunkMm: not (> 0 and <= 2_000) }
            or { LimbMm: not (> 0 and <= 1_000) }
            or { MetresPerMm: not (> 0 and <= 1) } =>
                "trunkMm must lie above 0 and at most 2 000, limbMm at most 1 000 and metresPerMm at most 1",
            { LimbCv: < 0 or > 1 } => "limbCv must lie between 0 and 1",
            { Buds: not (>= 0 and <= 5_000) } or { BudsPerSite: < 1 or > 50 } =>
                "buds must lie between 0 and 5 000 and budsPerSite between 1 and 50",
            { ForkShare: < 0 or > 1 }
            or { PendantShare: < 0 or > 1 }
            or { UnsoundShare: < 0 or > 1 }
            or { UprightShare: < 0 or > 5 } => "shares must lie between 0 and 1",
            { RiseLowDeg: not (>= -90 and <= 90) }
            or { RiseTopDeg: not (>= -90 and <= 90) }
            or { DroopDeg: not (>= -180 and <= 180) } =>
                "riseLowDeg and riseTopDeg must lie between -90 and 90, droopDeg between -180 and 180",
            { SpreadDeg: < 0 or > 180 } => "spreadDeg must lie between 0 and 180",
            { Tiers: < 0 or > 8 }
            or { AgeYears: < 1 or > 100 }
            or { ShootM: < 0 or > 3 }
            or { InnerVigour: not (> 0 and <= 10) }
            or { InnerBuds: not (>= 0 and <= 10) } =>
                "tiers 0 to 8, ageYears 1 to 100, shootM 0 to 3, innerVigour above 0 and innerBuds from 0, "
                    + "both at most 10, are expected",
            _ => null,
        };
}
