using System.Collections.Immutable;
using System.Runtime.InteropServices;

namespace Rama.Core.Trees;

/// <summary>Grows the limbs of a tree with their forks, extensions and water shoots.</summary>
internal sealed class LimbGrowth(TypicalTree shape, TreePlace place, TreeDraw draw, TreeDraw winding, List<Branch> wood)
{
    // Shape of wood nobody measures: assumptions, seen in the drawing and in which buds a cut takes.
    private const double GoldenAngleDeg = 137.5,
        AngleSdDeg = 10,
        PlaceNoise = 0.1,
        LimbTipShare = 0.3,
        LengthCv = 0.15,
        TurnsDeg = 7,
        RisesDeg = 5,
        UprightFromDeg = 60,
        OutwardSdDeg = 40;
    private const int RunPieces = 5;

    private static readonly Lognormal Length = new(new(1, LengthCv));

    /// <summary>Grows them on their leaders.</summary>
    public List<GrownLimb> Grow(TreeToGrow tree, List<Stem> stems)
    {
        var (heightM, limbs) = (tree.HeightM, tree.Limbs);
        // Lower limbs, on the thicker part of their leader, are mostly the thicker ones; the diameters
        // themselves stay as drawn.
        var places = limbs.Select((_, i) => (i + draw.Between(0.2, 0.8)) / limbs.Count).ToArray();
        var strength = places.Select(p => p + draw.Normal() * PlaceNoise).ToArray();
        var thickFirst = limbs.OrderByDescending(l => l.DiameterMm).ToArray();
        Array.Sort(strength, places);
        List<GrownLimb> grown = [];
        for (var i = 0; i < limbs.Count; i++)
        {
            var stem = stems[(int)(places[i] * limbs.Count) % stems.Count];
            var low = Math.Max(
                stem.Branch.Path[0].HeightM + (stems.Count > 1 ? 0.1 : 0),
                Math.Min(shape.FirstLimbM, heightM * 0.5)
            );
            var share = Tiered(places[i]);
            var at = stem.Branch.MetresToHeight(low + share * (heightM * 0.97 - low));
            grown.Add(Limb(stem, at, share, i, thickFirst[i]));
        }
        return grown;
    }

    // In tiers limbs stand close together around a few heights; the last leads to the tip.
    private double Tiered(double along) =>
        shape.Tiers == 0
            ? along
            : Math.Clamp((Math.Floor(along * shape.Tiers) + 0.1 + draw.Between(-0.06, 0.1)) / shape.Tiers, 0, 1);

