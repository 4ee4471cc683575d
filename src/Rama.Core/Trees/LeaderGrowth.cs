namespace Rama.Core.Trees;

/// <summary>Grows the leaders of a tree: one axis, fans of one or two planes, or the scaffolds of a vase.</summary>
internal sealed class LeaderGrowth(
    TypicalTree shape,
    TreePlace place,
    TreeDraw draw,
    TreeDraw winding,
    List<Branch> wood
)
{
    // Shape of wood nobody measures: assumption, seen in the drawing.
    private const double LeaderTipMm = 7,
        OffWireM = 0.025,
        ScaffoldWindsDeg = 7;
    private const int PathPieces = 5;

    /// <summary>Grows them, with the trunk below where there are several.</summary>
    public List<Stem> Grow(TreeToGrow tree)
    {
        var (trunkMm, leaders, heightM) = (tree.TrunkMm, Math.Max(1, tree.Leaders), tree.HeightM);
        if (shape.Layout == LeaderLayout.Axis && leaders == 1)
        {
            Point foot = new(0, 0, 0);
            List<Point> path = [foot];
            for (var i = 1; i <= PathPieces; i++)
                path.Add(new(draw.Normal() * 0.008 * i, draw.Normal() * 0.008 * i, heightM * i / PathPieces));
            return
            [
                new(
                    wood.Grow(
                        new(
                            wood.Count,
                            null,
                            0,
                            BranchKind.Leader,
                            trunkMm,
                            LeaderTipMm,
                            0,
                            90,
                            place.Leaf,
                            WoodState.Sound,
                            [.. path]
                        )
                    ),
                    false,
                    0
                ),
            ];
        }

        var trunkM = Math.Max(0.2, shape.TrunkM);
        var trunk = wood.Grow(
            new(
                wood.Count,
                null,
                0,
                BranchKind.Trunk,
                trunkMm,
                trunkMm * 0.92,
                0,
                90,
                place.Leaf,
                WoodState.Sound,
                [new(0, 0, 0), new(0, 0, trunkM)]
            )
        );
        // Leaders share the trunk's cross-section; runaway inner ones take more than their part.
        var perPlane = Math.Max(1, (int)Math.Ceiling(leaders / (double)shape.Planes));
        bool Inner(int i) =>
            shape.Layout == LeaderLayout.Fan
            && perPlane > 2
            && i / shape.Planes is var place
            && place > 0
            && place < perPlane - 1;
        var shares = Enumerable
            .Range(0, leaders)
            .Select(i => Inner(i) ? shape.InnerVigour * shape.InnerVigour : 1)
            .ToList();
        List<Stem> stems = [];
        for (var i = 0; i < leaders; i++)
        {
            var mm = trunkMm * Math.Sqrt(1.1 * shares[i] / shares.Sum()) * (1 + 0.05 * draw.Normal());
            var (path, azimuth, side) =
                shape.Layout == LeaderLayout.Vase
                    ? Scaffold(i, leaders, trunkM, heightM)
                    : InFan(i, perPlane, trunkM, heightM);
            stems.Add(
                new(
                    wood.Grow(
                        new(
                            wood.Count,
                            trunk.Id,
                            trunkM,
                            BranchKind.Leader,
                            Math.Max(4, mm),
                            Math.Min(LeaderTipMm, mm * 0.6),
                            azimuth,
                            90 - shape.LeanDeg,
                            place.Leaf,
                            WoodState.Sound,
                            [.. path]
                        )
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
            shape.Planes == 2
                ? i % 2 == 0
                    ? -1
                    : 1
                : 0;
        var along = (i / shape.Planes + 0.5 - perPlane / 2.0) * place.TreeSpacingM / perPlane;
        var tan = Math.Tan(shape.LeanDeg * Math.PI / 180) * side;
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
                    along + winding.Normal() * OffWireM,
                    tan * (elbow - trunkM + (heightM - elbow) * p / PathPieces),
                    elbow + (heightM - elbow) * p / PathPieces
                )
            );
        return (path, side >= 0 ? 90 : -90, side);
    }

    private (List<Point> Path, double Azimuth, int Side) Scaffold(int i, int leaders, double trunkM, double heightM)
    {
        var azimuth = 360.0 / leaders * (i + 0.5) + draw.Normal() * 6;
        var length = (heightM - trunkM) / Math.Max(0.2, Math.Cos(shape.LeanDeg * Math.PI / 180));
        List<Point> path = [new(0, 0, trunkM)];
        var turn = azimuth;
        for (var p = 0; p < PathPieces; p++)
        {
            turn += winding.Normal() * ScaffoldWindsDeg;
            var rise = 90 - shape.LeanDeg + (p - 2) * 5 + winding.Normal() * ScaffoldWindsDeg;
            path.Add(path[^1].Off(turn, rise, length / PathPieces));
        }
        return (path, azimuth, Math.Sin(azimuth * Math.PI / 180) >= 0 ? 1 : -1);
    }
}
