using System.Collections.Immutable;

namespace Rama.Core.Trees;

/// <summary>What a piece of wood is on a tree.</summary>
public enum BranchKind
{
    /// <summary>The stem below the leaders of a tree with several.</summary>
    Trunk,

    /// <summary>A leader or main scaffold.</summary>
    Leader,

    /// <summary>A limb on a leader.</summary>
    Limb,

    /// <summary>The other half of a forked limb.</summary>
    Arm,

    /// <summary>Last year's extension, or a water shoot.</summary>
    Shoot,

    /// <summary>A short side shoot that ends in a floral bud; no fork.</summary>
    Dart,
}

/// <summary>Health of a piece of wood.</summary>
public enum WoodState
{
    /// <summary>Sound.</summary>
    Sound,

    /// <summary>Dead.</summary>
    Dead,

    /// <summary>Broken or split.</summary>
    Broken,

    /// <summary>Diseased.</summary>
    Diseased,
}

/// <summary>A piece of wood from its base to its tip.</summary>
/// <param name="Id">Its place in the list of the tree's branches.</param>
/// <param name="Parent">What it grows on; null for what stands on the ground.</param>
/// <param name="AtM">Metres from the base of the parent.</param>
/// <param name="Kind">What it is.</param>
/// <param name="DiameterMm">Diameter at its base, mm.</param>
/// <param name="TipMm">Diameter at its tip, mm.</param>
/// <param name="AzimuthDeg">Direction it leaves in: 0 along the row, 90 across.</param>
/// <param name="RiseDeg">Angle above the horizontal at its base; 90 is upright.</param>
/// <param name="AgeYears">Winters it has stood; 1 for last year's wood.</param>
/// <param name="State">Its health.</param>
/// <param name="Path">Places it runs through, from base to tip; at least two.</param>
public sealed record Branch(
    int Id,
    int? Parent,
    double AtM,
    BranchKind Kind,
    double DiameterMm,
    double TipMm,
    double AzimuthDeg,
    double RiseDeg,
    int AgeYears,
    WoodState State,
    ImmutableArray<Point> Path
)
{
    // Lengths of the pieces between its places, asked for at every bud, and last their sum.
    private readonly double[] _pieces = PiecesOf(Path);

    /// <summary>Length along its run, metres.</summary>
    public double LengthM => _pieces[^1];

    /// <summary>Cross-section at its base, cm².</summary>
    public double CrossSectionCm2 => Math.PI * DiameterMm * DiameterMm / 400;

    /// <summary>Diameter so far from its base, mm: it thins evenly to its tip.</summary>
    public double DiameterAt(double metres) =>
        LengthM <= 0 ? DiameterMm : DiameterMm + (TipMm - DiameterMm) * Math.Clamp(metres / LengthM, 0, 1);

    /// <summary>Place so far from its base.</summary>
    public Point PointAt(double metres)
    {
        var left = metres;
        for (var i = 1; i < Path.Length; i++)
        {
            var piece = _pieces[i - 1];
            if (left <= piece || i == Path.Length - 1)
                return piece <= 0 ? Path[i] : Path[i - 1].Towards(Path[i], Math.Clamp(left / piece, 0, 1));
            left -= piece;
        }
        return Path[0];
    }

    /// <summary>
    /// Metres from its base at which it first passes a height; its whole length where it stays below.
    /// </summary>
    public double MetresToHeight(double heightM)
    {
        var run = 0.0;
        for (var i = 1; i < Path.Length; i++)
        {
            var (from, to) = (Path[i - 1], Path[i]);
            var piece = _pieces[i - 1];
            if (to.HeightM > heightM && from.HeightM <= heightM)
                return run + piece * (heightM - from.HeightM) / (to.HeightM - from.HeightM);
            run += piece;
        }
        return Path[0].HeightM > heightM ? 0 : LengthM;
    }

    /// <summary>
    /// Metres from its base that stand above a height: up to where it first sinks below; 0 where its base is
    /// below.
    /// </summary>
    public double MetresAbove(double heightM)
    {
        if (Path[0].HeightM < heightM)
            return 0;
        var run = 0.0;
        for (var i = 1; i < Path.Length; i++)
        {
            var (from, to) = (Path[i - 1], Path[i]);
            var piece = _pieces[i - 1];
            if (to.HeightM < heightM)
                return run + piece * (from.HeightM - heightM) / (from.HeightM - to.HeightM);
            run += piece;
        }
        return LengthM;
    }

    /// <summary>Angle above the horizontal at its tip, degrees.</summary>
    public double TipRiseDeg
    {
        get
        {
            var (from, to) = (Path[^2], Path[^1]);
            var length = from.To(to);
            return length <= 0
                ? RiseDeg
                : Math.Asin(Math.Clamp((to.HeightM - from.HeightM) / length, -1, 1)) * 180 / Math.PI;
        }
    }

    private static double[] PiecesOf(ImmutableArray<Point> path)
    {
        var pieces = new double[path.Length];
        for (var i = 0; i < path.Length - 1; i++)
            pieces[^1] += pieces[i] = path[i].To(path[i + 1]);
        return pieces;
    }
}
