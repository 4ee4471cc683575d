namespace Rama.Core.Training;

/// <summary>Amounts of one year after the other.</summary>
internal static class Years
{
    /// <summary>Sum of yearly amounts, each counted at the end of its year and told in money of today.</summary>
    /// <param name="amounts">Amounts by year, the first year first.</param>
    /// <param name="rate">Discount a year, as a share.</param>
    public static double PresentValue(this IEnumerable<double> amounts, double rate) => amounts.Discounted(rate).Sum();

    /// <summary>The same year by year.</summary>
    public static IEnumerable<double> Discounted(this IEnumerable<double> amounts, double rate) =>
        amounts.Select((a, i) => a / Math.Pow(1 + rate, i + 1));

    /// <summary>Sums up to each year.</summary>
    public static IEnumerable<double> Cumulated(this IEnumerable<double> amounts)
    {
        var sum = 0.0;
        foreach (var amount in amounts)
            yield return sum += amount;
    }

    /// <summary>
    /// Year, from 1, in which two lines cross: the one that lay above lies below. Lines that meet in a year cross when
    /// they part again. Null where they never do.
    /// </summary>
    public static int? Crossing(IReadOnlyList<double> first, IReadOnlyList<double> second)
    {
        var above = 0;
        for (var i = 0; i < first.Count; i++)
        {
            var now = Math.Sign(first[i] - second[i]);
            if (above * now < 0)
                return i + 1;
            above = now == 0 ? above : now;
        }
        return null;
    }
}
