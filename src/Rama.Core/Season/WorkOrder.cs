namespace Rama.Core.Season;

/// <summary>The order plantings are pruned in: hardy, old and big ones first, tender and young ones last.</summary>
/// <remarks>Source: common practice.</remarks>
public static class WorkOrder
{
    // From hardy to tender; stone fruit waits for the end of winter and dry spells.
    private static readonly string[] HardyToTender =
    [
        "apple",
        "pear",
        "cherry",
        "plum",
        "apricot",
        "peach",
        "almond",
        "lemon",
        "avocado",
        "lychee",
    ];

    /// <summary>Puts plantings into their order.</summary>
    /// <param name="plantings">Plantings.</param>
    /// <param name="of">Crop, year planted, area and code of one.</param>
    public static IEnumerable<T> Of<T>(
        IEnumerable<T> plantings,
        Func<T, (string Crop, int YearPlanted, double AreaHa, string Code)> of
    ) =>
        plantings
            .Select(p => (Planting: p, Facts: of(p)))
            .OrderBy(p => Tenderness(p.Facts.Crop))
            .ThenBy(p => p.Facts.YearPlanted)
            .ThenByDescending(p => p.Facts.AreaHa)
            .ThenBy(p => p.Facts.Code, StringComparer.Ordinal)
            .Select(p => p.Planting);

    private static int Tenderness(string crop) =>
        Array.IndexOf(HardyToTender, crop) is >= 0 and var place ? place : HardyToTender.Length;
}
