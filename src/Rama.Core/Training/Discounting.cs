namespace Rama.Core.Training;

/// <summary>Money of later years in that of today.</summary>
internal static class Discounting
{
    /// <summary>Sum of yearly amounts, each counted at the end of its year.</summary>
    /// <param name="amounts">Amounts by year, the first year first.</param>
    /// <param name="rate">Discount a year, as a share.</param>
    public static double PresentValue(this IEnumerable<double> amounts, double rate) =>
        amounts.Select((a, i) => a / Math.Pow(1 + rate, i + 1)).Sum();
}
