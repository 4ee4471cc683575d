using Rama.Core.Explain;

namespace Rama.Core.Result;

/// <summary>What to make of heavy and light years, in two sentences.</summary>
public static class BearingAdvice
{
    // So far from what is wanted, or from the mean of the years, is heavy or light: assumptions.
    private const double Many = 1.25,
        Few = 0.8,
        Heavy = 1.1,
        Light = 0.9;

    // Later than so many days from bloom thinning does nothing for the buds of next year: common practice, no source.
    private const int LastDay = 40;

    // Fewer seasons have no mean to be heavy or light against.
    private const int FewestYears = 2;

    /// <summary>The advice for the coming season; null where there is none to give.</summary>
    /// <param name="years">Seasons on record, the earliest first.</param>
    /// <param name="season">The coming season.</param>
    /// <param name="turns">Whether heavy and light years are known to take turns, or the variety tends to it.</param>
    /// <param name="standing">Floral buds counted on a mean tree; null before a count.</param>
    /// <param name="wanted">Floral buds wanted.</param>
    /// <param name="fruitWanted">Fruit wanted per tree.</param>
    public static Notice? Of(
        IReadOnlyList<BearingYear> years,
        int season,
        bool turns,
        double? standing,
        double wanted,
        double fruitWanted
    )
    {
        var yields = years.Where(y => y.TPerHa is not null && y.Season < season).ToList();
        if (
            yields.Count < FewestYears
            || yields[^1] is not { TPerHa: { } last } before
            || before.Season != season - 1
            || wanted <= 0
        )
            return null;
        var share = last / yields.Average(y => y.TPerHa!.Value);
        Figure[] figures =
        [
            new("buds standing", standing ?? 0, "bud/tree"),
            new("buds wanted", wanted, "bud/tree"),
            new("last crop", last, "t/ha"),
            new("fruit wanted", fruitWanted, "fruit/tree"),
            new("days from bloom", LastDay, "day"),
        ];
        return (standing / wanted, share) switch
        {
            (> Many, < Light) => new(
                "bearing.on-year",
                $"On-year coming: {standing:0} floral buds stand where {wanted:0} are wanted, after a light crop of "
                    + $"{last:0.#} t/ha. Take the surplus off now and thin to {fruitWanted:0} fruit within "
                    + $"{LastDay} days of bloom; what hangs longer is missing next year.",
                figures
            ),
            (< Few, > Heavy) => new(
                "bearing.off-year",
                $"Off-year coming: {standing:0} floral buds stand where {wanted:0} are wanted, after a heavy crop of "
                    + $"{last:0.#} t/ha. Keep every floral bud, prune for structure alone, and hold the crop "
                    + "down in the year after, which will be heavy.",
                figures
            ),
            (null, > Heavy) when turns => new(
                "bearing.off-year-ahead",
                $"After a heavy crop of {last:0.#} t/ha few floral buds are to be expected. Count before anybody "
                    + "prunes, and prune no tree that is short.",
                figures
            ),
            (null, < Light) when turns => new(
                "bearing.on-year-ahead",
                $"After a light crop of {last:0.#} t/ha many floral buds are to be expected. Count, take the "
                    + $"surplus off in winter, and thin to {fruitWanted:0} fruit within {LastDay} days of bloom.",
                figures
            ),
            _ => null,
        };
    }
}
