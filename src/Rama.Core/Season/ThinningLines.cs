using Rama.Core.Prescribe;
using Rama.Core.Result.Thinning;

namespace Rama.Core.Season;

/// <summary>What the card of hand thinning says to those who do it.</summary>
internal static class ThinningLines
{
    // One tree in so many is counted when it is done, and so far off is near enough: assumptions.
    private const int CountedEvery = 20;

    private const double SecondsPerMinute = 60,
        Tolerance = 10;

    /// <summary>What to leave, in a sentence.</summary>
    /// <param name="load">What is to be taken off.</param>
    /// <param name="words">The words of the card.</param>
    public static string Headline(ThinningLoad load, CardWords words) =>
        load.IsWorthIt ? words.Say("thin-leave", Math.Round(load.FruitWanted)) : words.Say("thin-none");

    /// <summary>What there is, what to take off, and how.</summary>
    /// <param name="load">What is to be taken off.</param>
    /// <param name="of">What the winter prescribed, for trunk classes; null without a prescription.</param>
    /// <param name="reader">Who it is written for.</param>
    /// <param name="words">The words of the card.</param>
    public static IReadOnlyList<string> Of(
        ThinningLoad load,
        PrescribedPlanting? of,
        CardReader reader,
        CardWords words
    )
    {
        List<string> lines =
        [
            words.Say(
                load.IsCounted ? "thin-counted" : "thin-expected",
                Math.Round(load.Clusters),
                Math.Round(load.Fruitlets)
            ),
        ];
        if (!load.IsWorthIt)
            return lines;
        lines.AddRange(ByTrunk(load, of, reader, words));
        if (load.WhollyOff >= 1)
            lines.Add(words.Say("thin-wholly", Math.Round(load.WhollyOff)));
        lines.Add(words.Say("thin-each", load.LeftOnEach));
        if (load.MoreOnSome >= 1)
            lines.Add(words.Say("thin-more", Math.Round(load.MoreOnSome)));
        lines.Add(words.Say("thin-how"));
        lines.Add(words.Say("thin-count", CountedEvery, Tolerance));
        lines.Add(words.Say("thin-minutes", load.SecondsPerTree / SecondsPerMinute));
        return lines;
    }

    // Each trunk class carries its part of the crop, as its buds were shared out in winter.
    private static IEnumerable<string> ByTrunk(
        ThinningLoad load,
        PrescribedPlanting? of,
        CardReader reader,
        CardWords words
    )
    {
        if (of is not { Prescription.Classes: { Count: > 1 } classes })
            return [];
        var mean = classes.Sum(c => c.Class.Share * c.Number);
        var names = new CardWriter(of, reader).Trunks();
        return mean <= 0
            ? []
            : classes.Select(
                (c, i) => words.Say("thin-class", names[i], Math.Round(load.FruitWanted * c.Number / mean))
            );
    }
}