    private GrownLimb Limb(Stem stem, double at, double share, int number, LimbToGrow limb)
    {
        var azimuth =
            shape.SpreadDeg >= 180
                ? number * GoldenAngleDeg + draw.Normal() * 15
                : (draw.Happens(0.5) ? 0 : 180) + draw.Normal() * shape.SpreadDeg / 2;
        // On a leaning plane fruit wood faces the alley, as far as it turns from the row at all.
        if (stem.Side != 0 && Math.Sign(Math.Sin(azimuth * Math.PI / 180)) != stem.Side && draw.Happens(0.75))
            azimuth = -azimuth;
        // Uprights of a vase stand as a bowl: each out over its own scaffold, none through the middle.
        if (shape.Layout == LeaderLayout.Vase && shape.RiseLowDeg > UprightFromDeg)
            azimuth = stem.Branch.AzimuthDeg + winding.Normal() * OutwardSdDeg;
        var length = Math.Clamp(
            limb.DiameterMm * shape.MetresPerMm * (1 + 0.12 * draw.Normal()) * winding.Positive(Length),
            0.15,
            Math.Max(0.5, place.RowSpacingM * 0.45)
        );
        var rise = Math.Clamp(
            shape.RiseLowDeg + (shape.RiseTopDeg - shape.RiseLowDeg) * share + draw.Normal() * AngleSdDeg,
            -50,
            88
        );
        var droop =
            shape.DroopDeg * Math.Min(2, length / (shape.LimbMm * shape.MetresPerMm)) * draw.Between(0.5, 1.5)
            + (draw.Happens(shape.PendantShare) ? 55 : 0);
        var age = Math.Clamp(
            (int)Math.Round(shape.AgeYears * limb.DiameterMm / (shape.LimbMm * 1.35) + draw.Normal() * 0.6),
            1,
            Math.Max(1, shape.AgeYears)
        );
        var state = draw.Happens(shape.UnsoundShare) ? (WoodState)(1 + (int)(draw.Uniform() * 3)) : WoodState.Sound;
        var branch = wood.Grow(
            new(
                wood.Count,
                stem.Branch.Id,
                at,
                BranchKind.Limb,
                limb.DiameterMm,
                limb.DiameterMm * LimbTipShare,
                azimuth,
                rise,
                age,
                state,
                Run(stem.Branch.PointAt(at), azimuth, rise, droop, length)
            )
        );

        List<Branch> carrying = [branch];
        if (limb.Forked && length > 0.25)
        {
            var forkAt = length * draw.Between(0.3, 0.5);
            var turn = draw.Between(18, 32) * (draw.Happens(0.5) ? 1 : -1);
            var steeper = draw.Between(12, 34) * (draw.Happens(0.7) ? 1 : -1);
            var here = RiseAt(branch, forkAt);
            var mm = branch.DiameterAt(forkAt) * draw.Between(0.7, 0.95);
            carrying.Add(
                wood.Grow(
                    new(
                        wood.Count,
                        branch.Id,
                        forkAt,
                        BranchKind.Arm,
                        mm,
                        mm * 0.45,
                        azimuth + turn,
                        here + steeper,
                        Math.Max(1, age - 1),
                        state,
                        Run(
                            branch.PointAt(forkAt),
                            azimuth + turn,
                            Math.Min(80, here + steeper),
                            droop * 0.5,
                            (length - forkAt) * draw.Between(0.7, 1)
                        )
                    )
                )
            );
        }
        if (shape.ShootM > 0)
        {
            var shootM = shape.ShootM * Math.Clamp(1 + 0.35 * draw.Normal(), 0.3, 2);
            var tip = RiseAt(branch, length);
            wood.Grow(
                new(
                    wood.Count,
                    branch.Id,
                    length,
                    BranchKind.Shoot,
                    branch.TipMm,
                    branch.TipMm * 0.6,
                    azimuth,
                    tip,
                    1,
                    state,
                    Run(branch.PointAt(length), azimuth, tip + 4, -4, shootM)
                )
            );
        }
        if (draw.Happens(shape.UprightShare))
        {
            var from = length * draw.Between(0.1, 0.45);
            var turn = azimuth + draw.Normal() * 30;
            var rise2 = draw.Between(68, 86);
            var mm = Math.Min(branch.DiameterAt(from) * 0.8, draw.Between(7, 12));
            var upright = wood.Grow(
                new(
                    wood.Count,
                    branch.Id,
                    from,
                    BranchKind.Shoot,
                    mm,
                    mm * 0.5,
                    turn,
                    rise2,
                    draw.Happens(0.5) ? 1 : 2,
                    WoodState.Sound,
                    Run(branch.PointAt(from), turn, rise2, 4, draw.Between(0.35, 0.8))
                )
            );
            if (upright.AgeYears > 1)
                carrying.Add(upright);
        }
        return new(branch, carrying, limb.FloralBuds, stem.Inner);
    }

    private static double RiseAt(Branch branch, double metres)
    {
        var (from, to) = (
            branch.PointAt(Math.Max(0, metres - 0.05)),
            branch.PointAt(Math.Min(branch.LengthM, metres + 0.05))
        );
        var length = from.To(to);
        return length <= 0
            ? branch.RiseDeg
            : Math.Asin(Math.Clamp((to.HeightM - from.HeightM) / length, -1, 1)) * 180 / Math.PI;
    }

    private ImmutableArray<Point> Run(Point from, double azimuthDeg, double riseDeg, double droopDeg, double lengthM)
    {
        var path = new Point[RunPieces + 1];
        var piece = lengthM / RunPieces;
        path[0] = from;
        for (var p = 0; p < RunPieces; p++)
        {
            // It leaves its leader as told, and winds on the way.
            if (p > 0)
                (azimuthDeg, riseDeg) = (
                    azimuthDeg + winding.Normal() * TurnsDeg,
                    riseDeg + winding.Normal() * RisesDeg
                );
            var (sin, cos) = Math.SinCos(azimuthDeg * Math.PI / 180);
            var rise = Math.Clamp(riseDeg - droopDeg * (p + 0.5) / RunPieces, -85, 88);
            var (up, flat) = Math.SinCos(rise * Math.PI / 180);
            path[p + 1] = new(
                path[p].AlongM + piece * flat * cos,
                path[p].AcrossM + piece * flat * sin,
                path[p].HeightM + piece * up
            );
        }
        return ImmutableCollectionsMarshal.AsImmutableArray(path);
    }
}
