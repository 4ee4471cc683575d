using System.Collections.Immutable;
using Rama.Core.Trees;

namespace Rama.Core.Tests.Trees;

/// <summary>
/// Trees drawn by hand: one leader of 3 m and 50 mm, straight limbs with their buds spread evenly along them.
/// </summary>
internal sealed class HandTree
{
    private readonly List<Branch> _branches = [];
    private readonly List<BudSite> _buds = [];

    public HandTree(double heightM = 3, double trunkMm = 50, double tipMm = 10) => Leader(0, heightM, trunkMm, tipMm);

    private HandTree() { }

    public static HandTree Bare() => new();

    public int Leader(double alongM, double heightM, double mm, double tipMm = 10, double acrossM = 0) =>
        Add(
            new(
                _branches.Count,
                null,
                0,
                BranchKind.Leader,
                mm,
                tipMm,
                0,
                90,
                8,
                WoodState.Sound,
                [new(alongM, 0, 0), new(alongM, acrossM, heightM)]
            )
        );

    public int Limb(
        double heightM,
        double mm,
        int buds,
        double lengthM = 0.8,
        double riseDeg = 10,
        double azimuthDeg = 0,
        int age = 3,
        WoodState state = WoodState.Sound,
        int leader = 0,
        BudSide side = BudSide.Side,
        bool fat = true
    )
    {
        var on = _branches[leader];
        var at = on.MetresToHeight(heightM);
        return Bud(
            Add(
                new(
                    _branches.Count,
                    leader,
                    at,
                    BranchKind.Limb,
                    mm,
                    mm / 3,
                    azimuthDeg,
                    riseDeg,
                    age,
                    state,
                    Straight(on.PointAt(at), azimuthDeg, riseDeg, lengthM)
                )
            ),
            buds,
            side,
            fat
        );
    }

    public int Arm(int limb, double atM, double mm, int buds, double riseDeg, double lengthM = 0.4) =>
        Bud(Side(limb, atM, BranchKind.Arm, mm, riseDeg, lengthM, 2), buds);

    public int Shoot(int limb, double atM, double mm, int buds, double riseDeg, double lengthM = 0.5, int age = 1) =>
        Bud(Side(limb, atM, BranchKind.Shoot, mm, riseDeg, lengthM, age), buds);

    public int Dart(int limb, double atM) => Bud(Side(limb, atM, BranchKind.Dart, 4, 40, 0.08, 2), 1);

    public FruitTree Tree(double heightLimitM = 9, double rowM = 3.5, double treeM = 1, int leaf = 8) =>
        new(new(rowM, treeM, heightLimitM, leaf), _branches[0].DiameterMm, [.. _branches], [.. _buds]);

    private int Side(int limb, double atM, BranchKind kind, double mm, double riseDeg, double lengthM, int age)
    {
        var on = _branches[limb];
        return Add(
            new(
                _branches.Count,
                limb,
                atM,
                kind,
                mm,
                mm / 2,
                on.AzimuthDeg + 20,
                riseDeg,
                age,
                WoodState.Sound,
                Straight(on.PointAt(atM), on.AzimuthDeg + 20, riseDeg, lengthM)
            )
        );
    }

    private static ImmutableArray<Point> Straight(Point from, double azimuthDeg, double riseDeg, double lengthM)
    {
        var (azimuth, rise) = (azimuthDeg * Math.PI / 180, riseDeg * Math.PI / 180);
        var flat = lengthM * Math.Cos(rise);
        return
        [
            from,
            new(
                from.AlongM + flat * Math.Cos(azimuth),
                from.AcrossM + flat * Math.Sin(azimuth),
                from.HeightM + lengthM * Math.Sin(rise)
            ),
        ];
    }

    private int Add(Branch branch)
    {
        _branches.Add(branch);
        return branch.Id;
    }

    private int Bud(int branch, int buds, BudSide side = BudSide.Side, bool fat = true)
    {
        for (var i = 0; i < buds; i++)
            _buds.Add(
                new(
                    _buds.Count,
                    branch,
                    _branches[branch].LengthM * (i + 1) / (buds + 1),
                    side,
                    SiteKind.Spur,
                    fat,
                    true
                )
            );
        return branch;
    }
}
