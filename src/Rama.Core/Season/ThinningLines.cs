using Rama.Core.Decide;
using Rama.Core.Explain;
using Rama.Core.Prescribe;
using Rama.Core.Result.Thinning;

namespace Rama.Core.Season;

/// <summary>What the card of hand thinning says to those who do it.</summary>
internal static class ThinningLines
{
    // One tree in so many is counted when it is done: assumption.
    private const int CountedEvery = 20;

    private const double SecondsPerMinute = 60;

    /// <summary>What to leave, in a sentence.</summary>
    /// <param name="load">What is to be taken off.</param>
    /// <param name="of">What the winter prescribed, for trunk classes; null without a prescription.</param>
    /// <param name="words">The words of the card.</param>
    public static string Headline(ThinningLoad load, PrescribedPlanting? of, CardWords words) =>
        !load.IsWorthIt ? words.Say("thin-none")
        : FruitOfClasses(load, of) is { Count: > 1 } fruit
            ? words.Say("thin-leave-by-trunk", fruit.Min().Whole(), fruit.Max().Whole())
        : words.Say("thin-leave", load.FruitWanted.Whole());

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
            words.Say(load.IsCounted ? "thin-counted" : "thin-expected", load.Clusters.Whole(), load.Fruitlets.Whole()),
        ];
        if (!load.IsWorthIt)
            return lines;
        lines.AddRange(ByTrunk(load, of, reader, words));
        if (load.WhollyOff >= 1 && load.MoreOnSome < 1)
            lines.Add(words.Say("thin-wholly", load.WhollyOff.Whole()));
        lines.Add(words.Say("thin-each", OnEach(load.LeftOnEach, words)));
        if (load.IsShort)
            lines.Add(words.Say("thin-more", load.MoreOnSome.Whole()));
        lines.Add(words.Say("thin-how"));
        lines.Add(
            words.Say(
                "thin-count",
                CountedEvery,
                ((of?.Settings.Tolerance ?? DecisionSettings.DefaultTolerance) * 100).Whole()
            )
        );
        lines.Add(words.Say("thin-minutes", load.SecondsPerTree / SecondsPerMinute));
        return lines;
    }

    // “3.5” hang nowhere: 3 or 4 do.
    private static string OnEach(double fruit, CardWords words) =>
        Math.Floor(fruit) is var least && least == fruit
            ? words.Number(fruit)
            : words.Say("thin-or", Math.Max(1, least), Math.Max(1, least) + 1);

    private static IEnumerable<string> ByTrunk(
        ThinningLoad load,
        PrescribedPlanting? of,
        CardReader reader,
        CardWords words
    ) =>
        FruitOfClasses(load, of) is { Count: > 1 } fruit
            ? new CardWriter(of!, reader).Trunks().Zip(fruit, (name, f) => words.Say("thin-class", name, f.Whole()))
            : [];

    // Each trunk class carries its part of the crop, as its buds were shared out in winter.
    private static IReadOnlyList<double> FruitOfClasses(ThinningLoad load, PrescribedPlanting? of)
    {
        var classes = of?.Prescription.Classes ?? [];
        var mean = classes.Sum(c => c.Class.Share * c.Number);
        return mean <= 0 ? [] : [.. classes.Select(c => load.FruitWanted * c.Number / mean)];
    }
}
