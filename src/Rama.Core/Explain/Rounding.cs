namespace Rama.Core.Explain;

/// <summary>Rounds numbers as pages write them.</summary>
internal static class Rounding
{
    /// <summary>
    /// The whole number, halves away from zero: a browser writes 244.5 as 245, and card and page must agree.
    /// </summary>
    public static double Whole(this double value) => Math.Round(value, MidpointRounding.AwayFromZero);
}
