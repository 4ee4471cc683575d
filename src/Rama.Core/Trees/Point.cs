namespace Rama.Core.Trees;

/// <summary>A place on a tree, metres from the foot of its trunk.</summary>
/// <param name="AlongM">Along the row.</param>
/// <param name="AcrossM">Across the row.</param>
/// <param name="HeightM">Above the ground.</param>
public readonly record struct Point(double AlongM, double AcrossM, double HeightM)
{
    /// <summary>Distance to another place, metres.</summary>
    public double To(Point other)
    {
        var (x, y, z) = (other.AlongM - AlongM, other.AcrossM - AcrossM, other.HeightM - HeightM);
        return Math.Sqrt(x * x + y * y + z * z);
    }

    /// <summary>The place a share of the way to another.</summary>
    internal Point Towards(Point other, double share) =>
        new(
            AlongM + (other.AlongM - AlongM) * share,
            AcrossM + (other.AcrossM - AcrossM) * share,
            HeightM + (other.HeightM - HeightM) * share
        );

    /// <summary>The place so many metres off in a direction.</summary>
    /// <param name="azimuthDeg">0 along the row, 90 across it.</param>
    /// <param name="riseDeg">Above the horizontal.</param>
    /// <param name="metres">Distance.</param>
    internal Point Off(double azimuthDeg, double riseDeg, double metres)
    {
        var (azimuth, rise) = (azimuthDeg * Math.PI / 180, riseDeg * Math.PI / 180);
        var flat = metres * Math.Cos(rise);
        return new(
            AlongM + flat * Math.Cos(azimuth),
            AcrossM + flat * Math.Sin(azimuth),
            HeightM + metres * Math.Sin(rise)
        );
    }
}
