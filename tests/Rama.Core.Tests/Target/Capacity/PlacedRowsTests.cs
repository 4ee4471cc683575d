using Rama.Core.Target.Capacity;

namespace Rama.Core.Tests.Target.Capacity;

/// <summary>How rows lie: along their line, else from north to south at their site.</summary>
public sealed class PlacedRowsTests
{
    // By hand: at the equator a degree east is as long as one north; at 60° half as long (cos 60° = ½).
    [Theory]
    [InlineData(10, 0, 10, 0.01, 0)]
    [InlineData(10, 0, 10.01, 0, 90)]
    [InlineData(10, 0, 10.01, 0.01, 45)]
    [InlineData(10, 0, 10.01, -0.01, 135)]
    [InlineData(10, 60, 10.02, 60.01, 45)]
    public void Along_their_line(double west, double south, double east, double north, double azimuth)
    {
        var rows = PlacedRows.Of([west, south, east, north], -40, 0, 2027)!;
        Assert.False(rows.IsAssumed);
        Assert.Equal(azimuth, rows.Direction.RowAzimuthDeg, 2);
        Assert.Equal(new(2027, 6, 21), rows.Direction.Day);
    }

    [Fact]
    public void Without_a_line_from_north_to_south_and_said_so()
    {
        var rows = PlacedRows.Of(null, -33.2, 150, 2026)!;
        Assert.Equal(new(new(-33.2, 150, 0, new(2026, 12, 21)), true), rows);
        Assert.True(RowLight.Of(rows, 3).IsAssumed);
        Assert.Null(PlacedRows.Of(null, null, 150, 2026));
        // Where the sun does not set nothing is told.
        Assert.Null(PlacedRows.Of(null, 70, 20, 2026));
        Assert.Null(PlacedRows.Of([10, 70, 10, 70.01], null, null, 2026));
    }
}
