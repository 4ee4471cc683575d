using System.Collections.Immutable;
using System.Runtime.InteropServices;

namespace Rama.Core.Trees;

/// <summary>
/// Makes typical trees of a planting from its counts. Over many trees trunks, floral buds, limbs and limb diameters
/// have the
/// means and spreads counted; where on a tree they sit follows the system's shape. The same seed makes the same tree.
/// </summary>
public sealed class TreeGenerator
{
    // Shape of wood nobody measures: assumptions, seen in the drawing and in which buds a cut takes.
    private const double GoldenAngleDeg = 137.5,
        AngleSdDeg = 10,
        PlaceNoise = 0.1,
        LeaderTipMm = 7,
        LimbTipShare = 0.35,
        BudNoiseCv = 0.35;

    // How closely buds go with the trunk from tree to tree, as a correlation: assumption.
    private const double BudsToTrunk = 0.7;
    private const int PathPieces = 5,
        RunPieces = 4;

    private readonly TypicalTree _shape;
    private readonly TreePlace _place;

    /// <summary>A generator of one system on one ground.</summary>
    public TreeGenerator(TypicalTree shape, TreePlace place) => (_shape, _place) = (shape, place);

    /// <summary>Makes trees.</summary>
    /// <param name="counts">What the trees are to have in the mean and spread.</param>
    /// <param name="trees">How many.</param>
    /// <param name="seed">Seed.</param>
    public IReadOnlyList<FruitTree> Make(TreeCounts counts, int trees, int seed) =>
        [.. Enumerable.Range(0, trees).Select(i => Make(counts, unchecked(seed * 7919 + i)))];

    /// <summary>Makes one tree.</summary>
    public FruitTree Make(TreeCounts counts, int seed)
    {
        var draw = new TreeDraw(seed);
        var vigour = draw.Normal();
        var trunkMm = Math.Sqrt(TreeDraw.Positive(counts.TcsaCm2, vigour) * 400 / Math.PI);
        var limbs = Math.Max(0, draw.Whole(counts.Limbs.Mean * (1 + counts.Limbs.Cv * draw.Normal())));
        var diameters = LimbDiameters.Draw(limbs, counts, trunkMm, draw);
        var budsToo = BudsToTrunk * vigour + Math.Sqrt(1 - BudsToTrunk * BudsToTrunk) * draw.Normal();
        var buds = draw.Whole(TreeDraw.Positive(counts.FloralBuds, budsToo));
        var height = Math.Max(_shape.TrunkM + 0.2, draw.Positive(counts.HeightM));
        return Grow(
            draw,
            trunkMm,
            counts.Leaders,
            height,
            [.. diameters.Select(d => new LimbToGrow(d, draw.Happens(counts.ForkShare), null))],
            buds,
            counts.FloralShare
        );
    }

    /// <summary>
    /// A counted tree whose limbs were measured, as its own model: its limbs and their buds are as counted, their
    /// places as usual for the system.
    /// </summary>
    /// <param name="trunkMm">Trunk diameter, mm.</param>
    /// <param name="leaders">Leaders.</param>
    /// <param name="heightM">Height, metres.</param>
    /// <param name="limbs">Limbs with their diameter, fork and, where counted limb by limb, floral buds.</param>
    /// <param name="floralBuds">Floral buds on the tree.</param>
    /// <param name="seed">Seed for what was not counted.</param>
    /// <param name="floralShare">Share of buds that are floral; the others are drawn but not counted.</param>
    public FruitTree Model(
        double trunkMm,
        int leaders,
        double heightM,
        IReadOnlyList<LimbToGrow> limbs,
        int floralBuds,
        int seed,
        double floralShare = 1
    ) => Grow(new(seed), trunkMm, leaders, heightM, [.. limbs], floralBuds, floralShare);

    private FruitTree Grow(
        TreeDraw draw,
        double trunkMm,
        int leaders,
        double heightM,
        LimbToGrow[] limbs,
        int floralBuds,
        double floralShare
    )
    {
        var wood = new List<Branch>(limbs.Length * 2 + 4);
        var stems = Leaders(wood, draw, trunkMm, Math.Max(1, leaders), heightM);
        var grown = Limbs(wood, draw, stems, heightM, limbs);
        var buds = new BudPlaces(wood, draw, _shape.Bearing, _shape.BudsPerSite);
        if (grown.Count > 0)
            Bear(draw, stems, wood, grown, floralBuds, floralShare, buds);
        return new(_place, trunkMm, [.. wood], [.. buds.Sites]);
    }

