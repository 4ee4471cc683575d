using Rama.Core.Estate;

namespace Rama.Core.Count.Scan;

/// <summary>Where a position falls on the rows of a block.</summary>
/// <param name="Row">Row number.</param>
/// <param name="Tree">Tree place in the row, from the row's first tree on.</param>
/// <param name="OffM">Metres from the middle of that tree place.</param>
public readonly record struct PlaceOnRow(int Row, int Tree, double OffM);

/// <summary>The line of a row on the ground, with its tree positions at equal distances along it.</summary>
/// <param name="Row">Row with its trees.</param>
/// <param name="Line">Points of the line, from the first tree on.</param>
public sealed record RowAxis(TreeRow Row, IReadOnlyList<GeoPoint> Line);

/// <summary>Finds the tree place at a position.</summary>
/// <remarks>Positions are taken on a local plane; at the size of a block the error is below a centimetre.</remarks>
public sealed class RowAxes
{
    private readonly record struct Segment(
        TreeRow Row,
        double X,
        double Y,
        double ToX,
        double ToY,
        double LengthM,
        double BeforeM,
        double RowM
    );

    private readonly GeoPoint _origin;
    private readonly Segment[] _segments;
    private readonly double _mostAcrossM;

    /// <summary>Axes of a planting's rows.</summary>
    /// <param name="axes">At least one row; those with fewer than two points are left out.</param>
    /// <param name="rowSpacingM">Row spacing, m; a position further from any row than half of it belongs to
    /// none.</param>
    public RowAxes(IReadOnlyList<RowAxis> axes, double rowSpacingM)
    {
        _origin = axes[0].Line[0];
        _mostAcrossM = rowSpacingM / 2;
        _segments = [.. axes.SelectMany(SegmentsOf)];
    }

    /// <summary>The tree place nearest to a position; null where it lies off every row.</summary>
    public PlaceOnRow? Find(GeoPoint position)
    {
        var (x, y) = Geodesy.Local(_origin, position);
        PlaceOnRow? best = null;
        var across = _mostAcrossM;
        foreach (var s in _segments)
        {
            if (s.LengthM <= 0)
                continue;
            var share = Math.Clamp(
                ((x - s.X) * (s.ToX - s.X) + (y - s.Y) * (s.ToY - s.Y)) / (s.LengthM * s.LengthM),
                0,
                1
            );
            var off = Math.Sqrt(
                Math.Pow(x - s.X - share * (s.ToX - s.X), 2) + Math.Pow(y - s.Y - share * (s.ToY - s.Y), 2)
            );
            if (off > across)
                continue;
            across = off;
            // The line runs from the first tree to the last.
            var spacing = s.Row.Trees > 1 ? s.RowM / (s.Row.Trees - 1) : 0;
            var place = spacing > 0 ? (s.BeforeM + share * s.LengthM) / spacing : 0;
            var tree = (int)Math.Round(place);
            best = new(s.Row.Number, s.Row.FirstTree + tree, Math.Abs(place - tree) * spacing);
        }
        return best;
    }

    private IEnumerable<Segment> SegmentsOf(RowAxis axis)
    {
        var points = axis.Line.Select(p => Geodesy.Local(_origin, p)).ToList();
        var lengths = points
            .Zip(points.Skip(1), (a, b) => Math.Sqrt(Math.Pow(b.EastM - a.EastM, 2) + Math.Pow(b.NorthM - a.NorthM, 2)))
            .ToList();
        var before = 0.0;
        foreach (var (i, length) in lengths.Index())
        {
            yield return new(
                axis.Row,
                points[i].EastM,
                points[i].NorthM,
                points[i + 1].EastM,
                points[i + 1].NorthM,
                length,
                before,
                lengths.Sum()
            );
            before += length;
        }
    }
}
