namespace Rama.Core.Tests;

/// <summary>Compares with a printed value: equal when rounding to the printed digits gives the same digits.</summary>
internal static class Near
{
    public static void Printed(double expected, double? actual, int decimals)
    {
        Assert.NotNull(actual);
        Assert.Equal(expected, Math.Round(actual.Value, decimals, MidpointRounding.AwayFromZero), 9);
    }
}