    private List<Stem> Leaders(List<Branch> wood, TreeDraw draw, double trunkMm, int leaders, double heightM)
    {
        if (_shape.Layout == LeaderLayout.Axis && leaders == 1)
        {
            Point foot = new(0, 0, 0);
            List<Point> path = [foot];
            for (var i = 1; i <= PathPieces; i++)
                path.Add(new(draw.Normal() * 0.008 * i, draw.Normal() * 0.008 * i, heightM * i / PathPieces));
            return
            [
                new(
                    Add(
                        wood,
                        null,
                        0,
                        BranchKind.Leader,
                        trunkMm,
                        LeaderTipMm,
                        0,
                        90,
                        _place.Leaf,
                        WoodState.Sound,
                        [.. path]
                    ),
                    false,
                    0
                ),
            ];
        }

        var trunkM = Math.Max(0.2, _shape.TrunkM);
        var trunk = Add(
            wood,
            null,
            0,
            BranchKind.Trunk,
            trunkMm,
            trunkMm * 0.92,
            0,
            90,
            _place.Leaf,
            WoodState.Sound,
            [new(0, 0, 0), new(0, 0, trunkM)]
        );
        // Leaders share the trunk's cross-section; runaway inner ones take more than their part.
        var perPlane = Math.Max(1, (int)Math.Ceiling(leaders / (double)_shape.Planes));
        bool Inner(int i) =>
            _shape.Layout == LeaderLayout.Fan
            && perPlane > 2
            && i / _shape.Planes is var place
            && place > 0
            && place < perPlane - 1;
        var shares = Enumerable
            .Range(0, leaders)
            .Select(i => Inner(i) ? _shape.InnerVigour * _shape.InnerVigour : 1)
            .ToList();
        List<Stem> stems = [];
        for (var i = 0; i < leaders; i++)
        {
            var mm = trunkMm * Math.Sqrt(1.1 * shares[i] / shares.Sum()) * (1 + 0.05 * draw.Normal());
            var (path, azimuth, side) =
                _shape.Layout == LeaderLayout.Vase
                    ? Scaffold(draw, i, leaders, trunkM, heightM)
                    : InFan(i, perPlane, trunkM, heightM);
            stems.Add(
                new(
                    Add(
                        wood,
                        trunk.Id,
                        trunkM,
                        BranchKind.Leader,
                        Math.Max(4, mm),
                        Math.Min(LeaderTipMm, mm * 0.6),
                        azimuth,
                        90 - _shape.LeanDeg,
                        _place.Leaf,
                        WoodState.Sound,
                        [.. path]
                    ),
                    Inner(i),
                    side
                )
            );
        }
        return stems;
    }

    private (List<Point> Path, double Azimuth, int Side) InFan(int i, int perPlane, double trunkM, double heightM)
    {
        var side =
            _shape.Planes == 2
                ? i % 2 == 0
                    ? -1
                    : 1
                : 0;
        var along = (i / _shape.Planes + 0.5 - perPlane / 2.0) * _place.TreeSpacingM / perPlane;
        var tan = Math.Tan(_shape.LeanDeg * Math.PI / 180) * side;
        // Out along the wire first, then up in its plane.
        var elbow = Math.Min(trunkM + 0.25, (trunkM + heightM) / 2);
        List<Point> path =
        [
            new(0, 0, trunkM),
            new(along * 0.7, tan * (elbow - trunkM) * 0.5, trunkM + (elbow - trunkM) * 0.45),
            new(along, tan * (elbow - trunkM), elbow),
        ];
        for (var p = 1; p <= PathPieces; p++)
            path.Add(
                new(
                    along,
                    tan * (elbow - trunkM + (heightM - elbow) * p / PathPieces),
                    elbow + (heightM - elbow) * p / PathPieces
                )
            );
        return (path, side >= 0 ? 90 : -90, side);
    }

    private (List<Point> Path, double Azimuth, int Side) Scaffold(
        TreeDraw draw,
        int i,
        int leaders,
        double trunkM,
        double heightM
    )
    {
        var azimuth = 360.0 / leaders * (i + 0.5) + draw.Normal() * 6;
        var length = (heightM - trunkM) / Math.Max(0.2, Math.Cos(_shape.LeanDeg * Math.PI / 180));
        List<Point> path = [new(0, 0, trunkM)];
        for (var p = 0; p < PathPieces; p++)
            path.Add(path[^1].Off(azimuth, 90 - _shape.LeanDeg + (p - 2) * 5, length / PathPieces));
        return (path, azimuth, Math.Sin(azimuth * Math.PI / 180) >= 0 ? 1 : -1);
    }

    private List<GrownLimb> Limbs(
        List<Branch> wood,
        TreeDraw draw,
        List<Stem> stems,
        double heightM,
        LimbToGrow[] limbs
    )
    {
        // Lower limbs, on the thicker part of their leader, are mostly the thicker ones; the diameters
        // themselves stay as drawn.
        var places = limbs.Select((_, i) => (i + draw.Between(0.2, 0.8)) / limbs.Length).ToArray();
        var strength = places.Select(p => p + draw.Normal() * PlaceNoise).ToArray();
        var thickFirst = limbs.OrderByDescending(l => l.DiameterMm).ToArray();
        Array.Sort(strength, places);
        List<GrownLimb> grown = [];
        for (var i = 0; i < limbs.Length; i++)
        {
            var stem = stems[(int)(places[i] * limbs.Length) % stems.Count];
            var low = Math.Max(
                stem.Branch.Path[0].HeightM + (stems.Count > 1 ? 0.1 : 0),
                Math.Min(_shape.FirstLimbM, heightM * 0.5)
            );
            var share = Tiered(places[i], draw);
            var at = stem.Branch.MetresToHeight(low + share * (heightM * 0.97 - low));
            grown.Add(Limb(wood, draw, stem, at, share, i, thickFirst[i]));
        }
        return grown;
    }

    // In tiers limbs stand close together around a few heights; the last leads to the tip.
    private double Tiered(double place, TreeDraw draw) =>
        _shape.Tiers == 0
            ? place
            : Math.Clamp((Math.Floor(place * _shape.Tiers) + 0.1 + draw.Between(-0.06, 0.1)) / _shape.Tiers, 0, 1);

    private GrownLimb Limb(
        List<Branch> wood,
        TreeDraw draw,
        Stem stem,
        double at,
        double share,
        int number,
        LimbToGrow limb
    )
    {
        var azimuth =
            _shape.SpreadDeg >= 180
                ? number * GoldenAngleDeg + draw.Normal() * 15
                : (draw.Happens(0.5) ? 0 : 180) + draw.Normal() * _shape.SpreadDeg / 2;
        // On a leaning plane fruit wood faces the alley, as far as it turns from the row at all.
        if (stem.Side != 0 && Math.Sign(Math.Sin(azimuth * Math.PI / 180)) != stem.Side && draw.Happens(0.75))
            azimuth = -azimuth;
        var length = Math.Clamp(
            limb.DiameterMm * _shape.MetresPerMm * (1 + 0.12 * draw.Normal()),
            0.15,
            Math.Max(0.5, _place.RowSpacingM * 0.45)
        );
        var rise = Math.Clamp(
            _shape.RiseLowDeg + (_shape.RiseTopDeg - _shape.RiseLowDeg) * share + draw.Normal() * AngleSdDeg,
            -50,
            88
        );
        var droop =
            _shape.DroopDeg * Math.Min(2, length / (_shape.LimbMm * _shape.MetresPerMm)) * draw.Between(0.5, 1.5)
            + (draw.Happens(_shape.PendantShare) ? 55 : 0);
        var age = Math.Clamp(
            (int)Math.Round(_shape.AgeYears * limb.DiameterMm / (_shape.LimbMm * 1.35) + draw.Normal() * 0.6),
            1,
            Math.Max(1, _shape.AgeYears)
        );
        var state = draw.Happens(_shape.UnsoundShare) ? (WoodState)(1 + (int)(draw.Uniform() * 3)) : WoodState.Sound;
        var branch = Add(
            wood,
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
                Add(
                    wood,
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
            );
        }
        if (_shape.ShootM > 0)
        {
            var shootM = _shape.ShootM * Math.Clamp(1 + 0.35 * draw.Normal(), 0.3, 2);
            var tip = RiseAt(branch, length);
            Add(
                wood,
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
            );
        }
        if (draw.Happens(_shape.UprightShare))
        {
            var from = length * draw.Between(0.1, 0.45);
            var turn = azimuth + draw.Normal() * 30;
            var rise2 = draw.Between(68, 86);
            var mm = Math.Min(branch.DiameterAt(from) * 0.8, draw.Between(7, 12));
            var upright = Add(
                wood,
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
            );
            if (upright.AgeYears > 1)
                carrying.Add(upright);
        }
        return new(branch, carrying, limb.FloralBuds, stem.Inner);
    }

    private void Bear(
        TreeDraw draw,
        List<Stem> stems,
        List<Branch> wood,
        List<GrownLimb> limbs,
        int floralBuds,
        double floralShare,
        BudPlaces buds
    )
    {
        var inner = stems.Any(s => s.Inner) ? _shape.InnerBuds : 1;
        var counted = limbs.All(l => l.FloralBuds is not null);
        var parts = limbs
            .Select(l =>
                counted
                    ? l.FloralBuds!.Value
                    : l.Branch.CrossSectionCm2 * (l.Inner ? inner : 1) * draw.Positive(new(1, BudNoiseCv))
            )
            .ToArray();
        var floral = Shared(floralBuds, parts, draw);
        for (var i = 0; i < limbs.Count; i++)
        {
            var on = Shared(floral[i], [.. limbs[i].Carrying.Select(b => b.CrossSectionCm2 * b.LengthM)], draw);
            for (var c = 0; c < on.Length; c++)
            {
                var blind = floralShare is > 0 and < 1 ? draw.Whole(on[c] * (1 - floralShare) / floralShare) : 0;
                buds.Place(limbs[i].Carrying[c], on[c], true);
                buds.Place(limbs[i].Carrying[c], blind, false);
            }
        }
    }

    /// <summary>A whole number shared in proportion, none lost: systematic draws along the parts.</summary>
    private static int[] Shared(int number, double[] parts, TreeDraw draw)
    {
        var shares = new int[parts.Length];
        var all = parts.Sum();
        if (number <= 0 || all <= 0)
            return shares;
        var (step, next, upTo) = (all / number, all / number * draw.Uniform(), 0.0);
        for (var i = 0; i < parts.Length; i++)
        {
            upTo += parts[i];
            for (; next < upTo; next += step)
                shares[i]++;
        }
        // The last draw may fall a rounding error beyond the last part.
        shares[^1] += number - shares.Sum();
        return shares;
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

    private static ImmutableArray<Point> Run(
        Point from,
        double azimuthDeg,
        double riseDeg,
        double droopDeg,
        double lengthM
    )
    {
        var path = new Point[RunPieces + 1];
        var (sin, cos) = Math.SinCos(azimuthDeg * Math.PI / 180);
        var piece = lengthM / RunPieces;
        path[0] = from;
        for (var p = 0; p < RunPieces; p++)
        {
            var (up, flat) = Math.SinCos(Math.Max(-85, riseDeg - droopDeg * (p + 0.5) / RunPieces) * Math.PI / 180);
            path[p + 1] = new(
                path[p].AlongM + piece * flat * cos,
                path[p].AcrossM + piece * flat * sin,
                path[p].HeightM + piece * up
            );
        }
        return ImmutableCollectionsMarshal.AsImmutableArray(path);
    }

    private static Branch Add(
        List<Branch> wood,
        int? parent,
        double atM,
        BranchKind kind,
        double mm,
        double tipMm,
        double azimuth,
        double rise,
        int age,
        WoodState state,
        ImmutableArray<Point> path
    )
    {
        Branch branch = new(wood.Count, parent, atM, kind, mm, tipMm, azimuth, rise, age, state, path);
        wood.Add(branch);
        return branch;
    }

    private readonly record struct Stem(Branch Branch, bool Inner, int Side);

    private sealed record GrownLimb(Branch Branch, IReadOnlyList<Branch> Carrying, double? FloralBuds, bool Inner);
}

/// <summary>A limb to put on a tree.</summary>
/// <param name="DiameterMm">Diameter at its base, mm.</param>
/// <param name="Forked">Whether it forks.</param>
/// <param name="FloralBuds">Floral buds on it; null to share the tree's by cross-section.</param>
public sealed record LimbToGrow(double DiameterMm, bool Forked, double? FloralBuds);
